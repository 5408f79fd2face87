import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

/**
 * What axe finds wrong. In the page itself, and only what is wrong is reported: a quarter of the time, the same
 * findings (a page here has no frames).
 */
export async function faults(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode()
    .options({ runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'], resultTypes: ['violations'] })
    .analyze();
  return violations.map(
    ({ id, nodes }) =>
      `${id}: ${nodes
        .slice(0, 4)
        .map(({ html }) => html.slice(0, 200))
        .join(' | ')}`,
  );
}
