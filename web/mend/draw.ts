import { WHOLE } from '../parts/boxes';
import { withoutRedEyes } from './redEye';
import { inside, isPlain, turnedRatio, type Recipe } from './recipe';
import { colour, tablesOf, type Levels } from './tables';

/** What is drawn: the picture as it came, and what is done to it. */
export interface Drawn {
  picture: ImageBitmap;
  recipe: Recipe;
  levels: Levels | undefined;
  /** All of it is shown, with what the crop leaves out. */
  isWhole: boolean;
}

interface Size {
  width: number;
  height: number;
}

/** Width over height of what is drawn. */
export function ratioOf({ picture, recipe, isWhole }: { picture: Size; recipe: Recipe; isWhole: boolean }): number {
  const crop = isWhole ? WHOLE : (recipe.crop ?? WHOLE);
  return (turnedRatio(picture.width / picture.height, recipe.turn) * crop.width) / crop.height;
}

/**
 * Draws a picture as its recipe says. What it looks like without its colours is kept, so that a slider of light needs nothing but
 * arithmetic.
 */
export class Drawing {
  private of: { canvas: HTMLCanvasElement; picture: ImageBitmap; shape: string; plain: ImageData } | null = null;

  /** @param canvas may be another than before, where the picture was away meanwhile */
  draw(canvas: HTMLCanvasElement, drawn: Drawn, width: number): void {
    const height = Math.max(1, Math.round(width / ratioOf(drawn)));
    const context = canvas.getContext('2d', { willReadFrequently: true });
    if (!context) return;
    const { turn, straighten, crop, eyes } = drawn.recipe;
    const shape = JSON.stringify([width, height, turn, straighten, drawn.isWhole ? null : crop, eyes]);
    // Another may have drawn on it in another size.
    if (canvas.width !== width || canvas.height !== height) [canvas.width, canvas.height] = [width, height];
    if (this.of?.canvas !== canvas || this.of.picture !== drawn.picture || this.of.shape !== shape) {
      const { width: wide, height: high } = drawn.picture;
      const image = withoutRedEyes(drawn.picture, eyes);
      place(context, { image, width: wide, height: high }, drawn.recipe, drawn.isWhole, width, height);
      this.of = { canvas, picture: drawn.picture, shape, plain: context.getImageData(0, 0, width, height) };
    }
    const made = context.createImageData(width, height);
    colour(this.of.plain.data, tablesOf(drawn.recipe, drawn.levels), made.data as Uint8ClampedArray<ArrayBuffer>);
    context.putImageData(made, 0, 0);
  }
}

/** Draws a frame of a film as its recipe says; nothing of it is kept. Red eyes are for pictures. */
export function drawFrame(canvas: HTMLCanvasElement, film: HTMLVideoElement, recipe: Recipe, levels?: Levels): void {
  const picture = { image: film, width: film.videoWidth, height: film.videoHeight };
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context || picture.width === 0) return;
  const turned = recipe.turn % 180 === 0 ? picture.width : picture.height;
  const width = Math.round(turned * (recipe.crop?.width ?? 1));
  const height = Math.max(1, Math.round(width / ratioOf({ picture, recipe, isWhole: false })));
  if (canvas.width !== width || canvas.height !== height) [canvas.width, canvas.height] = [width, height];
  place(context, picture, recipe, false, width, height);
  if (isPlain({ ...recipe, turn: 0, straighten: 0, crop: null, eyes: [] })) return;
  const plain = context.getImageData(0, 0, width, height);
  colour(plain.data, tablesOf(recipe, levels), plain.data as Uint8ClampedArray<ArrayBuffer>);
  context.putImageData(plain, 0, 0);
}

/** Turned about its middle, so large that what is kept fills the canvas. */
function place(
  context: CanvasRenderingContext2D,
  picture: Size & { image: CanvasImageSource },
  recipe: Recipe,
  isWhole: boolean,
  width: number,
  height: number,
): void {
  const crop = isWhole ? WHOLE : (recipe.crop ?? WHOLE);
  const ratio = turnedRatio(picture.width / picture.height, recipe.turn);
  // Pixels of the canvas that the whole picture would take, turned by its quarters.
  const across = width / crop.width / inside(ratio, recipe.straighten);
  const sideways = recipe.turn % 180 !== 0;
  const scale = across / (sideways ? picture.height : picture.width);
  context.clearRect(0, 0, width, height);
  context.save();
  context.imageSmoothingQuality = 'high';
  context.translate(width * ((0.5 - crop.x) / crop.width), height * ((0.5 - crop.y) / crop.height));
  context.rotate(((recipe.turn + recipe.straighten) * Math.PI) / 180);
  context.scale(scale, scale);
  context.drawImage(picture.image, -picture.width / 2, -picture.height / 2);
  context.restore();
}
