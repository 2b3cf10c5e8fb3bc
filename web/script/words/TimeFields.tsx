import { isWordsAlone } from '../../story/slides';
import type { Scene, Slide, WordsLayer } from '../../api/types';
import { say, type Code } from '../../messages/say';
import { offered, Select } from '../../parts/Choice';
import { Toggle } from '../../parts/Toggle';
import { MomentField } from '../MomentField';
import type { Which } from './LookFields';
import { useTellWords } from './useTell';

const entrances: [WordsLayer['entrance'], Code][] = [
  ['fade', 'entrance.fade'],
  ['at-once', 'entrance.at-once'],
  ['rise', 'entrance.rise'],
  ['written', 'entrance.written'],
];

/** When words are seen, and how they come. */
export function TimeFields({ slide, scene, which }: { slide: Slide; scene: Scene | undefined; which: Which }) {
  const { layer } = which;
  const tell = useTellWords(slide, which);
  const same = { slide, scene };
  return (
    <>
      <MomentField
        {...same}
        id="comes"
        label={say('words.comes')}
        always={say('moment.from-the-start')}
        second={say('words.comes-second')}
        word={say('words.comes-word')}
        value={layer?.comes ?? null}
        onChange={(comes) => tell({ comes })}
      />
      <MomentField
        {...same}
        id="goes"
        label={say('words.goes')}
        always={say('moment.to-the-end')}
        second={say('words.goes-second')}
        word={say('words.goes-word')}
        value={layer?.goes ?? null}
        onChange={(goes) => tell({ goes })}
      />
      <Select
        label={say('words.entrance')}
        value={layer?.entrance ?? 'fade'}
        options={offered(entrances)}
        onChange={(entrance) => tell({ entrance })}
      />
      {!isWordsAlone(slide) && slide.script.trim() !== '' && (
        <Toggle isSelected={layer?.spoken ?? false} onChange={(spoken) => tell({ spoken })}>
          {say('words.spoken')}
        </Toggle>
      )}
    </>
  );
}
