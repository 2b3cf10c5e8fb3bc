import { createHmac } from 'node:crypto';
import { RUN, add, cards, desk, nobody, ownClass, seen } from './support/classroom';
import { signIn } from './support/people';
import { expect, test } from './support/test';

/** What an authenticator shows (RFC 6238), as it would reckon it by itself. */
function digits(secret: string, at = Date.now()): string {
  const bits = [...secret]
    .map((c) => 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567'.indexOf(c).toString(2).padStart(5, '0'))
    .join('');
  const key = Buffer.from((bits.match(/.{8}/g) ?? []).map((byte) => parseInt(byte, 2)));
  const count = Buffer.alloc(8);
  count.writeBigUInt64BE(BigInt(Math.floor(at / 30_000)));
  const hash = createHmac('sha1', key).update(count).digest();
  return String((hash.readUInt32BE((hash[19] ?? 0) & 15) & 0x7fffffff) % 1_000_000).padStart(6, '0');
}

test(
  'a teacher turns on a second step, comes in with it, loses the device, and is let in again',
  { tag: '@deep' },
  async ({ page, browser }) => {
    test.setTimeout(300_000);
    await signIn(page, 'edda');
    await page.getByRole('link', { name: 'The school' }).click();
    await page.getByRole('button', { name: 'Invite a teacher' }).click();
    const link = await page.getByLabel('Link', { exact: true }).inputValue();
    const name = `sela-${RUN}`;
    const teacher = await nobody(browser);
    await teacher.goto(link);
    await teacher.getByLabel('First name').fill('Sela');
    await teacher.getByLabel('Sign-in name').fill(name);
    await teacher.getByLabel('Password').fill('reeds at low tide');
    await teacher.getByRole('button', { name: 'Make my account' }).tap();
    await expect(desk(teacher, 'Sela')).toBeVisible();

    await teacher.getByRole('link', { name: 'My account' }).tap();
    await expect(teacher.getByText(`You sign in as ${name}, at`)).toBeVisible();
    const step = teacher.getByRole('region', { name: 'A second step' });
    const on = step.getByRole('button', { name: 'Turn it on' });
    await on.tap();
    await step.getByRole('button', { name: 'Not now' }).tap();
    await on.dblclick();
    const address = await seen(step);
    const secret = new URL(address).searchParams.get('secret') ?? '';
    await expect(step.locator('code')).toHaveText(secret.replace(/(.{4})(?=.)/g, '$1 '));
    await step.getByLabel('Six digits of your device').fill('12');
    await on.tap();
    await expect(step.getByRole('alert')).toContainText('not what the device shows now');
    await step.getByLabel('Six digits of your device').fill(digits(secret));
    await teacher.keyboard.press('Enter');
    await expect(step.getByText('It is on.')).toBeVisible();
    const spares = await step.locator('li').allTextContents();
    expect(spares).toHaveLength(8);
    await step.getByRole('button', { name: 'I have written them down' }).tap();
    await expect(step.getByText('You have 8 spare codes left.')).toBeVisible();

    const comeIn = async (code: string) => {
      await teacher.getByLabel('Six digits of your device').fill(code);
      await teacher.getByRole('button', { name: 'Sign in' }).tap();
    };
    const goOut = () =>
      Promise.all([teacher.waitForEvent('load'), teacher.getByRole('button', { name: 'Sign out' }).tap()]);
    const toTheDoor = async (password: string) => {
      await teacher.goto('/');
      await teacher.getByText('I have an account').tap();
      await teacher.getByLabel('Name').fill(name);
      await teacher.getByLabel('Password').fill(password);
      await teacher.getByRole('button', { name: 'Sign in' }).tap();
    };
    await goOut();
    await toTheDoor('reeds at low tide');
    await expect(teacher.getByRole('alert')).toContainText('Now the six digits');
    await expect(teacher.getByLabel('Six digits of your device')).toBeFocused();
    await comeIn('000000');
    await expect(teacher.getByRole('alert')).toContainText('not what the device shows now');
    // The digits that turned it on are good no more; a clock may be one step ahead.
    await comeIn(digits(secret, Date.now() + 30_000));
    await expect(desk(teacher, 'Sela')).toBeVisible();
    await goOut();
    await toTheDoor('reeds at low tide');
    await comeIn(spares[0] ?? '');
    await expect(desk(teacher, 'Sela')).toBeVisible();

    // Another password: once without a network, once with the wrong one, then twice at once.
    await teacher.getByRole('link', { name: 'My account' }).tap();
    await expect(step.getByText('You have 7 spare codes left.')).toBeVisible();
    const box = teacher.getByRole('region', { name: 'Password' });
    const change = box.getByRole('button', { name: 'Change the password' });
    await box.getByLabel('The password you have now').fill('reeds at high tide');
    await box.getByLabel('Another password').fill('a lantern in the fog');
    await teacher.context().setOffline(true);
    await change.tap();
    await expect(box.getByRole('alert')).toContainText('connection');
    await teacher.context().setOffline(false);
    await change.tap();
    await expect(box.getByRole('alert')).toContainText('That is not your password.');
    await box.getByLabel('The password you have now').fill('reeds at low tide');
    await change.dblclick();
    await expect(teacher.getByText('From now on you sign in with the new password.', { exact: false })).toBeVisible();

    // Device and spare codes are lost: whoever runs the school lets them in.
    await page.reload();
    await page.getByRole('button', { name: 'Let “Sela” in without the second step' }).dblclick();
    await expect(page.getByRole('button', { name: 'Let “Sela” in without the second step' })).toHaveCount(0);
    // Who was in is asked anew.
    await toTheDoor('a lantern in the fog');
    await expect(desk(teacher, 'Sela')).toBeVisible();

    // On again and off by oneself, by keyboard.
    await teacher.getByRole('link', { name: 'My account' }).tap();
    await on.focus();
    await teacher.keyboard.press('Enter');
    const again = new URL(await seen(step)).searchParams.get('secret') ?? '';
    await step.getByLabel('Six digits of your device').fill(digits(again));
    await teacher.keyboard.press('Enter');
    await step.getByRole('button', { name: 'I have written them down' }).tap();
    await step.getByRole('button', { name: 'Turn it off' }).tap();
    await step.getByRole('button', { name: 'Not now' }).tap();
    await step.getByRole('button', { name: 'Turn it off' }).tap();
    await step.getByLabel('The password you have now').fill('a lantern in the fog');
    await step.getByRole('button', { name: 'Turn it off' }).tap();
    await expect(on).toBeVisible();
    await teacher.context().close();
  },
);

test('the young ones come in by three pictures in a row', async ({ page, browser }) => {
  await signIn(page, 'maren');
  await ownClass(page, 'Frog class');
  await page.getByText('three pictures', { exact: true }).click();
  await expect(page.getByRole('radio', { name: 'three pictures' })).toBeChecked();
  await add(page, 'Pia\nLoo', '2 students are in the class now.');
  await page.getByRole('link', { name: 'See the cards' }).click();
  const all = await cards(page);
  const pictures = (all.Pia?.words ?? '').split(' ');
  expect(new Set(pictures).size).toBe(3);

  const child = await nobody(browser);
  await child.goto('/');
  await child.getByText('I have a card').tap();
  await child.getByText('Pictures', { exact: true }).tap();
  await child.getByLabel('Class', { exact: true }).fill(all.Pia?.word ?? '');
  await child.getByLabel('My name').fill('pia');
  const board = child.getByRole('group', { name: 'My three pictures' });
  const press = (picture = '') => board.getByRole('button', { name: picture, exact: true }).tap();
  const back = board.getByRole('button', { name: 'Take the last one back' });
  // In another order first; then the last is taken back until all are gone.
  for (const one of [...pictures].reverse()) await press(one);
  await expect(board.getByRole('status')).toHaveText(`Chosen: ${[...pictures].reverse().join(', ')}`);
  await expect(board.getByRole('button', { name: 'Balloon' })).toBeDisabled();
  await child.getByRole('button', { name: 'Sign in' }).tap();
  await expect(child.getByRole('alert')).toContainText('do not go together');
  for (let n = 0; n < 3; n += 1) await back.tap();
  await expect(board.getByRole('status')).toHaveText('Chosen: none yet');
  await press(pictures[0]);
  await press(pictures[1]);
  await board.getByRole('button', { name: pictures[2], exact: true }).focus();
  await child.keyboard.press('Enter');
  await child.getByRole('button', { name: 'Sign in' }).dblclick();
  await expect(desk(child, 'Pia')).toBeVisible();
  // The next one at this tablet finds pictures again, and nothing of the one before.
  await Promise.all([child.waitForEvent('load'), child.getByRole('button', { name: 'Sign out' }).tap()]);
  await expect(board.getByRole('status')).toHaveText('Chosen: none yet');
  await expect(child.getByLabel('My name')).toHaveValue('');
  await child.getByText('Words', { exact: true }).tap();
  await expect(child.getByLabel('My three words')).toBeVisible();
  await child.context().close();
  await page.getByRole('link', { name: 'Back to the class' }).click();
  await page.getByText('three words', { exact: true }).click();
  await expect(page.getByRole('radio', { name: 'three words' })).toBeChecked();
});
