import { expect, type Page, test } from '@playwright/test';
import { unreadable } from './readable';
import { choose } from './stories';

const open = async (page: Page) => {
  await page.goto('/kit');
  await expect(page.getByRole('heading', { name: 'Kit', level: 1 })).toBeVisible();
};

for (const scheme of ['light', 'dark'] as const) {
  test(`every control in every state meets WCAG 2.2 AA in ${scheme}`, async ({ page }) => {
    await page.emulateMedia({ colorScheme: scheme });
    await open(page);
    const faults = () => unreadable(page);
    expect(await faults()).toEqual([]);
    for (const list of ['A short list', 'A long list']) {
      await page.getByLabel(list).click();
      await expect(page.getByRole('option').first()).toBeVisible();
      // Behind an open list nothing can be reached: the list keeps the focus, which the rule can’t see.
      expect((await faults()).filter((fault) => !fault.startsWith('aria-hidden-focus'))).toEqual([]);
      await page.keyboard.press('Tab');
      await expect(page.getByRole('listbox')).toBeVisible();
      await page.keyboard.press('Escape');
    }
    await page.getByRole('button', { name: 'Open the drawer' }).click();
    await expect(page.getByRole('dialog', { name: 'Drawer' })).toBeVisible();
    expect(await faults()).toEqual([]);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Open the commands' }).click();
    await expect(page.getByRole('dialog', { name: 'Commands and keys' })).toBeVisible();
    expect(await faults()).toEqual([]);
  });
}

test('tabs: arrows go along them, Tab goes into what they show', async ({ page }) => {
  await open(page);
  await page.getByRole('tab', { name: 'One' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('tab', { name: 'Two' })).toHaveAttribute('aria-selected', 'true');
  await expect(page.getByRole('tabpanel')).toHaveText('This is two.');
  await page.keyboard.press('End');
  await expect(page.getByRole('tabpanel')).toHaveText('This is three.');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('tabpanel')).toBeFocused();
});

test('a line to type: Enter takes it, empty is refused at the field, what an answer refuses stays', async ({
  page,
}) => {
  await open(page);
  const line = page.getByLabel('A new thing');
  const taken = page.getByRole('list', { name: 'Taken' });
  await line.press('Enter');
  await expect(line).toBeFocused();
  await expect(line).toHaveAccessibleDescription('Give it a name first.');
  await line.fill('  Wiper  ');
  await line.press('Enter');
  await expect(taken).toHaveText('added Wiper');
  await expect(line).toHaveValue('');
  await expect(line).toHaveAccessibleDescription('');
  await line.fill('Horn');
  await page.getByRole('button', { name: 'Add it otherwise' }).press('Enter');
  await expect(taken.getByRole('listitem').nth(1)).toHaveText('added otherwise Horn');
  const code = page.getByLabel('A code that is asked elsewhere');
  await code.fill('12');
  await code.press('Enter');
  await expect(code).toHaveAccessibleDescription('Nobody knows this code.');
  await expect(code).toHaveValue('12');
  await expect(page.getByRole('button', { name: 'Keep it' })).toBeDisabled();
});

