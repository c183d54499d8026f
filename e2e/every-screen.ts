import { expect, type Page } from '@playwright/test';

/** Stations, and what stands on the sheet when it is there. */
export const STATIONS = [
  'HV circuit',
  'Survey',
  'Pack',
  'Drive',
  'Cables',
  '12 V',
  'BMS',
  'Charging',
  'Ancillaries',
  'Interlocks',
  'Harness',
  'Plan',
  'Commission',
  'Logbook',
] as const;
/** Sums with unlike fields and answers. */
const SUMS = [
  'cable',
  'cable-transient',
  'fuse',
  'precharge',
  'drive',
  'motor-voltage',
  'hold-up',
  'vacuum',
  'part',
  'network',
] as const;

type Look = (where: string) => Promise<void>;

/** Goes through every station and every tab of it, and looks at each. */
export async function walkStations(page: Page, look: Look, stations: readonly string[] = STATIONS): Promise<void> {
  for (const station of stations) {
    await page.getByRole('link', { name: new RegExp(`^${station}`) }).click();
    await expect(page.locator('main h1')).toHaveText(station);
    await look(station);
    // The last list of tabs is the one of the sheet; the first of the HV circuit is the operating state.
    const list = page.getByRole('tablist').last();
    for (const name of (await list.count()) > 0 ? await list.getByRole('tab').allTextContents() : []) {
      await list.getByRole('tab', { name, exact: true }).click();
      await look(`${station}, ${name}`);
    }
  }
}

/** The pages of the open build and the quick sums. */
export async function walkPages(page: Page, look: Look): Promise<void> {
  const build = new URL(page.url()).searchParams.get('build')!;
  for (const [path, name] of [
    ['files', 'Files'],
    ['parts', 'Parts'],
  ] as const) {
    await page.goto(`/${path}?build=${encodeURIComponent(build)}`);
    await expect(page.locator('main h1')).toContainText(name);
    await look(name);
  }
  for (const sum of SUMS) {
    await page.goto(`/sums#${sum}`);
    await page.reload();
    await expect(page.getByRole('heading', { name: 'Answer' })).toBeVisible();
    await look(`sum ${sum}`);
  }
}
