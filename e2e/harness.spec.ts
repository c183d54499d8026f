import { readFile } from 'node:fs/promises';
import { expect, type Page, test } from '@playwright/test';
import { check, choose, go, openSample, saved, set } from './stories';

const ends = (page: Page) => page.locator('[data-open-ends]');
const end = (page: Page, wire: string, side: 'a' | 'b') => page.locator(`[data-end="${wire} ${side}"]`);
const fold = (page: Page, name: string | RegExp) => page.getByRole('button', { name });

test('a wire led elsewhere is told against the list, and keeps its number, its label and its ticks', async ({
  page,
}) => {
  await openSample(page);
  await go(page, 'Harness');
  await page.getByRole('tab', { name: 'Wires', exact: true }).click();
  await expect(page.getByText('the design is still just so')).toBeVisible();
  const row = page.locator('[data-wire-row="sg-brake-0"]');
  const label = (await row.getByRole('button').textContent())!.trim().slice(0, 4);
  await row.getByRole('button').click();
  await set(page, 'Label', 'BRK 1');
  await choose(page.getByLabel('To', { exact: true }), 'Inverter');
  const change = page.locator('[data-change="moved"]');
  await expect(change).toContainText('Brake switch, brake contact 1');
  await expect(change).toContainText(/Vehicle control unit .* → Brake switch .* – Inverter/);
  await expect(change).toContainText('ends of it are made already');
  await expect(row).toContainText('BRK 1');
  // What was landed at the control unit is not where it belongs any more, and both findings say so.
  await expect(check(page, 'harness.as-made:sg-brake-0')).toContainText('is not made as the design has it now');
  await expect(check(page, 'harness.signals:wiring')).toContainText('brake switch');
  await page.getByRole('button', { name: 'Take them in: work from today’s list' }).click();
  await expect(page.getByText('the design is still just so')).toBeVisible();
  await expect(row).toContainText('BRK 1');
  await page.getByRole('tab', { name: 'Ends', exact: true }).click();
  await page.getByLabel('Find a wire').fill('BRK 1');
  await expect(end(page, 'sg-brake-0', 'b')).toContainText('made for another terminal');
  await end(page, 'sg-brake-0', 'b')
    .getByRole('button', { name: /Other state/ })
    .click();
  await page.getByRole('dialog').getByRole('button', { name: 'landed', exact: true }).click();
  await expect(end(page, 'sg-brake-0', 'b')).not.toContainText('another terminal');
  expect(label).toMatch(/^W\d{3}$/);
  await saved(page);
});

for (const [device, width, height] of [
  ['a phone', 390, 844],
  ['an 800-pixel tablet', 800, 1100],
] as const)
  test.describe(`on ${device}, without a network`, () => {
    test.use({ serviceWorkers: 'allow', hasTouch: true, viewport: { width, height } });
    test('thirty ticks by thumb are there after a reload, and one undo takes one back', async ({ page, context }) => {
      await page.goto('/');
      await page.evaluate(async () => void (await navigator.serviceWorker.ready));
      await page.getByRole('button', { name: 'Open Firn 9' }).tap();
      await page.getByRole('group', { name: 'Traction circuit' }).waitFor();
      const address = new URL(page.url());
      await page.goto(`/harness${address.search}`);
      await expect(ends(page)).toBeVisible();
      await context.setOffline(true);
      const before = Number(await ends(page).getAttribute('data-open-ends'));
      // Sense wires of the rear box: crimped, now laid, then landed.
      await page.getByLabel('Find a wire').fill('rear box tap');
      for (let k = 0; k < 15; k++)
        for (const next of ['routed', 'landed']) {
          await end(page, `sg-rear-${k}`, 'b').getByRole('button').first().tap();
          await expect(end(page, `sg-rear-${k}`, 'b')).toHaveAttribute('data-state', next);
          if (next === 'landed') break;
        }
      await expect(ends(page)).toHaveAttribute('data-open-ends', String(before - 15));
      await saved(page);
      await page.reload();
      await expect(ends(page)).toHaveAttribute('data-open-ends', String(before - 15));
      await page.getByLabel('Find a wire').fill('rear box tap 14');
      await choose(page.getByLabel('Which ends'), 'all wires');
      await expect(end(page, 'sg-rear-14', 'b')).toHaveAttribute('data-state', 'landed');
      await end(page, 'sg-rear-14', 'b').getByRole('button').first().tap();
      await expect(end(page, 'sg-rear-14', 'b')).toHaveAttribute('data-state', 'tested');
      await page.getByRole('button', { name: /^Undo/ }).tap();
      await expect(end(page, 'sg-rear-14', 'b')).toHaveAttribute('data-state', 'landed');
    });
  });

