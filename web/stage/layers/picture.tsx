import type { PlannedPicture } from '../../api/types';
import { frameAt, opensOn } from '../path';
import { progress } from '../plan';
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
    const seen = frameAt(layer.path, plan.ease, progress(scene, frame));
    // The picture is laid out so that its whole width is 1 / width of the stage's.
    element.style.transform = `scale(${1 / seen.width}, ${1 / seen.height}) translate(${-100 * seen.x}%, ${-100 * seen.y}%)`;
  },
  still: ({ story, layer, said }) => {
    const { rendition } = layer;
    const frame = opensOn(layer);
    return (
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
    );
  },
};
