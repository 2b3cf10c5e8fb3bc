import type { Scene, StoryView } from '../api/types';
import { offered, Picks, Select } from '../parts/Choice';
import { Button, Card, GoTo, Row, Soft } from '../parts/controls';
import { Toggle } from '../parts/Toggle';
import { useActs, useView } from '../story/StoryContext';
import { Beds } from './Beds';
import { CaptionsIn } from './CaptionsIn';
import { CopyStory } from './CopyStory';
import { DealText } from './DealText';
import { languages } from './languages';
import { OneSound } from './OneSound';
import { OwnStyle } from './OwnStyle';
import { StyleField } from './StyleField';
import { TakeHome } from './TakeHome';
import { TransitionField } from './TransitionField';
import { say, type Code } from '../messages/say';

const shapes: [StoryView['story']['shape'], Code][] = [
  ['16:9', 'shape.wide'],
  ['4:3', 'shape.classic'],
  ['1:1', 'shape.square'],
  ['9:16', 'shape.upright'],
];

const ways: [StoryView['plan']['scheme']['credits'], Code][] = [
  ['pages', 'whole.credits-pages'],
  ['roll', 'whole.credits-roll'],
];

/** The first two pictures that follow each other; the first two slides where there are none. */
function twoPictures(scenes: Scene[]): [Scene | undefined, Scene | undefined] {
  const isPicture = (scene: Scene | undefined) => scene?.layers.some(({ kind }) => kind === 'picture') ?? false;
  const at = Math.max(
    0,
    scenes.findIndex((scene, i) => isPicture(scene) && isPicture(scenes[i + 1])),
  );
  return [scenes[at], scenes[at + 1]];
}

/** What concerns the whole story. */
export default function WholePanel() {
  const view = useView();
  const { id, edit } = useActs();
  return (
    <Card aria-label={say('whole.title')}>
      <h2>{say('whole.title')}</h2>
      <Toggle isSelected={view.story.credits} onChange={(credits) => void edit({ do: 'show credits', credits })}>
        {say('whole.credits')}
      </Toggle>
      {view.story.credits && (
        <Picks
          label={say('whole.credits-come')}
          value={view.plan.scheme.credits}
          options={offered(ways)}
          onChange={(credits) => void edit({ do: 'set style', own: { credits } })}
        />
      )}
      <Picks
        label={say('shape.title')}
        value={view.story.shape}
        options={offered(shapes)}
        onChange={(shape) => void edit({ do: 'set shape', shape })}
      />
      <StyleField />
      <OwnStyle />
      <TransitionField
        label={say('transition.of-the-story')}
        value={view.story.style.transition}
        between={twoPictures(view.plan.scenes)}
        onChange={(transition) => void edit({ do: 'set style', transition })}
      />
      <Row>
        <Button onPress={() => void edit({ do: 'vary transitions' })}>{say('transition.vary')}</Button>
      </Row>
      <Soft>{say('transition.varied')}</Soft>
      <Select
        label={say('whole.language')}
        value={view.story.language}
        options={languages(view.story.language)}
        onChange={(language) => void edit({ do: 'set language', language })}
      />
      <Row>
        <GoTo to={`/stories/${id}/print`}>{say('print.the-story')}</GoTo>
      </Row>
      <Beds />
      <DealText />
      <OneSound />
      <CaptionsIn />
      <CopyStory />
      <TakeHome />
    </Card>
  );
}
