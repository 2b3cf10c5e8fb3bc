import { saved } from './support/sheet';
import { begin, view } from './support/story';
import { type Page, expect, test } from './support/test';

const slides = (page: Page) => page.getByRole('grid', { name: 'Slides' }).getByRole('row');
const bar = (page: Page) => page.getByRole('group', { name: 'What is done with the chosen slides' });
const named = async (page: Page) => {
  const { story } = await view(page);
  return story.slides.map((s: { layers: { asset?: string }[] }) => {
    const asset = s.layers.find((layer) => layer.asset)?.asset;
    return asset ? story.assets[asset].file : 'title';
  });
};
const far = (page: Page) => page.getByText('All slides', { exact: true }).click();

test('all slides from far: arranged by mouse, and opened', async ({ page }) => {
  await begin(page, 'ivo', 'Ferns and towers');
  await far(page);
  await expect(slides(page)).toHaveCount(4);
  await expect(page).toHaveURL(/from=all/);

  // The last before the second, and it shows before the server has answered.
  await page.route('**/edits', async (route) => {
    await new Promise((done) => setTimeout(done, 1500));
    await route.continue();
  });
  await slides(page)
    .nth(3)
    .dragTo(slides(page).nth(1), { targetPosition: { x: 4, y: 60 } });
  await expect(slides(page).nth(1)).toHaveAttribute('aria-label', /stamp/, { timeout: 1000 });
  await saved(page);
  await page.unroute('**/edits');
  expect(await named(page)).toEqual(['title', '3 stamp.jpg', '1 fern.jpg', '2 tower.png']);

  // Without a network it shows too, and is saved when there is one again.
  await page.context().setOffline(true);
  await slides(page).nth(1).click();
  for (const place of [2, 3]) {
    await bar(page).getByRole('button', { name: 'Later' }).click();
    await expect(slides(page).nth(place)).toHaveAttribute('aria-label', /stamp/);
  }
  await page.keyboard.press('Delete');
  await expect(slides(page)).toHaveCount(3);
  await expect(bar(page).getByText('Drag slides to put them in order.')).toBeVisible();
  await page.context().setOffline(false);
  await saved(page);
  expect(await named(page)).toEqual(['title', '1 fern.jpg', '2 tower.png']);
  for (const count of [4, 4, 4]) {
    await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
    await expect(slides(page)).toHaveCount(count);
    await saved(page);
  }
  expect(await named(page)).toEqual(['title', '3 stamp.jpg', '1 fern.jpg', '2 tower.png']);

  // Several: one by one with Ctrl, a row with Shift, all by Ctrl+A, a sweep over the ground.
  await slides(page).nth(1).click();
  await slides(page)
    .nth(3)
    .click({ modifiers: ['ControlOrMeta'] });
  await expect(bar(page).getByRole('status')).toHaveText('2 slides are chosen');
  await bar(page).getByRole('button', { name: 'Earlier' }).click();
  await saved(page);
  expect(await named(page)).toEqual(['3 stamp.jpg', '2 tower.png', 'title', '1 fern.jpg']);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await saved(page);
  await slides(page).nth(0).click();
  await slides(page)
    .nth(2)
    .click({ modifiers: ['Shift'] });
  await expect(bar(page).getByRole('status')).toHaveText('3 slides are chosen');
  await page.keyboard.press('ControlOrMeta+a');
  await expect(bar(page).getByRole('status')).toHaveText('4 slides are chosen');
  const ground = await page.getByRole('grid', { name: 'Slides' }).boundingBox();
  const last = await slides(page).nth(3).boundingBox();
  if (!ground || !last) throw new Error('there is no sheet');
  const sweep = async (to: number) => {
    await page.mouse.move(ground.x + ground.width - 30, ground.y + ground.height - 40);
    await page.mouse.down();
    await page.mouse.move(to, last.y + last.height / 2, { steps: 6 });
    await page.mouse.up();
  };
  await sweep(last.x - 30);
  await expect(bar(page).getByRole('status')).toHaveText('2 slides are chosen');
  await page.mouse.click(ground.x + ground.width - 30, ground.y + ground.height - 40);
  await expect(bar(page).getByText('Drag slides to put them in order.')).toBeVisible();

  // Three sizes, kept; and one is opened by pressing it twice.
  const wide = last.width;
  await page.getByText('Small', { exact: true }).click();
  await expect.poll(async () => (await slides(page).nth(3).boundingBox())?.width).toBeLessThan(wide);
  await page.reload();
  await expect(page.getByRole('radio', { name: 'Small' })).toBeChecked();
  await page.getByText('Large', { exact: true }).click();
  await expect.poll(async () => (await slides(page).nth(3).boundingBox())?.width).toBeGreaterThan(wide);
  await page.getByText('Medium', { exact: true }).click();
  await slides(page).nth(2).dblclick();
  await expect(page.getByLabel('Script of slide 3', { exact: true })).toBeInViewport();
  await expect(page.getByRole('row').nth(2)).toHaveAttribute('aria-selected', 'true');

  // There and back by a press: what is chosen stays so.
  await far(page);
  await expect(bar(page).getByRole('status')).toHaveText('Slide 3 is chosen');
  await page.getByRole('radiogroup', { name: 'From how far' }).getByText('Script', { exact: true }).click();
  await expect(page.getByLabel('Script of slide 3', { exact: true })).toBeInViewport();
});

