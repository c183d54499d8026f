import { readFile } from 'node:fs/promises';
import { expect, type Page, test } from '@playwright/test';
import { strFromU8, unzipSync } from 'fflate';
import ICAL from 'ical.js';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { openSample } from './stories';

test.use({ serviceWorkers: 'allow' });

async function made(page: Page, press: string): Promise<Uint8Array> {
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: press }).click();
  const path = await (await saving).path();
  return new Uint8Array(await readFile(path!));
}
async function textOf(pdf: Uint8Array): Promise<readonly string[]> {
  const read = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
  const pages: string[] = [];
  for (let k = 1; k <= read.numPages; k++) {
    const { items } = await (await read.getPage(k)).getTextContent();
    pages.push(
      items
        .map((item) => ('str' in item ? item.str : ''))
        .join(' ')
        .replace(/[\s\u00a0]+/g, ' '),
    );
  }
  return pages;
}
const toFiles = async (page: Page) => {
  await page.getByRole('link', { name: 'Files', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Make the PDF' })).toBeVisible();
};

test('the zip of the dark garage: everything in it opens, drawings and PDF too, with the network gone', async ({
  page,
  context,
}) => {
  await page.emulateMedia({ colorScheme: 'dark' });
  await openSample(page);
  await toFiles(page);
  // The first visit has brought everything that is needed.
  await page.evaluate(async () => void (await navigator.serviceWorker.ready));
  await page.reload();
  await expect(page.getByRole('button', { name: 'All files as zip' })).toBeVisible();
  await context.setOffline(true);
  const zip = unzipSync(await made(page, 'All files as zip'));
  await context.setOffline(false);
  const names = Object.keys(zip);
  for (const name of [
    'README.txt',
    'build.ropeway.json',
    'build-pack.pdf',
    'build-pack.md',
    'wires.csv',
    'tests.csv',
    'circuit.cir',
    'battery-management.dbc',
    'calendar.ics',
    'drawings/circuit.svg',
    'drawings/plan.svg',
  ])
    expect(names).toContain(name);
  const text = (name: string) => strFromU8(zip[name]!);
  expect(JSON.parse(text('build.ropeway.json')).name).toBe('Firn 9');
  expect(new ICAL.Component(ICAL.parse(text('calendar.ics'))).getAllSubcomponents('vevent').length).toBeGreaterThan(3);
  // On white, in daylight colours.
  expect(text('drawings/circuit.svg')).toContain('fill="#ffffff"');
  expect(text('drawings/circuit.svg')).not.toMatch(/fill="rgb\(2[0-9]{2}, 2[0-9]{2}, 2[0-9]{2}\)"[^>]*>Rear box/);
  const pages = await textOf(zip['build-pack.pdf']!);
  const all = pages.join(' ');
  const digest = text('README.txt').match(/[0-9a-f]{16}/)![0];
  pages.forEach((one, k) => {
    expect(one).toContain(digest);
    expect(one).toContain(`${k + 1} of ${pages.length}`);
  });
  // Words of the drawings are text as well.
  for (const words of ['Emergency card', 'Owner’s sheet', 'Coolant heater', 'Tap card', 'Sequence sheet', 'not drawn'])
    if (words === 'not drawn') expect(all).not.toContain(words);
    else expect(all).toContain(words);
  const raw = Buffer.from(zip['build-pack.pdf']!).toString('latin1');
  expect(raw.match(/\/FontFile2/g)!.length).toBeGreaterThanOrEqual(3);
});

test('owner’s sheet and emergency card are sheets by themselves', async ({ page }) => {
  await openSample(page, 'Larkspur');
  await toFiles(page);
  const owner = await textOf(await made(page, 'Owner’s sheet'));
  expect(owner.length).toBeLessThanOrEqual(2);
  expect(owner.join(' ')).toContain('Cells below 0 °C are not charged');
  const card = (await textOf(await made(page, 'Emergency card'))).join(' ');
  expect(card).toContain('Make it dead');
  expect(card).toContain('Cells never switch off');
});
