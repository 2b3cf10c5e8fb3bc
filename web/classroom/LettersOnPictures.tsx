import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, sentence } from '../api/client';
import type { Assignment } from '../api/types';
import { say } from '../messages/say';
import { Select } from '../parts/Choice';
import { useTell } from '../parts/notices';

const NONE = 'none';
const OFFERED = ['40', '60', '90', '120', '160'];

/** How many letters may stand on a picture of a story for an assignment. */
export function LettersOnPictures({ assignment }: { assignment: Assignment }) {
  const queries = useQueryClient();
  const tell = useTell();
  const { id, letters } = assignment;
  const [asked, ask] = useState<string>();
  const set = (to: string) => {
    ask(to);
    answer(
      api.PUT('/api/assignments/{id}/letters', {
        params: { path: { id } },
        body: { letters: to === NONE ? null : Number(to) },
      }),
    )
      .then(() => queries.invalidateQueries({ queryKey: ['assignment', id] }))
      .then(() => tell(say('class.letters-set')))
      .catch((error: unknown) => tell(sentence(error), { tone: 'trouble' }))
      // What is shown is what the server has.
      .finally(() => ask(undefined));
  };
  return (
    <div style={{ maxWidth: 320 }}>
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
