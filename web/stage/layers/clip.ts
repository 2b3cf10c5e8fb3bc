import { answer, api } from '../../api/client';
import type { PlannedPicture } from '../../api/types';
import { drawFrame } from '../../mend/draw';
import { isPlain, PLAIN, type Recipe } from '../../mend/recipe';
import type { Levels } from '../../mend/tables';
import { placed } from '../../parts/boxes';
import { ClipVideo } from '../ClipVideo';

export type PlannedClip = NonNullable<PlannedPicture['clip']>;
export const clipUrl = (story: string, asset: string): string => `/api/stories/${story}/assets/${asset}/clip.mp4`;
export const recipeOfClip = ({ recipe }: PlannedClip): Recipe => ({ ...PLAIN, ...recipe });
/** The frame of a clip that is seen at one of its scene (core/Layer/Picture/PlannedClip, held by the golden performance). */
export const frameSeen = ({ from, to, at = 0 }: PlannedClip, frame: number): number =>
  Math.max(from, Math.min(to - 1, from + frame - at));
/** Where it lies in its rendition. */
export const boxOf = ({ box }: PlannedClip) => placed(box);

/** What moves in a picture: lies on what stands for it until its own frames are there. */
export class MovingPart {
  private readonly box = document.createElement('div');
  private readonly canvas = document.createElement('canvas');
  private readonly video = new ClipVideo(() => this.draw());
  private recipe: Recipe = PLAIN;
  private levels: { asset: string; known?: Levels } = { asset: '' };

  constructor(into: Element) {
    this.box.style.cssText = 'position:absolute;overflow:hidden';
    for (const part of [this.video.element, this.canvas]) {
      part.style.cssText = 'position:absolute;inset:0;width:100%;height:100%;object-fit:fill';
      this.box.append(part);
    }
    into.append(this.box);
  }

  /** @param frame of the scene, counted from its start */
  show(story: string, asset: string, clip: PlannedClip, frame: number, plays: boolean): void {
    Object.assign(this.box.style, boxOf(clip));
    this.recipe = recipeOfClip(clip);
    const isAsItCame = isPlain(this.recipe);
    this.canvas.style.display = isAsItCame ? 'none' : '';
    // Not hidden: what is hidden may be told of no new frame.
    this.video.element.style.opacity = isAsItCame ? '1' : '0';
    if (this.recipe.clear) this.fetchLevels(story, asset);
    this.video.load(clipUrl(story, asset));
    const at = frameSeen(clip, frame);
    // What begins later stands still until then.
    if (plays && frame >= (clip.at ?? 0) && at < clip.to - 1) this.video.play(at);
    else this.video.still(at);
    // What is done to it may be another than before, on the very same frame.
    this.draw();
  }

  rest(): void {
    this.video.rest();
  }

  remove(): void {
    this.rest();
    this.box.remove();
  }

  private draw(): void {
    if (!isPlain(this.recipe)) drawFrame(this.canvas, this.video.element, this.recipe, this.levels.known);
  }

  private fetchLevels(story: string, asset: string): void {
    if (this.levels.asset === asset) return;
    this.levels = { asset };
    const of = this.levels;
    void answer(api.GET('/api/stories/{id}/assets/{asset}/levels.json', { params: { path: { id: story, asset } } }))
      .then((known) => {
        of.known = known;
        this.draw();
      })
      .catch(() => undefined);
  }
}
