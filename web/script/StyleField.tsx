import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import styled from 'styled-components';
import { answer, api } from '../api/client';
import { say } from '../messages/say';
import { Cards } from '../parts/Cards';
import { styles, type StyleName } from '../story/styles';
import { useActs, useView } from '../story/StoryContext';
import { ComposedSlide } from '../stage/ComposedSlide';

const Slides = styled.div`
  display: grid;
  gap: 4px;
  pointer-events: none;
`;
const Called = styled.span`
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: baseline;
  gap: 0 6px;
  padding-inline: 2px;
  small {
    color: var(--soft);
    font-weight: 400;
    font-size: 0.875rem;
  }
`;
/** Slides that are seen in each style. */
const SHOWN = 2;

/** The whole story's face, chosen by looking at its own first slides in each. */
export function StyleField() {
  const { id, edit } = useActs();
  const { story, plan, revision } = useView();
  const { title, language, shape, style } = story;
  // While the sheet is open only what concerns the whole story changes.
  const [opened] = useState(revision);
  const { data } = useQuery({
    queryKey: ['styles', id, opened, title, language, shape, style?.own],
    queryFn: () => answer(api.GET('/api/stories/{id}/styles.json', { params: { path: { id } } })),
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  });
  const slides = (name: StyleName) => data?.find((one) => one.name === name)?.scenes ?? [];
  return (
    <Cards
      label={say('style.title')}
      value={story.style?.name ?? 'thread'}
      across="repeat(auto-fill, minmax(124px, 1fr))"
      options={styles.map(([name, called, temper]) => ({
        key: name,
        name: say(called),
        content: () => (
          <>
            <Slides aria-hidden>
              {/* Nothing moves under a hand when they come. */}
              {!data &&
                story.slides
                  .slice(0, SHOWN)
                  .map((slide) => <div key={slide.id} style={{ aspectRatio: plan.width / plan.height }} />)}
              {slides(name).map((scene) => (
                <ComposedSlide key={scene.id} scene={scene} ratio={plan.width / plan.height} picture="" words="" />
              ))}
            </Slides>
            <Called>
              {say(called)} <small>{say(temper)}</small>
            </Called>
          </>
        ),
      }))}
      onChange={(name) => void edit({ do: 'set style', name })}
    />
  );
}
