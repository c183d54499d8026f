import { readFile } from 'node:fs/promises';
import { expect, type Page, test } from '@playwright/test';
import { check, choose, go, openSample, saved, set } from './stories';

const step = (page: Page, id: string) => page.locator(`[data-step="${id}"]`);
const sheet = (page: Page, id: string) => page.locator(`[data-sheet="${id}"]`);
const csv = (rows: readonly (readonly [number, number])[]) =>
  Buffer.from(`time (s);U (V)\n${rows.map(([t, v]) => `${t.toFixed(4)};${v.toFixed(3)}`).join('\n')}\n`);

/** Volts of a link behind a resistor, from 50 ms on, and the main contactor closing at 0.7 s. */
const precharge = (tauS: number, packV: number) =>
  Array.from({ length: 400 }, (_, k) => {
    const t = k * 0.0025;
    return [t, t < 0.05 ? 0 : t < 0.7 ? packV * (1 - Math.exp(-(t - 0.05) / tauS)) : packV] as const;
  });

test('a precharge trace gives the capacitance; adopted, what is expected moves with it', async ({ page }) => {
  await openSample(page);
  await go(page, 'Commission');
  await sheet(page, 'precharge').click();
  const reads = step(page, 'reach.r-pre');
  // ± 30 % of 0.399 s, which the transient of the circuit as wired takes.
  await expect(reads).toContainText(/279.ms to 518/);
  await page.getByRole('tab', { name: 'Traces' }).click();
  // R is 100 Ω: 1.6 mF on the whole link.
  await page
    .getByLabel('Trace as CSV')
    .setInputFiles({ name: 'scope.csv', mimeType: 'text/csv', buffer: csv(precharge(0.16, 378)) });
  await expect(page.getByRole('heading', { name: /Precharge: scope.csv/ })).toBeVisible();
  const adopts = page.locator('[data-trace-adopts]');
  await expect(adopts).toContainText('Inverter');
  // τ/R less what heater and charger hold: 1.6 mF − 0.2305 mF within a hundredth.
  const figure = Number((await adopts.locator('b').textContent())!.replace(/[^\d.]/g, ''));
  expect(figure).toBeGreaterThan(1.3);
  expect(figure).toBeLessThan(1.45);
  await adopts.getByRole('button', { name: 'Adopt as measured' }).click();
  await expect(adopts).toContainText('Adopted');
  await page.getByRole('tab', { name: 'Test sheets' }).click();
  await sheet(page, 'precharge').click();
  // 0.7 · R · C · ln 20 = 0.7 · 100 Ω · 1.6 mF · 2.996 = 0.3355 s.
  await expect(reads).toContainText(/33[4-7](\.\d)?.ms to 62[0-9]/);
});

test('a trace whose time goes backwards is not taken; the line is named', async ({ page }) => {
  await openSample(page);
  await go(page, 'Commission');
  await page.getByRole('tab', { name: 'Traces' }).click();
  await page.getByLabel('Trace as CSV').setInputFiles({
    name: 'mixed.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('t;V\n0;0\n1;5\n0.5;6\n2;7\n'),
  });
  await expect(page.getByText('time goes backwards: 0.5 s after 1 s.')).toBeVisible();
  await expect(page.getByText('line 4')).toBeVisible();
});

test('out of band: the likely cause stands beside it, and in the ledger', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await openSample(page, 'Teasel');
  await go(page, 'Commission');
  const line = step(page, 'bond.motor');
  await line.getByLabel('Bond of Motor: the meter shows').fill('4.2 ohm');
  await line.getByLabel('Bond of Motor: the meter shows').press('Enter');
  await expect(line.locator('[data-hint]')).toContainText('Paint or oil under the lug');
  await page.setViewportSize({ width: 1280, height: 900 });
  await expect(check(page, 'commission.reading:test-bond.motor')).toContainText('4.2 Ω, at most 100 mΩ');
  await line.getByLabel('Bond of Motor: the meter shows').fill('40 mohm');
  await line.getByLabel('Bond of Motor: the meter shows').press('Enter');
  await expect(line).toHaveAttribute('data-state', 'pass');
  await expect(check(page, 'commission.reading:test-bond.motor')).toHaveCount(0);
  // Volts where ohms are read.
  await line.getByLabel('Bond of Motor: the meter shows').fill('12 V');
  await line.getByLabel('Bond of Motor: the meter shows').press('Enter');
  await expect(line.getByRole('alert')).toBeVisible();
  await expect(line).toHaveAttribute('data-state', 'pass');
});

