import { expect, test } from '@playwright/test';
import { openSample } from './stories';

test('the circuit prints on one A4 with its name, its state and its caution, and its wires and fuses on the next', async ({
  page,
}) => {
  await openSample(page);
  await page.getByRole('tab', { name: 'Hill' }).click();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('heading', { name: 'Firn 9', level: 2 })).toBeVisible();
  await expect(page.getByText(/^Traction circuit in hill, pack /)).toBeVisible();
  await expect(page.getByText('Computed, not proved.', { exact: false })).toBeVisible();
  await expect(page.getByText('Ledger', { exact: true })).toBeHidden();
  // What the sheet does not say stands on it, whole: the last line of the foot is inside the page.
  const foot = page.getByText(/^Not judged here\. \S/);
  await expect(foot).toBeVisible();
  const assumed = page.getByText(/^Assumed, thinnest margin first\. .* more, in the ledger\.$/);
  await expect(assumed).toBeVisible();
  const wires = page
    .getByRole('table')
    .filter({ has: page.getByRole('columnheader', { name: 'Conductor', exact: true }) })
    .last();
  await expect(wires.getByRole('row', { name: /K\+ main, a/ }).first()).toBeVisible();
  const fuses = page.getByRole('table').filter({ has: page.getByRole('columnheader', { name: 'Fuse', exact: true }) });
  await expect(fuses.getByRole('row', { name: /^Heater fuse\s*63\sA/ })).toBeVisible();
  const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
  expect(pdf.match(/\/Type\s*\/Page\b(?!s)/g)).toHaveLength(2);
  // A4 across: 842 by 595 points.
  const [, width, height] = /\/MediaBox\s*\[0 0 ([\d.]+) ([\d.]+)\]/.exec(pdf)!;
  expect(Math.round(Number(width))).toBe(842);
  expect(Math.round(Number(height))).toBe(595);
});

test('the tap card prints each pair of wires with its box and room for the reading', async ({ page }) => {
  await openSample(page, 'Larkspur');
  await page.getByRole('link', { name: /^BMS/ }).click();
  await expect(page.getByRole('button', { name: 'Print the tap card' })).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('heading', { name: 'Larkspur: taps of the sense plug' })).toBeVisible();
  // Twelve cells in the bay, from the row’s minus; the boot’s come after them.
  await expect(page.getByRole('row', { name: /^12 12 – 13 Bay box, 12/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /^13 13 – 14 Boot box, 1/ })).toBeVisible();
  await expect(page.getByText('Ledger', { exact: true })).toBeHidden();
});
