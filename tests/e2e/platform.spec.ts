import AxeBuilder from '@axe-core/playwright';
import type { Browser, Page } from '@playwright/test';
import { RUN, desk, names, newTask, nobody, tells } from './support/classroom';
import { make } from './support/files';
import { PASSWORD, signIn, signInName } from './support/people';
import { chooseFrom } from './support/sheet';
import { expect, test } from './support/test';

// The second goes on where the first has come to.
test.describe.configure({ mode: 'serial' });

const platform = process.env.LEARNING_PLATFORM ?? 'http://localhost:19300';
/** As the course says it; its people are those of this run. */
const COURSE = `Reeds ${RUN}`;
const coming = (who: Record<string, string>) =>
  `${platform}/begin?${new URLSearchParams({ course: `c-${RUN}`, title: COURSE, ...who }).toString()}`;
const teacher = { user: `t-${RUN}`, role: 'teacher', name: 'Mev' };
const told = async (page: Page) => (await (await page.request.get(`${platform}/told`)).json()) as [string, unknown][];
const fresh = async (page: Page) => {
  await expect(page.getByRole('heading', { level: 1, name: COURSE })).toBeVisible();
  await page.getByRole('button', { name: 'I am new here' }).dblclick();
};
const grownUp = async (browser: Browser) =>
  (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();

test(
  'a school tells of its platform; teacher and students come from their course, and the score goes back',
  { tag: '@deep' },
  async ({ page, browser }) => {
    await signIn(page, 'edda');
    await page.goto('/school');
    const panel = page.getByRole('region', { name: 'Learning platforms' });
    await panel.getByRole('button', { name: 'Add a learning platform' }).click();
    // What the platform asks for is copied by a key, or marked whole as it is come to.
    await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
    const own = {
      'Initiate login URL': 'login',
      'Redirect URL and tool URL': 'launch',
      'Our public keyset URL': 'keys.json',
    };
    for (const [label, path] of Object.entries(own)) {
      const field = panel.getByLabel(label, { exact: true });
      await field.click();
      const address = await field.evaluate((input: HTMLInputElement) =>
        input.value.slice(input.selectionStart ?? 0, input.selectionEnd ?? 0),
      );
      expect(new URL(address).pathname).toBe(`/api/lti/${path}`);
      await panel.getByRole('button', { name: `Copy “${label}”` }).press('Enter');
      await expect.poll(() => page.evaluate(() => navigator.clipboard.readText())).toBe(address);
    }
    const says: [string, string][] = [
      ['What it is called at your school', 'Our courses'],
      ['Issuer, or platform ID', platform],
      ['Client ID', 'tool-7'],
      ['Authentication request URL', `${platform}/authorise`],
      ['Access token URL', `${platform}/token`],
      ['Public keyset URL', 'not an address'],
    ];
    for (const [label, value] of says) await panel.getByLabel(label, { exact: true }).fill(value);
    await panel.getByLabel('Deployment IDs').fill('another\n');
    await panel.getByRole('button', { name: 'Save' }).click();
    await expect(panel.getByRole('alert')).toContainText('is no web address');
    await panel.getByLabel('Public keyset URL', { exact: true }).fill(`${platform}/keys`);
    await page.context().setOffline(true);
    await panel.getByRole('button', { name: 'Save' }).click();
    await expect(panel.getByRole('alert')).toBeVisible();
    await page.context().setOffline(false);
    await panel.getByRole('button', { name: 'Save' }).dblclick();
    await expect(panel.getByText('Nobody has come from it yet.')).toHaveCount(1);
    expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);

    // What is not told of rightly is said to who can mend it, and to nobody else.
    const mev = await grownUp(browser);
    await mev.goto(coming(teacher));
    await expect(mev.getByRole('heading', { level: 1 })).toHaveText('You could not be let in');
    await page.reload();
    await expect(panel.getByText('their deployment ID is not among those above')).toBeVisible();
    await panel.getByRole('button', { name: 'Change “Our courses”' }).click();
    await panel.getByRole('button', { name: 'Not now' }).click();
    await panel.getByRole('button', { name: 'Change “Our courses”' }).click();
    await panel.getByLabel('Deployment IDs').fill('deployment-1');
    await panel.getByLabel('Deployment IDs').press('Tab');
    await panel.getByRole('button', { name: 'Save' }).press('Enter');
    await expect(panel.getByRole('button', { name: 'Change “Our courses”' })).toBeVisible();

    await mev.goto(coming(teacher));
    await expect(mev.getByRole('button', { name: 'I am new here' })).toBeVisible();
    expect((await new AxeBuilder({ page: mev }).analyze()).violations).toEqual([]);
    await fresh(mev);
    await chooseFrom(mev, 'Class', `A new class: ${COURSE}`);
    await mev.getByRole('button', { name: 'Go on' }).dblclick();
    await mev.getByRole('link', { name: 'Set a task' }).click();
    await newTask(mev, COURSE, 'By the weir');
    await mev.getByRole('button', { name: 'Set the task' }).click();
    await expect(mev.getByRole('heading', { level: 1, name: 'By the weir' })).toBeVisible();
    await mev.goto(coming(teacher));
    await chooseFrom(mev, 'Task', 'By the weir');
    await mev.getByRole('button', { name: 'Go on' }).press('Enter');
    await expect(mev.getByRole('heading', { level: 1, name: 'By the weir' })).toBeVisible();

    // All of the course come in before any of them has been here.
    await mev.goto('/');
    await mev.getByRole('region', { name: COURSE }).getByRole('link', { name: 'Students and cards' }).click();
    const bring = mev.getByRole('button', { name: 'Bring in the course’s students' });
    await bring.dblclick();
    await expect(mev.getByText('3 students are in the class now.').last()).toBeVisible();
    await expect(names(mev)).toHaveText([/^Bram/, /^Bram/, 'Ilse']);
    await bring.click();
    await expect(mev.getByText('All of them are here already.').last()).toBeVisible();

    // In the platform's frame it opens in a tab of its own; by touch, and twice at once.
    const child = await nobody(browser);
    await child.goto(coming({ user: 'u-1' }).replace('/begin', '/course'));
    const [tab] = await Promise.all([
      child.waitForEvent('popup'),
      child.frameLocator('iframe').getByRole('link', { name: 'Open it' }).tap(),
    ]);
    await expect(desk(tab, 'Ilse')).toBeVisible();
    const late = await nobody(browser);
    const other = await late.context().newPage();
    for (const one of [late, other]) await one.goto(coming({ user: `u-${RUN}`, name: 'Orla' }));
    await late.getByRole('button', { name: 'I have been here before' }).tap();
    await expect(late.getByRole('heading', { name: 'Come in as you always do' })).toBeVisible();
    await late.getByRole('button', { name: 'I am new here after all' }).tap();
    await Promise.all([late, other].map((one) => one.getByRole('button', { name: 'I am new here' }).tap()));
    for (const one of [late, other]) await expect(desk(one, 'Orla')).toBeVisible();
    await mev.reload();
    await expect(names(mev)).toHaveCount(4);

    // What is accepted is told to the platform.
    await tells(tab, 'Ilse', make('by the weir.png', '-i', 'testsrc2=s=800x600', '-frames:v', '1'));
    await mev.goto(coming(teacher));
    await mev.getByRole('link', { name: 'By Ilse' }).first().click();
    await mev.getByLabel('A sentence for the student').fill(`A calm voice, ${RUN}.`);
    await mev.getByRole('button', { name: 'Accept' }).dblclick();
    await expect
      .poll(async () => (await told(page)).filter(([what]) => what === 'score').at(-1)?.[1], { timeout: 60_000 })
      .toEqual(
        expect.objectContaining({ userId: 'u-1', gradingProgress: 'FullyGraded', comment: `A calm voice, ${RUN}.` }),
      );
  },
);

