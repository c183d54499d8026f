import { expect, test } from '@playwright/test';
import { check, choose, openSample } from './stories';

test('the safety loop of the sample: what each handle drops, and a failure made by hand and cured', async ({
  page,
}) => {
  await openSample(page);
  await page.getByRole('tab', { name: 'Safety loop' }).click();
  const loop = page.getByRole('group', { name: 'Coil circuit' });
  // 10.5 V less the way, by the ladder of the unit test with the same lengths.
  await expect(loop.getByRole('button', { name: 'Coil of K+ main, 10.1 V' })).toBeAttached();
  await loop.getByRole('button', { name: 'Inertia switch', exact: true }).press('Enter');
  await expect(loop.getByRole('button', { name: 'Coil of K+ main, drops out' })).toBeAttached();
  await expect(loop.getByRole('button', { name: 'Coil of K− main, drops out' })).toBeAttached();
  const row = page.getByRole('row', { name: /^Driver K− main/ }).first();
  await expect(row.getByRole('cell').nth(0)).toHaveText('K− main');
  await expect(row.getByRole('cell').nth(1)).toHaveText('K+ main');
  await expect(page.getByText('Every contactor still drops out')).toBeVisible();

  await loop.getByRole('button', { name: 'Emergency stop, second contact' }).press('Enter');
  await page.getByRole('button', { name: 'Delete and rejoin' }).click();
  await expect(page.getByText('Emergency stop bridged', { exact: true })).toBeVisible();
  await check(page, 'emergency.single-failure:emergency-stop').click();
  await page.getByRole('list', { name: 'Remedies' }).getByRole('button').first().click();
  await expect(page.getByText('Every contactor still drops out')).toBeVisible();
});

test('a plain diode at a coil is caught, with its release time', async ({ page }) => {
  await openSample(page, 'Larkspur');
  await page.getByRole('tab', { name: 'Safety loop' }).click();
  const loop = page.getByRole('group', { name: 'Coil circuit' });
  await loop.getByRole('button', { name: /^Coil of Main contactor, 10\.\d+ V/ }).press('Enter');
  await choose(page.getByLabel('At its coil'), 'plain diode');
  // Four times 12 ms against twice 12 ms.
  await expect(check(page, 'contactor.release:k-main')).toContainText('48 ms with a plain diode, 24 ms at most');
});
