import { strFromU8, strToU8, unzip, zip } from 'fflate';

/** Bytes that a school's files may hold in all, unpacked. */
const MOST = 20_000_000;

export type Files = Record<string, string>;

/** What was chosen as tables by their names: a .zip as school systems write it, or its .csv files one by one. */
export async function tablesOf(chosen: File[]): Promise<Files> {
  const files: Files = {};
  for (const file of chosen) {
    if (!/\.zip$/i.test(file.name)) files[file.name] = await file.text();
    else Object.assign(files, await unpacked(new Uint8Array(await file.arrayBuffer())));
  }
  return files;
}

const unpacked = (bytes: Uint8Array): Promise<Files> =>
  new Promise((done, failed) => {
    let all = 0;
    unzip(
      bytes,
      { filter: ({ name, originalSize }) => /\.csv$/i.test(name) && (all += originalSize) <= MOST },
      (error, found) =>
        error
          ? failed(error)
          : done(Object.fromEntries(Object.entries(found).map(([name, text]) => [name, strFromU8(text)]))),
    );
  });

/** As one file. */
export const packed = (files: Files): Promise<Blob> =>
  new Promise((done, failed) =>
    zip(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])), (error, bytes) =>
      error ? failed(error) : done(new Blob([new Uint8Array(bytes)], { type: 'application/zip' })),
    ),
  );
