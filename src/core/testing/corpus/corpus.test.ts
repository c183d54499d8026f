import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from 'vitest';
import { type Check, checkKey, say, sentencesOf } from '../../checks';
import { STATIONS } from '../../stations';
import { HARMLESS } from './harmless';
import { judged } from './judged';
import { type Harmless, SAMPLES, type SampleName } from './mistake';
import { SILENT_IN_SAMPLES } from './silent';
import { MISTAKES, mistakesTable } from './table';

const ledgers = new Map<SampleName, ReadonlyMap<string, Check>>();
const ledgerOf = (name: SampleName): ReadonlyMap<string, Check> => {
  const known = ledgers.get(name) ?? new Map(judged(SAMPLES[name]).checks.map((check) => [checkKey(check), check]));
  ledgers.set(name, known);
  return known;
};

const RULES = STATIONS.flatMap(({ rules }) => rules);
const WORDS = new Map(RULES.flatMap((rule) => Object.entries(sentencesOf(rule))));

/** The sentences that are shown for a check. */
function shown({ verdict, says: { sentence } }: Check): readonly string[] {
  if (verdict === 'fails') return [sentence.fails, sentence.line];
  if (verdict === 'holds' || verdict === 'thin') return [sentence.holds, sentence.line];
  return [sentence.open ?? sentence.holds];
}

/** Figures that a sentence asks for and nobody gave, and sentences that are no rule's. */
const wordless = (checks: readonly Check[]): string[] =>
  checks.flatMap((check) => {
    const { code, figures, sentence } = check.says;
    const asked = shown(check).flatMap((words) => [...words.matchAll(/\{([a-z]+)\}/g)].map(([, name]) => name!));
    return [
      ...(WORDS.get(code) === sentence ? [] : [`${code}: words of its own`]),
      ...asked.filter((name) => name !== 'subject' && figures[name] === undefined).map((name) => `${code}: {${name}}`),
    ];
  });

/** What held with a harmless change; filled as they are tried. */
const held = new Map<Harmless, ReadonlySet<string>>();
function tried(one: Harmless): readonly Check[] {
  const { checks } = judged(one.change(SAMPLES[one.on]), one.searched);
  held.set(one, new Set(checks.flatMap(({ id, verdict }) => (verdict === 'holds' || verdict === 'thin' ? [id] : []))));
  return checks;
}

test.each(Object.keys(SAMPLES) as SampleName[])('every figure that a sentence asks for is given in %s', (name) => {
  expect(wordless([...ledgerOf(name).values()])).toEqual([]);
});

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
      expect(wordless(checks)).toEqual([]);
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
  test.each(HARMLESS.map((harmless) => [`${harmless.on}: ${harmless.did}`, harmless] as const))('%s', (_, one) => {
    const { on, change } = one;
    const before = ledgerOf(on);
    const changed = change(SAMPLES[on]);
    expect(changed).not.toEqual(SAMPLES[on]);
    // What was ticked at the car stays behind a design that moves: that is said, and is no mistake of the design.
    const ticks =
      changed.harness?.ends !== SAMPLES[on].harness?.ends ||
      changed.commission !== SAMPLES[on].commission ||
      changed.logbook !== SAMPLES[on].logbook;
    const worse = tried(one)
      .filter((check) => {
        if (check.work && !ticks) return false;
        const was = before.get(checkKey(check))?.verdict;
        return RANK[check.verdict] > (was === undefined ? RANK.holds : RANK[was]);
      })
      .map((check) => `${checkKey(check)} ${check.verdict}: ${say(check).line}`);
    expect(worse).toEqual([]);
  });
});

test('every rule holds in some harmless change, or there is a reason why it can’t', () => {
  for (const one of HARMLESS) if (!held.has(one)) tried(one);
  const all = new Set([...held.values()].flatMap((ids) => [...ids]));
  const silent = RULES.map(({ id }) => id).filter((id) => !all.has(id));
  expect(silent.sort()).toEqual(Object.keys(SILENT_IN_SAMPLES).sort());
});

test('the page of mistakes says what is planted here', () => {
  expect(readFileSync(join(process.cwd(), 'docs', 'mistakes.md'), 'utf8')).toBe(mistakesTable());
});

test('a mistake is told once', () => {
  const told = MISTAKES.map(({ on, did }) => `${on} ${did}`);
  expect(new Set(told).size).toBe(told.length);
});
