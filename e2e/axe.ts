import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

/** What of the rules hangs on a theme's colours; whatever else they ask is the same in all themes. */
const OF_COLOURS = ['color-contrast', 'link-in-text-block'];
const ALL = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];

/**
 * What axe finds wrong. In the page itself, and only what is wrong is reported: a quarter of the time, the same
 * findings (a page here has no frames).
 */
export async function faults(page: Page, asked = ALL): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode()
    .options({ runOnly: asked, resultTypes: ['violations'] })
    .analyze();
  return violations.map(
    ({ id, nodes }) =>
      `${id}: ${nodes
        .slice(0, 4)
        .map(({ html }) => html.slice(0, 200))
        .join(' | ')}`,
  );
}

export const THEMES = ['glare', 'dark', 'dim'] as const;
type Theme = (typeof THEMES)[number];

const KEPT = 'sphene.theme';

/** Begins every page of a tab in a theme, until another is taken. */
export async function beginIn(page: Page, theme: Theme): Promise<void> {
  await page.addInitScript(([key, value]) => localStorage.setItem(key, value), [KEPT, theme] as const);
}

const inkOf = (page: Page): Promise<string> =>
  page
    .getByRole('heading')
    .first()
    .evaluate((heading) => getComputedStyle(heading).color);

/** Takes another theme in place, as when another tab of the device chose it; done when the screen is drawn in it. */
async function takeTheme(page: Page, theme: Theme): Promise<void> {
  const ink = await inkOf(page);
  const isAnother = await page.evaluate(
    ([key, newValue]) => {
      if (localStorage.getItem(key) === newValue) return false;
      localStorage.setItem(key, newValue);
      dispatchEvent(new StorageEvent('storage', { key, newValue }));
      return true;
    },
    [KEPT, theme] as const,
  );
  if (isAnother) await expect.poll(() => inkOf(page)).not.toBe(ink);
}

/** What axe finds wrong in any theme; it is in the last of them afterwards. */
export async function faultsInAllThemes(page: Page): Promise<string[]> {
  const found: string[] = [];
  for (const theme of THEMES) {
    await takeTheme(page, theme);
    const wrong = await faults(page, theme === THEMES[0] ? ALL : OF_COLOURS);
    found.push(...wrong.map((fault) => `${theme}: ${fault}`));
  }
  return found;
}