test('a loose end whose wire is on a box is live: said at the end, over the list and in the ledger', async ({
  page,
}) => {
  await openSample(page, 'Larkspur');
  await go(page, 'Harness');
  await expect(ends(page)).toHaveText(/0 of 266 ends open/);
  await choose(page.getByLabel('Which ends'), 'all wires');
  await page.getByLabel('Find a wire').fill('boot box plus');
  const loose = end(page, 'c-box-plus', 'b');
  await loose.getByRole('button', { name: /Other state/ }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'left long' }).click();
  await expect(loose).toContainText('live, loose');
  await expect(page.getByText('A loose end is live')).toBeVisible();
  await expect(check(page, 'harness.live-end:c-box-plus')).toContainText(
    'hangs loose while its other end is on Boot box',
  );
  await loose.getByRole('button', { name: /Other state/ }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'labelled, parked' }).click();
  await expect(page.getByText('A loose end is live')).toBeHidden();
  await expect(ends(page)).toHaveText(/1 of 266 ends open/);
});

test('many at once are asked about first; an old end is labelled, then taken out', async ({ page }) => {
  await openSample(page);
  await go(page, 'Harness');
  await choose(page.getByLabel('Sub-harness'), 'Body, 12 V');
  await page.getByRole('combobox', { name: /^Both ends of these \d+ are/ }).click();
  await page.getByRole('option', { name: 'crimped', exact: true }).click();
  const ask = page.getByRole('alertdialog');
  await expect(ask).toContainText(/Both ends of 13 wires: crimped\?/);
  await ask.getByRole('button', { name: 'All 13' }).click();
  await choose(page.getByLabel('Which ends'), 'crimped');
  await expect(page.locator('[data-wire]')).toHaveCount(13);
  const old = page.getByLabel('Another end of it, labelled');
  await old.fill('Choke heater');
  await old.press('Enter');
  await expect(page.locator('[data-check^="harness.old-ends:"]')).toContainText(
    'Choke heater of the old loom hangs as it was found',
  );
  await choose(page.getByLabel('State of Choke heater'), 'labelled');
  // Its branch is to come out: labelled is not enough.
  const finding = page.locator('[data-check^="harness.old-ends:"]');
  await expect(finding).toContainText('Choke heater is to come out with its branch and is still in');
  await choose(page.getByLabel('State of Choke heater'), 'out');
  await expect(page.locator('[data-check^="harness.old-ends:"][data-verdict="fails"]')).toHaveCount(0);
});

test('CAN bus: a third resistor reads 40 Ω, a doubled identifier and another bit rate fail, and all is well again', async ({
  page,
}) => {
  await openSample(page);
  await go(page, 'Harness');
  await page.getByRole('tab', { name: 'CAN bus' }).click();
  await expect(page.getByText('60 Ω', { exact: true })).toBeVisible();
  await fold(page, /^Inverter does not terminate/).click();
  await choose(page.getByLabel('120 Ω in it, switched on'), 'yes');
  await expect(page.getByText('40 Ω', { exact: true })).toBeVisible();
  await expect(check(page, 'harness.line-ends:low-control-unit-load')).toContainText(/3 terminate it: 40\sΩ, not 60/);
  await choose(page.getByLabel('120 Ω in it, switched on'), 'no');
  await set(page, 'Sends: identifier, bytes, every … ms', '3C0 8 10');
  await expect(check(page, 'harness.line-talk:low-control-unit-load')).toContainText(
    '0x3C0 is sent by Vehicle control unit and Inverter',
  );
  await set(page, 'Sends: identifier, bytes, every … ms', '3C1 nine');
  await expect(page.getByRole('alert').first()).toContainText('no number of bytes from 0 to 8');
  await set(page, 'Sends: identifier, bytes, every … ms', '3C1 8 10');
  await choose(page.getByLabel('Bit rate'), '250 kbit/s');
  await expect(check(page, 'harness.line-talk:low-control-unit-load')).toContainText(
    'bit rates 500 kbit/s and 250 kbit/s',
  );
  await choose(page.getByLabel('Bit rate'), '500 kbit/s');
  await expect(page.getByText('needs the ends of', { exact: false })).toBeVisible();
  await expect(page.locator('[data-check^="harness.line-talk:"][data-verdict="fails"]')).toHaveCount(0);
});

