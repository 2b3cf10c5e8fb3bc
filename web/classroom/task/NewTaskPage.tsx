import { useNavigate, useParams } from 'react-router';
import { answer, api, sentence } from '../../api/client';
import { say } from '../../messages/say';
import { Soft } from '../../parts/controls';
import { Page } from '../../parts/Page';
import { dayFromNow } from '../../parts/time';
import { useRoll } from '../roll/useRoll';
import { TaskForm, type Task } from './TaskForm';

/** What is usual (common practice): two weeks, and a film of one to three minutes, that its maker and who teaches them see. */
const DAYS = 14;
const USUAL: Omit<Task, 'dueOn'> = {
  title: '',
  task: '',
  leastSeconds: 60,
  mostSeconds: 180,
  leastSlides: null,
  mostSlides: null,
  asked: [],
  hidesNames: false,
  together: 1,
  peers: 0,
  peersHeld: true,
  classSees: false,
};

/** Sets a class a task. */
export default function NewTaskPage() {
  const { id = '' } = useParams();
  const navigate = useNavigate();
  const { classroom, error } = useRoll(id);
  if (!classroom)
    return (
      <Page title={say('task.new')}>
        {error ? <p role="alert">{sentence(error)}</p> : <Soft>{say('page.one-moment')}</Soft>}
      </Page>
    );
  const set = async (told: Task) => {
    const made = await answer(api.POST('/api/classes/{id}/assignments', { params: { path: { id } }, body: told }));
    await navigate(`/assignments/${made.id}`, { replace: true });
  };
  return (
    <Page title={say('task.new')}>
      <h1>{say('task.for', { classroom: classroom.name })}</h1>
      <TaskForm task={{ ...USUAL, dueOn: dayFromNow(DAYS) }} act={say('task.set')} back="/" onTell={set} />
    </Page>
  );
}
