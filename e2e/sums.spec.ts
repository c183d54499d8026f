import { expect, test } from '@playwright/test';
import { check, choose, openSample } from './stories';

test('a quick cable sum is worked out, sent into a build and fitted there', async ({ page }) => {
  await openSample(page);
  await page.goto('/sums');
  const answer = page.locator('dl[aria-label="Answer"]');
  // 302.9 A, 73.7 °C: the same balance by bisection in another language.
  await expect(answer).toContainText('303');
  await expect(answer).toContainText('73.7');
  await page.getByLabel('Size', { exact: true }).fill('10');
  await page.getByLabel('Size', { exact: true }).press('Enter');
  await page.getByLabel('Air around it', { exact: true }).fill('85 °C');
  await page.getByLabel('Air around it', { exact: true }).press('Enter');
  await page.getByRole('button', { name: 'Send into a build' }).click();
  await choose(page.getByLabel('Into', { exact: true }), 'Heater plus: fit this cable');
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(page.getByText('Sent into Firn 9: Heater plus: fit this cable.')).toBeVisible();
  await page.getByRole('link', { name: 'Open it' }).click();
  await expect(page.getByRole('button', { name: /^Heater plus, 10 mm²/ })).toBeAttached();
  await expect(page.getByRole('button', { name: /^Undo fit 10 mm² to Heater plus/ })).toBeVisible();
  await expect(check(page, 'fuse.cable-overload:f-heater')).toHaveAttribute('data-verdict', 'fails');
});

test('each law is a pocket tool; an emptied field and a meaningless one are answered in words', async ({ page }) => {
  await page.goto('/sums#discharge');
  const answer = page.locator('dl[aria-label="Answer"]');
  // 22 kΩ · 1.4 mF · ln(378/60) = 56.7 s by hand.
  await expect(answer).toContainText('56.7');
  await page.getByLabel('Bleed resistor').fill('');
  await page.getByLabel('Bleed resistor').press('Enter');
  await expect(answer).toContainText('never');
  await page.getByRole('button', { name: 'Short-circuit withstand' }).click();
  await page.getByLabel('May reach').fill('60');
  await page.getByLabel('May reach').press('Enter');
  await expect(
    page.getByRole('status').filter({ hasText: 'May reach is not above the start temperature' }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Fuse', exact: true }).click();
  await page.getByLabel('DC voltage on it').fill('');
  await page.getByLabel('DC voltage on it').press('Enter');
  await expect(page.locator('[data-rule="fuse.dc-rating"]')).toHaveAttribute('data-verdict', 'fails');
  await expect(page.locator('[data-rule="fuse.cable-short"]')).toHaveAttribute('data-verdict', 'waits');
  await page.getByRole('button', { name: 'Network', exact: true }).click();
  await page.getByLabel('Value of inverter').fill('400 kW');
  // 330² / (4 · 0.09) = 302.5 kW at most, 0.756 of what is asked.
  await expect(page.getByText('0.756')).toBeVisible();
});

test('a sum leaves its lines in a build’s notes', async ({ page }) => {
  await openSample(page);
  await page.goto('/sums#short-circuit');
  await page.getByRole('button', { name: 'Send into a build' }).click();
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await page.getByRole('link', { name: 'Open it' }).click();
  await page.getByRole('link', { name: 'Files' }).click();
  await expect(page.getByLabel('Notes of this build')).toHaveValue(
    /Short circuit: Cells in series 90.*Computed, not proved\./s,
  );
});
