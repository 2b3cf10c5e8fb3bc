import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { answer, api, sentence } from '../api/client';
import type { HandIn } from '../api/types';
import { Soft, StateMark } from '../parts/controls';
import { Page } from '../parts/Page';
import { LettersOnPictures } from './LettersOnPictures';
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
const groups: [HandIn['state'], Code][] = [
  ['handed in', 'class.waiting'],
  ['returned', 'class.returned'],
  ['accepted', 'class.accepted'],
];

export default function AssignmentPage() {
  const { id = '' } = useParams();
  const { data, error } = useQuery({
    queryKey: ['assignment', id],
    queryFn: () => answer(api.GET('/api/assignments/{id}', { params: { path: { id } } })),
    refetchOnMount: 'always',
  });
  if (!data) {
    return (
      <Page title={say('class.hand-ins')}>
        <Soft>{error ? sentence(error) : say('page.one-moment')}</Soft>
      </Page>
    );
  }
  const missing = data.students.filter((student) => !data.handIns.some((h) => h.student === student));
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
        <p>{data.assignment.task}</p>
        <StyleOfStories assignment={data.assignment} />
        <LettersOnPictures assignment={data.assignment} />
      </div>
      {groups.map(([state, title]) => {
        const some = data.handIns.filter((h) => h.state === state);
        return (
          <section key={state} aria-label={say(title)} style={{ display: 'grid', gap: 12 }}>
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
                        student: handIn.student,
                        length: clock(handIn.seconds),
                        number: handIn.number,
                        ago: ago(handIn.handedInAt),
                        remarks: handIn.remarks.length,
                      })}
                    </Soft>
                  </div>
                  <StateMark state={handIn.state} />
                </li>
              ))}
            </List>
          </section>
        );
      })}
      <section aria-label={say('class.nothing-yet')} style={{ display: 'grid', gap: 8 }}>
        <h2>{say('class.nothing-yet')}</h2>
        <p>{missing.length === 0 ? say('class.everybody') : missing.join(', ')}</p>
      </section>
    </Page>
  );
}
