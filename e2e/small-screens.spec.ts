import { expect, test } from '@playwright/test';
import { check, openSample } from './stories';

test('by thumb on a phone: worst check, working, remedy, undo', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await openSample(page);
  // The verdict is in sight without scrolling, and brings the ledger over the sheet.
  const verdict = page.getByRole('button', { name: /^Ledger, \d+ findings/ });
  await expect(verdict).toBeInViewport();
  await expect(verdict).toContainText('Charger fuse can’t break this voltage');
  await verdict.click();
  const ledger = page.getByRole('dialog', { name: 'Ledger' });
  const heater = check(page, 'fuse.cable-overload:f-heater');
  await heater.getByRole('button').first().click();
  await expect(heater).toContainText('IEC 60364-4-43');
  await heater.getByRole('button', { name: 'Fit' }).first().click();
  await expect(heater).toHaveAttribute('data-verdict', 'holds');
  await ledger.getByRole('button', { name: 'Close the ledger' }).click();
  await expect(ledger).toBeHidden();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await verdict.click();
  await expect(heater).toHaveAttribute('data-verdict', 'fails');
});

test('by keyboard alone, within twelve keys: worst check, working, remedy, undo', async ({ page }) => {
  await openSample(page);
  let keys = 0;
  const press = async (key: string) => {
    keys++;
    await page.keyboard.press(key);
  };
  const charger = check(page, 'fuse.dc-voltage:f-charger');
  await press('m');
  // The focus follows what was opened.
  await expect(charger.getByRole('button').first()).toBeFocused();
  await expect(charger).toContainText('381 V');
  const fit = charger.getByRole('button', { name: 'Fit' }).first();
  await expect(fit).toBeVisible();
  while (!(await fit.evaluate((one) => one === document.activeElement)) && keys < 9) await press('Tab');
  await expect(fit).toBeFocused();
  await press('Enter');
  await expect(page.locator('[data-check="fuse.dc-voltage:f-charger"][data-verdict="fails"]')).toHaveCount(0);
  await press('u');
  await expect(charger).toHaveAttribute('data-verdict', 'fails');
  expect(keys).toBeLessThanOrEqual(12);
});

test('what was opened closes by Esc, and the station stays', async ({ page }) => {
  await openSample(page);
  await page.keyboard.press('m');
  const charger = check(page, 'fuse.dc-voltage:f-charger');
  await expect(charger.getByRole('list', { name: 'Remedies' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(charger.getByRole('list', { name: 'Remedies' })).toHaveCount(0);
  await expect(charger.getByRole('button').first()).toBeFocused();
  // A thing of the drawing.
  await page.getByRole('button', { name: /^Heater fuse, / }).press('Enter');
  await expect(page.getByRole('heading', { name: /^Heater fuse/, level: 2 })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('heading', { name: /^Heater fuse/, level: 2 })).toHaveCount(0);
  // A device on the plan.
  await page.getByRole('link', { name: /^Cables/ }).click();
  await page.locator('[data-plan-device="inverter"]').press('Enter');
  await expect(page.getByRole('heading', { name: /^Inverter/, level: 2 })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('heading', { name: /^Inverter/, level: 2 })).toHaveCount(0);
  await expect(page.locator('main h1')).toHaveText('Cables');
});

test('the first keys of a page lead past the stations', async ({ page }) => {
  await openSample(page);
  await page.keyboard.press('Tab');
  await expect(page.getByRole('button', { name: 'To the sheet' })).toBeFocused();
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Ledger' })).toBeFocused();
});
