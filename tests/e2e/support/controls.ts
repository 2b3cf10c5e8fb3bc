import type { BrowserContext, Page } from '@playwright/test';
import { appendFileSync, mkdirSync } from 'node:fs';

/**
 * What a control is called in lists of controls: its role and name, without what is somebody's own (numbers, titles, ids).
 * Runs in the page, as text.
 */
export const NAMING = `
  window.controlsOf = (root) => [...root.querySelectorAll('a[href], button, input, textarea, select, summary, [role=row], [role=slider], [role=option]')]
    // What stands in for a list of choices, for the browser's own filling in, is nobody's to press.
    .filter((element) => !element.matches('[aria-hidden=true] select, input[type=hidden]'));
  window.nameOfControl = (element) => {
    const own = (text) => (text || '').replace(/\\s+/g, ' ').trim().replace(/“[^”]*”/g, '“…”').replace(/[0-9]+([:.][0-9]+)?/g, '#').replace(/^(Remark at #|(?:Place|Picture) #):?.*/, '$1');
    const said = (node) => {
      if (!node) return '';
      const copy = node.cloneNode(true);
      copy.querySelectorAll('[aria-hidden=true], select, input, textarea').forEach((part) => part.remove());
      return node.getAttribute('aria-label') || copy.textContent;
    };
    const role = element.getAttribute('role');
    if (role === 'row') return 'row: a slide';
    if (role === 'option') return 'option: one of a list';
    const many = element.closest('[data-many]');
    const one = element.tagName === 'BUTTON' ? 'button' : element.type;
    if (many && ['radio', 'checkbox', 'button'].includes(one)) return one + ': ' + many.dataset.many;
    if (element.getAttribute('aria-haspopup') === 'listbox') return 'list: ' + own(said(element.parentElement.querySelector('.react-aria-Label')));
    if (element.tagName === 'A') return 'link: ' + new URL(element.href).pathname.replace(/[0-9a-f]{8}-[0-9a-f-]{27}/g, ':id') + (/download/.test(element.outerHTML) ? ' (download)' : '');
    const named = (one) => one.getAttribute('aria-label')
      || (one.getAttribute('aria-labelledby') || '').split(' ').map((id) => said(document.getElementById(id))).join(' ').trim();
    // Choices of one group are one control: what each of them does is for a table to hold, and not for the browser.
    const group = element.type === 'radio' && element.closest('[role=radiogroup]');
    if (group && named(group)) return 'radio: ' + own(named(group));
    const label = named(element)
      || (element.labels && [...element.labels].map(said).join(' ').trim())
      || said(element);
    const kind = role || (element.tagName === 'INPUT' ? (element.type === 'file' ? 'file' : ['radio', 'checkbox', 'range'].includes(element.type) ? element.type : 'field') : element.tagName === 'TEXTAREA' ? 'field' : element.tagName.toLowerCase());
    return kind + ': ' + own(label);
  };
  window.noteControls = (tell) => {
    // A list opens as it is pressed, and what covers the page then gets the click.
    for (const kind of ['click', 'change', 'input', 'keydown', 'pointerdown']) {
      document.addEventListener(kind, (event) => {
        if (!event.isTrusted && kind !== 'change') return;
        if (kind === 'keydown' && ![' ', 'Enter', 'ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight'].includes(event.key)) return;
        const target = event.target instanceof Element ? event.target : null;
        const label = target && target.closest('label');
        const control = target && (target.closest('a[href], button, input, textarea, select, summary, [role=slider], [role=option]') || (label && label.querySelector('input')) || target.closest('[role=row]'));
        if (control && (kind !== 'pointerdown' || control.getAttribute('aria-haspopup') === 'listbox')) tell(window.nameOfControl(control));
      }, true);
    }
  };
`;

/** What a run notes, apart from the other kind of run: var/controls/gate, var/controls/deep. */
export const folder = () => `var/controls/${process.env.RHAPSODE_CHECK ?? 'gate'}`;
type Kind = 'used' | 'met';

/** Notes lines for the end of the run, across files and processes: of what is used, the control and the test, a tab between. */
export function note(kind: Kind, lines: Iterable<string>): void {
  mkdirSync(folder(), { recursive: true });
  appendFileSync(`${folder()}/${kind}.txt`, [...lines].map((line) => `${line}\n`).join(''));
}

/** From now on every control that a person's act reaches in this context is told. */
export async function watchControls(context: BrowserContext, tell: (name: string) => void): Promise<void> {
  await context.exposeBinding('tellControl', (_, name: string) => tell(name));
  await context.addInitScript(`${NAMING}; window.noteControls((name) => window.tellControl(name));`);
}

/** The controls that stand in a page just now, each by role and name. */
export async function controlsIn(page: Page): Promise<string[]> {
  const names = (await page.evaluate(
    'window.controlsOf(document).filter((one) => one.checkVisibility()).map((one) => window.nameOfControl(one))',
  )) as string[];
  return [...new Set(names)].sort();
}
