import type { Slide } from '../api/types';
import { say } from '../messages/say';
import { Button, Row } from '../parts/controls';
import { useActs, useView } from '../story/StoryContext';
import { DriftField } from './DriftField';
import { IconFields } from './icons/IconFields';
import { TransitionField } from './TransitionField';

/** What lies over slides, icons and weather, and how they go over into the next. */
export function OverFields({ slides }: { slides: Slide[] }) {
  const { edit } = useActs();
  const { plan, story } = useView();
  const [first] = slides;
  if (!first) return null;
  const picked = slides.map(({ id }) => id);
  const index = story.slides.indexOf(first);
  return (
    <>
      {slides.length === 1 && <IconFields slide={first} />}
      <TransitionField
        label={say('transition.of-the-slide')}
        value={first.transition ?? story.style.transition}
        between={[plan.scenes[index], plan.scenes[index + 1]]}
        onChange={(transition) => void edit({ do: 'set transition', slides: picked, transition })}
      />
      {slides.some((s) => s.transition !== null) && (
        <Row>
          <Button onPress={() => void edit({ do: 'set transition', slides: picked, transition: null })}>
            {say('transition.usual')}
          </Button>
        </Row>
      )}
      <DriftField slides={slides} scene={plan.scenes[index]} />
    </>
  );
}
