import { RUN, add, desk, names, nobody, ownClass } from './support/classroom';
import { signIn, signInName } from './support/people';
import { chooseFrom } from './support/sheet';
import { expect, test } from './support/test';

test('teachers come to a class by a link, with a new account or with the one they have', async ({ page, browser }) => {
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
  await signIn(page, 'maren');
  await ownClass(page, 'Fen class');
  const link = async (label: string) => {
    await page.getByRole('button', { name: label }).dblclick();
    await page.getByRole('button', { name: 'Copy the link' }).click();
    await expect(page.getByText('It is copied.').last()).toBeVisible();
    const address = await page.evaluate(() => navigator.clipboard.readText());
    await page.getByRole('button', { name: 'Done' }).click();
    return address;
  };
  const helps = await link('Invite a helper');
  const leads = await link('Invite a teacher');
  expect(helps).not.toBe(leads);

  const other = await nobody(browser, { width: 800, height: 1100 });
  await other.goto(helps);
  await expect(other.getByRole('heading', { level: 1 })).toHaveText('You are invited to Fen class, Orrinhythe School');
  await other.getByLabel('First name').fill('Pell');
  await other.getByLabel('Sign-in name').fill(signInName('Maren'));
  await other.getByLabel('Password').fill('short');
  const make = other.getByRole('button', { name: 'Make my account' });
  await make.tap();
  await expect(other.getByRole('alert')).toContainText('10 characters');
  await other.getByLabel('Password').fill('a heron on the weir');
  await make.tap();
  await expect(other.getByRole('alert')).toContainText(`Somebody signs in as ${signInName('maren')} already.`);
  await other.getByLabel('Sign-in name').fill(`pell-${RUN}`);
  await make.dblclick();
  await expect(desk(other, 'Pell')).toBeVisible();
  // A helper sees the class, and changes nothing of it.
  await other.getByRole('link', { name: 'Students and cards' }).tap();
  await expect(other.getByText('Nobody is in the class yet.')).toBeVisible();
  await expect(other.getByRole('button', { name: /Rename|Add|Show a code|Invite/ })).toHaveCount(0);
  // It works once.
  await page.goto(helps);
  await expect(page.getByRole('alert')).toContainText('This link does not work any more.');
  await page.getByRole('link', { name: 'Sign in another way' }).click();
  await expect(desk(page, 'Maren')).toBeVisible();

  // Who has an account comes with it.
  await other.goto('/');
  await other.getByRole('button', { name: 'New class' }).tap();
  await other.getByLabel('What is the class called?').fill(`Pool ${RUN}`);
  await other.keyboard.press('Enter');
  await other.getByRole('button', { name: 'Invite a teacher' }).tap();
  const back = await other.getByLabel('Link', { exact: true }).inputValue();
  await page.goto(back);
  await expect(page.getByText('You are signed in as Maren.')).toBeVisible();
  await page.getByRole('button', { name: 'Come to the class' }).dblclick();
  await page
    .getByRole('region', { name: `Pool ${RUN}` })
    .getByRole('link', { name: 'Students and cards' })
    .click();
  const teachers = page.getByRole('region', { name: 'Teachers' });
  await expect(teachers.getByRole('listitem')).toHaveText([/^Pell leads/, /^Maren leads/]);
  await add(page, 'Nim', '1 student is in the class now.');

  // Who leads is changed, somebody is taken out and put back; without a connection nothing is.
  await teachers.getByRole('button', { name: 'Let “Pell” help in the class' }).dblclick();
  await expect(teachers.getByRole('listitem').first()).toHaveText(/^Pell helps/);
  await other.reload();
  await expect(other.getByText('1 student', { exact: true })).toBeVisible();
  await expect(other.getByRole('button', { name: 'Invite a teacher' })).toHaveCount(0);
  await teachers.getByRole('button', { name: 'Let “Maren” help in the class' }).click();
  await expect(page.getByText('Somebody has to lead the class. Let somebody else lead it first.')).toBeVisible();
  await page.context().setOffline(true);
  await teachers.getByRole('button', { name: 'Take “Pell” out of the teachers' }).click();
  await expect(page.getByText(/no connection/i).last()).toBeVisible();
  await page.context().setOffline(false);
  await teachers.getByRole('button', { name: 'Take “Pell” out of the teachers' }).focus();
  await page.keyboard.press('Enter');
  await expect(teachers.getByRole('listitem')).toHaveText([/^Maren leads/]);
  await page.getByRole('button', { name: 'Put back' }).click();
  await expect(teachers.getByRole('listitem')).toHaveCount(2);
  await teachers.getByRole('button', { name: 'Let “Pell” lead the class' }).click();
  await expect(teachers.getByRole('button', { name: 'Let “Pell” help in the class' })).toBeVisible();
  await teachers.getByRole('button', { name: 'Take “Maren” out of the teachers' }).click();
  await expect(desk(page, 'Maren')).toBeVisible();
  await expect(page.getByRole('region', { name: `Pool ${RUN}` })).toHaveCount(0);
  await other.context().close();
});

