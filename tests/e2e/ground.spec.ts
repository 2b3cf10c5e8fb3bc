import { saved } from './helpers';
import { begin, choose, panel, pictureOf, slide, view } from './own';
import type { PlannedPicture } from '../../web/api/types';
import { expect, test } from './test';

test('a picture that is shown whole lies on itself, on paper, on a colour; two choose at once', async ({
  page,
  context,
}) => {
  await begin(page, 'tilda', 'On what ground');
  await choose(page, 2);
  const ground = async () => pictureOf(await slide(page, 2)).ground;
  const shown = async () => ((await view(page)).plan.scenes[2].layers[0] as PlannedPicture).rendition.name;
  const picks = panel(page).getByRole('radiogroup', { name: 'On what it lies where it is shown whole' });
  await expect.poll(shown).toBe('whole');
  await picks.getByText('Paper').click();
  await expect.poll(shown).toMatch(/^whole-g[0-9a-f]{6}$/);
  await expect(page.getByRole('img', { name: /tower/ }).first()).toHaveAttribute(
    'src',
    /whole-thumb-g[0-9a-f]{6}\.jpg/,
  );
  await picks.getByText('A colour').focus();
  await page.keyboard.press('ArrowRight');
  await picks.getByText('A colour').click();
  const colour = panel(page).getByLabel('The colour');
  await expect(colour).toBeVisible();
  await colour.fill('#804020');
  await colour.fill('#804021');
  await expect.poll(ground).toBe('#804021');
  await saved(page);

  // Another says something else of it without a connection: what was said last stands, for both.
  const other = await context.newPage();
  await other.goto(page.url());
  await choose(other, 2);
  await context.setOffline(true);
  await panel(other).getByText('Itself, blurred').click();
  await expect(other.getByText('Not saved yet: no connection. It will be sent.')).toBeVisible();
  await context.setOffline(false);
  await expect.poll(shown, { timeout: 30_000 }).toBe('whole');
  await page.reload();
  await choose(page, 2);
  await expect(colour).toBeHidden();
  await panel(page).getByText('Fill the slide').click();
  await expect(picks).toBeHidden();
});
