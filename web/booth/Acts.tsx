import { FileTrigger } from 'react-aria-components';
import { soundFiles } from '../assets/kinds';
import { say } from '../messages/say';
import { Button, Soft } from '../parts/controls';
import { clock } from '../parts/time';
import { Key } from './room';
import type { useRecorder } from './useRecorder';

interface Props {
  recorder: ReturnType<typeof useRecorder>;
  isRecording: boolean;
  /** It is recorded for many slides. */
  runs: boolean;
  /** The next slide is recorded by going on to it. */
  goesOn: boolean;
  isLast: boolean;
  onNext: () => void;
  isBusy: boolean;
  isSpoken: boolean;
  /** What is spoken can be dropped just now. */
  drops: boolean;
  /** Something was spoken before it, and comes back. */
  keepsBefore: boolean;
  rehearses: boolean;
  onListen: () => void;
  onDrop: () => void;
  onRehearse: () => void;
  onBring: (files: FileList | null) => void;
  /** What else there is. */
  children: React.ReactNode;
}

/** What can be done in the Booth beside its one big control: while one is recorded, and while nobody is. */
export function Acts({ recorder, isRecording, runs, goesOn, isBusy, rehearses, children, ...props }: Props) {
  return (
    <div className="end">
      {isRecording ? (
        <>
          <Button onPress={recorder.pauseOrGoOn}>
            {say(recorder.state === 'paused' ? 'booth.go-on' : 'booth.pause')} <Key>S</Key>
          </Button>
          {runs && (
            <Button onPress={props.onNext} isDisabled={props.isLast}>
              {say('booth.on')} <Key>N</Key>
            </Button>
          )}
          {recorder.kept >= 1 && (
            <Soft as="span">{say('booth.kept', { length: clock(Math.floor(recorder.kept)) })}</Soft>
          )}
          {goesOn && <Soft as="span">{say('booth.then-next-hint')}</Soft>}
          {runs && <Soft as="span">{say('booth.run-hint')}</Soft>}
        </>
      ) : (
        <>
          <Button onPress={props.onListen} isDisabled={!props.isSpoken || isBusy}>
            {say('booth.listen')} <Key>L</Key>
          </Button>
          <Button onPress={props.onDrop} isDisabled={!props.isSpoken || !props.drops}>
            {say(props.keepsBefore ? 'booth.keep-before' : 'booth.delete')} <Key>D</Key>
          </Button>
          <Button onPress={props.onRehearse} isDisabled={isBusy}>
            {say(rehearses ? 'booth.rest' : 'booth.rehearse')} <Key>R</Key>
          </Button>
          <FileTrigger acceptedFileTypes={soundFiles} onSelect={props.onBring}>
            <Button isPending={isBusy}>{say('voice.bring-in')}</Button>
          </FileTrigger>
          {children}
        </>
      )}
    </div>
  );
}
