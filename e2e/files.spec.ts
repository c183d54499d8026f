import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { check, choose, openSample, saved } from './stories';

const give = (page: Page, label: string, name: string, content: string | Buffer) =>
  page
    .getByLabel(label, { exact: true })
    .setInputFiles({ name, mimeType: 'application/octet-stream', buffer: Buffer.from(content) });

const exported = async (page: Page, button: string): Promise<string> => {
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: button }).click();
  return readFileSync(await (await download).path(), 'utf8');
};

test('export, delete, bring back, delete for good, import: the file is the same to the letter', async ({ page }) => {
  await openSample(page);
  await page.getByRole('link', { name: 'Files' }).click();
  const first = await exported(page, 'Export the build file');
  expect(JSON.parse(first)).toMatchObject({ format: 'ropeway-build', name: 'Firn 9' });
  await page.goto('/');
  await page.getByRole('button', { name: 'Delete Firn 9', exact: true }).click();
  await expect(page.getByText('Deleted Firn 9, with its undo history and snapshots.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: /Firn 9/ })).toBeVisible();
  await page.getByRole('button', { name: 'Delete Firn 9', exact: true }).click();
  await page.getByText('Deleted (1), kept for 30 days').click();
  await page.getByRole('button', { name: 'Delete Firn 9 for good' }).click();
  await page.getByRole('button', { name: 'Yes, gone with history and snapshots' }).click();
  await expect(page.getByRole('link', { name: /Firn 9/ })).toHaveCount(0);

  await give(page, 'Build file', 'firn.json', first);
  await expect(page.getByRole('group', { name: 'Traction circuit' })).toBeVisible();
  await expect(check(page, 'fuse.cable-overload:f-heater')).toHaveAttribute('data-verdict', 'fails');
  await page.getByRole('link', { name: 'Files' }).click();
  expect(await exported(page, 'Export the build file')).toBe(first);

  // A second time it is asked what becomes of the one that is here; a copy stands beside it.
  await page.goto('/');
  await give(page, 'Build file', 'firn.json', first);
  const question = page.getByRole('alertdialog', { name: 'Firn 9 is here already' });
  await expect(question.getByText('firn.json holds the same as what is here.')).toBeVisible();
  await question.getByRole('button', { name: 'Keep both: open as a copy' }).click();
  await expect(page.getByRole('group', { name: 'Traction circuit' })).toBeVisible();
  await page.goto('/');
  await expect(page.getByRole('link', { name: /Firn 9/ })).toHaveCount(2);
});

test('ten damaged and hostile files are refused with words, and nothing comes in', async ({ page }) => {
  const text = readFileSync('samples/firn-9.ropeway.json', 'utf8');
  const change = (make: (build: Record<string, never>) => void): string => {
    const build = JSON.parse(text);
    make(build);
    return JSON.stringify(build);
  };
  // biome-ignore lint/suspicious/noExplicitAny: damaging a document on purpose
  const damaged = (make: (build: any) => void) => change(make as never);
  const files: readonly (readonly [string, string, RegExp])[] = [
    ['cut short', text.slice(0, 4000), /not readable JSON/],
    [
      'too new',
      damaged((b) => {
        b.version = 99;
      }),
      /newer than this program/,
    ],
    ['too large', ' '.repeat(20_000_001), /larger than 20 MB/],
    ['prototype key', text.replace('"notes":', '"__proto__": {"x": 1}, "notes":'), /key "__proto__" is not allowed/],
    ['not a number', text.replace('"altitudeM": 1900', '"altitudeM": NaN'), /not readable JSON/],
    ['endless number', text.replace('"altitudeM": 1900', '"altitudeM": 1e999'), /vehicle\.altitudeM/],
    [
      'dangling end',
      damaged((b) => {
        b.circuits.hv.conductors['c-minus'].a.deviceId = 'ghost';
      }),
      /names "ghost", which is no device/,
    ],
    [
      'an id twice',
      damaged((b) => {
        b.circuits.hv.conductors.heater = { ...b.circuits.hv.conductors['c-minus'], id: 'heater' };
      }),
      /used twice/,
    ],
    [
      'absurd size',
      damaged((b) => {
        b.circuits.hv.devices['box-rear'].cellsInSeries = 1e9;
      }),
      /cellsInSeries/,
    ],
    [
      'script as a key',
      damaged((b) => {
        b['<img src=x onerror=alert(1)>'] = 1;
      }),
      /is not allowed/,
    ],
    ['another kind of file', '\u0000\u0001PNG', /not readable JSON/],
  ];
  const asked: string[] = [];
  page.on('dialog', (dialog) => asked.push(dialog.message()));
  await page.goto('/');
  await expect(page.getByRole('button', { name: 'Open Firn 9' })).toBeVisible();
  for (const [name, content, words] of files) {
    await give(page, 'Build file', `${name}.json`, content);
    const refusal = page.getByRole('alert').filter({ hasText: `${name}.json was not opened. Nothing was changed.` });
    await expect(refusal).toContainText(words);
  }
  expect(asked).toEqual([]);
  await page.reload();
  await expect(page.getByText('None yet.')).toBeVisible();
});

test('script text in names is shown as text, everywhere', async ({ page }) => {
  const build = JSON.parse(readFileSync('samples/firn-9.ropeway.json', 'utf8'));
  build.name = '<img src=x onerror="document.title=1">';
  build.circuits.hv.devices.heater.name = '</text><script>document.title=2</script>';
  await page.goto('/');
  await give(page, 'Build file', 'script.json', JSON.stringify(build));
  await expect(page.getByRole('group', { name: 'Traction circuit' })).toBeVisible();
  await expect(page.getByRole('link', { name: '<img src=x' })).toBeVisible();
  expect(await page.title()).toBe('Ropeway');
});

test('a cable list goes to the spreadsheet and comes back with a decimal comma; the change is shown, taken and undone', async ({
  page,
}) => {
  await openSample(page);
  await page.getByRole('link', { name: 'Files' }).click();
  const list = await exported(page, 'Export the cable list');
  expect(list).toContain('c-minus,Shunt to bus minus,cable-shielded-70,1,1.1,hv');
  await give(page, 'Cable list', 'list.csv', 'id;length_m\r\nc-minus;1,35\r\nc-ghost;2\r\n');
  await expect(page.getByRole('alert').filter({ hasText: 'list.csv was not taken' })).toContainText('line 3, id');
  await give(page, 'Cable list', 'list.csv', 'id;length_m\r\nc-minus;1,35\r\n');
  await expect(page.getByRole('region', { name: 'Preview of the import' })).toContainText('1.1 m1.35 m');
  await page.getByRole('button', { name: 'Take it' }).click();
  await saved(page);
  await page.getByRole('link', { name: /^Cables/ }).click();
  await expect(page.locator('[data-cable="c-minus"]')).toContainText('1.35 m');
  await page.keyboard.press('u');
  await expect(page.locator('[data-cable="c-minus"]')).toContainText('1.1 m');
});

test('an own part is made from a catalogue part, fitted, and shown with what a parts list would change', async ({
  page,
}) => {
  await openSample(page);
  await page.getByRole('link', { name: 'Parts' }).click();
  await page.getByRole('button', { name: /^Own copy of 63 A full-range/ }).click();
  await page.getByLabel('Rated current', { exact: true }).fill('thirty');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('alert').filter({ hasText: 'thirty' })).toBeVisible();
  await page.getByLabel('Rated current', { exact: true }).fill('30');
  await page.keyboard.press('Tab');
  await page.getByLabel('Name', { exact: true }).fill('Bench fuse 30 A');
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'Take it into the build' }).click();
  await expect(page.getByText('Bench fuse 30 A', { exact: true })).toBeVisible();
  await page.getByRole('link', { name: /^HV circuit/ }).click();
  await page.getByRole('button', { name: /^Heater fuse, / }).click();
  await choose(page.getByLabel('Part', { exact: true }), 'Bench fuse 30 A');
  await expect(check(page, 'fuse.cable-overload:f-heater')).toHaveCount(0);
  await page.getByRole('link', { name: 'Parts' }).click();
  const list = await exported(page, 'Export these parts');
  await give(page, 'Parts list', 'parts.csv', list.replace('Bench fuse 30 A', 'Bench fuse B'));
  await expect(page.getByRole('region', { name: 'Preview of the import' })).toContainText('Bench fuse B');
});

