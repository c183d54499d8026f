import { describe, expect, test } from 'vitest';
import { assess } from '../assess';
import { applyEdit, type Edit } from '../build';
import { firn9 } from '../build/samples';
import { checkKey } from '../checks';
import { findRemedies } from './index';

const firn = firn9();
const failing = (build = firn) => assess(build).checks.filter((check) => check.verdict === 'fails');

describe('remedies are tried on the model', () => {
  test.each(failing().map((check) => [checkKey(check), check] as const))(
    '%s has one that holds and harms nothing',
    (key, check) => {
      const [best] = findRemedies(firn, check);
      expect(best).toBeDefined();
      expect(best!.worsens).toEqual([]);
      const after = assess(applyEdit(firn, best!.edit).build);
      const same = after.checks.find((candidate) => checkKey(candidate) === key)!;
      expect(['holds', 'thin']).toContain(same.verdict);
      expect(after.checks.filter((candidate) => candidate.verdict === 'fails').length).toBeLessThan(failing().length);
    },
  );

  test('the heater fuse is offered at a rating that its hot cable carries', () => {
    const check = failing().find((candidate) => candidate.id === 'fuse.cable-overload')!;
    const offer = findRemedies(firn, check)[0]!;
    expect(offer.edit.edit).toBe('fitPart');
    expect(offer.after.demand!.value).toBeLessThanOrEqual(offer.after.limit!.value);
  });

  test('a load that wakes during precharge is held off, or the resistor made to cope', () => {
    const awake = applyEdit(firn, {
      edit: 'fitPart',
      input: {
        deviceId: 'heater',
        part: {
          ...(firn.parts['heater-400-5000'] as never as object),
          id: 'awake',
          turnOnV: 200,
          turnOffV: 180,
        } as never,
      },
    } as Edit).build;
    const check = assess(awake).checks.find((candidate) => candidate.id === 'precharge.reaches')!;
    expect(check.verdict).toBe('fails');
    const offer = findRemedies(awake, check)[0]!;
    expect(offer.title).toContain('held off');
    expect(offer.after.verdict).toBe('holds');
  });

  test('a remedy that would make something else fail says which', () => {
    const hot = applyEdit(firn, { edit: 'setFigure', input: { figure: 'cruisePower', value: 62000 } }).build;
    const check = assess(hot).checks.find(
      (candidate) => candidate.id === 'fuse.continuous' && candidate.subject.id === 'f-mid',
    )!;
    expect(check.verdict).toBe('fails');
    const offers = findRemedies(hot, check);
    expect(offers.length).toBeGreaterThan(0);
    for (const offer of offers) expect(offer.worsens.map((worse) => worse.after.id)).toContain('fuse.cable-overload');
  });
});
