import { expect, type Locator, type Page } from '@playwright/test';

/** Steps that several stories share, in the words of the screen. */
export async function openSample(page: Page, name = 'Firn 9'): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: `Open ${name}` }).click();
  await expect(page.getByRole('group', { name: 'Traction circuit' })).toBeVisible();
}

export const check = (page: Page, key: string) => page.locator(`[data-check="${key}"]`);
/** Drawings where things are dragged have a status of their own, which is empty. */
export const saved = (page: Page) => expect(page.getByRole('status').filter({ hasText: /./ })).toHaveText('Saved');

/** Looks for words in the ledger: what has them lies open, whatever its verdict. Empty: everything again. */
export const seek = (page: Page, words: string) => page.getByLabel('Find in the ledger').fill(words);

/** Opens a list and takes what is named, or the one at this place. */
export async function choose(field: Locator, option: string | number): Promise<void> {
  await field.click();
  const options = field.page().getByRole('option');
  await (typeof option === 'number'
    ? options.nth(option)
    : field.page().getByRole('option', { name: option, exact: true })
  ).click();
}

/** To another station, by its tower. */
export async function go(page: Page, station: string): Promise<void> {
  await page.getByRole('link', { name: new RegExp(`^${station}`) }).click();
  await expect(page.locator('main h1')).toHaveText(station);
}

/** Types a figure and takes it. */
export async function set(page: Page, label: string, value: string): Promise<void> {
  const field = page.getByLabel(label, { exact: true });
  await field.fill(value);
  await field.press('Enter');
}
