import { expect, test } from '@playwright/test';
import { check, choose, openSample, saved } from './stories';

test('from a car without any 12-volt feed to a schedule, a fuse box and a hold-up time', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('Name of the new build').fill('Kestrel');
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await page.getByRole('link', { name: /^12 V/ }).click();
  await page.getByRole('button', { name: 'Lay out the feed' }).click();
  for (const name of ['Dipped beam, LED', 'Wipers', 'Vehicle control unit']) {
    await choose(page.getByLabel('Add a load'), name);
    await expect(page.locator('[data-schedule]')).toContainText(name);
  }
  // 4 + 5 + 0.8 A at 13.8 V.
  await expect(page.locator('[data-schedule] tr', { hasText: 'With the coils' })).toContainText(/9\.8\s*A/);
  // A press on its way in the drawing opens the load.
  await page.getByRole('button', { name: /^Circuit 2: Wipers, 20 A fuse, draws 5\s*A/ }).click();
  await expect(page.getByLabel('At its hardest')).toBeVisible();
  await page.getByRole('tab', { name: 'Fuse box' }).click();
  await expect(page.locator('[data-fuse-box]')).toContainText('Wipers');
  await page.getByRole('tab', { name: 'Converter dies' }).click();
  await expect(page.locator('[data-hold-up]')).toContainText('Holds');
  await saved(page);
});

test('the wire that came with the kit drops too much, and the remedy fits a thicker one', async ({ page }) => {
  await openSample(page);
  await page.getByRole('link', { name: /^12 V/ }).click();
  await page.getByRole('tab', { name: 'Fuse box' }).click();
  await choose(page.getByLabel('Wire of Converter to battery'), '10 mm²');
  const drop = check(page, 'lv.converter-drop:charger');
  await expect(drop).toHaveAttribute('data-verdict', 'fails');
  await drop.getByRole('button').first().click();
  await drop.getByRole('list', { name: 'Remedies' }).getByRole('button', { name: 'Fit' }).first().click();
  await expect(page.locator('[data-check="lv.converter-drop:charger"][data-verdict="fails"]')).toHaveCount(0);
});

test('three weeks parked flatten a small battery; the main switch cures it', async ({ page }) => {
  await openSample(page);
  await page.getByRole('link', { name: /^12 V/ }).click();
  await page.getByRole('tab', { name: 'Battery and converter' }).click();
  await choose(page.getByLabel('Battery', { exact: true }), 'Lead, 45 Ah');
  const parked = check(page, 'lv.parked:coil-battery');
  await expect(parked).toHaveAttribute('data-verdict', 'fails');
  await parked.getByRole('button').first().click();
  await parked
    .getByRole('list', { name: 'Remedies' })
    .getByRole('listitem')
    .filter({ hasText: 'main switch' })
    .getByRole('button', { name: 'Fit' })
    .click();
  await expect(page.locator('[data-check="lv.parked:coil-battery"][data-verdict="fails"]')).toHaveCount(0);
  await page.getByRole('tab', { name: 'Fuse box' }).click();
  await expect(page.getByText('There is a main switch at the battery', { exact: false })).toBeVisible();
});

test('the converter dies at night in rain: the hold-up is charted, and a weak battery says what goes first', async ({
  page,
}) => {
  await openSample(page);
  await page.getByRole('link', { name: /^12 V/ }).click();
  await page.getByRole('tab', { name: 'Converter dies' }).click();
  await expect(page.locator('[data-hold-up]')).toContainText(/Holds \d+(\.\d+)?\s*min/);
  await page.getByLabel('Charged to').fill('20');
  await page.getByLabel('Charged to').press('Enter');
  await expect(page.locator('[data-hold-up]')).toContainText('Twenty minutes are wanted');
});

test('two loads share a fuse: it carries both, and each can have its own again', async ({ page }) => {
  await openSample(page);
  await page.getByRole('link', { name: /^12 V/ }).click();
  await page
    .locator('[data-schedule]')
    .getByRole('button', { name: /^Radio/ })
    .click();
  await choose(page.getByLabel('Fuse', { exact: true }), 'the one of Wipers');
  const way = page.getByRole('button', { name: /Wipers \+ Radio, 20 A fuse/ });
  await expect(way).toBeVisible();
  await page.getByRole('tab', { name: 'Fuse box' }).click();
  await expect(page.locator('[data-fuse-box]')).toContainText('Wipers + Radio');
  // Radio was open and is the last on it: a press closes, the next one opens the first of both.
  await way.click();
  await way.click();
  await expect(page.locator('[data-schedule]').getByRole('button', { name: /^Wipers/ })).toHaveAttribute(
    'aria-expanded',
    'true',
  );
  await choose(page.getByLabel('Fuse', { exact: true }), 'one of its own');
  await expect(page.getByRole('button', { name: /Wipers \+ Radio/ })).toHaveCount(0);
  await saved(page);
});
