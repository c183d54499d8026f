import { expect, test } from 'vitest';
import { carryCurrent } from './contactor';
import { continuousCurrent, FUSE_FAMILIES, fuseResistance, isFullRange, usableDcVoltage } from './fuse';

test('a 300 A traction fuse at 60 °C carries 300·0.8·√(70/105) = 195.96 A, and nothing at its limit', () => {
  const fuse = { ratedCurrentA: 300, ...FUSE_FAMILIES.traction };
  expect(continuousCurrent(fuse, 60)).toBeCloseTo(195.959, 3);
  expect(continuousCurrent(fuse, 130)).toBe(0);
  expect(fuseResistance(fuse)).toBeCloseTo(0.11 / 300, 12);
});

test('a longer time constant than proved lowers the voltage that it breaks: 500·(5/20)^0.3 = 329.9 V', () => {
  expect(usableDcVoltage({ ratedVoltageDcV: 500, ratedTimeConstantS: 0.005 }, 0.02)).toBeCloseTo(329.88, 2);
  expect(usableDcVoltage({ ratedVoltageDcV: 500, ratedTimeConstantS: 0.005 }, 0.001)).toBe(500);
});

test('only very fast partial-range elements are no overload protection', () => {
  const partial = Object.entries(FUSE_FAMILIES)
    .filter(([, family]) => !isFullRange(family.minimumBreakingMultiple))
    .map(([name]) => name);
  expect(partial).toEqual(['ar']);
});

test('every family melts sooner at more current and at no less than its non-fusing current', () => {
  for (const family of Object.values(FUSE_FAMILIES)) {
    expect([...family.multiples]).toEqual([...family.multiples].sort((p, q) => q - p));
    expect(family.multiples[6]).toBeGreaterThan(family.nonFusingMultiple);
  }
});

test('half the cable on a contactor stud means less current; heat means less again', () => {
  const table = [
    { areaMm2: 50, currentA: 200 },
    { areaMm2: 100, currentA: 300 },
  ];
  expect(carryCurrent(table, 25, 40)).toBe(100);
  expect(carryCurrent(table, 75, 40)).toBe(250);
  expect(carryCurrent(table, 150, 20)).toBe(300);
  expect(carryCurrent(table, 50, 85)).toBeCloseTo(200 * Math.sqrt(40 / 85), 9);
  expect(carryCurrent(table, 50, 130)).toBe(0);
});
