import { useEffect, type ReactNode } from 'react';
import { Dialog, DialogTrigger, Modal, ModalOverlay } from 'react-aria-components';
import styled from 'styled-components';
import { Button, IconButton } from './controls';
import { CloseIcon } from './icons';
import { say } from '../messages/say';

/** What lies over the page under something that is drawn up or opened. */
export const Shade = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  z-index: 40;
  background: rgb(32 36 43 / 0.35);
  display: grid;
  align-items: end;
`;
const Sheet = styled(Modal)`
  background: var(--raised);
  border-radius: 14px 14px 0 0;
  max-height: 82dvh;
  overflow: auto;
  box-shadow: var(--floating);
  @media (min-width: 1024px) {
    justify-self: end;
    width: 460px;
    height: 100dvh;
    max-height: none;
    border-radius: 0;
  }
  > section {
    outline: none;
  }
  &.dark {
    --raised: #242935;
    --paper: #1d212b;
    --ink: #f1eee6;
    --soft: #b9c0ce;
    --line: #3a4150;
    --edge: #6f788c;
    --indigo: #aeb9ee;
    --indigo-wash: #39415a;
    color: var(--ink);
  }
  .close + section {
    border: 0;
    padding-block-start: 0;
  }
  .close {
    position: sticky;
    top: 0;
    display: flex;
    justify-content: end;
    padding: 4px 8px 0;
    background: var(--raised);
    z-index: 1;
  }
`;

interface Props {
  label: string;
  /** What opens it; a button with the label where nothing else is given. */
  button?: ReactNode;
  /** In a dark room. */
  dark?: boolean;
  children: ReactNode | ((close: () => void) => ReactNode);
}

/** What was pressed last may be gone, and the focus with it: Escape closes also then. */
export function Escape({ onPress }: { onPress: () => void }) {
  useEffect(() => {
    const onKeyDown = ({ key, target }: KeyboardEvent) => {
      if (key === 'Escape' && target === document.body) onPress();
    };
    document.addEventListener('keydown', onKeyDown);
    return () => document.removeEventListener('keydown', onKeyDown);
  }, [onPress]);
  return null;
}

/** What belongs beside the page, drawn over it when it is asked for: from its end, on a small screen from below. */
export function Drawer({ label, button, dark = false, children }: Props) {
  return (
    <DialogTrigger>
      {button ?? <Button>{label}</Button>}
      <Shade isDismissable>
        <Sheet className={dark ? 'dark' : undefined}>
          <Dialog aria-label={label}>
            {({ close }) => (
              <>
                <Escape onPress={close} />
                <div className="close">
                  <IconButton label={say('page.close')} onPress={close}>
                    <CloseIcon />
                  </IconButton>
                </div>
                {typeof children === 'function' ? children(close) : children}
              </>
            )}
          </Dialog>
        </Sheet>
      </Shade>
    </DialogTrigger>
  );
}
