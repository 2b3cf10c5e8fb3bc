import type { PlannedPicture } from '../../api/types';
import { fromTable, progress } from '../plan';
import { image, put, type Performer } from './performer';

const urlOf = (story: string, { asset, name }: PlannedPicture['rendition']): string =>
  `/api/stories/${story}/assets/${asset}/${name}.jpg`;
const share = (part: number) => `${100 * part}%`;

/** A rendition, of which the frames of a move are seen one after the other. */
export const picture: Performer<PlannedPicture> = {
  url: (story, layer) => urlOf(story, layer.rendition),
  make: image,
  show: (element, layer, { story, plan, scene }, frame) => {
    put(element, urlOf(story, layer.rendition));
    const eased = fromTable(plan.ease, progress(scene, frame));
    const at = (name: 'x' | 'y' | 'width' | 'height') =>
      layer.opensOn[name] + (layer.closesOn[name] - layer.opensOn[name]) * eased;
    // The picture is laid out so that its whole width is 1 / width of the stage's.
    element.style.transform = `scale(${1 / at('width')}, ${1 / at('height')}) translate(${-100 * at('x')}%, ${-100 * at('y')}%)`;
  },
  still: ({ story, layer: { rendition, opensOn: frame }, said }) => (
    <img
      src={urlOf(story, {
        ...rendition,
        name: rendition.name.replace('full', 'thumb').replace('whole', 'whole-thumb'),
      })}
      alt={said}
      loading="lazy"
      draggable={false}
      style={{
        left: share(-frame.x / frame.width),
        top: share(-frame.y / frame.height),
        width: share(1 / frame.width),
        height: share(1 / frame.height),
      }}
    />
  ),
};
