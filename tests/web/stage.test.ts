import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { Plan } from '../../web/api/types';
import { comfortOf, paceOf } from '../../web/stage/comfort';
import { frameSeen } from '../../web/stage/layers/clip';
import { sceneAt } from '../../web/stage/plan';
import { Stage } from '../../web/stage/Stage';

/** The performer of plans is held to core's golden values: tests/core/GoldenTest.php writes them. */
interface Seen {
  id: string;
  layers: {
    id: string;
    opacity: number;
    clip: number | null;
    at: [number, number, number, number] | null;
    /** How far below their place words are, a share of the height. */
    lowered: number | null;
    /** Points of the slide, and how far words that are written are seen there. */
    written: [x: number, y: number, seen: number][] | null;
    /** Where the sheet of a drift begins. */
    drifted: { x: number; y: number } | null;
    /** Where the upper edge of what rolls lies, in shares of the slide's height, and how many slides it is high. */
    rolled: [top: number, slides: number] | null;
    /** Where somebody pointed. */
    pointed: [x: number, y: number] | null;
    /** Of a pointer, from and to. */
    line: [number, number][];
  }[];
  weights: [number, number][];
}
const golden = JSON.parse(readFileSync('tests/golden/performance.json', 'utf8')) as {
  plan: Plan;
  points: [number, number][];
  calmest: [zoom: number, pan: number];
  comforts: { scene: string; zoom: number; pan: number; isCalm: boolean }[];
  moments: { frame: number; scenes: Seen[] }[];
};

/** The frame that a transform shows, from the very style that the browser gets. */
function frameOf(picture: Element, box = { x: 0, y: 0, width: 1, height: 1 }): number[] {
  const moved = picture.firstElementChild as HTMLElement;
  const found = /scale\(([\d.e-]+), ([\d.e-]+)\) translate\((-?[\d.e-]+)%, (-?[\d.e-]+)%\)/.exec(moved.style.transform);
  if (!found) throw new Error(`no frame in ${moved.style.transform}`);
  const [, width, height, x, y] = found.map(Number) as [number, number, number, number, number];
  if (box.width < 1) expect(moved.style.transform).toContain(`translate(${100 * box.x}%, ${100 * box.y}%) scale`);
  return [-x / 100, -y / 100, box.width / width, box.height / height];
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

/** How far words are seen at a point, by the masks of their lines. */
function writtenAt({ style }: HTMLElement, x: number, y: number): number {
  if (style.maskImage === 'none') return 1;
  const pairs = (told: string) =>
    told.split(', ').map((pair) => pair.split(' ').map((part) => Number.parseFloat(part) / 100) as [number, number]);
  const [sizes, positions] = [pairs(style.maskSize), pairs(style.maskPosition)];
  const masks = style.maskImage.match(/linear-gradient\([^)]*\)/g) ?? [];
  expect(masks).toHaveLength(sizes.length);
  for (const [i, mask] of masks.entries()) {
    const [[width, height], [px, py]] = [sizes[i] ?? [1, 1], positions[i] ?? [0, 0]];
    const [left, top] = [px * (1 - width), py * (1 - height)];
    if (y < top || y > top + height) continue;
    const found = /to (\w+), #000 (-?[\d.e-]+)%, transparent (-?[\d.e-]+)%/.exec(mask);
    const [from, to] = [Number(found?.[2]) / 100, Number(found?.[3]) / 100];
    const way = (x - left) / width;
    return clamp((to - (found?.[1] === 'left' ? 1 - way : way)) / (to - from));
  }
  return 0;
}

