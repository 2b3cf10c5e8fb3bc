import { readFileSync } from 'node:fs';
import { finds } from './support/axe';
import { RUN, handsIn, newTask, nobody, openClass } from './support/classroom';
import { contents } from './support/files';
import { signIn } from './support/people';
import { expect, test } from './support/test';

const TASK = `A bridge ${RUN}`;

test(
  'a rubric is made, filled in beside two films, one after the other, and read with the answer',
  { tag: '@deep' },
  async ({ page, browser }) => {
    test.setTimeout(600_000);
    await signIn(page, 'maren');
    const code = await openClass(page, `Span ${RUN}`);
    await newTask(page, `Span ${RUN}`, TASK);
    await page.getByText('Do not tell me whose films they are until every film is answered').click();
    await page.getByRole('button', { name: 'Set the task' }).click();
    await expect(page.getByRole('heading', { level: 1, name: TASK })).toBeVisible();

    // One that ships is taken and changed; another is thought of and left.
    await page.getByRole('link', { name: 'Rubric', exact: true }).click();
    await page.getByRole('link', { name: 'Not now' }).click();
    await page.getByRole('link', { name: 'Rubric', exact: true }).click();
    expect(await finds(page)).toEqual([]);
    await page.getByRole('button', { name: 'Begin with nothing' }).click();
    await expect(page.getByRole('listitem', { name: 'Criterion 1' })).toBeVisible();
    await page.getByRole('link', { name: 'Not now' }).click();
    await page.getByRole('link', { name: 'Rubric', exact: true }).click();
    await page.getByRole('button', { name: 'Take “My first film”' }).click();
    await page.getByLabel('Title of the rubric').fill('How we tell of bridges');
    const criterion = (number: number) => page.getByRole('listitem', { name: `Criterion ${number}`, exact: true });
    await expect(criterion(3)).toBeVisible();
    await criterion(3).getByRole('button', { name: 'Remove the criterion' }).click();
    await expect(criterion(3)).toHaveCount(0);
    await page.getByRole('button', { name: 'Add a criterion' }).click();
    const last = criterion(3);
    await last.getByLabel('What is looked at').fill('Sources');
    await last.getByLabel('Counts').fill('2');
    await last.getByRole('button', { name: 'Remove level 3' }).click();
    await last.getByRole('button', { name: 'Add a level' }).click();
    await last.getByRole('button', { name: 'Remove level 3' }).click();
    await last.getByLabel('Level 1', { exact: true }).fill('All are named.');
    await last.getByLabel('Points, 1').fill('');
    await last.getByLabel('Level 2', { exact: true }).fill('None is named.');
    await last.getByLabel('Points, 2').fill('0');
    await page.getByRole('button', { name: 'Save the rubric' }).click();
    // A figure is missing: the browser says so, and nothing that was typed is lost.
    await expect(last.getByLabel('Points, 1')).toBeFocused();
    await last.getByLabel('Points, 1').fill('1000');
    await page.getByRole('button', { name: 'Save the rubric' }).click();
    await expect(page.getByRole('alert')).toContainText('100');
    await last.getByLabel('Points, 1').fill('2');
    await last.getByRole('button', { name: 'Move up' }).focus();
    await page.keyboard.press('Enter');
    await expect(criterion(2).getByLabel('What is looked at')).toHaveValue('Sources');
    await criterion(2).getByRole('button', { name: 'Move down' }).click();
    await expect(last.getByLabel('What is looked at')).toHaveValue('Sources');
    await page.context().setOffline(true);
    await page.getByRole('button', { name: 'Save the rubric' }).click();
    await expect(page.getByRole('alert')).toContainText('connection');
    await page.context().setOffline(false);
    await page.getByRole('button', { name: 'Save the rubric' }).dblclick();
    await expect(page.getByRole('heading', { level: 1, name: TASK })).toBeVisible();

    const ida = await handsIn(browser, code, 'Ida', 'demo/pictures/low-water.jpg');
    const ole = await handsIn(browser, code, 'Ole', 'demo/pictures/lantern-night.jpg');
    // They know what they are marked by.
    await ole.goto('/');
    await ole.getByText('How it is marked').tap();
    await expect(ole.getByText('Sources counts 2 times')).toBeVisible();
    await expect(ole.getByText('All are named.')).toBeVisible();

    await page.reload();
    const waiting = page.getByRole('region', { name: 'Waiting for your answer' });
    // Whose they are is not told yet, neither here nor beside the film.
    await expect(
      page.getByText('Whose films these are is told when every film is answered.', { exact: false }),
    ).toBeVisible();
    await expect(waiting.getByText('somebody ·', { exact: false })).toHaveCount(2);
    await expect(page.getByRole('heading', { name: 'Everybody' })).toHaveCount(0);
    await waiting.getByRole('link', { name: 'By Ida' }).click();
    await expect(page.getByText(`somebody · ${TASK}`, { exact: false })).toBeVisible();
    const rubric = page.getByRole('region', { name: 'How we tell of bridges' });
    const total = rubric.getByRole('status', { name: 'Total' });
    await expect(total).toHaveText('0 of 10 points');
    // Quickly one after another: each is kept.
    await rubric.getByText('Everybody knows afterwards what it was about.').click();
    await rubric.getByText('Mostly so that all can hear it.').click();
    await rubric.getByText('None is named.').click();
    await rubric.getByText('All are named.').click();
    await expect(total).toHaveText('9 of 10 points');
    await rubric.getByRole('button', { name: 'Take back what you gave for “I spoke”' }).click();
    await expect(total).toHaveText('7 of 10 points');
    await expect(rubric.getByText('Not every criterion is filled in yet.')).toBeVisible();
    await page.reload();
    await expect(total).toHaveText('7 of 10 points');
    // By keyboard, and without a network, where what was given stays.
    await rubric.getByRole('radio', { name: /^3\s*Slowly/ }).focus();
    await page.keyboard.press('Space');
    await expect(total).toHaveText('10 of 10 points');
    await page.context().setOffline(true);
    await rubric.getByText('None is named.').click();
    await expect(page.getByText(/connection/).first()).toBeVisible();
    await page.context().setOffline(false);
    await expect(rubric.getByRole('radio', { name: /^2\s*All are named/ })).toBeChecked();
    await ida.goto('/');
    await ida.getByRole('link', { name: /See what you handed in/ }).tap();
    await expect(ida.getByRole('heading', { level: 1, name: 'By Ida' })).toBeVisible();
    await expect(ida.getByText('How we tell of bridges')).toHaveCount(0);
    // A remark about a stretch, by a key; what is said often is kept for the next film.
    const SAID = `Where is this, ${RUN}?`;
    const position = page.getByRole('slider', { name: 'Position in the film' });
    await position.fill('10');
    await page.getByRole('heading', { level: 1 }).click();
    await page.keyboard.press('r');
    await expect(page.getByRole('textbox', { name: 'Remark at 0:01' })).toBeFocused();
    await page.getByRole('button', { name: 'Not now' }).click();
    await page.keyboard.press('r');
    await page.getByRole('textbox', { name: /^Remark/ }).fill(SAID);
    await position.fill('30');
    await page.getByRole('button', { name: 'To where the film is now' }).click();
    await page.getByRole('textbox', { name: 'Remark from 0:01 to 0:03' }).click();
    await expect(page.getByRole('textbox', { name: 'Remark from 0:01 to 0:03' })).toHaveValue(SAID);
    await page.getByRole('button', { name: 'Keep this sentence for other films' }).dblclick();
    await expect(page.getByRole('button', { name: `Say “${SAID}”` })).toHaveCount(1);
    await page.getByRole('button', { name: 'Leave it' }).dblclick();
    const left = page.getByRole('listitem').filter({ hasText: SAID });
    await expect(left).toHaveCount(1);
    await expect(left).toContainText('0:01–0:03');
    await left.getByRole('button', { name: 'Jump to 0:01' }).click();
    // What is typed for one film waits there, and is not said of another.
    await page.getByLabel('A sentence for the student').fill('Ida, this is good.');
    await page.getByRole('link', { name: /^Next: “By Ole”/ }).click();
    await expect(page.getByRole('heading', { level: 1, name: 'By Ole' })).toBeVisible();
    await expect(page.getByLabel('A sentence for the student')).toHaveValue('');
    await page.getByRole('link', { name: /^Next: “By Ida”/ }).click();
    await expect(page.getByLabel('A sentence for the student')).toHaveValue('Ida, this is good.');
    await page.getByRole('button', { name: 'Accept' }).dblclick();
    await expect(page.getByRole('heading', { name: 'Accepted' })).toBeVisible();
    await expect(page.getByText('Ida, this is good.')).toBeVisible();
    await ida.reload();
    await expect(ida.getByRole('region', { name: 'How we tell of bridges' })).toContainText('10 of 10 points');
    await expect(ida.getByText('Slowly and so that all can hear it.')).toBeVisible();
    await expect(ida.getByText('Mostly so that all can hear it.')).toHaveCount(0);

    // To the next without the list between; and everything in a table.
    await page.getByRole('link', { name: /^Next: “By Ole” by somebody/ }).click();
    await expect(page.getByRole('heading', { level: 1, name: 'By Ole' })).toBeVisible();
    await rubric.getByText('I need more slides or more words.').click();
    await expect(total).toHaveText('1 of 10 points');
    await page.getByRole('button', { name: 'Leave a remark at this moment' }).click();
    await page.getByRole('button', { name: `Say “${SAID}”` }).click();
    await expect(page.getByRole('textbox', { name: /^Remark/ })).toHaveValue(SAID);
    await page.getByRole('button', { name: `Keep “${SAID}” no longer` }).dblclick();
    await expect(page.getByRole('button', { name: `Say “${SAID}”` })).toHaveCount(0);
    await page.getByRole('button', { name: 'Leave it' }).click();
    await expect(page.getByRole('listitem').filter({ hasText: SAID })).toHaveCount(1);
    await page.getByLabel('A sentence for the student').fill('Tell who built it.');
    await page.getByRole('button', { name: 'Return to be mended' }).click();
    await expect(page.getByText('Everything is answered.')).toBeVisible();
    await page.getByRole('link', { name: 'All hand-ins' }).click();
    await expect(page.getByRole('row', { name: /^Ida By Ida accepted/ })).toContainText('10 of 10');
    await expect(page.getByRole('row', { name: /^Ole By Ole returned/ })).toContainText('1 of 10');
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'Take the table along (CSV)' }).click(),
    ]);
    const table = readFileSync(await download.path(), 'utf8');
    expect(table).toContain('Ida,"By Ida",accepted,,10,10,');
    const [films] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'Take the films along (ZIP)' }).click(),
    ]);
    expect(films.suggestedFilename()).toBe(`${TASK}.zip`);
    expect(contents(await films.path())).toEqual(
      ['Ida – By Ida.mp4', 'Ida – By Ida.vtt', 'Ole – By Ole.mp4', 'Ole – By Ole.vtt'].toSorted(),
    );

    await expect(page.getByRole('region', { name: 'How the levels were given' })).toContainText('1 film');

    // The class watches them: the accepted one, and the other because it is wanted.
    await page.getByRole('link', { name: 'Watch together' }).click();
    const order = page.getByRole('grid', { name: 'Films in their order' });
    const shown = (titles: string[]) => expect(order.locator('strong')).toHaveText(titles);
    await shown(['By Ida']);
    await expect(page.getByRole('button', { name: 'Draw lots for the order' })).toBeDisabled();
    await page.getByRole('button', { name: 'Show “By Ole”', exact: true }).dblclick();
    await shown(['By Ida', 'By Ole']);
    await page.getByRole('button', { name: 'Show “By Ida” later' }).click();
    await shown(['By Ole', 'By Ida']);
    await page.getByRole('button', { name: 'Show “By Ida” earlier' }).click();
    await shown(['By Ida', 'By Ole']);
    await page.getByRole('button', { name: 'Drag “By Ida”' }).focus();
    // Where it may be dropped is told by its name; on a slow machine the focus is nowhere for a moment between two of them.
    const focused = () => page.evaluate(() => document.activeElement?.getAttribute('aria-label') ?? '');
    await page.keyboard.press('Enter');
    await expect.poll(focused).toMatch(/^Insert/);
    await expect(async () => {
      if (!/after By Ole/.test(await focused())) await page.keyboard.press('ArrowDown');
      await expect.poll(focused, { timeout: 2000 }).toMatch(/after By Ole/);
    }).toPass();
    await page.keyboard.press('Enter');
    await shown(['By Ole', 'By Ida']);
    // What is drawn may put the rows in another order: only then one of them is pressed.
    const [drawn] = await Promise.all([
      page.waitForResponse((one) => one.url().endsWith('/screening/lot')),
      page.getByRole('button', { name: 'Draw lots for the order' }).click(),
    ]);
    const lots = ((await drawn.json()) as { films: string[] }).films;
    await expect
      .poll(() => order.locator('img').evaluateAll((all) => all.map((one) => one.getAttribute('src'))))
      .toEqual(lots.map((id) => `/api/handins/${id}/cover.jpg`));
    await page.getByRole('button', { name: 'Leave “By Ole” out' }).click();
    await shown(['By Ida']);
    await page.context().setOffline(true);
    await page.getByRole('button', { name: 'Show “By Ole”', exact: true }).click();
    await expect(page.getByText(/connection/).last()).toBeVisible();
    await page.context().setOffline(false);
    await shown(['By Ida']);
    await page.getByRole('button', { name: 'Show “By Ole”', exact: true }).click();
    await shown(['By Ida', 'By Ole']);
    await page.reload();
    await shown(['By Ida', 'By Ole']);
    await page.getByText('Names on the title cards').click();
    await page.getByText('Names on the title cards').click();
    await page.getByRole('button', { name: 'Begin the screening' }).click();
    const wall = page.getByRole('dialog', { name: 'Screening' });
    await expect(wall.getByRole('status')).toHaveText('1 of 2By IdaIda');
    const film = (title: string) => wall.getByLabel(title, { exact: true });
    const time = (title: string) => film(title).evaluate((v: HTMLVideoElement) => v.currentTime);
    // It begins by itself, with captions and sound, while the next is fetched.
    await expect.poll(() => time('By Ida'), { timeout: 15_000 }).toBeGreaterThan(0.3);
    expect(await film('By Ida').evaluate((v: HTMLVideoElement) => [v.muted, v.textTracks[0]?.mode])).toEqual([
      false,
      'showing',
    ]);
    await expect.poll(() => film('By Ole').evaluate((v: HTMLVideoElement) => v.readyState)).toBeGreaterThan(2);
    await page.keyboard.press('c');
    await expect.poll(() => film('By Ida').evaluate((v: HTMLVideoElement) => v.textTracks[0]?.mode)).toBe('hidden');
    await page.keyboard.press(' ');
    await expect.poll(() => film('By Ida').evaluate((v: HTMLVideoElement) => v.paused)).toBe(true);
    await page.keyboard.press('PageDown');
    await expect(wall.getByRole('status')).toContainText('By Ole');
    await page.keyboard.press('ArrowLeft');
    await expect(wall.getByRole('status')).toContainText('By Ida');
    await wall.getByRole('button', { name: 'Go on' }).click();
    await wall.getByRole('button', { name: 'Stop' }).click();
    await wall.getByRole('button', { name: 'On', exact: true }).click();
    await wall.getByRole('button', { name: 'On', exact: true }).click();
    await expect(wall.getByRole('status')).toContainText('2 of 2');
    await wall.getByRole('button', { name: 'Back' }).click();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await wall.getByRole('button', { name: 'Captions' }).click();
    await page.keyboard.press('ArrowRight');
    await expect(wall.getByRole('status')).toHaveText('That was the last one.');
    await wall.getByRole('button', { name: 'From the beginning' }).click();
    await expect(wall.getByRole('status')).toContainText('1 of 2');
    await wall.getByRole('button', { name: 'End the screening' }).click();
    await expect(wall).toHaveCount(0);
    await page.getByRole('button', { name: 'Begin the screening' }).click();
    await expect(wall).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(wall).toHaveCount(0);

    // Parents watch the same by a link, without an account and without names, until it is taken back.
    const parents = page.getByRole('region', { name: 'For parents' });
    await page.context().setOffline(true);
    await parents.getByRole('button', { name: 'Make a link' }).click();
    await expect(parents.getByRole('alert')).toContainText('connection');
    await page.context().setOffline(false);
    await parents.getByRole('button', { name: 'Make a link' }).dblclick();
    await parents.getByLabel('Link', { exact: true }).click();
    const link = await parents.getByLabel('Link', { exact: true }).inputValue();
    await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
    await parents.getByRole('button', { name: 'Copy the link' }).click();
    await expect(page.getByText('It is copied.')).toBeVisible();
    expect(await page.evaluate(() => navigator.clipboard.readText())).toBe(link);
    expect(await finds(page)).toEqual([]);
    const parent = await nobody(browser);
    await parent.goto(link);
    await expect(parent.getByRole('heading', { level: 1, name: TASK })).toBeVisible();
    await expect(parent.getByRole('region', { name: 'Films' }).getByRole('listitem')).toHaveText([/By Ida/, /By Ole/]);
    expect(await finds(parent)).toEqual([]);
    await parent.getByRole('button', { name: 'Watch “By Ole”' }).tap();
    const theirs = parent.getByRole('dialog', { name: 'Screening' });
    await expect(theirs.getByRole('status')).toHaveText('2 of 2By Ole');
    await expect
      .poll(() => theirs.getByLabel('By Ole', { exact: true }).evaluate((v: HTMLVideoElement) => v.currentTime))
      .toBeGreaterThan(0.3);
    await parent.keyboard.press('Escape');
    await parent.getByRole('button', { name: 'Begin the screening' }).tap();
    await expect(theirs.getByRole('status')).toHaveText('1 of 2By Ida');
    await parent.keyboard.press('Escape');
    await parents.getByRole('button', { name: 'Take the link back' }).dblclick();
    await expect(parents.getByRole('button', { name: 'Make a link' })).toBeVisible();
    await parent.reload();
    await expect(parent.getByRole('heading', { name: 'This link does not work any more.' })).toBeVisible();
    await parent.context().close();
    await page.getByRole('link', { name: 'All hand-ins' }).click();

    // The next task of mine may have the same rubric; this one none any more, and what was answered keeps its marks.
    await page.getByRole('link', { name: 'Rubric', exact: true }).click();
    await page.getByRole('button', { name: 'Mark without a rubric' }).dblclick();
    await expect(page.getByRole('heading', { level: 1, name: TASK })).toBeVisible();
    await page.getByRole('region', { name: 'Accepted' }).getByRole('link', { name: 'By Ida' }).click();
    await expect(total).toHaveText('10 of 10 points');
    for (const child of [ida, ole]) await child.context().close();
  },
);
