import type { Transition } from '../api/types';
import { offered, Picks } from '../parts/Choice';
import { say, type Code } from '../messages/say';

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

/** How a slide gives way to the next: of some slides, or what is usual in the whole story. */
export function TransitionField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: Transition;
  onChange: (value: Transition) => void;
}) {
  const { kind, seconds } = value;
  return (
    <>
      <Picks
        label={label}
        value={kind}
        options={offered(kinds)}
        onChange={(to) => onChange({ kind: to, seconds: seconds || 1 })}
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
