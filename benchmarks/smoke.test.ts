import { expect, test } from 'vitest';
import { assess } from '../src/core/assess';
import { applyEdit } from '../src/core/build';
import { firn9 } from '../src/core/build/samples';
import { readBuild } from '../src/core/build/schema';
import { editAt, largeBuild, prechargeSpice } from './cases';

test('the benchmarks still measure what they name', () => {
  for (let step = 0; step < 6; step++) expect(assess(applyEdit(firn9(), editAt(step)).build).outcome).toBe('fails');
  const large = largeBuild();
  expect(Object.keys(large.circuits.hv.conductors).length).toBeGreaterThanOrEqual(300);
  expect(readBuild(JSON.parse(JSON.stringify(large)))).toMatchObject({ ok: true });
  const { vehicle, checks } = assess(large);
  expect(vehicle.cases.every((solved) => solved.point.solvable)).toBe(true);
  expect(checks.length).toBeGreaterThan(800);
  expect(prechargeSpice()).toContain('.tran');
});
