import { expect, type Page } from '@playwright/test';

/** Steps that several stories share, in the words of the screen. */
export async function openSample(page: Page, name = 'Firn 9'): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: `Open ${name}` }).click();
  await expect(page.getByRole('group', { name: 'Traction circuit' })).toBeVisible({ timeout: 15_000 });
}

export const check = (page: Page, key: string) => page.locator(`[data-check="${key}"]`);
export const saved = (page: Page) => expect(page.getByRole('status')).toHaveText('Saved');
