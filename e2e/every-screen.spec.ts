import { expect, type Page, test } from '@playwright/test';
import { STATIONS, walkPages, walkStations } from './every-screen';
import { unreadableInBoth } from './readable';
import { openSample } from './stories';

const SMALL = [
  ['tablet', 800, 1100],
  ['phone', 390, 844],
] as const;

/** Two frames later what goes by the width is drawn anew. */
async function resize(page: Page, width: number, height: number): Promise<void> {
  await page.setViewportSize({ width, height });
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
}

/** How far the page can be scrolled sideways, px. */
const sideways = (page: Page) => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);

/** What can be pressed or typed into and is smaller than 40 px one way; a control may reach past what is drawn. */
const small = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('button, input:not([type=file]), textarea, nav a, footer a, [role=tab]')]
      .filter((one) => !one.closest('.sr-only') && one.getClientRects().length > 0)
      .flatMap((one) => {
        const { width, height } = one.getBoundingClientRect();
        const past = getComputedStyle(one, '::before');
        const more = past.content === 'none' ? 0 : -2 * Number.parseFloat(past.top || '0');
        return Math.min(width, height) + more < 39.5
          ? [`${one.getAttribute('aria-label') ?? one.textContent}: ${Math.round(width)} × ${Math.round(height)}`]
          : [];
      }),
  );

/** Texts of drawings that come out smaller than can be read, with their size on the screen, px. */
const tiny = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll<SVGTextElement>('main svg text')].flatMap((one) => {
      const scale = one.getScreenCTM();
      if (!scale || one.getClientRects().length === 0 || !one.textContent?.trim()) return [];
      const px = Number.parseFloat(getComputedStyle(one).fontSize) * Math.hypot(scale.a, scale.b);
      return px < 9 ? [`${one.textContent}: ${px.toFixed(1)} px`] : [];
    }),
  );

/** Names, roles and contrast in both themes; then as narrow as a tablet and a phone: nothing to scroll sideways, everything hit by a thumb, each word read. */
async function owed(page: Page, where: string, faults: string[]): Promise<void> {
  // Beside the sheet the ledger, the line and the bar are the same everywhere: they are looked at by themselves.
  faults.push(...(await unreadableInBoth(page, 'main')).map((one) => `${where}: ${one}`));
  for (const [device, width, height] of SMALL) {
    await resize(page, width, height);
    const over = await sideways(page);
    if (over > 0) faults.push(`${where}, ${device}: ${over} px too wide`);
    faults.push(...[...(await small(page)), ...(await tiny(page))].map((one) => `${where}, ${device}: ${one}`));
  }
  await resize(page, 1280, 800);
}

const HALF = Math.ceil(STATIONS.length / 2);
for (const some of [STATIONS.slice(0, HALF), STATIONS.slice(HALF)]) {
  test(`every screen from ${some[0]} to ${some.at(-1)} can be read in both themes, and fits a tablet, a phone and a thumb`, async ({
    page,
  }) => {
    await openSample(page);
    const faults: string[] = [];
    await walkStations(page, (where) => owed(page, where, faults), some);
    expect(faults).toEqual([]);
  });
}

test('the pages of a build and the quick sums can be read in both themes, and fit a tablet, a phone and a thumb', async ({
  page,
}) => {
  await openSample(page);
  const faults: string[] = [];
  await walkPages(page, (where) => owed(page, where, faults));
  expect(faults).toEqual([]);
});

test('the first page, and the ledger with a remedy beside the sheet, can be read in both themes', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('button', { name: 'Open Firn 9' })).toBeVisible();
  expect(await unreadableInBoth(page)).toEqual([]);
  await openSample(page);
  await page.getByRole('button', { name: /Heater fuse does not protect/ }).click();
  await expect(page.getByRole('list', { name: 'Remedies' })).toBeVisible();
  expect(await unreadableInBoth(page)).toEqual([]);
});
