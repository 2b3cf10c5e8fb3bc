import { useState } from 'react';
import { Field, Soft } from '../parts/controls';
import { say } from '../messages/say';
import { Door } from './Door';
import { useComingIn } from './useComingIn';

/** With a name and a password of one's own. */
export function ByPassword() {
  const { comeIn, wrong, code, busy } = useComingIn();
  const [digits, setDigits] = useState('');
  const [isAsked, setAsked] = useState(false);
  // Once asked for it stays in view, also while it is tried and where it was mistyped.
  if (code === 'account.second-step' && !isAsked) setAsked(true);
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  return (
    <Door wrong={wrong} busy={busy} onSubmit={() => comeIn({ name, password, ...(isAsked && { code: digits }) })}>
      <Field
        label={say('account.name')}
        name="name"
        autoComplete="username"
        value={name}
        onChange={setName}
        autoFocus
        isRequired
      />
      <Field
        label={say('account.password')}
        name="password"
        type="password"
        autoComplete="current-password"
        value={password}
        onChange={setPassword}
        isRequired
      />
      {isAsked && (
        <>
          <Field
            label={say('account.digits')}
            name="one-time-code"
            autoComplete="one-time-code"
            value={digits}
            onChange={setDigits}
            autoFocus
            isRequired
          />
          <Soft>{say('account.lost-device')}</Soft>
        </>
      )}
    </Door>
  );
}
