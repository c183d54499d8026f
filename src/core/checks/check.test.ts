import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { quantity } from '../quantities';
import {
  type Check,
  COMFORT,
  marginAtLeast,
  marginAtMost,
  marginOfRise,
  sortLedger,
  type Verdict,
  verdictOf,
  verdictRank,
} from './check';
import { checksOf, type Finding, heardAgain, hearRule, type Rule, STUMBLED } from './rule';

const subject = { kind: 'device', id: 'f-1', name: 'Main fuse' } as const;

describe('margins', () => {
  test('the share of the limit that is left, by hand: 80 of 100 leave a fifth, 125 leave none', () => {
    expect(marginAtMost(80, 100)).toBeCloseTo(0.2, 12);
    expect(marginAtMost(125, 100)).toBeCloseTo(-0.25, 12);
    expect(marginAtLeast(125, 100)).toBeCloseTo(0.25, 12);
    expect(marginAtLeast(80, 100)).toBeCloseTo(-0.2, 12);
    expect(marginOfRise(70, 90, 40)).toBeCloseTo(0.4, 12);
  });

  test('a limit of nothing holds nothing, and lets nothing pass but nothing', () => {
    expect(marginAtMost(1, 0)).toBe(Number.NEGATIVE_INFINITY);
    expect(marginAtMost(0, 0)).toBe(0);
    expect(marginAtMost(1, -5)).toBe(Number.NEGATIVE_INFINITY);
    expect(marginOfRise(20, 40, 40)).toBe(Number.NEGATIVE_INFINITY);
  });

  test('more demand never leaves more, a higher limit never less', () => {
    const some = fc.double({ min: 1e-3, max: 1e6, noNaN: true });
    fc.assert(
      fc.property(some, some, some, (a, b, limit) => {
        const [less, more] = a < b ? [a, b] : [b, a];
        expect(marginAtMost(less, limit)).toBeGreaterThanOrEqual(marginAtMost(more, limit));
        expect(marginAtMost(limit, less)).toBeLessThanOrEqual(marginAtMost(limit, more));
        expect(marginAtLeast(less, limit)).toBeLessThanOrEqual(marginAtLeast(more, limit));
      }),
    );
  });

  test('at the limit itself it is thin, below it fails, from the comfort level on it holds', () => {
    expect([-1e-12, 0, COMFORT - 1e-9, COMFORT, 5].map((margin) => verdictOf(margin))).toEqual([
      'fails',
      'thin',
      'thin',
      'holds',
      'holds',
    ]);
    expect(verdictOf(0.15, 0.2)).toBe('thin');
    expect(verdictOf(Number.NEGATIVE_INFINITY)).toBe('fails');
    expect(() => verdictOf(Number.NaN)).toThrow('not a number');
  });
});

describe('the order of the ledger', () => {
  const check = (verdict: Verdict, margin?: number, id = 'a.b'): Check =>
    ({ id, subject, verdict, ...(margin === undefined ? {} : { margin }) }) as Check;

  test('what fails before what is thin, open and holding; of each the thinnest first, yes or no before margins that fail and after those that hold', () => {
    const sorted = sortLedger([
      check('holds'),
      check('holds', 0.5),
      check('holds', 0.2),
      check('pending'),
      check('waits'),
      check('needs-data'),
      check('thin', 0.05),
      check('thin', 0.01),
      check('fails', -0.1),
      check('fails', -3),
      check('fails'),
    ]);
    expect(sorted.map(({ verdict, margin }) => `${verdict} ${margin ?? '–'}`)).toEqual([
      'fails –',
      'fails -3',
      'fails -0.1',
      'thin 0.01',
      'thin 0.05',
      'needs-data –',
      'waits –',
      'pending –',
      'holds 0.2',
      'holds 0.5',
      'holds –',
    ]);
  });

  test('it is the same whatever order the checks came in, and loses none', () => {
    const verdicts = fc.constantFrom<Verdict>('holds', 'thin', 'fails', 'needs-data', 'waits', 'pending');
    const checks = fc.uniqueArray(
      fc.record({
        verdict: verdicts,
        margin: fc.option(fc.integer({ min: -3, max: 3 }), { nil: undefined }),
        k: fc.nat(),
      }),
      { selector: ({ k }) => k },
    );
    fc.assert(
      fc.property(checks, (list) => {
        const made = list.map(({ verdict, margin, k }) => check(verdict, margin, `rule.${k}`));
        const sorted = sortLedger(made);
        expect(sortLedger([...made].reverse())).toEqual(sorted);
        expect(new Set(sorted)).toEqual(new Set(made));
        const ranks = sorted.map(({ verdict }) => verdictRank(verdict));
        expect(ranks).toEqual([...ranks].sort((p, q) => p - q));
      }),
    );
  });
});

