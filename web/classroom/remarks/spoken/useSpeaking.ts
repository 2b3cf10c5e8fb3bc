import { useEffect, useRef, useState } from 'react';
import limits from '../../../../schema/limits.json';
import { microphoneTrouble, openMicrophone, recordingType, type Microphone } from '../../../microphone/microphone';
import { say } from '../../../messages/say';
import { useSteady } from '../../../parts/useSteady';
import { hold, letGo, waiting } from './held';

export type Speaking = 'silent' | 'opening' | 'speaking' | 'spoken';
export interface Spoken {
  sound: Blob;
  /** By which it is heard before it is sent. */
  url: string;
}

/** Seconds before the longest that is taken: a recorder ends a little late. */
const EARLIER = 2;

/**
 * Speaks one remark: a press begins, another ends; what was spoken is held until it is left or put away, also over a reload.
 *
 * @param key by which it is held: whose it is, and of which film
 */
export function useSpeaking(key: string) {
  const [state, setState] = useState<Speaking>('silent');
  const [spoken, setSpoken] = useState<Spoken | null>(null);
  const [trouble, setTrouble] = useState('');
  const [microphone, setMicrophone] = useState<Microphone | null>(null);
  const recorder = useRef<MediaRecorder | null>(null);
  /** Counts what was asked of the microphone: only the latest is answered. */
  const asked = useRef(0);

  const close = () => {
    microphone?.close();
    setMicrophone(null);
  };
  const stop = useSteady(() => {
    if (recorder.current?.state === 'recording') recorder.current.stop();
  });
  const show = (sound: Blob) => {
    setSpoken({ sound, url: URL.createObjectURL(sound) });
    setState('spoken');
  };
  /** What was spoken is put away, also while one speaks. */
  const clear = useSteady(() => {
    asked.current += 1;
    const going = recorder.current;
    recorder.current = null;
    if (going && going.state !== 'inactive') going.stop();
    close();
    if (spoken) URL.revokeObjectURL(spoken.url);
    void letGo(key);
    setSpoken(null);
    setTrouble('');
    setState('silent');
  });
  const begin = useSteady(async () => {
    asked.current += 1;
    const round = asked.current;
    // What was spoken before is there until it is spoken over: a microphone may be refused.
    const didNotBegin = (said: string) => {
      setTrouble(said);
      setState(spoken ? 'spoken' : 'silent');
    };
    setTrouble('');
    setState('opening');
    let made: Microphone;
    try {
      // Whose microphone is pulled out keeps what was said until then.
      made = await openMicrophone(undefined, stop);
    } catch (error) {
      if (round !== asked.current) return;
      didNotBegin(microphoneTrouble(error));
      return;
    }
    if (round !== asked.current) {
      made.close();
      return;
    }
    const parts: Blob[] = [];
    let going: MediaRecorder;
    try {
      going = new MediaRecorder(made.stream, { mimeType: recordingType(), audioBitsPerSecond: 96_000 });
    } catch {
      made.close();
      didNotBegin(say('booth.did-not-start'));
      return;
    }
    if (spoken) URL.revokeObjectURL(spoken.url);
    setSpoken(null);
    recorder.current = going;
    setMicrophone(made);
    const longest = setTimeout(stop, (limits.spoken - EARLIER) * 1000);
    going.ondataavailable = ({ data }) => parts.push(data);
    going.onstop = () => {
      clearTimeout(longest);
      made.close();
      if (recorder.current !== going) return;
      setMicrophone(null);
      const sound = new Blob(parts, { type: going.mimeType });
      void hold(key, sound);
      show(sound);
    };
    going.start();
    setState('speaking');
  });
  const once = useRef<{ sound: Blob; id: string } | null>(null);
  /** What was spoken, sent: it is sent once, also where what comes after it has to be tried again. */
  const sent = useSteady(async (send: (sound: Blob) => Promise<string>) => {
    if (!spoken) throw new Error('Nothing was spoken.');
    if (once.current?.sound !== spoken.sound) once.current = { sound: spoken.sound, id: await send(spoken.sound) };
    return once.current.id;
  });
  // Whoever goes elsewhere while they speak has said it until then.
  const leave = useSteady(() => {
    asked.current += 1;
    if (recorder.current?.state === 'recording') recorder.current.stop();
    else close();
    if (spoken) URL.revokeObjectURL(spoken.url);
  });
  useEffect(() => leave, [leave]);
  const comeBack = useSteady((sound: Blob) => {
    if (asked.current === 0 && state === 'silent') show(sound);
  });
  useEffect(() => {
    let isHere = true;
    void waiting(key).then((sound) => sound && isHere && comeBack(sound));
    return () => {
      isHere = false;
    };
  }, [key, comeBack]);
  return { state, spoken, trouble, microphone, begin, stop, clear, sent };
}
