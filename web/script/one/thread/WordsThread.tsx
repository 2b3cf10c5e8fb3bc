import limits from '../../../../schema/limits.json';
import type { Scene, Slide, WordsLayer } from '../../../api/types';
import { say } from '../../../messages/say';
import { useActs, useView } from '../../../story/StoryContext';
import { useInHand } from '../../../story/useInHand';
import { secondOf, type Moment } from '../framing';
import { useSpoken } from '../../../story/useSpoken';
import { Knot } from './Knot';
import { ThreadStrip } from './ThreadStrip';

type Told = NonNullable<WordsLayer['comes']> | null;
const asMoment = (told: Told): Moment | null =>
  told === null ? null : typeof told === 'number' ? { at: told } : { word: told.word };
const asTold = ({ word, at = 0 }: Moment): Told => (word === undefined ? Math.round(at * 100) / 100 : { word });

interface Props {
  slide: Slide;
  scene: Scene;
  words: WordsLayer;
}

/** The thread of a slide, and when some of its words come and go. */
export function WordsThread({ slide, scene, words }: Props) {
  const { id } = useActs();
  const { plan } = useView();
  // A second of words is counted from when the slide begins to be seen.
  const spoken = { ...useSpoken(id, slide, scene, plan.fps), zero: 0 };
  const seconds = (scene.end + scene.transition.frames - scene.start) / plan.fps;
  const { value, show, set } = useInHand<{ comes: Told; goes: Told }>(
    { comes: words.comes ?? null, goes: words.goes ?? null },
    (changes) => ({
      do: 'set layer',
      slide: slide.id,
      layer: words.id,
      kind: 'words',
      changes: changes as Partial<WordsLayer>,
    }),
  );
  const at = (told: Told, usual: number) => {
    const moment = asMoment(told);
    return moment ? secondOf(moment, spoken) : usual;
  };
  const [from, to] = [at(value.comes, 0), at(value.goes, seconds)];
  const knots = [
    { key: 'comes', sign: '↦', name: say('words.comes'), second: from },
    { key: 'goes', sign: '⇥', name: say('words.goes'), second: to },
  ] as const;
  /** They never go before they have come. */
  const isApart = (key: 'comes' | 'goes', second: number) =>
    key === 'comes' ? second <= to - limits.leastSeen : second >= from + limits.leastSeen;
  const tied = (told: Told) => (typeof told === 'object' ? told?.word : undefined);
  return (
    <ThreadStrip
      label={say('words.thread')}
      spoken={spoken}
      seconds={seconds}
      reached={new Set([tied(value.comes), tied(value.goes)])}
      isDark={false}
    >
      {(width) =>
        knots.map(({ key, sign, name, second }) => (
          <Knot
            key={key}
            name={name}
            className={value[key] === null ? 'on-light loose' : 'on-light'}
            spoken={spoken}
            seconds={seconds}
            second={second}
            word={tied(value[key])}
            width={width}
            onMove={(moment, isHeld) => {
              const told = isApart(key, secondOf(moment, spoken)) ? asTold(moment) : value[key];
              (isHeld ? show : set)({ [key]: told });
            }}
            onTakeAway={() => set({ [key]: null })}
          >
            {sign}
          </Knot>
        ))
      }
    </ThreadStrip>
  );
}