test('two pin-outs against each other; a table that names a pin twice is refused and what was typed stays', async ({
  page,
}) => {
  await openSample(page);
  await go(page, 'Harness');
  await page.getByRole('tab', { name: 'Pin-outs' }).click();
  const take = async (name: string, text: string) => {
    await page.getByLabel('A new table, called').fill(name);
    await page.getByLabel('Its pins, typed or pasted').fill(text);
    await page.getByRole('button', { name: 'Take the table in' }).click();
  };
  await take('Donor A', 'pin; signal; colour\n1; CAN H; WH\n2; pedal 1; YE\n3; sensor ground; BK\n4; brake; VT');
  await take('Donor B', 'pin\tfunction\n1\tCAN H\n2\tsensor ground\n3\tpedal 1\n5\twake');
  const is = (pin: string, verdict: string) => page.locator(`[data-pin="${pin}"][data-pin-is="${verdict}"]`);
  await expect(is('1', 'same')).toBeVisible();
  await expect(is('2', 'moved')).toContainText('moved to 3');
  await expect(is('3', 'moved')).toContainText('moved to 2');
  await expect(is('4', 'missing')).toBeVisible();
  await expect(is('5', 'extra')).toBeVisible();
  await expect(page.getByText('4 of 5 differ')).toBeVisible();
  await take('As found', 'pin; signal\n1; a\n1; b');
  await expect(page.getByRole('alert').first()).toContainText('names the pin "1" twice');
  await expect(page.getByLabel('Its pins, typed or pasted')).toHaveValue(/1; b/);
});

test('labels: two a wire, for the printer of labels too', async ({ page }) => {
  await openSample(page);
  await go(page, 'Harness');
  await page.getByRole('tab', { name: 'Labels' }).click();
  await choose(page.getByLabel('Sub-harness'), 'Pedals');
  await expect(page.locator('[data-label]')).toHaveCount(16);
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as CSV' }).click(),
  ]);
  const lines = (await readFile((await file.path())!, 'utf8')).trim().split(/\r\n/);
  expect(lines.length).toBe(17);
  expect(lines[1]).toMatch(/^W\d{3}[,;]"?Accelerator pedal pedal 1 \+5 V, pin 1"?[,;]/);
});

test('a build of one’s own gets its signal wires in one press, and what is missing is asked until then', async ({
  page,
}) => {
  await openSample(page, 'Teasel');
  await go(page, 'Harness');
  await page.getByRole('tab', { name: 'Wires', exact: true }).click();
  await page.getByRole('button', { name: 'Put in the usual signal wires' }).click();
  await expect(check(page, 'harness.signals:wiring')).toHaveAttribute('data-verdict', 'holds');
  await page.getByRole('tab', { name: 'Connectors' }).click();
  await fold(page, /^Accelerator pedal/).click();
  await expect(page.getByRole('img', { name: /Face of Accelerator pedal/ })).toBeVisible();
  await set(page, 'Ways', '4');
  await expect(page.locator('[data-check^="harness.pins:"]')).toContainText('pin 5 of a connector with 4 ways');
});

