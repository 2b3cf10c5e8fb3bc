import { gatherOwn, misses } from './language';
import { folder } from './helpers';
import { expect, test, type Browser, type Page } from './test';

/** A language of nobody, every letter marked and each sentence 40 % longer: what a longer language needs shows in it. */
async function reader(browser: Browser, width: number) {
  const context = await browser.newContext({ locale: 'en-XA', viewport: { width, height: 800 } });
  const page = await context.newPage();
  return { context, page, own: gatherOwn(page) };
}

async function enter(page: Page, name: string) {
  await page.goto('/');
  await page.locator('input[name=name]').fill(name);
  await page.locator('input[name=password]').fill('tide-mill');
  await page.locator('button[type=submit]').click();
  await expect(page.locator('h1')).toContainText('’');
}

for (const width of [1280, 390]) {
  test(`every sentence is the catalogue’s and none is cut off, at ${width}`, async ({ browser }) => {
    const { context, page, own } = await reader(browser, width);
    const looked = async (place: string) => {
      await page.waitForTimeout(700);
      expect.soft(await misses(page, own), place).toEqual([]);
    };
    await page.goto('/');
    await expect(page.locator('html')).toHaveAttribute('lang', 'en-XA');
    await page.locator('input[name=name]').fill(`nobody ${width}`);
    await page.locator('input[name=password]').fill('wrong');
    await page.locator('button[type=submit]').click();
    await expect(page.getByRole('alert')).not.toBeEmpty();
    await looked('sign in, refused');

    await enter(page, 'tilda');
    await looked('a student’s desk');
    await page.locator('section[aria-labelledby=stories] button').first().click();
    await looked('a new story is asked for');
    await page.locator('section[aria-labelledby=stories] input').fill('0123');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('row')).toHaveCount(1);
    await looked('a story with nothing in it');
    const { files, broken } = folder();
    await page
      .locator('input[type=file]')
      .first()
      .setInputFiles([...files.slice(0, 2), broken]);
    await expect(page.getByRole('row')).toHaveCount(3, { timeout: 60_000 });
    await expect(page.locator('section.asks li')).toHaveCount(1, { timeout: 60_000 });
    await looked('a picture that is broken');

    await page.locator('main button:has(svg)').nth(1).click();
    await expect(page.locator('[role=dialog] video')).toBeVisible();
    await page.waitForTimeout(500);
    await looked('the camera');
    await page.keyboard.press('Escape');

    const sheet = (n: number) => page.locator('main div:has(> .facts) > button').nth(n);
    for (const [n, name] of ['Proof', 'the story'].entries()) {
      await sheet(n).click();
      await looked(name);
      await page.keyboard.press('Escape');
    }
    await page.getByRole('row').nth(1).locator('strong').first().click();
    if (width < 1024) await page.locator('main button:has(+ div > .facts)').click();
    await page.locator('fieldset, section section, [role=dialog] section, section').last().waitFor();
    await looked('a chosen slide');
    if (width < 1024) await page.keyboard.press('Escape');
    else {
      await page.getByRole('row').nth(1).locator('strong').first().click();
      await page
        .getByRole('row')
        .nth(2)
        .locator('strong')
        .first()
        .click({ modifiers: ['Shift'] });
      await looked('two chosen slides');
      await page.keyboard.press('Escape');
      await page.locator('button', { hasText: /^\?$/ }).click();
      await looked('the keys');
      await page.keyboard.press('Escape');
      await page.getByRole('row').nth(2).locator('strong').first().click();
      await page.keyboard.press('Delete');
      await looked('a slide is deleted');
    }
    await page.keyboard.press('Alt+a');
    await page.locator('[role=grid] [role=row]').nth(1).click();
    await looked('all slides');
    await page.keyboard.press('Alt+o');
    const groups = page.locator('main section [role=radiogroup]').first().locator('label');
    await groups.nth(5).waitFor();
    for (let n = 0; n < 6; n += 1) {
      await groups.nth(n).click();
      if (n === 0) await page.locator('main section label:has([role=switch])').click();
      await looked(`one slide, ${n}`);
    }
    const story = page.url().match(/stories\/([^/?]+)/)?.[1] ?? '';
    await page.goto(`/stories/${story}/film`);
    await looked('before the film');
    await page.goto(`/stories/${story}/booth`);
    await looked('the booth');

    const desk = (await (await page.request.get('/api/desk')).json()) as {
      stories: { id: string; title: string; handIn: { id: string } | null }[];
    };
    const told = desk.stories.find((one) => one.title === 'The Mill That Borrowed the Moon');
    await page.goto(`/stories/${told?.id}`);
    await looked('a story that is told');
    await page.goto(`/stories/${told?.id}/film`);
    await looked('a film that is made');
    await page.goto(`/handins/${told?.handIn?.id}`);
    await looked('what was handed in');
    await page.request.delete(`/api/stories/${story}`, { headers: { 'X-Rhapsode': '1' } });
    await context.close();
  });

  test(`every sentence of a teacher’s is the catalogue’s, at ${width}`, async ({ browser }) => {
    const { context, page, own } = await reader(browser, width);
    const looked = async (place: string) => {
      await page.waitForTimeout(700);
      expect.soft(await misses(page, own), place).toEqual([]);
    };
    await enter(page, 'maren');
    await looked('a teacher’s desk');
    await page.locator('a[href^="/assignments/"]').first().click();
    await expect(page.locator('a[href^="/handins/"]').first()).toBeVisible();
    await looked('the hand-ins');
    const list = page.url();
    await page.locator('a[href^="/handins/"]').first().click();
    await expect(page.locator('video')).toBeVisible();
    await looked('a review');
    const remark = page.locator('main button', { hasText: /\S{4}/ }).last();
    await remark.scrollIntoViewIfNeeded();
    await looked('the answer');
    for (const [place, name] of [
      [`${list}/screening`, 'a screening'],
      [`${list}/task`, 'a task'],
      ['/account', 'an account'],
    ] as const) {
      await page.goto(place);
      await looked(name);
    }
    await context.close();
  });
}
