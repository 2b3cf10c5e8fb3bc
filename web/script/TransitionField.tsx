import type { Transition } from '../api/types';
import { Picks } from '../parts/Choice';

const kinds: [Transition['kind'], string][] = [
  ['cut', 'Cut'],
  ['crossfade', 'Crossfade'],
  ['through-dark', 'Through dark'],
  ['through-light', 'Through light'],
  ['sweep', 'Sweep'],
  ['rise', 'Rise'],
];
const lengths: [string, string][] = [
  ['0.5', '½ s'],
  ['1', '1 s'],
  ['1.5', '1½ s'],
  ['2', '2 s'],
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
        options={kinds}
        onChange={(to) => onChange({ kind: to, seconds: seconds || 1 })}
      />
      {kind !== 'cut' && (
        <Picks
          label="Over how long"
          value={String(seconds)}
          options={lengths}
          onChange={(to) => onChange({ kind, seconds: Number(to) })}
        />
      )}
    </>
  );
}
