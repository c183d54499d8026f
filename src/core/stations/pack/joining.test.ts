import { describe, expect, test } from 'vitest';
import { joinAdvice } from './joining';

/** 90 NMC cells; 60 % to 70 % runs from 3.78 to 3.88 V, so 8 % are 0.08 V a cell. */
const question = {
  chemistry: 'nmc' as const,
  cellsInSeries: 90,
  capacityAAh: 176,
  capacityBAh: 66,
  resistanceAOhm: 0.054,
  resistanceBOhm: 0.106,
  jointOhm: 0.01,
  socA: 0.69,
  socB: 0.61,
};

describe('joining two packs', () => {
  test('eight per cent apart: 7.2 V over 0.17 Ω are 42 A where 6.6 are gentle', () => {
    const advice = joinAdvice(question);
    expect(advice.direct.initialCurrentA).toBeCloseTo((90 * 0.08) / 0.17, 6);
    expect(advice.allowedA).toBeCloseTo(6.6, 12);
    expect(advice.allowed).toBe(false);
    // 7.2/6.6 − 0.17 = 0.921 Ω: the next of the series is 1 Ω.
    expect(advice.resistorOhm).toBeCloseTo(1, 12);
    expect(Math.abs(advice.through!.initialCurrentA)).toBeLessThanOrEqual(6.6);
    expect(advice.allowedDifferenceV).toBeCloseTo(6.6 * 0.17, 12);
    expect(advice.allowedSocDifference).toBeCloseTo((6.6 * 0.17) / 90, 9);
    // One slope on both sides: an exponential of N/R·m·(1/Qa + 1/Qb), three of its times to a twentieth.
    const rate = (90 / 1.17) * (1 / (176 * 3600) + 1 / (66 * 3600));
    expect(advice.through!.timeTo5PercentS!).toBeCloseTo(Math.log(20) / rate, 0);
  });

  test('half a per cent apart may be closed as they are; the other way round the other pack is the lower one', () => {
    const near = joinAdvice({ ...question, socA: 0.611 });
    expect(near.allowed).toBe(true);
    expect(near.resistorOhm).toBeNull();
    const swapped = joinAdvice({ ...question, socA: 0.61, socB: 0.69 });
    expect(swapped.direct.initialCurrentA).toBeLessThan(0);
    expect(swapped.allowedA).toBeCloseTo(17.6, 12);
  });
});
