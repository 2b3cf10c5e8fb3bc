import { say } from '../messages/say';
import { deviceTrouble } from '../parts/device';
import { Level, SILENT, type Heard } from './level';

/** Listening to the microphone: the stream, how loud it is, and what is wrong with it, in words that help. */
export interface Microphone {
  stream: MediaStream;
  /** What it hears now; null where the browser does not let it be looked at (recording does not need that). */
  hears: () => Heard | null;
  close: () => void;
}

export async function openMicrophone(device: string | undefined, onGone: () => void): Promise<Microphone> {
  if (!('mediaDevices' in navigator) || typeof MediaRecorder === 'undefined') throw new DOMException('', CANNOT_RECORD);
  // What browsers do to voices in calls (echo, noise, gain) harms a recording: it is asked to be off.
  const stream = await navigator.mediaDevices.getUserMedia({
    audio: {
      deviceId: device ? { exact: device } : undefined,
      echoCancellation: false,
      noiseSuppression: false,
      autoGainControl: false,
      channelCount: 1,
    },
  });
  const [track] = stream.getAudioTracks();
  track?.addEventListener('ended', onGone);
  const ear = listenTo(stream);
  return {
    stream,
    hears: ear.hears,
    close: () => {
      track?.removeEventListener('ended', onGone);
      for (const each of stream.getTracks()) each.stop();
      ear.close();
    },
  };
}

/** Only the level needs it: without a sound output it may never begin, and some browsers hold it until somebody presses something. */
function listenTo(stream: MediaStream): { hears: () => Heard | null; close: () => void } {
  try {
    const context = new AudioContext();
    // Where there is no output this never settles.
    void context.resume().catch(() => undefined);
    const analyser = new AnalyserNode(context, { fftSize: 4096 });
    context.createMediaStreamSource(stream).connect(analyser);
    const samples = new Float32Array(analyser.fftSize);
    const level = new Level(context.sampleRate);
    const begun = performance.now();
    return {
      hears: () => {
        if (context.state !== 'running') return performance.now() - begun < SETTLES ? SILENT : null;
        analyser.getFloatTimeDomainData(samples);
        return level.hear(samples, context.currentTime);
      },
      close: () => {
        if (context.state !== 'closed') void context.close();
      },
    };
  } catch {
    return { hears: () => null, close: () => undefined };
  }
}

/** Milliseconds after which a context that does not run will not. */
const SETTLES = 2000;

const CANNOT_RECORD = 'cannot record';

const troubles = {
  'not-allowed': 'microphone.not-allowed',
  none: 'microphone.none',
  'in-use': 'microphone.in-use',
  unusable: 'microphone.unusable',
} as const;

export const microphoneTrouble = (error: unknown): string =>
  error instanceof DOMException && error.name === CANNOT_RECORD
    ? say('microphone.cannot-record')
    : say(troubles[deviceTrouble(error)]);

/** What a browser can record: Opus in WebM, or in MP4 where there is no WebM. */
export const recordingType = (): string =>
  ['audio/webm;codecs=opus', 'audio/mp4;codecs=opus', 'audio/mp4'].find((type) =>
    MediaRecorder.isTypeSupported(type),
  ) ?? '';
