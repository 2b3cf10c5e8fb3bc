import { RUN, joins, newTask, openClass, ownClass } from './support/classroom';
import { make } from './support/files';
import { signIn } from './support/people';
import { chooseFrom, draw, panel, saved } from './support/sheet';
import { begin } from './support/story';
import { type Page, expect, test } from './support/test';

const TITLE = `One street ${RUN}`;

async function newClass(page: Page, name: string) {
  await page.goto('/');
  await ownClass(page, name);
}

test('a teacher sets a task; a child of the class begins a story, and Proof holds it to what is asked', async ({
  page,
  browser,
}) => {
  const [mine, other] = [`Row ${RUN}`, `Lane ${RUN}`];
  await signIn(page, 'maren');
  await newClass(page, other);
  await newClass(page, mine);
  await page.getByRole('button', { name: 'Show a code' }).click();
  const code = (await page.getByLabel('Code to join the class').textContent()) ?? '';
  await page.goto('/');
  const here = page.getByRole('region', { name: mine });
  await expect(here.getByText('This class has no task yet.')).toBeVisible();
  await here.getByRole('link', { name: 'Set a task' }).click();
  await expect(page.getByRole('heading', { level: 1, name: `A task for ${mine}` })).toBeVisible();
  await page.getByRole('link', { name: 'Not now' }).click();
  await here.getByRole('link', { name: 'Set a task' }).click();

  await page.getByLabel('Title of the task').fill(TITLE);
  await page.getByLabel('What to do').fill('Tell of one street near you.\nSpeak it yourself.');
  await page.getByLabel('Due on').fill('2031-05-09');
  await page.getByLabel('Shortest film').fill('1');
  await page.getByLabel('Longest film').fill('0.5');
  await page.getByLabel('Fewest slides').fill('3');
  await page.getByLabel('Most slides').fill('6');
  for (const asked of ['a title slide', 'a voice on every picture', 'words on every picture', 'words on every picture'])
    await page.getByText(asked, { exact: true }).click();
  for (const asked of [
    'a script, and so captions, for every voice',
    'author and licence of every work',
    'words that stay long enough to be read',
    'voices that are well heard',
    'only works that anybody may use',
  ])
    await page.getByText(asked, { exact: true }).click();
  await page.getByText('Up to 3', { exact: true }).click();
  await page
    .getByRole('radiogroup', { name: 'How many films of others each student answers' })
    .getByText('2', { exact: true })
    .click();
  await page.getByRole('button', { name: 'Set the task' }).click();
  await expect(page.getByRole('alert')).toContainText('The longest must not be less than the shortest');
  await page.getByLabel('Longest film').fill('2.5');
  // Without a network what was typed stays; then pressed twice it is set once.
  await page.context().setOffline(true);
  await page.getByRole('button', { name: 'Set the task' }).click();
  await expect(page.getByRole('alert')).toContainText('connection');
  await page.context().setOffline(false);
  await page.getByRole('button', { name: 'Set the task' }).dblclick();
  await expect(page.getByRole('heading', { level: 1, name: TITLE })).toBeVisible();
  await expect(
    page.getByText('3 to 6 slides · a title slide · a voice on every picture', { exact: false }),
  ).toBeVisible();
  await expect(page.getByText('1:00 to 2:30 minutes')).toBeVisible();

  // A child of the class, on a phone.
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const child = await context.newPage();
  await child.goto('/join');
  await child.getByLabel('Code on the board').fill(code);
  await child.getByLabel('First name').fill('Lio');
  await child.getByRole('button', { name: 'Join the class' }).tap();
  await child.getByRole('button', { name: 'I have written it down' }).tap();
  await expect(child.getByRole('heading', { level: 2, name: TITLE })).toHaveCount(1);
  await expect(child.getByText(/3 to 6 slides · a title slide .* · only works that anybody may use/)).toBeVisible();
  await child.getByRole('button', { name: 'Begin this story' }).tap();
  await child.getByLabel('What is it called?').fill('Our lane');
  await child.getByRole('button', { name: 'Begin', exact: true }).tap();
  await expect(child).toHaveURL(/stories/);
  await child.locator('input[type=file]').first().setInputFiles(['demo/pictures/low-water.jpg']);
  await expect(child.getByText('1 file came in.', { exact: true })).toBeVisible({ timeout: 60_000 });
  await draw(child, /^Proof:/ as unknown as 'The story');
  await expect(child.getByText('The story has 2 slides, and the assignment asks for at least 3.')).toBeVisible();
  await expect(child.getByText('Nobody speaks on slide 2 yet. The assignment asks for a voice')).toBeVisible();
  // A picture that not everybody may use is told of, and no more once it is another.
  await child.keyboard.press('Escape');
  await child.setViewportSize({ width: 1280, height: 800 });
  const source = async (licence: string) => {
    await child.getByRole('row').nth(1).getByText('2', { exact: true }).first().click();
    const chosen = panel(child);
    await chosen.getByLabel('Author').fill('Una Quay (invented)');
    await chosen.getByLabel('Licence, such as CC BY 4.0').fill(licence);
    await chosen.getByLabel('Licence, such as CC BY 4.0').blur();
    await saved(child);
    await child.keyboard.press('Escape');
  };
  const told = child.getByText('The licence of slide 2 is “CC BY-NC 4.0”', { exact: false });
  await source('CC BY-NC 4.0');
  await draw(child, /^Proof:/ as unknown as 'The story');
  await expect(told).toBeVisible();
  await child.keyboard.press('Escape');
  await source('CC BY 4.0');
  await draw(child, /^Proof:/ as unknown as 'The story');
  await expect(told).toHaveCount(0);
  await context.close();

  // Told anew, by keyboard.
  await page.getByRole('link', { name: 'Change the task' }).click();
  await page.getByRole('link', { name: 'Not now' }).click();
  await page.getByRole('link', { name: 'Change the task' }).click();
  await expect(page.getByLabel('Title of the task')).toHaveValue(TITLE);
  await expect(page.getByLabel('Longest film')).toHaveValue('2.5');
  // What is not changed stays as it was told.
  const stays = async () => {
    await expect(page.getByRole('radio', { name: 'Up to 3' })).toBeChecked();
    const peers = page.getByRole('radiogroup', { name: 'How many films of others each student answers' });
    await expect(peers.getByRole('radio', { name: '2', exact: true })).toBeChecked();
  };
  await stays();
  await page.getByLabel('Fewest slides').fill('');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/at most 6 slides · a title slide · a voice on every picture/)).toBeVisible();
  await page.getByRole('link', { name: 'Change the task' }).click();
  await stays();
  await page.getByLabel('What to do').fill('Tell of one street.');
  await page.getByRole('button', { name: 'Save the task' }).dblclick();
  await expect(page.getByText('Tell of one street.', { exact: true })).toBeVisible();

  // No more films, once without a network; and films again.
  const close = page.getByRole('button', { name: 'Take no more films' });
  await page.context().setOffline(true);
  await close.click();
  await expect(page.getByText(/connection/).first()).toBeVisible();
  await page.context().setOffline(false);
  await page.waitForFunction(() => navigator.onLine);
  await close.click();
  await expect(page.getByText('No more films are taken for this.')).toBeVisible();
  await page.getByRole('button', { name: 'Take films again' }).focus();
  await page.keyboard.press('Enter');
  await expect(close).toBeVisible();

  // For another class, put away there, and brought back.
  await chooseFrom(page, 'Another class', other);
  await page.getByRole('button', { name: 'Copy the task there' }).dblclick();
  await expect(page.getByText(`${other} has the task, too.`)).toBeVisible();
  await page.goto('/');
  const there = page.getByRole('region', { name: other });
  await expect(there.getByRole('heading', { name: TITLE })).toHaveCount(1);
  await there.getByRole('link', { name: 'See the hand-ins' }).click();
  await page.getByRole('button', { name: 'Put the task away' }).dblclick();
  await expect(there.getByText('This class has no task yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByRole('heading', { level: 1, name: TITLE })).toBeVisible();
  await page.goto('/');
  await expect(there.getByRole('heading', { name: TITLE })).toHaveCount(1);

  // Also when that sentence has gone: it stands with its class, and what was handed in is read from there.
  await there.getByRole('link', { name: 'See the hand-ins' }).click();
  await page.getByRole('button', { name: 'Put the task away' }).click();
  await expect(there.getByText('This class has no task yet.')).toBeVisible();
  await there.getByRole('link', { name: 'Students and cards' }).click();
  const tasks = page.getByRole('region', { name: 'Tasks' });
  const back = tasks.getByRole('button', { name: `Bring it back: “${TITLE}”` });
  await expect(back).toBeVisible();
  await page.context().setOffline(true);
  await back.press('Enter');
  await expect(page.getByText(/no connection/i).last()).toBeVisible();
  await page.context().setOffline(false);
  await back.dblclick();
  await expect(back).toHaveCount(0);
  await page.getByRole('button', { name: 'Archive the class' }).click();
  await expect(page.getByText('This class is archived.', { exact: false }).first()).toBeVisible();
  await tasks.getByRole('link', { name: TITLE }).click();
  await expect(page.getByRole('heading', { level: 1, name: TITLE })).toBeVisible();
});