test('an administrator sees the school, and lets teachers in', async ({ page, browser }) => {
  await signIn(page, 'edda');
  await page.getByRole('link', { name: 'The school' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Orrinhythe School' })).toBeVisible();
  const people = page.getByRole('region', { name: /teachers?$/ });
  const invite = async (label: string) => {
    await people.getByRole('button', { name: label }).click();
    // It can be marked and copied by hand, and not be written over.
    await people.getByLabel('Link', { exact: true }).click();
    await page.keyboard.type('x');
    const link = await people.getByLabel('Link', { exact: true }).inputValue();
    await people.getByRole('button', { name: 'Done' }).click();
    return link;
  };
  // By whose clock a day is over. The name is the other tests', too: it stays.
  await page.getByRole('button', { name: 'About the school' }).click();
  const about = page.getByRole('region', { name: 'About the school' });
  await about.getByLabel('Name of the school').fill('Another house');
  await about.getByRole('button', { name: 'Not now' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Orrinhythe School' })).toBeVisible();
  for (const zone of ['Pacific/Kiritimati', 'UTC']) {
    await page.getByRole('button', { name: 'About the school' }).click();
    await expect(about.getByLabel('Name of the school')).toHaveValue('Orrinhythe School');
    await chooseFrom(about, 'Clock of the school', zone);
    await about.getByRole('button', { name: 'Save' }).dblclick();
    await expect(about).toHaveCount(0);
  }
  const teacher = await invite('Invite a teacher');
  const administrator = await invite('Invite an administrator');
  const come = async (link: string, name: string) => {
    const other = await nobody(browser);
    await other.goto(link);
    await other.getByLabel('First name').fill(name);
    await other.getByLabel('Sign-in name').fill(`${name} ${RUN}`);
    await other.getByLabel('Password').fill('a heron on the weir');
    await other.keyboard.press('Enter');
    await expect(desk(other, name)).toBeVisible();
    return other;
  };
  const runs = await come(administrator, 'Sunniva');
  await expect(runs.getByRole('link', { name: 'The school' })).toBeVisible();
  const teaches = await come(teacher, 'Tove');
  await expect(teaches.getByText('You have no class yet.')).toBeVisible();
  await expect(teaches.getByRole('link', { name: 'The school' })).toHaveCount(0);
  await teaches.goto('/school');
  await expect(teaches.getByRole('alert')).toBeVisible();
  await teaches.goto('/');
  await ownClass(teaches, `Ford ${RUN}`);
  // Who comes in capitals is the same.
  await Promise.all([teaches.waitForEvent('load'), teaches.getByRole('button', { name: 'Sign out' }).tap()]);
  await teaches.getByLabel('Name').fill(`TOVE ${RUN.toUpperCase()}`);
  await teaches.getByLabel('Password').fill('a heron on the weir');
  await teaches.getByRole('button', { name: 'Sign in' }).tap();
  await expect(desk(teaches, 'Tove')).toBeVisible();
  await page.reload();
  await expect(people).toContainText('Sunniva');
  await page.getByRole('link', { name: `Ford ${RUN}` }).click();
  await add(page, 'Nim', '1 student is in the class now.');
  for (const one of [runs, teaches]) await one.context().close();
});

test('a school comes in from its own system, and goes out as files', async ({ page, browser }) => {
  const { zipSync, unzipSync, strToU8, strFromU8 } = await import('fflate');
  await signIn(page, 'edda');
  await page.getByRole('link', { name: 'The school' }).click();
  const roster = page.getByRole('region', { name: 'From your school’s system' });
  const choose = async (files: { name: string; buffer: Buffer }[]) => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      roster.getByRole('button', { name: 'Bring a roster in' }).click(),
    ]);
    await chooser.setFiles(files.map((file) => ({ ...file, mimeType: 'application/octet-stream' })));
  };
  const users = `sourcedId,givenName,familyName\n${RUN}a,Quill,Wend\n${RUN}b,Rue,Mill\n${RUN}t,Sol,Fen\n`;
  const classes = `sourcedId,title\n${RUN}c,Birch ${RUN}\n`;
  const enrolled = ['a,student', 'b,student', 't,teacher'].map((one) => `${RUN}c,${RUN}${one}`).join('\n');
  const enrollments = `classSourcedId,userSourcedId,role\n${enrolled}\n`;
  await choose([{ name: 'broken.zip', buffer: Buffer.from('no zip') }]);
  await expect(roster.getByRole('alert')).toHaveText('This file could not be read. It should be a .zip or .csv file.');
  await choose([{ name: 'users.csv', buffer: Buffer.from(users) }]);
  await expect(roster.getByRole('alert')).toContainText('The file classes.csv is missing.');
  const zip = zipSync({
    'term/users.csv': strToU8(users),
    'term/classes.csv': strToU8(classes),
    'term/enrollments.csv': strToU8(enrollments),
  });
  await choose([{ name: 'roster.zip', buffer: Buffer.from(zip) }]);
  await expect(roster.getByRole('status')).toContainText('New: 1 class, 2 students in classes.');
  await expect(page.getByRole('link', { name: `Birch ${RUN}` })).toBeVisible();
  const link = (await roster.getByRole('listitem').filter({ hasText: 'Sol Fen' }).locator('code').textContent()) ?? '';
  await choose([
    { name: 'users.csv', buffer: Buffer.from(users) },
    { name: 'classes.csv', buffer: Buffer.from(classes) },
    { name: 'enrollments.csv', buffer: Buffer.from(enrollments) },
  ]);
  await expect(roster.getByRole('status')).toContainText('New: 0 classes, 0 students in classes.');

  const teacher = await nobody(browser);
  await teacher.goto(link);
  await teacher.getByLabel('First name').fill('Sol');
  await teacher.getByLabel('Sign-in name').fill(`sol ${RUN}`);
  await teacher.getByLabel('Password').fill('a heron on the weir');
  await teacher.getByRole('button', { name: 'Make my account' }).tap();
  await teacher
    .getByRole('region', { name: `Birch ${RUN}` })
    .getByRole('link', { name: 'Students and cards' })
    .tap();
  await expect(names(teacher)).toHaveText(['Quill', 'Rue']);
  await teacher.context().close();

  const [download] = await Promise.all([
    page.waitForEvent('download'),
    roster.getByRole('button', { name: 'Take the school as a roster' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('Orrinhythe School.zip');
  const { readFileSync } = await import('node:fs');
  const files = unzipSync(new Uint8Array(readFileSync(await download.path())));
  expect(strFromU8(files['manifest.csv'] ?? new Uint8Array())).toContain('oneroster.version,1.2');
  expect(strFromU8(files['users.csv'] ?? new Uint8Array())).toContain(`${RUN}a,active`);
});
