import { expect, test } from 'vitest';
import { applyEdit, type Edit } from '../build';
import { firn9, larkspur } from '../build/samples';
import { Memory, vehicleOf } from './index';

const firn = firn9();

test('an edit of one conductor leaves the others, all devices and what was solved without it as they were', () => {
  const memory = new Memory();
  const before = vehicleOf(firn, memory);
  const { build } = applyEdit(firn, { edit: 'setConductor', input: { conductorId: 'c-mid', lengthM: 1.9 } });
  const after = vehicleOf(build, memory);
  expect(after.devices).toBe(before.devices);
  expect(after.deviceOf).toBe(before.deviceOf);
  const moved = after.conductors.filter((one, k) => one !== before.conductors[k]).map(({ id }) => id);
  expect(moved).toEqual(['c-mid']);
  expect(after.conductorOf.get('c-mid')!.lengthM).toBe(1.9);
  expect(after.cases).not.toBe(before.cases);
});

test('a reading that is adopted counts at once, and no more once it is taken back', () => {
  const memory = new Memory();
  const ohm = (build: typeof firn) => {
    const part = vehicleOf(build, memory).deviceOf.get('k-plus')!.part;
    return part?.kind === 'contactor' ? part.contactResistanceOhm : null;
  };
  const designed = ohm(firn);
  const reading = { id: 'r1', subjectId: 'k-plus', field: 'contactResistanceOhm', value: 0.0007, date: '2026-01-10' };
  const taken = applyEdit(firn, {
    edit: 'adoptMeasured',
    input: { readings: [{ ...reading, by: 'A', conditions: 'cold', instrument: 'four-wire meter' }] },
  } as unknown as Edit).build;
  expect(ohm(taken)).toBe(0.0007);
  expect(ohm(firn)).toBe(designed);
  expect(designed).not.toBe(0.0007);
});

test('the same solved anew from a copy has the same cases, and another topology never takes a case over', () => {
  const memory = new Memory();
  const before = vehicleOf(larkspur(), memory);
  const copy = vehicleOf(structuredClone(larkspur()), memory);
  expect(copy).not.toBe(before);
  expect(copy.cases).toBe(before.cases);
  const [fuse] = before.devices.filter(({ device }) => device.kind === 'fuse');
  const { build } = applyEdit(larkspur(), { edit: 'removeDevice', input: { deviceId: fuse!.id } });
  const without = vehicleOf(build, memory);
  expect(without.cases.filter((one) => before.cases.includes(one))).toEqual([]);
});
