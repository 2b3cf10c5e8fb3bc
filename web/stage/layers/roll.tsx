import type { PlannedRoll } from '../../api/types';
import { percent } from '../../parts/boxes';
import { valueAt } from '../plan';
import { image, put, type Performer } from './performer';
import { wordsUrl } from './words';

/** Where its upper edge lies at a frame of the scene, in shares of its own height. */
const moved = ({ slides, top }: PlannedRoll, frame: number) => percent(valueAt(top, frame) / slides);

/** Credits that pass over the slide. */
export const roll: Performer<PlannedRoll> = {
  url: (story, layer) => wordsUrl(story, layer.hash),
  make: image,
  show: (element, layer, { story, scene }, frame) => {
    put(element, wordsUrl(story, layer.hash));
    element.style.height = percent(layer.slides);
    element.style.opacity = String(valueAt(layer.opacity, frame - scene.start));
    element.style.transform = `translateY(${moved(layer, frame - scene.start)})`;
  },
  // As they come to rest.
  still: ({ story, layer, said }) => (
    <img
      className="over"
      src={wordsUrl(story, layer.hash)}
      style={{ height: percent(layer.slides), transform: `translateY(${moved(layer, layer.top.at(-1)?.frame ?? 0)})` }}
      alt={said}
      loading="lazy"
      draggable={false}
    />
  ),
};