test('a sheet waits for the one before it; skipped for a reason it opens, and the reason stays', async ({ page }) => {
  await page.setViewportSize({ width: 800, height: 1100 });
  await openSample(page);
  await go(page, 'Commission');
  const blower = step(page, 'load.low-blower-load');
  await sheet(page, 'low-voltage').click();
  await choose(page.getByLabel('Shown'), 'every test');
  await blower.getByLabel('Heater blower: current: the meter shows').fill('17.2 A');
  await blower.getByLabel('Heater blower: current: the meter shows').press('Enter');
  await expect(blower).toHaveAttribute('data-state', 'out');
  await sheet(page, 'limited-source').click();
  const gate = page.locator('[data-gate]');
  await expect(gate).toContainText('First 12 V alone');
  // With a reading that is out nothing is skipped over.
  await expect(gate.getByText('Go on all the same')).toHaveCount(0);
  await expect(step(page, 'source-link').getByRole('textbox', { name: /the meter shows/ })).toHaveCount(0);
  await gate.getByRole('button', { name: 'Go to 12 V alone' }).click();
  await blower.getByLabel('Heater blower: current: the meter shows').fill('12.1 A');
  await blower.getByLabel('Heater blower: current: the meter shows').press('Enter');
  await expect(blower).toHaveAttribute('data-state', 'pass');
  await sheet(page, 'limited-source').click();
  await gate.getByRole('button', { name: 'Go on all the same' }).click();
  await gate.getByLabel(/^Skip \d+ tests before it, because$/).fill('tried on the bench last week');
  await gate.getByLabel(/^Skip \d+ tests before it, because$/).press('Enter');
  await expect(gate).toHaveCount(0);
  await expect(step(page, 'source-link').getByLabel('Link follows the limited source: the meter shows')).toBeVisible();
  await sheet(page, 'low-voltage').click();
  await expect(step(page, 'clicks')).toContainText('Skipped, because: tried on the bench last week');
  await saved(page);
});

test('signed, then the design changes: the signature is for an older one', async ({ page }) => {
  await openSample(page, 'Larkspur');
  await go(page, 'Commission');
  await sheet(page, 'precharge').click();
  await expect(page.locator('[data-signed="now"]')).toContainText('T. Quill');
  await go(page, 'Survey');
  await set(page, 'Altitude', '650 m');
  await go(page, 'Commission');
  await sheet(page, 'precharge').click();
  await expect(page.locator('[data-signed="older"]')).toContainText('For an older design');
  await expect(sheet(page, 'precharge')).toContainText('signed for an older design');
  await page.getByLabel('Name', { exact: true }).fill('T. Quill');
  await page.getByLabel('Name', { exact: true }).press('Enter');
  await page.getByRole('button', { name: 'Sign this sheet' }).click();
  await expect(page.locator('[data-signed="now"]')).toBeVisible();
});

test('insulation without a tester: two voltages and a resistor', async ({ page }) => {
  await openSample(page, 'Larkspur');
  await go(page, 'Commission');
  await sheet(page, 'insulation').click();
  const all = step(page, 'insulation-all');
  await all.getByRole('button', { name: 'By voltmeter, without a tester' }).click();
  for (const [label, value] of [
    ['Pack, plus to minus', '130 V'],
    ['The pole that reads more, to the body', '66 V'],
    ['Known resistor', '100 kohm'],
    ['The same pole, the resistor across it', '6 V'],
  ] as const) {
    await all.getByLabel(label).fill(value);
    await all.getByLabel(label).press('Enter');
  }
  // 100 kΩ · 130 V · (1/6 V − 1/66 V) = 1.97 MΩ (UN R100, annex 5A).
  await expect(all.locator('[data-meter]')).toContainText(/1\.97.MΩ/);
  await all.getByRole('button', { name: /take it by voltmeter/ }).click();
  await expect(all.getByLabel('Insulation of everything together: the meter shows')).toHaveValue(/1\.97.MΩ/);
  await expect(all).toHaveAttribute('data-state', 'pass');
});

