import type { ReactNode } from 'react';
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
  > section {
    outline: none;
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

/** On a small screen: what belongs beside the page, drawn up from below it when it is asked for. */
export function Drawer({ label, children }: { label: string; children: ReactNode }) {
  return (
    <DialogTrigger>
      <Button>{label}</Button>
      <Shade isDismissable>
        <Sheet>
          <Dialog aria-label={label}>
            {({ close }) => (
              <>
                <div className="close">
                  <IconButton label={say('page.close')} onPress={close}>
                    <CloseIcon />
                  </IconButton>
                </div>
                {children}
              </>
            )}
          </Dialog>
        </Sheet>
      </Shade>
    </DialogTrigger>
  );
}
