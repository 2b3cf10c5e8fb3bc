import { useState } from 'react';
import { Select } from '../parts/Choice';
import { Button } from '../parts/controls';
import { Meter } from './Meter';
import type { useRecorder } from './useRecorder';

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
        <Button onPress={() => void open()}>Turn the microphone on</Button>
      ) : (
        <Select
          label="Microphone"
          value={device || (devices[0]?.deviceId ?? '')}
          // Which there are is told a moment later than that there is one.
          isDisabled={isDisabled || devices.length === 0}
          options={devices.map((d, i) => [d.deviceId, d.label || `Microphone ${i + 1}`])}
          onChange={(to) => {
            setDevice(to);
            void open(to);
          }}
        />
      )}
    </>
  );
}
