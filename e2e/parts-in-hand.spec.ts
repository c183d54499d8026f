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

test('what I have: a part from the yard with its price, donor and corroded pins; the costs against the budget; what makes no sense is refused', async ({
  page,
}) => {
  await openSample(page, 'Larkspur');
  await page.getByRole('link', { name: 'Parts' }).click();
  const panel = page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: /^What I have/ }) })
    .last();
  // 1,150 + 980 + 42 · 96 + 620 + 2 · 38 + 45.
  await expect(panel).toContainText('6,903 in all, 6,858 of it paid.');
  await panel.getByLabel('Another one').fill('Radiator from a small car');
  await panel.getByLabel('Another one').press('Tab');
  await panel.getByRole('button', { name: 'I have it' }).click();
  const write = async (label: string, text: string) => {
    await panel.getByLabel(label, { exact: true }).fill(text);
    await page.keyboard.press('Tab');
  };
  await write('Price of one', 'a round of beer');
  await expect(panel.getByRole('alert').first()).toBeVisible();
  await write('Price of one', '1400');
  await write('Out of', 'a small hatchback');
  await write('… that had driven', '20000000 km');
  await expect(panel.getByRole('alert').first()).toContainText('No donor has driven so far.');
  await write('… that had driven', '142000 km');
  await write('… of the year', '2190');
  await expect(panel.getByRole('alert').first()).toContainText('That year is not one in which a donor was built.');
  await write('… of the year', '2009');
  await choose(panel.getByLabel('Pins', { exact: true }), 'bad');
  await choose(panel.getByLabel('State', { exact: true }), 'fitted');
  await saved(page);
  await go(page, 'Survey');
  await expect(check(page, 'survey.budget:costs')).toContainText('8303 of 8000');
  await expect(
    page.getByRole('button', { name: /^Radiator from a small car was found bad and is fitted all the same/ }),
  ).toBeVisible();
  await page.keyboard.press('u');
  await expect(
    page.getByRole('button', { name: /^Radiator from a small car was found bad and is fitted all the same/ }),
  ).toHaveCount(0);
});

test('two parts side by side: what differs stands first', async ({ page }) => {
  await openSample(page, 'Larkspur');
  await page.getByRole('link', { name: 'Parts' }).click();
  const panel = page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: /^Compare two parts/ }) })
    .last();
  await choose(panel.getByLabel('Kind', { exact: true }), 'inverters and controllers');
  await choose(panel.getByLabel('This one'), 'Inverter, 96 V class, 450 A battery');
  await choose(panel.getByLabel('… and that one'), 'Inverter, 300 V class, 300 A battery');
  const row = panel.getByRole('row', { name: /^Survives at most/ });
  await expect(row).toContainText(/130.V/);
  await expect(row).toContainText(/380.V/);
});
