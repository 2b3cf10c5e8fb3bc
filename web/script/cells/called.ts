import type { Layer, StoryDocument } from '../../api/types';
import { say } from '../../messages/say';
import { assetOf } from '../../story/slides';

/** What something on a slide is called. */
export function calledIn(story: StoryDocument, layer: Layer): string {
  if (layer.kind === 'picture') return assetOf(story, layer.asset, 'picture')?.file ?? '';
  if (layer.kind === 'words') return layer.text || say('cells.words');
  return say('cells.icon');
}
