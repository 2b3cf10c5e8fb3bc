import type { Plan, Scene, Stroke } from '../api/types';
import { percent, placed, WHOLE, type Box } from '../parts/boxes';
import { frameAt, heldIn, pointUnder, type Point } from './path';
import { progress } from './plan';

type Drawn = Plan['pointers'][Stroke['form']];

export const drawingOf = ({ drawing }: Drawn): string => `data:image/svg+xml,${encodeURIComponent(drawing)}`;
/** The style of a pointer's drawing, whose middle is at that place of the slide: it is moved, and not drawn anew. */
export const around = ({ width, height }: Drawn, { x, y }: Point) => ({
  ...placed({ x: 0, y: 0, width, height }),
  transform: `translate(${percent(x / width - 0.5)}, ${percent(y / height - 0.5)})`,
  willChange: 'transform',
  maxWidth: 'none',
});

const isIn = ({ x, y }: Point, box: Box) =>
  x >= box.x && x <= box.x + box.width && y >= box.y && y <= box.y + box.height;
const rounded = ({ x, y }: Point): Point => ({ x: Math.round(1e4 * x) / 1e4, y: Math.round(1e4 * y) / 1e4 });

/** What is pointed at where that place of a scene is, at a frame of the film: a point of the picture there, else of the slide. */
export function pointedAt(plan: Plan, scene: Scene, frame: number, place: Point): { over?: string; point: Point } {
  for (const layer of scene.layers.toReversed()) {
    const box = layer.kind === 'picture' ? (layer.box ?? WHOLE) : WHOLE;
    if (layer.kind === 'picture' && isIn(place, box)) {
      const point = pointUnder(place, frameAt(layer.path, plan.ease, progress(scene, frame)), box);
      return { over: layer.rendition.asset, point: rounded(heldIn(point, WHOLE)) };
    }
  }
  return { point: rounded(heldIn(place, WHOLE)) };
}

/** The same plan, in which nobody points. */
export function unpointed(plan: Plan): Plan {
  const points = (scene: Scene) => scene.layers.some(({ kind }) => kind === 'pointing');
  if (!plan.scenes.some(points)) return plan;
  const scenes = plan.scenes.map((scene) =>
    points(scene) ? { ...scene, layers: scene.layers.filter(({ kind }) => kind !== 'pointing') } : scene,
  );
  return { ...plan, scenes };
}
