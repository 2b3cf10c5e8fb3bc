import { RUN, add, cards, desk, names, nobody, ownClass } from './support/classroom';
import { signIn } from './support/people';
import { expect, test } from './support/test';

test('a teacher begins a class, and its children come in by what stands on their cards', async ({ page, browser }) => {
  await signIn(page, 'maren');
  await page.getByRole('button', { name: 'New class' }).click();
  await page.getByRole('button', { name: 'Not now' }).click();
  await ownClass(page, 'Reed class');
  await add(page, '1. Alma Wend\n2. Bo\n3. Alma Kay', '3 students are in the class now.');
  await expect(names(page)).toHaveText(['Alma K.', 'Alma W.', 'Bo']);
  await page.getByRole('link', { name: 'See the cards' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Cards for Reed class' })).toBeVisible();
  const all = await cards(page);
  expect(Object.keys(all).sort()).toEqual(['Alma K.', 'Alma W.', 'Bo']);
  await page.evaluate(() => Object.assign(window, { print: () => (document.title = 'printed') }));
  await page.getByRole('button', { name: 'Print the cards' }).click();
  await expect(page).toHaveTitle('printed');

  // Typed on a phone, at first by somebody else's words.
  const child = await nobody(browser);
  await child.goto('/');
  await child.getByText('I have a card').tap();
  const type = async (name: string, words: string) => {
    await child.getByLabel('Class', { exact: true }).fill(all.Bo?.word.toUpperCase() ?? '');
    await child.getByLabel('My name').fill(name);
    await child.getByLabel('My three words').fill(words);
    await child.getByRole('button', { name: 'Sign in' }).tap();
  };
  await type('bo', all['Alma K.']?.words ?? '');
  await expect(child.getByRole('alert')).toContainText('do not go together');
  await type('bo', all.Bo?.words.replaceAll(' ', '-') ?? '');
  await expect(desk(child, 'Bo')).toBeVisible();
  await child.reload();
  await expect(desk(child, 'Bo')).toBeVisible();

  // The next at the same computer holds their card before its camera: nothing of the one before is left.
  await child.getByRole('button', { name: 'Begin a story' }).tap();
  await child.getByLabel('What is it called?').fill('My reeds');
  await child.getByRole('button', { name: 'Begin', exact: true }).tap();
  await expect(child).toHaveURL(/stories/);
  await child.goto(all['Alma W.']?.address ?? '');
  await expect(desk(child, 'Alma W.')).toBeVisible();
  await expect(child.getByText('My reeds')).toHaveCount(0);
  expect(child.url()).not.toContain('#');
  // The class is remembered on this computer, who was here is not.
  await Promise.all([child.waitForEvent('load'), child.getByRole('button', { name: 'Sign out' }).tap()]);
  await expect(child.getByLabel('Class', { exact: true })).toHaveValue(all.Bo?.word.toUpperCase() ?? '');
  await expect(child.getByLabel('My name')).toHaveValue('');
  await child.getByText('I have an account').tap();
  await expect(child.getByLabel('Password')).toBeVisible();

  // A lost card: a new one, and the old one says what to do.
  await page.getByRole('link', { name: 'Back to the class' }).click();
  await expect(page.getByText('was here', { exact: false })).toHaveCount(2);
  await page.getByRole('button', { name: 'New card for “Alma W.”' }).click();
  await expect(page.getByText('Alma W. has a new card.')).toBeVisible();
  await child.goto(all['Alma W.']?.address ?? '');
  await expect(child.getByRole('alert')).toContainText('does not work any more');
  await child.getByRole('link', { name: 'Sign in another way' }).tap();
  await expect(child.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await page.getByRole('button', { name: 'New cards for everybody' }).click();
  await page.getByRole('region', { name: 'New cards for everybody' }).getByRole('button', { name: 'Not now' }).click();
  await page.getByRole('button', { name: 'New cards for everybody' }).click();
  await page.getByRole('button', { name: 'Make cards: 3' }).dblclick();
  await expect(page.getByRole('button', { name: 'New cards for everybody' })).toBeVisible();
  await page.getByRole('link', { name: 'See the cards' }).click();
  const anew = await cards(page);
  expect(new Set(Object.values(anew).map(({ words }) => words)).size).toBe(3);
  for (const [name, { words }] of Object.entries(all)) expect(anew[name]?.words).not.toBe(words);
  await child.goto(anew['Alma W.']?.address ?? '');
  await expect(desk(child, 'Alma W.')).toBeVisible();
  // They are shown once.
  await page.reload();
  await expect(page.getByText('There are no cards to print.')).toBeVisible();
  await page.getByRole('link', { name: 'Back to the class' }).click();
  await child.context().close();
});

test('who is in a class: renamed, taken out and put back, by keyboard and without a network', async ({ page }) => {
  await signIn(page, 'maren');
  await ownClass(page, 'Mire class');
  await add(page, 'Cyra, Dov; Eno', '3 students are in the class now.');
  await page.getByRole('button', { name: 'Rename “Dov”' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('What they are called')).toBeFocused();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('cyra');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Somebody in the class is called Cyra already.')).toBeVisible();
  await page.getByLabel('What they are called').fill('Dora');
  await page.getByRole('button', { name: 'Save the name' }).dblclick();
  await expect(names(page)).toHaveText(['Cyra', 'Dora', 'Eno']);
  await page.getByRole('button', { name: 'Rename “Eno”' }).click();
  await page.getByRole('region', { name: '3 students' }).getByRole('button', { name: 'Not now' }).click();

  await page.getByRole('button', { name: 'Take “Eno” out of the class' }).dblclick();
  await expect(names(page)).toHaveText(['Cyra', 'Dora']);
  await page.getByRole('button', { name: 'Put back' }).click();
  await expect(names(page)).toHaveText(['Cyra', 'Dora', 'Eno']);

  // Without a network nothing is lost, and it says so.
  await page.context().setOffline(true);
  await page.getByLabel('First names').fill('Fay');
  await page.getByRole('button', { name: 'Add to the class' }).click();
  await expect(page.getByText(/connection/).first()).toBeVisible();
  await expect(page.getByLabel('First names')).toHaveValue('Fay');
  await page.context().setOffline(false);
  await page.getByRole('button', { name: 'Add to the class' }).click();
  await expect(names(page)).toHaveText(['Cyra', 'Dora', 'Eno', 'Fay']);

  await page.getByRole('button', { name: 'Rename the class' }).click();
  await page.getByRole('button', { name: 'Not now' }).click();
  await page.getByRole('button', { name: 'Rename the class' }).click();
  await page.getByLabel('Name of the class').fill(`Moss ${RUN}`);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: `Moss ${RUN}` })).toBeVisible();

  // Two teachers at once: both find room, and everybody has a name of their own.
  const twin = await page.context().newPage();
  await twin.goto(page.url());
  await expect(twin.getByRole('heading', { level: 1, name: `Moss ${RUN}` })).toBeVisible();
  for (const one of [page, twin]) await one.getByLabel('First names').fill('Fay\nGil');
  await Promise.all([page, twin].map((one) => one.getByRole('button', { name: 'Add to the class' }).click()));
  for (const one of [page, twin]) await expect(one.getByText('2 students are in the class now.')).toBeVisible();
  await page.reload();
  await expect(names(page)).toHaveText(['Cyra', 'Dora', 'Eno', 'Fay', 'Fay 2', 'Fay 3', 'Gil', 'Gil 2']);
  await page.getByRole('link', { name: 'Rhapsode, to the desk' }).click();
  await page
    .getByRole('region', { name: `Moss ${RUN}` })
    .getByRole('link', { name: 'Students and cards' })
    .click();
  await expect(names(page)).toHaveCount(8);
});

test('children put themselves into a class by the code on the board', async ({ page, browser }) => {
  await signIn(page, 'maren');
  await ownClass(page, 'Weir class');
  await page.getByRole('button', { name: 'Show a code' }).dblclick();
  const board = page.getByLabel('Code to join the class');
  const first = (await board.textContent()) ?? '';
  await page.getByRole('button', { name: 'Another code' }).click();
  await expect(board).not.toHaveText(first);
  const code = (await board.textContent()) ?? '';

  const child = await nobody(browser);
  await child.goto('/');
  await child.getByText('I have a card').tap();
  await child.getByRole('link', { name: 'I have a code to join a class' }).tap();
  await child.getByRole('link', { name: 'I have a card' }).tap();
  await child.getByRole('link', { name: 'I have a code to join a class' }).tap();
  await child.getByLabel('Code on the board').fill(first);
  await child.getByLabel('First name').fill('Lio Wend');
  await child.getByRole('button', { name: 'Join the class' }).tap();
  await expect(child.getByRole('alert')).toContainText('No class can be joined with this code.');
  await child.getByLabel('Code on the board').fill(code.toLowerCase());
  await child.getByRole('button', { name: 'Join the class' }).dblclick();
  await expect(child.getByRole('heading', { level: 1, name: 'Lio, you are in Weir class' })).toBeVisible();
  const [word = '', name = '', words = ''] = await child.locator('dd').allTextContents();
  await child.getByRole('button', { name: 'I have written it down' }).tap();
  await expect(desk(child, 'Lio')).toBeVisible();
  // The teacher sees them come, once.
  await expect(names(page)).toHaveText(['Lio']);
  await page.getByRole('button', { name: 'Close the class' }).click();
  await expect(page.getByRole('button', { name: 'Show a code' })).toBeVisible();
  // What was written down opens from now on.
  const later = await nobody(browser);
  await later.goto('/');
  await later.getByText('I have a card').tap();
  await later.getByLabel('Class', { exact: true }).fill(word);
  await later.getByLabel('My name').fill(name);
  await later.getByLabel('My three words').fill(words);
  await later.keyboard.press('Enter');
  await expect(desk(later, 'Lio')).toBeVisible();
  for (const one of [child, later]) await one.context().close();
});

test('a year ends: a class is archived and brought back, then moved up, and its cards still open', async ({
  page,
  browser,
}) => {
  const [now, next] = [`Fourth ${RUN}`, `Fifth ${RUN}`];
  await signIn(page, 'maren');
  await ownClass(page, now);
  await add(page, 'Ode, Ren', '2 students are in the class now.');
  await page.getByRole('link', { name: 'See the cards' }).click();
  const all = await cards(page);
  await page.getByRole('link', { name: 'Back to the class' }).click();
  await page.getByRole('button', { name: 'Archive the class' }).dblclick();
  await expect(page.getByText('This class is archived. What was handed in can still be read.')).toBeVisible();
  await expect(page.getByRole('button', { name: /Rename|Add to the class|Show a code/ })).toHaveCount(0);
  await page.getByRole('link', { name: 'Rhapsode, to the desk' }).click();
  await expect(page.getByRole('region', { name: now })).toHaveCount(0);
  await page.getByRole('link', { name: now }).click();
  await page
    .getByRole('region', { name: 'The end of the year' })
    .getByRole('button', { name: 'Bring it back' })
    .click();
  await expect(page.getByRole('button', { name: 'Add to the class' })).toBeVisible();

  await page.getByRole('button', { name: 'Move the class up' }).click();
  await page.getByRole('region', { name: 'The end of the year' }).getByRole('button', { name: 'Not now' }).click();
  await page.getByRole('button', { name: 'Move the class up' }).click();
  await page.getByLabel('Name of the new class').fill(next);
  await page.getByRole('button', { name: 'Move it up' }).dblclick();
  await expect(page.getByRole('heading', { level: 1, name: next })).toBeVisible();
  await expect(names(page)).toHaveText(['Ode', 'Ren']);
  const child = await nobody(browser);
  await child.goto('/');
  await child.getByText('I have a card').tap();
  await child.getByLabel('Class', { exact: true }).fill(all.Ren?.word ?? '');
  await child.getByLabel('My name').fill('Ren');
  await child.getByLabel('My three words').fill(all.Ren?.words ?? '');
  await child.keyboard.press('Enter');
  await expect(desk(child, 'Ren')).toBeVisible();
  await child.context().close();
});
