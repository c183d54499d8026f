import { expect, type Page, test } from '@playwright/test';
import { check, choose, go, openSample, saved, seek, set } from './stories';

const tab = (page: Page, name: string) => page.getByRole('tab', { name, exact: true }).click();
const answer = (page: Page, label: string, is: 'yes' | 'no') => choose(page.getByLabel(label, { exact: true }), is);
/** The search goes on beside the screen; its end is told there. */
const searched = (page: Page) => expect(page.getByText(/properties proved/)).toBeVisible();
const mode = (page: Page) => page.locator('[data-mode]');
const gauge = (page: Page, name: string) => page.locator(`[data-gauge="${name}"]`);
/** Time that stands goes on by whole seconds: a story that rests on no clock. */
const seconds = async (page: Page, count: number) => {
  for (let k = 0; k < count; k++) await page.getByRole('button', { name: 'One second on' }).click();
};
const press = (page: Page, name: string) => page.getByRole('button', { name, exact: true }).click();

test('an open plug wire lets it drive on the cable: found, told, played, cured by one press, proved', async ({
  page,
}) => {
  await openSample(page);
  await go(page, 'Interlocks');
  await searched(page);
  await expect(check(page, 'interlocks.plugged:sequence')).toBeHidden();
  await answer(page, 'A broken plug wire counts as plugged in', 'no');
  await answer(page, 'A pilot signal blocks torque too', 'no');
  await answer(page, 'The hardware block has its own contact at the inlet', 'no');
  const finding = check(page, 'interlocks.plugged:sequence');
  await expect(finding).toContainText('It can drive while it is plugged in');
  await expect(finding).toContainText('the wire that sees the plug breaks');
  const story = page.locator('[data-story="plugged"]');
  await expect(story).toContainText('charge plug in');

  await story.getByRole('button', { name: /^Play:/ }).click();
  await expect(page.getByRole('heading', { name: /^The story/ })).toBeVisible();
  // It ends with the plug in and the motor pushing or braking.
  await expect(page.getByRole('button', { name: 'Charge plug', exact: true })).toHaveAttribute('data-state', 'on');
  await expect(gauge(page, 'Torque')).not.toHaveText('none');

  await finding.getByRole('button').first().click();
  const remedies = page.getByRole('list', { name: 'Remedies' });
  await expect(remedies.getByRole('button').first()).toBeVisible();
  await remedies.getByRole('button').first().click();
  await tab(page, 'Guards');
  await seek(page, 'plugged in');
  await expect(finding).toContainText('It can’t drive while it is plugged in');
  await expect(finding).toContainText(/proved over \d{3},\d{3} states/);
  await saved(page);
});

test('regeneration through standstill, a stop that is unplugged, and a property of one’s own', async ({ page }) => {
  await openSample(page, 'Teasel');
  await go(page, 'Interlocks');
  await searched(page);
  await choose(page.getByLabel('A stop that can be unplugged'), 'the control reads it');
  await expect(check(page, 'interlocks.remote-absent:sequence')).toContainText(
    'Unplugged, the remote stop is gone and it drives on',
  );
  await choose(page.getByLabel('A stop that can be unplugged'), 'its lead lies in the coils’ feed');
  await seek(page, 'remote stop');
  await expect(check(page, 'interlocks.remote-absent:sequence')).toContainText(/proved over/);
  await expect(check(page, 'interlocks.remote-fitted:sequence')).toContainText(/proved over/);
  await seek(page, '');

  await press(page, 'Add a property');
  await set(page, 'Name', 'Torque after the brake');
  await choose(
    page
      .getByRole('button', { name: /^What/ })
      .or(page.getByLabel('What', { exact: true }))
      .first(),
    'torque forward',
  );
  await choose(page.getByLabel('Form', { exact: true }), 'only after');
  await choose(page.getByLabel('What', { exact: true }), 'brake pressed');
  await press(page, 'Search it');
  await seek(page, 'Torque after the brake');
  await expect(page.locator('[data-check^="interlocks.own:"]')).toContainText('is never broken');
});

test('braking by the motor that goes on to standstill and through it is found', async ({ page }) => {
  await openSample(page, 'Larkspur');
  await go(page, 'Interlocks');
  await searched(page);
  await answer(page, 'Regeneration ends before standstill', 'no');
  await expect(check(page, 'interlocks.regeneration:sequence')).toContainText(
    'Braking by the motor can drive it the other way',
  );
});

test('precharge by hand has a truth of its own: the main switch before the button', async ({ page }) => {
  await openSample(page, 'Larkspur');
  await go(page, 'Interlocks');
  await searched(page);
  await choose(page.getByLabel('Design choice'), 'relays and hand switches, precharge by hand');
  await answer(page, 'The main contactor holds itself, and closes on a charged link only', 'no');
  const finding = check(page, 'interlocks.precharged:sequence');
  await expect(finding).toContainText('The main contactor can close on an empty link');
  await expect(finding).toContainText('key on → main switch on');

  await tab(page, 'Play');
  await press(page, 'Key');
  await seconds(page, 1);
  await press(page, 'Precharge button');
  await seconds(page, 2);
  // 142 V full, 131.6 V at rest: nearly all of it is there.
  await expect(gauge(page, 'Link')).toHaveText(/^1[23]\d.V$/);
  await press(page, 'Main switch');
  await press(page, 'Precharge button');
  await seconds(page, 1);
  await expect(mode(page)).toHaveText('Ready');
});

