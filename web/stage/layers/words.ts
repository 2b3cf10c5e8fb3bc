import type { PlannedWords } from '../../api/types';
import { valueAt } from '../plan';
import { image, put, type Performer } from './performer';

export const wordsUrl = (story: string, hash: string): string => `/api/stories/${story}/words/${hash}.png`;

/** Words as the film draws them. */
export const words: Performer<PlannedWords> = {
  url: (story, layer) => wordsUrl(story, layer.hash),
  make: image,
  show: (element, layer, { story, scene }, frame) => {
    put(element, wordsUrl(story, layer.hash));
    element.style.opacity = String(valueAt(layer.opacity, frame - scene.start));
  },
};
