import type { PlannedIcon } from '../../api/types';
import { valueAt } from '../plan';
import type { Performer } from './performer';

const GROUND = 24;
const SVG = 'http://www.w3.org/2000/svg';
const share = (part: number) => `${100 * part}%`;
const placed = ({ x, y, width, height }: PlannedIcon['box']) => ({
  left: share(x),
  top: share(y),
  width: share(width),
  height: share(height),
});

/** A path filled with a colour, in its box. */
export const icon: Performer<PlannedIcon> = {
  url: () => '',
  make: () => {
    const made = document.createElementNS(SVG, 'svg');
    made.setAttribute('viewBox', `0 0 ${GROUND} ${GROUND}`);
    made.setAttribute('preserveAspectRatio', 'none');
    made.style.position = 'absolute';
    made.append(document.createElementNS(SVG, 'path'));
    return made;
  },
  show: (element, { path, colour, box, opacity }, { scene }, frame) => {
    const drawn = element.firstElementChild;
    drawn?.setAttribute('d', path);
    drawn?.setAttribute('fill', colour);
    drawn?.setAttribute('fill-rule', 'evenodd');
    Object.assign(element.style, placed(box), { opacity: String(valueAt(opacity, frame - scene.start)) });
  },
  still: ({ layer: { path, colour, box } }) => (
    <svg viewBox={`0 0 ${GROUND} ${GROUND}`} preserveAspectRatio="none" style={placed(box)} aria-hidden>
      <path d={path} fill={colour} fillRule="evenodd" />
    </svg>
  ),
};