test('on the board: a limited supply, precharge that fails found with the meter, a welded contactor caught at key-on', async ({
  page,
}) => {
  await openSample(page);
  await go(page, 'Interlocks');
  await tab(page, 'Test board');
  await choose(page.getByLabel('Or one to look at'), 'Precharge resistor open');
  await press(page, 'Key');
  await seconds(page, 1);
  await expect(mode(page)).toHaveText('Precharge');
  await expect(gauge(page, 'Link')).toHaveText(/^0.V$/);
  // All of the pack stands across a resistor that nothing flows through.
  await choose(page.getByLabel('Red probe'), 'Precharge resistor in');
  await choose(page.getByLabel('Black probe'), 'Precharge resistor out');
  await expect(page.locator('[data-reading]')).toHaveText(/^33\d(\.\d)?.V$/);
  await seconds(page, 2);
  await expect(mode(page)).toHaveText('Fault');
  await choose(page.getByLabel('It is'), 'Precharge resistor open');
  await expect(page.getByText(/^Found after \d+ readings\./)).toBeVisible();
  await press(page, 'Mend it');

  await choose(page.getByLabel('Or one to look at'), 'Main contactor welded');
  await press(page, 'Key');
  await seconds(page, 3);
  await expect(mode(page)).toHaveText('Fault');
  await press(page, 'Give up and mend it');

  await page.getByRole('radio', { name: 'a limited supply' }).click();
  await press(page, 'Key');
  await seconds(page, 3);
  await expect(gauge(page, 'Pack')).toHaveText(/^48.V$/);
  await expect(gauge(page, 'Link')).toHaveText(/^4[678](\.\d)?.V$/);
  await expect(mode(page)).toHaveText('Ready');
  // Ohms on what is live: refused.
  await choose(page.getByLabel('Red probe'), 'Inverter +');
  await choose(page.getByLabel('Black probe'), 'Inverter −');
  await page.getByRole('radio', { name: 'ohms' }).click();
  await expect(page.getByText('On the car this hurts the meter, or the hand.')).toBeVisible();
  // Hands on before it was proved dead.
  await press(page, 'Hands on');
  await expect(page.getByText(/Hands went on before it was proved dead/)).toBeVisible();
});

test('another pedal is held against what the control was taught; the potentiometer moves both tracks', async ({
  page,
}) => {
  await openSample(page);
  await go(page, 'Interlocks');
  await tab(page, 'Test board');
  await press(page, 'Key');
  const panel = page.locator('section', { has: page.getByRole('heading', { name: /^Pedal/ }) });
  // 0.8 V at rest, 4.1 V pressed down: half of the way is 2.45 V.
  const thumb = panel.getByRole('slider');
  await thumb.focus();
  await page.keyboard.press('End');
  await expect(panel).toContainText(/4\.1.V/);
  await page.keyboard.press('Home');
  await expect(panel).toContainText(/0\.8.V|800.mV/);
  await set(page, 'Its track at rest', '1.46');
  await set(page, 'Its track pressed down', '4.1');
  await expect(panel).toContainText('The control takes it for 20 % at rest and 100 % pressed down.');
  await expect(panel).toContainText('at rest it counts as pressed');
});

test('a hidden fault is found by keyboard alone', async ({ page }) => {
  await openSample(page);
  await go(page, 'Interlocks');
  const sheet = page.getByRole('tab', { name: 'Guards', exact: true });
  await sheet.focus();
  // As a person does: the next press once the last one is seen.
  for (const name of ['Sequence', 'Play', 'Test board']) {
    await page.keyboard.press('ArrowRight');
    await expect(page.getByRole('tab', { name, exact: true })).toBeFocused();
  }
  await expect(page.getByRole('tab', { name: 'Test board' })).toHaveAttribute('data-state', 'active');
  const number = page.getByLabel('By number');
  await number.focus();
  await number.fill('12');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Hide a fault' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText(/Something is wrong with the board/)).toBeVisible();
  await page.getByRole('button', { name: 'Key', exact: true }).focus();
  await page.keyboard.press('Space');
  const on = page.getByRole('button', { name: 'One second on' });
  await on.focus();
  for (let k = 0; k < 3; k++) await page.keyboard.press('Enter');
  const hint = page.getByRole('button', { name: 'A hint' });
  await hint.focus();
  await page.keyboard.press('Enter');
  // Every name in turn, until it is the one: arrows and Enter.
  const guess = page.getByLabel('It is');
  for (let k = 0; k < 30; k++) {
    await guess.focus();
    await page.keyboard.press('Enter');
    await expect(page.locator('input:focus')).toBeVisible();
    await page.keyboard.press('Home');
    for (let down = 0; down < k; down++) await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('option').first()).toBeHidden();
    const found = page.getByText(/^Found after/);
    await expect(found.or(page.getByText(`, ${k + 1} wrong guesses`))).toBeVisible();
    if (await found.isVisible()) break;
  }
  await expect(page.getByText(/^Found after \d+ readings\./)).toBeVisible();
});

