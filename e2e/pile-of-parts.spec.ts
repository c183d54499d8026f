import { expect, type Locator, test } from '@playwright/test';
import { go, saved } from './stories';

test('a pile of parts: salvaged modules, a controller, a motor with a plate, a small converter and charger become a circuit that holds, within sixty presses', async ({
  page,
}) => {
  page.setDefaultTimeout(15_000);
  let presses = 0;
  const press = async (what: Locator) => {
    presses++;
    await what.click();
  };
  const write = async (label: string, text: string) => {
    presses++;
    const field = page.getByLabel(label, { exact: true });
    await field.fill(text);
    await field.press('Tab');
  };
  const take = async (label: string, option: string | RegExp) => {
    await press(page.getByLabel(label, { exact: true }));
    await press(page.getByRole('option', { name: option }));
  };

  await page.goto('/');
  await press(page.getByRole('button', { name: 'a pile of parts' }));
  await expect(page.getByRole('heading', { name: 'Parts', exact: true })).toBeVisible();

  // By the plate of the motor.
  await take('From nothing', 'motors');
  await write('Name', 'Motor by its plate');
  await take('Kind of motor', 'induction');
  await write('Peak power', '26 kW');
  await write('Peak torque', '105 Nm');
  await write('Maximum speed', '6500');
  await write('… at a link of', '120 V');
  await press(page.getByRole('button', { name: 'Take it into the build' }));

  // A small charger and a converter, by what is written on them.
  const device = async (name: string, figures: readonly (readonly [string, string])[]) => {
    await take('From nothing', 'chargers, converters, heaters');
    await write('Name', name);
    for (const [label, text] of figures) await write(label, text);
    await press(page.getByRole('button', { name: 'Take it into the build' }));
    await expect(page.getByText(name, { exact: true })).toBeVisible();
  };
  const WINDOW = [
    ['Works from', '80 V'],
    ['Works up to', '165 V'],
    ['Survives at most', '180 V'],
  ] as const;
  await device('Small charger', [...WINDOW, ['Gives while charging', '700 W']]);
  await device('Converter of 700 W', [...WINDOW, ['Draws at most', '700 W']]);

  // Cells to begin with, then what the modules really are.
  await press(page.getByRole('link', { name: /^Pack/ }));
  await take('Cell', 'Salvaged NMC module cell, 66 Ah');
  await take('Inverter', 'Inverter, 144 V class, 400 A battery');
  await write('Cells in series', '33');
  await press(page.getByRole('button', { name: 'Lay out the traction circuit' }));
  await expect(page.getByRole('group', { name: 'Voltage windows' })).toBeVisible();
  await press(page.getByRole('tab', { name: 'Salvaged modules' }));
  await press(page.getByRole('button', { name: 'Type or paste them' }));
  presses++;
  // Eleven modules of three cells, at rest about 11.2 V, the weakest of 58.4 Ah.
  await page
    .getByLabel('Modules, a line each')
    .fill(
      [60.2, 60.5, 58.4, 60.1, 60.3, 59.7, 60.4, 60.6, 60, 59.2, 60.1]
        .map((ah, k) => `N${k + 1}; ${(11.2 + 0.004 * (k % 3)).toFixed(3)} V; ${ah} Ah; 2.9 mΩ`)
        .join('\n'),
    );
  await press(page.getByRole('button', { name: 'Take these modules' }));
  await write('Modules in parallel', '1');
  await expect(page.locator('[data-match]')).toContainText(/Weakest group 58\.4 Ah/);
  await press(page.getByRole('button', { name: 'Make them the pack' }));
  // Eleven times 2.9 mΩ; 33 · 3.7 V · 58.4 Ah.
  await expect(page.getByText(/33 cells in series, 58\.4 Ah, 31\.9.mΩ in all/)).toBeVisible();

  await press(page.getByRole('link', { name: /^Drive/ }));
  await take('Motor', 'Motor by its plate');
  await press(page.getByRole('link', { name: /^HV circuit/ }));
  await take('Add to the bus', 'Converter of 700 W');
  await take('Add to the bus', 'Small charger');
  await saved(page);
  expect(presses).toBeLessThanOrEqual(60);
  // The circuit is whole: what is open asks for what nobody knows, nothing fails.
  for (const station of ['HV circuit', 'Cables', 'Pack', 'Survey']) {
    await go(page, station);
    await expect(page.locator('[data-check][data-verdict="fails"]')).toHaveCount(0);
    await expect(page.getByRole('region', { name: 'Ledger' }).getByRole('listitem').first()).toBeVisible();
  }
  // And where it asks, a press leads on: no dead end.
  await expect(page.getByRole('button', { name: /^Next: / })).toBeVisible();
});
