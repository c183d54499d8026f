import { readFile } from 'node:fs/promises';
import { expect, type Page, test } from '@playwright/test';
import { check, choose, go, openSample, saved, set } from './stories';

const can = (page: Page, job: string) =>
  page.getByRole('list', { name: 'Can be done now' }).locator(`[data-job="${job}"]`);

test('the part arrives: its job is free, and done it frees three others', async ({ page }) => {
  await page.setViewportSize({ width: 800, height: 1100 });
  await openSample(page);
  await go(page, 'Plan');
  // Everything else that hangs on the motor is ready; only the motor is not in.
  const wait = page.locator('[data-wait="wait-plate"]');
  await expect(wait).toContainText('holds up Mount Motor');
  await expect(can(page, 'mount.motor')).toHaveCount(0);
  for (const job of ['own-hoses', 'own-trim']) await expect(can(page, job)).toHaveCount(job === 'own-trim' ? 1 : 0);
  await page.getByRole('button', { name: 'Coolant hoses, second delivery: arrived' }).click();
  await can(page, 'mount.heater').getByRole('button').click();
  await page.getByRole('button', { name: 'Adapter plate, at the machinist: arrived' }).click();
  await expect(can(page, 'mount.motor')).toBeVisible();
  for (const job of ['fill', 'loom-land.Motor-and-inverter', 'own-shaft']) await expect(can(page, job)).toHaveCount(0);
  await can(page, 'mount.motor').getByRole('button').click();
  for (const job of ['fill', 'loom-land.Motor-and-inverter', 'own-shaft']) await expect(can(page, job)).toBeVisible();
  await expect(can(page, 'own-shaft')).toContainText('two people');
  await expect(can(page, 'loom-land.Traction-cables')).toContainText('HV');
  await saved(page);
});

test('landed here is landed in Harness; taken off there it is open here again', async ({ page }) => {
  await openSample(page);
  await go(page, 'Plan');
  await can(page, 'loom-make.Body-12-V').getByRole('button').click();
  await can(page, 'loom-route.Body-12-V').getByRole('button').click();
  await expect(can(page, 'loom-land.Body-12-V')).toBeVisible();
  await can(page, 'loom-land.Body-12-V').getByRole('button').click();
  await go(page, 'Harness');
  const before = Number(await page.locator('[data-open-ends]').getAttribute('data-open-ends'));
  await choose(page.getByLabel('Sub-harness'), 'Body, 12 V');
  await expect(page.getByText('No end is open here.')).toBeVisible();
  await choose(page.getByLabel('Which ends'), 'all wires');
  await page
    .locator('[data-end="low-w4 a"]')
    .getByRole('button', { name: /Other state/ })
    .click();
  await page.getByRole('dialog').getByRole('button', { name: 'labelled, parked' }).click();
  await expect(page.locator('[data-open-ends]')).toHaveAttribute('data-open-ends', String(before + 1));
  await go(page, 'Plan');
  await expect(can(page, 'loom-land.Body-12-V')).toBeVisible();
});

test('the register keeps it off the road: a lid missing on a finished car, closed again, or let stay with a reason', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await openSample(page, 'Larkspur');
  await go(page, 'Plan');
  await page.getByRole('tab', { name: 'Register' }).click();
  await expect(page.getByText('Nothing keeps it off the road')).toBeVisible();
  await choose(page.getByLabel('One more'), 'lid or cover missing');
  await set(page, 'namely', 'Lid of the boot box');
  await expect(page.locator('[data-gates]')).toHaveText('1 point keeps it off the road');
  await page.getByRole('button', { name: /^Ledger, / }).click();
  await expect(check(page, 'plan.road:plan')).toContainText('The road test was driven with open points');
  await page.getByRole('button', { name: 'Close the ledger' }).click();
  await page.getByRole('button', { name: 'More of it' }).click();
  await page.getByLabel('It may stay on the road, because').fill('it is bolted under the seat');
  await page.getByLabel('It may stay on the road, because').press('Enter');
  await expect(page.getByText('Nothing keeps it off the road')).toBeVisible();
  await page.getByRole('button', { name: 'Lid of the boot box: closed' }).click();
  await page.getByRole('button', { name: /2 closed/ }).click();
  await page.getByRole('button', { name: 'Lid of the boot box: open again' }).click();
  await expect(page.locator('[data-open]')).toHaveCount(1);
});

test('a job that waits for itself is named; a delivery before its order is refused; the week can be told and kept as a calendar', async ({
  page,
}) => {
  await openSample(page);
  await go(page, 'Plan');
  await page.locator('[data-wait="wait-hoses"]').getByRole('button', { name: 'More of it' }).click();
  await set(page, 'Expected', '2026-01-01');
  await expect(page.getByRole('alert').first()).toContainText('It can’t be expected before it was ordered.');
  await expect(page.locator('[data-wait="wait-hoses"]')).toContainText('expected 30 May 2026');
  await page.getByRole('tab', { name: 'Jobs' }).click();
  await page.locator('[data-job-row="own-trim"]').getByRole('button').click();
  await choose(page.getByLabel('Comes after, too'), 'Road test on private ground');
  await expect(check(page, 'plan.order:plan')).toContainText('Jobs wait for one another');
  await page.getByRole('button', { name: /need not come after Road test/ }).click();
  await expect(page.getByText('Jobs wait for one another')).toBeHidden();
  await page.getByRole('radio', { name: 'Board' }).click();
  await expect(page.getByRole('region', { name: 'Waits for something' })).toContainText('Mount Motor');
  await page.getByRole('radio', { name: 'Time bars' }).click();
  await expect(page.getByRole('img', { name: /\d+ jobs from/ })).toBeVisible();
  await page.getByRole('tab', { name: 'Week' }).click();
  await expect(page.locator('[data-week]')).toContainText('Adapter plate, at the machinist, expected 2026-06-12');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save the calendar file' }).click(),
  ]);
  const text = await readFile((await file.path())!, 'utf8');
  expect(text.startsWith('BEGIN:VCALENDAR\r\nVERSION:2.0\r\n')).toBe(true);
  expect(text.match(/^SUMMARY:Firn 9: /gm)!.length).toBeGreaterThan(15);
  for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
});
