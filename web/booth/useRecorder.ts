import { useCallback, useEffect, useRef, useState } from 'react';
import { Refusal, sentence } from '../api/client';
import { addPart, beginTake, drop, endTake, put, type Kept, type Part } from '../assets/keeper';
import { Sender } from '../assets/Sender';
import { SAMPLES } from '../parts/time';
import type { Stroke } from '../api/types';
import type { Waiting } from '../assets/waiting';
import { SoundCount } from './counted/SoundCount';
import { microphoneTrouble, openMicrophone, recordingType, type Microphone } from '../microphone/microphone';
import { say } from '../messages/say';

export type Recording = 'off' | 'ready' | 'counting' | 'recording' | 'paused' | 'sending';

/** A part of a second and a little more: what a crash may cost at most. */
const SLICE = 1000;

/** Seconds that a decoder may take off at either end: a packet of the longest kind (RFC 6716). */
const PACKET = 0.06;

/** Milliseconds after which nobody waits for the server to have it ready: it is kept here, and the next may be spoken. */
const PATIENT = 4000;

const isGoing = (recorder: MediaRecorder | null) => recorder !== null && recorder.state !== 'inactive';

/** What comes before somebody is recorded. */
export interface CountIn {
  /** How far down it is counted from. */
  from: number;
  /** Milliseconds for each. */
  each: number;
  /** What is heard meanwhile. */
  begins?: () => void;
  /** It is over, or somebody stopped it: nothing of it may be recorded. */
  ends?: () => void;
}

interface Options {
  person: string;
  story: string;
  /** Hears which take it became, once it is ready. */
  onDone: (take: string) => Promise<void> | void;
}

