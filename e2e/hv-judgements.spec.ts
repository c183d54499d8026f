import { expect, test } from '@playwright/test';
import { check, openSample, saved } from './stories';

test('a load that wakes by itself makes precharge fail; the tool names it and holds it off', async ({ page }) => {
  await openSample(page);
  await page.getByRole('button', { name: /^Coolant heater, / }).press('Enter');
  await page.getByLabel('Part', { exact: true }).selectOption('Coolant heater, 5 kW, wakes by itself');
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
  await page
    .getByLabel('Part', { exact: true })
    .selectOption({ label: '1000 A very fast, partial range fuse, 500 V DC' });
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
  await page.getByLabel('Rated voltage dc, V').fill('');
  await page.getByLabel('Rated voltage ac, V').fill('690');
  await page.getByRole('button', { name: 'Take it into the build' }).click();
  await expect(page.getByText('32 A, 690 V AC', { exact: true })).toBeVisible();
  await saved(page);
  await page.goto(`/hv-circuit${build}`);
  await page.getByRole('button', { name: /^Charger fuse, / }).press('Enter');
  await page.getByLabel('Part', { exact: true }).selectOption({ label: '32 A, 690 V AC' });
  await expect(check(page, 'fuse.dc-rating:f-charger')).toHaveAttribute('data-verdict', 'fails');
  await saved(page);
});

test('the school with one contactor and a hand switch holds by its own rules', async ({ page }) => {
  await openSample(page, 'Larkspur');
  for (const key of ['contactor.both-poles:pack', 'emergency.stop:emergency-stop', 'disconnect.left:s-hand']) {
    const one = check(page, key);
    if (!(await one.isVisible())) await page.getByText(/\d+ hold – show/).click();
    await expect(one).toHaveAttribute('data-verdict', 'holds');
  }
  await expect(check(page, 'contactor.both-poles:pack')).toContainText('single-pole school');
});
