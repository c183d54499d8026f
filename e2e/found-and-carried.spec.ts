import { expect, test } from '@playwright/test';
import { check, choose, openSample, saved } from './stories';

test('a brake that drags is found before anything comes apart, and stays open in the ledger', async ({ page }) => {
  await openSample(page);
  await page.getByRole('link', { name: /^Survey/ }).click();
  await page.getByRole('tab', { name: 'As found' }).click();
  await choose(page.getByLabel('Brakes hold evenly'), 'needs repair');
  await page.getByLabel('what is wrong there').fill('rear left drags');
  await page.getByLabel('what is wrong there').press('Enter');
  await expect(check(page, 'survey.as-found:brakes')).toContainText('rear left drags');
  await saved(page);
});

test('a spring rate measured by a load is adopted, and the height left moves', async ({ page }) => {
  await openSample(page);
  await page.getByRole('link', { name: /^Survey/ }).click();
  await page.getByRole('tab', { name: 'On its wheels' }).click();
  await page.getByText('Measure a spring rate', { exact: false }).click();
  await page.getByLabel('It went down').fill('40 mm');
  await page.getByLabel('It went down').press('Enter');
  // 80 kg · 9.81 / 40 mm = 19.6 N/mm.
  await expect(page.getByText('19.6')).toBeVisible();
  await page.getByRole('button', { name: 'for the rear' }).click();
  await page.getByRole('link', { name: /^Pack/ }).click();
  await expect(check(page, 'pack.ride-height:axle-rear')).toHaveAttribute('data-verdict', 'fails');
});

test('salvaged modules from a table are matched, and a broken table is refused by line', async ({ page }) => {
  await openSample(page);
  await page.getByRole('link', { name: /^Pack/ }).click();
  await page.getByRole('tab', { name: 'Salvaged modules' }).click();
  const table = (rows: readonly string[]) => ({
    name: 'modules.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`id;voltageV;capacityAh;resistanceOhm\n${rows.join('\n')}`),
  });
  await page.getByLabel('Modules file').setInputFiles(table(['M1;7,5;abc;0,002']));
  await expect(page.getByText(/line 2, capacityAh/)).toBeVisible();
  await page
    .getByLabel('Modules file')
    .setInputFiles(table(['M1;7,5;50;0,002', 'M2;7,5;45;0,002', 'M3;7,5;35;0,002', 'M4;7,5;30;0,002']));
  // 50 + 30 and 45 + 35 instead of 95 and 65.
  await expect(page.locator('[data-match]')).toContainText(/80\.0 Ah, in the order of the list 65\.0 Ah: 23\.1 % more/);
  await expect(check(page, 'pack.modules:modules')).toHaveAttribute('data-verdict', 'fails');
  // Firn’s two boxes take one group each: 7.5 V are two cells of 3.65 V, so four in series hold 4 · 3.65 · 80 Wh.
  await page.getByRole('button', { name: 'Make them the pack' }).click();
  await expect(page.getByText(/1\.17\s*kWh gross/)).toBeVisible();
  await expect(check(page, 'pack.delivers:pack')).toHaveAttribute('data-verdict', 'fails');
  await page.keyboard.press('u');
  await expect(page.getByText(/57\.8\s*kWh gross/)).toBeVisible();
});

test('a trip made by segments is driven, and a set speed runs for hours', async ({ page }) => {
  await openSample(page, 'Teasel');
  await page.getByRole('link', { name: /^Drive/ }).click();
  await page.getByText('Make a trip by segments').click();
  await page.getByLabel('times').fill('2');
  await page.getByLabel('times').press('Enter');
  await page.getByRole('button', { name: 'Drive it' }).last().click();
  await expect(page.getByLabel('Trip', { exact: true })).toContainText('Own, 4 segments × 2');
  await page.getByLabel('Set speed').fill('5 km/h');
  await page.getByLabel('Set speed').press('Enter');
  await expect(page.getByText('A charge runs')).toBeVisible();
  await expect(check(page, 'drive.dead-man:preset-speed')).toHaveAttribute('data-verdict', 'needs-data');
});
