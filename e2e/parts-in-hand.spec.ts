import { expect, test } from '@playwright/test';
import { check, choose, go, openSample, saved, seek } from './stories';

test('will it live with my build? A charger is refused before it is bought, its kind is ranked, and one that lives is fitted', async ({
  page,
}) => {
  await openSample(page, 'Larkspur');
  await page.getByRole('link', { name: 'Parts' }).click();
  await choose(page.getByLabel('Part', { exact: true }), 'Charger, 6.6 kW, 400 V class');
  const panel = page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: /^Will it live/ }) })
    .last();
  await panel.getByRole('button', { name: 'Try it on the model' }).click();
  await expect(panel).toContainText('It does not live with this build.');
  // Its sheet: it works from 240 V.
  await expect(panel.getByRole('region', { name: 'Would fail' })).toContainText(/needs 240.V/);
  await panel.getByRole('button', { name: 'Close' }).click();

  await choose(page.getByLabel('Part', { exact: true }), 'Air heater, 2 kW, 144 V class');
  await choose(panel.getByLabel('Tried'), 'in place of Air heater');
  await panel.getByRole('button', { name: 'Rank all of its kind' }).click();
  const ranked = panel.getByRole('list', { name: 'Of its kind, best first' });
  await expect(ranked.getByRole('listitem').filter({ hasText: 'Coolant heater, 5 kW, 400 V class' })).toContainText(
    'would fail',
  );
  await panel.getByRole('button', { name: 'Try it on the model' }).click();
  await expect(panel).toContainText('No check gets worse or better.');
});

test('an own motor by five figures of its plate moves what it pulls; the rest stays unknown and is asked for', async ({
  page,
}) => {
  await openSample(page, 'Larkspur');
  await go(page, 'Drive');
  const top = page.getByText('Starts on', { exact: true }).locator('..');
  const before = await top.textContent();
  await page.getByRole('link', { name: 'Parts' }).click();
  await choose(page.getByLabel('From nothing'), 'motors');
  const write = async (label: string, text: string) => {
    await page.getByLabel(label, { exact: true }).fill(text);
    await page.keyboard.press('Tab');
  };
  await write('Name', 'Motor from the yard');
  await choose(page.getByLabel('Kind of motor'), 'induction');
  await write('Peak power', '30 kW');
  await write('Peak torque', '60 Nm');
  await write('Maximum speed', '6000');
  await write('… at a link of', '128 V');
  await page.getByRole('button', { name: 'Take it into the build' }).click();
  await expect(page.getByText('Motor from the yard', { exact: true })).toBeVisible();
  await go(page, 'Drive');
  await choose(page.getByLabel('Motor', { exact: true }), 'Motor from the yard');
  await saved(page);
  await expect(top).not.toHaveText(before!);
  await go(page, 'HV circuit');
  const unknown = check(page, 'part.unknown:motor');
  await seek(page, 'nobody knows');
  await expect(unknown).toHaveAttribute('data-verdict', 'needs-data');
  // P = 2π · n · T: its base speed follows from the plate, so it is not among them.
  await expect(unknown).toContainText('needs continuous power, mass');
});
