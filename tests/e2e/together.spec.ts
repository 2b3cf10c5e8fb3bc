import type { Page } from '@playwright/test';
import { finds } from './support/axe';
import { RUN, desk, joins, newTask, openClass } from './support/classroom';
import { contents, make, voice } from './support/files';
import { signIn } from './support/people';
import { rows, saved } from './support/sheet';
import { expect, test } from './support/test';

const TASK = `The lock keeper ${RUN}`;
const drawer = (page: Page) => page.getByRole('dialog');

test(
  'two make one story: each on their own desk, at once, and it is known who said what',
  {
    tag: '@deep',
  },
  async ({ page, browser }) => {
    test.setTimeout(600_000);
    await signIn(page, 'maren');
    const code = await openClass(page, `Locks ${RUN}`);
    await newTask(page, `Locks ${RUN}`, TASK);
    const size = page.getByRole('radiogroup', { name: 'How many make one film' });
    for (const one of ['Up to 3', 'Each their own', 'Up to 2']) await size.getByText(one).click();
    await page.getByRole('button', { name: 'Set the task' }).click();
    await expect(page.getByText('There is no group yet.')).toBeVisible();

    const ida = await joins(browser, code, 'Ida');
    const nils = await joins(browser, code, 'Nils');
    const una = await joins(browser, code, 'Una');
    await expect(ida.getByText('Alone, or up to 2 together')).toBeVisible();
    await ida.getByRole('button', { name: 'Begin this story' }).tap();
    await ida.getByLabel('What is it called?').fill('By the lock');
    // Pressed twice it is one story.
    await ida.getByRole('button', { name: 'Begin', exact: true }).dblclick();
    await expect(rows(ida)).toHaveCount(1);
    await ida.getByRole('button', { name: 'Make it together' }).tap();
    await drawer(ida)
      .getByRole('button', { name: /Who else makes it/ })
      .tap();
    await ida.getByRole('option', { name: 'Nils' }).tap();
    await ida.context().setOffline(true);
    await drawer(ida).getByRole('button', { name: 'Add them' }).tap();
    await expect(drawer(ida).getByRole('alert')).toContainText('connection');
    await ida.context().setOffline(false);
    await drawer(ida).getByRole('button', { name: 'Add them' }).dblclick();
    await expect(drawer(ida).getByRole('listitem')).toHaveText([/Ida.*Leave this story/, 'Nils']);
    await expect(drawer(ida).getByText('Nobody more can make it: there may be 2.')).toBeVisible();
    expect(await finds(ida)).toEqual([]);
    await ida.keyboard.press('Escape');
    await expect(ida.getByRole('button', { name: 'With “Ida and Nils”' })).toBeVisible();

    // It lies on the other's desk, and what one does comes to the other by itself.
    await nils.reload();
    await expect(nils.getByText('With Ida', { exact: true })).toBeVisible();
    await expect(nils.getByRole('button', { name: /^Delete/ })).toHaveCount(0);
    await nils.getByRole('link', { name: 'By the lock', exact: true }).tap();
    await expect(rows(nils)).toHaveCount(1);
    const pictures = [
      make('lock.jpg', '-i', 'mandelbrot=s=800x600', '-frames:v', '1'),
      make('gate.jpg', '-i', 'testsrc2=s=600x800', '-frames:v', '1'),
    ];
    await ida.locator('input[type=file]').first().setInputFiles(pictures);
    await expect(ida.getByText('2 files came in.', { exact: true })).toBeVisible({ timeout: 60_000 });
    await expect(rows(nils)).toHaveCount(3, { timeout: 20_000 });
    await ida.getByLabel('Script of slide 2').fill('Here the water waits.');
    await nils.getByLabel('Script of slide 3').fill('And here it goes on.');
    await saved(ida);
    await saved(nils);
    for (const one of [ida, nils]) {
      await expect(one.getByLabel('Script of slide 2')).toHaveValue('Here the water waits.', { timeout: 20_000 });
      await expect(one.getByLabel('Script of slide 3')).toHaveValue('And here it goes on.', { timeout: 20_000 });
    }
    for (const [one, slide] of [
      [ida, 2],
      [nils, 3],
    ] as const) {
      const [chooser] = await Promise.all([
        one.waitForEvent('filechooser'),
        one.getByRole('button', { name: `Bring in a sound for slide ${slide}` }).tap(),
      ]);
      await chooser.setFiles(voice());
    }
    await expect(ida.getByText(/ s · Nils$/)).toBeVisible({ timeout: 60_000 });
    await expect(nils.getByText(/ s · Ida$/)).toBeVisible({ timeout: 60_000 });

    // Each takes it home, whole.
    await nils.getByRole('button', { name: 'The story', exact: true }).tap();
    const [home] = await Promise.all([
      nils.waitForEvent('download'),
      nils.getByRole('link', { name: 'Take the story along (ZIP)' }).tap(),
    ]);
    expect(home.suggestedFilename()).toBe('By the lock.zip');
    const files = contents(await home.path());
    expect(files).toContain('story/story.json');
    expect(files.filter((file) => file.endsWith('.flac'))).toHaveLength(2);
    expect(files.filter((file) => file.endsWith('.jpg'))).toHaveLength(2);
    await nils.keyboard.press('Escape');

    // One of them hands it in; it is told what others will see, and it stands as both theirs.
    await nils.getByRole('link', { name: 'Film', exact: true }).tap();
    await nils.getByRole('button', { name: 'Make the film' }).tap();
    await expect(nils.getByText(/^It plays: picture and sound to the end, /)).toBeVisible({ timeout: 180_000 });
    await expect(nils.getByText(`What others see: who teaches Locks ${RUN}`)).toBeVisible();
    await nils.getByRole('button', { name: 'Hand in', exact: true }).tap();
    await expect(nils.getByText('This film is handed in and waits for an answer.')).toBeVisible();
    await ida.goto('/');
    await ida.getByRole('link', { name: 'By the lock', exact: true }).tap();
    await ida.getByRole('button', { name: 'With “Ida and Nils”' }).tap();
    await drawer(ida).getByRole('button', { name: 'Leave this story' }).tap();
    await expect(drawer(ida).getByRole('alert')).toContainText('It is handed in');

    // The teacher reads both names, and who said what; puts two into a group and takes one out again.
    await page.reload();
    await expect(page.getByText(/^Ida and Nils · /)).toBeVisible();
    await expect(page.getByRole('row', { name: /^Ida .*By the lock/ })).toBeVisible();
    await expect(page.getByRole('row', { name: /^Nils .*By the lock/ })).toBeVisible();
    await page.getByRole('link', { name: 'By the lock', exact: true }).first().click();
    await expect(page.getByText(/^Ida and Nils · /)).toBeVisible();
    expect(await finds(page)).toEqual([]);
    const facts = page.getByRole('region', { name: 'What can be counted' });
    await expect(facts.getByText('0 of 2 works say whose they are, with a licence')).toBeVisible();
    await expect(facts.getByText('Ida speaks on 2')).toBeVisible();
    await expect(facts.getByText('Nils speaks on 3')).toBeVisible();
    const film = page.getByRole('slider', { name: 'Position in the film' });
    await expect(film).toHaveValue('0');
    await facts.getByRole('button', { name: 'Look at slide 3' }).first().click();
    await expect(film).not.toHaveValue('0');
    await page.getByRole('link', { name: 'All hand-ins' }).click();
    const groups = page.getByRole('region', { name: /^Groups/ });
    await expect(groups.getByText('Ida and Nils')).toBeVisible();
    const otto = await joins(browser, code, 'Otto');
    await page.reload();
    await groups.getByRole('checkbox', { name: 'Una' }).focus();
    await page.keyboard.press('Space');
    await groups.getByText('Otto', { exact: true }).click();
    await groups.getByRole('button', { name: 'Put them in a group' }).dblclick();
    await expect(groups.getByText('Everybody is in a group.')).toBeVisible();
    await expect(groups.getByRole('listitem').filter({ hasText: 'Una and Otto' })).toHaveCount(1);
    expect(await finds(page)).toEqual([]);
    for (const one of [una, otto]) {
      await one.reload();
      await expect(one.getByRole('link', { name: TASK, exact: true })).toBeVisible();
    }
    await groups.getByText('Una and Otto').click();
    await groups.getByRole('button', { name: 'Take “Otto” out' }).click();
    await expect(groups.getByRole('checkbox', { name: 'Otto' })).toBeVisible();
    await otto.reload();
    await expect(desk(otto, 'Otto')).toBeVisible();
    await expect(otto.getByRole('link', { name: TASK, exact: true })).toHaveCount(0);

    // Una goes on, asks Otto in herself, and leaves: it is his now.
    await una.getByRole('link', { name: TASK, exact: true }).tap();
    await una.getByRole('button', { name: 'Make it together' }).tap();
    await drawer(una)
      .getByRole('button', { name: /Who else makes it/ })
      .tap();
    await una.getByRole('option', { name: 'Otto' }).tap();
    await drawer(una).getByRole('button', { name: 'Add them' }).tap();
    await drawer(una).getByRole('button', { name: 'Leave this story' }).tap();
    await expect(una.getByText(`You do not make “${TASK}” any more.`)).toBeVisible();
    await expect(una.getByRole('link', { name: TASK, exact: true })).toHaveCount(0);
    await otto.reload();
    await expect(otto.getByRole('button', { name: `Delete “${TASK}”` })).toBeVisible();
  },
);
