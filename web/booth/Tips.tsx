import { Dialog, DialogTrigger, Heading, Popover } from 'react-aria-components';
import styled from 'styled-components';
import { say, type Code } from '../messages/say';
import { Button } from '../parts/controls';

const Box = styled(Popover)`
  background: #242935;
  color: #f1eee6;
  border: 1px solid #6f788c;
  border-radius: var(--radius);
  padding: 16px;
  max-width: 420px;
  ul {
    margin: 8px 0 0;
    padding-inline-start: 1.2em;
    display: grid;
    gap: 6px;
  }
`;
const tips: Code[] = ['booth.tip-near', 'booth.tip-quiet', 'booth.tip-phones', 'booth.tip-sip'];

/** What helps before one begins. */
export function Tips({ isDisabled }: { isDisabled: boolean }) {
  return (
    <DialogTrigger>
      <Button isDisabled={isDisabled}>{say('booth.before-speaking')}</Button>
      <Box>
        <Dialog>
          <Heading slot="title">{say('booth.before-speaking')}</Heading>
          <ul>
            {tips.map((tip) => (
              <li key={tip}>{say(tip)}</li>
            ))}
          </ul>
        </Dialog>
      </Box>
    </DialogTrigger>
  );
}
