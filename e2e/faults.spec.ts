import { expect, test } from '@playwright/test';
import { check, choose, openSample, saved, seek } from './stories';

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
  await choose(page.getByLabel('Pack', { exact: true }), 'cold, aged, empty, with an arc: the least');
  await expect(cleared).toContainText('Heater fuse clears it after');

  await page.getByRole('button', { name: /^Pack rear to front/ }).focus();
  await page.keyboard.press('Enter');
  await choose(page.getByLabel('Against'), 'the pack’s minus terminal (through the body)');
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
  await expect(page.getByRole('button', { name: 'Bus to inverter plus, 70 mm², off cells' })).toBeAttached();
  const terminals = page.getByRole('list', { name: 'Terminals of consumers' }).getByRole('listitem');
  await expect(terminals).toHaveText(Array(3).fill(/off the cells.*fall under 60.V in 54.s/));
  await page.getByRole('button', { name: 'Disconnect out too' }).click();
  // 54 and 36 cells of 4.2 V.
  await expect(parts).toHaveCount(2);
  await expect(parts.nth(0)).toContainText('227');
  await expect(parts.nth(1)).toContainText('151');
  await page.getByRole('button', { name: 'All closed' }).click();
  await expect(terminals.filter({ hasText: 'Coolant heater' })).toContainText(/378.V/);
  await page.getByLabel('K+ main open').check();
  await expect(terminals.filter({ hasText: 'Coolant heater' })).toContainText('minus still joined to the pack');
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
  // It ships with a fuse that can; the strip that is often put there instead breaks 2 kA at 70 V.
  await page.getByRole('button', { name: /^Main fuse, / }).press('Enter');
  await choose(page.getByLabel('Part', { exact: true }), '150 A slow bolt-down strip fuse, 70 V DC');
  const capacity = check(page, 'fuse.breaking-capacity:f-main');
  await expect(capacity).toHaveAttribute('data-verdict', 'fails');
  const short = check(page, 'fuse.cable-short:f-main');
  await expect(short).toHaveAttribute('data-verdict', 'waits');
  await page.getByRole('tab', { name: 'Fuses' }).click();
  await expect(page.getByText('Highest fault', { exact: true })).toBeVisible();
  await capacity.getByRole('button').first().click();
  await capacity.getByRole('button', { name: 'Fit' }).first().click();
  await saved(page);
  await expect(capacity).toHaveAttribute('data-verdict', /holds|thin/);
  await seek(page, 'main fuse');
  await expect(check(page, 'fuse.dc-voltage:f-main')).toHaveAttribute('data-verdict', 'holds');
  await expect(short).toHaveAttribute('data-verdict', 'holds');
});

test('the circuit is changed by pressing: a compressor on the bus, a fuse into a wire, the shunt out of it', async ({
  page,
}) => {
  await openSample(page);
  await choose(page.getByLabel('Add to the bus'), 'Compressor, 2.5 kW, 400 V class');
  await expect(page.getByRole('button', { name: /^Compressor, / })).toBeAttached();
  await expect(check(page, 'circuit.open:compressor')).toHaveCount(0);
  await page.getByRole('button', { name: /^Bus to inverter plus, / }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'a fuse', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Undo put Fuse into Bus to inverter plus' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Bus to inverter plus, after Fuse, 70 mm²/ })).toBeAttached();
  await page.getByRole('button', { name: /^Shunt, / }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Delete and rejoin' }).click();
  await saved(page);
  await expect(page.getByRole('button', { name: /^Shunt, / })).toHaveCount(0);
  await page.keyboard.press('u');
  await expect(page.getByRole('button', { name: /^Shunt, / })).toBeAttached();
});

test('touch: the readings to expect, and a leak that was measured', async ({ page }) => {
  await openSample(page);
  await page.getByRole('tab', { name: 'Shock protection' }).click();
  await expect(page.getByText('voltage class B: it kills')).toBeVisible();
  // Six devices of 10 MΩ side by side, the motor with them.
  await expect(page.getByRole('row', { name: /^To the body, all together/ })).toContainText('1.67 MΩ');
  await page.getByRole('button', { name: /^Coolant heater, / }).focus();
  await page.keyboard.press('Enter');
  await page.getByLabel('Insulation leakage').fill('150 kΩ');
  await page.getByLabel('Insulation leakage').press('Enter');
  // 1/(1/150k + 5/10M) = 139.5 kΩ against 189 kΩ.
  await expect(page.getByRole('row', { name: /^To the body, all together/ })).toContainText('140 kΩ');
  await expect(check(page, 'insulation.resistance:pack')).toHaveAttribute('data-verdict', 'fails');
});

test('what an inspector asks: a case that is not bonded fails with its words, and undo takes it back', async ({
  page,
}) => {
  await openSample(page);
  await page.getByRole('tab', { name: 'Shock protection' }).click();
  const bonding = page.getByLabel('Cases bonded to the body');
  await expect(bonding).toHaveText('yes');
  await choose(bonding, 'no');
  const asked = check(page, 'safeguard.seen:safeguard-bonding');
  await expect(asked).toHaveAttribute('data-verdict', 'fails');
  await expect(asked).toContainText('under 0.1 Ω to the body');
  await asked.getByRole('button').first().click();
  await expect(asked).toContainText('A licensed person inspects it');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(bonding).toHaveText('yes');
});

test('ten states are solved and shown; in service the boxes stand alone', async ({ page }) => {
  await openSample(page);
  await expect(page.getByRole('tablist', { name: 'Operating state' }).getByRole('tab')).toHaveCount(10);
  await page.getByRole('tab', { name: 'Charging' }).click();
  await expect(page.getByRole('button', { name: /^Charger and converter, / })).toBeAttached();
  await choose(page.getByLabel('Corner'), 'nominal');
  // 4.8 kW at 333 V and a little more.
  await expect(page.getByRole('button', { name: /^Charger plus, 6 mm², 14\.\d.A/ })).toBeAttached();
});
