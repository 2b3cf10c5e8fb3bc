import type { HandInView } from '../api/types';
import { say } from '../messages/say';
import { ActGoTo, GoTo, Soft, waits } from '../parts/controls';
import { names } from '../parts/names';
import { useAssignment } from './useAssignment';

/** From one film to the next that waits for an answer, without the list between them; after the answer it is what comes next. */
export function NextToAnswer({ data }: { data: HandInView }) {
  const list = useAssignment(data.assignment.id).data?.handIns ?? [];
  const here = list.findIndex(({ id }) => id === data.id);
  const round = [...list.slice(here + 1), ...list.slice(0, Math.max(here, 0))];
  const waiting = round.filter(({ state, id }) => waits(state) && id !== data.id);
  const [next] = waiting;
  if (!next) return waits(data.state) ? null : <Soft as="span">{say('review.all-answered')}</Soft>;
  const To = waits(data.state) ? GoTo : ActGoTo;
  return (
    <To to={`/handins/${next.id}`}>
      {say('review.next', { student: names(next.makers), title: next.title, count: waiting.length })}
    </To>
  );
}
