import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { answer, api, sentence } from '../api/client';
import type { HandIn } from '../api/types';
import { Soft, StateMark } from '../parts/controls';
import { Page } from '../parts/Page';
import { ago, clock, day } from '../parts/time';

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
const groups: [HandIn['state'], string][] = [
  ['handed in', 'Waiting for your answer'],
  ['returned', 'Returned, to be mended'],
  ['accepted', 'Accepted'],
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
      <Page title="Hand-ins">
        <Soft>{error ? sentence(error) : 'One moment …'}</Soft>
      </Page>
    );
  }
  const missing = data.students.filter((student) => !data.handIns.some((h) => h.student === student));
  return (
    <Page title={data.assignment.title}>
      <div style={{ display: 'grid', gap: 8 }}>
        <h1>{data.assignment.title}</h1>
        <Soft>
          {data.assignment.classroom} · due {day(data.assignment.dueOn)} · {clock(data.assignment.leastSeconds)} to{' '}
          {clock(data.assignment.mostSeconds)} minutes
        </Soft>
        <p>{data.assignment.task}</p>
      </div>
      {groups.map(([state, title]) => {
        const some = data.handIns.filter((h) => h.state === state);
        return (
          <section key={state} aria-label={title} style={{ display: 'grid', gap: 12 }}>
            <h2>
              {title} <Soft as="span">· {some.length}</Soft>
            </h2>
            {some.length === 0 && <Soft>None.</Soft>}
            <List>
              {some.map((handIn) => (
                <li key={handIn.id}>
                  <img src={`/api/handins/${handIn.id}/cover.jpg`} alt="" />
                  <div>
                    <Link to={`/handins/${handIn.id}`}>{handIn.title}</Link>
                    <Soft>
                      {handIn.student} · {clock(handIn.seconds)} ·{' '}
                      {handIn.number > 1 ? `hand-in ${handIn.number}, ` : ''}
                      {ago(handIn.handedInAt)}
                      {handIn.remarks.length > 0 &&
                        ` · ${handIn.remarks.length} ${handIn.remarks.length === 1 ? 'remark' : 'remarks'}`}
                    </Soft>
                  </div>
                  <StateMark state={handIn.state} />
                </li>
              ))}
            </List>
          </section>
        );
      })}
      <section aria-label="Nothing handed in yet" style={{ display: 'grid', gap: 8 }}>
        <h2>Nothing handed in yet</h2>
        <p>{missing.length === 0 ? 'Everybody has handed in.' : missing.join(', ')}</p>
      </section>
    </Page>
  );
}
