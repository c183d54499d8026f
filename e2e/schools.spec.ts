import { expect, test } from '@playwright/test';
import { check, choose, openSample, saved, seek } from './stories';

test('a school is chosen where the loss is told, asks for its load, and one press feeds it', async ({ page }) => {
  await openSample(page);
  await page.getByRole('link', { name: /^Survey/ }).click();
  await page.getByRole('tab', { name: 'Functions lost with the engine' }).click();
  await choose(page.getByLabel('Brake assist'), 'electric booster');
  const open = check(page, 'survey.school:school-brakes');
  await expect(open).toContainText('needs an electric brake booster in the 12-volt schedule');
  await open.getByRole('button').first().click();
  await open.getByRole('list', { name: 'Remedies' }).getByRole('button', { name: 'Fit' }).first().click();
  await expect(open).toHaveAttribute('data-verdict', 'holds');
  await page.getByRole('link', { name: /^12 V/ }).click();
  await expect(page.locator('[data-schedule]')).toContainText('Electric brake booster');
  await saved(page);
  await page.getByRole('button', { name: /^Undo add Electric brake booster/ }).click();
  await expect(page.locator('[data-schedule]')).not.toContainText('Electric brake booster');
});

test('a contradiction between schools fails in words; a press on the drawing leads to the figure', async ({ page }) => {
  await openSample(page);
  await page.getByRole('link', { name: /^Survey/ }).click();
  await page.getByRole('tab', { name: 'Rules and design choices' }).click();
  await choose(page.getByLabel('Belt-driven ancillaries'), 'old belt drive kept, on the motor');
  await expect(check(page, 'survey.school:school-ancillaries')).toContainText(
    'the steering has an electric assist too',
  );
  await choose(page.getByLabel('Charge limit'), '80 % for life');
  await page.getByRole('button', { name: /^On the rear axle: / }).click();
  await expect(page.getByLabel('Rear axle, limit')).toBeFocused();
  await page.getByRole('button', { name: /^Wheelbase: / }).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('2.5');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Wheelbase: 2.5/ })).toBeVisible();
  await page.getByRole('link', { name: /^Pack/ }).click();
  await expect(page.getByLabel('Charged to')).toHaveValue(/80\s*%/);
});

test('a load that somebody made himself serves as what a school asks for, whatever it is called', async ({ page }) => {
  await openSample(page);
  await page.getByRole('link', { name: /^12 V/ }).click();
  const schedule = page.locator('[data-schedule]');
  await schedule.getByRole('button', { name: /^Radio/ }).click();
  await choose(page.getByLabel('It serves as'), 'a charge gauge');
  await page.getByRole('link', { name: /^Survey/ }).click();
  await expect(check(page, 'survey.loss:gauges')).toHaveCount(0);
  await page.getByRole('button', { name: /^Undo change Radio/ }).click();
  await seek(page, 'gauge');
  await expect(check(page, 'survey.loss:gauges')).toContainText('needs a charge gauge in the 12-volt schedule');
});
