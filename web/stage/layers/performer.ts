import type { Plan, PlannedLayer, Scene } from '../../api/types';

/** What a layer is performed with. */
export interface Setting {
  story: string;
  plan: Plan;
  scene: Scene;
}

/** Performs one kind of layer as it is planned, in an element of its own. */
export interface Performer<L extends PlannedLayer = PlannedLayer> {
  /** The file that it shows; empty where it needs none. */
  url: (story: string, layer: L) => string;
  make: () => HTMLElement;
  /** Shows the layer as it is at a frame of the film, which may lie between two. */
  show: (element: HTMLElement, layer: L, setting: Setting, frame: number) => void;
}

/** A picture that lies over the whole stage. */
export function image(): HTMLImageElement {
  const made = document.createElement('img');
  made.alt = '';
  made.draggable = false;
  made.style.cssText =
    'position:absolute;inset:0;width:100%;height:100%;max-width:none;transform-origin:0 0;will-change:transform';
  return made;
}

export function put(element: HTMLElement, url: string): void {
  // Asked for once: setting the same address again would fetch it again.
  if (element.dataset.url === url) return;
  element.dataset.url = url;
  (element as HTMLImageElement).src = url;
}
