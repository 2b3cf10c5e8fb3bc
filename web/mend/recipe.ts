import limits from '../../schema/limits.json';
import type { PictureLayer } from '../api/types';
import type { Box } from '../parts/boxes';
import type { Look } from './tables';

/** What is done to a picture, all of it told. */
export interface Recipe {
  turn: 0 | 90 | 180 | 270;
  straighten: number;
  crop: Box | null;
  clear: boolean;
  light: number;
  contrast: number;
  warmth: number;
  colour: number;
  look: Look | null;
  strength: number;
  /** Marks in the picture as it came, in which a red eye is mended. */
  eyes: Box[];
}

export const PLAIN: Recipe = {
  turn: 0,
  straighten: 0,
  crop: null,
  clear: false,
  light: 0,
  contrast: 0,
  warmth: 0,
  colour: 0,
  look: null,
  strength: limits.tone,
  eyes: [],
};
/** What may be done to other pictures alike: where they are cropped is each one's own. */
const SHARED = ['clear', 'light', 'contrast', 'warmth', 'colour', 'look', 'strength'] as const;

export const recipeOf = (layer: PictureLayer | undefined): Recipe => ({ ...PLAIN, ...layer?.recipe }) as Recipe;
export const isPlain = (recipe: Recipe): boolean => JSON.stringify({ ...PLAIN, ...recipe }) === JSON.stringify(PLAIN);
export const shared = (recipe: Recipe): Partial<Recipe> =>
  Object.fromEntries(SHARED.map((key) => [key, recipe[key]])) as Partial<Recipe>;

/** The same part of a picture when that is turned clockwise. */
export function turnedBox(box: Box, by: Recipe['turn']): Box {
  const { x, y, width, height } = box;
  switch (by) {
    case 90:
      return { x: 1 - y - height, y: x, width: height, height: width };
    case 180:
      return { x: 1 - x - width, y: 1 - y - height, width, height };
    case 270:
      return { x: y, y: 1 - x - width, width: height, height: width };
    default:
      return box;
  }
}

/** Turned by a quarter more, to the right or to the left, what is kept of it with it. */
export const turned = ({ turn, crop }: Recipe, by: 90 | 270): Pick<Recipe, 'turn' | 'crop'> => ({
  turn: ((turn + by) % 360) as Recipe['turn'],
  crop: crop && turnedBox(crop, by),
});

/** The share of each side that is kept when a picture is straightened (core/Picture/Recipe::inside). */
export function inside(ratio: number, degrees: number): number {
  const angle = (Math.abs(degrees) * Math.PI) / 180;
  return 1 / Math.max(Math.cos(angle) + Math.sin(angle) / ratio, Math.cos(angle) + ratio * Math.sin(angle));
}

/** Width over height of an upright picture when it is turned. */
export const turnedRatio = (ratio: number, turn: number): number => (turn % 180 === 0 ? ratio : 1 / ratio);
