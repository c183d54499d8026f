import { expect, test } from '@playwright/test';
import { check, choose, go, openSample, seek, set } from './stories';

test('electronics kept from a vehicle with 96 cells: the inputs without a cell are named, with the codes to expect', async ({
  page,
}) => {
  await openSample(page);
  await go(page, 'BMS');
  await choose(page.getByLabel('It comes out of another vehicle'), 'yes');
  await set(page, 'It looks for cells in a row', '96');
  // 54 cells in the rear box and 36 in front.
  await expect(check(page, 'bms.kept-cells:bms-kept')).toContainText('it looks for 96, there are 90');
  await expect(page.getByText('Codes to expect: open sense wire, 6 times.')).toBeVisible();
  await set(page, 'It looks for cells in a row', '90');
  await seek(page, 'another vehicle');
  await expect(check(page, 'bms.kept-cells:bms-kept')).toContainText('finds its cells');
});

test('thin sense wires make a bled cell read low, unless it pauses to read', async ({ page }) => {
  await openSample(page, 'Larkspur');
  await go(page, 'BMS');
  await set(page, 'Longest sense wire', '2 m');
  await set(page, '… of', '0.5 mm2');
  // By hand: 2 · 2 m · 1.02 · 0.017241 Ωmm²/m / 0.5 mm² · 0.5 A = 70 mV.
  await expect(check(page, 'bms.sense-drop:bms-sense')).toContainText(/70\.34.mV low, at most 10.mV/);
  await choose(page.getByLabel('It pauses bleeding while it reads'), 'yes');
  await seek(page, 'bled');
  await expect(check(page, 'bms.sense-drop:bms-sense')).toContainText('A cell that is bled reads right');
});

test('a charge that nothing shows is a finding, and what a fast charge would take is an outlook', async ({ page }) => {
  await openSample(page, 'Larkspur');
  await go(page, 'Charging');
  await choose(page.getByLabel('Charging is shown by'), 'nothing');
  await expect(check(page, 'charging.seen:charging')).toContainText('Nothing shows that the charge has ended');
  // 40 cells of 2.8 V.
  await expect(page.getByText(/The pack goes down to 112.V: stations give from about 200.V up/)).toBeVisible();
});
