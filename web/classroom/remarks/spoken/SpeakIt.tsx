import { useEffect, useState } from 'react';
import styled from 'styled-components';
import limits from '../../../../schema/limits.json';
import { Meter } from '../../../microphone/Meter';
import { say } from '../../../messages/say';
import { Button, IconButton, Quiet, Row, Soft, Wrong } from '../../../parts/controls';
import { Hear } from '../../../parts/Hear';
import { BinIcon, VoiceIcon } from '../../../parts/icons';
import { clock } from '../../../parts/time';
import type { useSpeaking } from './useSpeaking';

/** As dark as where voices are recorded. */
const Room = styled.div`
  display: grid;
  gap: 8px;
  padding: 12px;
  border-radius: var(--radius);
  background: var(--ink);
  color: #fff;
`;

/** A remark that is spoken: begun, ended, heard, spoken again, before it is left. */
export function SpeakIt({ speaking }: { speaking: ReturnType<typeof useSpeaking> }) {
  const { state, spoken, trouble, microphone, begin, stop, clear } = speaking;
  if (state === 'spoken' && spoken)
    return (
      <div>
        <Row>
          <Hear src={spoken.url} label={say('spoken.hear-mine')} text={say('spoken.hear')} />
          <Quiet onPress={() => void begin()}>{say('spoken.again')}</Quiet>
          <IconButton label={say('spoken.drop')} onPress={clear}>
            <BinIcon />
          </IconButton>
        </Row>
        <Soft>{say('spoken.hint')}</Soft>
        <Wrong text={trouble} />
      </div>
    );
  if (state === 'speaking')
    return (
      <Room role="group" aria-label={say('spoken.now')}>
        <Meter microphone={microphone} />
        <Row style={{ justifyContent: 'space-between' }}>
          <Elapsed />
          <Button onPress={stop}>{say('spoken.stop')}</Button>
        </Row>
      </Room>
    );
  return (
    <div>
      <Quiet isDisabled={state === 'opening'} onPress={() => void begin()}>
        <VoiceIcon size={16} /> {say(state === 'opening' ? 'page.one-moment' : 'spoken.speak')}
      </Quiet>
      <Wrong text={trouble} />
    </div>
  );
}

/** How long somebody has spoken, of how long they may. */
function Elapsed() {
  const [seconds, setSeconds] = useState(0);
  useEffect(() => {
    const begun = performance.now();
    const timer = setInterval(() => setSeconds((performance.now() - begun) / 1000), 250);
    return () => clearInterval(timer);
  }, []);
  return <span>{say('spoken.elapsed', { now: clock(seconds), most: clock(limits.spoken) })}</span>;
}
