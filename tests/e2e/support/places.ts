import { begin } from './story';
import { become } from './people';
import { type Page, expect } from './test';

/** A fixed state of a place: how it is come to, whatever language the page speaks. */
export interface State {
  name: string;
  go: (page: Page) => Promise<void>;
  /** Not on a narrow page, which shows it elsewhere or not at all. */
  isWide?: boolean;
}

const at = (name: string, address: string, shown = 'main h1'): State => ({
  name,
  go: async (page) => {
    await page.goto(address);
    await expect(page.locator(shown).first()).toBeVisible();
  },
});
/** The next state is come to from the one before. */
const then = (name: string, go: (page: Page) => Promise<void>, isWide = false): State => ({ name, go, isWide });

interface Desk {
  stories: { id: string; title: string; handIn: { id: string } | null }[];
  classrooms: { id: string; assignments: { id: string }[] }[];
}
const deskOf = async (page: Page) => (await (await page.request.get('/api/desk')).json()) as Desk;

/** Where nobody is signed in. */
export async function nobodys(page: Page): Promise<State[]> {
  await page.context().clearCookies();
  return [
    at('sign in', '/', 'button[type=submit]'),
    then('sign in by a card', async (one) => {
      await one.getByRole('radio').nth(1).locator('xpath=ancestor::label[1]').click();
      await expect(one.locator('input[name=class], form input').first()).toBeVisible();
    }),
    at('join a class', '/join', 'button[type=submit]'),
  ];
}

/** A student's, with a story of their own and one that was handed in. */
export async function students(page: Page): Promise<State[]> {
  await begin(page, 'tilda', 'Places');
  const own = new URL(page.url()).pathname;
  const told = (await deskOf(page)).stories.find(({ handIn }) => handIn !== null);
  const sheet = (n: number) => async (one: Page) => {
    await one.locator('main div:has(> .facts) > button').nth(n).click();
    await expect(one.getByRole('dialog')).toBeVisible();
  };
  return [
    at('desk', '/'),
    then('a story is asked for', async (one) => {
      await one.locator('section[aria-labelledby=stories] button').first().click();
      await expect(one.locator('section[aria-labelledby=stories] input')).toBeVisible();
    }),
    at('script', own, '[role=row] img'),
    then('Proof', sheet(0)),
    then('the story', async (one) => {
      await one.keyboard.press('Escape');
      await sheet(1)(one);
    }),
    then('a chosen slide', async (one) => {
      await one.keyboard.press('Escape');
      await one.getByRole('row').nth(1).locator('strong').first().click();
      const drawn = one.locator('main button:has(+ div > .facts)');
      if ((one.viewportSize()?.width ?? 0) < 1024) await drawn.click();
      await expect(one.locator('section fieldset, section [role=radiogroup]').first()).toBeVisible();
    }),
    then(
      'the keys',
      async (one) => {
        await one.keyboard.press('Escape');
        await one.locator('button', { hasText: /^\?$/ }).click();
        await expect(one.getByRole('dialog')).toBeVisible();
      },
      true,
    ),
    then('all slides', async (one) => {
      await one.goto(own);
      await expect(one.locator('[role=row] img').first()).toBeVisible();
      await one.keyboard.press('Alt+a');
      await one.locator('[role=grid] [role=row]').nth(1).click();
    }),
    ...[0, 1, 2, 3, 4, 5].map((n) =>
      then(`one slide, ${n}`, async (one) => {
        if (n === 0) await one.keyboard.press('Alt+o');
        await one.locator('main section [role=radiogroup]').first().locator('label').nth(n).click();
      }),
    ),
    at('booth', `${own}/booth`, 'main button'),
    at('before the film', `${own}/film`, 'main h2'),
    at('print', `${own}/print`, 'main li img'),
    at('a told story', `/stories/${told?.id}`, '[role=row] img'),
    at('a film', `/stories/${told?.id}/film`, 'video'),
    at('what was handed in', `/handins/${told?.handIn?.id}`, 'video'),
  ];
}

/** A teacher's, and an administrator's. */
export async function teachers(page: Page): Promise<State[]> {
  await become(page, 'maren');
  const [room] = (await deskOf(page)).classrooms;
  const task = room?.assignments[0]?.id;
  const { handIns } = (await (await page.request.get(`/api/assignments/${task}`)).json()) as {
    handIns: { id: string }[];
  };
  return [
    at('a teacher’s desk', '/'),
    at('a class', `/classes/${room?.id}`),
    at('a new task', `/classes/${room?.id}/task`),
    at('hand-ins', `/assignments/${task}`),
    at('a task that is changed', `/assignments/${task}/task`),
    at('a rubric', `/assignments/${task}/rubric`),
    at('a screening', `/assignments/${task}/screening`),
    at('a review', `/handins/${handIns[0]?.id}`, 'video'),
    at('an account', '/account'),
    then('the school', async (one) => {
      await become(one, 'edda');
      await one.goto('/school');
      await expect(one.locator('main h2').first()).toBeVisible();
    }),
  ];
}
