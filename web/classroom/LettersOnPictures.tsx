import { answer, api } from '../api/client';
import type { Assignment } from '../api/types';
import { say } from '../messages/say';
import { Select } from '../parts/Choice';
import { useTold } from './useTold';

const NONE = 'none';
const OFFERED = ['40', '60', '90', '120', '160'];

/** How many letters may stand on a picture of a story for an assignment. */
export function LettersOnPictures({ assignment: { id, letters } }: { assignment: Assignment }) {
  const send = (to: string) =>
    answer(
      api.PUT('/api/assignments/{id}/letters', {
        params: { path: { id } },
        body: { letters: to === NONE ? null : Number(to) },
      }),
    );
  const { asked, set } = useTold(id, send, 'class.letters-set');
  return (
    <div style={{ width: 320, maxWidth: '100%' }}>
      <Select
        label={say('class.letters')}
        value={asked ?? String(letters ?? NONE)}
        options={[
          [NONE, say('class.letters-none')],
          ...OFFERED.map((many): [string, string] => [many, say('class.letters-some', { letters: Number(many) })]),
        ]}
        onChange={set}
      />
    </div>
  );
}
