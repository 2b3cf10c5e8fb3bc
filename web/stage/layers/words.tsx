import type { PlannedWords } from '../../api/types';
import { percent } from '../../parts/boxes';
import { valueAt } from '../plan';
import { image, put, type Performer } from './performer';

/** Where the drawing of words is had. */
export const wordsUrl = (story: string, hash: string): string => `/api/stories/${story}/words/${hash}.png`;
const clamp = (share: number) => Math.max(0, Math.min(1, share));
/** Where a part of so large a share begins, as a background's position counts it. */
const position = (from: number, size: number) => percent(size < 1 ? from / (1 - size) : 0);

type Reveal = NonNullable<PlannedWords['reveal']>;

/** Each line is seen as far as it is written. */
function write(style: CSSStyleDeclaration, { soft, written, bands }: Reveal, since: number): void {
  const now = valueAt(written, since);
  style.maskRepeat = 'no-repeat';
  style.maskImage = bands
    .map(({ leftward, from, to }) => {
      const front = clamp((now - from) / Math.max(1e-6, to - from)) * (1 + soft);
      return `linear-gradient(to ${leftward ? 'left' : 'right'}, #000 ${percent(front - soft)}, transparent ${percent(front)})`;
    })
    .join(', ');
  style.maskSize = bands.map(({ box }) => `${percent(box.width)} ${percent(box.height)}`).join(', ');
  style.maskPosition = bands
    .map(({ box }) => `${position(box.x, box.width)} ${position(box.y, box.height)}`)
    .join(', ');
}

/** Words as the film draws them; while they come, as far as they have come. */
export const words: Performer<PlannedWords> = {
  url: (story, layer) => wordsUrl(story, layer.hash),
  make: image,
  show: (element, layer, { story, scene }, frame) => {
    const since = frame - scene.start;
    const { style } = element;
    put(element, wordsUrl(story, layer.hash));
    style.opacity = String(valueAt(layer.opacity, since));
    const lowered = layer.rise ? layer.rise.by * valueAt(layer.rise.left, since) : 0;
    style.transform = `translateY(${percent(lowered)})`;
    style.clipPath =
      lowered > 0 ? `inset(0 0 ${percent(Math.max(0, 1 - layer.box.y - layer.box.height + lowered))} 0)` : 'none';
    // What is all written needs no mask: the browser has less to do.
    if (layer.reveal && valueAt(layer.reveal.written, since) < 1) write(style, layer.reveal, since);
    else style.maskImage = 'none';
  },
  // What lies over the same words while they are said is not seen by itself.
  still: ({ story, layer, said }) =>
    layer.lit ? null : (
      <img className="over" src={wordsUrl(story, layer.hash)} alt={said} loading="lazy" draggable={false} />
    ),
};
