import { finds } from './support/axe';
import { RUN, joins, newTask, openClass } from './support/classroom';
import { signIn } from './support/people';
import { chooseFrom, rows } from './support/sheet';
import { expect, test } from './support/test';

const CLASS = `Dune ${RUN}`;

test('what an archived class has made goes when the school says so, and whoever made it is told', async ({
  page,
  browser,
}) => {
  await signIn(page, 'maren');
  const code = await openClass(page, CLASS);
  await newTask(page, CLASS, `A dune ${RUN}`);
  await page.getByRole('button', { name: 'Set the task' }).click();
  await expect(page.getByRole('heading', { level: 1, name: `A dune ${RUN}` })).toBeVisible();
  const child = await joins(browser, code, 'Tyra');
  await child.getByRole('button', { name: 'Begin this story' }).tap();
  await child.getByLabel('What is it called?').fill('Sand that walks');
  await child.getByRole('button', { name: 'Begin', exact: true }).tap();
  await expect(rows(child)).toHaveCount(1);
  await page.goto('/');
  await page.getByRole('region', { name: CLASS }).getByRole('link', { name: 'Students and cards' }).click();
  await page.getByRole('button', { name: 'Archive the class' }).click();
  await expect(page.getByText('This class is archived. What was handed in can still be read.')).toBeVisible();
  await expect(page.getByText(/it goes for good/)).toHaveCount(0);

  const office = await (await browser.newContext()).newPage();
  await signIn(office, 'edda');
  await office.goto('/school');
  const about = office.getByRole('region', { name: 'About the school' });
  const keeps = async (how: string) => {
    await office.getByRole('button', { name: 'About the school' }).click();
    await chooseFrom(about, 'What archived classes have made', how);
  };
  await keeps('Is kept for 2 more years');
  await expect(about.getByText(/Nothing goes in the first 30 days/)).toBeVisible();
  expect(await finds(office)).toEqual([]);
  await office.context().setOffline(true);
  await about.getByRole('button', { name: 'Save' }).press('Enter');
  await expect(about.getByRole('alert')).toContainText('connection');
  await office.context().setOffline(false);
  await about.getByRole('button', { name: 'Save' }).dblclick();
  await expect(about).toHaveCount(0);
  const year = new Date().getUTCFullYear() + 2;
  const line = office.getByRole('listitem').filter({ has: office.getByRole('link', { name: CLASS }) });
  await expect(line).toContainText(new RegExp(`archived · goes on .*${year}`));

  await page.reload();
  await expect(page.getByText(new RegExp(`On .*${year} it goes for good`))).toBeVisible();
  await page.goto('/');
  await expect(page.getByText(new RegExp(`goes on .*${year}`)).first()).toBeVisible();
  await child.goto('/');
  await expect(child.getByText(new RegExp(`Goes for good on .*${year}: take it home before.`))).toBeVisible();
  expect(await finds(child)).toEqual([]);

  // Kept after all.
  await keeps('Is kept');
  await expect(about.getByText(/Nothing goes in the first/)).toHaveCount(0);
  await about.getByRole('button', { name: 'Save' }).click();
  await expect(line).toContainText('archived');
  await expect(line).not.toContainText('goes on');
  await child.reload();
  await expect(child.getByText('Sand that walks')).toBeVisible();
  await expect(child.getByText(/Goes for good/)).toHaveCount(0);
  for (const one of [child, office]) await one.context().close();
});
