import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

import { SCREENS } from './screens';
import { WIDE, expect, test } from './stack';

/** Parts whose folded parts are opened first. */
const FOLDED = ['Look', 'Camera', 'Lights', 'Stage'];

/** In the page itself, and only what is wrong is reported: a quarter of the time, the same findings (a page here has no frames). */
async function faults(page: Page): Promise<string[]> {
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

for (const theme of ['Glare', 'Dark', 'Dim'])
  for (const [size, viewport] of [
    ['phone', { width: 390, height: 844 }],
    ['wide', WIDE],
  ] as const)
    test(`axe finds nothing: ${theme}, ${size}`, async ({ page, stack }) => {
      await page.setViewportSize(viewport);
      await page.goto(`${stack.url}/settings`);
      await page.getByRole('radio', { name: theme }).click();
      await expect(page.getByRole('radio', { name: theme })).toBeChecked();
      const found: string[] = [];
      for (const { name, at, tabs = [] } of SCREENS) {
        await page.goto(stack.url + at);
        await expect(page.getByRole('status', { name: 'Everything is saved' }).filter({ visible: true })).toBeVisible();
        for (const tab of size === 'phone' && tabs.length > 0 ? tabs : ['']) {
          if (tab !== '') await page.getByRole('tab', { name: tab }).click();
          // what is folded away is looked at too
          if (FOLDED.includes(tab))
            for (
              const folded = page
                .getByRole('tabpanel')
                .getByRole('button', { expanded: false })
                .and(page.locator(':not([aria-label^="Why"])'));
              (await folded.count()) > 0;
            )
              await folded.first().click();
          found.push(...(await faults(page)).map((fault) => `${name} ${tab}: ${fault}`));
        }
      }
      expect(found).toEqual([]);
    });
