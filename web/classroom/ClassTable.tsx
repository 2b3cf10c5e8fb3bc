import { Link } from 'react-router';
import styled from 'styled-components';
import type { AssignmentView } from '../api/types';
import { say } from '../messages/say';
import { GoTo, LateMark, Row, Soft, StateMark } from '../parts/controls';
import { ago } from '../parts/time';

const Scrolled = styled.div`
  overflow-x: auto;
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th,
  td {
    padding: 8px 12px 8px 0;
    text-align: start;
    border-block-end: 1px solid var(--line);
    white-space: nowrap;
  }
  th {
    font-size: 0.875rem;
    font-weight: 400;
    color: var(--soft);
  }
  tbody th {
    font: 600 1rem var(--reading);
    color: inherit;
  }
  /* On a phone it finds room without being pushed aside; when each came in stands above, too. */
  @media (max-width: 600px) {
    th,
    td {
      padding-inline-end: 8px;
      white-space: normal;
      overflow-wrap: anywhere;
      font-size: 0.9375rem;
    }
    .when {
      display: none;
    }
  }
  .points {
    font-variant-numeric: tabular-nums;
    text-align: end;
  }
`;

type HandIn = AssignmentView['handIns'][number];

/** Everybody in the class, and what became of their films. */
export function ClassTable({ data }: { data: AssignmentView }) {
  // Who has left the class since is in it with what they handed in.
  const everybody = [...new Set([...data.students, ...data.handIns.flatMap(({ makers }) => makers)])];
  const rows = everybody.flatMap((student): { student: string; handIn: HandIn | null }[] => {
    const theirs = data.handIns.filter(({ makers }) => makers.includes(student));
    return theirs.length === 0 ? [{ student, handIn: null }] : theirs.map((handIn) => ({ student, handIn }));
  });
  if (rows.length === 0) return null;
  const hasRubric = data.handIns.some(({ most }) => most !== null);
  return (
    <section aria-labelledby="class-table" style={{ display: 'grid', gap: 12 }}>
      <Row style={{ justifyContent: 'space-between' }}>
        <h2 id="class-table">{say('table.everybody')}</h2>
        <Row>
          {data.handIns.length > 0 && (
            <GoTo as="a" href={`/api/assignments/${data.assignment.id}/films.zip`} to="" download>
              {say('take-home.films')}
            </GoTo>
          )}
          <GoTo as="a" href={`/api/assignments/${data.assignment.id}/table.csv`} to="" download>
            {say('table.download')}
          </GoTo>
        </Row>
      </Row>
      <Scrolled tabIndex={0} role="group" aria-labelledby="class-table">
        <table>
          <thead>
            <tr>
              <th scope="col">{say('table.student')}</th>
              <th scope="col">{say('table.title')}</th>
              <th scope="col">{say('table.state')}</th>
              {hasRubric && <th scope="col">{say('table.points')}</th>}
              <th scope="col" className="when">
                {say('table.handed-in')}
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ student, handIn }) => (
              <tr key={`${student} ${handIn?.id ?? ''}`}>
                <th scope="row">{student}</th>
                <td>{handIn && <Link to={`/handins/${handIn.id}`}>{handIn.title}</Link>}</td>
                <td>
                  {handIn ? (
                    <Row>
                      <StateMark state={handIn.state} />
                      <LateMark isLate={handIn.isLate} />
                    </Row>
                  ) : (
                    <Soft as="span">{say('table.nothing')}</Soft>
                  )}
                </td>
                {hasRubric && (
                  <td className="points">
                    {typeof handIn?.points === 'number' &&
                      typeof handIn.most === 'number' &&
                      say('table.of', { points: handIn.points, most: handIn.most })}
                  </td>
                )}
                <td className="when">{handIn && ago(handIn.handedInAt)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scrolled>
    </section>
  );
}
