import { expect, test } from '@playwright/test';
import { check, openSample, saved } from './stories';

test('short a wire: the drawing shows the current, and who clears it and when', async ({ page }) => {
  await openSample(page);
  await page.getByRole('tab', { name: 'Short it here' }).click();
  await expect(page.getByText('Press a wire in the drawing: it is shorted there.')).toBeVisible();
  await page.getByRole('button', { name: /^Heater plus, 4 mm²/ }).focus();
  await page.keyboard.press('Enter');
  const cleared = page.locator('[data-short="cleared"]');
  await expect(cleared).toContainText('Heater fuse clears it after');
  // 378 V through about 35 mΩ: more than ten kiloamperes; 378 V is 90 cells of 4.2 V.
  await expect(cleared).toContainText('378');
  await expect(page.getByRole('button', { name: /^Shunt to bus minus, 70 mm², 1\d(\.\d)?.kA/ })).toBeAttached();
  await page.getByLabel('Pack', { exact: true }).selectOption('cold, aged, empty, with an arc: the least');
  await expect(cleared).toContainText('Heater fuse clears it after');

  await page.getByRole('button', { name: /^Pack rear to front/ }).focus();
  await page.keyboard.press('Enter');
  await page.getByLabel('Against').selectOption('the pack’s minus terminal (through the body)');
  await expect(page.locator('[data-short="goes on"]')).toContainText('Nothing clears it: it burns on');
});

test('still live: the emergency handle leaves the cells, the disconnect halves them, a wire tells its way', async ({
  page,
}) => {
  await openSample(page);
  await page.getByRole('tab', { name: 'Still live?' }).click();
  await page.getByRole('button', { name: /Emergency handle/ }).click();
  const parts = page.getByRole('list', { name: 'Live parts' }).getByRole('listitem');
  await expect(parts).toHaveCount(1);
  await expect(parts.first()).toContainText('378');
  await expect(page.getByRole('button', { name: 'Bus to inverter plus, 70 mm², dead' })).toBeAttached();
  await page.getByRole('button', { name: 'Disconnect out too' }).click();
  // 54 and 36 cells of 4.2 V.
  await expect(parts).toHaveCount(2);
  await expect(parts.nth(0)).toContainText('227');
  await expect(parts.nth(1)).toContainText('151');
  await page.getByRole('button', { name: 'All closed' }).click();
  await page.getByLabel('K+ main open').check();
  await page.getByRole('button', { name: /^Bus to inverter minus, 70 mm², live/ }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('is live, through Shunt, K− main.')).toBeVisible();
  // 22 kΩ · 1.33 mF · ln(378/60) = 53.9 s by hand.
  await expect(page.getByText(/The link needs 54.s to fall under 60.V/)).toBeVisible();
});

test('the fuse that can’t break: low voltage and big cells, seen, explained and cured', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Open Teasel' }).click();
  await expect(page.getByRole('group', { name: 'Traction circuit' })).toBeVisible();
  const capacity = check(page, 'fuse.breaking-capacity:f-main');
  await expect(capacity).toHaveAttribute('data-verdict', 'fails');
  const short = check(page, 'fuse.cable-short:f-main');
  await expect(short).toHaveAttribute('data-verdict', 'waits');
  await page.getByRole('tab', { name: 'Fuses' }).click();
  await expect(page.getByText('Highest fault', { exact: true })).toBeVisible();
  await capacity.getByRole('button').first().click();
  await capacity.getByRole('button', { name: 'Fit' }).first().click();
  await saved(page);
  await expect(capacity).toHaveCount(0);
  await expect(check(page, 'fuse.dc-voltage:f-main')).toHaveCount(0);
  await expect(short).toHaveCount(0);
});
