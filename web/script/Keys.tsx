import { useEffect, useState } from 'react';
import { Dialog, DialogTrigger, Heading, Popover } from 'react-aria-components';
import styled from 'styled-components';
import { Button } from '../parts/controls';
import { say, type Code } from '../messages/say';

const Box = styled(Popover)`
  background: var(--raised);
  border: 1px solid var(--line);
  border-radius: var(--radius);
  box-shadow: var(--floating);
  padding: 16px;
  max-width: 420px;
`;
const List = styled.dl`
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 6px 16px;
  margin: 12px 0 0;
  dt {
    font-weight: 650;
  }
  dd {
    margin: 0;
  }
`;
const keys: [key: Code, act: Code][] = [
  ['keys.another.key', 'keys.another'],
  ['keys.move.key', 'keys.move'],
  ['keys.choose-more.key', 'keys.choose-more'],
  ['keys.copy.key', 'keys.copy'],
  ['keys.duplicate.key', 'keys.duplicate'],
  ['keys.delete.key', 'keys.delete'],
  ['keys.choose-nothing.key', 'keys.choose-nothing'],
  ['keys.all.key', 'keys.all'],
  ['keys.script.key', 'keys.script'],
  ['keys.one.key', 'keys.one'],
  ['keys.undo.key', 'keys.undo'],
  ['keys.redo.key', 'keys.redo'],
  ['keys.play-from.key', 'keys.play-from'],
  ['keys.play.key', 'keys.play'],
  ['keys.these.key', 'keys.these'],
];

export function Keys() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.key === '?' && !['INPUT', 'TEXTAREA'].includes((event.target as HTMLElement).tagName)) setOpen(true);
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, []);
  return (
    <DialogTrigger isOpen={open} onOpenChange={setOpen}>
      <Button aria-label={say('keys.title')}>?</Button>
      <Box>
        <Dialog>
          <Heading slot="title">{say('keys.title')}</Heading>
          <List>
            {keys.map(([key, act]) => (
              <div key={key} style={{ display: 'contents' }}>
                <dt>{say(key)}</dt>
                <dd>{say(act)}</dd>
              </div>
            ))}
          </List>
        </Dialog>
      </Box>
    </DialogTrigger>
  );
}
