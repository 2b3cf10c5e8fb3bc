import type { PlannedPicture } from '../../api/types';
import { isPlain } from '../../mend/recipe';
import { frameAt, opensOn } from '../path';
import { progress } from '../plan';
import { boxOf, MovingPart, recipeOfClip } from './clip';
import { image, put, type Performer } from './performer';
import { StripFrame } from './StripFrame';

const urlOf = (story: string, { asset, name }: PlannedPicture['rendition']): string =>
  `/api/stories/${story}/assets/${asset}/${name}.jpg`;
const share = (part: number) => `${100 * part}%`;
const moving = new WeakMap<Element, MovingPart>();

/** A rendition, of which the frames of a move are seen one after the other; what moves in it lies over it. */
export const picture: Performer<PlannedPicture> = {
  url: (story, layer) => urlOf(story, layer.rendition),
  make: () => {
    const made = document.createElement('div');
    made.style.cssText = 'position:absolute;inset:0;transform-origin:0 0;will-change:transform';
    made.append(image());
    return made;
  },
  show: (element, layer, { story, plan, scene, plays }, frame) => {
    if (element.firstElementChild) put(element.firstElementChild, urlOf(story, layer.rendition));
    const seen = frameAt(layer.path, plan.ease, progress(scene, frame));
    // The picture is laid out so that its whole width is 1 / width of the stage's.
    element.style.transform = `scale(${1 / seen.width}, ${1 / seen.height}) translate(${-100 * seen.x}%, ${-100 * seen.y}%)`;
    let part = moving.get(element);
    if (!layer.clip) {
      part?.remove();
      moving.delete(element);
      return;
    }
    if (!part) moving.set(element, (part = new MovingPart(element)));
    part.show(story, layer.rendition.asset, layer.clip, frame - scene.start, plays);
  },
  rest: (element) => moving.get(element)?.rest(),
  still: ({ story, layer, said }) => {
    const { rendition, clip } = layer;
    const frame = opensOn(layer);
    const placed = {
      left: share(-frame.x / frame.width),
      top: share(-frame.y / frame.height),
      width: share(1 / frame.width),
      height: share(1 / frame.height),
    };
    const name = rendition.name.replace('full', 'thumb').replace('whole', 'whole-thumb');
    return (
      <>
        <img src={urlOf(story, { ...rendition, name })} alt={said} loading="lazy" draggable={false} style={placed} />
        {/* A mended clip is stood for by the one frame that is mended. */}
        {clip && isPlain(recipeOfClip(clip)) && (
          <div style={placed}>
            <span style={{ position: 'absolute', overflow: 'hidden', ...boxOf(clip) }}>
              <StripFrame story={story} asset={rendition.asset} clip={clip} frame={clip.from} />
            </span>
          </div>
        )}
        {clip && <span className="moves" aria-hidden />}
      </>
    );
  },
};