interface Facts {
  readonly amps: number;
}
const ruleOf = (judge: Rule<Facts>['judge'], more: Partial<Rule<Facts>> = {}): Rule<Facts> => ({
  id: 'made.up',
  endangers: 'fire',
  says: { fails: '{subject} burns', holds: '{subject} stands', line: '{demand} of {limit}' },
  sources: ['made up for a test'],
  remedies: 'Take another one.',
  judge,
  ...more,
});
const checked = (finding: Finding<string, string>, more: Partial<Rule<Facts>> = {}): Check => {
  const rule = ruleOf(() => [finding], more);
  return checksOf('pack', rule as Rule<never>, hearRule(rule, { amps: 1 }))[0]!;
};

describe('what a rule states becomes a check', () => {
  test('what is missing is asked for, whatever margin was given beside it', () => {
    const missing = [{ ref: subject, what: 'part' }];
    const found = checked({ subject, margin: 3, missing });
    expect([found.verdict, found.margin, found.missing]).toEqual(['needs-data', undefined, missing]);
  });

  test('what waits for another check has no margin of its own either', () => {
    const found = checked({ subject, margin: 3, waitsFor: [{ ref: subject, what: 'holds' }] });
    expect([found.verdict, found.margin]).toEqual(['waits', undefined]);
  });

  test('a margin that is no number is asked, and never passes', () => {
    const found = checked({ subject, margin: Number.NaN });
    expect([found.verdict, found.missing]).toEqual([
      'needs-data',
      [{ ref: subject, what: 'figures that fit together' }],
    ]);
  });

  test('a rule that stumbles says so: none of its subjects passes', () => {
    const rule = ruleOf(() => {
      throw new Error('no way out');
    });
    const [found, ...others] = checksOf('pack', rule as Rule<never>, hearRule(rule, { amps: 1 }));
    expect(others).toEqual([]);
    expect(found!.verdict).toBe('needs-data');
    expect(found!.missing![0]!.what).toBe(`${STUMBLED} (no way out)`);
  });

  test('a finding that states nothing is a mistake of ours and comes out as one', () => {
    expect(() => checked({ subject })).toThrow('neither a margin nor whether it holds');
    expect(() => checked({ subject, holds: true, variant: 'unheard' })).toThrow('no words for unheard');
  });

  test('advice is for what does not hold; the comfort level is the rule’s own', () => {
    expect(checked({ subject, holds: false }).advice).toBe('Take another one.');
    expect(checked({ subject, holds: true }).advice).toBeUndefined();
    expect(checked({ subject, margin: 0.15 }, { comfort: 0.2 }).verdict).toBe('thin');
    expect(checked({ subject, margin: 0.15 }).verdict).toBe('holds');
  });

  test('its working is made when it is opened', () => {
    let opened = 0;
    const found = checked({
      subject,
      demand: quantity(8, 'current'),
      limit: quantity(10, 'current'),
      margin: 0.2,
      assumed: ['still air'],
      lines: () => {
        opened += 1;
        return [{ formula: 'I / I_n', figures: '8 / 10' }];
      },
    });
    expect(opened).toBe(0);
    expect(found.working).toEqual({
      lines: [{ formula: 'I / I_n', figures: '8 / 10' }],
      sources: ['made up for a test'],
      assumed: ['still air'],
    });
    expect(opened).toBe(1);
  });

  test('what was said before is said again, with a working of what is there now', () => {
    const rule = ruleOf(({ amps }) => [
      { subject, holds: true, lines: () => [{ formula: 'I', figures: `${amps} A` }] },
    ]);
    const before = hearRule(rule, { amps: 8 });
    const again = checksOf('pack', rule as Rule<never>, heardAgain(before, rule, { amps: 9 }));
    expect(again.map(({ verdict, working }) => [verdict, working.lines[0]!.figures])).toEqual([['holds', '9 A']]);
  });
});
