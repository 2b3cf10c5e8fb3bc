import type { Step } from './SoundCount';

/** Boxes that hold others (ISO/IEC 14496-12): they are gone into, not over. */
const HOLDS = new Set(['moov', 'trak', 'mdia', 'mvex', 'moof', 'traf']);

/** Whether a flag of a box is set, and how many bytes of optional fields the flags before it stand for. */
const flags = (bytes: DataView, inside: number) => bytes.getUint32(inside) & 0xffffff;
const fields = (of: number, ...each: [flag: number, size: number][]) =>
  each.reduce((sum, [flag, size]) => sum + (of & flag ? size : 0), 0);

/** An MP4 file in fragments, box by box: how long its samples last stands in its heads. */
export function mp4(): Step {
  let timescale = 0;
  /** How long a sample lasts where nothing else is said: in all of the track, in this fragment. */
  let track = 0;
  let fragment = 0;
  /** Of what was told of, and is not there yet. */
  let told = 0;

  /** A run of samples: each says how long it lasts, or none does. */
  const run = (bytes: DataView, inside: number): number => {
    const of = flags(bytes, inside);
    const count = bytes.getUint32(inside + 4);
    if (!(of & 0x100)) return count * (fragment || track);
    const size = fields(of, [0x100, 4], [0x200, 4], [0x400, 4], [0x800, 4]);
    const first = inside + 8 + fields(of, [0x1, 4], [0x4, 4]);
    let sum = 0;
    for (let i = 0; i < count; i += 1) sum += bytes.getUint32(first + i * size);
    return sum;
  };

  return (bytes, at) => {
    if (bytes.byteLength - at < 16) return null;
    const short = bytes.getUint32(at);
    const isLong = short === 1;
    const length = isLong ? Number(bytes.getBigUint64(at + 8)) : short;
    const inside = at + (isLong ? 16 : 8);
    const next = at + length;
    const name = String.fromCharCode(...[4, 5, 6, 7].map((i) => bytes.getUint8(at + i)));
    if (next < inside || !/^[\w ]{4}$/.test(name)) return 'strange';
    if (HOLDS.has(name)) return { next: inside, seconds: 0 };
    if (bytes.byteLength < next) return null;
    if (name === 'mdhd') timescale = bytes.getUint32(inside + (bytes.getUint8(inside) === 1 ? 20 : 12));
    else if (name === 'trex') track = bytes.getUint32(inside + 12);
    else if (name === 'tfhd') {
      const of = flags(bytes, inside);
      fragment = of & 0x8 ? bytes.getUint32(inside + 8 + fields(of, [0x1, 8], [0x2, 4])) : 0;
    } else if (name === 'trun') told += run(bytes, inside);
    else if (name === 'mdat' && timescale > 0) {
      const seconds = told / timescale;
      told = 0;
      return { next, seconds };
    }
    return { next, seconds: 0 };
  };
}
