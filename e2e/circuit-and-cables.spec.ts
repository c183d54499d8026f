import { expect, test } from '@playwright/test';
import { check, choose, go, openSample, saved, set } from './stories';

test('the circuit shows the currents of the chosen case and a click edits a device', async ({ page }) => {
  await openSample(page);
  const drawing = page.getByRole('group', { name: 'Traction circuit' });
  // 310.5 V at rest, 0.154 Ω of cells and way, 37.6 kW: (310.5 − √(310.5² − 4·0.154·37 600))/(2·0.154) = 129 A.
  await expect(drawing.getByRole('button', { name: /^K\+ to bus plus, 70 mm², 129 A/ })).toBeVisible();
  await page.getByRole('tab', { name: 'Parked' }).click();
  await expect(drawing.getByRole('button', { name: /^K\+ to bus plus, 70 mm², 0 A/ })).toBeVisible();
  await page.getByRole('tab', { name: 'Hard acceleration' }).click();
  await choose(page.getByLabel('Corner'), 'warm, new, full');
  // Full pack, 58 kW, 1.1 kW and the heater’s 4.5 kW, which stays on: 63 600 W at about 370 V.
  await expect(drawing.getByRole('button', { name: /^K\+ to bus plus, 70 mm², 172 A/ })).toBeVisible();

  await drawing.getByRole('button', { name: /^Charger fuse/ }).click();
  await choose(page.getByLabel('Part'), '32 A full-range traction fuse, 500 V DC');
  await expect(check(page, 'fuse.dc-voltage:f-charger')).toHaveCount(0);
  await expect(page.getByText('The main closes at 95 % (dashed) after 399 ms.')).toBeVisible();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await page.getByLabel('Close main contactor at').fill('98 %');
  await page.getByLabel('Close main contactor at').press('Enter');
  // −R · 1.33 mF · ln 0.02 is 520 ms for the resistor alone; pack, relay and cables add a tenth of an ohm.
  await expect(page.getByText(/The main closes at 98 % \(dashed\) after 52[01]\sms\./)).toBeVisible();
});

test('a wire is opened from the drawing by keyboard alone', async ({ page }) => {
  await openSample(page);
  await page.getByRole('button', { name: /^Heater plus, 4 mm²/ }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /Heater plus/ })).toBeVisible();
  await choose(page.getByLabel('Size'), '10 mm², shielded');
  await saved(page);
  await page.keyboard.press('Escape');
  await page.locator('main h1').click();
  await page.keyboard.press('c');
  await expect(page.locator('[data-cable="c-heat-plus"]')).toContainText('10 mm²');
});

test('a cable’s length is typed in any unit, what is no length is refused and kept, and undo takes it back', async ({
  page,
}) => {
  await openSample(page);
  await page.getByRole('link', { name: /^Cables/ }).click();
  await expect(page.locator('[data-cable="c-minus"]')).toContainText('1.1 m');
  await page.getByRole('button', { name: 'Shunt to bus minus' }).click();
  const length = page.getByLabel('Length', { exact: true });
  await length.fill('12 ft');
  await length.press('Enter');
  await expect(page.locator('[data-cable="c-minus"]')).toContainText('3.66 m');
  await saved(page);
  await length.fill('a bit longer');
  await length.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'does not start with a number' })).toBeVisible();
  await expect(length).toHaveValue('a bit longer');
  await length.fill('500 m');
  await length.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'at most 100 m' })).toBeVisible();
  await page.locator('main h1').click();
  await page.keyboard.press('u');
  await expect(page.locator('[data-cable="c-minus"]')).toContainText('1.1 m');
});

test('too much current for a cable’s place says that it has no steady temperature, and a remedy cures it', async ({
  page,
}) => {
  await openSample(page);
  await page.getByRole('link', { name: /^Cables/ }).click();
  await page.getByRole('button', { name: 'Pack rear to front', exact: true }).click();
  await choose(page.getByLabel('Size'), '6 mm², shielded');
  const hot = check(page, 'cable.temperature:c-mid');
  await expect(hot).toHaveAttribute('data-verdict', 'fails');
  await hot.getByRole('button').first().click();
  await hot.getByRole('button', { name: 'Fit' }).first().click();
  await expect(hot).not.toHaveAttribute('data-verdict', 'fails');
});

test('a busbar in the place of a cable is asked for its section, and a thin one is not let pass', async ({ page }) => {
  await openSample(page);
  await go(page, 'Cables');
  const row = page.locator('[data-cable="c-mid-fuse"]');
  await row.getByRole('button', { name: 'Mid fuse to service disconnect' }).click();
  await choose(page.getByLabel('Is a', { exact: true }), 'busbar');
  const bar = check(page, 'cable.bar:c-mid-fuse');
  await expect(bar).toContainText('needs its cross-section');
  await expect(row).toContainText('no size');
  await set(page, 'Busbar section', '10');
  await expect(bar).toContainText('carries more than a busbar of its section');
  // The current that the circuit’s other conductors of this string show too.
  await expect(bar).toContainText('129 A of');
  await set(page, 'Busbar section', '30 x -5');
  await expect(page.getByRole('alert').filter({ hasText: 'is not width by thickness' })).toBeVisible();
  await set(page, 'Busbar section', '30 x 5');
  await expect(row).toContainText('150 mm²');
  await expect(bar).toContainText('carries its current');
  await saved(page);
  for (const words of [/^Undo section of .*: 150/, /^Undo section of .*: 10/, /^Undo .* is a busbar/])
    await page.getByRole('button', { name: words }).click();
  await expect(row).toContainText('70 mm²');
});
