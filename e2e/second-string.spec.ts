import { expect, test } from '@playwright/test';
import { check, openSample, saved } from './stories';

test('a second string beside the pack: figures, stages and its own contactor', async ({ page }) => {
  await openSample(page);
  await page.getByRole('link', { name: /^Pack/ }).click();
  await page.getByRole('tab', { name: 'Second pack' }).click();
  await page.getByRole('button', { name: 'Put a second string into the build' }).click();
  // 90 cells of 3.65 V nominal, 176 Ah and the 88 Ah that stand there: 90 · 3.65 · 264 Wh.
  await expect(page.getByText(/86\.7\s*kWh gross/)).toBeVisible();
  const stages = page.locator('[data-stages] li');
  await expect(stages).toHaveCount(2);
  await expect(stages.first()).toContainText('57.8 kWh');
  await page.getByRole('tab', { name: 'Cells and limits' }).click();
  await expect(page.getByText('2 strings in parallel')).toBeVisible();

  const own = check(page, 'pack.string-contactor:box-rear');
  await expect(own).toHaveAttribute('data-verdict', 'fails');
  await own.getByRole('button').first().click();
  await own.getByRole('list', { name: 'Remedies' }).getByRole('button', { name: 'Fit' }).first().click();
  await expect(check(page, 'pack.string-contactor:box-rear')).not.toHaveAttribute('data-verdict', 'fails');
  await saved(page);

  await page.getByRole('link', { name: /^HV circuit/ }).click();
  await expect(page.getByText('Joined and solved, but not drawn yet')).toHaveCount(0);
  await expect(page.locator('[data-check^="fuse.present"]')).toHaveCount(0);
});

test('the resistors of the list in this circuit, and what a fault looks like while the bus charges', async ({
  page,
}) => {
  await openSample(page);
  await page.getByRole('tab', { name: 'Closing' }).click();
  const table = page.getByRole('table', { name: 'Resistors in this circuit' });
  await expect(table).toContainText('fitted');
  // RC to 95 %: 47 Ω · 1.33 mF · ln 20, within the wires and the bleed.
  const row = table.locator('tbody tr').filter({ hasText: /47\s*Ω/ });
  await expect(row).toContainText(/18\d\s*ms/);
  await row.getByRole('button', { name: 'fit' }).click();
  await expect(row).toContainText('fitted');
  // Nothing on the bus, and 90 · 4.2 V / 47 Ω = 8.04 A at first, less the wires.
  const signs = page.locator('[data-precharge-signs]');
  await expect(signs.locator('tbody tr').filter({ hasText: 'bus shorted' })).toContainText(/0\s*V8.03\s*A/);
});
