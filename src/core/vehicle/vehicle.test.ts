import { expect, test } from 'vitest';
import { applyEdit } from '../build';
import { firn9 } from '../build/samples';
import { figuresOf } from '../testing/figures-of';
import { conductorTemperature, protectingFuses, resolve, vehicleOf, wayOf } from './index';

const resolved = resolve(firn9());

test('a route’s length is the way between its points plus slack, a measured one wins, an own one wins over both', () => {
  const way = resolved.conductorOf.get('c-mid')!;
  // Three straight pieces between (2.45 .35 .5), (2 .42 .42), (1.35 .42 .42), (1.25 .3 .5), and 0.222 m slack.
  const expected = Math.hypot(0.45, 0.07, 0.08) + 0.65 + Math.hypot(0.1, 0.12, 0.08) + 0.222;
  expect(way.lengthM).toBeCloseTo(expected, 12);
  const firn = firn9();
  const measured = {
    ...firn,
    routes: { ...firn.routes, 'way-mid': { ...firn.routes['way-mid']!, measuredLengthM: 1.7 } },
  };
  expect(resolve(measured).conductorOf.get('c-mid')).toMatchObject({ lengthM: 1.7, lengthFrom: 'measured' });
  const own = applyEdit(measured, { edit: 'setConductor', input: { conductorId: 'c-mid', lengthM: 1.9 } }).build;
  expect(resolve(own).conductorOf.get('c-mid')).toMatchObject({ lengthM: 1.9, lengthFrom: 'own' });
});

test('the mid-string fuse protects everything, a branch fuse its branch, a resistor its own leads', () => {
  const { of, unfed } = protectingFuses(resolved, 'fuse');
  expect(of.get('c-plus')).toEqual(['f-mid']);
  expect([...of.get('c-heat-minus')!].sort()).toEqual(['f-heater', 'f-mid']);
  expect(unfed.size).toBe(0);
  expect(protectingFuses(resolved, 'precharge-resistor').of.get('c-pre-mid')).toEqual(['r-pre']);
  expect(protectingFuses(resolved, 'precharge-resistor').of.get('c-plus')).toEqual([]);
});

test('a branch that is cut off at one pole is fed by nothing', () => {
  const cut = applyEdit(firn9(), { edit: 'removeDevice', input: { deviceId: 'f-heater' } }).build;
  expect(protectingFuses(resolve(cut), 'fuse').unfed).toEqual(new Set(['c-heat-minus']));
});

test('the way of the heater runs out through its fuse and the pack and back, not through the precharge branch', () => {
  const way = wayOf(resolved, resolved.deviceOf.get('heater')!)!;
  expect(way.boxIds).toEqual(['box-rear', 'box-front']);
  expect(way.seriesIds).toContain('f-heater');
  expect(way.seriesIds).toContain('k-plus');
  expect(way.seriesIds).not.toContain('r-pre');
});

test('sustained cases agree with themselves: each conductor’s temperature is that of its own current', () => {
  const vehicle = vehicleOf(firn9());
  const solved = vehicle.caseOf('cruise/cold-old-empty/sustained')!;
  for (const conductor of vehicle.conductors) {
    const settled = conductorTemperature(conductor, figuresOf(solved.point).elementCurrentsA.get(conductor.id)!)!;
    expect(Math.abs(settled - solved.temperaturesC.get(conductor.id)!)).toBeLessThan(0.1);
  }
});

test('parked, nothing flows and the bus is parted from the pack', () => {
  const { point } = vehicleOf(firn9()).caseOf('parked/nominal/sustained')!;
  for (const current of figuresOf(point).elementCurrentsA.values()) expect(Math.abs(current)).toBe(0);
  expect(point.referenceOf.get('inverter.plus')).not.toBe(point.referenceOf.get('box-rear.plus'));
});
