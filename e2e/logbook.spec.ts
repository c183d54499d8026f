import { readFile } from 'node:fs/promises';
import { expect, type Page, test } from '@playwright/test';
import ICAL from 'ical.js';
import { check, choose, go, openSample, saved, set } from './stories';

const entry = (page: Page, text: string) =>
  page.getByRole('list', { name: 'Entries' }).locator('li').filter({ hasText: text });

test('on the telephone: odometer and charge left, and the drive is in the book', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await openSample(page, 'Larkspur');
  await go(page, 'Logbook');
  await set(page, 'Odometer', '71700 km');
  await set(page, 'Charge left', '60 %');
  await page.getByRole('button', { name: 'Put it in the book' }).click();
  await expect(page.getByText('Drive is in the book')).toBeVisible();
  // What follows from the last entry need not be typed: 95 % at its charge.
  await expect(entry(page, '71 700').or(entry(page, '71,700')).or(entry(page, '71700')).first()).toContainText(
    '95 % to 60 %',
  );
  await saved(page);
});

test('an hour meter and nothing else: the tractor’s first entry', async ({ page }) => {
  await openSample(page, 'Teasel');
  await go(page, 'Logbook');
  await page.getByRole('button', { name: 'Work', exact: true }).click();
  await set(page, 'What', 'Water of the cells');
  await page.getByRole('button', { name: 'Put it in the book' }).click();
  await page.getByRole('tab', { name: 'Due' }).click();
  await expect(page.locator('[data-task="water"]')).toContainText('never entered');
  await page.getByRole('button', { name: 'Water of the cells: done' }).click();
  await expect(page.locator('[data-task="water"]')).toHaveAttribute('data-state', 'fine');
  await expect(page.locator('[data-task="brushes"]')).toContainText('or 300 h');
});

test('brushes measured: two figures tell when they are through; below the mark they are due', async ({ page }) => {
  await page.clock.setFixedTime(new Date('2026-06-10T10:00:00'));
  await openSample(page, 'Teasel');
  await go(page, 'Logbook');
  await page.getByRole('tab', { name: 'Due' }).click();
  const brushes = page.locator('[data-task="brushes"]');
  await brushes.getByRole('button', { name: /^Length against the mark/ }).click();
  await set(page, 'At least, by the maker', '16 mm');
  await set(page, 'As new', '32 mm');
  await set(page, 'Shortest brush, measured today', '24 mm');
  await expect(brushes).toContainText(/shortest brush 24.mm, at least 16.mm/);
  await expect(brushes).toHaveAttribute('data-state', 'fine');
  await set(page, 'Shortest brush, measured today', '15.8 mm');
  await expect(brushes).toHaveAttribute('data-state', 'due');
  await expect(check(page, 'logbook.safety-upkeep:upkeep-safety')).toContainText('Brushes and commutator');
  await saved(page);
});

test('battery trend and due list; the calendar file is one', async ({ page }) => {
  await page.clock.setFixedTime(new Date('2026-10-05T10:00:00'));
  await openSample(page, 'Larkspur');
  await go(page, 'Logbook');
  await page.getByRole('tab', { name: 'Trends' }).click();
  // Five tests from 180.2 Ah to 177.5 Ah in 352 days: least squares by hand −2.80 Ah a year.
  await expect(page.locator('[data-trend="capacity"]')).toContainText(/177\.5.Ah.*down by 2\.8.Ah/);
  await page.getByRole('tab', { name: 'Due' }).click();
  await expect(page.locator('[data-due]')).toHaveAttribute('data-due', '0');
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as calendar' }).click();
  const text = await readFile((await (await saving).path())!, 'utf8');
  const calendar = new ICAL.Component(ICAL.parse(text));
  const torque = calendar
    .getAllSubcomponents('vtodo')
    .find((one) => String(one.getFirstPropertyValue('summary')).includes('Torque of the traction joints'))!;
  // Done on 9 September 2026 (day 340 of the book): due a year later.
  expect(String(torque.getFirstPropertyValue('due'))).toContain('2027-09-09');
});

test('before and after another pack: the seller’s range is refuted', async ({ page }) => {
  await openSample(page, 'Larkspur');
  await go(page, 'Logbook');
  const write = async (kind: string, fields: readonly (readonly [string, string])[]) => {
    await page.getByRole('button', { name: kind, exact: true }).click();
    for (const [label, value] of fields) await set(page, label, value);
    await page.getByRole('button', { name: 'Put it in the book' }).click();
    await expect(page.getByText('is in the book')).toBeVisible();
  };
  await page.getByRole('button', { name: /^More: day/ }).click();
  await write('Change', [
    ['What', 'Another pack, second-hand'],
    ['Day', '2026-10-04'],
  ]);
  for (const [day, km] of [
    ['2026-10-05', '30 km'],
    ['2026-10-08', '28 km'],
    ['2026-10-12', '32 km'],
  ] as const)
    await write('Drive', [
      ['Day', day],
      ['Driven', km],
      ['Charge at the start', '90 %'],
      ['Charge left', '60 %'],
    ]);
  await page.getByRole('tab', { name: 'Before, after, claims' }).click();
  await set(page, 'Claimed', '150 km');
  await set(page, 'Of the car since', '2026-10-04');
  await page.getByRole('button', { name: 'Hold it against the book' }).click();
  const claim = page.locator('[data-claim="refuted"]');
  // 90 km over nine tenths of a charge: 100 km, a third less than was said.
  await expect(claim).toContainText(/the book says 100.km/);
  await expect(claim).toContainText('33 % less');
  const table = page.getByRole('table', { name: /Before and after/ });
  await expect(table.getByRole('row').filter({ hasText: 'Range' })).toContainText(/100.km/);
  await expect(page.getByText('The logbook refutes what the seller claimed')).toBeVisible();
});

test('a code that was cleared comes back: it is open, and stands in the ledger', async ({ page }) => {
  await openSample(page, 'Larkspur');
  await go(page, 'Logbook');
  await page.getByRole('button', { name: 'Fault', exact: true }).click();
  await set(page, 'What', 'Charger stopped again');
  await set(page, 'Code', 'C-14');
  await page.getByRole('button', { name: 'Put it in the book' }).click();
  await expect(page.locator('[data-fault="returned"]')).toContainText('cleared, and came back; 2 times');
  await expect(check(page, 'logbook.faults:logbook')).toContainText('came back');
});

test('a checklist is made, gone through, and kept', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await openSample(page, 'Larkspur');
  await go(page, 'Logbook');
  await page.getByRole('tab', { name: 'Checklists' }).click();
  await page.getByRole('button', { name: 'Inspection', exact: true }).click();
  await page.getByRole('button', { name: 'Covers on, labels readable: yes' }).click();
  await expect(page.getByRole('button', { name: 'Covers on, labels readable: yes' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.getByRole('button', { name: 'Brakes, steering, tyres, lamps: no' }).click();
  await expect(page.getByText('today: 1 of 8')).toBeVisible();
});

test('the odometer set back is said', async ({ page }) => {
  await openSample(page, 'Larkspur');
  await go(page, 'Logbook');
  await set(page, 'Odometer', '1200 km');
  await page.getByRole('button', { name: 'Put it in the book' }).click();
  await expect(check(page, 'logbook.order:logbook')).toContainText('contradict');
  await choose(page.getByLabel('Kind', { exact: true }), 'Drive');
  await expect(entry(page, '1200').or(entry(page, '1 200')).first()).toBeVisible();
});
