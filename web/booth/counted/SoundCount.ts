import { mp4 } from './mp4';
import { webm } from './webm';

/**
 * From one place to the next in a recording: how many seconds lie between; null where it is not there as a whole yet, 'strange'
 * where it is not what it should be.
 */
export type Step = (bytes: DataView, at: number) => { next: number; seconds: number } | 'strange' | null;

/**
 * How much sound a recording holds, counted in it, part by part. A clock does not know: a machine that is too busy loses some of
 * it, and tells late of what it has.
 */
export class SoundCount {
  /** Seconds that are there as a whole. */
  seconds = 0;
  private rest = new Uint8Array();
  private step: Step | null = null;
  /** It cannot be counted: nothing is claimed of what follows. */
  private isStrange = false;

  /** @returns seconds so far, with this part */
  add(part: ArrayBuffer): number {
    if (this.isStrange) return this.seconds;
    const bytes = new Uint8Array(this.rest.length + part.byteLength);
    bytes.set(this.rest);
    bytes.set(new Uint8Array(part), this.rest.length);
    if (bytes.length === 0) return 0;
    // A WebM file begins with the name of EBML's head.
    this.step ??= bytes[0] === 0x1a ? webm : mp4();
    const view = new DataView(bytes.buffer);
    let at = 0;
    for (let found = this.step(view, at); found !== null; found = this.step(view, at)) {
      if (found === 'strange') {
        this.isStrange = true;
        break;
      }
      at = found.next;
      this.seconds += found.seconds;
    }
    this.rest = bytes.slice(at);
    return this.seconds;
  }
}
