import type { ReactNode } from 'react';
import styled from 'styled-components';
import { say } from '../messages/say';
import { Button, Field, Quiet, Row, Soft } from './controls';
import { useTell } from './notices';

/** What stands there to be taken elsewhere, marked whole as it is come to. */
function Address({ label, address }: { label: string; address: string }) {
  return (
    <div onFocus={(event) => event.target instanceof HTMLInputElement && event.target.select()}>
      <Field label={label} value={address} onChange={() => undefined} isReadOnly />
    </div>
  );
}

function useCopied(address: string) {
  const tell = useTell();
  return async () => {
    try {
      await navigator.clipboard.writeText(address);
      tell(say('invite.copied'));
    } catch {
      // Where the browser does not let it be copied it stands there to be taken.
      tell(say('invite.copy-yourself'), { tone: 'trouble' });
    }
  };
}

/** A link, and a key that copies it beside what else may be done with it. */
export function LinkToCopy({ address, hint, children }: { address: string; hint: string; children: ReactNode }) {
  const copy = useCopied(address);
  return (
    <>
      <Address label={say('invite.link')} address={address} />
      <Soft>{hint}</Soft>
      <Row>
        <Button onPress={() => void copy()}>{say('invite.copy')}</Button>
        {children}
      </Row>
    </>
  );
}

const Line = styled.div`
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: end;
  gap: 8px;
`;

/** One of several addresses that are to be told elsewhere, each with its own key. */
export function AddressToCopy({ label, address }: { label: string; address: string }) {
  const copy = useCopied(address);
  return (
    <Line>
      <Address label={label} address={address} />
      <Quiet aria-label={say('invite.copy-one', { what: label })} onPress={() => void copy()}>
        {say('invite.copy-short')}
      </Quiet>
    </Line>
  );
}
