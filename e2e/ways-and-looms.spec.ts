import { expect, test } from '@playwright/test';
import { check, choose, openSample, saved, seek } from './stories';

test('a passage without a grommet fails its route; moved with the arrow keys it takes the cable along', async ({
  page,
}) => {
  await openSample(page);
  await page.getByRole('link', { name: /^Cables/ }).click();
  const passage = page.locator('[data-plan-passage="p-boot-right"]');
  const length = page.locator('[data-plan-length="c-plus"]');
  await expect(length).toHaveText(/2\.68\sm/);
  await passage.press('Enter');
  await choose(page.getByLabel('It is', { exact: true }), 'a bare hole');
  await expect(check(page, 'cable.route:way-plus')).toContainText('Boot floor, right has no grommet');
  await choose(page.getByLabel('It is', { exact: true }), 'a hole with a grommet');
  // Ten centimetres to the right, three times: the points of the route go with it.
  for (let k = 0; k < 3; k++) await passage.press('Shift+ArrowUp');
  await expect(page.getByLabel('Left of the middle')).toHaveValue(/720\smm/);
  await expect(length).not.toHaveText(/2\.68\sm/);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await saved(page);
});

test('a new passage is put in and a loom finds its way through it', async ({ page }) => {
  await openSample(page, 'Larkspur');
  await page.getByRole('link', { name: /^Cables/ }).click();
  await page.getByLabel('A new cable duct, called').fill('Bulkhead');
  await page.getByLabel('A new cable duct, called').press('Enter');
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Bulkhead');
  await choose(page.getByLabel('From', { exact: true }), 'Engine bay, engine out');
  await choose(page.getByLabel('Into', { exact: true }), 'Engine bay, engine out');
  await expect(page.getByText('A cable duct leads from one place into another.')).toBeVisible();
  await choose(page.getByLabel('Into', { exact: true }), 'Cabin');
  await expect(page.getByRole('button', { name: /Bulkhead, hole with a grommet/ })).toBeVisible();
  await saved(page);
});

test('wires that are tied together are judged as one loom, and a plug that is too small is cured', async ({ page }) => {
  await openSample(page, 'Larkspur');
  await page.getByRole('link', { name: /^12 V/ }).click();
  await page.getByRole('tab', { name: 'Wires and earths' }).click();
  await choose(page.getByLabel('Tie the wires that lie in'), 'Engine bay, engine out');
  const name = page.getByLabel(/wires into a loom called/);
  await name.fill('Bay loom');
  await name.press('Enter');
  const loom = page.locator('[data-loom]');
  await expect(loom).toContainText(/Bay loom\d+ wires, \d+\smm across/);
  // Warmer than the bay's 60 °C, cooler than the wire's 105 °C.
  const heat = Number((await loom.textContent())!.match(/(\d+)\s°C/)![1]);
  expect(heat).toBeGreaterThanOrEqual(60);
  expect(heat).toBeLessThan(105);
  const wire = page.locator('[data-wire]').filter({ hasText: 'Dipped beam, LED feed' });
  await wire.getByRole('button').click();
  await page.getByLabel('Connector rating').fill('2 A');
  await page.getByLabel('Connector rating').press('Enter');
  const plug = page.locator('[data-check^="lv.connector:"]');
  await expect(plug).toContainText(/of 2\sA/);
  await plug.getByRole('button').first().click();
  await page.getByRole('button', { name: 'Fit', exact: true }).first().click();
  await expect(plug).toHaveAttribute('data-verdict', 'holds');
  await saved(page);
});

test('a case that is not tight enough for its place is caught, dipping is no jet', async ({ page }) => {
  await openSample(page);
  await page.getByRole('link', { name: /^Cables/ }).click();
  const need = page.getByLabel('things there need').nth(3);
  await need.fill('IP65');
  await need.press('Enter');
  await seek(page, 'inverter');
  await expect(check(page, 'plan.ingress:inverter')).toContainText('its protection class');
  await page.locator('[data-plan-device="inverter"]').press('Enter');
  await page.getByLabel('Protection class').fill('tight');
  await page.getByLabel('Protection class').press('Enter');
  await expect(page.getByText(/Write it as IP67/)).toBeVisible();
  await page.getByLabel('Protection class').fill('IP67');
  await page.getByLabel('Protection class').press('Enter');
  await expect(check(page, 'plan.ingress:inverter')).toContainText('IP67, Engine bay, engine out needs IP65');
  await page.getByLabel('Protection class').fill('IP66/IP67');
  await page.getByLabel('Protection class').press('Enter');
  await expect(check(page, 'plan.ingress:inverter')).toHaveAttribute('data-verdict', 'holds');
});