test('a snapshot is kept, the build changed, and gone back to', async ({ page }) => {
  await openSample(page);
  await page.getByRole('link', { name: 'Files' }).click();
  await page.getByLabel('Name of the snapshot').fill('as bought');
  await page.getByRole('button', { name: 'Keep a snapshot' }).click();
  await expect(page.getByRole('button', { name: 'Go back to as bought' })).toBeVisible();
  await page.getByLabel('Notes of this build').fill('Heater taken out.');
  await page.getByLabel('Notes of this build').blur();
  await saved(page);
  await page.getByRole('button', { name: 'Go back to as bought' }).click();
  await expect(page.getByLabel('Notes of this build')).toHaveValue(/wrong on purpose/);
  await page.getByRole('button', { name: /^Undo go back to as bought/ }).click();
  await expect(page.getByLabel('Notes of this build')).toHaveValue('Heater taken out.');
});

test('the circuit is saved as a drawing of its own, and the netlist names the elements', async ({ page }) => {
  await openSample(page);
  const svg = await exported(page, 'Save the drawing');
  expect(svg).toMatch(/^<\?xml/);
  expect(svg).toContain('Firn 9: cruise/cold-old-empty/sustained');
  expect(svg).not.toContain('class=');
  await page.getByRole('link', { name: 'Files' }).click();
  const netlist = await exported(page, 'Export the netlist');
  expect(netlist).toContain('Rf_mid f_mid_a f_mid_b 0.000366666667');
});
