import type { Stroke } from '../../api/types';
import limits from '../../../schema/limits.json';
import type { Point } from '../../stage/path';

/** Milliseconds between two places that are noted, at least. */
const OFTEN = 30;

/** What is pointed at, and with what. */
export interface At {
  over?: string;
  point: Point;
}

/** Notes down where a pointer is while somebody speaks: from when it comes to when it goes, as the hand moved it. */
export class Noting {
  readonly strokes: Stroke[] = [];
  private open: Stroke | null = null;
  private last: number[] = [];
  private often = OFTEN;

  /** It is there now. @param ms milliseconds of what is recorded, or heard */
  put(ms: number, form: Stroke['form'], { over, point }: At): void {
    const at = Math.max(0, Math.round(ms), this.last[0] ?? 0);
    const place: number[] = [at, point.x, point.y];
    if (!this.open || this.open.over !== over || this.open.form !== form) {
      this.lift(at);
      this.open = { form, ...(over === undefined ? {} : { over }), points: [place] };
      this.strokes.push(this.open);
    } else if (at - (this.open.points.at(-1)?.[0] ?? 0) >= this.often) {
      this.open.points.push(place);
      this.fewer();
    }
    this.last = place;
  }

  /** It goes: until now it was where it was last. */
  lift(ms: number): void {
    const [at = 0, x = 0, y = 0] = this.last;
    const until = Math.max(Math.round(ms), at);
    if (this.open && until > (this.open.points.at(-1)?.[0] ?? 0)) this.open.points.push([until, x, y]);
    this.open = null;
  }

  /** What has just come was not meant to point. */
  takeBack(): void {
    if (this.open) this.strokes.splice(this.strokes.indexOf(this.open), 1);
    this.open = null;
  }

  /** Of a very long recording every other place is as good. */
  private fewer(): void {
    if (this.strokes.reduce((all, { points }) => all + points.length, 0) < limits.points - limits.strokes) return;
    this.often *= 2;
    for (const stroke of this.strokes) {
      const { length } = stroke.points;
      stroke.points = stroke.points.filter((_, i) => i % 2 === 0 || i === length - 1);
    }
  }
}
