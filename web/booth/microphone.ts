import { say } from '../messages/say';
import { deviceTrouble } from '../parts/device';

/** Listening to the microphone: the stream, how loud it is, and what is wrong with it, in words that help. */
export interface Microphone {
  stream: MediaStream;
  /** The loudest sample of the last moments, in dBFS. */
  level: () => number;
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
  const context = new AudioContext();
  // Only the level needs it, and where there is no output it never settles.
  void context.resume();
  const analyser = new AnalyserNode(context, { fftSize: 4096 });
  context.createMediaStreamSource(stream).connect(analyser);
  const samples = new Float32Array(analyser.fftSize);
  return {
    stream,
    level: () => {
      analyser.getFloatTimeDomainData(samples);
      let peak = 0;
      for (const sample of samples) peak = Math.max(peak, Math.abs(sample));
      return peak === 0 ? -100 : 20 * Math.log10(peak);
    },
    close: () => {
      track?.removeEventListener('ended', onGone);
      for (const each of stream.getTracks()) each.stop();
      if (context.state !== 'closed') void context.close();
    },
  };
}

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

/** Judging a level by its peaks, in dBFS. Common practice: speech should peak between about -18 and -6, and never reach 0. */
export function judge(peak: number): 'silent' | 'too quiet' | 'good' | 'too loud' {
  if (peak < -60) return 'silent';
  if (peak < -30) return 'too quiet';
  return peak > -2 ? 'too loud' : 'good';
}
