import { useQuery } from '@tanstack/react-query';
import { useCallback, useState } from 'react';
import { Navigate, useLocation } from 'react-router';
import styled from 'styled-components';
import { answer, api, Refusal, sentence } from '../api/client';
import { Show } from '../classroom/screening/Show';
import { say } from '../messages/say';
import { Act, Quiet, Row, Soft } from '../parts/controls';
import { Page } from '../parts/Page';
import { clock, day } from '../parts/time';

const List = styled.ol`
  display: grid;
  gap: 6px;
  max-width: 640px;
`;

/** What a class screens, for whoever has the link: parents, at home or on their evening. Nobody is named. */
export function EveningPage() {
  const { hash } = useLocation();
  const [id = '', query = ''] = hash.slice(1).split('?');
  const signed = Object.fromEntries(new URLSearchParams(query)) as { _expiration: string; _hash: string };
  const [first, setFirst] = useState<number | null>(null);
  const end = useCallback(() => setFirst(null), []);
  const { data, error } = useQuery({
    queryKey: ['evening', hash],
    queryFn: () => answer(api.GET('/api/evenings/{id}', { params: { path: { id }, query: signed } })),
    enabled: id !== '',
    refetchOnMount: 'always',
  });
  if (id === '') return <Navigate to="/" replace />;
  if (!data) {
    const isGone = error instanceof Refusal;
    return (
      <Page title={say('screening.screening')}>
        <h1>{say(isGone ? 'evening.not-good' : 'screening.screening')}</h1>
        {error ? (
          <p role="alert">{isGone ? say('evening.not-good-hint') : sentence(error)}</p>
        ) : (
          <Soft>{say('page.one-moment')}</Soft>
        )}
      </Page>
    );
  }
  const film = (one: string) => `/api/evenings/${id}/films/${one}`;
  return (
    <Page title={data.title}>
      <h1>{data.title}</h1>
      {data.films.length === 0 ? (
        <p>{say('evening.nothing')}</p>
      ) : (
        <>
          <div>
            <Act onPress={() => setFirst(0)}>{say('screening.begin')}</Act>
          </div>
          <section aria-label={say('evening.films')}>
            <List>
              {data.films.map(({ id: one, title, seconds }, n) => (
                <li key={one}>
                  <Row style={{ justifyContent: 'space-between' }}>
                    <span>
                      {title} <Soft as="span">{clock(seconds)}</Soft>
                    </span>
                    <Quiet aria-label={say('evening.watch', { title })} onPress={() => setFirst(n)}>
                      {say('evening.watch-short')}
                    </Quiet>
                  </Row>
                </li>
              ))}
            </List>
          </section>
        </>
      )}
      <Soft>{say('evening.good-until', { day: day(data.until) })}</Soft>
      {first !== null && (
        <Show
          first={first}
          films={data.films.map(({ id: one, title }) => ({
            id: one,
            title,
            by: '',
            src: `${film(one)}/film?${query}`,
            captions: `${film(one)}/captions.vtt?${query}`,
          }))}
          onEnd={end}
        />
      )}
    </Page>
  );
}
