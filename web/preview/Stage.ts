import type { Plan, PlannedSlide } from '../api/types';

interface Layer {
  box: HTMLDivElement;
  picture: HTMLImageElement;
  words: HTMLImageElement;
  shown: string;
}

/** Shows one frame of a plan: the prepared pictures by their framings, the drawn words, two slides at once in a join. */
export class Stage {
  private readonly layers: [Layer, Layer];
  /** The colour that a join goes through. */
  private readonly veil: HTMLDivElement;
  private readonly ahead = new Map<string, HTMLImageElement>();

  constructor(
    private readonly root: HTMLDivElement,
    private readonly story: string,
  ) {
    this.layers = [this.layer(), this.layer()];
    this.veil = document.createElement('div');
    this.veil.style.cssText = 'position:absolute;inset:0;visibility:hidden;z-index:1';
    this.root.append(this.veil);
  }

  destroy(): void {
    this.root.replaceChildren();
  }

  show(plan: Plan, frame: number): void {
    const index = slideAt(plan, frame);
    const slide = plan.slides[index];
    if (!slide) {
      for (const layer of this.layers) layer.box.style.visibility = 'hidden';
      return;
    }
    const before = plan.slides[index - 1];
    const joined = frame - slide.start;
    const joining = before !== undefined && joined < slide.joinIn;
    // Each slide keeps its own layer, even or odd, so that a join does not load anything anew.
    const over = this.layers[index % 2] as Layer;
    const under = this.layers[(index + 1) % 2] as Layer;
    this.draw(plan, over, slide, frame);
    this.join(over, joining ? before.join : null, joining ? joined / slide.joinIn : 1);
    over.box.style.zIndex = '2';
    over.box.style.visibility = 'visible';
    under.box.style.zIndex = '0';
    if (joining) {
      this.draw(plan, under, before, frame);
      under.box.style.opacity = '1';
      under.box.style.visibility = 'visible';
    } else {
      under.box.style.visibility = 'hidden';
    }
    this.fetchAhead(plan, index);
  }

  /** How far the next slide has come in: its weight at every point as the plan's join tells it. */
  private join(over: Layer, join: PlannedSlide['join'] | null, progress: number): void {
    const { style } = over.box;
    style.opacity = '1';
    style.maskImage = 'none';
    this.veil.style.visibility = 'hidden';
    if (join === null) return;
    if (join.colour !== null) {
      this.veil.style.visibility = 'visible';
      this.veil.style.backgroundColor = join.colour;
      this.veil.style.opacity = String(Math.min(1, 2 * progress));
      style.opacity = String(Math.max(0, 2 * progress - 1));
    } else if (join.toward !== null) {
      const front = progress * (1 + join.soft);
      style.maskImage = `linear-gradient(to ${join.toward}, #000 ${100 * (front - join.soft)}%, transparent ${100 * front}%)`;
    } else {
      style.opacity = String(progress);
    }
  }

  private draw(plan: Plan, layer: Layer, slide: PlannedSlide, frame: number): void {
    const picture = this.pictureUrl(slide);
    const words = this.wordsUrl(slide);
    const key = `${picture}|${words}`;
    if (layer.shown !== key) {
      layer.shown = key;
      layer.box.style.backgroundColor = slide.image.colour;
      put(layer.picture, picture);
      put(layer.words, words);
    }
    if (picture === '') return;
    const seen = slide.end + slide.join.frames - slide.start;
    const eased = ease(plan.ease, (frame - slide.start) / Math.max(1, seen - 1));
    const at = (name: 'x' | 'y' | 'width' | 'height') =>
      slide.opensOn[name] + (slide.closesOn[name] - slide.opensOn[name]) * eased;
    // The picture is laid out so that its whole width is 1 / width of the stage's.
    layer.picture.style.transform = `scale(${1 / at('width')}, ${1 / at('height')}) translate(${-100 * at('x')}%, ${-100 * at('y')}%)`;
  }

  private fetchAhead(plan: Plan, index: number): void {
    for (const slide of plan.slides.slice(index + 1, index + 3)) {
      for (const url of [this.pictureUrl(slide), this.wordsUrl(slide)]) {
        if (url !== '' && !this.ahead.has(url)) {
          const image = new Image();
          image.src = url;
          this.ahead.set(url, image);
        }
      }
    }
  }

  private pictureUrl(slide: PlannedSlide): string {
    return slide.image.picture === null
      ? ''
      : `/api/stories/${this.story}/pictures/${slide.image.picture}/${slide.image.rendition}.jpg`;
  }

  private wordsUrl(slide: PlannedSlide): string {
    return slide.words === '' ? '' : `/api/stories/${this.story}/words/${slide.words}.png`;
  }

  private layer(): Layer {
    const box = document.createElement('div');
    box.style.cssText = 'position:absolute;inset:0;overflow:hidden;visibility:hidden';
    const image = () => {
      const made = document.createElement('img');
      made.alt = '';
      made.draggable = false;
      made.style.cssText =
        'position:absolute;inset:0;width:100%;height:100%;max-width:none;transform-origin:0 0;will-change:transform';
      box.append(made);
      return made;
    };
    const layer: Layer = { box, picture: image(), words: image(), shown: '' };
    this.root.append(box);
    return layer;
  }
}

function put(image: HTMLImageElement, url: string): void {
  image.style.display = url === '' ? 'none' : 'block';
  if (url !== '') image.src = url;
}

/** The plan's own table of the eased way, between its points a straight line. */
function ease(table: number[], t: number): number {
  const place = Math.max(0, Math.min(1, t)) * (table.length - 1);
  const low = Math.floor(place);
  const a = table[low] ?? 0;
  const b = table[Math.min(low + 1, table.length - 1)] ?? 1;
  return a + (b - a) * (place - low);
}

export function slideAt(plan: Plan, frame: number): number {
  const index = plan.slides.findIndex((slide) => frame < slide.end);
  return index === -1 ? plan.slides.length - 1 : index;
}