test(
  'an account that is there is come in with once; what a link leads to is chosen; a platform is removed',
  {
    tag: '@deep',
  },
  async ({ page, browser }) => {
    const deep = { ...teacher, message: 'deep' };
    const mev = await grownUp(browser);
    await mev.goto(coming(deep));
    await mev.getByRole('button', { name: 'Go on' }).click();
    await expect(mev.getByRole('heading', { level: 1 })).toHaveText('“By the weir” goes into your course');
    expect((await new AxeBuilder({ page: mev }).analyze()).violations).toEqual([]);
    await mev.getByRole('button', { name: 'Put it into the course' }).press('Enter');
    await expect(mev.getByRole('heading', { level: 1 })).toHaveText('Added to the course');
    expect((await told(page)).find(([what]) => what === 'items')?.[1]).toEqual([
      expect.objectContaining({ type: 'ltiResourceLink', title: 'By the weir' }),
    ]);

    // By keys, and without a network for a moment.
    const edda = await grownUp(browser);
    await edda.goto(coming({ user: `e-${RUN}`, role: 'teacher', name: 'Another name' }));
    await edda.getByRole('button', { name: 'I have been here before' }).press('Enter');
    await edda.getByLabel('Name').fill(signInName('edda'));
    await edda.getByLabel('Password').fill(PASSWORD);
    await edda.keyboard.press('Enter');
    const goesOn = edda.getByRole('button', { name: 'Go on as Edda' });
    await expect(goesOn).toBeVisible();
    await edda.context().setOffline(true);
    await goesOn.press('Enter');
    await expect(edda.getByRole('alert')).toBeVisible();
    await edda.context().setOffline(false);
    await goesOn.press('Enter');
    await expect(edda.getByRole('heading', { level: 1, name: 'By the weir' })).toBeVisible();
    // From then on nothing is asked of who they are, and what has led somewhere leads nowhere again.
    const away = await nobody(browser);
    await away.goto(coming({ user: `u-${RUN}`, name: 'Orla' }));
    await expect(desk(away, 'Orla')).toBeVisible();
    await away.goto('/arrive#made-up');
    await expect(away.getByRole('status').filter({ hasText: /./ }).first()).toContainText('has been used already');
    await away.getByRole('link', { name: 'Sign in another way' }).tap();
    await expect(desk(away, 'Orla')).toBeVisible();
    await away.goto(coming({ user: 'x-1', role: 'observer' }));
    await expect(away.getByRole('status').filter({ hasText: /./ }).first()).toContainText('nothing to do here');
    await away.goto(coming({ user: 'u-8', course: 'nobody-opened' }));
    await away.getByRole('button', { name: 'I am new here' }).tap();
    await expect(away.getByRole('status').filter({ hasText: /./ }).first()).toContainText(
      'Your teacher has not opened this course here yet',
    );

    await signIn(page, 'edda');
    await page.goto('/school');
    const panel = page.getByRole('region', { name: 'Learning platforms' });
    await panel.getByRole('button', { name: 'Remove “Our courses”' }).click();
    await panel.getByRole('button', { name: 'Not now' }).click();
    await panel.getByRole('button', { name: 'Remove “Our courses”' }).click();
    await panel.getByRole('button', { name: 'Remove it' }).dblclick();
    await expect(panel.getByRole('button', { name: /Our courses/ })).toHaveCount(0);
    await mev.goto(coming(teacher));
    await expect(mev.getByRole('heading', { level: 1 })).toHaveText('You could not be let in');
  },
);
