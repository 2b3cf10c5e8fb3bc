import { useState } from 'react';
import { Select } from '../parts/Choice';
import { Button } from '../parts/controls';
import { Meter } from '../microphone/Meter';
import type { useRecorder } from './useRecorder';
import { say } from '../messages/say';

interface Props {
  recorder: ReturnType<typeof useRecorder>;
  isDisabled: boolean;
}

/** The level, and which microphone it is of. */
export function MicrophoneField({ recorder: { microphone, devices, open }, isDisabled }: Props) {
  const [device, setDevice] = useState('');
  return (
    <>
      <Meter microphone={microphone} />
      {microphone === null ? (
        <Button onPress={() => void open()}>{say('booth.turn-on')}</Button>
      ) : (
        <Select
          label={say('booth.microphone')}
          value={device || (devices[0]?.deviceId ?? '')}
          // Which there are is told a moment later than that there is one.
          isDisabled={isDisabled || devices.length === 0}
          options={devices.map((d, i) => [d.deviceId, d.label || say('booth.microphone-number', { number: i + 1 })])}
          onChange={(to) => {
            setDevice(to);
            void open(to);
          }}
        />
      )}
    </>
  );
}