/** The recorder behind the Booth's one big control. Each part is kept in the browser, then sent, while one speaks. */
export function useRecorder({ person, story, onDone }: Options) {
  const [state, setState] = useState<Recording>('off');
  const [trouble, setTrouble] = useState('');
  const [devices, setDevices] = useState<MediaDeviceInfo[]>([]);
  const [microphone, setMicrophone] = useState<Microphone | null>(null);
  const [count, setCount] = useState(0);
  const recorder = useRef<MediaRecorder | null>(null);
  const live = useRef<Kept | null>(null);
  /** Seconds of what is being recorded that the browser keeps whatever happens. */
  const [kept, setKept] = useState(0);
  /** Whether it is recorded for many slides, from step to step. */
  const [isForMany, setForMany] = useState(false);
  /** Whether it goes between what is said already. */
  const [isForPart, setForPart] = useState(false);
  /** What is being sent, one after another. */
  const line = useRef({ length: 0, last: Promise.resolve() });
  /** How many are being saved while somebody goes on. */
  const [behind, setBehind] = useState(0);
  /** How many recordings wait for a connection. */
  const [waiting, setWaiting] = useState(0);
  /** Seconds that were recorded before it last went on, and when that was; null while it rests. */
  const going = useRef<{ before: number; since: number | null }>({ before: 0, since: null });
  const mic = useRef<Microphone | null>(null);
  const done = useRef(onDone);
  done.current = onDone;
  const counting = useRef(0);
  /** Counts what was asked of the microphone: only the latest is answered. */
  const opening = useRef(0);

  /** How long it has been recorded, in seconds. */
  const recorded = useCallback(() => {
    const { before, since } = going.current;
    return before + (since === null ? 0 : (performance.now() - since) / 1000);
  }, []);

  /** Nothing more is recorded. The clock stops now, however late the last part comes. */
  const halt = useCallback(() => {
    going.current = { before: recorded(), since: null };
    recorder.current?.stop();
  }, [recorded]);

  const close = useCallback(() => {
    mic.current?.close();
    mic.current = null;
    setMicrophone(null);
  }, []);

  const open = useCallback(
    async (device?: string) => {
      close();
      setTrouble('');
      const round = ++opening.current;
      try {
        const made = await openMicrophone(device, () => {
          const wasRecording = isGoing(recorder.current);
          if (wasRecording) halt();
          close();
          if (!wasRecording) setState('off');
          setTrouble(say(wasRecording ? 'booth.pulled-out-recording' : 'booth.pulled-out'));
        });
        // Another was asked for meanwhile, or the Booth was left: nobody listens unasked.
        if (round !== opening.current) {
          made.close();
          return null;
        }
        mic.current = made;
        setMicrophone(made);
        setState('ready');
        setDevices((await navigator.mediaDevices.enumerateDevices()).filter((d) => d.kind === 'audioinput'));
        return made;
      } catch (error) {
        if (round !== opening.current) return null;
        setState('off');
        setTrouble(microphoneTrouble(error));
        return null;
      }
    },
    [close, halt],
  );

  useEffect(
    () => () => {
      opening.current += 1;
      counting.current += 1;
      if (isGoing(recorder.current)) halt();
      mic.current?.close();
    },
    [halt],
  );

  /** What was recorded is safe, and another may be. */
  const isFree = useCallback(() => setState((now) => (now === 'sending' ? (mic.current ? 'ready' : 'off') : now)), []);

  /**
   * Sends what was recorded, in the order in which it was: what was said last counts. Without a connection nobody waits for that.
   */
  const inLine = useCallback(
    async (take: Kept): Promise<void> => {
      const sender = new Sender(take);
      let waits = false;
      const wait = (why?: unknown) => {
        // What the server says of itself is read; that there is no connection stands there anyway.
        if (why instanceof Refusal) setTrouble(sentence(why));
        if (!waits) setWaiting((count) => count + 1);
        waits = true;
        isFree();
      };
      if (line.current.length > 0) wait();
      const tell: Waiting = (isWaiting, why) => isWaiting && wait(why);
      const sent = line.current.last.then(() => sender.send(tell));
      line.current.length += 1;
      line.current.last = sent.then(
        () => undefined,
        () => undefined,
      );
      let isLate = false;
      const late = setTimeout(() => {
        isLate = true;
        setBehind((count) => count + 1);
        isFree();
      }, PATIENT);
      try {
        await sent.finally(() => {
          line.current.length -= 1;
        });
        // It is being saved until the page has it, too.
        await done.current((await sender.prepared(tell)).id);
      } finally {
        clearTimeout(late);
        if (isLate) setBehind((count) => count - 1);
        if (waits) setWaiting((count) => count - 1);
      }
    },
    [isFree],
  );

  /** Nothing was said yet: what was begun for it is put away. */
  const cannotStart = useCallback(
    async (take: Kept, sender: Sender) => {
      recorder.current = null;
      sender.stop();
      await drop(take).catch(() => undefined);
      close();
      setState('off');
      setTrouble(say('booth.did-not-start'));
    },
    [close],
  );

  const speak = useCallback(
    async (slide: string, part?: Part) => {
      const stream = mic.current?.stream;
      if (!stream) return;
      const take = await beginTake(person, story, slide, part);
      const sender = new Sender(take);
      const sound = new SoundCount();
      let number = 0;
      let keeping: Promise<void> = Promise.resolve();
      let made: MediaRecorder;
      try {
        made = new MediaRecorder(stream, { mimeType: recordingType(), audioBitsPerSecond: 96_000 });
      } catch {
        await cannotStart(take, sender);
        return;
      }
      recorder.current = made;
      made.ondataavailable = ({ data }) => {
        if (data.size === 0) return;
        const mine = number;
        take.recorded = Math.max(1, Math.round(recorded() * SAMPLES));
        number += 1;
        keeping = keeping
          .then(() => data.arrayBuffer())
          .then(async (bytes) => {
            const until = sound.add(bytes) - PACKET;
            const isKept = await addPart(take, mine, bytes);
            if (take.pointing ?? take.steps) await put(take).catch(() => undefined);
            if (isKept) setKept(until);
            else setTrouble(say('booth.only-here'));
            sender.nudge();
          });
      };
      made.onstop = () => {
        void (async () => {
          setState('sending');
          try {
            await keeping;
            sender.stop();
            if (number === 0) {
              await drop(take).catch(() => undefined);
              setTrouble(say('booth.nothing-recorded'));
            } else {
              await endTake(take, number);
              await inLine(take);
            }
          } catch (error) {
            setTrouble(sentence(error));
          }
          isFree();
        })();
      };
      try {
        made.start(SLICE);
      } catch {
        made.onstop = null;
        await cannotStart(take, sender);
        return;
      }
      live.current = take;
      setForMany(take.steps !== undefined);
      setForPart(take.around !== undefined);
      going.current = { before: 0, since: performance.now() };
      setKept(0);
      setState('recording');
    },
    [cannotStart, inLine, isFree, person, recorded, story],
  );

  /** Counts in, then records: all of a slide, a part between what it speaks already, or many slides from this one on. */
  const start = useCallback(
    async (slide: string, counts: CountIn | null, part?: Part) => {
      if (!mic.current && !(await open())) return;
      setTrouble('');
      const round = ++counting.current;
      if (counts) {
        setState('counting');
        counts.begins?.();
        for (let left = counts.from; left > 0; left -= 1) {
          setCount(left);
          await new Promise((wake) => setTimeout(wake, counts.each));
          if (round !== counting.current) break;
        }
        counts.ends?.();
        if (round !== counting.current) return;
      }
      await speak(slide, part);
    },
    [open, speak],
  );

  const stop = useCallback(() => {
    counting.current += 1;
    if (isGoing(recorder.current)) halt();
    else setState((now) => (now === 'counting' ? 'ready' : now));
  }, [halt]);

  /** Rests, or goes on where it rested: in what is recorded nothing lies between. */
  const pauseOrGoOn = useCallback(() => {
    const made = recorder.current;
    if (made?.state === 'recording') {
      made.pause();
      going.current = { before: recorded(), since: null };
      setState('paused');
    } else if (made?.state === 'paused') {
      made.resume();
      going.current.since = performance.now();
      setState('recording');
    }
  }, [recorded]);
  /** From now on another slide is spoken of. */
  const step = useCallback(
    (slide: string) => {
      const take = live.current;
      if (!take?.steps || !isGoing(recorder.current)) return;
      take.steps.push({ slide, at: Math.round(recorded() * SAMPLES) });
      void put(take).catch(() => undefined);
    },
    [recorded],
  );

  /** Where somebody points meanwhile: kept with it, part by part. */
  const points = useCallback((strokes: Stroke[]) => {
    if (live.current && isGoing(recorder.current)) live.current.pointing = strokes;
  }, []);

  return {
    state,
    waiting,
    behind,
    trouble,
    devices,
    microphone,
    count,
    recorded,
    kept,
    open,
    close,
    start,
    stop,
    isForMany,
    isForPart,
    pauseOrGoOn,
    step,
    points,
    setTrouble,
  };
}
