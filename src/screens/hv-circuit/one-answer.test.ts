import { describe, expect, test } from 'vitest';
import { type Assessment, assess } from '@/core/assess';
import { applyEdit, type Build } from '@/core/build';
import { firn9, larkspur, teasel } from '@/core/build/samples';
import { checkKey } from '@/core/checks';
import { sizeCables } from '@/core/remedies';
import { shorts } from '@/core/simulate';
import { randomBuild, randomStarter } from '@/core/testing/random-builds';
import { shortAt } from './derive-short';

/** Conductors that a short burns, by what the model finds. */
const burning = ({ vehicle }: Assessment): string[] =>
  [...shorts(vehicle).values()].filter(({ verdict }) => verdict === 'burns').map(({ conductorId }) => conductorId);

/** The ledger speaks of a conductor: the fuse that ends its shorts does not save it, or nothing does, or its breaking is not proved. */
function spokenOf(assessment: Assessment, conductorId: string): boolean {
  const { all } = shorts(assessment.vehicle).get(conductorId)!;
  const bad = new Set(
    assessment.checks
      .filter(({ verdict }) => verdict !== 'holds' && verdict !== 'thin')
      .map((check) => checkKey(check)),
  );
  return (
    bad.has(`fuse.present:${conductorId}`) ||
    all.some(({ openerId }) => openerId !== null && bad.has(`fuse.cable-short:${openerId}`))
  );
}

/** Ledger and "Short it here" against each other on every conductor. */
function oneAnswer(build: Build): void {
  const assessment = assess(build);
  const { vehicle, checks } = assessment;
  const burns = burning(assessment);
  for (const { conductorId, all, verdict } of shorts(vehicle).values()) {
    const drawn = (['highest', 'lowest'] as const).flatMap(
      (corner) => shortAt(vehicle, conductorId, 'judged', corner) ?? [],
    );
    const felt = drawn.flatMap((one) => one.felt.filter(({ id }) => id === conductorId));
    if (burns.includes(conductorId)) {
      expect(spokenOf(assessment, conductorId)).toBe(true);
      expect(drawn.some((one) => one.burns.some(({ id }) => id === conductorId))).toBe(true);
    }
    if (verdict === 'stands') expect(drawn.some((one) => one.burns.some(({ id }) => id === conductorId))).toBe(false);
    // The picture draws the very shorts that the ledger judges: the hardest of it is the hardest of those.
    const ends = all.flatMap(({ i2tA2s }) => i2tA2s ?? []);
    if (ends.length === all.length && ends.length > 0)
      expect(Math.max(...felt.map(({ i2tA2s }) => i2tA2s ?? Number.POSITIVE_INFINITY))).toBe(Math.max(...ends));
  }
  for (const check of checks.filter(({ id, verdict }) => id === 'fuse.cable-short' && verdict === 'fails')) {
    const ended = [...shorts(vehicle).values()].filter(({ all }) =>
      all.some(({ openerId }) => openerId === check.subject.id),
    );
    expect(ended.some(({ conductorId }) => burns.includes(conductorId))).toBe(true);
  }
}

/** No size that is proposed burns in a short that it stood before, and none that is said to hold burns at all. */
function sizesStand(build: Build): void {
  const before = assess(build);
  const conductorIds = before.vehicle.conductors.filter(({ cable }) => cable !== null).map(({ id }) => id);
  const { edit, choices } = sizeCables(build, { conductorIds, comfort: 0.1 });
  if (!edit) return;
  const after = burning(assess(applyEdit(build, edit).build));
  const was = burning(before);
  expect(after.filter((id) => !was.includes(id))).toEqual([]);
  const held = choices.filter(({ holds }) => holds).map(({ conductorId }) => conductorId);
  expect(after.filter((id) => held.includes(id))).toEqual([]);
}

const samples: readonly (readonly [string, Build])[] = [
  ['Firn 9', firn9()],
  ['Larkspur', larkspur()],
  ['Teasel', teasel()],
];

describe('one question about a short, one answer', () => {
  test.each(samples)('%s: ledger and picture', (_, build) => oneAnswer(build));
  test.each(samples)('%s: the sizes that are proposed', (_, build) => sizesStand(build), 60000);

  const tens = Array.from({ length: 8 }, (_, k) => k * 10);
  test.each(tens)(
    'ten changed builds from seed %i: ledger and picture; sizes of one of them',
    (first) => {
      for (let seed = first; seed < first + 10; seed++) oneAnswer(randomBuild(seed));
      sizesStand(randomBuild(first));
    },
    120000,
  );

  test.each([0, 10])(
    'ten first layouts from seed %i: no wire of them burns',
    (first) => {
      for (let seed = first; seed < first + 10; seed++) {
        const build = randomStarter(seed);
        oneAnswer(build);
        // A fault beyond what the fuse breaks has no end whatever the wire is: that is the fuse’s own check.
        const hot = [...shorts(assess(build).vehicle).values()].filter(({ withstand, all }) =>
          all.some(({ i2tA2s }) => i2tA2s !== null && withstand !== null && i2tA2s > withstand.limitA2s),
        );
        expect(hot.map(({ conductorId }) => conductorId)).toEqual([]);
      }
    },
    120000,
  );
});
