import { finds } from './support/axe';
import { RUN, handsIn, newTask, openClass } from './support/classroom';
import { make } from './support/files';
import { signIn } from './support/people';
import { expect, test } from './support/test';

const TASK = `A ferry ${RUN}`;

test(
  'students answer each other by lot, and their teacher reads it first',
  { tag: '@deep' },
  async ({ page, browser }) => {
    test.setTimeout(600_000);
    await signIn(page, 'maren');
    const code = await openClass(page, `Ferries ${RUN}`);
    await newTask(page, `Ferries ${RUN}`, TASK);
    const each = page.getByRole('radiogroup', { name: 'How many films of others each student answers' });
    await expect(page.getByText('I read what students say to each other before they do')).toHaveCount(0);
    for (const count of ['2', 'None', '1']) await each.getByText(count, { exact: true }).click();
    await page.getByText('I read what students say to each other before they do').click();
    await page.getByText('I read what students say to each other before they do').click();
    await page.getByRole('button', { name: 'Set the task' }).click();
    const dealing = page.getByRole('region', { name: 'Students answer each other' });
    await expect(dealing.getByRole('status')).toHaveText('No film is dealt yet.');
    await dealing.getByRole('button', { name: 'Deal the films by lot' }).click();
    await expect(page.getByText('There is no film yet that somebody else could answer.')).toBeVisible();

    const picture = make('ferry.jpg', '-i', 'mandelbrot=s=900x700', '-frames:v', '1');
    const lisa = await handsIn(browser, code, 'Lisa', picture);
    const mats = await handsIn(browser, code, 'Mats', picture);
    await page.context().setOffline(true);
    await dealing.getByRole('button', { name: 'Deal the films by lot' }).click();
    await expect(page.getByText(/no connection/i).last()).toBeVisible();
    await page.context().setOffline(false);
    await dealing.getByRole('button', { name: 'Deal the films by lot' }).dblclick();
    await expect(dealing.getByRole('status')).toHaveText('0 of 2 answers are written.');
    expect(await finds(page)).toEqual([]);

    // Lisa has the film of Mats: the film and the form, and nothing else of it.
    await lisa.goto('/');
    const toWatch = lisa.getByRole('region', { name: 'Films to watch' });
    await expect(toWatch.getByText(`By lot, for “${TASK}”`)).toBeVisible();
    expect(await finds(lisa)).toEqual([]);
    await toWatch.getByRole('link', { name: 'Watch “By Mats”' }).tap();
    const words = lisa.getByRole('region', { name: 'Your words to who made it' });
    await expect(words.getByText('Your teacher reads it first.')).toBeVisible();
    await expect(lisa.getByRole('heading', { name: 'Remarks' })).toHaveCount(0);
    await expect(lisa.getByRole('link', { name: /script|All hand-ins/i })).toHaveCount(0);
    await lisa.getByRole('button', { name: 'Play', exact: true }).tap();
    await lisa.getByRole('button', { name: 'Pause', exact: true }).tap();
    await words.getByRole('button', { name: 'Send it' }).tap();
    await expect(words.getByRole('textbox', { name: 'I liked' })).toBeFocused();
    await words.getByRole('textbox', { name: 'I liked' }).fill('The river in the morning.');
    await words.getByRole('textbox', { name: 'I wondered' }).fill('How deep is it?');
    await lisa.context().setOffline(true);
    await words.getByRole('button', { name: 'Send it' }).tap();
    await expect(words.getByRole('alert')).toContainText('connection');
    await lisa.context().setOffline(false);
    await words.getByRole('button', { name: 'Send it' }).dblclick();
    await expect(words.getByText('How deep is it?')).toBeVisible();
    expect(await finds(lisa)).toEqual([]);
    await words.getByRole('button', { name: 'Change it' }).tap();
    await words.getByRole('textbox', { name: 'I wondered' }).fill('How deep is the river?');
    await words.getByRole('button', { name: 'Send it' }).tap();
    await lisa.goto('/');
    await expect(toWatch.getByText('answered', { exact: true })).toBeVisible();

    // Mats does not read it before his teacher has.
    const link = { name: /^See what you handed in/ };
    await mats.goto('/');
    await mats.getByRole('link', link).tap();
    await expect(mats.getByRole('heading', { level: 1, name: 'By Mats' })).toBeVisible();
    await expect(mats.getByText('The river in the morning.')).toHaveCount(0);
    await page.reload();
    await expect(dealing.getByRole('status')).toHaveText('1 of 2 answers are written, 1 waits for you to read it.');
    await page.getByRole('link', { name: 'By Mats', exact: true }).first().click();
    const said = page.getByRole('region', { name: 'What students say' });
    await expect(said.getByText('How deep is the river?')).toBeVisible();
    await said.getByRole('button', { name: 'Let the words of “Lisa” be read' }).focus();
    await page.keyboard.press('Enter');
    await said.getByRole('button', { name: 'Let the words of “Lisa” not be read' }).click();
    await expect(said.getByText('only you read it')).toBeVisible();
    await said.getByRole('button', { name: 'Let the words of “Lisa” be read' }).click();
    await expect(said.getByRole('button', { name: 'Let the words of “Lisa” not be read' })).toBeVisible();
    expect(await finds(page)).toEqual([]);
    await mats.reload();
    await expect(mats.getByRole('region', { name: 'What students say' })).toContainText('The river in the morning.');
    await lisa.getByRole('link', { name: 'Watch “By Mats”' }).tap();
    await expect(words.getByText('Who made the film reads this.')).toBeVisible();

    // Who comes later gets one too.
    await handsIn(browser, code, 'Nora', picture);
    await page.getByRole('link', { name: 'All hand-ins' }).click();
    await dealing.getByRole('button', { name: 'Deal to who has too few' }).click();
    await expect(dealing.getByRole('status')).toContainText('1 of 3 answers are written');
  },
);
