import type { PlannedPointing } from '../../api/types';
import { WHOLE } from '../../parts/boxes';
import { frameAt, heldIn, seenIn } from '../path';
import { progress, valueAt } from '../plan';
import { around, drawingOf } from '../pointers';
import type { Performer } from './performer';

/** What somebody pointed with while they spoke: a drawing whose middle goes where it was moved. */
export const pointing: Performer<PlannedPointing> = {
  url: () => '',
  make: () => {
    const made = document.createElement('img');
    made.alt = '';
    made.draggable = false;
    made.style.cssText = 'position:absolute;pointer-events:none';
    return made;
  },
  show: (element, layer, { plan, scene }, frame) => {
    const image = element as HTMLImageElement;
    const pointer = plan.pointers[layer.form];
    if (image.dataset['form'] !== layer.form) image.src = drawingOf(pointer);
    image.dataset['form'] = layer.form;
    const at = frame - scene.start;
    const box = layer.box ?? WHOLE;
    const given = { x: valueAt(layer.x, at), y: valueAt(layer.y, at) };
    const place = layer.path
      ? heldIn(seenIn(given, frameAt(layer.path, plan.ease, progress(scene, frame)), box), box)
      : given;
    Object.assign(image.style, around(pointer, place), { opacity: String(valueAt(layer.opacity, at)) });
  },
  // A slide is not shown by where somebody pointed on it.
  still: () => null,
};
