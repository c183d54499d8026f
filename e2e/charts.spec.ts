import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';

const chart = (page: Page) => page.getByRole('figure', { name: 'A charge' });
const open = async (page: Page) => {
  await page.goto('/kit');
  await expect(chart(page).locator('svg').first()).toBeVisible();
  await chart(page).scrollIntoViewIfNeeded();
};
const saved = async (page: Page, item: string) => {
  await page.getByRole('button', { name: 'Save A charge' }).click();
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('menuitem', { name: item }).click()]);
  return { name: file.suggestedFilename(), data: readFileSync(await file.path()) };
};

test('a drag enlarges a part of a chart, in all its panes and its table, and one press shows all again', async ({
  page,
}) => {
  await open(page);
  const box = (await chart(page).locator('svg').first().boundingBox())!;
  await chart(page).getByRole('button', { name: 'Values' }).click();
  const table = chart(page).getByRole('table', { name: 'A charge' });
  await expect(table.getByRole('row').last()).toContainText('2 s');
  await page.mouse.move(box.x + box.width * 0.25, box.y + 80);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.35, box.y + 80, { steps: 4 });
  await page.mouse.move(box.x + box.width * 0.5, box.y + 80, { steps: 4 });
  await page.mouse.up();
  const all = chart(page).getByText('Show all');
  await expect(all).toBeVisible();
  const [first, last] = await Promise.all(
    [table.getByRole('row').nth(1), table.getByRole('row').last()].map(async (row) =>
      Number.parseFloat((await row.getByRole('cell').first().innerText()).replace(/\sms/, 'e-3')),
    ),
  );
  expect(first!).toBeGreaterThan(0.1);
  expect(last!).toBeLessThan(1.3);
  await all.click();
  await expect(all).toHaveCount(0);
  await expect(table.getByRole('row').last()).toContainText('2 s');
});

test('by key alone: the values, and a part of them', async ({ page }) => {
  await open(page);
  await chart(page).getByRole('button', { name: 'Values' }).focus();
  await page.keyboard.press('Enter');
  const table = chart(page).getByRole('table', { name: 'A charge' });
  await expect(table.getByRole('row').nth(1)).toContainText('0 s');
  await page.keyboard.press('Tab');
  await expect(chart(page).getByRole('slider', { name: 'Time shown, from' })).toBeFocused();
  // A hundred steps over two seconds: fifty of them are one.
  for (let k = 0; k < 5; k++) await page.keyboard.press('PageUp');
  await expect(table.getByRole('row').nth(1)).toContainText('1 s');
  // 100 V · (1 − e^(−1 s / 0.4 s)) = 91.79 V.
  await expect(table.getByRole('row').nth(1)).toContainText('91.79 V');
});

test('the crosshair reads both panes at once', async ({ page }) => {
  await open(page);
  const box = (await chart(page).locator('svg').first().boundingBox())!;
  await page.mouse.move(box.x + box.width * 0.4, box.y + 90);
  const words = chart(page).locator('.recharts-tooltip-wrapper:visible');
  await expect(words).toHaveCount(2);
  await expect(words.first()).toContainText(/link : [\d.]+\sV/);
  await expect(words.last()).toContainText(/current : [\d.]+\sm?A/);
});

test('values, drawing and picture as files', async ({ page }) => {
  await open(page);
  const values = await saved(page, 'Values, CSV');
  expect(values.name).toBe('a-charge.csv');
  const lines = values.data
    .toString('utf8')
    .replace(/^\uFEFF/, '')
    .trim()
    .split(/\r?\n/);
  expect(lines[0]).toBe('"Time, s","Link, V","Current, A"');
  expect(lines).toHaveLength(202);
  // After one time constant of 0.4 s: 100 · (1 − 1/e) and 5 / e.
  expect(lines[41]!.split(',').map(Number)).toEqual([0.4, expect.closeTo(63.2121, 3), expect.closeTo(1.8394, 3)]);
  const drawing = await saved(page, 'Drawing, SVG');
  const svg = drawing.data.toString('utf8');
  expect(drawing.name).toBe('a-charge.svg');
  expect(svg).toContain('closes at 95 %');
  // It stands by itself: no colour is left to a style sheet.
  expect(svg).not.toContain('var(--');
  const picture = await saved(page, 'Picture, PNG');
  expect(picture.name).toBe('a-charge.png');
  expect(picture.data.subarray(1, 4).toString()).toBe('PNG');
  // Twice the height of both panes, 180 and 110 px.
  expect(picture.data.readUInt32BE(20)).toBe(2 * (180 + 110));
});
