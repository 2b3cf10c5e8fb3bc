import type { Envelope, Plan, Scene } from '../api/types';
import type { ThreadSlide } from '../parts/Thread';

/** The scene that is seen at a frame, coming in or alone. */
export function sceneAt(plan: Plan, frame: number): number {
  const index = plan.scenes.findIndex((scene) => frame < scene.end);
  return index === -1 ? plan.scenes.length - 1 : index;
}

/** How far what moves in a scene has come at a frame of the film, 0 to 1. */
export function progress(scene: Scene, frame: number): number {
  const seen = scene.end + scene.transition.frames - scene.start;
  return (frame - scene.start) / Math.max(1, seen - 1);
}

/** A table of evenly spaced points, between which it goes in straight lines. */
export function fromTable(table: number[], t: number): number {
  const place = Math.max(0, Math.min(1, t)) * (table.length - 1);
  const low = Math.floor(place);
  const a = table[low] ?? 0;
  const b = table[Math.min(low + 1, table.length - 1)] ?? 1;
  return a + (b - a) * (place - low);
}

/** A figure that goes in straight lines between its points, before the first and after the last as there. */
export function along<P>(points: readonly P[], at: number, where: (p: P) => number, value: (p: P) => number): number {
  let [before] = points;
  if (before === undefined) return 0;
  for (const point of points) {
    if (where(point) > at)
      return where(before) >= at
        ? value(before)
        : value(before) + ((value(point) - value(before)) * (at - where(before))) / (where(point) - where(before));
    before = point;
  }
  return value(before);
}

export const valueAt = (envelope: Envelope, frame: number): number =>
  along(
    envelope,
    frame,
    (point) => point.frame,
    (point) => point.value,
  );

const known = new WeakMap<Plan, ThreadSlide[]>();

/** The plan as lengths of thread, each with the seconds between which it speaks. */
export function threadOf(plan: Plan): ThreadSlide[] {
  let thread = known.get(plan);
  if (!thread) {
    const spoken = new Map<string, { start: number; end: number }>();
    for (const { bus, slide, start, end } of plan.plays) {
      if (bus === 'voice' && slide !== null) spoken.set(slide, { start: spoken.get(slide)?.start ?? start, end });
    }
    thread = plan.scenes.map(({ id, start, end, comesIn }) => ({
      id,
      start,
      stay: end - start,
      comesIn,
      voice: spoken.get(id) ?? null,
    }));
    known.set(plan, thread);
  }
  return thread;
}