test('lists: a short one by arrows and first letters, a long one by typing; Esc leaves them as they were', async ({
  page,
}) => {
  await open(page);
  const short = page.getByLabel('A short list');
  await short.focus();
  await page.keyboard.press('Enter');
  // The list takes the keys when it stands open, on the one that is chosen.
  await expect(page.getByRole('option', { name: 'cruise' })).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('option', { name: 'hill' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(short).toHaveText('hill');
  await page.keyboard.press('p');
  await expect(short).toHaveText('parked');
  const long = page.getByLabel('A long list', { exact: true }).first();
  await long.focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('input:focus')).toBeVisible();
  await page.keyboard.type('115');
  await expect(page.getByRole('option')).toHaveCount(1);
  await page.keyboard.press('Enter');
  await expect(long).toHaveText('Fuse of 115 A');
  await expect(long).toBeFocused();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await expect(long).toHaveText('Fuse of 115 A');
  await choose(long, 'Fuse of 5 A');
  await expect(long).toHaveText('Fuse of 5 A');
});

test('yes or no, and one of two, by key', async ({ page }) => {
  await open(page);
  const box = page.getByRole('checkbox', { name: 'Yes or no' });
  await box.focus();
  await page.keyboard.press('Space');
  await expect(box).toBeChecked();
  await page.getByText('Yes or no').click();
  await expect(box).not.toBeChecked();
  await page.getByRole('radio', { name: 'this station' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('radio', { name: 'whole vehicle' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('radio', { name: 'whole vehicle' })).toBeChecked();
  // The chosen one pressed again stays chosen.
  await page.keyboard.press('Enter');
  await expect(page.getByRole('radio', { name: 'whole vehicle' })).toBeChecked();
});

test('a menu and a range, by key', async ({ page }) => {
  await open(page);
  await page.getByRole('button', { name: 'Save the drawing' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('menuitem', { name: 'As a drawing' })).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('menuitem', { name: 'As values' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByText('saved as values')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save the drawing' })).toBeFocused();
  const from = page.getByRole('slider', { name: 'Speed, from' });
  await from.focus();
  await page.keyboard.press('Home');
  await expect(from).toHaveAttribute('aria-valuetext', '0 km/h');
  // Ten steps of a hundredth at a time.
  for (let k = 0; k < 5; k++) await page.keyboard.press('PageUp');
  await expect(from).toHaveAttribute('aria-valuetext', '60 km/h');
});

test('commands: arrows, words in any order, and what is off can’t be run', async ({ page }) => {
  await open(page);
  await page.getByRole('button', { name: 'Open the commands' }).click();
  await expect(page.getByLabel('Find a command')).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Ran: cables')).toBeVisible();
  await page.getByRole('button', { name: 'Open the commands' }).click();
  await page.getByLabel('Find a command').fill('not');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.getByLabel('Find a command').fill('pack go');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Ran: pack')).toBeVisible();
});

test('a drawer, a fold and a panel close by key, and the focus comes back', async ({ page }) => {
  await open(page);
  const opener = page.getByRole('button', { name: 'Open the drawer' });
  await opener.press('Enter');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(opener).toBeFocused();
  await page.getByRole('button', { name: 'A fold' }).press('Enter');
  await expect(page.getByText('What was folded.')).toBeVisible();
  await page.getByRole('button', { name: 'A fold' }).press('Enter');
  await expect(page.getByText('What was folded.')).toHaveCount(0);
  await page.keyboard.press('Escape');
  await expect(page.getByText('By its cross or Esc.')).toHaveCount(0);
});

test('a table sorts both ways and back, with what is not known last, opens a row, and is copied in one unit', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await open(page);
  const table = page.getByRole('table', { name: 'Wires' });
  const first = table.getByRole('row').nth(1);
  const head = table.getByRole('columnheader', { name: 'Length' });
  await expect(first).toContainText('Heater plus');
  await head.getByRole('button').press('Enter');
  await expect(head).toHaveAttribute('aria-sort', /ascending|descending/);
  const order = async () => (await table.getByRole('rowheader').allTextContents()).map((text) => text.slice(0, 6));
  const once = await order();
  expect(once[2]).toBe('A wire');
  await head.getByRole('button').press('Enter');
  const twice = await order();
  expect(twice).toEqual([once[1], once[0], once[2]]);
  await head.getByRole('button').press('Enter');
  await expect(first).toContainText('Heater plus');
  await first.getByRole('button').press('Enter');
  await expect(page.getByText('More about Heater plus.')).toBeVisible();
  await page.getByRole('button', { name: 'Copy as CSV' }).click();
  await expect(page.getByRole('button', { name: 'Copied' })).toBeVisible();
  const copied = await page.evaluate(() => navigator.clipboard.readText());
  expect(copied.split(/\r?\n/).slice(0, 2)).toEqual(['Wire,"Size, mm²","Length, m"', 'Heater plus,4,2.2']);
});

test('a refused figure says so at its field, keeps what was typed, and takes other units', async ({ page }) => {
  await open(page);
  const length = page.getByLabel('Length', { exact: true });
  await length.fill('a bit');
  await length.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'does not start with a number' })).toBeVisible();
  await expect(length).toHaveValue('a bit');
  await length.fill('12 ft');
  await length.press('Enter');
  await expect(length).toHaveValue(/3\.658\sm/);
});
