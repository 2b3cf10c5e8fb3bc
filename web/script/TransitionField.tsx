import type { Scene, Transition } from '../api/types';
import { say, type Code } from '../messages/say';
import { Cards } from '../parts/Cards';
import { Picks } from '../parts/Choice';
import { useView } from '../story/StoryContext';
import { TransitionPicture } from './TransitionPicture';

const kinds: [Transition['kind'], Code][] = [
  ['cut', 'transition.cut'],
  ['crossfade', 'transition.crossfade'],
  ['through-dark', 'transition.through-dark'],
  ['through-light', 'transition.through-light'],
  ['sweep', 'transition.sweep'],
  ['rise', 'transition.rise'],
];
const lengths: [string, string][] = [
  ['0.5', '½'],
  ['1', '1'],
  ['1.5', '1½'],
  ['2', '2'],
];
interface Props {
  label: string;
  value: Transition;
  /** Two slides, one after the other, on which each kind is seen. */
  between: [Scene | undefined, Scene | undefined];
  onChange: (value: Transition) => void;
}

/** How a slide gives way to the next: of some slides, or what is usual in the whole story; chosen by seeing it. */
export function TransitionField({ label, value, between, onChange }: Props) {
  const { plan } = useView();
  const { kind, seconds } = value;
  const [from, to] = between;
  return (
    <>
      <Cards
        label={label}
        value={kind}
        across="repeat(3, 1fr)"
        options={kinds.map(([one, code]) => {
          const planned = plan.transitions.find((transition) => transition.kind === one);
          const content = (isLookedAt: boolean) => (
            <>
              {from && to && planned && (
                <TransitionPicture
                  from={from}
                  to={to}
                  transition={planned}
                  ratio={plan.width / plan.height}
                  seconds={seconds || 1}
                  moves={isLookedAt}
                />
              )}
              {say(code)}
            </>
          );
          return { key: one, name: say(code), content };
        })}
        onChange={(next) => onChange({ kind: next, seconds: seconds || 1 })}
      />
      {kind !== 'cut' && (
        <Picks
          label={say('transition.how-long')}
          value={String(seconds)}
          options={lengths.map(([length, seconds]) => [length, say('transition.seconds', { seconds })])}
          onChange={(to) => onChange({ kind, seconds: Number(to) })}
        />
      )}
    </>
  );
}
