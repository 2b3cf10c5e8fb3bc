import { useParams } from 'react-router';
import styled from 'styled-components';
import { sentence } from '../api/client';
import type { Slide, StoryView } from '../api/types';
import { say, type Code } from '../messages/say';
import { Segments } from '../parts/Choice';
import { Act, Row, Soft } from '../parts/controls';
import { Page } from '../parts/Page';
import { clock, secondsText } from '../parts/time';
import { useKept } from '../parts/useKept';
import { ComposedSlide } from '../stage/ComposedSlide';
import { StoryProvider } from '../story/StoryContext';
import { writtenOn } from '../story/slides';
import { StoryHead } from '../story/StoryHead';
import { useRehearsal } from '../story/useRehearsal';
import { useStory } from '../story/useStory';

/** On paper as on the screen, without what is only pressed. */
const Sheet = styled.section`
  display: grid;
  gap: 20px;
  .head {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
    gap: 16px;
  }
  .slides {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
    gap: 20px;
  }
  /* One below the other, the script as large as it is read from. */
  .slides.read {
    grid-template-columns: minmax(0, 1fr);
  }
  .read li {
    grid-template-columns: 180px minmax(0, 1fr);
    gap: 6px 20px;
    border-block-start: 1px solid var(--line);
    padding-block-start: 12px;
  }
  .read .facts {
    grid-row: 2;
  }
  .read .said {
    grid-column: 2;
    grid-row: 1 / 3;
  }
  .read p {
    font-size: 1.25rem;
    line-height: 1.6;
  }
  @media (max-width: 600px) {
    .read li {
      grid-template-columns: 96px minmax(0, 1fr);
    }
  }
  @media print {
    .slides:not(.read) {
      grid-template-columns: repeat(3, 1fr);
    }
    .pressed {
      display: none;
    }
  }
`;
const Line = styled.li`
  display: grid;
  gap: 6px;
  align-content: start;
  min-width: 0;
  break-inside: avoid;
  .composed {
    outline: 1px solid var(--line);
    print-color-adjust: exact;
  }
  .facts {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
    color: var(--soft);
    font-size: 0.875rem;
    strong {
      color: var(--ink);
      font: 600 1.1rem var(--reading);
    }
  }
  p {
    font: 0.94rem/1.4 var(--reading);
    overflow-wrap: anywhere;
    white-space: pre-wrap;
  }
  .words {
    font-weight: 600;
  }
`;

/** The whole story to look at at once, and to print: each slide small, when it comes, how long it stays and what is said on it. */
export default function PrintPage() {
  const { id = '' } = useParams();
  const hold = useStory(id);
  const { view, error } = hold;
  if (!view)
    return (
      <Page title="">{error ? <p role="alert">{sentence(error)}</p> : <Soft>{say('page.one-moment')}</Soft>}</Page>
    );
  return (
    <StoryProvider id={id} hold={hold} view={view}>
      <Page title={say('print.of', { title: view.story.title })} wide head={<StoryHead id={id} hold={hold} />}>
        <Slides view={view} />
      </Page>
    </StoryProvider>
  );
}

const WAYS = ['look', 'read'] as const;
const ways: Record<(typeof WAYS)[number], Code> = { look: 'print.to-look', read: 'print.to-read' };

function Slides({ view: { id, revision, story, plan } }: { view: StoryView }) {
  const [way, setWay] = useKept('rhapsode-print', WAYS, 'look');
  const rehearsal = useRehearsal(id, revision);
  const isRead = way === 'read';
  const takes = (slide: Slide) => rehearsal?.slides[slide.id]?.seconds ?? 0;
  // Credits are not spoken.
  const scenes = plan.scenes.filter(({ id: one }) => !isRead || story.slides.some((slide) => slide.id === one));
  return (
    <Sheet>
      <div className="head">
        <h1>{story.title}</h1>
        <span>{clock(plan.frames / plan.fps)}</span>
      </div>
      <Row className="pressed">
        <Act onPress={() => window.print()}>{say('print.print')}</Act>
        <Segments
          label={say('print.what-for')}
          value={way}
          options={WAYS.map((one) => [one, say(ways[one])])}
          onChange={setWay}
        />
        <Soft>{say('print.hint')}</Soft>
      </Row>
      <ul className={isRead ? 'slides read' : 'slides'}>
        {scenes.map((scene, n) => {
          const slide = story.slides.find((one) => one.id === scene.id);
          return (
            <Line key={scene.id}>
              <ComposedSlide scene={scene} ratio={plan.width / plan.height} picture={scene.name} words="" />
              <span className="facts">
                <strong>{slide ? n + 1 : scene.name}</strong>
                <span>
                  {clock(scene.start / plan.fps)} · {secondsText((scene.end - scene.start) / plan.fps)}
                </span>
              </span>
              {slide && (
                <span className="said">
                  {isRead && <p className="words">{writtenOn(slide, story.title)}</p>}
                  {slide.script !== '' && <p>{slide.script}</p>}
                  {isRead && takes(slide) > 0 && (
                    <Soft as="span">{say('print.takes', { length: secondsText(takes(slide)) })}</Soft>
                  )}
                </span>
              )}
            </Line>
          );
        })}
      </ul>
    </Sheet>
  );
}
