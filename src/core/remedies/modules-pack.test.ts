import { describe, expect, test } from 'vitest';
import { assess } from '../assess';
import { applyEdit } from '../build';
import { firn9, larkspur } from '../build/samples';
import { matchModules } from '../simulate';
import { modulesPack } from './index';

/** Forty pairs: 50 and 54 Ah, but one pair of 45 and 49; 3.33 V each, 2 and 3 mΩ. */
const modules = Array.from({ length: 80 }, (_, k) => ({
  id: `m${k}`,
  voltageV: 3.33,
  capacityAh: (k % 2 === 0 ? 50 : 54) - (k < 2 ? 5 : 0),
  resistanceOhm: k % 2 === 0 ? 0.002 : 0.003,
}));

describe('matched modules become the pack', () => {
  const match = matchModules(modules, 40, 2)!;
  const pack = modulesPack(larkspur(), modules, match, 'p')!;
  const { build } = applyEdit(larkspur(), pack.edit);

  test('the weakest group sets the capacity, the sum of the groups the resistance', () => {
    const { pack: figures } = assess(build).results;
    expect(pack.cellsInSeries).toBe(40);
    expect(figures!.strings[0]!.cellsInSeries).toBe(40);
    // E = n · U_nominal · C, the cell’s 3.2 V being that of iron phosphate.
    expect(figures!.grossEnergyJ / 3600).toBeCloseTo(40 * 3.2 * match.weakestAh, 6);
    const parallel = match.groups.map(({ ids }) => {
      const ohms = ids.map((id) => modules.find((one) => one.id === id)!.resistanceOhm);
      return 1 / ohms.reduce((sum, ohm) => sum + 1 / ohm, 0);
    });
    expect(pack.resistanceOhm).toBeCloseTo(
      parallel.reduce((sum, ohm) => sum + ohm, 0),
      12,
    );
  });

  test('what was not measured is not passed off as measured', () => {
    const part = Object.values(build.parts).find(({ name }) => name.startsWith('Matched'))!;
    expect(part.origins).toMatchObject({ capacityAh: 'measured', fullV: 'generic', massKg: 'guess' });
    const assumed = assess(build).checks.flatMap((check) => check.assumed);
    expect(assumed.some((words) => words.includes('mass guessed'))).toBe(true);
  });

  test('less capacity moves sag and range: the checks of the pack are others', () => {
    const margin = (of: typeof build) =>
      assess(of).checks.find(({ id }) => id === 'pack.delivers' || id === 'pack.sag')?.margin;
    expect(margin(build)).not.toBe(margin(larkspur()));
  });

  test('modules that rest where no cell of this chemistry rests do not become the pack', () => {
    // 7.5 V are two cells of 3.75 V: iron phosphate is full at 3.65 V.
    const other = modules.map((one) => ({ ...one, voltageV: 7.5 }));
    expect(modulesPack(larkspur(), other, matchModules(other, 40, 2)!, 'r')).toBeNull();
  });

  test('whole modules go to each box, all of them; undone by one step', () => {
    const two = matchModules(
      modules.map((one) => ({ ...one, voltageV: 7.4 })),
      45,
      1,
    )!;
    const firn = modulesPack(
      firn9(),
      modules.map((one) => ({ ...one, voltageV: 7.4 })),
      two,
      'q',
    )!;
    const made = applyEdit(firn9(), firn.edit).build.circuits.hv.devices;
    const counts = ['box-rear', 'box-front'].map((id) => made[id]!.cellsInSeries!);
    expect(counts.every((count) => count % 2 === 0)).toBe(true);
    expect(counts[0]! + counts[1]!).toBe(90);
  });
});
