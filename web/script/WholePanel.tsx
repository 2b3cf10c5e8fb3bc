import type { StoryView } from '../api/types';
import { offered, Picks, Select } from '../parts/Choice';
import { Card } from '../parts/controls';
import { Toggle } from '../parts/Toggle';
import { useActs, useView } from '../story/StoryContext';
import { Beds } from './Beds';
import { CaptionsIn } from './CaptionsIn';
import { languages } from './languages';
import { TransitionField } from './TransitionField';
import { say, type Code } from '../messages/say';

const shapes: [StoryView['story']['shape'], Code][] = [
  ['16:9', 'shape.wide'],
  ['4:3', 'shape.classic'],
  ['1:1', 'shape.square'],
  ['9:16', 'shape.upright'],
];

/** What concerns the whole story. */
export default function WholePanel() {
  const view = useView();
  const { edit } = useActs();
  return (
    <Card aria-label={say('whole.title')}>
      <h2>{say('whole.title')}</h2>
      <Toggle isSelected={view.story.credits} onChange={(credits) => void edit({ do: 'show credits', credits })}>
        {say('whole.credits')}
      </Toggle>
      <Picks
        label={say('shape.title')}
        value={view.story.shape}
        options={offered(shapes)}
        onChange={(shape) => void edit({ do: 'set shape', shape })}
      />
      <TransitionField
        label={say('transition.of-the-story')}
        value={view.story.style.transition}
        onChange={(transition) => void edit({ do: 'set style', transition })}
      />
      <Select
        label={say('whole.language')}
        value={view.story.language}
        options={languages(view.story.language)}
        onChange={(language) => void edit({ do: 'set language', language })}
      />
      <Beds />
      <CaptionsIn />
    </Card>
  );
}
