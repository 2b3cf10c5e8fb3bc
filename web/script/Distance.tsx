import { useSearchParams } from 'react-router';
import { useSteady } from '../parts/useSteady';
import { say, type Code } from '../messages/say';
import { Segments } from '../parts/Choice';

/** From how far the story is looked at: every slide small, the script, or one slide. */
export const distances = ['all', 'script', 'one'] as const;
export type Distance = (typeof distances)[number];

const names: Record<Distance, Code> = { all: 'distance.all', script: 'distance.script', one: 'distance.one' };

/** It stands in the address: a reload and a link come back to it. */
export function useDistance(): [Distance, (distance: Distance) => void] {
  const [search, setSearch] = useSearchParams();
  const far = search.get('from');
  const distance = distances.find((one) => one === far) ?? 'script';
  const change = useSteady((next: Distance) =>
    setSearch(
      (before) => {
        const params = new URLSearchParams(before);
        params.delete('slide');
        if (next === 'script') params.delete('from');
        else params.set('from', next);
        return params;
      },
      { replace: true },
    ),
  );
  return [distance, change];
}

export function DistanceField({ value, onChange }: { value: Distance; onChange: (distance: Distance) => void }) {
  return (
    <Segments
      label={say('distance.title')}
      value={value}
      options={distances.map((one) => [one, say(names[one])])}
      onChange={onChange}
    />
  );
}
