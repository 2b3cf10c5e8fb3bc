import { answer, api } from '../api/client';
import type { Assignment } from '../api/types';
import { say } from '../messages/say';
import { Select } from '../parts/Choice';
import { styles, type StyleName } from '../story/styles';
import { useTold } from './useTold';

const NONE = 'none';

/** The style that stories for an assignment begin with. */
export function StyleOfStories({ assignment: { id, style } }: { assignment: Assignment }) {
  const send = (to: StyleName | typeof NONE) =>
    answer(
      api.PUT('/api/assignments/{id}/style', {
        params: { path: { id } },
        body: { style: to === NONE ? null : to },
      }),
    );
  const { asked, set } = useTold(id, send, 'class.style-set');
  return (
    <div style={{ width: 320, maxWidth: '100%' }}>
      <Select
        label={say('class.style')}
        value={asked ?? style ?? NONE}
        options={[
          [NONE, say('class.style-none')],
          ...styles.map(([name, called, temper]): [StyleName, string] => [name, `${say(called)}: ${say(temper)}`]),
        ]}
        onChange={set}
      />
    </div>
  );
}
