import { expect, test } from '@playwright/test';
import { openSample } from './stories';

test('the command list opens with one key, narrows by typing and goes where it says', async ({ page }) => {
  await openSample(page);
  await page.keyboard.press('k');
  await page.getByLabel('Find a command').fill('go cab');
  await page.keyboard.press('Enter');
  await expect(page.locator('main h1')).toHaveText('Cables');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('Undo');
  await page.keyboard.press('Escape');
  await page.keyboard.press('w');
  await expect(page.getByRole('radio', { name: 'whole vehicle' })).toHaveAttribute('aria-checked', 'true');
});

test('every station of the line is there, none is still to come', async ({ page }) => {
  await openSample(page);
  await expect(page.getByRole('navigation', { name: 'Stations' }).getByText('to come')).toHaveCount(0);
  await expect(page.getByRole('navigation', { name: 'Stations' }).getByRole('link')).toHaveCount(14);
});

test('nothing is fetched from anywhere but this address', async ({ page }) => {
  const elsewhere: string[] = [];
  page.on('request', (request) => {
    if (
      !request.url().startsWith('http://127.0.0.1:') &&
      !request.url().startsWith('data:') &&
      !request.url().startsWith('blob:')
    )
      elsewhere.push(request.url());
  });
  await openSample(page);
  await page.getByRole('button', { name: /Charger fuse can’t break/ }).click();
  await expect(page.getByRole('list', { name: 'Remedies' })).toBeVisible();
  expect(elsewhere).toEqual([]);
});
