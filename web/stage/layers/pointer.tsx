import type { PlannedPointer } from '../../api/types';
import { WHOLE, type Box } from '../../parts/boxes';
import { frameAt, heldIn, opensOn, seenIn } from '../path';
import { progress, valueAt } from '../plan';
import type { Performer } from './performer';

const SVG = 'http://www.w3.org/2000/svg';
type Point = PlannedPointer['target'];

/** Where it begins and ends on a slide that shows this frame of the picture. */
function lineOf({ from, target, within, box = WHOLE }: PlannedPointer, frame: Box): [Point, Point] {
  const end = heldIn(seenIn(target, frame, box), within);
  return [heldIn(end, from), end];
}

/** A line, and a dot at its end: what is about both, then both. */
const parts = ({ colour, edge, line, about, dot }: PlannedPointer) => [
  { colour: edge, width: line + 2 * about, radius: dot + about },
  { colour, width: line, radius: dot },
];

/** From words to a point of the picture, which it stays with. */
export const pointer: Performer<PlannedPointer> = {
  url: () => '',
  make: () => {
    const made = document.createElementNS(SVG, 'svg');
    made.style.cssText = 'position:absolute;inset:0;width:100%;height:100%';
    for (let i = 0; i < 2; i += 1)
      made.append(document.createElementNS(SVG, 'line'), document.createElementNS(SVG, 'circle'));
    return made;
  },
  show: (element, layer, { plan, scene }, frame) => {
    const { width, height } = plan;
    const [from, to] = lineOf(layer, frameAt(layer.path, plan.ease, progress(scene, frame)));
    element.setAttribute('viewBox', `0 0 ${width} ${height}`);
    element.style.opacity = String(valueAt(layer.opacity, frame - scene.start));
    for (const [i, { colour, width: wide, radius }] of parts(layer).entries()) {
      const [line, dot] = [element.children[2 * i], element.children[2 * i + 1]];
      const set = (on: Element | undefined, attributes: Record<string, string | number>) => {
        for (const [name, value] of Object.entries(attributes)) on?.setAttribute(name, String(value));
      };
      set(line, { x1: width * from.x, y1: height * from.y, x2: width * to.x, y2: height * to.y });
      set(line, { stroke: colour, 'stroke-width': wide });
      set(dot, { cx: width * to.x, cy: height * to.y, r: radius, fill: colour });
    }
  },
  still: ({ layer }) => {
    const [from, to] = lineOf(layer, opensOn(layer));
    const drawn = (colour: string, wide: number, end: number) => (
      <>
        <line x1={from.x} y1={from.y} x2={to.x} y2={to.y} stroke={colour} strokeWidth={wide} {...same} />
        {/* A line of no length is as wide as it is round. */}
        <line
          x1={to.x}
          y1={to.y}
          x2={to.x}
          y2={to.y}
          stroke={colour}
          strokeWidth={end}
          strokeLinecap="round"
          {...same}
        />
      </>
    );
    return (
      <svg className="over" viewBox="0 0 1 1" preserveAspectRatio="none" aria-hidden>
        {drawn(layer.edge, 2, 5)}
        {drawn(layer.colour, 1, 3.5)}
      </svg>
    );
  },
};
const same = { vectorEffect: 'non-scaling-stroke' } as const;