test('designed, built, measured: what was adopted stands beside what was designed, differences first', async ({
  page,
}) => {
  await openSample(page);
  await go(page, 'Commission');
  await page.getByRole('tab', { name: 'Design, built, measured' }).click();
  const rows = page.getByRole('table', { name: 'Designed, as built, measured' }).getByRole('row');
  await expect(rows.nth(1)).toContainText('differs');
  await expect(rows.filter({ hasText: 'Heater blower: current' })).toContainText(/13\.1.A/);
});

test('from a test to its place on the drawing', async ({ page }) => {
  await openSample(page, 'Teasel');
  await go(page, 'Commission');
  const line = step(page, 'bond.controller');
  await line.getByRole('button', { name: 'Skip it, or note more' }).click();
  await line.getByRole('link', { name: 'On the drawing' }).click();
  await expect(page.locator('main h1')).toHaveText('HV circuit');
  await expect(page.getByRole('heading', { name: 'Motor controller' })).toBeVisible();
});

test('a test of one’s own is on the sheet, judged by its band', async ({ page }) => {
  await openSample(page, 'Teasel');
  await go(page, 'Commission');
  await page.getByRole('button', { name: 'A test of your own on this sheet' }).click();
  await set(page, 'Test', 'Mowing clutch');
  await choose(page.getByLabel('It reads'), 'a resistance');
  await set(page, 'At most', '2 ohm');
  await page.getByRole('button', { name: 'Put it on the sheet' }).click();
  const mine = page.locator('[data-step^="own-"]').filter({ hasText: 'Mowing clutch' });
  await mine.getByLabel('Mowing clutch: the meter shows').fill('5 ohm');
  await mine.getByLabel('Mowing clutch: the meter shows').press('Enter');
  await expect(mine.locator('[data-hint]')).toContainText('Above what was entered for it');
});

test('the sheets filled in elsewhere: saved as a table, filled, looked through, taken in; what can’t be meant is left out', async ({
  page,
}) => {
  await openSample(page, 'Teasel');
  await go(page, 'Commission');
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the sheets as CSV' }).click();
  const text = await readFile((await (await saving).path())!, 'utf8');
  const lines = text.trim().split('\r\n');
  const head = lines[0]!.replace('\uFEFF', '').split(',');
  const fill = (id: string, cells: Readonly<Record<string, string>>) => {
    const k = lines.findIndex((line) => line.split(',')[1] === id);
    expect(k, id).toBeGreaterThan(0);
    // The cells behind the words are filled from the end: no comma stands in them.
    const row = lines[k]!.split(',');
    for (const [name, value] of Object.entries(cells)) row[row.length - head.length + head.indexOf(name)] = value;
    lines[k] = row.join(',');
  };
  fill('bond.motor', { read: '40 mohm', by: 'R. Sedge', date: '2026-05-20' });
  fill('bond.controller', { read: '12 V' });
  await page
    .getByLabel('Filled sheets as CSV')
    .setInputFiles({ name: 'tests.csv', mimeType: 'text/csv', buffer: Buffer.from(lines.join('\r\n')) });
  const coming = page.getByRole('list', { name: 'What comes in' });
  await expect(coming).toContainText('Bond of Motor, reads right');
  await expect(coming).toContainText(/40.mΩ, 2026-05-20, R. Sedge/);
  await expect(page.getByText('"V" is not a unit of resistance.')).toBeVisible();
  await page.getByRole('button', { name: 'Take in 1 test' }).click();
  await expect(page.getByText('1 test taken in.')).toBeVisible();
  await choose(page.getByLabel('Shown'), 'every test');
  await expect(step(page, 'bond.motor')).toHaveAttribute('data-state', 'pass');
  await expect(step(page, 'bond.controller')).toHaveAttribute('data-state', 'open');
  await page.getByLabel('Filled sheets as CSV').setInputFiles({
    name: 'pins.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('pin;signal\n1;CANH\n'),
  });
  await expect(page.getByText('has no column “test”.')).toBeVisible();
});
