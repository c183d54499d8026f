import { expect, test } from '@playwright/test';
import { check, choose, openSample, saved, seek } from './stories';

test('a change of tyres moves the motor’s speed, the range and a fuse’s margin', async ({ page }) => {
  await openSample(page);
  await page.getByRole('link', { name: /^Drive/ }).click();
  const range = check(page, 'drive.range:trip');
  await expect(range).toHaveAttribute('data-verdict', 'thin');
  const before = await range.textContent();
  await page.getByRole('link', { name: /^HV circuit/ }).click();
  const fuse = check(page, 'fuse.cable-overload:f-mid');
  await expect(fuse).toBeVisible();
  await seek(page, 'mid fuse');
  const continuous = check(page, 'fuse.continuous:f-mid');
  const margin = await continuous.textContent();
  await seek(page, '');

  await page.getByRole('link', { name: /^Survey/ }).click();
  await page.getByLabel('Tyres').fill('9999');
  await page.getByLabel('Tyres').press('Enter');
  await expect(page.getByText('That is no tyre code', { exact: false })).toBeVisible();
  await page.getByLabel('Tyres').fill('235/85R16');
  await page.getByLabel('Tyres').press('Enter');
  // 0.97 · (16·25.4/2 + 235·0.85) mm.
  await expect(
    page
      .getByText('390.9 mm', { exact: false })
      .or(page.getByText('391', { exact: false }))
      .first(),
  ).toBeVisible();
  await saved(page);

  await page.getByRole('link', { name: /^Drive/ }).click();
  await expect(range).not.toHaveText(before!);
  await page.getByRole('link', { name: /^HV circuit/ }).click();
  await page.getByRole('button', { name: /\d+ hold – show/ }).click();
  // The ledger stays as it was opened.
  await page.getByRole('link', { name: /^Drive/ }).click();
  await page.getByRole('link', { name: /^HV circuit/ }).click();
  await expect(page.getByText(/\d+ hold – hide/)).toBeVisible();
  await seek(page, 'mid fuse');
  await expect(continuous).not.toHaveText(margin!);
});

test('from an empty build over Survey and Pack to a drive with a range', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('Name of the new build').fill('Kestrel');
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await page.getByRole('link', { name: /^Drive/ }).click();
  await expect(page.getByText('It needs the empty mass and the tyres from Survey, and a motor.')).toBeVisible();
  await page.getByRole('link', { name: /^Survey/ }).click();
  await page.getByRole('button', { name: /^The rest of the vehicle/ }).click();
  for (const [label, text] of [
    ['Mass, empty', '1100 kg'],
    ['People and luggage', '200 kg'],
    ['Tyres', '175/70R13'],
    ['Gears, first one first', '3.6; 2.1; 1.4; 1'],
    ['Final drive', '4'],
    ['Cruise speed', '80 km/h'],
    ['Distance a day', '40 km'],
  ] as const) {
    await page.getByLabel(label, { exact: true }).fill(text);
    await page.getByLabel(label, { exact: true }).press('Enter');
  }
  await page.getByLabel('Gears, first one first').fill('1; 3');
  await page.getByLabel('Gears, first one first').press('Enter');
  await expect(page.getByText(/Gear 2 \(3\) is not longer than gear 1/)).toBeVisible();
  await choose(page.getByLabel('Cruise and hill power'), 'follow from the vehicle');
  await page.getByRole('tab', { name: 'Functions lost with the engine' }).click();
  await choose(page.getByLabel('Vacuum for the brakes'), 'ran off the engine');
  await expect(check(page, 'survey.loss:brake-vacuum')).toContainText('needs a choice of brake assist');

  await page.getByRole('link', { name: /^Pack/ }).click();
  await page.getByRole('button', { name: 'Lay out the traction circuit' }).click();
  await expect(page.getByRole('group', { name: 'Voltage windows' })).toBeVisible();
  await page.getByRole('link', { name: /^Drive/ }).click();
  await choose(page.getByLabel('Motor', { exact: true }), 0);
  await expect(page.getByRole('list', { name: 'Where the energy goes' })).toBeVisible();
  await expect(page.getByText('Range, new and mild')).toBeVisible();
  // 1300 kg at 80 km/h, by hand: 1300·9.80665·0.013 + ½·1.225·0.68·22.2² = 371 N, 8.25 kW at the wheels.
  const cruise = page.getByText('Power for it, at the battery').locator('..');
  await expect(cruise).toContainText(/(9\.\d+|10(\.\d)?) kW/);
});

test('two packs eight per cent apart are refused, with a resistor and its time; near ones may be closed', async ({
  page,
}) => {
  await openSample(page);
  await page.getByRole('link', { name: /^Pack/ }).click();
  await page.getByRole('tab', { name: 'Second pack' }).click();
  const verdict = page.locator('[data-join]');
  await expect(verdict).toHaveAttribute('data-join', 'resistor');
  await expect(verdict).toContainText('Don’t close them');
  await expect(page.getByText('Through a resistor of')).toBeVisible();
  await expect(page.getByText('it takes, to a twentieth of the first current')).toBeVisible();
  await page.getByLabel('The second one to').fill('68.9');
  await page.getByLabel('The second one to').press('Enter');
  await expect(verdict).toHaveAttribute('data-join', 'close');
});

/** A made-up track: 12 m/s due north for ten minutes up 3 %, one jump in it. */
function track(): string {
  const degree = (Math.PI * 6371008.8) / 180;
  const points = Array.from({ length: 300 }, (_, k) => {
    const t = new Date(Date.UTC(2020, 4, 4, 8, 0, 2 * k)).toISOString();
    const lat = k === 100 ? 47.5 : 45 + (24 * k) / degree;
    return `<trkpt lat="${lat}" lon="7.1"><ele>${1000 + 0.72 * k}</ele><time>${t}</time></trkpt>`;
  });
  return `<?xml version="1.0"?><gpx version="1.1"><trk><trkseg>${points.join('')}</trkseg></trk></gpx>`;
}

test('a track is brought in, what was left out is said, and it is driven', async ({ page }) => {
  await openSample(page);
  await page.getByRole('link', { name: /^Drive/ }).click();
  await expect(page.getByRole('list', { name: 'Where the energy goes' })).toBeVisible();
  const bring = page.getByRole('region', { name: 'Bring a trip in' });
  await page
    .getByLabel('Trip file')
    .setInputFiles({ name: 'nothing.gpx', mimeType: 'text/xml', buffer: Buffer.from('<gpx></gpx>') });
  await expect(bring).toContainText('holds no track points');
  await page
    .getByLabel('Trip file')
    .setInputFiles({ name: 'To the hut.gpx', mimeType: 'text/xml', buffer: Buffer.from(track()) });
  // 299 steps of 24 m.
  await expect(bring).toContainText('To the hut: 7.18 km in 9.97 min; 1 jumps above 252 km/h left out.');
  await bring.getByRole('button', { name: 'Drive it' }).click();
  await expect(page.getByLabel('Trip', { exact: true })).toHaveText('To the hut');
  await expect(page.getByText(/^7\.1\d\skm in 10\smin/)).toBeVisible();
  await saved(page);
});
