import fc from 'fast-check';
import { expect, test } from 'vitest';
import { assess } from './assess';
import { beyondLimits } from './build/limits/limits';
import { SAMPLES } from './build/samples';
import { checkKey, STUMBLED } from './checks';
import { leavesOf, valueAt, withValue } from './testing/places';

const BUILDS = SAMPLES.map((sample) => sample.make(sample.key));
const WAYS = BUILDS.map((build) => leavesOf(build).filter((way) => typeof valueAt(build, way) === 'number'));
const values = fc.constantFrom(
  0,
  1e-12,
  1e-9,
  1e-6,
  1e-3,
  0.05,
  0.5,
  1,
  3,
  20,
  150,
  1e3,
  1e5,
  1e7,
  1e9,
  1e12,
  -1,
  -60,
  -1e5,
);

/** Whatever a file may hold is judged: no throw, no rule that stumbles, no figure that is no number. */
function judged(k: number, at: number, value: number): void {
  const build = BUILDS[k]!;
  const way = WAYS[k]![at % WAYS[k]!.length]!;
  const changed = withValue(build, way, value);
  if (beyondLimits(changed, build).length > 0) return;
  const { checks } = assess(changed);
  const told = `${build.name} ${way.join('.')} = ${value}`;
  for (const check of checks) {
    const figures = [check.demand?.value, check.limit?.value].filter((figure) => figure !== undefined);
    expect(figures.every(Number.isFinite), `${told}: ${checkKey(check)} shows ${figures}`).toBe(true);
    expect(Number.isNaN(check.margin ?? 0), `${told}: ${checkKey(check)}`).toBe(false);
    const stumbled = check.missing?.find(({ what }) => what.startsWith(STUMBLED));
    expect(stumbled?.what, `${told}: ${checkKey(check)}`).toBeUndefined();
  }
}

// A longer run: ROPEWAY_FUZZ=20000 npx vitest run src/core/assess.fuzz.test.ts
test('builds with one figure bent as far as a file may bend it', () => {
  fc.assert(fc.property(fc.nat(BUILDS.length - 1), fc.nat(), values, judged), {
    seed: Number(process.env.ROPEWAY_SEED ?? 29),
    numRuns: Number(process.env.ROPEWAY_FUZZ ?? 250),
  });
});
