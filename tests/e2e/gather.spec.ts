import { zipSync } from 'fflate';
import { copyFileSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { folder } from './support/files';
import { signIn } from './support/people';
import { order, rows, saved } from './support/sheet';
import { type Page, expect, test } from './support/test';

const picture = (name: string) => readFileSync(`demo/pictures/${name}.jpg`);

/** What the browser hands over when files are pasted. */
const carried = (page: Page, files: [name: string, from: string][]) =>
  page.evaluateHandle(
    (all) => {
      const transfer = new DataTransfer();
      for (const [name, base64] of all) {
        const bytes = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));
        transfer.items.add(new File([bytes], name, { type: 'image/jpeg' }));
      }
      return transfer;
    },
    files.map(([name, from]) => [name, picture(from).toString('base64')] as const),
  );

/** A story of one's own with three pictures. */
async function begin(page: Page, title: string) {
  await page.getByRole('button', { name: 'Begin a story', exact: true }).click();
  await page.getByLabel('What is it called?').fill(title);
  await page.keyboard.press('Enter');
  await expect(rows(page)).toHaveCount(1);
  await page.locator('input[type=file]').first().setInputFiles(folder().files.slice(0, 3));
  await expect(rows(page)).toHaveCount(4, { timeout: 60_000 });
  await saved(page);
}

test('pictures are dropped between two slides, pasted behind the chosen one, and unpacked', async ({ page }) => {
  await signIn(page, 'oskar');
  await begin(page, 'Down at the lock');
  expect(await order(page)).toEqual(['title', '1 dawn.jpg', '2 low water.jpg', '10 wheel.jpg']);

  // Two at once, in the order of their names, on the line between two rows: as a file manager drops them.
  const at = mkdtempSync(join(tmpdir(), 'dropped-'));
  copyFileSync('demo/pictures/moon-and-tide.jpg', join(at, 'b.jpg'));
  copyFileSync('demo/pictures/heron-in-the-reeds.jpg', join(at, 'a.jpg'));
  const box = await rows(page).nth(2).boundingBox();
  const browser = await page.context().newCDPSession(page);
  const drag = (type: 'dragEnter' | 'dragOver' | 'drop') =>
    browser.send('Input.dispatchDragEvent', {
      type,
      x: (box?.x ?? 0) + 300,
      y: (box?.y ?? 0) + 2,
      data: { items: [], files: [join(at, 'b.jpg'), join(at, 'a.jpg')], dragOperationsMask: 1 },
    });
  await drag('dragEnter');
  await drag('dragOver');
  await expect(page.locator('.react-aria-DropIndicator[data-drop-target]')).toHaveCount(1);
  await drag('drop');
  await expect(rows(page)).toHaveCount(6, { timeout: 60_000 });
  expect(await order(page)).toEqual(['title', '1 dawn.jpg', 'a.jpg', 'b.jpg', '2 low water.jpg', '10 wheel.jpg']);

  // Pasted: behind what is chosen. Words that are pasted into words stay words.
  await rows(page).nth(1).locator('strong').first().click();
  const paste = async (files: [string, string][], within: string) =>
    page
      .locator(within)
      .first()
      .evaluate(
        (element, clipboardData) =>
          element.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true })),
        await carried(page, files),
      );
  await paste([['pasted.jpg', 'old-postcard']], '[role=grid]');
  await expect(rows(page)).toHaveCount(7, { timeout: 60_000 });
  expect((await order(page)).slice(0, 4)).toEqual(['title', '1 dawn.jpg', 'pasted.jpg', 'a.jpg']);

  // An archive, by the same button as the pictures.
  const archive = zipSync({
    lock: { '2 gates.jpg': picture('gates-of-the-mill-pond'), '1 stair.jpg': picture('the-millers-stair') },
    '.DS_Store': new Uint8Array(9),
  });
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles({ name: 'lock.zip', mimeType: 'application/zip', buffer: Buffer.from(archive) });
  await expect(rows(page)).toHaveCount(9, { timeout: 60_000 });
  expect((await order(page)).slice(-2)).toEqual(['1 stair.jpg', '2 gates.jpg']);

  // One that is no archive is a sentence, and the rest goes on.
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles({ name: 'broken.zip', mimeType: 'application/zip', buffer: Buffer.from('PK no more') });
  await expect(page.getByText('This file is not a picture that can be read.')).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Leave it out' }).click();
  await expect(rows(page)).toHaveCount(9);
});

test(
  'what a file says that it shows is offered as words, and written with one press',
  { tag: '@deep' },
  async ({ page }) => {
    await signIn(page, 'oskar');
    await begin(page, 'Described');
    const jpeg = picture('low-water');
    const xmp =
      'http://ns.adobe.com/xap/1.0/\0<x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">' +
      '<rdf:Description xmlns:dc="http://purl.org/dc/elements/1.1/"><dc:description>Boats at rest</dc:description></rdf:Description></rdf:RDF></x:xmpmeta>';
    const head = Buffer.from([0xff, 0xe1, (xmp.length + 2) >> 8, (xmp.length + 2) & 255]);
    const buffer = Buffer.concat([jpeg.subarray(0, 2), head, Buffer.from(xmp, 'latin1'), jpeg.subarray(2)]);
    await page
      .locator('input[type=file]')
      .first()
      .setInputFiles([{ name: 'boats.jpg', mimeType: 'image/jpeg', buffer }]);
    await expect(rows(page)).toHaveCount(5, { timeout: 60_000 });
    const offer = page.getByRole('button', { name: 'Write what the file says: “Boats at rest”' });
    await expect(offer).toHaveCount(1);
    await offer.click();
    await expect(page.getByLabel('Caption on slide 5', { exact: true })).toHaveValue('Boats at rest');
    await expect(offer).toBeHidden();
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await offer.focus();
    await page.keyboard.press('Enter');
    await expect(page.getByLabel('Caption on slide 5', { exact: true })).toHaveValue('Boats at rest');
    await saved(page);
  },
);

