import type { PlannedBackdrop } from '../../api/types';
import { placed } from '../../parts/boxes';
import { valueAt } from '../plan';
import { image, put, type Performer } from './performer';
import { renditionUrl } from './picture';

/** Where all of the picture lies, so that its frame lies over the slide. */
const lies = ({ frame }: PlannedBackdrop) =>
  placed({ x: -frame.x / frame.width, y: -frame.y / frame.height, width: 1 / frame.width, height: 1 / frame.height });

/** The picture on the ground of a slide: the ground is seen through it. */
export const backdrop: Performer<PlannedBackdrop> = {
  url: (story, layer) => renditionUrl(story, layer.rendition),
  make: image,
  show: (element, layer, { story, scene }, frame) => {
    put(element, renditionUrl(story, layer.rendition));
    Object.assign(element.style, lies(layer), { opacity: valueAt(layer.opacity, frame - scene.start) });
  },
  still: ({ story, layer }) => (
    <img
      src={renditionUrl(story, { ...layer.rendition, name: layer.rendition.name.replace('full', 'thumb') })}
      style={{ ...lies(layer), opacity: valueAt(layer.opacity, 0) }}
      alt=""
      loading="lazy"
      draggable={false}
    />
  ),
};
