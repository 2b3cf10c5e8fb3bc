import type { PlannedIcon } from '../../api/types';
import { placed } from '../../parts/boxes';
import { valueAt } from '../plan';
import type { Performer } from './performer';

const GROUND = 24;
const SVG = 'http://www.w3.org/2000/svg';
const lies = ({ box, turn = 0 }: PlannedIcon) => ({ ...placed(box), transform: `rotate(${turn}deg)` });

/** Where a drawing of the set is had, in its own colours or in three of a style. */
export const iconUrl = (name: string, tint?: PlannedIcon['tint']): string => {
  const colours = tint
    ? `?${new URLSearchParams(Object.entries(tint).map(([part, hex]) => [part, hex.slice(1)]))}`
    : '';
  return `/api/icons/${name}.svg${colours}`;
};

/** What it shows that is no path: a picture of the story's own, or a drawing of the set. */
const urlOf = (story: string, { path, name = '', tint, asset, file = '' }: PlannedIcon): string => {
  if (asset) return `/api/stories/${story}/assets/${asset}/${file}`;
  return path ? '' : iconUrl(name, tint);
};

function show(part: HTMLElement, story: string, layer: PlannedIcon): void {
  const { path, colour = '' } = layer;
  const url = urlOf(story, layer);
  const key = path ? `${path} ${colour}` : url;
  if (part.dataset['drawn'] === key) return;
  part.dataset['drawn'] = key;
  if (!path) {
    const image = document.createElement('img');
    image.alt = '';
    image.draggable = false;
    image.src = url;
    image.style.cssText = 'width:100%;height:100%;display:block';
    part.replaceChildren(image);
    return;
  }
  const sign = document.createElementNS(SVG, 'svg');
  sign.setAttribute('viewBox', `0 0 ${GROUND} ${GROUND}`);
  sign.setAttribute('preserveAspectRatio', 'none');
  sign.style.cssText = 'width:100%;height:100%;display:block';
  const drawn = document.createElementNS(SVG, 'path');
  drawn.setAttribute('d', path);
  drawn.setAttribute('fill', colour);
  drawn.setAttribute('fill-rule', 'evenodd');
  sign.append(drawn);
  part.replaceChildren(sign);
}

/** A path filled with a colour, or a drawing of the set, in its box. */
export const icon: Performer<PlannedIcon> = {
  url: urlOf,
  make: () => {
    const made = document.createElement('div');
    made.style.position = 'absolute';
    return made;
  },
  show: (element, layer, { story, scene }, frame) => {
    show(element as HTMLElement, story, layer);
    Object.assign(element.style, lies(layer), { opacity: String(valueAt(layer.opacity, frame - scene.start)) });
  },
  still: ({ story, layer }) =>
    layer.path ? (
      <svg viewBox={`0 0 ${GROUND} ${GROUND}`} preserveAspectRatio="none" style={lies(layer)} aria-hidden>
        <path d={layer.path} fill={layer.colour} fillRule="evenodd" />
      </svg>
    ) : (
      <img src={urlOf(story, layer)} alt="" loading="lazy" draggable={false} style={lies(layer)} />
    ),
};