test('another picture takes the place of one, and its words and voice stay', async ({ page }) => {
  await signIn(page, 'oskar');
  await begin(page, 'Another look at it');
  await page.getByLabel('Caption on slide 2').fill('The gates close by themselves.');
  await page.getByLabel('Script of slide 2').fill('And nobody has to push them.');
  await saved(page);
  await rows(page).nth(1).locator('strong').first().click();
  const settings = page.getByRole('region', { name: 'The chosen slides' });
  await settings.getByRole('button', { name: 'Turn right' }).click();
  await saved(page);
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    settings.getByRole('button', { name: 'Take another picture' }).click(),
  ]);
  await chooser.setFiles({ name: 'gates.jpg', mimeType: 'image/jpeg', buffer: picture('gates-of-the-mill-pond') });
  await expect
    .poll(() => order(page), { timeout: 60_000 })
    .toEqual(['title', 'gates.jpg', '2 low water.jpg', '10 wheel.jpg']);
  await expect(page.getByLabel('Caption on slide 2')).toHaveValue('The gates close by themselves.');
  await expect(page.getByLabel('Script of slide 2')).toHaveValue('And nobody has to push them.');

  // One that the story has already is shown again; what is no picture changes nothing; undone, the first is back.
  // The last of the two that the panel has: the first adds one beside.
  await settings
    .locator('input[type=file]')
    .last()
    .setInputFiles({
      name: 'once more.jpg',
      mimeType: 'image/jpeg',
      buffer: readFileSync('demo/pictures/the-great-wheel.jpg'),
    });
  await expect
    .poll(() => order(page), { timeout: 60_000 })
    .toEqual(['title', '10 wheel.jpg', '2 low water.jpg', '10 wheel.jpg']);
  await settings
    .locator('input[type=file]')
    .last()
    .setInputFiles({ name: 'words.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('Only words.') });
  await expect(page.getByText('words.jpg: This file is not a picture that can be read.')).toBeVisible({
    timeout: 60_000,
  });
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => order(page)).toEqual(['title', '1 dawn.jpg', '2 low water.jpg', '10 wheel.jpg']);
  await page.getByRole('button', { name: 'Undo' }).click();
  await saved(page);
});

test(
  'a picture is taken with the camera, by mouse and by keyboard, and what is wrong with it is said',
  { tag: '@deep' },
  async ({ page }) => {
    await signIn(page, 'oskar');
    await begin(page, 'What we saw');
    await rows(page).nth(1).locator('strong').first().click();
    await page.getByRole('button', { name: 'Take a picture' }).click();
    const dialog = page.getByRole('dialog', { name: 'Take a picture' });
    await expect(dialog.getByRole('button', { name: 'Take it', exact: true })).toBeEnabled();
    await dialog.getByRole('button', { name: 'Take it', exact: true }).click();
    await expect(dialog.getByAltText('The picture that was taken')).toBeVisible();
    await dialog.getByRole('button', { name: 'Take it again' }).click();
    await dialog.getByRole('button', { name: 'Take it', exact: true }).click();
    await dialog.getByRole('button', { name: 'Use it' }).click();
    await expect(dialog).toBeHidden();
    await expect(rows(page)).toHaveCount(5, { timeout: 60_000 });
    expect((await order(page))[2]).toMatch(/^Picture \d{4}-\d\d-\d\d \d\d\.\d\d\.\d\d\.jpg$/);

    // By keyboard, and with nobody listening any more when it is closed.
    await page.getByRole('button', { name: 'Take a picture' }).focus();
    await page.keyboard.press('Enter');
    await expect(dialog.getByRole('button', { name: 'Take it', exact: true })).toBeFocused();
    await page.keyboard.press('Space');
    await expect(dialog.getByRole('button', { name: 'Use it' })).toBeFocused();
    await page.keyboard.press('Enter');
    await expect(rows(page)).toHaveCount(6, { timeout: 60_000 });
    await page.getByRole('button', { name: 'Take a picture' }).click();
    await expect(dialog.getByRole('button', { name: 'Take it', exact: true })).toBeEnabled();
    const track = await dialog
      .locator('video')
      .evaluateHandle((video: HTMLVideoElement) => (video.srcObject as MediaStream).getVideoTracks()[0]);
    await dialog.getByRole('button', { name: 'Not now' }).click();
    await expect.poll(() => track.evaluate((one) => one?.readyState)).toBe('ended');

    for (const [name, said] of [
      ['NotAllowedError', /not allowed to use the camera/],
      ['NotFoundError', /There is no camera/],
      ['NotReadableError', /Another program is using the camera/],
      ['TypeError', /cannot be used in this browser/],
    ] as const) {
      await page.evaluate((kind) => {
        navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('', kind));
      }, name);
      await page.getByRole('button', { name: 'Take a picture' }).click();
      await expect(dialog.getByRole('alert')).toHaveText(said);
      await dialog.getByRole('button', { name: 'Try again' }).click();
      await expect(dialog.getByRole('alert')).toHaveText(said);
      await page.keyboard.press('Escape');
      await expect(dialog).toBeHidden();
    }
    await saved(page);
  },
);
