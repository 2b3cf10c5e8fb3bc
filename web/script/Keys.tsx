import { useEffect, useState } from 'react';
import { Dialog, DialogTrigger, Heading, Popover } from 'react-aria-components';
import styled from 'styled-components';
import { Button } from '../parts/controls';

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
const keys: [string, string][] = [
  ['↑ ↓', 'another slide'],
  ['Alt + ↑ ↓', 'move the chosen slides'],
  ['Shift + ↑ ↓', 'choose more slides'],
  ['Alt + C', 'duplicate'],
  ['Delete', 'delete'],
  ['Esc', 'choose nothing: the whole story'],
  ['Ctrl + Z', 'undo'],
  ['Ctrl + Shift + Z', 'do again'],
  ['Alt + P', 'play from the chosen slide'],
  ['Space', 'play or pause, in the preview'],
  ['?', 'these keys'],
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
      <Button aria-label="The keys">?</Button>
      <Box>
        <Dialog>
          <Heading slot="title">The keys</Heading>
          <List>
            {keys.map(([key, act]) => (
              <div key={key} style={{ display: 'contents' }}>
                <dt>{key}</dt>
                <dd>{act}</dd>
              </div>
            ))}
          </List>
        </Dialog>
      </Box>
    </DialogTrigger>
  );
}
