import type { PlannedWords } from '../../api/types';
import { valueAt } from '../plan';
import { image, put, type Performer } from './performer';

const urlOf = (story: string, hash: string): string => `/api/stories/${story}/words/${hash}.png`;

/** Words as the film draws them. */
export const words: Performer<PlannedWords> = {
  url: (story, layer) => urlOf(story, layer.hash),
  make: image,
  show: (element, layer, { story, scene }, frame) => {
    put(element, urlOf(story, layer.hash));
    element.style.opacity = String(valueAt(layer.opacity, frame - scene.start));
  },
  still: ({ story, layer, said }) => (
    <img className="over" src={urlOf(story, layer.hash)} alt={said} loading="lazy" draggable={false} />
  ),
};
