import { Link } from 'react-router';
import styled from 'styled-components';
import { answer, api } from '../../api/client';
import type { ClassView } from '../../api/types';
import { say } from '../../messages/say';
import { Card, Mark, Quiet, Row, Soft } from '../../parts/controls';
import { dayOfYear } from '../../parts/time';
import type { Act } from './useRoll';

const List = styled.ul`
  display: grid;
  gap: 8px;
  li {
    display: grid;
    gap: 2px;
    overflow-wrap: anywhere;
  }
  a {
    font: 600 1.05rem var(--reading);
  }
`;

/** What the class was set, also what was put away: the way back to what was handed in. */
export function Tasks({ classroom, busy, act }: { classroom: ClassView; busy: boolean; act: Act }) {
  const { id, tasks, mayChange } = classroom;
  if (tasks.length === 0) return null;
  const bringBack = (task: string) => () =>
    void act(async () => {
      await answer(api.POST('/api/assignments/{id}/restore', { params: { path: { id: task } } }));
      return answer(api.GET('/api/classes/{id}', { params: { path: { id } } }));
    });
  return (
    <Card aria-labelledby="tasks">
      <h2 id="tasks">{say('class.tasks')}</h2>
      <List>
        {tasks.map((one) => (
          <li key={one.id}>
            <Link to={`/assignments/${one.id}`}>{one.title}</Link>
            <Row>
              <Soft as="span">{say('class.task-due', { day: dayOfYear(one.dueOn) })}</Soft>
              {one.isPutAway && <Mark $tone="plain">{say('class.task-away')}</Mark>}
              {one.isPutAway && mayChange && (
                <Quiet
                  isDisabled={busy}
                  aria-label={say('class.task-back', { title: one.title })}
                  onPress={bringBack(one.id)}
                >
                  {say('task.bring-back')}
                </Quiet>
              )}
            </Row>
          </li>
        ))}
      </List>
    </Card>
  );
}
