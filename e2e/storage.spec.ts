import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { openSample, saved } from './stories';

test('two tabs on one build follow each other, and neither overwrites the other', async ({ page, context }) => {
  await openSample(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByRole('group', { name: 'Traction circuit' })).toBeVisible();
  await page.getByRole('link', { name: /^Pack/ }).click();
  await page.getByLabel('Altitude').fill('28');
  await page.getByLabel('Altitude').press('Enter');
  await saved(page);
  await other.getByRole('link', { name: /^Pack/ }).click();
  await expect(other.getByLabel('Altitude')).toHaveValue(/^28.m$/);
  await other.getByLabel('Hard acceleration power').fill('50');
  await other.getByLabel('Hard acceleration power').press('Enter');
  await saved(other);
  await expect(page.getByLabel('Hard acceleration power')).toHaveValue(/^50.kW$/);
  // Undo reverts the journal's last entry, whoever made it.
  await page.locator('main h1').click();
  await page.keyboard.press('u');
  await expect(other.getByLabel('Hard acceleration power')).toHaveValue(/^58.kW$/);
  await expect(other.getByLabel('Altitude')).toHaveValue(/^28.m$/);
});

test('a page that is killed after "Saved" has lost nothing', async ({ page, context }) => {
  await openSample(page);
  const address = page.url();
  await page.getByRole('link', { name: /^Pack/ }).click();
  for (const metres of ['30', '29', '27']) {
    await page.getByLabel('Altitude').fill(metres);
    await page.getByLabel('Altitude').press('Enter');
  }
  await saved(page);
  const session = await context.newCDPSession(page);
  void session.send('Page.crash').catch(() => undefined);
  await page.waitForEvent('crash');
  const next = await context.newPage();
  await next.goto(address.replace('hv-circuit', 'pack'));
  await expect(next.getByLabel('Altitude')).toHaveValue(/^27.m$/);
  await expect(next.getByRole('button', { name: /^Undo/ })).toBeEnabled();
  await next.keyboard.press('u');
  await expect(next.getByLabel('Altitude')).toHaveValue(/^29.m$/);
});

test('where the browser does not store, the work stays in memory, says so, and can be exported', async ({ page }) => {
  await page.addInitScript(() => {
    Object.defineProperty(IDBFactory.prototype, 'open', {
      value: () => {
        throw new DOMException('blocked', 'SecurityError');
      },
    });
  });
  await page.goto('/');
  await expect(page.getByRole('alert').filter({ hasText: 'does not store here' })).toBeVisible();
  await page.getByRole('button', { name: 'Open Firn 9' }).click();
  await expect(page.getByRole('group', { name: 'Traction circuit' })).toBeVisible();
  await expect(page.getByRole('status')).toHaveText('Not saved');
  await page.getByRole('link', { name: /^Pack/ }).click();
  await page.getByLabel('Altitude').fill('26');
  await page.getByLabel('Altitude').press('Enter');
  await expect(page.getByLabel('Altitude')).toHaveValue(/^26.m$/);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export the build file' }).click();
  expect(JSON.parse(readFileSync(await (await download).path(), 'utf8')).vehicle.altitudeM).toBe(26);
  await page.locator('main h1').click();
  await page.keyboard.press('u');
  await expect(page.getByLabel('Altitude')).toHaveValue(/^1900.m$/);
});

test('storage that fills up while working: the edit is kept, and saved as soon as there is room', async ({ page }) => {
  await openSample(page);
  await page.getByRole('link', { name: /^Pack/ }).click();
  await page.evaluate(() => {
    const put = IDBObjectStore.prototype.put;
    Object.assign(window, { room: () => (IDBObjectStore.prototype.put = put) });
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('no room', 'QuotaExceededError');
    };
  });
  await page.getByLabel('Altitude').fill('25');
  await page.getByLabel('Altitude').press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'storage is full' })).toBeVisible();
  await expect(page.getByRole('status')).toHaveText('Not saved');
  await page.evaluate(() => (window as unknown as { room: () => void }).room());
  await page.getByRole('button', { name: 'Try again' }).click();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Altitude')).toHaveValue(/^25.m$/);
});
