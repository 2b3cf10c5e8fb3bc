import AxeBuilder from '@axe-core/playwright';
import type { Page } from './test';

/** What the library puts around a box that stands open: beside its dialog lies only a way out of it, for a screen reader. */
const BESIDE_A_BOX = '<div style="display: contents;">';

/** WCAG 2.2 AA as far as axe can tell, on each main view. */
export async function finds(page: Page) {
  await page.waitForLoadState('networkidle');
  await page.evaluate(() => document.fonts.ready);
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'])
    .analyze();
  return violations
    .map(({ id, nodes }) => ({ id, nodes: nodes.filter(({ html }) => !(id === 'region' && html === BESIDE_A_BOX)) }))
    .filter(({ nodes }) => nodes.length > 0)
    .map(
      ({ id, nodes }) =>
        `${id}: ${nodes
          .slice(0, 3)
          .map((n) => n.target.join(' '))
          .join(' | ')}`,
    );
}
