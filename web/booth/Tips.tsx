import { Dialog, DialogTrigger, Heading } from 'react-aria-components';
import { say, type Code } from '../messages/say';
import { Button } from '../parts/controls';
import { Above } from './Above';

const tips: Code[] = ['booth.tip-near', 'booth.tip-quiet', 'booth.tip-phones', 'booth.tip-sip'];

/** What helps before one begins. */
export function Tips({ isDisabled }: { isDisabled: boolean }) {
  return (
    <DialogTrigger>
      <Button isDisabled={isDisabled}>{say('booth.before-speaking')}</Button>
      <Above>
        <Dialog>
          <Heading slot="title">{say('booth.before-speaking')}</Heading>
          <ul>
            {tips.map((tip) => (
              <li key={tip}>{say(tip)}</li>
            ))}
          </ul>
        </Dialog>
      </Above>
    </DialogTrigger>
  );
}
