import { expect, test } from '@playwright/test';
import { check, openSample, saved } from './stories';

test('the rear box moved forward on the plan: lengths, axle loads and a verdict follow, and undo brings it back', async ({
  page,
}) => {
  await openSample(page);
  await page.getByRole('link', { name: /^Cables/ }).click();
  const length = page.locator('[data-plan-length="c-plus"]');
  await expect(length).toHaveText(/2\.68\s*m/);
  const axles = page.locator('[data-plan-axles]');
  const before = await axles.textContent();

  const box = page.locator('[data-plan-device="box-rear"]');
  await box.focus();
  // Ten times 100 mm forward: into the front box, which stands in the way.
  for (let k = 0; k < 10; k++) await page.keyboard.press('Shift+ArrowLeft');
  await expect(axles).not.toHaveText(before!);
  await expect(page.getByText('The way from', { exact: false })).toHaveCount(0);
  await page.getByRole('radio', { name: 'whole vehicle' }).click();
  await expect(
    page.locator('[data-check^="plan.overlap"], [data-check^="cable.bend"][data-verdict="fails"]').first(),
  ).toBeVisible();
  await saved(page);

  for (let k = 0; k < 10; k++) await page.keyboard.press('Control+z');
  await expect(length).toHaveText(/2\.68\s*m/);

  // By the mouse: 40 pixels forward is less than a metre, and the way to the bus gets shorter.
  const at = (await box.boundingBox())!;
  await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2);
  await page.mouse.down();
  await page.mouse.move(at.x + at.width / 2 - 40, at.y + at.height / 2, { steps: 6 });
  await page.mouse.up();
  await expect(length).not.toHaveText(/2\.68\s*m/);
  await expect(page.getByRole('button', { name: 'Undo move Rear box' })).toBeVisible();
});

test('typed coordinates: outside the car is refused in words, and what was typed stays', async ({ page }) => {
  await openSample(page);
  await page.getByRole('link', { name: /^Cables/ }).click();
  await page.locator('[data-plan-device="box-rear"]').click();
  const field = page.getByLabel('Behind the front axle', { exact: true });
  await field.fill('9 m');
  await field.press('Enter');
  await expect(page.getByText(/behind the vehicle/)).toBeVisible();
  await expect(field).toHaveValue('9 m');
  await field.press('Escape');
  await expect(field).toHaveValue(/2\.75\s*m/);
});

test('size it for me cures the heater’s wire, and the cut list fits reels', async ({ page }) => {
  await openSample(page);
  const heater = check(page, 'fuse.cable-overload:f-heater');
  await expect(heater).toHaveAttribute('data-verdict', 'fails');
  await page.getByRole('link', { name: /^Cables/ }).click();
  await page.getByRole('tab', { name: 'Size it for me' }).click();
  await page.getByRole('button', { name: /^Size these 19/ }).click();
  await expect(page.locator('[data-sized]')).toContainText(/2 → 1 fail/);
  await page.getByRole('button', { name: 'Fit them' }).click();
  await saved(page);
  await page.getByRole('link', { name: /^HV circuit/ }).click();
  await expect(heater).toHaveCount(0);

  await page.getByRole('link', { name: /^Cables/ }).click();
  await page.getByRole('tab', { name: 'Cut list' }).click();
  const group = page.locator('[data-cut-group="cable-shielded-95"]');
  await expect(group).toContainText('K+ to bus plus');
  await expect(group).toContainText('reel of');
  await page.getByLabel('Reel lengths in stock, m').fill('1; 2');
  await page.getByLabel('Reel lengths in stock, m').press('Enter');
  await expect(page.getByText(/Longer than every reel: .*K\+ to bus plus/)).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as CSV' }).click();
  expect((await download).suggestedFilename()).toMatch(/-cut-list\.csv$/);
});

test('a conductor opened shows all it has to stand, its heat on the usual trip and its ends', async ({ page }) => {
  await openSample(page);
  await page.getByRole('link', { name: /^Cables/ }).click();
  await page.locator('[data-cable="c-plus"]').getByRole('button').click();
  const stands = page.getByRole('region', { name: 'What K+ to bus plus has to stand' });
  await expect(stands).toContainText('Mid fuse protects its cable');
  await expect(stands).toContainText('K+ to bus plus in a peak');
  const heat = page.getByRole('region', { name: 'Heat and ends of K+ to bus plus' });
  await expect(heat).toContainText(/driven twice in a row: at most \d+\s°C/);
  await expect(heat).toContainText('lugs M8');
  // The fuse's rule is another station's: its working opens in the ledger of the whole vehicle.
  await stands.getByRole('button', { name: /Mid fuse protects its cable \(overload\)/ }).click();
  await expect(check(page, 'fuse.cable-overload:f-mid')).toContainText('IEC 60364-4-43');
});

test('what stands at one spot has one mark, which fans out by key and folds up again', async ({ page }) => {
  await openSample(page);
  await page.getByRole('link', { name: /^Cables/ }).click();
  const crowd = page.getByRole('button', { name: /^\d+–\d+, \d+ things at one spot: .*Fuse box/ });
  await crowd.press('Enter');
  await expect(crowd).toHaveCount(0);
  // The first of them is picked, and has the focus.
  const first = page.locator('[data-plan-device][aria-pressed=true]');
  await expect(first).toBeFocused();
  await first.press('Escape');
  await expect(crowd).toBeVisible();
  // The list under the plan picks any of them.
  const list = page.getByRole('list', { name: 'Small things on the plan' });
  await list.getByRole('button', { name: /\d+ Fuse box$/ }).click();
  await expect(page.locator('[data-plan-device="low-box"]')).toHaveAttribute('aria-pressed', 'true');
});
