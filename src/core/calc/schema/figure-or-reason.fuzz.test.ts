import { describe, expect, test } from 'vitest';
import { chance, notFinite, numbersIn, valueAt, withAt } from '../../testing/mutate';
import { type CalcAnswer, calculate, LAWS } from './index';

const RUNS = 60;

/** An example with some of its figures a hundredth to a hundred times as large, or nothing. */
function varied(example: unknown, random: () => number): unknown {
  return numbersIn(example).reduce((made, path) => {
    const dice = random();
    // A list that is a curve is seldom one any more with a point moved.
    if (dice < (path.length > 2 ? 0.99 : 0.5)) return made;
    const before = valueAt(made, path) as number;
    if (dice < 0.54) return withAt(made, path, 0);
    const scaled = before * 10 ** (4 * random() - 2);
    return withAt(
      made,
      path,
      Number.isInteger(before) && before > 0 && dice < 0.75 ? Math.max(1, Math.round(scaled)) : scaled,
    );
  }, structuredClone(example));
}

describe.each(LAWS.map((law) => [law.name, law] as const))('%s over random inputs', (name, law) => {
  test('answers finite figures, or says why not', () => {
    const random = chance(name.length * 977 + 13);
    let answered = 0;
    for (let run = 0; run < RUNS; run++) {
      const input = varied(law.example, random);
      const answer = calculate(name, input) as CalcAnswer;
      const where = `${name} ${JSON.stringify(input)}`;
      if (!answer.ok) {
        expect(answer.errors.length, where).toBeGreaterThan(0);
        for (const { reason, remedy } of answer.errors) {
          expect(reason.length, where).toBeGreaterThan(5);
          expect(remedy.length, where).toBeGreaterThan(5);
        }
        continue;
      }
      answered++;
      expect(notFinite(answer.result), where).toEqual([]);
      expect(law.output.validate(answer.result, { convert: false }).error?.message, where).toBeUndefined();
    }
    expect(answered).toBeGreaterThan(0);
  });
});

test('precharge over random circuits: what closes has its difference, its inrush and its highest voltage', () => {
  const random = chance(4711);
  const between = (low: number, high: number) => low * (high / low) ** random();
  let closed = 0;
  for (let run = 0; run < 120; run++) {
    const packOcvV = between(40, 800);
    const prechargeResistanceOhm = between(10, 2000);
    const linkCapacitanceF = between(1e-4, 5e-3);
    const tau = prechargeResistanceOhm * linkCapacitanceF;
    const loopResistanceOhm = between(0.005, 0.5);
    const loopInductanceH = between(1e-7, 2e-5);
    const closeAtFraction = between(0.8, 0.99);
    const input = {
      packOcvV,
      prechargeResistanceOhm,
      linkCapacitanceF,
      loopResistanceOhm,
      loopInductanceH,
      closeAtFraction,
      timeoutS: tau * between(3, 200),
    };
    const answer = calculate('precharge', input) as CalcAnswer;
    if (!answer.ok) throw new Error(`${JSON.stringify(input)}: ${answer.errors[0]!.reason}`);
    const result = answer.result as Record<string, number | null>;
    const expectedS = -tau * Math.log(1 - closeAtFraction);
    if (result.closeAtS === null) {
      expect(expectedS).toBeGreaterThan(input.timeoutS * 0.999);
      continue;
    }
    closed++;
    expect(result.closeAtS! / expectedS).toBeCloseTo(1, 3);
    const difference = (1 - closeAtFraction) * packOcvV;
    expect(result.voltageDifferenceAtClosingV! / difference).toBeCloseTo(1, 3);
    // Series RLC, closed form: i(t) = ΔV/(L(s₁ − s₂))·(e^(s₁t) − e^(s₂t)), at most ΔV/R and at most ΔV·√(C/L).
    const half = loopResistanceOhm / (2 * loopInductanceH);
    const square = half ** 2 - 1 / (loopInductanceH * linkCapacitanceF);
    const peak =
      square > 0
        ? (() => {
            const root = Math.sqrt(square);
            const t = Math.log((half + root) / (half - root)) / (2 * root);
            return (
              (difference / (2 * loopInductanceH * root)) * (Math.exp((root - half) * t) - Math.exp((-root - half) * t))
            );
          })()
        : (() => {
            const w = Math.sqrt(-square);
            const t = Math.atan2(w, half) / w;
            return (difference / (loopInductanceH * w)) * Math.exp(-half * t) * Math.sin(w * t);
          })();
    // The precharge resistor beside it adds ΔV/R at most.
    expect(Math.abs(result.inrushPeakCurrentA! - peak), JSON.stringify(input)).toBeLessThan(
      0.005 * peak + difference / prechargeResistanceOhm,
    );
    expect(result.linkPeakVoltageAfterClosingV!).toBeGreaterThan(0.999 * packOcvV * (1 - (1 - closeAtFraction) * 0.02));
  }
  expect(closed).toBeGreaterThan(60);
});

test('the case that once answered nothing: 800 V, 470 Ω, 200 µF closes on 40 V with 66.8 A', () => {
  const answer = calculate('precharge', {
    packOcvV: 800,
    prechargeResistanceOhm: 470,
    linkCapacitanceF: 2e-4,
    loopResistanceOhm: 0.5,
    loopInductanceH: 5e-6,
    timeoutS: 1.128,
  }) as Extract<CalcAnswer, { ok: true }>;
  const result = answer.result as Record<string, number>;
  expect(result.voltageDifferenceAtClosingV).toBeCloseTo(40, 3);
  // s₁,₂ = −2764 and −97236 /s: 40/(5 µH · 94472)·(e^(−2764 t) − e^(−97236 t)) is largest at 37.7 µs.
  expect(result.inrushPeakCurrentA).toBeCloseTo(66.8, 0);
  expect(result.linkPeakVoltageAfterClosingV).toBeCloseTo(800, 0);
});
