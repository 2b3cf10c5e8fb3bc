import { type ReactNode } from 'react';
import { Form } from 'react-aria-components';
import { Act, Wrong } from '../parts/controls';
import { say } from '../messages/say';

/** What is typed at a door, and what was wrong with it. */
export function Door({
  children,
  wrong,
  busy,
  onSubmit,
}: {
  children: ReactNode;
  wrong: string;
  busy: boolean;
  onSubmit: () => void;
}) {
  return (
    <Form
      onSubmit={(event) => {
        event.preventDefault();
        onSubmit();
      }}
    >
      {children}
      <Wrong text={wrong} />
      <Act type="submit" isDisabled={busy}>
        {say('account.sign-in')}
      </Act>
    </Form>
  );
}
