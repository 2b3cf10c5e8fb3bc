import { many } from './support/longStory';
import { signIn } from './support/people';
import { rows, saved } from './support/sheet';
import { expect, test } from './support/test';

const SLIDES = 90;

test(
  'a long story: what is far from the window rests, and what was written in it stays',
  { tag: '@deep' },
  async ({ page }) => {
    await signIn(page, 'ivo');
    const { id, slides } = await many(page, 'The long way round', SLIDES);
    await page.goto(`/stories/${id}`);
    await expect(rows(page)).toHaveCount(SLIDES);
    const script = (number: number) => page.getByLabel(`Script of slide ${number}`, { exact: true });
    const leave = () => page.locator('body').evaluate(() => (document.activeElement as HTMLElement).blur());
    await script(3).fill('Over the weir.');
    await leave();
    await saved(page);
    await expect(script(SLIDES)).toHaveCount(0);

    // From the first to the last, and back: only what is near is drawn, and each row has its own height again.
    const height = (await rows(page).nth(2).boundingBox())?.height ?? 0;
    await rows(page)
      .nth(SLIDES - 1)
      .scrollIntoViewIfNeeded();
    await expect(script(SLIDES)).toBeVisible();
    await expect(script(3)).toHaveCount(0);
    expect((await rows(page).nth(2).boundingBox())?.height).toBeCloseTo(height, 0);
    expect(await page.locator('textarea.script').count()).toBeLessThan(60);
    await script(SLIDES).fill('Home again.');

    // Left in the middle of a sentence, with no connection: it is there when one comes back, and saved when it can be.
    await page.context().setOffline(true);
    await script(SLIDES - 1).fill('And all is still');
    await leave();
    await rows(page).nth(2).scrollIntoViewIfNeeded();
    await expect(script(3)).toHaveValue('Over the weir.');
    await rows(page)
      .nth(SLIDES - 2)
      .scrollIntoViewIfNeeded();
    await expect(script(SLIDES - 1)).toHaveValue('And all is still');
    await page.context().setOffline(false);
    await saved(page);

    // Gone to from elsewhere: a slide far below is chosen and seen.
    await page.goto(`/stories/${id}?slide=${slides[SLIDES - 1]}`);
    await expect(rows(page).nth(SLIDES - 1)).toBeInViewport();
    await expect(rows(page).nth(SLIDES - 1)).toHaveAttribute('aria-selected', 'true');
    await expect(script(SLIDES)).toHaveValue('Home again.');
    await expect(script(SLIDES - 1)).toHaveValue('And all is still');

    // From far and back: what is chosen stays chosen, and is where one looks.
    await rows(page)
      .nth(SLIDES - 2)
      .locator('strong')
      .first()
      .click({ modifiers: ['ControlOrMeta'] });
    await page.keyboard.press('Alt+a');
    await expect(page.getByText('2 slides are chosen')).toBeVisible();
    await expect(page.locator(`[role=row][data-key="${slides[SLIDES - 2]}"]`)).toBeInViewport();
    await page.keyboard.press('Alt+s');
    await expect(rows(page).nth(SLIDES - 2)).toBeInViewport();
    for (const n of [1, 2]) await expect(rows(page).nth(SLIDES - n)).toHaveAttribute('aria-selected', 'true');

    // By keyboard, from a row to the one after it, and off the end nothing is lost.
    await rows(page)
      .nth(SLIDES - 1)
      .focus();
    await page.keyboard.press('ArrowUp');
    await expect(rows(page).nth(SLIDES - 2)).toBeFocused();
    await page.keyboard.press('Home');
    await expect(rows(page).first()).toBeFocused();
    await expect(rows(page).first()).toBeInViewport();
    await page.request.delete(`/api/stories/${id}`, { headers: { 'X-Rhapsode': '1' } });
  },
);
