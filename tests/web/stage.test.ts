import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { Plan } from '../../web/api/types';
import { slideAt, Stage } from '../../web/preview/Stage';

/** The performer of plans is held to core's golden values: tests/core/GoldenTest.php writes them. */
interface Seen {
  id: string;
  at: [number, number, number, number];
  weights: [number, number][];
}
const golden = JSON.parse(readFileSync('tests/golden/performance.json', 'utf8')) as {
  plan: Plan;
  points: [number, number][];
  moments: { frame: number; slides: Seen[]; gains: number[] }[];
};

/** The frame that a transform shows, from the very style that the browser gets. */
function frameOf(picture: HTMLImageElement): number[] {
  const found = /scale\(([\d.e-]+), ([\d.e-]+)\) translate\((-?[\d.e-]+)%, (-?[\d.e-]+)%\)/.exec(
    picture.style.transform,
  );
  if (!found) throw new Error(`no frame in ${picture.style.transform}`);
  const [, width, height, x, y] = found.map(Number) as [number, number, number, number, number];
  return [-x / 100, -y / 100, 1 / width, 1 / height];
}
const clamp = (weight: number) => Math.max(0, Math.min(1, weight));

/** How much of a layer is seen at a point, from its opacity and its mask. */
function weightOf(box: HTMLElement, [x, y]: [number, number]): number {
  const mask = box.style.maskImage;
  if (mask === 'none' || mask === '') return Number(box.style.opacity);
  const found = /linear-gradient\(to (\w+), #000 (-?[\d.e-]+)%, transparent (-?[\d.e-]+)%\)/.exec(mask);
  if (!found) throw new Error(`no weight in ${mask}`);
  const [from, to] = [Number(found[2]) / 100, Number(found[3]) / 100];
  const way = { right: x, left: 1 - x, top: 1 - y }[found[1] ?? ''] ?? NaN;
  return clamp((to - way) / (to - from));
}

describe('the stage', () => {
  const root = document.createElement('div');
  const stage = new Stage(root, 'story');
  const boxes = () => [...root.children] as HTMLElement[];
  const visible = () => {
    const layers = boxes().slice(0, 2);
    return layers
      .filter((box) => box.style.visibility === 'visible')
      .sort((a, b) => Number(a.style.zIndex) - Number(b.style.zIndex));
  };

  it('shows at every moment what core says is seen', () => {
    expect(golden.moments.length).toBeGreaterThan(90);
    let joins = 0;
    for (const { frame, slides } of golden.moments) {
      stage.show(golden.plan, frame);
      const layers = visible();
      expect(layers, `at frame ${frame}`).toHaveLength(slides.length);
      joins += slides.length - 1;
      const veil = boxes()[2];
      for (const [i, seen] of slides.entries()) {
        const layer = layers[i];
        const planned = golden.plan.slides.find((s) => s.id === seen.id);
        if (!layer || !veil) throw new Error('a layer is missing');
        if (planned?.image.picture) {
          const shown = frameOf(layer.querySelector('img') as HTMLImageElement);
          for (const [k, value] of seen.at.entries())
            expect(shown[k], `frame ${frame}, ${seen.id}, ${k}`).toBeCloseTo(value, 4);
        }
        for (const [p, [colour, next]] of seen.weights.entries()) {
          const point = golden.points[p] ?? [0, 0];
          expect(weightOf(layer, point), `frame ${frame}, ${seen.id} at ${point}`).toBeCloseTo(next, 4);
          if (i > 0) {
            const shown = veil.style.visibility === 'visible' ? Number(veil.style.opacity) : 0;
            expect(shown, `the colour at frame ${frame}`).toBeCloseTo(colour, 4);
          }
        }
      }
    }
    expect(joins, 'joins are among the moments').toBeGreaterThan(12);
  });

  it('shows the last slide after the end, and nothing of a plan without slides', () => {
    expect(slideAt(golden.plan, golden.plan.frames + 50)).toBe(golden.plan.slides.length - 1);
    stage.show({ ...golden.plan, slides: [] }, 0);
    expect(visible()).toHaveLength(0);
  });
});
