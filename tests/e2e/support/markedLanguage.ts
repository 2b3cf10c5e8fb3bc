import type { Page } from '@playwright/test';

/** What people wrote themselves, by the names that the API gives it. */
const OWN = [
  'title',
  'task',
  'text',
  'file',
  'firstName',
  'name',
  // How it is said whose a story is, in that's language.
  'by',
  'author',
  'classroom',
  'student',
  'answer',
  'script',
  'link',
  'licence',
  'school',
  // What students say to each other, and with a thank-you.
  'liked',
  'wondered',
  'words',
  // What a class is called by those who sign in.
  'word',
  // A level of a rubric, which its teacher may have taken as it came.
  'sentence',
];
const LISTS = ['students', 'credits'];

/** Gathers what people wrote from all that the page is answered with. */
export function gatherOwn(page: Page): Set<string> {
  const own = new Set<string>(['Rhapsode']);
  const take = (value: unknown, key = ''): void => {
    if (typeof value === 'string') {
      if (OWN.includes(key) || LISTS.includes(key)) own.add(value.replace('{name}', '').replace(/\s+/g, ' ').trim());
    } else if (Array.isArray(value)) for (const one of value) take(one, key);
    else if (value !== null && typeof value === 'object')
      for (const [name, one] of Object.entries(value)) take(one, /^\d+$/.test(name) ? key : name);
  };
  page.on('response', (response) => {
    if (/json/.test(response.headers()['content-type'] ?? ''))
      response
        .json()
        .then((body) => take(body))
        .catch(() => undefined);
  });
  return own;
}

/** What React Aria says for itself, in the languages it has; names of days and months, how a list is joined and the like are the platform's (Unicode CLDR), and so are languages by their own names. */
const CLDR =
  /\b((Mon|Tues|Wednes|Thurs|Fri|Satur|Sun)day|January|February|March|April|May|June|July|August|September|October|November|December|now|yesterday|and|(sec|min|hr|days?)\.?|ago|English|Dismiss)\b/g;

/** Letters of the language that is made up for these tests. */
export const MARKED = '[áƀçďéǧĥíķļɱñóþřšťúŵýéÁÇĎÉŠŤÝ]{2,}';

/** Each sentence of the page that is not marked, and each marked one that is cut off. */
export async function misses(page: Page, own: Set<string>): Promise<string[]> {
  const found = await page.evaluate((marked) => {
    const said: string[] = [];
    const cut: string[] = [];
    const isMarked = (text: string) => new RegExp(marked).test(text);
    const isSeen = (element: Element) => element.checkVisibility({ visibilityProperty: true, opacityProperty: false });
    const show = (text: string) => text.replace(/\s+/g, ' ').trim();
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const text = show(node.textContent ?? '');
      const parent = node.parentElement;
      if (text === '' || !parent || parent.closest('script, style, .cue, [data-live-announcer]') || !isSeen(parent))
        continue;
      said.push(text);
      if (!isMarked(text) || parent.closest('.unseen, option')) continue;
      const range = document.createRange();
      range.selectNodeContents(node);
      const at = range.getBoundingClientRect();
      if (at.width < 2) continue;
      for (let box: Element | null = parent; box; box = box.parentElement) {
        const style = getComputedStyle(box);
        const edge = box.getBoundingClientRect();
        if (style.position === 'fixed') break;
        // What is meant only for ears is one pixel wide.
        if (edge.width <= 1) break;
        const holds = box.matches('button, label, summary, [role=button]');
        const isCutWide = holds || /hidden|clip/.test(style.overflowX);
        const isCutHigh = holds || /hidden|clip/.test(style.overflowY);
        if (isCutWide && (at.right > edge.right + 1 || at.left < edge.left - 1)) cut.push(`cut off in width: ${text}`);
        if (isCutHigh && (at.bottom > edge.bottom + 2 || at.top < edge.top - 2)) cut.push(`cut off in height: ${text}`);
        if (/auto|scroll/.test(style.overflowX + style.overflowY)) break;
      }
      if (at.right > document.documentElement.clientWidth + 1 && !parent.closest('[role=dialog]'))
        cut.push(`out of the page: ${text}`);
    }
    for (const element of document.querySelectorAll('[aria-label], [placeholder], [title], [aria-valuetext]')) {
      if (!isSeen(element)) continue;
      for (const name of ['aria-label', 'placeholder', 'title', 'aria-valuetext']) {
        const text = element.getAttribute(name);
        if (text) said.push(show(text));
      }
    }
    for (const field of document.querySelectorAll<HTMLTextAreaElement>('textarea:placeholder-shown')) {
      if (isSeen(field) && isMarked(field.placeholder) && field.scrollHeight > field.clientHeight + 2)
        cut.push(`cut off: ${field.placeholder}`);
    }
    return { said, cut };
  }, MARKED);
  const written = [...own].filter((text) => text !== '').sort((a, b) => b.length - a.length);
  const unmarked = found.said.filter((text) => {
    // A story's own title, a name, a remark within a sentence is not the page's.
    const left = written.reduce((rest, one) => rest.replaceAll(one, ' '), text).replace(CLDR, ' ');
    return /[A-Za-z]{2,}/.test(left);
  });
  return [...new Set([...unmarked.map((text) => `not in the catalogue: ${text}`), ...found.cut])];
}
