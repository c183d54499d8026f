import { describe, expect, test } from 'vitest';
import { assess } from '../assess';
import { applyEdit, OWN_LIMITS } from '../build';
import { firn9 } from '../build/samples';
import { RULE_SETS } from '.';
import { AT_LEAST, type RuleValueName, type RuleValues, withOwn } from './rule-sets';

const { iec, 'north-america': american } = RULE_SETS;
const values = Object.keys(iec).filter((key) => key !== 'id' && key !== 'name') as RuleValueName[];

describe('rule sets', () => {
  test('a set without a value of its own takes the stricter known one and says so', () => {
    const strict = withOwn(
      { prechargeMostS: { value: 3, source: 'own' } },
      [
        {
          ...(iec as RuleValues),
          meltingS: { value: 5, source: 'five' },
          insulationOhmPerV: { value: 100, source: 'low' },
        },
        {
          ...(iec as RuleValues),
          meltingS: { value: 2, source: 'two' },
          insulationOhmPerV: { value: 500, source: 'high' },
        },
      ],
      'Elsewhere',
    );
    expect(strict.prechargeMostS).toEqual({ value: 3, source: 'own' });
    expect(strict.meltingS.value).toBe(2);
    expect(strict.insulationOhmPerV.value).toBe(500);
    expect(strict.meltingS.source).toBe('two. Elsewhere has no value of its own: the stricter known one is used');
  });

  test.each(values)('%s: North America is its own or as strict as IEC practice', (name) => {
    const borrowed = american[name].source.includes('has no value of its own');
    const sign = AT_LEAST.has(name) ? -1 : 1;
    if (borrowed) expect(sign * american[name].value).toBeLessThanOrEqual(sign * iec[name].value);
    else expect(american[name].source).toMatch(/FMVSS|NEC|SAE/);
  });

  test('the document lets an owner state every limit that there is', () => {
    expect([...OWN_LIMITS].sort()).toEqual([...values].sort());
  });

  test('the working of a check names the value’s source in the set that the build follows', () => {
    const sources = (build: ReturnType<typeof firn9>, id: string) =>
      assess(build)
        .checks.find((check) => check.id === id)!
        .working.sources.join(' | ');
    const firn = firn9();
    const there = applyEdit(firn, { edit: 'setRuleSet', input: { ruleSet: 'north-america' } }).build;
    expect(sources(firn, 'discharge.passive')).toContain('Passive discharge within 60–120 s');
    expect(sources(firn, 'discharge.passive')).not.toContain('North America');
    expect(sources(there, 'discharge.passive')).toContain('North America has no value of its own');
    expect(sources(there, 'insulation.resistance')).toContain('FMVSS 305: 500 Ω/V');
  });
});
