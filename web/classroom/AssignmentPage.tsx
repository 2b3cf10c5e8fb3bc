import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { sentence } from '../api/client';
import type { HandIn } from '../api/types';
import { GoTo, LateMark, Row, Soft, StateMark, waits } from '../parts/controls';
import { askedText } from '../parts/asked';
import { names } from '../parts/names';
import { Page } from '../parts/Page';
import { BeginningOfStories } from './BeginningOfStories';
import { ClassTable } from './ClassTable';
import { Groups } from './groups/Groups';
import { Dealing } from './peers/Dealing';
import { Distribution } from './rubric/Distribution';
import { LettersOnPictures } from './LettersOnPictures';
import { TaskActs } from './task/TaskActs';
import { useAssignment } from './useAssignment';
import { StyleOfStories } from './StyleOfStories';
import { ago, clock, day } from '../parts/time';
import { say, type Code } from '../messages/say';

const List = styled.ul`
  display: grid;
  gap: 12px;
  li {
    position: relative;
    display: grid;
    grid-template-columns: 168px minmax(0, 1fr) auto;
    gap: 16px;
    align-items: center;
    background: var(--raised);
    border: 1px solid var(--line);
    border-radius: var(--radius);
    padding: 10px;
  }
  li:hover,
  li:focus-within {
    border-color: var(--indigo);
  }
  img {
    width: 168px;
    aspect-ratio: 16 / 9;
    object-fit: cover;
    border-radius: 4px;
  }
  a {
    font: 600 1.1rem var(--reading);
    color: inherit;
    text-decoration: none;
  }
  a::after {
    content: '';
    position: absolute;
    inset: 0;
  }
  @media (max-width: 600px) {
    li {
      grid-template-columns: 96px minmax(0, 1fr);
    }
    img {
      width: 96px;
    }
  }
`;
const groups: [(state: HandIn['state']) => boolean, Code][] = [
  [waits, 'class.waiting'],
  [(state) => state === 'returned', 'class.returned'],
  [(state) => state === 'accepted', 'class.accepted'],
];

export default function AssignmentPage() {
  const { id = '' } = useParams();
  const { data, error } = useAssignment(id);
  if (!data) {
    return (
      <Page title={say('class.hand-ins')}>
        <Soft>{error ? sentence(error) : say('page.one-moment')}</Soft>
      </Page>
    );
  }
  return (
    <Page title={data.assignment.title}>
      <div style={{ display: 'grid', gap: 8 }}>
        <h1>{data.assignment.title}</h1>
        <Soft>
          {say('class.about', {
            classroom: data.assignment.classroom,
            due: day(data.assignment.dueOn),
            least: clock(data.assignment.leastSeconds),
            most: clock(data.assignment.mostSeconds),
          })}
        </Soft>
        <p style={{ whiteSpace: 'pre-wrap' }}>{data.assignment.task}</p>
        {askedText(data.assignment) !== '' && <Soft>{askedText(data.assignment)}</Soft>}
        {data.areNamesHidden && <p>{say('class.names-hidden')}</p>}
        {data.assignment.isClosed && <p>{say('task.is-closed')}</p>}
        {data.maySet && (
          <>
            <Row>
              <StyleOfStories assignment={data.assignment} />
              <LettersOnPictures assignment={data.assignment} />
              <BeginningOfStories assignment={data.assignment} />
            </Row>
            <TaskActs assignment={data.assignment} />
          </>
        )}
      </div>
      {data.handIns.length > 0 && (
        <div>
          <GoTo to={`/assignments/${id}/screening`}>{say('screening.watch')}</GoTo>
        </div>
      )}
      {groups.map(([isOf, title]) => {
        const some = data.handIns.filter((h) => isOf(h.state));
        return (
          <section key={title} aria-label={say(title)} style={{ display: 'grid', gap: 12 }}>
            <h2>
              {say(title)} <Soft as="span">· {some.length}</Soft>
            </h2>
            {some.length === 0 && <Soft>{say('class.none')}</Soft>}
            <List>
              {some.map((handIn) => (
                <li key={handIn.id}>
                  <img src={`/api/handins/${handIn.id}/cover.jpg`} alt="" />
                  <div>
                    <Link to={`/handins/${handIn.id}`}>{handIn.title}</Link>
                    <Soft>
                      {say('class.hand-in.about', {
                        student: names(handIn.makers),
                        length: clock(handIn.seconds),
                        number: handIn.number,
                        ago: ago(handIn.handedInAt),
                        remarks: handIn.remarks.length,
                      })}
                    </Soft>
                  </div>
                  <Row>
                    {handIn.points !== null && handIn.most !== null && (
                      <span>{say('rubric.points', { points: handIn.points, most: handIn.most })}</span>
                    )}
                    <LateMark isLate={handIn.isLate} />
                    <StateMark state={handIn.state} />
                  </Row>
                </li>
              ))}
            </List>
          </section>
        );
      })}
      {data.assignment.peers > 0 && <Dealing data={data} />}
      {data.assignment.together > 1 && <Groups assignment={data.assignment} maySet={data.maySet} />}
      {!data.areNamesHidden && <ClassTable data={data} />}
      {data.assignment.rubric && data.distribution && (
        <Distribution rubric={data.assignment.rubric} given={data.distribution} />
      )}
    </Page>
  );
}
