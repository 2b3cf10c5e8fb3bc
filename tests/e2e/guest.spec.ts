import { RUN, desk, nobody } from './support/classroom';
import { signIn } from './support/people';
import { expect, test } from './support/test';

const AUNT = `Aunt Wil ${RUN}`;
const WONDERED = `I wondered who lives in the mill, ${RUN}.`;

test('a guest is asked to one film, says something to it, and is let in no longer', async ({ page, browser }) => {
  await signIn(page, 'maren');
  const due = page.getByRole('region', { name: 'Class 6', exact: true });
  await due
    .getByRole('link', { name: /See the hand-ins|waits? for your answer/ })
    .first()
    .click();
  const waiting = page.getByRole('region', { name: 'Waiting for your answer' });
  const title = (await waiting.getByRole('listitem').first().getByRole('link').textContent()) ?? '';
  await waiting.getByRole('link', { name: title }).first().click();
  const guests = page.getByRole('region', { name: 'Guests' });
  await guests.getByLabel('What are they called?').fill(AUNT);
  await page.context().setOffline(true);
  await guests.getByRole('button', { name: 'Ask a guest' }).click();
  await expect(guests.getByRole('alert')).toContainText('connection');
  await page.context().setOffline(false);
  await guests.getByRole('button', { name: 'Ask a guest' }).dblclick();
  const link = await guests.getByLabel('Link', { exact: true }).inputValue();
  await expect(guests.getByRole('listitem').filter({ hasText: AUNT })).toHaveCount(1);

  const guest = await nobody(browser);
  await guest.goto(link);
  await expect(guest.getByRole('heading', { level: 1, name: title })).toBeVisible();
  expect(guest.url()).not.toContain('#');
  // Nothing else is theirs: neither the class's other films nor a way to answer.
  await expect(guest.getByRole('link', { name: /All hand-ins|script/i })).toHaveCount(0);
  await expect(guest.getByRole('button', { name: /Accept|Return|Ask a guest/ })).toHaveCount(0);
  await guest.getByRole('button', { name: 'Leave a remark at this moment' }).tap();
  await guest.getByRole('textbox', { name: /^Remark at/ }).fill(WONDERED);
  await guest.getByRole('button', { name: 'Leave it' }).dblclick();
  const said = guest.getByRole('listitem').filter({ hasText: WONDERED });
  await expect(said).toHaveCount(1);
  await guest.getByRole('button', { name: 'Leave a remark at this moment' }).tap();
  await guest.getByRole('textbox', { name: /^Remark at/ }).fill('Twice is too often.');
  await guest.getByRole('button', { name: 'Leave it' }).tap();
  await guest
    .getByRole('listitem')
    .filter({ hasText: 'Twice is too often.' })
    .getByRole('button', { name: 'Take this remark back' })
    .tap();
  await expect(guest.getByText('Twice is too often.')).toHaveCount(0);
  await guest.goto('/school');
  await expect(guest.getByRole('alert')).toContainText('not yours to see');
  await guest.goto('/');
  await expect(guest.getByRole('heading', { level: 1, name: title })).toBeVisible();

  // The teacher reads whose it is, and takes the link back.
  await page.reload();
  await expect(page.getByRole('listitem').filter({ hasText: `${AUNT}: ${WONDERED}` })).toBeVisible();
  await page
    .getByRole('listitem')
    .filter({ hasText: `${AUNT}: ${WONDERED}` })
    .getByRole('button', { name: 'Take this remark back' })
    .click();
  await guests.getByRole('button', { name: `Let “${AUNT}” in no longer` }).dblclick();
  await expect(guests.getByRole('listitem').filter({ hasText: AUNT })).toHaveCount(0);
  await guest.goto('/');
  await expect(guest.getByText('There is nothing for you to watch any more.', { exact: false })).toBeVisible();
  await guest.goto(link);
  await expect(guest.getByRole('alert')).toContainText('does not work any more');
  await guest.context().close();
  await page
    .getByRole('link', { name: 'Rhapsode' })
    .or(page.getByRole('link', { name: 'Rhapsode, to the desk' }))
    .first()
    .click();
  await expect(desk(page, 'Maren')).toBeVisible();
});
