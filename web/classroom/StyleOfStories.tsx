import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, sentence } from '../api/client';
import type { Assignment } from '../api/types';
import { say } from '../messages/say';
import { Select } from '../parts/Choice';
import { useTell } from '../parts/notices';
import { styles, type StyleName } from '../story/styles';

const NONE = 'none';

/** The style that stories for an assignment begin with. */
export function StyleOfStories({ assignment }: { assignment: Assignment }) {
  const queries = useQueryClient();
  const tell = useTell();
  const { id } = assignment;
  const [asked, ask] = useState<StyleName | typeof NONE>();
  const set = (style: StyleName | typeof NONE) => {
    ask(style);
    answer(
      api.PUT('/api/assignments/{id}/style', {
        params: { path: { id } },
        body: { style: style === NONE ? null : style },
      }),
    )
      .then(() => queries.invalidateQueries({ queryKey: ['assignment', id] }))
      .then(() => tell(say('class.style-set')))
      .catch((error: unknown) => tell(sentence(error), { tone: 'trouble' }))
      // What is shown is what the server has.
      .finally(() => ask(undefined));
  };
  return (
    <div style={{ maxWidth: 320 }}>
      <Select
        label={say('class.style')}
        value={asked ?? assignment.style ?? NONE}
        options={[
          [NONE, say('class.style-none')],
          ...styles.map(([name, called, temper]): [StyleName, string] => [name, `${say(called)}: ${say(temper)}`]),
        ]}
        onChange={set}
      />
    </div>
  );
}