test('stories begin with what a teacher has laid ready', async ({ page, browser }) => {
  const ready = `Laid ready ${RUN}`;
  await begin(page, 'maren', ready, [make('weir.jpg', '-i', 'mandelbrot=s=900x700', '-frames:v', '1')]);
  await page.getByLabel('Script of slide 2').fill('What do you see here?');
  await saved(page);
  await page.goto('/');
  const code = await openClass(page, `Ready ${RUN}`);
  await newTask(page, `Ready ${RUN}`, `The weir ${RUN}`);
  await page.getByRole('button', { name: 'Set the task' }).click();
  await expect(page.getByRole('button', { name: /Stories begin with$/ })).toContainText('Nothing but a title');
  await page.context().setOffline(true);
  await chooseFrom(page, 'Stories begin with', `A copy of “${ready}”`);
  await expect(page.getByText(/no connection/i).last()).toBeVisible();
  await expect(page.getByRole('button', { name: /Stories begin with$/ })).toContainText('Nothing but a title');
  await page.context().setOffline(false);
  await chooseFrom(page, 'Stories begin with', `A copy of “${ready}”`);
  await expect(page.getByText('Stories that are begun from now on begin so.')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: /Stories begin with$/ })).toContainText(ready);

  const child = await joins(browser, code, 'Tove');
  await child.getByRole('button', { name: 'Begin this story' }).tap();
  await child.getByLabel('What is it called?').fill('At our weir');
  await child.getByRole('button', { name: 'Begin', exact: true }).dblclick();
  await expect(child.getByLabel('Script of slide 2')).toHaveValue('What do you see here?');
  await child.getByLabel('Script of slide 2').fill('Foam, and a heron.');
  await saved(child);
  await child.goto('/');
  await expect(child.getByRole('link', { name: 'At our weir', exact: true })).toHaveCount(1);
});
