import { describe, expect, test } from 'vitest';
import { assess } from '@/core/assess';
import { firn9 } from '@/core/build/samples';
import { type Check, CONSEQUENCES, checkKey, say, verdictRank } from '@/core/checks';
import { entriesOf, findingsIn, inOrder, matching, thinnestOf } from './derive-ledger';

const { checks } = assess(firn9());

describe('the ledger as it is listed', () => {
  test('verdicts first, then what suffers first, then the margins as they came; nothing is lost', () => {
    const listed = inOrder(checks);
    expect(listed.map(checkKey).sort()).toEqual(checks.map(checkKey).sort());
    const pressing = listed.filter(({ verdict }) => verdict !== 'holds');
    const rank = ({ verdict, endangers }: Check) => verdictRank(verdict) * 10 + CONSEQUENCES.indexOf(endangers);
    expect(pressing.map(rank)).toEqual(pressing.map(rank).toSorted((p, q) => p - q));
    // Within one verdict and one consequence the thinner stands first.
    for (const [k, next] of pressing.slice(1).entries()) {
      const last = pressing[k]!;
      if (rank(last) === rank(next) && last.margin !== undefined && next.margin !== undefined)
        expect(last.margin).toBeLessThanOrEqual(next.margin);
    }
  });

  test('three of the same sentence fold into one entry, two do not, and every check is in exactly one', () => {
    const entries = entriesOf(inOrder(checks));
    expect(entries.flatMap((entry) => entry.checks.map(checkKey)).sort()).toEqual(checks.map(checkKey).sort());
    for (const entry of entries) {
      expect([1, ...Array.from({ length: 400 }, (_, k) => k + 3)]).toContain(entry.checks.length);
      expect(new Set(entry.checks.map(({ verdict, says }) => `${verdict}:${says.code}`)).size).toBe(1);
    }
    const temperatures = entries.filter(({ checks: [first] }) => first!.id === 'cable.temperature');
    expect(temperatures.length).toBe(1);
    expect(temperatures[0]!.checks.length).toBeGreaterThan(10);
  });

  test('where nothing presses, five lines of the thinnest are worth a look', () => {
    const holding = inOrder(checks).filter(({ verdict, station }) => verdict === 'holds' && station === 'cables');
    const lines = entriesOf(thinnestOf(holding));
    expect(lines.length).toBe(5);
    expect(lines[0]!.checks[0]!.margin).toBe(Math.min(...holding.flatMap(({ margin }) => margin ?? [])));
  });

  test('what is looked for is found by its words in any order, in the units of the reader', () => {
    const heater = matching(checks, 'FUSE heater', 'metric');
    expect(heater.length).toBeGreaterThan(2);
    for (const check of heater) {
      const { title, line } = say(check);
      expect(`${title} ${line}`).toMatch(/fuse/i);
      expect(`${title} ${line}`).toMatch(/heater/i);
    }
    expect(matching(checks, '', 'metric')).toBe(checks);
    expect(matching(checks, '°f', 'us').length).toBeGreaterThan(0);
    expect(matching(checks, '°f', 'metric')).toEqual([]);
  });

  test('ten wires with one fault are one finding', () => {
    const hot = { ...checks.find(({ id }) => id === 'cable.temperature')!, verdict: 'fails' as const };
    expect(findingsIn([hot, { ...hot, subject: { ...hot.subject, id: 'other' } }])).toBe(1);
    expect(findingsIn(checks.filter(({ verdict }) => verdict === 'holds'))).toBe(0);
  });
});
