import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'];

/**
 * What breaks WCAG 2.2 AA in a part of the page, in the theme that is on. Only faults are worked out, and the page has no frames that would
 * have to be asked apart: that is three times as quick.
 */
export async function unreadable(page: Page, part = 'html', rules: readonly string[] = []): Promise<readonly string[]> {
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode(true)
    .include(part)
    .options({
      resultTypes: ['violations'],
      preload: false,
      runOnly: rules.length > 0 ? { type: 'rule', values: [...rules] } : { type: 'tag', values: TAGS },
    })
    .analyze();
  return violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(' ')).join(' | ')}`);
}

/** In both themes: what differs by them is the contrast alone, so that in the dark only that is looked at. */
export async function unreadableInBoth(page: Page, part = 'html'): Promise<readonly string[]> {
  const light = await unreadable(page, part);
  await page.emulateMedia({ colorScheme: 'dark' });
  const dark = await unreadable(page, part, ['color-contrast']);
  await page.emulateMedia({ colorScheme: 'light' });
  return [...light, ...dark.map((one) => `dark: ${one}`)];
}
