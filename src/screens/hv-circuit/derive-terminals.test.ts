import { expect, test } from 'vitest';
import { assess } from '@/core/assess';
import { firn9, larkspur } from '@/core/build/samples';
import { everyContactor } from '@/core/simulate';
import { reEnd } from '@/core/testing/corpus/change';
import { liveTerminals } from './derive-terminals';

const SAFE_V = 60;
const FULL_V = 90 * 4.2;

test('with every contactor open no consumer of Firn 9 is fed; its link falls by R·C·ln(378/60)', () => {
  const { vehicle } = assess(firn9());
  const rows = liveTerminals(vehicle, everyContactor(vehicle), false, FULL_V, SAFE_V);
  expect(rows.map(({ fedV }) => fedV)).toEqual(rows.map(() => null));
  const parts = vehicle.devices.flatMap(({ part }) =>
    part?.kind === 'inverter' || part?.kind === 'bus-device' ? [part] : [],
  );
  const farads = parts.reduce((sum, { linkCapacitanceF }) => sum + linkCapacitanceF, 0);
  const siemens = parts.reduce((sum, one) => sum + (one.bleedResistanceOhm ? 1 / one.bleedResistanceOhm : 0), 0);
  const inverter = rows.find(({ deviceId }) => deviceId === 'inverter')!;
  expect(inverter.safeAfterS).toBeCloseTo((farads / siemens) * Math.log(FULL_V / SAFE_V), 6);
});

test('a heater on the pack side of the contactors keeps the pack’s 378 V, and the way is told', () => {
  const change = [reEnd('c-heat-tap', 'a', 'k-plus.a'), reEnd('c-heat-minus', 'b', 'k-minus.a')];
  const { vehicle, checks } = assess(change.reduce((build, step) => step(build), firn9()));
  const rows = liveTerminals(vehicle, everyContactor(vehicle), false, FULL_V, SAFE_V);
  const heater = rows.find(({ deviceId }) => deviceId === 'heater')!;
  expect(heater.fedV).toBeCloseTo(FULL_V, 6);
  expect(heater.path).toContain('f-heater');
  expect(rows.filter(({ fedV }) => fedV !== null)).toHaveLength(1);
  expect(checks.find(({ id }) => id === 'live.parked')?.verdict).toBe('fails');
});

test('with K+ alone open the minus poles of Firn 9 stay joined to the pack, and no consumer is fed', () => {
  const { vehicle } = assess(firn9());
  const rows = liveTerminals(vehicle, new Set(['k-plus', 'k-pre']), false, FULL_V, SAFE_V);
  expect(rows).toHaveLength(3);
  for (const { fedV, joined } of rows) {
    expect(fedV).toBeNull();
    expect(joined).toEqual(['minus']);
  }
  const open = liveTerminals(vehicle, everyContactor(vehicle), false, FULL_V, SAFE_V);
  expect(open.flatMap(({ joined }) => joined)).toEqual([]);
});

test('with the disconnect alone out both poles stay joined, to two halves of the pack', () => {
  const { vehicle } = assess(firn9());
  const rows = liveTerminals(vehicle, new Set(['s-mid']), false, FULL_V, SAFE_V);
  for (const { fedV, joined } of rows) {
    expect(fedV).toBeNull();
    expect([...joined].sort()).toEqual(['minus', 'plus']);
  }
});

test('a heater without a capacitor stands on the charge of the inverter beside it', () => {
  const {
    vehicle,
    results: { pack },
  } = assess(larkspur());
  const rows = liveTerminals(vehicle, everyContactor(vehicle), false, pack!.fullV, SAFE_V);
  const after = (id: string) => rows.find(({ deviceId }) => deviceId === id)!.safeAfterS;
  expect(vehicle.deviceOf.get('heater')!.part).toMatchObject({ linkCapacitanceF: 0 });
  expect(after('inverter')).toBeGreaterThan(0);
  expect(after('heater')).toBe(after('inverter'));
});