test('all slides from far, by keyboard: chosen, moved, copied, cut, pasted here and elsewhere, deleted and back', async ({
  page,
}) => {
  await begin(page, 'ivo', 'By the keys alone');
  const first = page.url();
  await page.keyboard.press('Alt+a');
  await expect(slides(page)).toHaveCount(4);
  await slides(page).first().focus();
  await page.keyboard.press('ArrowRight');
  await expect(slides(page).nth(1)).toBeFocused();
  await page.keyboard.press('Alt+ArrowDown');
  await saved(page);
  expect(await named(page)).toEqual(['title', '2 tower.png', '1 fern.jpg', '3 stamp.jpg']);
  await page.keyboard.press('ControlOrMeta+c');
  await expect(page.getByText('The slide is copied. Paste it here or in another story.')).toBeVisible();
  await page.keyboard.press('ControlOrMeta+v');
  await expect(slides(page)).toHaveCount(5);
  await expect(bar(page).getByRole('status')).toHaveText('Slide 4 is chosen');
  await page.keyboard.press('ControlOrMeta+x');
  await expect(slides(page)).toHaveCount(4);
  await page.keyboard.press('ControlOrMeta+z');
  await expect(slides(page)).toHaveCount(5);
  await page.keyboard.press('Alt+c');
  await expect(slides(page)).toHaveCount(6);
  await saved(page);

  // Into another story: the picture comes along, and stays when the first is deleted.
  await page.goto('/');
  await page.getByRole('button', { name: 'Begin a story' }).click();
  await page.getByLabel('What is it called?').fill('Elsewhere');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Title on slide 1', { exact: true })).toBeVisible();
  await page.keyboard.press('Alt+a');
  await expect(slides(page)).toHaveCount(1);
  await bar(page).getByRole('button', { name: 'Paste' }).click();
  await expect(slides(page)).toHaveCount(2);
  await expect(slides(page).nth(1).getByRole('img').first()).toBeVisible();
  expect(await named(page)).toEqual(['title', '1 fern.jpg']);
  await page.request.delete(first.replace(/.*stories\/([^/?]+).*/, '/api/stories/$1'), {
    headers: { 'X-Rhapsode': '1' },
  });
  await page.reload();
  await expect
    .poll(() =>
      slides(page)
        .nth(1)
        .locator('img')
        .first()
        .evaluate((image: HTMLImageElement) => image.naturalWidth),
    )
    .toBeGreaterThan(0);

  // By the bar: each once.
  await slides(page).nth(1).click();
  await bar(page).getByRole('button', { name: 'Duplicate' }).click();
  await expect(slides(page)).toHaveCount(3);
  await bar(page).getByRole('button', { name: 'Later' }).click();
  await bar(page).getByRole('button', { name: 'Copy' }).click();
  await bar(page).getByRole('button', { name: 'Cut' }).click();
  await expect(slides(page)).toHaveCount(2);
  await slides(page).nth(1).click();
  await bar(page).getByRole('button', { name: 'Delete' }).click();
  await expect(slides(page)).toHaveCount(1);
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(slides(page)).toHaveCount(2);
  await slides(page).nth(1).click();
  await bar(page).getByRole('button', { name: 'Write on it' }).click();
  await expect(page.getByLabel('Script of slide 2', { exact: true })).toBeVisible();
  await page.keyboard.press('Alt+s');
});
