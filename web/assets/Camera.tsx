import { useEffect, useState } from 'react';
import { Dialog, DialogTrigger, Heading, Modal } from 'react-aria-components';
import styled from 'styled-components';
import { say } from '../messages/say';
import { Act, Button, Quiet, Row, Soft } from '../parts/controls';
import { Escape, Shade } from '../parts/Drawer';
import { CameraIcon } from '../parts/icons';
import { useCamera } from './useCamera';

const Middle = styled(Shade)`
  place-items: center;
  padding: 12px;
`;
const Box = styled(Modal)`
  background: var(--raised);
  border-radius: var(--radius);
  box-shadow: var(--floating);
  width: min(760px, 100%);
  max-height: 100%;
  overflow: auto;
  > section {
    display: grid;
    gap: 12px;
    padding: 16px;
    outline: none;
  }
  video,
  img {
    width: 100%;
    max-height: 60dvh;
    background: #000;
    border-radius: 4px;
    object-fit: contain;
  }
`;
const Trouble = styled.p`
  border-inline-start: 4px solid var(--madder);
  background: var(--madder-wash);
  padding: 8px 12px;
`;

/** A picture is taken with the camera of the laptop or the phone, looked at, and used or taken again. */
export function Camera({ onTaken }: { onTaken: (file: File) => void }) {
  return (
    <DialogTrigger>
      <Quiet>
        <CameraIcon /> {say('camera.take-a-picture')}
      </Quiet>
      <Middle isDismissable>
        <Box>
          <Dialog>
            {({ close }) => (
              <>
                <Escape onPress={close} />
                <Viewfinder
                  onTaken={(file) => {
                    close();
                    onTaken(file);
                  }}
                  onClose={close}
                />
              </>
            )}
          </Dialog>
        </Box>
      </Middle>
    </DialogTrigger>
  );
}

function Viewfinder({ onTaken, onClose }: { onTaken: (file: File) => void; onClose: () => void }) {
  const camera = useCamera();
  const [taken, setTaken] = useState<{ file: File; url: string } | null>(null);
  useEffect(() => () => URL.revokeObjectURL(taken?.url ?? ''), [taken]);
  const take = () => void camera.take().then((file) => setTaken(file && { file, url: URL.createObjectURL(file) }));
  return (
    <>
      <Heading slot="title">{say('camera.take-a-picture')}</Heading>
      <div role="alert">{camera.trouble !== '' && <Trouble>{camera.trouble}</Trouble>}</div>
      {/* It goes on while one looks at what was taken, so that it is there at once for another. */}
      <video
        ref={camera.video}
        muted
        playsInline
        hidden={taken !== null || camera.trouble !== ''}
        aria-label={say('camera.seen')}
      />
      {taken && <img src={taken.url} alt={say('camera.taken')} />}
      {!camera.isOn && camera.trouble === '' && <Soft role="status">{say('camera.waits')}</Soft>}
      <Row>
        {taken ? (
          <>
            <Act autoFocus onPress={() => onTaken(taken.file)}>
              {say('camera.use')}
            </Act>
            <Button onPress={() => setTaken(null)}>{say('camera.again')}</Button>
          </>
        ) : camera.trouble !== '' ? (
          <Act onPress={() => void camera.open()}>{say('page.try-again')}</Act>
        ) : (
          <>
            <Act key={camera.isOn ? 'on' : 'off'} autoFocus onPress={take} isDisabled={!camera.isOn}>
              {say('camera.take')}
            </Act>
            {camera.other && <Button onPress={camera.other}>{say('camera.other')}</Button>}
          </>
        )}
        <span style={{ flex: 1 }} />
        <Button onPress={onClose}>{say('page.not-now')}</Button>
      </Row>
    </>
  );
}
