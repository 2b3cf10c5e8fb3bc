import { useCallback, useEffect, useRef, useState } from 'react';
import { sentence } from '../api/client';
import { addPart, beginTake, drop, endTake, put, type Kept, type Part } from '../assets/keeper';
import { Sender } from '../assets/Sender';
import { SAMPLES } from '../parts/time';
import { microphoneTrouble, openMicrophone, recordingType, type Microphone } from './microphone';
import { say } from '../messages/say';

export type Recording = 'off' | 'ready' | 'counting' | 'recording' | 'paused' | 'sending';

/** A part of a second and a little more: what a crash may cost at most. */
const SLICE = 1000;

const isGoing = (recorder: MediaRecorder | null) => recorder !== null && recorder.state !== 'inactive';

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
  /** Whether it is recorded for many slides, from step to step. */
  const [isForMany, setForMany] = useState(false);
  /** What is being sent, one after another. */
  const line = useRef({ length: 0, last: Promise.resolve() });
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
          if (wasRecording) recorder.current?.stop();
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
    [close],
  );

  useEffect(
    () => () => {
      opening.current += 1;
      counting.current += 1;
      if (isGoing(recorder.current)) recorder.current?.stop();
      mic.current?.close();
    },
    [],
  );

  /** What was recorded is safe, and another may be. */
  const isFree = useCallback(() => setState((now) => (now === 'sending' ? (mic.current ? 'ready' : 'off') : now)), []);

  /**
   * Sends what was recorded, in the order in which it was: what was said last counts. Without a connection nobody waits for that.
   */
  const inLine = useCallback(
    async (take: Kept): Promise<string> => {
      const sender = new Sender(take);
      let waits = false;
      const wait = () => {
        if (!waits) setWaiting((count) => count + 1);
        waits = true;
        isFree();
      };
      if (line.current.length > 0) wait();
      const turn = line.current.last.then(() => sender.settle((isWaiting) => isWaiting && wait()));
      line.current.length += 1;
      line.current.last = turn.then(
        () => undefined,
        () => undefined,
      );
      try {
        return (await turn).id;
      } finally {
        line.current.length -= 1;
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
      let take: Kept;
      try {
        take = await beginTake(person, story, slide, part);
      } catch {
        setTrouble(say('booth.no-room'));
        setState('ready');
        return;
      }
      const sender = new Sender(take);
      let number = 0;
      let kept: Promise<void> = Promise.resolve();
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
        number += 1;
        kept = kept
          .then(() => data.arrayBuffer())
          .then((bytes) => addPart(take, mine, bytes))
          .then(() => sender.nudge());
      };
      made.onstop = () => {
        void (async () => {
          setState('sending');
          try {
            await kept;
            sender.stop();
            if (number === 0) {
              await drop(take);
              setTrouble(say('booth.nothing-recorded'));
            } else {
              await endTake(take, number);
              await done.current(await inLine(take));
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
      going.current = { before: 0, since: performance.now() };
      setState('recording');
    },
    [cannotStart, inLine, isFree, person, story],
  );

  /** Counts in, then records: all of a slide, a part between what it speaks already, or many slides from this one on. */
  const start = useCallback(
    async (slide: string, countIn: boolean, part?: Part) => {
      if (!mic.current && !(await open())) return;
      setTrouble('');
      const round = ++counting.current;
      if (countIn) {
        setState('counting');
        for (let left = 3; left > 0; left -= 1) {
          setCount(left);
          await new Promise((wake) => setTimeout(wake, 700));
          if (round !== counting.current) return;
        }
      }
      await speak(slide, part);
    },
    [open, speak],
  );

  const stop = useCallback(() => {
    counting.current += 1;
    if (isGoing(recorder.current)) recorder.current?.stop();
    else setState((now) => (now === 'counting' ? 'ready' : now));
  }, []);

  /** How long it has been recorded, in seconds. */
  const recorded = useCallback(() => {
    const { before, since } = going.current;
    return before + (since === null ? 0 : (performance.now() - since) / 1000);
  }, []);
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

  return {
    state,
    waiting,
    trouble,
    devices,
    microphone,
    count,
    recorded,
    open,
    close,
    start,
    stop,
    isForMany,
    pauseOrGoOn,
    step,
    setTrouble,
  };
}
