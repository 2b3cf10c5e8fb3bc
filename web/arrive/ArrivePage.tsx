import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { Navigate, useLocation } from 'react-router';
import styled from 'styled-components';
import { ByClass } from '../account/ByClass';
import { ByPassword } from '../account/ByPassword';
import { answer, api, Refusal, sentence } from '../api/client';
import type { components } from '../api/schema';
import { useSession } from '../api/session';
import { told } from '../api/told';
import { say } from '../messages/say';
import { Select } from '../parts/Choice';
import { Act, ActGoTo, Button, Card, Row, Soft, Wrong } from '../parts/controls';
import { Page } from '../parts/Page';
import { useTried } from '../parts/useTried';

type Arrived = components['schemas']['Arrived'];
/** What is said to what was asked. */
type Said = { who?: 'new' | 'me'; class?: string; task?: string };
type Tell = (said: Said) => void;
interface Asked {
  arrived: Arrived;
  busy: boolean;
  tell: Tell;
}

const Narrow = styled(Card)`
  max-width: 480px;
  form {
    display: grid;
    gap: 16px;
  }
`;

/** Where a learning platform's link leads to: it is asked who comes, which class it is and which task, as far as that is not known. */
export function ArrivePage() {
  const { hash } = useLocation();
  const ticket = hash.slice(1);
  const queries = useQueryClient();
  const { wrong, busy, tried } = useTried();
  const arrive = (said: Said = {}) => answer(api.POST('/api/lti/arrive', { body: { ticket, ...said } }));
  const { data, error } = useQuery({
    queryKey: ['arrived', ticket],
    queryFn: () => arrive(),
    enabled: ticket !== '',
    retry: false,
    staleTime: Infinity,
    // Where it has led somewhere it leads nowhere again.
    refetchOnWindowFocus: false,
    refetchOnReconnect: false,
  });
  const tell: Tell = (said) => void tried(async () => told<Arrived>(queries, ['arrived', ticket], await arrive(said)));
  if (ticket === '') return <Navigate to="/" replace />;
  const from = data?.course ? say('arrive.from', { course: data.course, platform: data.platform }) : data?.platform;
  return (
    <Page title={say('arrive.title')}>
      <h1>{from ?? say('arrive.title')}</h1>
      {error && (
        <Said text={error instanceof Refusal && error.status === 404 ? say('arrive.not-good') : sentence(error)}>
          <ActGoTo to="/" replace>
            {say('account.to-the-door')}
          </ActGoTo>
        </Said>
      )}
      {!data && !error && <Soft>{say('page.one-moment')}</Soft>}
      {data && <Step arrived={data} busy={busy} tell={tell} ticket={ticket} />}
      <Wrong text={wrong} />
    </Page>
  );
}

function Step({ ticket, ...asked }: Asked & { ticket: string }) {
  const { step, teaches, assignment } = asked.arrived;
  switch (step) {
    case 'who':
      return <Who {...asked} />;
    case 'class':
      return <WhichClass {...asked} />;
    case 'task':
      return <WhichTask {...asked} />;
    case 'wait':
      return <Said text={say('arrive.wait')} />;
    case 'not-meant':
      return <Said text={say('arrive.not-meant')} />;
    case 'back':
      return <Back ticket={ticket} />;
    case 'in':
      return <In to={teaches && assignment ? `/assignments/${assignment}` : '/'} />;
  }
}

function Said({ text, children }: { text: string; children?: ReactNode }) {
  return (
    <>
      <p role="status">{text}</p>
      {children && <div>{children}</div>}
    </>
  );
}

/** Nobody is taken for somebody else because of a name: whoever has an account says so by coming in with it. */
function Who({ arrived, busy, tell }: Asked) {
  const { person } = useSession();
  const [hasOwn, setOwn] = useState(false);
  if (!hasOwn)
    return (
      <Narrow aria-labelledby="who">
        <h2 id="who">{say('arrive.who')}</h2>
        <Soft>{say(arrived.teaches ? 'arrive.who-teacher' : 'arrive.who-student')}</Soft>
        <Row>
          <Act isDisabled={busy} onPress={() => tell({ who: 'new' })}>
            {say('arrive.new')}
          </Act>
          <Button onPress={() => setOwn(true)}>{say('arrive.have-one')}</Button>
        </Row>
      </Narrow>
    );
  return (
    <Narrow aria-labelledby="own">
      <h2 id="own">{say('arrive.own')}</h2>
      {person ? (
        <Act isDisabled={busy} onPress={() => tell({ who: 'me' })}>
          {say('arrive.as', { name: person.firstName })}
        </Act>
      ) : arrived.teaches ? (
        <ByPassword />
      ) : (
        <ByClass />
      )}
      <div>
        <Button onPress={() => setOwn(false)}>{say('arrive.have-none')}</Button>
      </div>
    </Narrow>
  );
}

function WhichClass({ arrived, busy, tell }: Asked) {
  const [chosen, setChosen] = useState('new');
  const fresh = say('arrive.new-class', { course: arrived.course || arrived.platform });
  return (
    <Narrow aria-labelledby="class">
      <h2 id="class">{say('arrive.which-class')}</h2>
      <Soft>{say('arrive.which-class-hint')}</Soft>
      <Select
        label={say('arrive.class')}
        value={chosen}
        options={[['new', fresh], ...arrived.classes.map((one): [string, string] => [one.id, one.name])]}
        onChange={setChosen}
      />
      <Row>
        <Act isDisabled={busy} onPress={() => tell({ class: chosen })}>
          {say('arrive.go-on')}
        </Act>
      </Row>
    </Narrow>
  );
}

function WhichTask({ arrived, busy, tell }: Asked) {
  const first = arrived.tasks[0];
  const [chosen, setChosen] = useState(first?.id ?? '');
  return (
    <Narrow aria-labelledby="task">
      <h2 id="task">{say('arrive.which-task')}</h2>
      {first ? (
        <>
          <Soft>{say('arrive.which-task-hint')}</Soft>
          <Select
            label={say('arrive.task')}
            value={chosen}
            options={arrived.tasks.map((one): [string, string] => [one.id, one.title])}
            onChange={setChosen}
          />
          <Row>
            <Act isDisabled={busy} onPress={() => tell({ task: chosen })}>
              {say('arrive.go-on')}
            </Act>
          </Row>
        </>
      ) : (
        <>
          <Soft>{say('arrive.no-task')}</Soft>
          <Row>
            <ActGoTo to={`/classes/${arrived.classroom ?? ''}/task`}>{say('arrive.set-task')}</ActGoTo>
          </Row>
        </>
      )}
    </Narrow>
  );
}

/** The platform is told what was chosen by a page that may do nothing but that. */
function Back({ ticket }: { ticket: string }) {
  const form = useRef<HTMLFormElement>(null);
  useEffect(() => form.current?.submit(), []);
  return (
    <form ref={form} method="post" action="/api/lti/back">
      <input type="hidden" name="ticket" value={ticket} />
      <Soft>{say('page.one-moment')}</Soft>
    </form>
  );
}

/** All is loaded anew: nothing of anybody else is left in the page. */
function In({ to }: { to: string }) {
  useEffect(() => window.location.replace(to), [to]);
  return <Soft>{say('page.one-moment')}</Soft>;
}
