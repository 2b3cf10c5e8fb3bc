import type { Page } from '@playwright/test';
import { finds } from './support/axe';
import { RUN, handsIn, newTask, openClass } from './support/classroom';
import { signIn } from './support/people';
import { expect, test } from './support/test';

test.use({ isTold: true });

const TASK = `Ferns ${RUN}`;
const HERE = `Look here, ${RUN}.`;

/** What is drawn over the film's picture. */
const drawn = (page: Page) => page.locator('svg[data-mark]');
const film = (page: Page) => page.getByLabel('By Nel', { exact: true });
/** Presses at one share of the film's picture and pulls to another. */
async function pull(page: Page, from: [number, number], to: [number, number]) {
  const box = await page.getByTestId('mark-ground').boundingBox();
  if (!box) throw new Error('Nothing can be drawn on.');
  const at = ([x, y]: [number, number]) => [box.x + box.width * x, box.y + box.height * y] as const;
  await page.mouse.move(...at(from));
  await page.mouse.down();
  await page.mouse.move(...at([(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]));
  await page.mouse.move(...at(to));
  await page.mouse.up();
}
/** Where a mark's box lies on the picture, in shares of it, to a hundredth. */
const place = (page: Page) =>
  drawn(page)
    .last()
    .evaluate((svg: SVGSVGElement) => {
      const path = svg.querySelector('path') as SVGPathElement;
      const [box, all] = [path.getBBox(), svg.viewBox.baseVal];
      const share = (value: number, of: number) => Math.round((100 * value) / of) / 100;
      return [
        share(box.x, all.width),
        share(box.y, all.height),
        share(box.x + box.width, all.width),
        share(box.y + box.height, all.height),
      ];
    });

test(
  'a remark is drawn on the picture, or spoken, and whoever made the film sees and hears it',
  { tag: '@deep' },
  async ({ page, browser }) => {
    test.setTimeout(600_000);
    await signIn(page, 'maren');
    const code = await openClass(page, `Fern ${RUN}`);
    await newTask(page, `Fern ${RUN}`, TASK);
    await page.getByText('The class may watch every film that is accepted').click();
    await page.getByRole('button', { name: 'Set the task' }).click();
    await expect(page.getByRole('heading', { level: 1, name: TASK })).toBeVisible();
    const nel = await handsIn(browser, code, 'Nel', 'demo/pictures/heron-in-the-reeds.jpg');
    await page.reload();
    await page.getByRole('link', { name: 'By Nel' }).first().click();
    const leave = page.getByRole('button', { name: 'Leave a remark at this moment' });
    const position = page.getByRole('slider', { name: 'Position in the film' });
    await position.fill('5');

    // A ring by mouse: drawn, drawn anew, made an arrow and a ring again.
    await leave.click();
    await page.getByText('A ring', { exact: true }).click();
    await expect(page.getByRole('button', { name: 'Size of the ring' })).toBeVisible();
    await pull(page, [0.2, 0.3], [0.5, 0.7]);
    expect(await place(page)).toEqual([0.2, 0.3, 0.5, 0.7]);
    // The other way round it is the same.
    await pull(page, [0.6, 0.8], [0.3, 0.2]);
    expect(await place(page)).toEqual([0.3, 0.2, 0.6, 0.8]);
    await page.getByText('Nothing', { exact: true }).click();
    await expect(drawn(page)).toHaveCount(0);
    await page.getByText('An arrow', { exact: true }).click();
    await pull(page, [0.1, 0.1], [0.4, 0.5]);
    await page.getByText('A ring', { exact: true }).click();
    expect(await place(page)).toEqual([0.1, 0.1, 0.4, 0.5]);
    await page.getByRole('button', { name: 'Not now' }).click();
    await expect(drawn(page)).toHaveCount(0);

    // By keys; without a network it stays in hand; pressed twice it is left once.
    await page.keyboard.press('r');
    await page.getByRole('textbox', { name: /^Remark at/ }).fill(HERE);
    await page.getByText('A ring', { exact: true }).click();
    const before = await place(page);
    await page.getByRole('button', { name: 'Move the ring' }).focus();
    for (let n = 0; n < 5; n += 1) await page.keyboard.press('ArrowLeft');
    await page.getByRole('button', { name: 'Size of the ring' }).focus();
    await page.keyboard.press('Shift+ArrowDown');
    const after = await place(page);
    expect(after[0]).toBeCloseTo((before[0] ?? 0) - 0.05, 1);
    expect(after[3]).toBeCloseTo((before[3] ?? 0) + 0.05, 1);
    expect(await finds(page)).toEqual([]);
    await page.context().setOffline(true);
    await page.getByRole('button', { name: 'Leave it' }).click();
    await expect(page.getByText(/connection/).last()).toBeVisible();
    expect(await place(page)).toEqual(after);
    await page.context().setOffline(false);
    await page.getByRole('button', { name: 'Leave it' }).dblclick();
    const ringed = page.getByRole('listitem').filter({ hasText: HERE });
    await expect(ringed).toHaveCount(1);
    await expect(ringed).toContainText('with a ring on the picture');

    // Spoken: begun, put away, begun again, heard, spoken anew. Words need not be beside it.
    await position.fill('20');
    await leave.click();
    await page.getByRole('button', { name: 'Speak it', exact: true }).click();
    const now = page.getByRole('group', { name: 'Your remark is recorded' });
    await expect(now).toContainText('0:01 of 3:00');
    await expect(page.getByRole('button', { name: 'Leave it' })).toBeDisabled();
    await now.getByRole('button', { name: 'Stop speaking' }).click();
    // Not now: what was spoken waits, as what is typed does.
    await page.getByRole('button', { name: 'Not now' }).click();
    await expect(page.getByText('What you spoke waits here until you leave it.')).toBeVisible();
    // Also when the page is loaded anew.
    await page.reload();
    await expect(page.getByText('What you spoke waits here until you leave it.')).toBeVisible();
    await position.fill('20');
    await leave.click();
    await page.getByRole('button', { name: 'Hear what you spoke' }).click();
    await expect(page.getByRole('button', { name: 'Hear what you spoke' })).toHaveAttribute('aria-pressed', 'true');
    await page.getByRole('button', { name: 'Leave out what you spoke' }).click();
    await page.getByRole('button', { name: 'Leave it' }).click();
    // Nothing was said: the browser says so.
    await expect(page.getByRole('textbox', { name: /^Remark at/ })).toBeFocused();
    await page.getByRole('button', { name: 'Speak it', exact: true }).click();
    await expect(now).toContainText('0:02 of 3:00');
    await now.getByRole('button', { name: 'Stop speaking' }).focus();
    await page.keyboard.press('Enter');
    const mine = page.getByRole('button', { name: 'Hear what you spoke' });
    await mine.click();
    await expect(mine).toHaveAttribute('aria-pressed', 'true');
    // A microphone that is refused takes nothing away.
    await page.evaluate(() => {
      const { mediaDevices } = navigator;
      const real = mediaDevices.getUserMedia.bind(mediaDevices);
      let isRefused = true;
      mediaDevices.getUserMedia = (asked) => {
        if (!isRefused) return real(asked);
        isRefused = false;
        return Promise.reject(new DOMException('no', 'NotAllowedError'));
      };
    });
    await page.getByRole('button', { name: 'Speak it again' }).click();
    await expect(page.getByRole('alert').filter({ hasText: /microphone/i })).toBeVisible();
    await expect(mine).toBeVisible();
    await page.getByRole('button', { name: 'Speak it again' }).click();
    await expect(now).toContainText('0:02 of 3:00');
    await now.getByRole('button', { name: 'Stop speaking' }).click();
    await page.getByText('An arrow', { exact: true }).click();
    await page.getByRole('button', { name: 'Tip of the arrow' }).focus();
    await page.keyboard.press('ArrowUp');
    await page.getByRole('button', { name: 'Move the arrow' }).focus();
    await page.keyboard.press('Shift+ArrowUp');
    await page.context().setOffline(true);
    await page.getByRole('button', { name: 'Leave it' }).click();
    await expect(page.getByText(/connection/).last()).toBeVisible();
    await page.context().setOffline(false);
    await page.getByRole('button', { name: 'Leave it' }).dblclick();
    const heard = page.getByRole('button', { name: /^Hear the remark at/ });
    await expect(heard).toHaveCount(1, { timeout: 60_000 });
    await expect(page.getByRole('listitem').filter({ has: heard })).toContainText('with an arrow on the picture');
    // While it is heard, the film is still.
    await page.getByRole('button', { name: 'Play', exact: true }).click();
    const isStill = () => film(page).evaluate((video: HTMLVideoElement) => video.paused);
    await expect.poll(isStill).toBe(false);
    await heard.click();
    await expect(heard).toHaveAttribute('aria-pressed', 'true');
    expect(await isStill()).toBe(true);
    await heard.click();
    await expect(heard).toHaveAttribute('aria-pressed', 'false');

    // On the maker's desk it stands as new; on a phone they see the ring when they go there, and hear what was spoken.
    await nel.goto('/');
    await expect(nel.getByText('2 new').first()).toBeVisible();
    await nel.getByRole('link', { name: /See what you handed in/ }).tap();
    await expect(nel.getByRole('listitem').filter({ hasText: HERE }).getByText('new', { exact: true })).toBeVisible();
    await nel
      .getByRole('listitem')
      .filter({ hasText: HERE })
      .getByRole('button', { name: /^Jump to/ })
      .tap();
    await expect(drawn(nel).first()).toHaveAttribute('data-mark', 'ring');
    const theirs = nel.getByRole('button', { name: /^Hear the remark at/ });
    await theirs.tap();
    await expect(theirs).toHaveAttribute('aria-pressed', 'true');
    await expect(drawn(nel).last()).toHaveAttribute('data-mark', 'arrow');
    expect(await film(nel).evaluate((video: HTMLVideoElement) => video.paused)).toBe(true);
    expect(await finds(nel)).toEqual([]);
    await nel.goto('/');
    await expect(nel.getByText('Nel’s desk', { exact: false })).toBeVisible();
    await expect(nel.getByText('2 new')).toHaveCount(0);

    // Taken back it is gone, with what was spoken.
    await page
      .getByRole('listitem')
      .filter({ has: heard })
      .getByRole('button', { name: 'Take this remark back' })
      .click();
    await expect(heard).toHaveCount(0);

    // Told while they look at something else: the answer, by a press to where it is.
    await page.getByLabel('A sentence for the student').fill('The heron is well seen.');
    await page.getByRole('button', { name: 'Accept' }).click();
    await expect(page.getByRole('heading', { name: 'Accepted' })).toBeVisible();
    const slip = nel.getByRole('status').filter({ hasText: 'Something new is said of “By Nel”.' });
    await expect(slip).toBeVisible({ timeout: 60_000 });
    await slip.getByRole('button', { name: 'Look' }).tap();
    await expect(nel.getByText('The heron is well seen.')).toBeVisible();

    // The class watches, and says thank you, each from their own device.
    const ott = await handsIn(browser, code, 'Ott', 'demo/pictures/low-water.jpg');
    // Other tests hand in to the same teacher: what comes at once is told as one.
    const came = page.getByRole('status').filter({ hasText: /“By Ott” was handed in|things have come/ });
    await expect(came.first()).toBeVisible({ timeout: 60_000 });
    await page.getByRole('link', { name: 'All hand-ins' }).click();
    await page.getByRole('link', { name: 'Watch together' }).click();
    await page.getByRole('button', { name: 'Show “By Ott”', exact: true }).click();
    await page.getByRole('button', { name: 'Let the class say thank you' }).dblclick();
    await expect(page.getByRole('button', { name: 'No more thank-yous' })).toBeVisible();
    await ott.goto('/');
    await ott.getByRole('link', { name: `Say thank you: “${TASK}”` }).tap();
    await expect(
      ott.getByRole('region', { name: 'By Ott' }).getByText('This one is yours.', { exact: false }),
    ).toBeVisible();
    const one = ott.getByRole('region', { name: 'By Nel' });
    await ott.context().setOffline(true);
    await one.getByRole('button', { name: 'Thank you', exact: true }).tap();
    await expect(one.getByRole('alert')).toContainText('connection');
    await ott.context().setOffline(false);
    await one.getByRole('button', { name: 'Thank you', exact: true }).dblclick();
    await expect(one.getByText('Thank you is said')).toBeVisible();
    await one.getByLabel('A sentence, if you like').fill('I like the heron.');
    await one.getByRole('button', { name: 'Change the sentence' }).tap();
    expect(await finds(ott)).toEqual([]);
    const said = page.getByRole('region', { name: 'By Nel' });
    await expect(said.getByText('I like the heron.')).toBeVisible();
    await nel.reload();
    await expect(nel.getByRole('region', { name: '1 thank-you from your class' })).toContainText('I like the heron.');
    await one.getByRole('button', { name: 'Take it back' }).tap();
    await expect(said).toHaveCount(0);
    await one.getByLabel('A sentence, if you like').fill('Well …');
    await one.getByRole('button', { name: 'Thank you', exact: true }).tap();
    await said.getByRole('button', { name: 'Leave out what Ott said' }).click();
    await expect(said).toHaveCount(0);
    expect(await finds(page)).toEqual([]);
    await page.getByRole('button', { name: 'No more thank-yous' }).click();
    await expect(page.getByRole('button', { name: 'Let the class say thank you' })).toBeVisible();
    await one.getByRole('button', { name: /Thank you|Change the sentence/ }).tap();
    await expect(ott.getByText(/not taken just now|Nothing is to be watched/).first()).toBeVisible();
    // What is accepted they watch themselves, when they like, by touch.
    await ott.getByRole('link', { name: 'To my desk' }).tap();
    await ott.getByRole('link', { name: 'Films of your class' }).tap();
    await expect(ott.getByText('These films are accepted, and your class may watch them.')).toBeVisible();
    await expect(ott.getByRole('region', { name: 'By Ott' })).toHaveCount(0);
    await ott.getByRole('button', { name: 'Watch “By Nel”' }).tap();
    const wall = ott.getByRole('dialog', { name: 'Screening' });
    await expect(wall.getByRole('status')).toHaveText('1 of 1By Nel');
    await expect
      .poll(() => wall.getByLabel('By Nel', { exact: true }).evaluate((v: HTMLVideoElement) => v.currentTime), {
        timeout: 20_000,
      })
      .toBeGreaterThan(0.2);
    await wall.getByRole('button', { name: 'End the screening' }).tap();
    await expect(wall).toHaveCount(0);
    await ott.getByRole('link', { name: 'To my desk' }).tap();
    await expect(ott.getByText('Ott’s desk', { exact: false })).toBeVisible();

    // Where it is mended, what was spoken is heard beside its slide.
    await page.getByRole('link', { name: 'All hand-ins' }).click();
    await page.getByRole('link', { name: 'By Ott' }).first().click();
    await leave.click();
    await page.getByRole('button', { name: 'Speak it', exact: true }).click();
    await expect(now).toContainText('0:01 of 3:00');
    await now.getByRole('button', { name: 'Stop speaking' }).click();
    await page.getByRole('button', { name: 'Leave it' }).click();
    await expect(heard).toHaveCount(1, { timeout: 60_000 });
    await page.getByLabel('A sentence for the student').fill('Hear what I said.');
    await page.getByRole('button', { name: 'Return to be mended' }).click();
    await expect(page.getByRole('heading', { name: 'Returned' })).toBeVisible();
    await ott.goto('/');
    await ott.getByRole('link', { name: 'Go on with “By Ott”' }).tap();
    const beside = ott.getByRole('row').getByRole('button', { name: /^Hear the remark at/ });
    await beside.tap();
    await expect(beside).toHaveAttribute('aria-pressed', 'true');
  },
);

test('what comes at once is told as one, with the way to the desk', async ({ page }) => {
  const one = (id: string) => ({ kind: 'to-watch', id, title: `Film ${id}`, count: 1 });
  let news = [one('1')];
  await page.route('**/api/news', (route) => route.fulfill({ json: news }));
  /** Half a minute goes by, and what there is by then is known. */
  const later = () => Promise.all([page.waitForResponse(/api\/news$/), page.clock.fastForward(31_000)]);
  await page.clock.install();
  await signIn(page, 'maren');
  await page.goto('/account');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  news = [one('1'), one('2'), one('3')];
  await later();
  const slip = page.getByRole('status').filter({ hasText: '2 things have come.' });
  await expect(slip).toBeVisible();
  // What was there already is not told again.
  await later();
  await expect(page.getByText('Film 1')).toHaveCount(0);
  news = [...news, one('4')];
  await later();
  await expect(page.getByText('“Film 4” waits for you to watch it.')).toBeVisible();
  news = [...news, one('5'), one('6')];
  await later();
  await slip.last().getByRole('button', { name: 'To the desk' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('desk');
});
