import { useState } from 'react';
import { Form } from 'react-aria-components';
import limits from '../../../schema/limits.json';
import { answer, api } from '../../api/client';
import { say } from '../../messages/say';
import { Button, Card, Field, Soft, Wrong } from '../../parts/controls';
import { useTell } from '../../parts/notices';
import { useTried } from '../../parts/useTried';
import type { Account } from './AccountPage';

export function NewPassword({ account, onChanged }: { account: Account; onChanged: (now: Account) => void }) {
  const tell = useTell();
  const { wrong, busy, tried } = useTried();
  const [now, setNow] = useState('');
  const [next, setNext] = useState('');
  const change = async () => {
    onChanged(await answer(api.PUT('/api/account/password', { body: { now, next } })));
    setNow('');
    setNext('');
    tell(say('mine.password-changed'));
  };
  return (
    <Card aria-labelledby="password">
      <h2 id="password">{say('mine.password')}</h2>
      <Form
        onSubmit={(event) => {
          event.preventDefault();
          void tried(change);
        }}
      >
        {/* For a keeper of passwords, which wants to know whose it is. */}
        <input hidden autoComplete="username" value={account.name ?? ''} readOnly />
        <Field
          label={say('mine.password-now')}
          value={now}
          onChange={setNow}
          max={limits.password}
          type="password"
          autoComplete="current-password"
          isRequired
        />
        <Field
          label={say('mine.password-next')}
          value={next}
          onChange={setNext}
          max={limits.password}
          type="password"
          autoComplete="new-password"
          isRequired
        />
        <Soft>{say('invited.password-hint', { least: limits.leastPassword })}</Soft>
        <Wrong text={wrong} />
        <div>
          <Button type="submit" isDisabled={busy}>
            {say('mine.change-password')}
          </Button>
        </div>
      </Form>
    </Card>
  );
}
