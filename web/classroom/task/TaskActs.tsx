import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api, sentence } from '../../api/client';
import { told } from '../../api/told';
import type { Assignment, AssignmentView } from '../../api/types';
import { say } from '../../messages/say';
import { Select } from '../../parts/Choice';
import { Button, GoTo, Row } from '../../parts/controls';
import { useTell } from '../../parts/notices';
import { useOnce } from '../../parts/useOnce';

/** What whoever set a task does with it. */
export function TaskActs({ assignment: { id, title, classId, isClosed } }: { assignment: Assignment }) {
  const navigate = useNavigate();
  const tell = useTell();
  const { once } = useOnce((error) => tell(sentence(error), { tone: 'trouble' }));
  const params = { path: { id } };
  const queries = useQueryClient();
  const takeOrNot = async () => {
    const call = isClosed
      ? api.DELETE('/api/assignments/{id}/closed', { params })
      : api.PUT('/api/assignments/{id}/closed', { params });
    const now = await answer(call);
    await told<AssignmentView>(queries, ['assignment', id], (old) => old && { ...old, assignment: now });
  };
  const putAway = async () => {
    await answer(api.DELETE('/api/assignments/{id}', { params }));
    const restore = () =>
      void answer(api.POST('/api/assignments/{id}/restore', { params }))
        .then(() => navigate(`/assignments/${id}`))
        .catch((error: unknown) => tell(sentence(error), { tone: 'trouble', action: back }));
    const back = { label: say('task.bring-back'), run: restore };
    await navigate('/');
    tell(say('task.is-put-away', { title }), { action: back });
  };
  return (
    <Row style={{ alignItems: 'end' }}>
      <GoTo to={`/assignments/${id}/task`}>{say('task.change')}</GoTo>
      <GoTo to={`/assignments/${id}/rubric`}>{say('rubric.rubric')}</GoTo>
      <Button onPress={() => void once(takeOrNot)}>{say(isClosed ? 'task.open' : 'task.close')}</Button>
      <Button onPress={() => void once(putAway)}>{say('task.put-away')}</Button>
      <Copies id={id} from={classId} once={once} />
    </Row>
  );
}

/** The same for another class of one's own. */
function Copies({
  id,
  from,
  once,
}: {
  id: string;
  from: string;
  once: (act: () => Promise<void>) => Promise<boolean>;
}) {
  const queries = useQueryClient();
  const tell = useTell();
  const [to, setTo] = useState<string>();
  const { data } = useQuery({
    queryKey: ['desk'],
    queryFn: () => answer(api.GET('/api/desk')),
    refetchOnMount: 'always',
  });
  const classes = (data?.classrooms ?? []).filter((one) => one.maySet && one.id !== from);
  const first = classes[0];
  if (!first) return null;
  const chosen = classes.find((one) => one.id === to) ?? first;
  const copy = async () => {
    const body = { classroom: chosen.id };
    await answer(api.POST('/api/assignments/{id}/copies', { params: { path: { id } }, body }));
    await queries.invalidateQueries({ queryKey: ['desk'] });
    tell(say('task.copied', { name: chosen.name }));
  };
  return (
    <>
      <div style={{ minWidth: 160 }}>
        <Select
          label={say('task.another-class')}
          value={chosen.id}
          options={classes.map(({ id: one, name }): [string, string] => [one, name])}
          onChange={setTo}
        />
      </div>
      <Button onPress={() => void once(copy)}>{say('task.copy')}</Button>
    </>
  );
}
