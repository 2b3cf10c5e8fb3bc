import { expect, it } from 'vitest';
import all from '../../schema/pictures.json';
import { easyPictures, picturesOf } from '../../web/parts/easyPictures';

it('has a name and a drawing for each picture that cards are made of', () => {
  const known = easyPictures();
  expect(known.map(({ picture }) => picture)).toEqual(all);
  for (const { picture, name, url } of known) {
    expect(name, picture).toMatch(/^[A-Z]/);
    expect(url, picture).not.toBe('');
  }
  expect(new Set(known.map(({ name }) => name)).size).toBe(all.length);
  expect(new Set(known.map(({ url }) => url)).size).toBe(all.length);
  expect(picturesOf('owl key sun').map(({ picture }) => picture)).toEqual(['owl', 'key', 'sun']);
});
