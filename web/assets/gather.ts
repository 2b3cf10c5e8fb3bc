import type { DropItem } from 'react-aria-components';
import limits from '../../schema/limits.json';
import { isClip } from './kinds';

/** What people have lying about, brought to files in the order of their names: files, folders with folders in them, a .zip. */

/** In one go; what is beyond it is left where it is. */
const MOST_FILES = 500;

interface Found {
  path: string;
  file: File;
}

/** Folders and archives carry what their system wrote for itself. */
const isHidden = (path: string): boolean => /(^|\/)(\.|__MACOSX\/|Thumbs\.db$|desktop\.ini$)/i.test(path);
const isArchive = (file: File): boolean => /\.zip$/i.test(file.name) || file.type === 'application/zip';

/** Natural order of names, folder by folder: 2 before 10. */
const order = new Intl.Collator(undefined, { numeric: true, sensitivity: 'base' });

/** @param files as they were chosen, dropped or pasted */
export const gatherFiles = (files: Iterable<File>): Promise<File[]> =>
  inOrder([...files].map((file) => ({ path: file.webkitRelativePath || file.name, file })));

/** @param items as they were dropped; what is no file is left out */
export async function gatherDropped(items: Iterable<DropItem>): Promise<File[]> {
  const found: Found[] = [];
  const take = async (item: DropItem, folder: string): Promise<void> => {
    if (found.length >= MOST_FILES || item.kind === 'text') return;
    const path = folder + item.name;
    if (item.kind === 'file') found.push({ path, file: await item.getFile() });
    else for await (const entry of item.getEntries()) await take(entry, `${path}/`);
  };
  for (const item of items) await take(item, '');
  return inOrder(found);
}

async function inOrder(found: Found[]): Promise<File[]> {
  const unpacked = await Promise.all(
    found.filter(({ path }) => !isHidden(path)).map(async (one) => (isArchive(one.file) ? unpack(one) : [one])),
  );
  return unpacked
    .flat()
    .sort((a, b) => order.compare(a.path, b.path))
    .slice(0, MOST_FILES)
    .map(({ file }) => file);
}

/** The files of an archive (ZIP, as PKWARE's APPNOTE has it), read as it streams by. One that is broken gives what it can, and is refused itself. */
async function unpack({ path, file }: Found): Promise<Found[]> {
  const { Unzip, UnzipInflate } = await import('fflate');
  const found: Found[] = [];
  const archive = new Unzip();
  let broken = false;
  archive.register(UnzipInflate);
  archive.onfile = (entry) => {
    if (entry.name.endsWith('/') || isHidden(entry.name) || found.length >= MOST_FILES) return;
    const parts: Uint8Array<ArrayBuffer>[] = [];
    const most = isClip({ name: entry.name }) ? limits.clipBytes : limits.pictureBytes;
    let bytes = 0;
    entry.ondata = (problem, part, isLast) => {
      if (problem) broken = true;
      // One that is too large is told to be so by its size: no more of it is unpacked.
      else if (bytes <= most) parts.push(part.slice());
      bytes += part?.length ?? 0;
      const name = entry.name.split('/').at(-1) ?? entry.name;
      if (isLast && !problem) found.push({ path: `${path}/${entry.name}`, file: new File(parts, name) });
    };
    entry.start();
  };
  try {
    const reader = file.stream().getReader();
    for (let read = await reader.read(); !read.done; read = await reader.read()) archive.push(read.value);
    archive.push(new Uint8Array(), true);
  } catch {
    broken = true;
  }
  return broken || found.length === 0 ? [...found, { path, file }] : found;
}
