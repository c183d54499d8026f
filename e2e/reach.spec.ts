import AxeBuilder from '@axe-core/playwright';
import { expect, type Page, test } from '@playwright/test';
import { openSample } from './stories';

/** What differs by theme is the contrast alone: in the dark only that is looked at. */
const faults = async (page: Page, scheme: 'light' | 'dark') => {
  const axe = new AxeBuilder({ page });
  const { violations } = await (scheme === 'dark'
    ? axe.withRules(['color-contrast'])
    : axe.withTags(['wcag2a', 'wcag2aa', 'wcag21aa'])
  ).analyze();
  return violations.map(
    (violation) => `${violation.id}: ${violation.nodes.map((node) => node.target.join(' ')).join(' | ')}`,
  );
};

for (const scheme of ['light', 'dark'] as const) {
  test(`every screen meets WCAG AA in ${scheme}`, async ({ page }) => {
    // Nearly thirty screens, each looked through whole.
    test.setTimeout(600_000);
    await page.emulateMedia({ colorScheme: scheme });
    await page.goto('/');
    await expect(page.getByRole('button', { name: 'Open Firn 9' })).toBeVisible();
    expect(await faults(page, scheme)).toEqual([]);
    await openSample(page);
    await page.getByRole('button', { name: /Heater fuse does not protect/ }).click();
    await expect(page.getByRole('list', { name: 'Remedies' })).toBeVisible();
    expect(await faults(page, scheme)).toEqual([]);
    for (const [link, landmark] of [
      ['Survey', 'Duty'],
      ['Pack', 'Boxes and cells'],
      ['Drive', 'Battery current'],
      ['Cables', 'Places'],
      ['12 V', 'Load schedule'],
    ] as const) {
      await page.getByRole('link', { name: new RegExp(`^${link}`) }).click();
      await expect(page.getByRole('heading', { name: landmark })).toBeVisible();
      expect(await faults(page, scheme)).toEqual([]);
    }
    for (const [link, tabs] of [
      ['12 V', ['Fuse box', 'Scenarios', 'Converter dies']],
      ['Cables', ['Side', 'Size it for me', 'Cut list']],
      ['Survey', ['As found', 'On its wheels', 'Functions lost with the engine', 'Rules and design choices']],
      ['Pack', ['Charge and sag', 'Carried and held', 'Salvaged modules', 'Second pack']],
    ] as const) {
      await page.getByRole('link', { name: new RegExp(`^${link}`) }).click();
      for (const tab of tabs) {
        await page.getByRole('tab', { name: tab }).click();
        expect(await faults(page, scheme)).toEqual([]);
      }
    }
    for (const [link, heading] of [
      ['Files', 'Snapshots'],
      ['Parts', 'Make a part of your own'],
    ] as const) {
      await page.getByRole('link', { name: link, exact: true }).click();
      await expect(page.getByRole('heading', { name: heading }).last()).toBeVisible();
      expect(await faults(page, scheme)).toEqual([]);
    }
    await page.goto('/sums#fuse');
    await expect(page.getByRole('list', { name: 'Rules' })).toBeVisible();
    expect(await faults(page, scheme)).toEqual([]);
  });
}

test('the command list opens with one key, narrows by typing and goes where it says', async ({ page }) => {
  await openSample(page);
  await page.keyboard.press('k');
  await page.getByLabel('Find a command').fill('go cab');
  await page.keyboard.press('Enter');
  await expect(page.locator('main h1')).toHaveText('Cables');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('Undo');
  await page.keyboard.press('Escape');
  await page.keyboard.press('w');
  await expect(page.getByRole('radio', { name: 'whole vehicle' })).toHaveAttribute('aria-checked', 'true');
});

test('every station of the line is there, none is still to come', async ({ page }) => {
  await openSample(page);
  await expect(page.getByRole('navigation', { name: 'Stations' }).getByText('to come')).toHaveCount(0);
  await expect(page.getByRole('navigation', { name: 'Stations' }).getByRole('link')).toHaveCount(14);
});

test('nothing is fetched from anywhere but this address', async ({ page }) => {
  const elsewhere: string[] = [];
  page.on('request', (request) => {
    if (
      !request.url().startsWith('http://127.0.0.1:') &&
      !request.url().startsWith('data:') &&
      !request.url().startsWith('blob:')
    )
      elsewhere.push(request.url());
  });
  await openSample(page);
  await page.getByRole('button', { name: /Charger fuse can’t break/ }).click();
  await expect(page.getByRole('list', { name: 'Remedies' })).toBeVisible();
  expect(elsewhere).toEqual([]);
});
