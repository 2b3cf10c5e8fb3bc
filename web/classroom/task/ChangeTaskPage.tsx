import { useNavigate, useParams } from 'react-router';
import { answer, api, sentence } from '../../api/client';
import { say } from '../../messages/say';
import { Soft } from '../../parts/controls';
import { Page } from '../../parts/Page';
import { useAssignment } from '../useAssignment';
import { TaskForm, type Task } from './TaskForm';

/** Tells a task anew. */
export default function ChangeTaskPage() {
  const { id = '' } = useParams();
  const navigate = useNavigate();
  const { data, error } = useAssignment(id);
  if (!data)
    return (
      <Page title={say('task.change')}>
        {error ? <p role="alert">{sentence(error)}</p> : <Soft>{say('page.one-moment')}</Soft>}
      </Page>
    );
  const change = async (told: Task) => {
    await answer(api.PUT('/api/assignments/{id}', { params: { path: { id } }, body: told }));
    await navigate(`/assignments/${id}`, { replace: true });
  };
  // All of it: what the form does not hold would become what is usual.
  const { title, task, dueOn, leastSeconds, mostSeconds, leastSlides, mostSlides, asked } = data.assignment;
  const { hidesNames, together, peers, peersHeld, classSees } = data.assignment;
  const lengths = { leastSeconds, mostSeconds, leastSlides, mostSlides };
  return (
    <Page title={say('task.change')}>
      <h1>{say('task.change')}</h1>
      <TaskForm
        task={{ title, task, dueOn, ...lengths, asked, hidesNames, together, peers, peersHeld, classSees }}
        act={say('task.save')}
        back={`/assignments/${id}`}
        onTell={change}
      />
    </Page>
  );
}
