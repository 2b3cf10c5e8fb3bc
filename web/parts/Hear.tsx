import { useEffect, useRef, useState } from 'react';
import type { Remark } from '../api/types';
import { say } from '../messages/say';
import { Button } from './controls';
import { PauseIcon, PlayIcon } from './icons';
import { useTell } from './notices';
import { clock } from './time';

interface Props {
  src: string;
  label: string;
  text: string;
  /** It begins to be heard. */
  onBegin?: () => void;
}

/** What was spoken of a film, heard by a press and stopped by another. It is still as soon as the film, or another voice, begins. */
export function Hear({ src, label, text, onBegin }: Props) {
  const sound = useRef<HTMLAudioElement>(null);
  const tell = useTell();
  const [isHeard, setHeard] = useState(false);
  useEffect(() => {
    const audio = sound.current;
    const beside = ({ target }: Event) => {
      if (target !== audio) audio?.pause();
    };
    document.addEventListener('play', beside, true);
    return () => {
      document.removeEventListener('play', beside, true);
      audio?.pause();
    };
  }, []);
  const toggle = async () => {
    const audio = sound.current;
    if (!audio) return;
    if (!audio.paused) {
      audio.pause();
      return;
    }
    onBegin?.();
    // What could not be fetched before is asked for anew.
    if (audio.error) audio.load();
    try {
      await audio.play();
    } catch (error) {
      if (error instanceof DOMException && error.name === 'AbortError') return; // Stopped before it began.
      tell(say('spoken.cannot'), { tone: 'trouble' });
    }
  };
  return (
    <>
      <Button aria-label={label} aria-pressed={isHeard} onPress={() => void toggle()}>
        {isHeard ? <PauseIcon size={16} /> : <PlayIcon size={16} />} {text}
      </Button>
      <audio
        ref={sound}
        src={src}
        preload="none"
        onPlay={() => setHeard(true)}
        // Also at its end, and when another begins: the next press hears it from its beginning.
        onPause={({ currentTarget }) => {
          currentTarget.currentTime = 0;
          setHeard(false);
        }}
      />
    </>
  );
}

/** The voice of a remark that was spoken; nothing where none was. */
export function RemarkVoice({ remark, onBegin }: { remark: Remark; onBegin?: () => void }) {
  if (remark.voice === null || remark.spoken === null) return null;
  return (
    <Hear
      src={remark.voice}
      label={say('spoken.hear-at', { time: clock(remark.seconds) })}
      text={clock(remark.spoken)}
      onBegin={onBegin}
    />
  );
}