describe('the comfort of a move', () => {
  it('is what core says', () => {
    const { plan, comforts } = golden;
    const found = plan.scenes.flatMap((scene) =>
      scene.layers.flatMap((layer) => {
        if (layer.kind !== 'picture') return [];
        const seconds = (scene.end + scene.transition.frames - scene.start) / plan.fps;
        return [{ scene: scene.id, ...comfortOf(layer.path, plan.ease, seconds) }];
      }),
    );
    expect(found.map(({ scene }) => scene)).toEqual(comforts.map(({ scene }) => scene));
    // Calm as far as core says, and no further.
    const [mostZoom, mostPan] = golden.calmest;
    expect(paceOf({ zoom: mostZoom, pan: mostPan })).toBe('calm');
    expect(paceOf({ zoom: mostZoom * 1.01, pan: 0 })).toBe('brisk');
    expect(paceOf({ zoom: 0, pan: mostPan * 1.01 })).toBe('brisk');
    for (const [i, { zoom, pan, isCalm }] of comforts.entries()) {
      expect(paceOf({ zoom, pan }) === 'calm').toBe(isCalm);
      expect(found[i]?.zoom).toBeCloseTo(zoom, 3);
      expect(found[i]?.pan).toBeCloseTo(pan, 3);
    }
    expect(comforts.map((comfort) => paceOf(comfort))).toContain('too-fast');
    expect(comforts.map((comfort) => paceOf(comfort))).toContain('calm');
  });
});

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
    let transitions = 0;
    let [moving, lowered, written, pointed, boxed, drifted, rolled, hands] = [0, 0, 0, 0, 0, 0, 0, 0];
    const kinds = new Set<string>();
    for (const { frame, scenes } of golden.moments) {
      stage.show(golden.plan, frame);
      const boards = visible();
      expect(boards, `at frame ${frame}`).toHaveLength(scenes.length);
      transitions += scenes.length - 1;
      const veil = boxes()[2];
      for (const [i, seen] of scenes.entries()) {
        const board = boards[i];
        const scene = golden.plan.scenes.find((s) => s.id === seen.id);
        if (!board || !veil || !scene) throw new Error('a scene is missing');
        expect(board.children, `layers at frame ${frame}`).toHaveLength(seen.layers.length);
        for (const [k, layer] of seen.layers.entries()) {
          const element = board.children[k] as HTMLElement;
          const where = `frame ${frame}, ${seen.id}, ${layer.id}`;
          kinds.add(scene.layers[k]?.kind ?? '');
          const planned = scene.layers[k];
          if (planned?.kind === 'picture' && planned.clip) {
            moving += 1;
            expect(frameSeen(planned.clip, frame - scene.start), where).toBe(layer.clip);
          }
          if (layer.at) {
            const shown = frameOf(element, planned?.kind === 'picture' ? planned.box : undefined);
            for (const [n, value] of layer.at.entries()) expect(shown[n], where).toBeCloseTo(value, 4);
          }
          const seenBy = layer.drifted ? (element.firstElementChild as HTMLElement) : element;
          expect(Number(seenBy.style.opacity), where).toBeCloseTo(layer.opacity, 4);
          if (planned?.kind === 'picture' && planned.box) {
            boxed += 1;
            const { x, y, width, height } = planned.box;
            const sides = [...element.style.clipPath.matchAll(/([\d.e-]+)%/g)].map(([, side]) => Number(side) / 100);
            for (const [n, side] of [y, 1 - x - width, 1 - y - height, x].entries())
              expect(sides[n], where).toBeCloseTo(side, 4);
          }
          if (layer.lowered !== null) {
            lowered += layer.lowered > 0 ? 1 : 0;
            const down = Number(/translateY\(([\d.e-]+)%\)/.exec(element.style.transform)?.[1]) / 100;
            expect(down, where).toBeCloseTo(layer.lowered, 4);
          }
          for (const [x, y, share] of layer.written ?? []) {
            written += share > 0 && share < 1 ? 1 : 0;
            expect(writtenAt(element, x, y), where).toBeCloseTo(share, 3);
          }
          if (layer.drifted) {
            drifted += 1;
            const { transform } = (element.firstElementChild as HTMLElement).style;
            // Two sheets beside each other: half of what is moved is one of them.
            const [x = NaN, y = NaN] = [...transform.matchAll(/([\d.e-]+)%/g)].map(([, share]) => Number(share) / 50);
            expect(x, where).toBeCloseTo(layer.drifted.x, 3);
            expect(y, where).toBeCloseTo(layer.drifted.y, 3);
          }
          if (layer.rolled) {
            rolled += 1;
            const [top, slides] = layer.rolled;
            expect(Number.parseFloat(element.style.height) / 100, where).toBeCloseTo(slides, 4);
            const moved = Number(/translateY\((-?[\d.e-]+)%\)/.exec(element.style.transform)?.[1]) / 100;
            expect(moved * slides, where).toBeCloseTo(top, 3);
          }
          if (layer.pointed && planned?.kind === 'pointing') {
            hands += 1;
            const { width, height } = golden.plan.pointers[planned.form];
            // Moved by shares of its own size, so that its middle is there.
            const [x = NaN, y = NaN] = [...element.style.transform.matchAll(/(-?[\d.e-]+)%/g)].map(
              ([, share]) => Number(share) / 100 + 0.5,
            );
            expect(x * width, where).toBeCloseTo(layer.pointed[0], 4);
            expect(y * height, where).toBeCloseTo(layer.pointed[1], 4);
          }
          if (layer.line.length > 0) {
            pointed += 1;
            const drawn = ['x1', 'y1', 'x2', 'y2'].map((name) => Number(element.children[2]?.getAttribute(name)));
            const { width, height } = golden.plan;
            const told = layer.line.flatMap(([x, y]) => [x * width, y * height]);
            for (const [n, value] of told.entries()) expect(drawn[n], where).toBeCloseTo(value, 1);
          }
        }
        for (const [p, [colour, next]] of seen.weights.entries()) {
          const point = golden.points[p] ?? [0, 0];
          expect(weightOf(board, point), `frame ${frame}, ${seen.id} at ${point}`).toBeCloseTo(next, 4);
          if (i > 0) {
            const shown = veil.style.visibility === 'visible' ? Number(veil.style.opacity) : 0;
            expect(shown, `the colour at frame ${frame}`).toBeCloseTo(colour, 4);
          }
        }
      }
    }
    expect(moving, 'a clip is among the layers').toBeGreaterThan(10);
    // Words that come in each way are met while they do.
    expect(Math.min(lowered, written, pointed, boxed, drifted, rolled, hands)).toBeGreaterThan(0);
    expect(transitions, 'transitions are among the moments').toBeGreaterThan(12);
    expect([...kinds].sort()).toEqual([
      'backdrop',
      'drift',
      'icon',
      'mat',
      'picture',
      'pointer',
      'pointing',
      'roll',
      'words',
    ]);
  });

  it('shows the last scene after the end, and nothing of a plan without any', () => {
    expect(sceneAt(golden.plan, golden.plan.frames + 50)).toBe(golden.plan.scenes.length - 1);
    stage.show({ ...golden.plan, scenes: [] }, 0);
    expect(visible()).toHaveLength(0);
  });
});
