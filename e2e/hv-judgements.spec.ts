import { expect, test } from '@playwright/test';
import { check, choose, openSample, saved, seek } from './stories';

test('a load that wakes by itself makes precharge fail; the tool names it and holds it off', async ({ page }) => {
  await openSample(page);
  await page.getByRole('button', { name: /^Coolant heater, / }).press('Enter');
  await choose(page.getByLabel('Part', { exact: true }), 'Coolant heater, 5 kW, wakes by itself');
  const reaches = check(page, 'precharge.reaches:r-pre');
  await expect(reaches).toHaveAttribute('data-verdict', 'fails');
  await expect(reaches).toContainText('Coolant heater');
  await reaches.getByRole('button').first().click();
  await expect(reaches).toContainText('held off until commanded');
  await reaches.getByRole('button', { name: 'Fit' }).first().click();
  await expect(reaches).toHaveAttribute('data-verdict', 'holds');
});

test('a fuse for short circuits only that never sees the least current it breaks is caught', async ({ page }) => {
  await openSample(page);
  await page.getByRole('button', { name: /^Mid fuse, / }).press('Enter');
  await choose(page.getByLabel('Part', { exact: true }), '1000 A very fast, partial range fuse, 500 V DC');
  const least = check(page, 'fuse.minimum-breaking:f-mid');
  // Four times 1000 A by the family's table.
  await expect(least).toHaveAttribute('data-verdict', 'fails');
  await expect(least).toContainText('breaks from 4 kA');
});

test('a fuse without a DC voltage, and one rated for the nominal voltage, are caught', async ({ page }) => {
  await openSample(page);
  // The sample's charger fuse is for 250 V; the full pack has 381 V with regeneration.
  await expect(check(page, 'fuse.dc-voltage:f-charger')).toContainText('381 V full charge, breaks 250 V');
  const build = new URL(page.url()).search;
  await page.goto(`/parts${build}`);
  await page.getByRole('button', { name: /^Own copy of 32 A full-range/ }).click();
  await page.getByLabel('Name', { exact: true }).fill('32 A, 690 V AC');
  await page.getByLabel('Rated voltage DC', { exact: true }).fill('');
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'More figures' }).click();
  await page.getByLabel('Rated voltage AC', { exact: true }).fill('690');
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'Take it into the build' }).click();
  await expect(page.getByText('32 A, 690 V AC', { exact: true })).toBeVisible();
  await saved(page);
  await page.goto(`/hv-circuit${build}`);
  await page.getByRole('button', { name: /^Charger fuse, / }).press('Enter');
  await choose(page.getByLabel('Part', { exact: true }), '32 A, 690 V AC');
  await expect(check(page, 'fuse.dc-rating:f-charger')).toHaveAttribute('data-verdict', 'fails');
  await saved(page);
});

test('the school with one contactor and a hand switch holds by its own rules', async ({ page }) => {
  await openSample(page, 'Larkspur');
  for (const [key, words] of [
    ['emergency.stop:emergency-stop', 'emergency'],
    ['disconnect.left:s-hand', 'hand switch'],
    ['contactor.both-poles:pack', 'one pole'],
  ] as const) {
    await seek(page, words);
    await expect(check(page, key)).toHaveAttribute('data-verdict', 'holds');
  }
  await expect(check(page, 'contactor.both-poles:pack')).toContainText('single-pole switching');
});
