import type { ReactNode } from 'react';
import type { Plan, PlannedLayer, Scene } from '../../api/types';

/** What a layer is performed with. */
export interface Setting {
  story: string;
  plan: Plan;
  scene: Scene;
  /** Whether time goes on by itself. */
  plays: boolean;
}

/** Performs one kind of layer as it is planned. */
export interface Performer<L extends PlannedLayer = PlannedLayer> {
  /** The file that it shows; empty where it needs none. */
  url: (story: string, layer: L) => string;
  make: () => Element & ElementCSSInlineStyle;
  /** Shows the layer as it is at a frame of the film, which may lie between two. */
  show: (element: Element & ElementCSSInlineStyle, layer: L, setting: Setting, frame: number) => void;
  /** It is seen no more for now; left out where nothing of it goes on. */
  rest?: (element: Element & ElementCSSInlineStyle) => void;
  /** The layer as the film opens on it, small; `said` is what it is called to who cannot see it. */
  still: (props: { story: string; layer: L; said: string }) => ReactNode;
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

/** Setting the same address again would fetch it again. */
export function put(element: Element, url: string): void {
  if (element.getAttribute('data-url') === url) return;
  element.setAttribute('data-url', url);
  (element as HTMLImageElement).src = url;
}
