import { describe, expect, test } from 'vitest';
import { assess } from '../../assess';
import { applyEdit } from '../../build';
import { firn9, larkspur } from '../../build/samples';
import { vehicleOf } from '../../vehicle';
import { proposedLimits } from './proposed-limits';

const LIMITS = [
  'bms.over-voltage',
  'bms.under-voltage',
  'bms.limits-agree',
  'bms.cold-charge',
  'bms.charge-end',
  'bms.balance-start',
  'bms.curve-bears',
];

describe.each([firn9(), larkspur()])('limits proposed for $name', (build) => {
  test('hold by every rule that judges them, from nothing', () => {
    const settings = proposedLimits(vehicleOf(build))!;
    const set = applyEdit({ ...build, bms: { balanceA: 0.2 } }, { edit: 'setBmsConfig', input: { settings } }).build;
    const judged = assess(set).checks.filter(({ id }) => LIMITS.includes(id));
    expect(new Set(judged.map(({ id }) => id)).size).toBe(LIMITS.length);
    for (const check of judged)
      expect([check.id, check.subject.id, check.verdict]).toEqual([check.id, check.subject.id, 'holds']);
  });
});

test('LFP by hand: full at 3.55 V, none above 3.8 V: it stops at 3.55 + 0.6 · 0.25 = 3.7 V', () => {
  expect(proposedLimits(vehicleOf(larkspur()))!.overV).toBe(3.7);
});

test('without cells there is nothing to propose', () => {
  const build = larkspur();
  const devices = Object.fromEntries(
    Object.entries(build.circuits.hv.devices).filter(([, { kind }]) => kind !== 'box'),
  );
  const hv = { devices, conductors: {} };
  expect(proposedLimits(vehicleOf({ ...build, circuits: { ...build.circuits, hv } }))).toBeNull();
});
