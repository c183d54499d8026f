import { expect, test } from '@playwright/test';
import { check, choose, go, openSample, saved, seek, set } from './stories';

test('cells measured to resist more: sag, range and the fault current move; designed again, all is as before', async ({
  page,
}) => {
  await openSample(page, 'Larkspur');
  await seek(page, 'Main fuse');
  const fuse = check(page, 'fuse.minimum-breaking:f-main');
  const fuseBefore = await fuse.textContent();
  await seek(page, '');
  await go(page, 'Pack');
  const sag = check(page, 'pack.sag:box');
  const before = await sag.textContent();
  const range = page
    .getByRole('contentinfo')
    .getByText(/Range, winter/)
    .locator('..');
  const rangeBefore = await range.textContent();
  const box = page.getByRole('region', { name: 'Boot box' });
  await box.getByRole('button', { name: /^Measured/ }).click();
  await choose(box.getByLabel('Figure'), 'Resistance of a cell');
  await expect(box.getByText(/^designed .+Ω$/)).toBeVisible();
  // A slip of the unit is asked about before it is written down.
  const shows = box.getByLabel('The meter shows');
  await shows.fill('0.9 Ω');
  await shows.press('Enter');
  await expect(box.getByRole('alert')).toContainText('times what is designed: is the unit right');
  await shows.fill('1.1 mΩ');
  await shows.press('Enter');
  await expect(box.getByRole('alert')).toHaveCount(0);
  await box.getByLabel('Conditions').fill('20 °C, half charged, rested over night');
  await box.getByLabel('Conditions').press('Tab');
  await box.getByLabel('Day').fill('2199-01-01');
  await box.getByLabel('Day').press('Tab');
  await expect(box.getByText('is still to come')).toBeVisible();
  await box.getByLabel('Day').fill('2026-05-02');
  await box.getByLabel('Day').press('Tab');
  await box.getByRole('button', { name: 'Write down and take for true' }).click();
  await saved(page);
  await expect(sag).not.toHaveText(before!);
  await expect(range).not.toHaveText(rangeBefore!);
  const series = box.getByRole('region', { name: 'Resistance of a cell' });
  await expect(series.getByText('counts')).toBeVisible();
  // The weakest fault is weaker: the fuse breaks it with less to spare.
  await go(page, 'HV circuit');
  await seek(page, 'Main fuse');
  await expect(fuse).not.toHaveText(fuseBefore!);
  await seek(page, '');
  await go(page, 'Pack');
  await box.getByRole('button', { name: /^Measured/ }).click();
  await choose(box.getByLabel('Figure'), 'Resistance of a cell');
  // A second reading makes a series with its picture; the first still counts.
  await shows.fill('1.2 mΩ');
  await shows.press('Enter');
  await box.getByRole('button', { name: 'Only write down' }).click();
  await expect(series.getByRole('listitem')).toHaveCount(2);
  await series.getByRole('button', { name: 'As designed again' }).click();
  await expect(sag).toHaveText(before!);
  await expect(range).toHaveText(rangeBefore!);
});

test('what I measured: the vehicle weighed on the page of the notebook counts in Survey, and a reading of before is asked about', async ({
  page,
}) => {
  await openSample(page, 'Larkspur');
  await page.getByRole('link', { name: 'Parts' }).click();
  const panel = page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: /^What I measured/ }) })
    .last();
  const weigh = async (text: string, day: string, button: string) => {
    const shows = panel.getByLabel('The meter shows');
    await shows.fill(text);
    await shows.press('Enter');
    await panel.getByLabel('Day').fill(day);
    await panel.getByLabel('Day').press('Tab');
    await panel.getByRole('button', { name: button }).click();
  };
  await choose(panel.getByLabel('Measured at'), 'The vehicle');
  await choose(panel.getByLabel('Figure'), 'Mass, empty');
  await weigh('1020 kg', '2026-04-01', 'Write down and take for true');
  await weigh('1180 kg', '2026-05-02', 'Only write down');
  await saved(page);
  await go(page, 'Survey');
  await expect(page.getByText('measured 1,020 kg counts').or(page.getByText('measured 1020 kg counts'))).toBeVisible();
  const asked = check(page, 'survey.reading:readings');
  await expect(asked).toHaveAttribute('data-verdict', 'needs-data');
  await expect(asked).toContainText('mass, empty was read again on 2026-05-02 and was another');
});

