import { answer, api } from '../api/client';
import type { Assignment } from '../api/types';
import { useDesk } from '../api/useDesk';
import { say } from '../messages/say';
import { Select } from '../parts/Choice';
import { useTold } from './useTold';

const NONE = 'none';

/** What lies ready for who begins: a copy of a story of the teacher's own, or nothing. */
export function BeginningOfStories({ assignment: { id, beginning } }: { assignment: Assignment }) {
  const data = useDesk();
  const stories = data?.stories ?? [];
  const send = (to: string) =>
    answer(
      api.PUT('/api/assignments/{id}/beginning', {
        params: { path: { id } },
        body: { story: to === NONE ? null : to },
      }),
    );
  const { asked, set } = useTold(id, send, 'class.beginning-set');
  const isOthers = data && beginning !== null && !stories.some((one) => one.id === beginning);
  return (
    <div style={{ width: 320, maxWidth: '100%' }}>
      <Select
        label={say('class.beginning')}
        value={asked ?? beginning ?? NONE}
        options={[
          [NONE, say('class.beginning-none')],
          ...stories.map(({ id: story, title }): [string, string] => [story, say('class.beginning-yours', { title })]),
          ...(isOthers ? [[beginning, say('class.beginning-other')] as [string, string]] : []),
        ]}
        onChange={set}
      />
    </div>
  );
}
