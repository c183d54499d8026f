import { expect, test } from 'vitest';
import { partAtVoltage } from './at-voltage';
import { CATALOGUE, cataloguePart } from './catalogue';

const pack = { fullV: 168, sagV: 110, currentA: 200 };
const margins = (part: Parameters<typeof partAtVoltage>[0], more = {}) =>
  partAtVoltage(part, { ...pack, ...more }).map(({ what, margin }) => [what, margin]);

test('nominal is not full: a fuse of 150 V on a pack that charges to 168 V', () => {
  const fuse = {
    ...cataloguePart('fuse-blade-58-10', 'fuse'),
    ratedVoltageDcV: 150,
    ratedCurrentA: 250,
    continuousFactor: 0.8,
  };
  // (150 − 168 · 1.05)/150 and (250 · 0.8 − 200)/200.
  expect(margins(fuse)).toEqual([
    ['Rated voltage', expect.closeTo(-0.176, 9)],
    ['Current for good', 0],
  ]);
  expect(margins({ ...fuse, ratedVoltageDcV: null, ratedVoltageAcV: 690 })[0]).toEqual(['Rated voltage', -1]);
});

test('an inverter has to survive braking on a full pack, and to work on an empty cold one', () => {
  const inverter = {
    ...cataloguePart('inverter-144-400', 'inverter'),
    window: { workingMinV: 120, workingMaxV: 180, absoluteMaxV: 175 },
  };
  expect(margins(inverter)).toEqual([
    ['Charged full', expect.closeTo(12 / 180, 9)],
    ['Full, with what braking adds', expect.closeTo((175 - 176.4) / 175, 9)],
    ['Empty, cold, under load', expect.closeTo(-10 / 110, 9)],
    ['Current for good', 0.5],
  ]);
  // What is not told is not judged.
  expect(margins(inverter, { sagV: null, currentA: null })).toHaveLength(2);
});

test('every part of the catalogue is said something of, and has no figure that is none', () => {
  for (const part of CATALOGUE)
    for (const { demand, limit, margin } of partAtVoltage(part, pack)) {
      expect(Number.isFinite(demand.value) && Number.isFinite(limit.value)).toBe(true);
      expect(margin === null || Number.isFinite(margin)).toBe(true);
    }
});
