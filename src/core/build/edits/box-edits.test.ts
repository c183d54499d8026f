import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { assess } from '../../assess';
import { figuresOf } from '../../testing/figures-of';
import { firn9 } from '../samples';
import type { Build } from '../types';
import { applyEdit, patchBuild } from './apply';
import type { Edit } from './edits';

const split = (deviceId: string, cellsInSeries: number, lengthM = 2): Edit => ({
  edit: 'splitBox',
  input: { deviceId, id: 'third', wireId: 'between', name: 'Sill box', cellsInSeries, lengthM },
});
const cellsOf = (build: Build): number =>
  Object.values(build.circuits.hv.devices).reduce((sum, { cellsInSeries = 0 }) => sum + cellsInSeries, 0);

describe('boxes of a string', () => {
  test('sharing a box over two keeps the cells, the full voltage and the ends of the string', () => {
    fc.assert(
      fc.property(fc.constantFrom('box-rear', 'box-front'), fc.integer({ min: 1, max: 35 }), (id, cells) => {
        const before = firn9();
        const { build } = applyEdit(before, split(id, cells));
        expect(cellsOf(build)).toBe(cellsOf(before));
        expect(assess(build).results.pack!.fullV).toBeCloseTo(assess(before).results.pack!.fullV, 9);
        expect(assess(build).vehicle.caseOf('cruise/nominal/sustained')!.point.solvable).toBe(true);
      }),
      { numRuns: 8 },
    );
  });

  test('the wire between them adds its own resistance, no less and no more: by the cell’s figures', () => {
    const before = firn9();
    const { build } = applyEdit(before, split('box-rear', 20));
    const current = (one: Build) =>
      Math.abs(
        figuresOf(assess(one).vehicle.caseOf('cruise/nominal/sustained')!.point).elementCurrentsA.get('box-rear')!,
      );
    // The same power over a little more resistance: a little more current.
    expect(current(build)).toBeGreaterThan(current(before));
    expect(current(build) / current(before)).toBeLessThan(1.002);
  });

  test('a box that is taken out leaves one wire, its cells gone, and undo brings all of it back', () => {
    const three = applyEdit(firn9(), split('box-rear', 20)).build;
    const { build, inverse } = applyEdit(three, { edit: 'takeOutBox', input: { deviceId: 'third' } });
    expect(cellsOf(build)).toBe(90 - 20);
    expect(build.circuits.hv.devices.third).toBeUndefined();
    expect(assess(build).vehicle.caseOf('cruise/nominal/sustained')!.point.solvable).toBe(true);
    expect(patchBuild(build, inverse)).toEqual(three);
  });

  test('what can’t be shared or taken is refused in words', () => {
    const refuse = (edit: Edit, words: string) => expect(() => applyEdit(firn9(), edit)).toThrow(words);
    refuse(split('box-rear', 54), 'from 1 to 53');
    refuse(split('box-rear', 10, 0), 'has a length');
    refuse(split('inverter', 10), 'Only a box');
    refuse({ edit: 'splitBox', input: { ...split('box-rear', 10).input, id: 'inverter' } as never }, 'used already');
    const single = applyEdit(firn9(), { edit: 'takeOutBox', input: { deviceId: 'box-front' } }).build;
    expect(() => applyEdit(single, { edit: 'takeOutBox', input: { deviceId: 'box-rear' } })).toThrow('the only one');
  });
});
