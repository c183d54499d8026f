import { expect, test } from '@playwright/test';
import { check, openSample, saved, seek } from './stories';

test('open the sample, see what fails and why, fit a remedy, undo, redo, and find it after a reload', async ({
  page,
}) => {
  await openSample(page);
  const heater = check(page, 'fuse.cable-overload:f-heater');
  await expect(heater).toHaveAttribute('data-verdict', 'fails');
  await heater.getByRole('button').first().click();

  // The working can be redone by hand: I_n against I_z, with the cable and the place. 42.04 A: the same heat balance solved
  // by plain bisection in another language. Margins of the remedy: (42.04 − 35)/42.04, cut to 16 %.
  await expect(heater).toContainText('63 A ≤ 42.04 A');
  await expect(heater).toContainText('4 mm², 125 °C class, Near heater or converter at 85 °C, touching pair');
  await expect(heater).toContainText('IEC 60364-4-43');

  const offer = heater.getByRole('list', { name: 'Remedies' }).getByRole('listitem').first();
  await expect(offer).toContainText('fit 35 A full-range traction fuse, 500 V DC to Heater fuse: holds, margin 16 %');
  await offer.getByRole('button', { name: 'Fit' }).click();
  await expect(heater).toHaveAttribute('data-verdict', 'holds');
  await expect(page.getByRole('button', { name: 'Undo fit 35 A' })).toBeVisible();
  await saved(page);

  await page.getByRole('button', { name: 'Undo fit 35 A' }).click();
  await expect(heater).toHaveAttribute('data-verdict', 'fails');
  await saved(page);
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(heater).toHaveAttribute('data-verdict', 'holds');
  await saved(page);

  await page.reload();
  await expect(page.getByRole('group', { name: 'Traction circuit' })).toBeVisible();
  await expect(check(page, 'fuse.cable-overload:f-heater')).toHaveCount(0);
  await seek(page, 'heater fuse');
  await expect(check(page, 'fuse.cable-overload:f-heater')).toHaveAttribute('data-verdict', 'holds');
  await expect(page.getByRole('link', { name: /HV circuit, thinnest margin −52 %, 5 findings/ })).toBeVisible();

  // Undo reaches back over the reload; in a field that is typed in, the keys are the field’s.
  await page.locator('main h1').click();
  await page.keyboard.press('Control+z');
  await expect(check(page, 'fuse.cable-overload:f-heater')).toHaveAttribute('data-verdict', 'fails');
});

test('the ledger of the whole vehicle holds every station’s checks, thinnest first', async ({ page }) => {
  await openSample(page);
  await page.getByRole('radio', { name: 'whole vehicle' }).click();
  const shown = page.getByRole('region', { name: 'Ledger' }).locator('[data-check]');
  // Three of the same sentence stand in one line, and open to their subjects.
  await expect(shown).toHaveCount(14);
  const folded = page.getByRole('button', { name: /and 2 more like it – show/ });
  await folded.click();
  await expect(shown).toHaveCount(17);
  await page.getByRole('button', { name: /and 2 more like it – hide/ }).click();
  await expect(shown.nth(0)).toContainText('−52 %');
  await expect(shown.nth(1)).toContainText('−49 %');
  await expect(shown.nth(2)).toHaveAttribute('data-verdict', 'thin');

  // Before all: what the verdict does not say.
  await page.getByRole('button', { name: /Not judged here, and assumed/ }).press('Enter');
  await expect(page.getByRole('listitem').filter({ hasText: 'Where in a box it is warmest' })).toBeVisible();
  await expect(
    page.getByRole('listitem').filter({ hasText: 'Coolant heater draws uphill and in hard acceleration' }),
  ).toBeVisible();
  // It stays open, and the ledger whole, while one goes on to another station: the frame around the sheet is the same.
  await page.getByRole('link', { name: /^Cables/ }).click();
  await expect(page.getByRole('heading', { name: 'Cables', level: 1 })).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: 'Where in a box it is warmest' })).toBeVisible();
});
