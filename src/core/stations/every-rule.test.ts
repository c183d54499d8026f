import { describe, expect, test } from 'vitest';
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
