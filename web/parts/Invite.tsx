import { useState } from 'react';
import styled from 'styled-components';
import { answer, sentence, type Answering } from '../api/client';
import { say } from '../messages/say';
import { invitedAddress } from './addresses';
import { Button, Card } from './controls';
import { useTell } from './notices';
import { day } from './time';
import { LinkToCopy } from './ToCopy';
import { useOnce } from './useOnce';

const Whole = styled(Card)`
  input {
    font-size: 0.9375rem;
  }
`;

/** What an invitation said when it was made: its link is seen now, and never again. */
export interface Made {
  code: string;
  until: string;
}

/** Makes a link by which one person is invited, and has it copied. */
export function InviteButton({ label, make }: { label: string; make: () => Answering<Made> }) {
  const [made, setMade] = useState<Made | null>(null);
  const tell = useTell();
  const { once } = useOnce((error) => tell(sentence(error), { tone: 'trouble' }));
  const invite = () => void once(async () => setMade(await answer(make())));
  if (!made)
    return (
      <div>
        <Button onPress={invite}>{label}</Button>
      </div>
    );
  const hint = say('invite.once', { day: day(made.until) });
  return <MadeLink label={label} address={invitedAddress(made.code)} hint={hint} onDone={() => setMade(null)} />;
}

/** A link that was just made, to be copied: it is seen now, and never again. */
export function MadeLink(props: { label: string; address: string; hint: string; onDone: () => void }) {
  const { label, address, hint, onDone } = props;
  return (
    <Whole aria-label={label}>
      <LinkToCopy address={address} hint={hint}>
        <Button onPress={onDone}>{say('invite.done')}</Button>
      </LinkToCopy>
    </Whole>
  );
}