test('a run is recorded, kept, and comes out the same; a changed control comes out otherwise', async ({ page }) => {
  await openSample(page);
  await go(page, 'Interlocks');
  await tab(page, 'Play');
  await press(page, 'Key');
  await seconds(page, 2);
  await press(page, 'Emergency stop');
  await seconds(page, 1);
  await expect(mode(page)).toHaveText('Fault');
  await press(page, 'Emergency stop');
  await seconds(page, 4);
  await expect(mode(page)).toHaveText('Fault');
  await set(page, 'Keep it as', 'Stop and released');
  await press(page, 'Keep this run');
  await press(page, 'Compare Stop and released');
  await expect(page.getByText('comes out as it was kept')).toBeVisible();
  await tab(page, 'Guards');
  await answer(page, 'A fault stays until the key is turned off', 'no');
  await tab(page, 'Play');
  await press(page, 'Compare Stop and released');
  await expect(page.getByText('comes out otherwise now')).toBeVisible();
});

test('a settings sheet read back with one difference is a finding; the sequence sheet goes onto one page', async ({
  page,
}) => {
  await openSample(page);
  await go(page, 'Interlocks');
  await tab(page, 'Settings');
  const sheet = page.locator('section', { has: page.getByRole('heading', { name: /^Inverter/ }) });
  const row = sheet.locator('[data-setting="motorRpm"]');
  await row.getByRole('button', { name: /^Entered as wanted/ }).click();
  await row.getByLabel('Read back').fill('12000');
  await row.getByLabel('Read back').press('Enter');
  await expect(check(page, 'interlocks.read-back:inverter')).toContainText(
    'Inverter says back something else than was entered',
  );
  await expect(row).toContainText(/not what the design asks|says back something else/);

  await tab(page, 'Sequence');
  await expect(page.getByRole('group', { name: 'Statechart of the sequence' })).toBeVisible();
  await page.evaluate(() => {
    window.print = () => {
      (window as unknown as { printed: string }).printed = document.querySelector('[data-print]')?.textContent ?? '';
    };
  });
  await press(page, 'Print the sequence sheet');
  await expect
    .poll(() => page.evaluate(() => (window as unknown as { printed?: string }).printed ?? ''))
    .toContain('Precharge, by itself');
  const printed = await page.evaluate(() => (window as unknown as { printed: string }).printed);
  expect(printed).toContain('K− main');
  expect(printed).toContain('prove the meter');
});

test('the sequence sheet fills one sheet of A4', async ({ page }) => {
  await openSample(page);
  await go(page, 'Interlocks');
  await tab(page, 'Sequence');
  // The sheet stays for as long as the print is under way.
  await page.evaluate(() => {
    window.print = () => {
      const sheet = document.querySelector('[data-print]')!.cloneNode(true);
      document.body.append(sheet);
    };
  });
  await press(page, 'Print the sequence sheet');
  await expect(page.locator('body > [data-print]')).toBeAttached();
  const pdf = await page.pdf({ preferCSSPageSize: true });
  expect(pdf.toString('latin1').match(/\/Type\s*\/Page[^s]/g)).toHaveLength(1);
});

test('what stands in on the bench keeps the car off the road until the real part is in', async ({ page }) => {
  await openSample(page, 'Larkspur');
  await go(page, 'Plan');
  await tab(page, 'Register');
  await expect(page.locator('[data-gates="0"]')).toBeVisible();
  await go(page, 'Interlocks');
  await tab(page, 'Test board');
  await page.getByRole('radio', { name: 'a limited supply' }).click();
  await press(page, 'Enter it');
  const list = page.getByRole('list', { name: 'Stand-ins' });
  await expect(list).toContainText('Limited supply in the pack’s place for');
  await go(page, 'Plan');
  await tab(page, 'Register');
  await expect(page.locator('[data-gates="1"]')).toBeVisible();
  await go(page, 'Interlocks');
  await tab(page, 'Test board');
  await page.getByRole('button', { name: 'Limited supply in the pack’s place: the real part is in' }).click();
  await expect(list.getByRole('listitem')).toHaveCount(0);
  await saved(page);
});

test('levels beside the steps: a low level is entered, chosen on the dash and recorded; above the full one it fails', async ({
  page,
}) => {
  await openSample(page);
  await go(page, 'Interlocks');
  await set(page, 'Regeneration, low level', '60 %');
  const finding = check(page, 'interlocks.regen-level:sequence');
  await expect(finding).toContainText(/60.% of the peak torque, at most 40.%/);
  await set(page, 'Regeneration, low level', '20 %');
  await expect(finding).toHaveAttribute('data-verdict', 'holds');
  await tab(page, 'Play');
  await page.getByRole('radio', { name: 'low', exact: true }).click();
  await expect(page.getByText(/s regeneration low/)).toBeVisible();
  await tab(page, 'Sequence');
  await saved(page);
});
