import { zipSync } from 'fflate';
import type { DropItem } from 'react-aria-components';
import { describe, expect, it } from 'vitest';
import { gatherDropped, gatherFiles } from '../../web/assets/gather';

const bytes = (text: string) => new TextEncoder().encode(text) as Uint8Array<ArrayBuffer>;
const file = (name: string, text = name): File => new File([bytes(text)], name);
const dropped = (name: string): DropItem => ({
  kind: 'file',
  name,
  type: '',
  getFile: () => Promise.resolve(file(name)),
  getText: () => Promise.resolve(''),
});
const folder = (name: string, entries: DropItem[]): DropItem => ({
  kind: 'directory',
  name,
  async *getEntries() {
    for (const entry of entries) if (entry.kind !== 'text') yield await Promise.resolve(entry);
  },
});
const names = (files: File[]) => files.map(({ name }) => name);

describe('what people have lying about', () => {
  it('comes in the natural order of names', async () => {
    expect(names(await gatherFiles(['10 wheel.jpg', '2 pond.jpg', '1 dawn.JPG'].map((name) => file(name))))).toEqual([
      '1 dawn.JPG',
      '2 pond.jpg',
      '10 wheel.jpg',
    ]);
  });

  it('is found in folders within folders, each after the other, without what systems write for themselves', async () => {
    const got = await gatherDropped([
      folder('trip', [
        dropped('2.jpg'),
        dropped('.DS_Store'),
        folder('10 evening', [dropped('1.jpg')]),
        folder('3 noon', [dropped('9.jpg'), dropped('Thumbs.db')]),
      ]),
      { kind: 'text', types: new Set(['text/plain']), getText: () => Promise.resolve('no file') },
    ]);
    expect(names(got)).toEqual(['2.jpg', '9.jpg', '1.jpg']);
  });

  it('is unpacked, whole and in order', async () => {
    const long = 'x'.repeat(300_000);
    const archive = new File(
      [
        zipSync({
          'my pictures': { '10.jpg': bytes('ten'), '9.jpg': [bytes(long), { level: 0 }] },
          '__MACOSX/my pictures/._9.jpg': bytes('fork'),
          'Größe.png': bytes('g'),
        }) as Uint8Array<ArrayBuffer>,
      ],
      'pictures.zip',
    );
    const got = await gatherFiles([archive, file('11.jpg')]);
    expect(names(got)).toEqual(['11.jpg', 'Größe.png', '9.jpg', '10.jpg']);
    expect(await got[2]?.text()).toBe(long);
    expect(await got[3]?.text()).toBe('ten');
  });

  it('is read as far as it goes, and what is no archive at all stays what it is, to be refused as such', async () => {
    const whole = zipSync({ '1.jpg': bytes('one'), '2.jpg': bytes('x'.repeat(5000)) });
    const broken = (part: Uint8Array) => gatherFiles([new File([part as Uint8Array<ArrayBuffer>], 'broken.zip')]);
    const cut = await broken(whole.slice(0, 90));
    expect(names(cut)).toEqual(['broken.zip', '1.jpg']);
    expect(await cut[1]?.text()).toBe('one');
    expect(names(await broken(whole.slice(0, 20)))).toEqual(['broken.zip']);
    expect(names(await broken(bytes('no archive at all')))).toEqual(['broken.zip']);
    expect(names(await broken(new Uint8Array()))).toEqual(['broken.zip']);
  });
});
