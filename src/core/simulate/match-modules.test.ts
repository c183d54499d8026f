import fc from 'fast-check';
import { expect, test } from 'vitest';
import { matchModules } from './match-modules';
import { tripOfSegments } from './segments';

const module = (id: string, capacityAh: number) => ({ id, voltageV: 7.5, capacityAh, resistanceOhm: 0.002 });

/** Every way of sharing out, for few modules: the best weakest group by trying them all. */
function best(capacities: readonly number[], series: number, perGroup: number): number {
  let most = 0;
  const held = Array.from({ length: series }, () => 0);
  const count = Array.from({ length: series }, () => 0);
  const go = (k: number) => {
    if (k === capacities.length) {
      most = Math.max(most, Math.min(...held));
      return;
    }
    for (let g = 0; g < series; g++) {
      if (count[g]! >= perGroup) continue;
      held[g]! += capacities[k]!;
      count[g]! += 1;
      go(k + 1);
      held[g]! -= capacities[k]!;
      count[g]! -= 1;
    }
  };
  go(0);
  return most;
}

test('strong and weak ones are paired: 50+30 and 45+35 instead of 50+45 and 35+30', () => {
  const match = matchModules([module('a', 50), module('b', 45), module('c', 35), module('d', 30)], 2, 2)!;
  expect(match.weakestAh).toBe(80);
  expect(match.listedWeakestAh).toBe(65);
  expect(match.boundAh).toBe(80);
});

test('within two per cent of the best of all ways for eight modules, and never worse than the list’s order', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 30, max: 60, noNaN: true }), { minLength: 8, maxLength: 8 }),
      (capacities) => {
        const modules = capacities.map((ah, k) => module(`m${k}`, ah));
        const match = matchModules(modules, 4, 2)!;
        expect(match.weakestAh).toBeGreaterThanOrEqual(0.98 * best(capacities, 4, 2));
        expect(match.weakestAh).toBeGreaterThanOrEqual(match.listedWeakestAh - 1e-9);
        expect(match.weakestAh).toBeLessThanOrEqual(match.boundAh + 1e-9);
        expect(match.groups.flatMap(({ ids }) => ids).sort()).toEqual(modules.map(({ id }) => id).sort());
      },
    ),
    { numRuns: 40 },
  );
});

test('the weakest modules are left as spare, and too few give no match', () => {
  const modules = [50, 20, 48, 47, 49].map((ah, k) => module(`m${k}`, ah));
  expect(matchModules(modules, 2, 2)!.spare).toEqual(['m1']);
  expect(matchModules(modules, 3, 2)).toBeNull();
});

test('segments follow one another from rest, one point a second, and repeat', () => {
  const trip = tripOfSegments(
    [
      { toMPerS: 10, durationS: 5, grade: 0.02 },
      { toMPerS: 0, durationS: 2, grade: -0.02 },
    ],
    2,
  )!;
  expect(trip.speedsMPerS).toEqual([0, 2, 4, 6, 8, 10, 5, 0, 2, 4, 6, 8, 10, 5, 0]);
  expect(trip.grades[3]).toBe(0.02);
  expect(trip.grades[6]).toBe(-0.02);
  expect(tripOfSegments([{ toMPerS: 1, durationS: 20000, grade: 0 }], 2)).toBeNull();
});
