import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Form } from 'react-aria-components';
import { Navigate, useLocation } from 'react-router';
import styled from 'styled-components';
import limits from '../../schema/limits.json';
import { answer, api } from '../api/client';
import { useSession } from '../api/session';
import { say } from '../messages/say';
import { Act, ActGoTo, Card, Field, Row, Soft, Wrong } from '../parts/controls';
import { Page } from '../parts/Page';
import { useTried } from '../parts/useTried';
import { loadAnew } from './useComingIn';

const Narrow = styled(Card)`
  max-width: 460px;
  form {
    display: grid;
    gap: 16px;
  }
`;

/** Where an invitation's link leads to: whoever has an account comes to the class with it, others make one. */
export function InvitedPage() {
  const { hash } = useLocation();
  const code = hash.slice(1);
  const { person } = useSession();
  const { data, error } = useQuery({
    queryKey: ['invitation', code],
    queryFn: () => answer(api.POST('/api/invitations/read', { body: { code } })),
    enabled: code !== '',
    retry: false,
    staleTime: Infinity,
  });
  if (code === '') return <Navigate to="/" replace />;
  const where = data?.classroom ? say('invited.class', { name: data.classroom, school: data.school }) : data?.school;
  const mayTake = person && person.role !== 'student' && data?.classroom;
  return (
    <Page title={say('invited.title')}>
      <h1>{where ? say('invited.to', { where }) : say('invited.title')}</h1>
      {error && (
        <>
          <p role="alert">{say('invited.not-good')}</p>
          <div>
            <ActGoTo to="/" replace>
              {say('account.to-the-door')}
            </ActGoTo>
          </div>
        </>
      )}
      {data && mayTake && <Take code={code} name={person.firstName} />}
      {data && !mayTake && <Accept code={code} />}
    </Page>
  );
}

/** What was asked, and what was wrong with it. All is loaded anew then: nothing of anybody else is left. */
function useAsked() {
  const { wrong, tried } = useTried();
  const ask = (act: () => Promise<unknown>) =>
    void tried(async () => {
      await act();
      loadAnew();
    });
  return { wrong, ask };
}

function Take({ code, name }: { code: string; name: string }) {
  const { wrong, ask } = useAsked();
  return (
    <Narrow aria-label={say('invited.title')}>
      <p>{say('invited.as', { name })}</p>
      <Wrong text={wrong} />
      <Row>
        <Act onPress={() => ask(() => answer(api.POST('/api/invitations/take', { body: { code } })))}>
          {say('invited.take')}
        </Act>
      </Row>
    </Narrow>
  );
}

function Accept({ code }: { code: string }) {
  const { signIn } = useSession();
  const { wrong, ask } = useAsked();
  const [firstName, setFirstName] = useState('');
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const make = async () => {
    await answer(api.POST('/api/invitations/accept', { body: { code, firstName, name, password } }));
    await signIn({ name, password });
  };
  return (
    <Narrow aria-label={say('invited.account')}>
      <h2>{say('invited.account')}</h2>
      <Form
        onSubmit={(event) => {
          event.preventDefault();
          ask(make);
        }}
      >
        <Field
          label={say('invited.first-name')}
          value={firstName}
          onChange={setFirstName}
          max={limits.firstName}
          autoComplete="given-name"
          autoFocus
          isRequired
        />
        <Field
          label={say('invited.name')}
          value={name}
          onChange={setName}
          max={limits.signInName}
          autoComplete="username"
          isRequired
        />
        <Field
          label={say('invited.password')}
          value={password}
          onChange={setPassword}
          max={limits.password}
          type="password"
          autoComplete="new-password"
          isRequired
        />
        <Soft>{say('invited.password-hint', { least: limits.leastPassword })}</Soft>
        <Wrong text={wrong} />
        <Act type="submit">{say('invited.make')}</Act>
      </Form>
    </Narrow>
  );
}
