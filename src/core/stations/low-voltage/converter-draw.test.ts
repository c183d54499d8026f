import { expect, test } from 'vitest';
import { assess } from '../../assess';
import { applyEdit, type Build } from '../../build';
import { firn9, teasel } from '../../build/samples';
import { say } from '../../checks';
import { findRemedies } from '../../remedies';

const of = (build: Build) => assess(build).checks.find(({ id }) => id === 'lv.converter-draw')!;
const entered = (build: Build, deviceId: string, powerW: number): Build =>
  applyEdit(build, { edit: 'setDevicePower', input: { deviceId, state: 'cruise', powerW } }).build;

test('the hardest night’s average through the converter’s efficiency: V · I / η by the schedule’s own sum', () => {
  const build = firn9();
  const { scenarios, atV } = assess(build).results['low-voltage'].schedule;
  const night = scenarios.find(({ id }) => id === 'night-rain-cold')!;
  // 14.2 V; 0.92 by its part in the sample.
  expect(atV).toBe(14.2);
  expect(of(build).demand!.value).toBeCloseTo((14.2 * night.averageA) / 0.92, 9);
});

test('half the efficiency draws twice as much', () => {
  const build = teasel();
  const { converter } = build.circuits.hv.devices.converter!;
  const poor = applyEdit(build, {
    edit: 'setConverter',
    input: { deviceId: 'converter', converter: { ...converter!, efficiency: converter!.efficiency / 2 } },
  }).build;
  expect(of(poor).demand!.value).toBeCloseTo(2 * of(build).demand!.value, 9);
});

test('up to what is entered it holds, a quarter above is thin, beyond it fails; a press enters what it draws', () => {
  const build = firn9();
  const drawnW = of(build).demand!.value;
  expect(of(entered(build, 'charger', drawnW * 1.001)).verdict).toBe('holds');
  expect(of(entered(build, 'charger', drawnW / 1.01)).verdict).toBe('thin');
  expect(of(entered(build, 'charger', drawnW / 1.24)).verdict).toBe('thin');
  const less = entered(build, 'charger', drawnW / 1.26);
  expect(of(less).verdict).toBe('fails');
  const [remedy] = findRemedies(less, of(less));
  expect(of(applyEdit(less, remedy!.edit).build).verdict).toBe('holds');
  expect(say(of(less)).title).toContain('less than its loads draw');
});

test('power that is not entered is asked for at the device, and nothing is judged by it here', () => {
  const build = entered(firn9(), 'charger', 0);
  expect(of(build)).toBeUndefined();
  expect(
    assess(build).checks.find(({ id, subject }) => id === 'device.power' && subject.id === 'charger')?.verdict,
  ).toBe('needs-data');
});
