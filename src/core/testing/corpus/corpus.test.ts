import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from 'vitest';
import { assess } from '../../assess';
import { type Check, checkKey, say } from '../../checks';
import { HARMLESS } from './harmless';
import { judged } from './judged';
import { SAMPLES, type SampleName } from './mistake';
import { MISTAKES, mistakesTable } from './table';

const ledgers = new Map<SampleName, ReadonlyMap<string, Check>>();
const ledgerOf = (name: SampleName): ReadonlyMap<string, Check> => {
  const known = ledgers.get(name) ?? new Map(assess(SAMPLES[name]).checks.map((check) => [checkKey(check), check]));
  ledgers.set(name, known);
  return known;
};

describe('one mistake in a sample is seen by the rule that it concerns', () => {
  test.each(MISTAKES.map((mistake) => [`${mistake.on}: ${mistake.did} → ${mistake.speaks}`, mistake] as const))(
    '%s',
    (_, { on, plant, speaks, says, asks, searched }) => {
      const verdict = asks ? 'needs-data' : 'fails';
      expect(ledgerOf(on).get(speaks)?.verdict).not.toBe(verdict);
      const { checks, outcome } = judged(plant(SAMPLES[on]), searched);
      const check = checks.find((one) => checkKey(one) === speaks);
      expect(check?.verdict).toBe(verdict);
      expect(say(check!).title).toBe(says);
      expect(outcome).not.toBe('holds');
    },
  );
});

const RANK: Readonly<Record<Check['verdict'], number>> = {
  holds: 0,
  thin: 0,
  pending: 1,
  waits: 2,
  'needs-data': 2,
  fails: 3,
};

describe('a harmless change turns no check into a worse one', () => {
  test.each(HARMLESS.map((harmless) => [`${harmless.on}: ${harmless.did}`, harmless] as const))(
    '%s',
    (_, { on, change, searched }) => {
      const before = ledgerOf(on);
      const changed = change(SAMPLES[on]);
      expect(changed).not.toEqual(SAMPLES[on]);
      // What was ticked at the car stays behind a design that moves: that is said, and is no mistake of the design.
      const ticks =
        changed.harness?.ends !== SAMPLES[on].harness?.ends ||
        changed.commission !== SAMPLES[on].commission ||
        changed.logbook !== SAMPLES[on].logbook;
      const worse = judged(changed, searched)
        .checks.filter((check) => {
          if (check.work && !ticks) return false;
          const was = before.get(checkKey(check))?.verdict;
          return RANK[check.verdict] > (was === undefined ? RANK.holds : RANK[was]);
        })
        .map((check) => `${checkKey(check)} ${check.verdict}: ${say(check).line}`);
      expect(worse).toEqual([]);
    },
  );
});

test('the page of mistakes says what is planted here', () => {
  expect(readFileSync(join(process.cwd(), 'docs', 'mistakes.md'), 'utf8')).toBe(mistakesTable());
});

test('a mistake is told once', () => {
  const told = MISTAKES.map(({ on, did }) => `${on} ${did}`);
  expect(new Set(told).size).toBe(told.length);
});
