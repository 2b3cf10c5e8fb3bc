import { useEffect, useRef, useState, type RefObject } from 'react';
import type { Plan, Scene, Slide, Stroke } from '../../api/types';
import { useTell } from '../../parts/notices';
import { useKept } from '../../parts/useKept';
import { useSteady } from '../../parts/useSteady';
import { say } from '../../messages/say';
import type { PreviewHandle } from '../../stage/Preview';
import { threadOf } from '../../stage/plan';
import { pointedAt } from '../../stage/pointers';
import type { Point } from '../../stage/path';
import type { StoryHold } from '../../story/useStory';
import type { Recording, useRecorder } from '../useRecorder';
import { Noting } from './Noting';

export const FORMS = ['off', 'ring', 'arrow', 'light'] as const;
export type Form = (typeof FORMS)[number];
const MS = 1000;
/** Before it plays to be pointed at: time to come to the picture. */
const COUNT = 3;
const EACH = 700;
/** How far an arrow key moves it, in shares of the slide. */
const BY = 0.02;
const ARROWS: Record<string, [number, number]> = {
  ArrowLeft: [-BY, 0],
  ArrowRight: [BY, 0],
  ArrowUp: [0, -BY],
  ArrowDown: [0, BY],
};

interface Options {
  hold: StoryHold;
  preview: RefObject<PreviewHandle | null>;
  plan: Plan | undefined;
  scene: Scene | undefined;
  slide: Slide | undefined;
  recorder: ReturnType<typeof useRecorder>;
  state: Recording;
}

/** Where one points at the picture: while one speaks, or afterwards while that plays. */
export function usePointing({ hold, preview, plan, scene, slide, recorder, state }: Options) {
  const tell = useTell();
  const [form, keep] = useKept<Form>('rhapsode-pointer', FORMS, 'off');
  /** What is left to count, or that it plays; null where nobody points again. */
  const [again, setAgain] = useState<number | 'plays' | null>(null);
  const [place, setPlace] = useState<Point | null>(null);
  const noting = useRef(new Noting());
  const round = useRef(0);
  const voice = plan && slide ? threadOf(plan).find(({ id }) => id === slide.id)?.voice : null;
  const isNoted = form !== 'off' && (state === 'recording' || again === 'plays');
  const isShown = isNoted || (form !== 'off' && (state === 'counting' || state === 'paused' || again !== null));

  /** Milliseconds of what is recorded, or of the voice that plays. */
  const now = useSteady(() => {
    if (again !== 'plays') return MS * recorder.recorded();
    return MS * ((preview.current?.frame() ?? 0) / (plan?.fps ?? 1) - (voice?.start ?? 0));
  });
  const put = useSteady((at: Point) => {
    setPlace(at);
    if (!isNoted || !plan || !scene || now() < 0) return;
    noting.current.put(now(), form, pointedAt(plan, scene, preview.current?.frame() ?? 0, at));
    if (state === 'recording') recorder.points(noting.current.strokes);
  });
  const lift = useSteady(() => {
    setPlace(null);
    noting.current.lift(now());
  });
  const takeBack = useSteady(() => noting.current.takeBack());

  // Each recording has its own, and so has each time that it is done again.
  const isGoing = state === 'recording' || state === 'paused';
  useEffect(() => {
    if (!isGoing) return undefined;
    noting.current = new Noting();
    return () => {
      noting.current.lift(MS * recorder.recorded());
      setPlace(null);
    };
    // The recorder is another one with every drawing of the page.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [isGoing]);
  useEffect(() => {
    if (state === 'paused') noting.current.lift(MS * recorder.recorded());
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [state]);

  const stop = useSteady(() => {
    round.current += 1;
    if (again === 'plays') preview.current?.pause();
    setAgain(null);
    setPlace(null);
  });
  /** The voice is over, and where was pointed is kept. */
  const ended = useSteady(() => {
    if (again !== 'plays' || !slide) return;
    noting.current.lift(now());
    setAgain(null);
    setPlace(null);
    const { strokes } = noting.current;
    if (strokes.length === 0) {
      tell(say('point.nothing'));
      return;
    }
    void hold.edit({ do: 'set pointing', voice: slide.voice, strokes }).then((done) => {
      if (done) tell(say('point.kept'), { action: { label: say('story.undo'), run: () => void hold.undo() } });
    });
  });
  const start = useSteady(async () => {
    if (!voice || !plan || again !== null) return;
    if (form === 'off') keep('ring');
    round.current += 1;
    const mine = round.current;
    noting.current = new Noting();
    for (let left = COUNT; left > 0; left -= 1) {
      setAgain(left);
      await new Promise((wake) => setTimeout(wake, EACH));
      if (mine !== round.current) return;
    }
    setAgain('plays');
    preview.current?.play(voice.start * plan.fps, Math.ceil(voice.end * plan.fps));
  });
  // Another slide is not pointed at with this one's voice.
  useEffect(() => stop, [slide?.id, stop]);

  const arrow = useSteady((event: KeyboardEvent) => {
    const by = ARROWS[event.key];
    if (!by || !isShown || (event.target as HTMLElement).closest('[role=dialog], [role=listbox], input, textarea'))
      return;
    event.preventDefault();
    event.stopPropagation();
    const { x, y } = place ?? { x: 0.5, y: 0.5 };
    put({ x: Math.max(0, Math.min(1, x + by[0])), y: Math.max(0, Math.min(1, y + by[1])) });
  });
  useEffect(() => {
    window.addEventListener('keydown', arrow, true);
    return () => window.removeEventListener('keydown', arrow, true);
  }, [arrow]);

  const dropping = useRef(false);
  const drop = useSteady(() => {
    // Pressed twice there would be nothing to undo at first.
    if (!slide || dropping.current) return;
    dropping.current = true;
    void hold.edit({ do: 'set pointing', voice: slide.voice, strokes: [] }).finally(() => {
      dropping.current = false;
    });
  });
  const isPointed = scene?.layers.some(({ kind }) => kind === 'pointing') ?? false;
  const choose = useSteady((next: Form) => {
    keep(next);
    if (isPointed && slide && next !== 'off') void hold.edit({ do: 'set pointer', voice: slide.voice, form: next });
  });
  return {
    form,
    choose,
    /** A count before it plays. */
    count: typeof again === 'number' ? again : null,
    isAgain: again !== null,
    canPoint: voice !== null && voice !== undefined,
    isPointed,
    shown: isShown ? { form: form as Stroke['form'], place } : null,
    put,
    lift,
    takeBack,
    start,
    stop,
    ended,
    drop,
  };
}