test('two motors: the second comes with inverter, fuse and cables, takes its share of the current, and is judged', async ({
  page,
}) => {
  await openSample(page, 'Larkspur');
  await go(page, 'Drive');
  const panel = page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: /^Several motors/ }) })
    .last();
  await panel.getByRole('button', { name: 'One more motor with its inverter' }).click();
  await choose(panel.getByLabel('Its inverter'), 'Inverter, 144 V class, 400 A battery');
  await choose(panel.getByLabel('The motor'), 'Induction motor, 25 kW, 130 V class');
  await panel.getByRole('button', { name: 'Put them on the bus' }).click();
  await saved(page);
  const second = panel.getByRole('region', { name: 'Second motor' });
  await expect(second).toContainText('fed by Second inverter');
  await expect(second.getByLabel('Share of the torque, Second motor')).toHaveAttribute('placeholder', '50 %');
  // One share told asks for the other; both told, each has its part.
  await set(page, 'Share of the torque, Second motor', '30 %');
  await seek(page, 'reckoned');
  await expect(check(page, 'drive.several:motor')).toHaveAttribute('data-verdict', 'needs-data');
  await set(page, 'Share of the torque, Motor', '70 %');
  await seek(page, 'part of the work');
  await expect(check(page, 'drive.several:motor')).toContainText('70 % of the torque through Inverter');
  await seek(page, '');
  // The link of the second inverter asks for another precharge than one inverter did.
  await go(page, 'HV circuit');
  await expect(page.locator('[data-check][data-verdict="fails"]').first()).toBeVisible();
});

test('a motorcycle: one wheel on each axle, and a side stand that nobody told is asked for', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('Name of the new build').fill('Heath');
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await page.getByRole('button', { name: 'Lay out the traction circuit' }).click();
  await expect(page.getByRole('group', { name: 'Voltage windows' })).toBeVisible();
  await go(page, 'Survey');
  await choose(page.getByLabel('Shape', { exact: true }), 'motorcycle');
  await go(page, 'Drive');
  const stand = check(page, 'drive.stand:stand');
  await expect(stand).toHaveAttribute('data-verdict', 'needs-data');
  await go(page, 'Survey');
  await choose(page.getByLabel('Side stand cuts the torque, or folds up by itself'), 'no');
  await go(page, 'Drive');
  await expect(stand).toHaveAttribute('data-verdict', 'fails');
  await page.keyboard.press('u');
  await expect(stand).toHaveAttribute('data-verdict', 'needs-data');
});

test('the other way round: the resistor that precharges in 0.8 s, as it is sold', async ({ page }) => {
  await page.goto('/sums#precharge');
  const panel = page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: /^The other way round/ }) })
    .last();
  await choose(panel.getByLabel('By changing'), 'Resistor');
  await panel.getByLabel('… of').fill('0.8 s');
  await panel.getByLabel('… of').press('Enter');
  // R = t / (C · ln 20) = 0.8 / (1.1 mF · 2.996) = 242.8 Ω, the pack’s own 0.1 Ω with it.
  await expect(panel.locator('[data-found]')).toContainText(/242\.[678].Ω/);
  await panel.getByRole('button', { name: 'Take 220 Ω, as sold' }).click();
  // 220 Ω · 1.1 mF · ln 20 = 725 ms.
  await expect(page.getByLabel('Answer', { exact: true })).toContainText(/725.ms/);
  await panel.getByLabel('… of').fill('1 h');
  await panel.getByLabel('… of').press('Enter');
  await expect(panel.getByRole('alert')).toContainText('alone does not give that');
});
