import type { Plan, PlannedLayer, Scene } from '../api/types';
import { performerOf } from './layers';
import { sceneAt } from './plan';
import { weigh } from './weigh';

/** One scene on the stage: its ground, and an element for each of its layers. */
class Board {
  readonly box = document.createElement('div');
  private shown: Scene | null = null;
  private elements: [PlannedLayer, Element & ElementCSSInlineStyle][] = [];

  constructor(
    root: HTMLElement,
    private readonly story: string,
  ) {
    this.box.style.cssText = 'position:absolute;inset:0;overflow:hidden;visibility:hidden';
    root.append(this.box);
  }

  show(plan: Plan, scene: Scene, frame: number, plays: boolean, hidden?: string): void {
    if (this.shown !== scene) this.lay(scene);
    for (const [layer, element] of this.elements) {
      element.style.visibility = layer.id === hidden ? 'hidden' : 'inherit';
      performerOf(layer).show(element, layer, { story: this.story, plan, scene, plays }, frame);
    }
  }

  /** It is hidden: nothing in it goes on. */
  rest(): void {
    this.box.style.visibility = 'hidden';
    for (const [layer, element] of this.elements) performerOf(layer).rest?.(element);
  }

  /** A scene with something that moves is laid before it is seen, so that it is there at once. */
  ready(plan: Plan, scene: Scene | undefined): void {
    const moves = scene?.layers.some((layer) => layer.kind === 'picture' && layer.clip);
    if (scene && moves && this.shown !== scene) this.show(plan, scene, scene.start, false);
  }

  /** Elements of the same kind stay: what is shown already does not flicker when a plan changes. */
  private lay(scene: Scene): void {
    const old = this.elements;
    this.elements = scene.layers.map((layer, i) => {
      const there = old[i];
      if (there && there[0].kind === layer.kind) return [layer, there[1]];
      there?.[1].remove();
      const element = performerOf(layer).make();
      this.box.insertBefore(element, this.box.children[i] ?? null);
      return [layer, element];
    });
    for (const [, element] of old.slice(scene.layers.length)) element.remove();
    this.box.style.backgroundColor = scene.ground;
    this.shown = scene;
  }
}

/** Shows one frame of a plan: the layers of its scene, two scenes at once in a transition. */
export class Stage {
  private readonly boards: [Board, Board];
  /** The colour that a transition goes through. */
  private readonly veil: HTMLDivElement;
  private readonly ahead = new Map<string, HTMLImageElement>();

  constructor(
    private readonly root: HTMLDivElement,
    private readonly story: string,
  ) {
    this.boards = [new Board(root, story), new Board(root, story)];
    this.veil = document.createElement('div');
    this.veil.style.cssText = 'position:absolute;inset:0;visibility:hidden;z-index:1';
    this.root.append(this.veil);
  }

  destroy(): void {
    for (const board of this.boards) board.rest();
    this.root.replaceChildren();
  }

  /**
   * @param plays  whether time goes on by itself
   * @param hidden a layer of the scene that is not shown: it is in somebody's hand
   */
  show(plan: Plan, frame: number, plays = false, hidden?: string): void {
    const index = sceneAt(plan, frame);
    const scene = plan.scenes[index];
    if (!scene) {
      for (const board of this.boards) board.rest();
      return;
    }
    const before = plan.scenes[index - 1];
    const since = frame - scene.start;
    const comesIn = before !== undefined && since < scene.comesIn;
    // Each scene keeps its own board, even or odd, so that a transition does not load anything anew.
    const over = this.boards[index % 2] as Board;
    const under = this.boards[(index + 1) % 2] as Board;
    over.show(plan, scene, frame, plays, hidden);
    weigh(over.box.style, this.veil.style, comesIn ? before.transition : null, comesIn ? since / scene.comesIn : 1);
    over.box.style.zIndex = '2';
    over.box.style.visibility = 'visible';
    under.box.style.zIndex = '0';
    if (comesIn) {
      under.show(plan, before, frame, plays);
      under.box.style.opacity = '1';
      under.box.style.visibility = 'visible';
    } else {
      under.rest();
      under.ready(plan, plan.scenes[index + 1]);
    }
    this.fetchAhead(plan, index);
  }

  private fetchAhead(plan: Plan, index: number): void {
    for (const scene of plan.scenes.slice(index + 1, index + 3)) {
      for (const layer of scene.layers) {
        const url = performerOf(layer).url(this.story, layer);
        if (url !== '' && !this.ahead.has(url)) {
          const image = new Image();
          image.src = url;
          this.ahead.set(url, image);
        }
      }
    }
  }
}
