import type { Locator } from '@playwright/test';
import { many, orderOf } from './support/longStory';
import { signIn } from './support/people';
import { random } from './support/random';
import { saved } from './support/sheet';
import { expect, test } from './support/test';

const SLIDES = 200;
/** More by hand. */
const DRAGS = Number(process.env.DRAGS ?? 60);
/** After so many the server is asked for all of the story. */
const OFTEN = 20;
/** So many of them go further than the window shows. */
const FAR = 6;

// A trace of two hundred slides at every step takes longer than the steps.
test.use({ trace: 'off' });

test(
  'a slide is dragged again and again in a story of two hundred, and stands where the mark was',
  { tag: '@deep' },
  async ({ page }) => {
    test.setTimeout(900_000);
    // Nobody walks at random in this name.
    await signIn(page, 'oskar');
    const { id, slides } = await many(page, 'Two hundred times dragged', SLIDES);
    await page.goto(`/stories/${id}?from=all`);
    await page.getByText('Small', { exact: true }).click();
    const grid = page.getByRole('grid', { name: 'Slides' });
    await expect(grid.getByRole('row').first()).toBeVisible();
    const even = random(7);
    const pick = (below: number) => Math.floor(even() * below);
    let expected = slides;

    /** The slides that can be seen whole, as they stand on the page. */
    const seen = () =>
      grid.evaluate((list) => {
        const box = list.getBoundingClientRect();
        return [...list.querySelectorAll('[role=row][data-key]')]
          .map((row) => ({ id: row.getAttribute('data-key') ?? '', at: row.getBoundingClientRect() }))
          .filter(({ at }) => at.top >= box.top && at.bottom <= box.bottom)
          .map(({ id: key, at }) => ({ id: key, x: at.x, y: at.y, width: at.width, height: at.height }));
      });
    const moved = (slide: string, goal: string, place: 'before' | 'after') => {
      const rest = expected.filter((other) => other !== slide);
      const at = rest.indexOf(goal) + (place === 'after' ? 1 : 0);
      return [...rest.slice(0, at), slide, ...rest.slice(at)];
    };

    /** Moves there and stays there as a hand does, which is never quite still, until something is to be seen. */
    const held = async (at: { x: number; y: number }, shown: Locator, what: string) => {
      await page.mouse.move(at.x, at.y, { steps: 4 });
      await expect
        .poll(
          async () => {
            const count = await shown.count();
            if (count === 0) await page.mouse.move(at.x + (Date.now() % 2), at.y);
            return count;
          },
          { message: what, intervals: [30, 60, 100] },
        )
        .toBe(1);
    };

    for (let n = 0; n < DRAGS; n += 1) {
      const isFar = n % Math.floor(DRAGS / FAR) === 0;
      await grid.evaluate((list, share) => list.scrollTo(0, list.scrollHeight * share), pick(1000) / 1000);
      await page.waitForTimeout(40);
      const from = await seen();
      const taken = from[pick(from.length)];
      if (!taken) throw new Error('no slide is seen');
      // Not on its very middle: a press there is taken for a screen reader's.
      await page.mouse.move(taken.x + taken.width / 3, taken.y + taken.height / 3);
      await page.mouse.down();
      await held(
        { x: taken.x + taken.width / 3 + 8, y: taken.y + taken.height / 3 + 8 },
        grid.locator('[role=row][data-dragging]'),
        `the slide of drag ${n}`,
      );
      if (isFar) {
        // Held at an edge, the sheet goes on under it.
        const box = await grid.boundingBox();
        if (!box) throw new Error('there is no sheet');
        const before = await grid.evaluate((list) => list.scrollTop);
        const isDown = before < (await grid.evaluate((list) => (list.scrollHeight - list.clientHeight) / 2));
        const edge = isDown ? box.y + box.height - 6 : box.y + 6;
        await page.mouse.move(box.x + box.width / 2, edge, { steps: 4 });
        await expect
          .poll(
            async () => {
              await page.mouse.move(box.x + box.width / 2 + (Date.now() % 2), edge);
              return Math.abs((await grid.evaluate((list) => list.scrollTop)) - before);
            },
            { intervals: [50] },
          )
          .toBeGreaterThan(300);
        await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2, { steps: 4 });
        await page.waitForTimeout(100);
      }
      const to = (await seen()).filter((slide) => slide.id !== taken.id);
      let goal = to[pick(to.length)];
      let place: 'before' | 'after' = pick(2) === 0 ? 'before' : 'after';
      // Where it lies already nothing would be told of it.
      while (goal && moved(taken.id, goal.id, place).join() === expected.join()) {
        goal = to[pick(to.length)];
        place = pick(2) === 0 ? 'before' : 'after';
      }
      if (!goal) throw new Error('no other slide is seen');
      const x = goal.x + (place === 'before' ? 6 : goal.width - 6);
      await held(
        { x, y: goal.y + goal.height / 2 },
        grid.locator('.react-aria-DropIndicator[data-drop-target]'),
        `the mark of drag ${n}`,
      );
      const answered = page.waitForResponse((one) => one.url().endsWith('/edits') && one.ok());
      await page.mouse.up();
      expected = moved(taken.id, goal.id, place);
      const told = ((await answered).request().postDataJSON() as { edits: object[] }).edits;
      const after = expected[expected.indexOf(taken.id) - 1] ?? null;
      expect(told, `drag ${n}`).toEqual([{ do: 'move slides', slides: [taken.id], after }]);
      // All of two hundred slides is much to ask for after each.
      if (n % OFTEN === OFTEN - 1) expect(await orderOf(page, id), `after drag ${n}`).toEqual(expected);
    }
    await saved(page);
    // And as the page shows it, from the first to the last.
    await page.keyboard.press('Alt+s');
    await expect(page.getByRole('row')).toHaveCount(SLIDES);
    expect(await page.getByRole('row').evaluateAll((all) => all.map((row) => row.getAttribute('data-key')))).toEqual(
      expected,
    );
    await page.request.delete(`/api/stories/${id}`, { headers: { 'X-Rhapsode': '1' } });
  },
);
