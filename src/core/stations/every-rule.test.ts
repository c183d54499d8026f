import { describe, expect, test } from 'vitest';
import { assess } from '../assess';
import { type Check, sentencesOf } from '../checks';
import { SAMPLES } from '../testing/corpus/mistake';
import { MISTAKES } from '../testing/corpus/table';
import { STATIONS } from '.';

const RULES = STATIONS.flatMap(({ id, rules }) => rules.map((rule) => ({ station: id, rule })));

describe('every rule', () => {
  test('has an id of its own', () => {
    const ids = RULES.map(({ rule }) => rule.id);
    expect(ids.filter((id, index) => ids.indexOf(id) !== index)).toEqual([]);
    expect(ids.length).toBeGreaterThan(120);
  });

  test('proposes edits, or tells in a sentence what a person does instead', () => {
    const silent = RULES.filter(({ rule: { remedies } }) =>
      typeof remedies === 'string' ? !/^[A-Z].{20,}\.$/.test(remedies) : remedies.length === 0,
    );
    expect(silent.map(({ rule }) => rule.id)).toEqual([]);
  });

  test('names its sources', () => {
    const unsourced = RULES.filter(({ rule }) => rule.sources.length === 0 && rule.sourcesIn === undefined);
    expect(unsourced.map(({ rule }) => rule.id)).toEqual([]);
  });
});

const named = (template: string): string[] => [...template.matchAll(/\{([a-z]+)\}/g)].map(([, name]) => name!);

/** The sentences that are shown for a check. */
function shown({ verdict, says: { sentence } }: Check): readonly string[] {
  if (verdict === 'fails') return [sentence.fails, sentence.line];
  if (verdict === 'holds' || verdict === 'thin') return [sentence.holds, sentence.line];
  return [sentence.open ?? sentence.holds];
}

test('every figure that a sentence asks for is given, in the samples and with every planted mistake', () => {
  const words = new Map(RULES.flatMap(({ rule }) => Object.entries(sentencesOf(rule))));
  const builds = [...Object.values(SAMPLES), ...MISTAKES.map(({ on, plant }) => plant(SAMPLES[on]))];
  const empty = new Set<string>();
  for (const check of builds.flatMap((build) => assess(build).checks)) {
    expect(check.says.sentence).toBe(words.get(check.says.code));
    for (const name of shown(check).flatMap(named))
      if (name !== 'subject' && check.says.figures[name] === undefined) empty.add(`${check.says.code}: {${name}}`);
  }
  expect([...empty]).toEqual([]);
});
