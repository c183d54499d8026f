import { expect, test } from '@playwright/test';
import { check, choose, saved, seek } from './stories';

test('a build from nothing gets to its first verdict, and the pack that can’t deliver says what it can', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'name' })).toContainText('Give the new build a name first.');
  await page.getByLabel('Name of the new build').fill('Orchard van');
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Start with the cells' })).toBeVisible();
  await expect(check(page, 'pack.present:pack')).toHaveAttribute('data-verdict', 'needs-data');

  await page.getByLabel('Cells in series').fill('38');
  await page.getByLabel('Cells in series').press('Enter');
  await expect(page.getByText('38 × LFP prismatic cell, 180 Ah: full 138.7 V, 21.9 kWh gross.')).toBeVisible();
  await page.getByRole('button', { name: 'Lay out the traction circuit' }).click();
  await expect(page.getByRole('group', { name: 'Voltage windows' })).toBeVisible();

  // It asks no more of the pack than it gives, and nothing that it chose fails.
  const delivers = check(page, 'pack.delivers:pack');
  await expect(page.locator('[data-check][data-verdict="fails"]')).toHaveCount(0);
  await page.getByLabel('Hard acceleration power').fill('50 kW');
  await page.getByLabel('Hard acceleration power').press('Enter');
  // 38 cells at 10 % rest at 3.16 V; cold and aged they can't give 50 kW.
  await expect(delivers).toHaveAttribute('data-verdict', 'fails');
  await expect(delivers).toContainText('asked 50 kW, it can give');
  await page.getByLabel('Hard acceleration power').fill('25k');
  await page.getByLabel('Hard acceleration power').press('Enter');
  await expect(page.getByText('"k" is not a unit of power.')).toBeVisible();
  await page.getByLabel('Hard acceleration power').fill('25');
  await page.getByLabel('Hard acceleration power').press('Enter');
  await expect(delivers).toHaveCount(0);
  await saved(page);
  await page.goto('/');
  await expect(page.getByRole('link', { name: /Orchard van/ })).toBeVisible();
});

test('an address without a build in this browser says so and leads home', async ({ page }) => {
  await page.goto('/hv-circuit?build=nothing-here');
  await expect(page.getByRole('heading', { name: 'This build is not in this browser' })).toBeVisible();
  await page.getByRole('link', { name: 'All builds' }).click();
  await expect(page.getByRole('heading', { name: 'Ropeway' })).toBeVisible();
});

test('from nothing: circuit, places, the usual loads, each in one press, and one undo takes each back', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByLabel('Name of the new build').fill('Sorrel');
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await page.getByRole('link', { name: /^Pack/ }).click();
  await page.getByRole('button', { name: 'Lay out the traction circuit' }).click();
  await expect(page.getByRole('group', { name: 'Voltage windows' })).toBeVisible();
  await page.getByRole('link', { name: /^Cables/ }).click();
  await page.getByRole('button', { name: /^Auto-place \d+ parts/ }).click();
  await expect(page.getByRole('button', { name: /^Auto-place \d+ parts/ })).toHaveCount(0);
  const plan = page.getByRole('group', { name: 'Layout plan from above' });
  await expect(plan.locator('[data-plan-device]')).not.toHaveCount(0);
  await expect(page.locator('[data-check^="plan.overlap"]')).toHaveCount(0);
  await page.getByRole('link', { name: /^12 V/ }).click();
  // Of this side only the coils' own fuse is there yet.
  await seek(page, 'fuse');
  await expect(page.locator('[data-check^="lv.fuse-voltage"]')).toHaveCount(1);
  await expect(page.locator('[data-check^="lv.load-fuse"]')).toHaveCount(0);
  await page.getByRole('button', { name: 'Lay out the feed' }).click();
  await page.getByRole('button', { name: /^Add the \d+ usual ones/ }).click();
  await expect(page.locator('[data-schedule]')).toContainText('Wipers');
  await expect(page.locator('[data-schedule]')).toContainText('Brake lamps');
  await expect(page.locator('[data-check^="lv.load-fuse"]')).toHaveCount(0);
  await page.getByRole('button', { name: /^Undo add \d+ loads/ }).click();
  await expect(page.locator('[data-schedule]')).not.toContainText('Wipers');
});

test('next: the figures that open most checks are named on every station, and a press goes to their field', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByLabel('Name of the new build').fill('Hill cart');
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await page.getByRole('button', { name: 'Lay out the traction circuit' }).click();
  await expect(page.getByRole('group', { name: 'Voltage windows' })).toBeVisible();
  const next = page.getByRole('button', {
    name: /^Next: the empty mass, the tyres, a motor opens \d+ checks in Drive/,
  });
  await expect(next).toBeVisible();
  await next.press('Enter');
  await expect(page).toHaveURL(/\/survey/);
  await expect(page.getByLabel('Mass, empty', { exact: true })).toBeFocused();
  await page.keyboard.type('900 kg');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Next: the tyres, a motor opens \d+ checks/ })).toBeVisible();
});

test('cells and an inverter that can’t hold together are said before anything is laid out', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('Name of the new build').fill('Too many cells');
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await choose(page.getByLabel('Cell', { exact: true }), 'LTO cell, 40 Ah');
  await choose(page.getByLabel('Inverter', { exact: true }), 'Inverter, 400 V class, 300 A battery');
  await page.getByLabel('Cells in series').fill('116');
  await page.getByLabel('Cells in series').press('Enter');
  await page.getByRole('button', { name: 'Lay out the traction circuit' }).click();
  await expect(
    page.getByRole('alert').filter({ hasText: 'Nothing was found with which these hold together.' }),
  ).toBeVisible();
  await expect(check(page, 'pack.present:pack')).toHaveAttribute('data-verdict', 'needs-data');
  await page.getByRole('button', { name: 'Lay it out all the same' }).click();
  await expect(page.getByRole('group', { name: 'Voltage windows' })).toBeVisible();
});
