import type { Drift, Scene, Slide } from '../api/types';
import { say, type Code } from '../messages/say';
import { Cards } from '../parts/Cards';
import { offered, Picks, Select } from '../parts/Choice';
import { useActs, useView } from '../story/StoryContext';
import { DriftPicture } from './DriftPicture';

const kinds: [Drift['kind'] | 'none', Code][] = [
  ['none', 'drift.none'],
  ['rain', 'drift.rain'],
  ['snow', 'drift.snow'],
  ['mist', 'drift.mist'],
  ['motes', 'drift.motes'],
];
const strengths: [NonNullable<Drift['strength']>, Code][] = [
  ['little', 'drift.little'],
  ['some', 'drift.some'],
  ['much', 'drift.much'],
];
const ways: [NonNullable<Drift['way']>, Code][] = [
  ['down', 'drift.down'],
  ['down-left', 'drift.down-left'],
  ['down-right', 'drift.down-right'],
  ['left', 'drift.left'],
  ['right', 'drift.right'],
  ['up', 'drift.up'],
  ['up-left', 'drift.up-left'],
  ['up-right', 'drift.up-right'],
];

/** Weather and light over slides: chosen by seeing them on the first. */
export function DriftField({ slides, scene }: { slides: Slide[]; scene: Scene | undefined }) {
  const { plan } = useView();
  const { edit } = useActs();
  const drift = slides[0]?.drift;
  const set = (to: Drift | null) => void edit({ do: 'set drift', slides: slides.map(({ id }) => id), drift: to });
  return (
    <>
      <Cards
        label={say('drift.title')}
        value={drift?.kind ?? 'none'}
        across="repeat(3, 1fr)"
        options={kinds.map(([kind, code]) => {
          const sample = plan.drifts.find((one) => one.kind === kind);
          const content = (isLookedAt: boolean) => (
            <>
              {scene && (
                <DriftPicture
                  scene={scene}
                  drifts={sample?.layers ?? NONE}
                  ratio={plan.width / plan.height}
                  fps={plan.fps}
                  moves={isLookedAt}
                />
              )}
              {say(code)}
            </>
          );
          return { key: kind, name: say(code), content };
        })}
        // Another goes its own usual way.
        onChange={(kind) => set(kind === 'none' ? null : { kind, strength: drift?.strength ?? 'some' })}
      />
      {drift && (
        <>
          <Picks
            label={say('drift.how-much')}
            value={drift.strength ?? 'some'}
            options={offered(strengths)}
            onChange={(strength) => set({ ...drift, strength })}
          />
          <Select
            label={say('drift.way')}
            value={drift.way ?? 'down'}
            options={offered(ways)}
            onChange={(way) => set({ ...drift, way })}
          />
        </>
      )}
    </>
  );
}

const NONE: never[] = [];