test('the wires of a sub-harness on the plan: pressed, a run tells its wires; what has no place gets one', async ({
  page,
}) => {
  await openSample(page, 'Teasel');
  await go(page, 'Harness');
  await page.getByRole('tab', { name: 'Runs' }).click();
  await choose(page.getByLabel('Sub-harness'), 'every sub-harness');
  const without = page.locator('section').filter({ has: page.getByRole('heading', { name: 'Not on the plan' }) });
  const homeless = async () =>
    Number((await without.getByRole('heading').locator('..').textContent())!.match(/\d+/)![0]);
  const before = await homeless();
  await choose(without.getByRole('combobox').first(), 0);
  await expect.poll(homeless).toBeLessThan(before);
  const runs = page.getByRole('list', { name: 'Runs', exact: true });
  const first = runs.getByRole('button').first();
  const wires = Number((await first.textContent())!.match(/(\d+) wires?/)![1]);
  await first.focus();
  await first.press('Enter');
  await expect(first).toHaveAttribute('aria-pressed', 'true');
  await expect(runs.getByRole('listitem').first().getByRole('listitem')).toHaveCount(wires);
  await saved(page);
});

test('traction terminals: what lands where', async ({ page }) => {
  await openSample(page);
  await go(page, 'Harness');
  await page.getByRole('tab', { name: 'Connectors' }).click();
  await fold(page, /^Inverter.*terminals/).click();
  await expect(page.locator('[data-terminal]')).toHaveCount(2);
  await expect(page.locator('[data-terminal]').filter({ hasText: 'to Bus plus' })).toHaveCount(1);
  await expect(page.locator('[data-terminal]').filter({ hasText: 'to Bus minus' })).toHaveCount(1);
});

test('of five hundred wires only what is in sight is in the page; the last one is reached, and ticked', async ({
  page,
}) => {
  const build = JSON.parse(await readFile('samples/firn-9.ropeway.json', 'utf8'));
  const [model] = Object.values<object>(build.harness.wires);
  for (let k = 0; k < 300; k++) build.harness.wires[`more-${k}`] = { ...model, id: `more-${k}`, name: `Signal ${k}` };
  build.name = 'Many wires';
  await page.goto('/');
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles({ name: 'many.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(build)) });
  await expect(page.getByRole('group', { name: 'Traction circuit' })).toBeVisible();
  await go(page, 'Harness');
  await expect(ends(page)).toBeVisible();
  const shown = page.locator('[data-wire]');
  await expect(shown.first()).toBeVisible();
  expect(await shown.count()).toBeLessThan(120);
  const total = Number(
    await page.getByRole('list', { name: 'Wires' }).getByRole('listitem').first().getAttribute('aria-setsize'),
  );
  expect(total).toBeGreaterThan(400);
  const last = page.locator('[data-wire="more-299"]');
  await expect(async () => {
    await page.locator('main').evaluate((main) => main.scrollTo(0, main.scrollHeight));
    await expect(last).toBeVisible({ timeout: 1000 });
  }).toPass();
  const before = Number(await ends(page).getAttribute('data-open-ends'));
  for (const name of [/now cut/, /now crimped/, /now routed/, /now landed/])
    await last.locator('[data-end="more-299 a"]').getByRole('button', { name }).click();
  await expect(ends(page)).toHaveAttribute('data-open-ends', String(before - 1));
});

test('ends print with a box for each step; what is done has its cross', async ({ page }) => {
  await openSample(page);
  await go(page, 'Harness');
  await choose(page.getByLabel('Which ends'), 'all wires');
  await page.getByLabel('Find a wire').fill('Heater blower');
  await page.evaluate(() => {
    window.print = () => {
      (window as unknown as { printed: string }).printed = document.querySelector('[data-print]')?.textContent ?? '';
    };
  });
  await page.getByRole('button', { name: 'Print with boxes' }).click();
  await expect
    .poll(() => page.evaluate(() => (window as unknown as { printed?: string }).printed ?? ''))
    .toContain('Live ends are covered');
  const printed = await page.evaluate(() => (window as unknown as { printed: string }).printed);
  expect(printed).toContain('Firn 9');
  expect(printed).toContain('Heater blower');
  expect(printed).toContain('×');
  await expect(page.locator('[data-print]')).toHaveCount(0);
});
