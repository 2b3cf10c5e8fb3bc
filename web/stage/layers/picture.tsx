import type { PlannedPicture } from '../../api/types';
import { isPlain } from '../../mend/recipe';
import { percent, placed, WHOLE } from '../../parts/boxes';
import { frameAt, opensOn } from '../path';
import { progress, valueAt } from '../plan';
import { boxOf, MovingPart, recipeOfClip } from './clip';
import { image, put, type Performer } from './performer';
import { StripFrame } from './StripFrame';

export const renditionUrl = (story: string, { asset, name }: PlannedPicture['rendition']): string =>
  `/api/stories/${story}/assets/${asset}/${name}.jpg`;
const moving = new WeakMap<Element, MovingPart>();

/** A rendition in its part of the slide, of which the frames of a move are seen one after the other; what moves in it lies over it. */
export const picture: Performer<PlannedPicture> = {
  url: (story, layer) => renditionUrl(story, layer.rendition),
  make: () => {
    const part = document.createElement('div');
    part.style.cssText = 'position:absolute;inset:0;overflow:hidden';
    const moved = document.createElement('div');
    moved.style.cssText = 'position:absolute;inset:0;transform-origin:0 0;will-change:transform';
    moved.append(image());
    part.append(moved);
    return part;
  },
  show: (element, layer, { story, plan, scene, plays }, frame) => {
    const moved = element.firstElementChild as HTMLElement;
    const { box } = layer;
    element.style.clipPath = box
      ? `inset(${percent(box.y)} ${percent(1 - box.x - box.width)} ${percent(1 - box.y - box.height)} ${percent(box.x)})`
      : 'none';
    element.style.opacity = String(layer.opacity ? valueAt(layer.opacity, frame - scene.start) : 1);
    if (moved.firstElementChild) put(moved.firstElementChild, renditionUrl(story, layer.rendition));
    const seen = frameAt(layer.path, plan.ease, progress(scene, frame));
    const { x, y, width, height } = box ?? WHOLE;
    // The picture is laid out so that its whole width is 1 / width of its part's; a part that were laid out itself would lie on whole
    // pixels only.
    const lies = box ? `translate(${percent(x)}, ${percent(y)}) ` : '';
    moved.style.transform = `${lies}scale(${width / seen.width}, ${height / seen.height}) translate(${-100 * seen.x}%, ${-100 * seen.y}%)`;
    let part = moving.get(element);
    if (!layer.clip) {
      part?.remove();
      moving.delete(element);
      return;
    }
    if (!part) moving.set(element, (part = new MovingPart(moved)));
    part.show(story, layer.rendition.asset, layer.clip, frame - scene.start, plays);
  },
  rest: (element) => moving.get(element)?.rest(),
  still: ({ story, layer, said }) => {
    const { rendition, clip } = layer;
    const frame = opensOn(layer);
    const inPart = placed({
      x: -frame.x / frame.width,
      y: -frame.y / frame.height,
      width: 1 / frame.width,
      height: 1 / frame.height,
    });
    const name = rendition.name.replace('full', 'thumb').replace('whole', 'whole-thumb');
    return (
      <span className="part" style={placed(layer.box ?? WHOLE)}>
        <img
          src={renditionUrl(story, { ...rendition, name })}
          alt={said}
          loading="lazy"
          draggable={false}
          style={inPart}
        />
        {/* A mended clip is stood for by the one frame that is mended. */}
        {clip && isPlain(recipeOfClip(clip)) && (
          <span style={inPart}>
            <span style={{ position: 'absolute', overflow: 'hidden', ...boxOf(clip) }}>
              <StripFrame story={story} asset={rendition.asset} clip={clip} frame={clip.from} />
            </span>
          </span>
        )}
        {clip && <span className="moves" aria-hidden />}
      </span>
    );
  },
};
