import type { PlannedLayer } from '../../api/types';
import { backdrop } from './backdrop';
import { drift } from './drift';
import { icon } from './icon';
import { mat } from './mat';
import type { Performer } from './performer';
import { picture } from './picture';
import { pointer } from './pointer';
import { pointing } from './pointing';
import { roll } from './roll';
import { words } from './words';

/** The performer of each kind of layer. */
const performers: { [K in PlannedLayer['kind']]: Performer<Extract<PlannedLayer, { kind: K }>> } = {
  picture,
  words,
  icon,
  pointer,
  pointing,
  mat,
  drift,
  backdrop,
  roll,
};

/** Its performer and the layer are of one kind. */
export const performerOf = (layer: PlannedLayer): Performer => performers[layer.kind] as unknown as Performer;
