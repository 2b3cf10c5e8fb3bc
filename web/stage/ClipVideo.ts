import limits from '../../schema/limits.json';

/** The rate of every prepared clip. */
export const FPS = limits.clipFrames / limits.clip;
/** Frames that it may be away from its clock before it is brought back to it. */
const APART = 1.5;

/** Shows the frames of a prepared clip: exactly the one that is asked for, or one after the other while it plays. */
export class ClipVideo {
  readonly element = document.createElement('video');
  private wanted: number | null = null;

  /** @param shown hears that another frame is there */
  constructor(private readonly shown: () => void = () => undefined) {
    const { element } = this;
    element.muted = true;
    element.playsInline = true;
    element.preload = 'auto';
    element.disablePictureInPicture = true;
    element.setAttribute('aria-hidden', 'true');
    element.tabIndex = -1;
    element.addEventListener('loadeddata', () => this.settle());
    element.addEventListener('seeked', () => this.settle());
    // A place may be said to be reached a little before its frame is there to be drawn.
    const there = () => {
      this.shown();
      element.requestVideoFrameCallback(there);
    };
    if ('requestVideoFrameCallback' in element) element.requestVideoFrameCallback(there);
  }

  get url(): string {
    return this.element.getAttribute('src') ?? '';
  }

  load(url: string): void {
    if (this.url !== url) this.element.src = url;
  }

  /** Stands still on a frame. In the middle of its time there is no doubt which is meant. */
  still(frame: number): void {
    this.rest();
    this.wanted = (Math.floor(frame) + 0.5) / FPS;
    this.seek();
  }

  /** Plays, and is at that frame just now. */
  play(frame: number): void {
    const { element } = this;
    const second = frame / FPS;
    this.wanted = null;
    if (element.readyState === 0 || element.seeking) return;
    if (element.paused) {
      if (Math.abs(element.currentTime - second) > 0.5 / FPS) element.currentTime = second;
      void element.play().catch(() => undefined);
    } else if (Math.abs(element.currentTime - second) > APART / FPS) {
      element.currentTime = second;
    }
  }

  rest(): void {
    if (!this.element.paused) this.element.pause();
  }

  private seek(): void {
    const { element, wanted } = this;
    if (wanted === null || element.readyState === 0 || element.seeking) return;
    if (Math.abs(element.currentTime - wanted) > 1e-4) element.currentTime = wanted;
  }

  private settle(): void {
    this.shown();
    this.seek();
  }
}
