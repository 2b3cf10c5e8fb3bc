import type { PlannedMat } from '../../api/types';
import { valueAt } from '../plan';
import type { Performer } from './performer';

const SVG = 'http://www.w3.org/2000/svg';

/** The corners of a picture in a cell, and a line about it. */
export const mat: Performer<PlannedMat> = {
  url: () => '',
  make: () => {
    const made = document.createElementNS(SVG, 'svg');
    made.setAttribute('preserveAspectRatio', 'none');
    made.style.cssText = 'position:absolute;inset:0;width:100%;height:100%';
    return made;
  },
  show: (element, { width, height, paths, opacity }, { scene }, frame) => {
    element.setAttribute('viewBox', `0 0 ${width} ${height}`);
    element.style.opacity = String(valueAt(opacity, frame - scene.start));
    while (element.children.length > paths.length) element.lastElementChild?.remove();
    for (const [i, { path, colour }] of paths.entries()) {
      const drawn = element.children[i] ?? element.appendChild(document.createElementNS(SVG, 'path'));
      if (drawn.getAttribute('d') !== path) drawn.setAttribute('d', path);
      drawn.setAttribute('fill', colour);
      drawn.setAttribute('fill-rule', 'evenodd');
    }
  },
  still: ({ layer: { width, height, paths } }) => (
    <svg className="over" viewBox={`0 0 ${width} ${height}`} preserveAspectRatio="none" aria-hidden>
      {paths.map(({ path, colour }) => (
        <path key={path} d={path} fill={colour} fillRule="evenodd" />
      ))}
    </svg>
  ),
};
