import { expect, test } from '@playwright/test';

test.use({ serviceWorkers: 'allow' });

test('after the first visit it goes on without its server: stations, an edit, a reload, the list of builds', async ({
  page,
  context,
}) => {
  await page.goto('/');
  await page.evaluate(async () => void (await navigator.serviceWorker.ready));
  await page.getByRole('button', { name: 'Open Firn 9' }).click();
  await page.getByRole('group', { name: 'Traction circuit' }).waitFor();
  await context.setOffline(true);
  for (const [station, heading] of [
    ['drive', 'Drive'],
    ['low-voltage', '12 V'],
    ['harness', 'Harness'],
    ['plan', 'Plan'],
    ['commission', 'Commission'],
    ['logbook', 'Logbook'],
    ['pack', 'Pack'],
  ] as const) {
    await page.locator(`nav a[href*="/${station}?"]`).first().click();
    await expect(page.getByRole('heading', { level: 1, name: heading })).toBeVisible();
  }
  const field = page.getByLabel('Hard acceleration power', { exact: true });
  await field.fill('77');
  await field.press('Enter');
  await expect(page.locator('footer')).toContainText('Saved');
  await page.reload();
  await expect(field).toHaveValue(/77/);
  await page.goto('/');
  await expect(page.getByRole('link', { name: /Firn 9/ })).toBeVisible();
});
