import type { Scene } from '../api/types';

/**
 * How far the next scene has come in: its weight at every point as the plan's transition tells it.
 *
 * @param style    of what shows the next scene, over the one before it
 * @param veil     of what lies between the two, in the colour that a transition goes through
 * @param progress 0 to 1
 */
export function weigh(
  style: CSSStyleDeclaration,
  veil: CSSStyleDeclaration,
  transition: Scene['transition'] | null,
  progress: number,
): void {
  style.opacity = '1';
  style.maskImage = 'none';
  veil.visibility = 'hidden';
  if (transition === null) return;
  if (transition.colour !== null) {
    veil.visibility = 'visible';
    veil.backgroundColor = transition.colour;
    veil.opacity = String(Math.min(1, 2 * progress));
    style.opacity = String(Math.max(0, 2 * progress - 1));
  } else if (transition.toward !== null) {
    const front = progress * (1 + transition.soft);
    style.maskImage = `linear-gradient(to ${transition.toward}, #000 ${100 * (front - transition.soft)}%, transparent ${100 * front}%)`;
  } else {
    style.opacity = String(progress);
  }
}
