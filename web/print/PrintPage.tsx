import { useParams } from 'react-router';
import styled from 'styled-components';
import { sentence } from '../api/client';
import type { StoryView } from '../api/types';
import { say } from '../messages/say';
import { Act, Row, Soft } from '../parts/controls';
import { Page } from '../parts/Page';
import { clock, secondsText } from '../parts/time';
import { ComposedSlide } from '../stage/ComposedSlide';
import { StoryProvider } from '../story/StoryContext';
import { StoryHead } from '../story/StoryHead';
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
  @media print {
    .slides {
      grid-template-columns: repeat(3, 1fr);
    }
    .pressed {
      display: none;
    }
  }
`;
const Slide = styled.li`
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

function Slides({ view: { story, plan } }: { view: StoryView }) {
  return (
    <Sheet>
      <div className="head">
        <h1>{story.title}</h1>
        <span>{clock(plan.frames / plan.fps)}</span>
      </div>
      <Row className="pressed">
        <Act onPress={() => window.print()}>{say('print.print')}</Act>
        <Soft>{say('print.hint')}</Soft>
      </Row>
      <ul className="slides">
        {plan.scenes.map((scene, n) => {
          const slide = story.slides.find((one) => one.id === scene.id);
          return (
            <Slide key={scene.id}>
              <ComposedSlide scene={scene} ratio={plan.width / plan.height} picture={scene.name} words="" />
              <span className="facts">
                <strong>{slide ? n + 1 : scene.name}</strong>
                <span>
                  {clock(scene.start / plan.fps)} · {secondsText((scene.end - scene.start) / plan.fps)}
                </span>
              </span>
              {slide && slide.script !== '' && <p>{slide.script}</p>}
            </Slide>
          );
        })}
      </ul>
    </Sheet>
  );
}
