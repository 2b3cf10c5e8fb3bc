import type { Step } from './SoundCount';

/** Elements that hold others (RFC 8794, Matroska of RFC 9559): segment, cluster, block group. They are gone into, not over. */
const HOLDS = new Set([0x18538067, 0x1f43b675, 0xa0]);
/** A block on its own, and one in a group. */
const BLOCKS = new Set([0xa3, 0xa1]);

/** Milliseconds of an Opus frame by its configuration: RFC 6716, table 2. */
function frame(config: number): number {
  if (config < 12) return [10, 20, 40, 60][config % 4] ?? 0;
  if (config < 16) return [10, 20][config % 2] ?? 0;
  return [2.5, 5, 10, 20][config % 4] ?? 0;
}

/** Seconds of an Opus packet by its first two bytes: RFC 6716, section 3.1. */
export function opus(first: number, second: number): number {
  const frames = [1, 2, 2, second & 63][first & 3] ?? 0;
  return (frames * frame(first >> 3)) / 1000;
}

/** How many bytes a number of variable size takes, told by its first one. */
const sizeOf = (first: number) => Math.clz32(first) - 23;

/** A number of variable size without the mark of its size. */
function numberAt(bytes: DataView, at: number, size: number): number {
  let found = bytes.getUint8(at) & (0xff >> size);
  for (let i = 1; i < size; i += 1) found = found * 256 + bytes.getUint8(at + i);
  return found;
}

/** One element of a WebM file of Opus, or only the head of one that holds others. */
export const webm: Step = (bytes, at) => {
  const left = bytes.byteLength - at;
  if (left < 1) return null;
  const name = sizeOf(bytes.getUint8(at));
  if (name > 4) return 'strange';
  if (left < name + 1) return null;
  const length = sizeOf(bytes.getUint8(at + name));
  if (length > 8) return 'strange';
  const inside = at + name + length;
  if (bytes.byteLength < inside) return null;
  let id = 0;
  for (let i = 0; i < name; i += 1) id = id * 256 + bytes.getUint8(at + i);
  if (HOLDS.has(id)) return { next: inside, seconds: 0 };
  const next = inside + numberAt(bytes, at + name, length);
  if (bytes.byteLength < next) return null;
  if (!BLOCKS.has(id)) return { next, seconds: 0 };
  // The track's number, two bytes of time, one of flags; then what was said.
  const said = inside + sizeOf(bytes.getUint8(inside)) + 3;
  return {
    next,
    seconds: next > said ? opus(bytes.getUint8(said), next > said + 1 ? bytes.getUint8(said + 1) : 0) : 0,
  };
};
