import { describe, expect, test } from 'vitest';
import { assess } from '../assess';
import type { Build } from '../build';
import { readBuild } from '../build/schema';
import { checkKey, say } from '../checks';
import { isRun } from '../simulate';
import { chance, notFinite, numbersIn, valueAt, withAt } from '../testing/mutate';
import { randomBuild } from '../testing/random-builds';
import { isSolved } from '../vehicle';

/** Figures of a build bent out of shape, as far as its file may be read. */
function bent(seed: number): Build | null {
  const random = chance(seed);
  let build: unknown = JSON.parse(JSON.stringify(randomBuild(seed)));
  const paths = numbersIn(build).filter((path) => path[0] !== 'version');
  const changes = 1 + Math.floor(4 * random());
  for (let k = 0; k < changes; k++) {
    const path = paths[Math.floor(random() * paths.length)]!;
    const was = valueAt(build, path) as number;
    const kind = random();
    build = withAt(
      build,
      path,
      kind < 0.15 ? 0 : kind < 0.25 ? 1e-6 : kind < 0.35 ? -was : was * 10 ** (6 * (random() - 0.5)),
    );
  }
  const read = readBuild(build);
  return read.ok ? read.build : null;
}

const REASONED: ReadonlySet<string> = new Set(['needs-data', 'waits', 'pending']);

function judgedOrReasoned(build: Build): void {
  const {
    checks,
    vehicle,
    results: { 'hv-circuit': precharge },
  } = assess(build);
  for (const check of checks) {
    const key = checkKey(check);
    expect([key, ...notFinite({ demand: check.demand, limit: check.limit, figures: check.says.figures })]).toEqual([
      key,
    ]);
    expect(say(check).title).not.toMatch(/NaN|undefined|Infinity|\[object/);
    expect(say(check).line).not.toMatch(/NaN|undefined|\[object/);
    if (REASONED.has(check.verdict)) {
      expect([key, check.margin]).toEqual([key, undefined]);
      if (check.verdict !== 'pending') expect([key, (check.missing ?? []).length > 0]).toEqual([key, true]);
    } else if (check.margin !== undefined) expect([key, Number.isNaN(check.margin)]).toEqual([key, false]);
  }
  for (const { id, point } of vehicle.cases)
    if (point.solvable) expect([id, ...notFinite([...point.nodeVoltagesV.values()])]).toEqual([id]);
    else expect(point).not.toHaveProperty('nodeVoltagesV');
  for (const solved of vehicle.cases.filter(isSolved))
    expect(notFinite([...solved.point.elementCurrentsA.values()])).toEqual([]);
  if (precharge && isRun(precharge)) expect(notFinite({ ...precharge, curve: [] })).toEqual([]);
}

describe('every station, on builds whose figures are bent: a finite figure or a said reason', () => {
  const tens = [...Array.from({ length: 10 }, (_, k) => 1000 + k * 10), 20020, 20460, 21190];
  test.each(tens)(
    'ten builds from seed %i',
    (first) => {
      // Half of what is bent is no build file any more; the first ten that are one are judged.
      const read = Array.from({ length: 60 }, (_, k) => bent(first + k))
        .filter((build) => build !== null)
        .slice(0, 10);
      expect(read.length).toBe(10);
      for (const build of read) judgedOrReasoned(build);
    },
    120000,
  );
});
