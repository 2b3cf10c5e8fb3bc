import { Link } from 'react-router';
import type { Desk } from '../api/types';
import { say } from '../messages/say';
import { ActGoTo, GoTo, Mark, Row, Soft, StateMark, type StoryState } from '../parts/controls';
import { day, dayOfYear } from '../parts/time';
import { Due, lengthOf } from './Due';
import { NewClass } from './NewClass';

/** A teacher's classes: what they were set, and what waits for an answer. */
export function Classes({ classrooms, archived }: Pick<Desk, 'classrooms' | 'archived'>) {
  return (
    <>
      {classrooms.map((classroom) => (
        <section key={classroom.id} aria-label={classroom.name} style={{ display: 'grid', gap: 12 }}>
          <Row style={{ justifyContent: 'space-between' }}>
            <h2>
              {classroom.name} <Soft as="span">· {say('desk.students', { count: classroom.students })}</Soft>
            </h2>
            <Row>
              <GoTo to={`/classes/${classroom.id}`}>{say('desk.students-of')}</GoTo>
              {classroom.maySet && <GoTo to={`/classes/${classroom.id}/task`}>{say('desk.set-task')}</GoTo>}
            </Row>
          </Row>
          {classroom.assignments.length === 0 && <Soft>{say('desk.no-task')}</Soft>}
          {classroom.assignments.map((assignment) => {
            const waiting = (assignment.states['handed in'] ?? 0) + (assignment.states.opened ?? 0);
            return (
              <Due key={assignment.id}>
                <Row>
                  <Mark $tone="handed">{say('desk.due-on', { day: day(assignment.dueOn) })}</Mark>
                  <Soft as="span">{lengthOf(assignment)}</Soft>
                </Row>
                <h3>{assignment.title}</h3>
                <p>{assignment.task}</p>
                <Row>
                  <ActGoTo to={`/assignments/${assignment.id}`}>{say('desk.see-hand-ins', { count: waiting })}</ActGoTo>
                  {(Object.entries(assignment.states) as [StoryState, number][]).map(([state, count]) => (
                    <span key={state}>
                      {count} <StateMark state={state} />
                    </span>
                  ))}
                </Row>
              </Due>
            );
          })}
        </section>
      ))}
      <NewClass isFirst={classrooms.length === 0} />
      {archived.length > 0 && (
        <Row>
          <Soft as="span">{say('desk.archived')}</Soft>
          {archived.map(({ id, name, goesOn }) => (
            <span key={id}>
              <Link to={`/classes/${id}`}>{name}</Link>
              {goesOn && <Soft as="span"> · {say('keeping.goes-on', { day: dayOfYear(goesOn) })}</Soft>}
            </span>
          ))}
        </Row>
      )}
    </>
  );
}
