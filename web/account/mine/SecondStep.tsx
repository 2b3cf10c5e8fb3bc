import { useState } from 'react';
import { Form } from 'react-aria-components';
import styled from 'styled-components';
import { answer, api } from '../../api/client';
import { say } from '../../messages/say';
import { Act, Button, Card, Field, Mark, Quiet, Row, Soft, Wrong } from '../../parts/controls';
import { QrCode } from '../../parts/QrCode';
import { useTried } from '../../parts/useTried';
import type { Account } from './AccountPage';

interface Shown {
  secret: string;
  address: string;
}
const Code = styled.div`
  display: grid;
  gap: 16px;
  grid-template-columns: 168px minmax(0, 1fr);
  align-items: start;
  code {
    font-size: 1rem;
    overflow-wrap: anywhere;
  }
  @media (max-width: 480px) {
    grid-template-columns: minmax(0, 1fr);
    svg {
      max-width: 200px;
    }
  }
`;
const Spares = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: 4px 16px;
  font: 600 1rem var(--reading);
`;

/** Six digits of a device of one's own, asked for after the password. */
export function SecondStep({ account, onChanged }: { account: Account; onChanged: (now: Account) => void }) {
  const [shown, setShown] = useState<Shown | null>(null);
  const [spares, setSpares] = useState<string[] | null>(null);
  const { wrong, busy, tried } = useTried();
  const show = () => tried(async () => setShown(await answer(api.POST('/api/account/second-step'))));
  const begin = (code: string) =>
    tried(async () => {
      const told = await answer(api.PUT('/api/account/second-step', { body: { code } }));
      setShown(null);
      setSpares(told.spares);
      onChanged({ ...account, hasSecondStep: true, spares: told.spares.length });
    });
  return (
    <Card aria-labelledby="second-step">
      <Row>
        <h2 id="second-step">{say('mine.second-step')}</h2>
        {account.hasSecondStep && <Mark $tone="accepted">{say('mine.is-on')}</Mark>}
      </Row>
      <Soft>{say('mine.second-step-hint')}</Soft>
      {spares && <Told spares={spares} onRead={() => setSpares(null)} />}
      {!account.hasSecondStep && shown && (
        <Ask shown={shown} wrong={wrong} busy={busy} onTyped={begin} onLeave={() => setShown(null)} />
      )}
      {!account.hasSecondStep && !shown && (
        <>
          <Wrong text={wrong} />
          <div>
            <Button isDisabled={busy} onPress={() => void show()}>
              {say('mine.turn-on')}
            </Button>
          </div>
        </>
      )}
      {account.hasSecondStep && !spares && <TurnOff account={account} onChanged={onChanged} />}
    </Card>
  );
}

function Ask(props: {
  shown: Shown;
  wrong: string;
  busy: boolean;
  onTyped: (code: string) => Promise<boolean>;
  onLeave: () => void;
}) {
  const { shown, wrong, busy, onTyped, onLeave } = props;
  const [code, setCode] = useState('');
  return (
    <Form
      onSubmit={(event) => {
        event.preventDefault();
        void onTyped(code);
      }}
    >
      <Code>
        <QrCode text={shown.address} label={say('mine.code-for-device')} />
        <div style={{ display: 'grid', gap: 8 }}>
          <p>{say('mine.scan')}</p>
          <Soft>{say('mine.or-type')}</Soft>
          <code>{shown.secret}</code>
        </div>
      </Code>
      <Field
        label={say('account.digits')}
        value={code}
        onChange={setCode}
        autoComplete="one-time-code"
        autoFocus
        isRequired
      />
      <Wrong text={wrong} />
      <Row>
        <Act type="submit" isDisabled={busy}>
          {say('mine.turn-on')}
        </Act>
        <Button onPress={onLeave}>{say('page.not-now')}</Button>
      </Row>
    </Form>
  );
}

function Told({ spares, onRead }: { spares: string[]; onRead: () => void }) {
  return (
    <div role="status" style={{ display: 'grid', gap: 12 }}>
      <p>{say('mine.spares-hint')}</p>
      <Spares>
        {spares.map((spare) => (
          <li key={spare}>{spare}</li>
        ))}
      </Spares>
      <div>
        <Act onPress={onRead}>{say('mine.spares-kept')}</Act>
      </div>
    </div>
  );
}

function TurnOff({ account, onChanged }: { account: Account; onChanged: (now: Account) => void }) {
  const [asks, setAsks] = useState(false);
  const [password, setPassword] = useState('');
  const { wrong, busy, tried } = useTried();
  const end = () =>
    tried(async () => onChanged(await answer(api.POST('/api/account/second-step/end', { body: { password } }))));
  return (
    <>
      <Soft>{say('mine.spares-left', { count: account.spares })}</Soft>
      {!asks && (
        <div>
          <Quiet onPress={() => setAsks(true)}>{say('mine.turn-off')}</Quiet>
        </div>
      )}
      {asks && (
        <Form
          onSubmit={(event) => {
            event.preventDefault();
            void end();
          }}
        >
          <Field
            label={say('mine.password-now')}
            value={password}
            onChange={setPassword}
            type="password"
            autoComplete="current-password"
            autoFocus
            isRequired
          />
          <Wrong text={wrong} />
          <Row>
            <Button type="submit" isDisabled={busy}>
              {say('mine.turn-off')}
            </Button>
            <Button onPress={() => setAsks(false)}>{say('page.not-now')}</Button>
          </Row>
        </Form>
      )}
    </>
  );
}
