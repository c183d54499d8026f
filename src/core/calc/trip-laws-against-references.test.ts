import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { calcDrive, calcJoinPacks } from './index';

/** Slow and obvious second opinions, written from the formulas and not from the code. */
const result = <T = Record<string, number>>(answer: { result: unknown }) => answer.result as T;
const near = (found: number, expected: number, share: number) => {
  expect(found / expected).toBeGreaterThan(1 - share);
  expect(found / expected).toBeLessThan(1 + share);
};
const real = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('join-packs', () => {
  const curve = fc
    .array(real(0, 0.4), { minLength: 4, maxLength: 9 })
    .map((rises) =>
      rises.map((_, k): [number, number] => [k / (rises.length - 1), 3 + rises.slice(0, k).reduce((s, r) => s + r, 0)]),
    );
  const at = (points: readonly (readonly [number, number])[], soc: number): number => {
    for (let i = 1; i < points.length; i++) {
      const [s0, v0] = points[i - 1]!;
      const [s1, v1] = points[i]!;
      if (soc <= s1) return v0 + ((v1 - v0) * (soc - s0)) / (s1 - s0);
    }
    return points.at(-1)![1];
  };

  test('current, time to a twentieth, states then and heat are those of small steps of Heun', () => {
    fc.assert(
      fc.property(
        fc.record({
          ocvCurve: curve,
          capacityAAh: real(20, 200),
          capacityBAh: real(20, 200),
          ohm: real(0.02, 1),
          socA: real(0.05, 0.95),
          socB: real(0.05, 0.95),
        }),
        ({ ocvCurve, capacityAAh, capacityBAh, ohm, socA, socB }) => {
          const n = 40;
          const first = (n * (at(ocvCurve, socA) - at(ocvCurve, socB))) / ohm;
          fc.pre(Math.abs(first) > 1);
          const found = result<Record<string, number | null>>(
            calcJoinPacks({
              cellsInSeries: n,
              capacityAAh,
              capacityBAh,
              resistanceAOhm: 0.4 * ohm,
              resistanceBOhm: 0.5 * ohm,
              jointResistanceOhm: 0.1 * ohm,
              socA,
              socB,
              ocvCurve,
            }),
          );
          near(found.initialCurrentA!, first, 1e-9);
          // At least as long as the steepest piece takes; flat pieces can take for ever.
          const dt = Math.max(found.timeTo5PercentS ?? 0, 1) / 20000;
          let [a, b, t, heat] = [socA, socB, 0, 0];
          const current = (x: number, y: number) => (n * (at(ocvCurve, x) - at(ocvCurve, y))) / ohm;
          while (Math.abs(current(a, b)) > 0.05 * Math.abs(first) && t < 22000 * dt) {
            const i0 = current(a, b);
            const i1 = current(a - (i0 * dt) / capacityAAh / 3600, b + (i0 * dt) / capacityBAh / 3600);
            const i = (i0 + i1) / 2;
            a -= (i * dt) / capacityAAh / 3600;
            b += (i * dt) / capacityBAh / 3600;
            heat += ohm * i * i * dt;
            t += dt;
          }
          if (found.timeTo5PercentS === null) {
            expect(Math.abs(current(a, b))).toBeGreaterThan(0);
            return;
          }
          near(t, found.timeTo5PercentS!, 0.003);
          expect(a).toBeCloseTo(found.socAAt5Percent!, 3);
          expect(b).toBeCloseTo(found.socBAt5Percent!, 3);
          expect(heat).toBeLessThanOrEqual(found.heatJ! * 1.001);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('an almost flat end of the curve costs no digits: three pieces worked out by hand', () => {
    const [v0, v1] = [3, 3.0128690153958533];
    const found = result(
      calcJoinPacks({
        cellsInSeries: 40,
        capacityAAh: 20,
        capacityBAh: 27.295793748020124,
        resistanceAOhm: 0.008,
        resistanceBOhm: 0.01,
        jointResistanceOhm: 0.002,
        socA: 0.12325343136292445,
        socB: 0.6843994140624989,
        ocvCurve: [
          [0, v0],
          [1 / 3, v0],
          [2 / 3, v1],
          [1, v1 + 4e-16],
        ],
      }),
    );
    // B down to its slope at constant current, then A up to its own while B falls, then both: two exponentials.
    const [qa, qb, first] = [20 * 3600, 27.295793748020124 * 3600, (40 * (v1 - v0)) / 0.02];
    const charge1 = (0.6843994140624989 - 2 / 3) * qb;
    const slope = (v1 - v0) * 3;
    const rate2 = (40 / 0.02) * (slope / qb);
    const charge2 = (1 / 3 - 0.12325343136292445) * qa - charge1;
    const second = first - rate2 * charge2;
    const rate3 = (40 / 0.02) * slope * (1 / qa + 1 / qb);
    const time = charge1 / first + Math.log(first / second) / rate2 + Math.log(second / (0.05 * first)) / rate3;
    near(found.timeTo5PercentS!, time, 1e-9);
    const heat = 0.02 * (first * charge1 + (charge2 * (first + second)) / 2 + second ** 2 / (2 * rate3));
    near(found.heatJ!, heat, 1e-9);
  });

  test('charge is kept, and on a rising curve both rest at the common state', () => {
    fc.assert(
      fc.property(real(0.05, 0.95), real(0.05, 0.95), real(20, 200), real(20, 200), (socA, socB, qa, qb) => {
        const found = result(
          calcJoinPacks({
            cellsInSeries: 30,
            capacityAAh: qa,
            capacityBAh: qb,
            resistanceAOhm: 0.05,
            resistanceBOhm: 0.03,
            socA,
            socB,
            ocvCurve: [
              [0, 3],
              [0.3, 3.6],
              [1, 4.2],
            ],
          }),
        );
        const common = (socA * qa + socB * qb) / (qa + qb);
        expect(found.finalSoc).toBeCloseTo(common, 9);
        expect(found.finalSocA).toBeCloseTo(common, 6);
        expect(found.finalSocB).toBeCloseTo(common, 6);
      }),
    );
  });

  test('equal packs need no time; a falling curve and no resistance are refused', () => {
    const ocvCurve = [
      [0, 3],
      [1, 4],
    ];
    const same = {
      cellsInSeries: 10,
      capacityAAh: 50,
      capacityBAh: 50,
      resistanceAOhm: 0.1,
      resistanceBOhm: 0.1,
      socA: 0.5,
      socB: 0.5,
    };
    expect(result(calcJoinPacks({ ...same, ocvCurve }))).toMatchObject({
      initialCurrentA: 0,
      timeTo5PercentS: 0,
      heatJ: 0,
    });
    expect(() => calcJoinPacks({ ...same, ocvCurve: [...ocvCurve].reverse() })).toThrow('does not rise');
    expect(() => calcJoinPacks({ ...same, resistanceAOhm: 0, resistanceBOhm: 0, ocvCurve })).toThrow('no bound');
  });
});

describe('drive', () => {
  test('energy, distance and currents are those of sums over hundredths of a second', () => {
    fc.assert(
      fc.property(
        fc.record({
          speeds: fc.array(real(-3, 3), { minLength: 10, maxLength: 80 }).map((steps) => {
            let v = 5;
            return steps.map((dv) => (v = Math.max(0, Math.min(40, v + dv))));
          }),
          massKg: real(500, 3500),
          grade: real(-0.08, 0.08),
          regen: real(0, 1),
          ohm: real(0, 0.1),
          auxiliary: real(0, 3000),
        }),
        ({ speeds, massKg, grade, regen, ohm, auxiliary }) => {
          const gradeTrace = speeds.map((_, k) => grade * (1 + 0.3 * Math.sin(k)));
          const found = result(
            calcDrive({
              massKg,
              rotatingMassFactor: 1.06,
              rollingCoefficient: 0.012,
              dragAreaM2: 0.8,
              airDensityKgPerM3: 1.1,
              gradeTrace,
              drivelineEfficiency: 0.86,
              regenFraction: regen,
              regenMinimumSpeedMPerS: 2,
              auxiliaryPowerW: auxiliary,
              pack: { ocvV: 600, resistanceOhm: ohm },
              speedTraceMPerS: speeds,
            }),
          );
          const dt = 0.005;
          let [distance, energy, ampSeconds, squares, back, pull, brake, most] = [0, 0, 0, 0, 0, 0, 0, 0];
          const seconds = speeds.length - 1;
          for (let step = 0; step < seconds / dt; step++) {
            const t = (step + 0.5) * dt;
            const k = Math.floor(t);
            const x = t - k;
            const v = speeds[k]! * (1 - x) + speeds[k + 1]! * x;
            const slope = Math.atan(gradeTrace[k]! * (1 - x) + gradeTrace[k + 1]! * x);
            const moving = v > 0 ? massKg * 9.80665 * (0.012 * Math.cos(slope) + Math.sin(slope)) : 0;
            const wheel = v * (1.06 * massKg * (speeds[k + 1]! - speeds[k]!) + moving + 0.5 * 1.1 * 0.8 * v * v);
            const motor = wheel > 0 ? wheel / 0.86 : v >= 2 ? wheel * 0.86 * regen : 0;
            const power = motor + auxiliary;
            const amps = ohm < 1e-9 ? power / 600 : (600 - Math.sqrt(600 * 600 - 4 * ohm * power)) / (2 * ohm);
            distance += v * dt;
            energy += power * dt;
            ampSeconds += amps * dt;
            squares += amps * amps * dt;
            if (motor < 0) back -= motor * dt;
            if (wheel > 0) pull += wheel * dt;
            else brake -= wheel * dt;
            most = Math.max(most, Math.abs(wheel));
          }
          expect(found.distanceM).toBeCloseTo(distance, 2);
          // A step on the wrong side of the speed at which regeneration ends is one step’s power.
          const scale = (pull + brake + auxiliary * seconds) * 0.002 + 1 + most * dt;
          expect(Math.abs(found.energyBatteryJ! - energy)).toBeLessThan(scale);
          expect(Math.abs(found.energyRegeneratedJ! - back)).toBeLessThan(scale);
          expect(Math.abs(found.tractionEnergyWheelJ! - pull)).toBeLessThan(scale);
          expect(Math.abs(found.brakingEnergyWheelJ! - brake)).toBeLessThan(scale);
          const rms = Math.sqrt(squares / seconds);
          expect(Math.abs(found.rmsCurrentA! - rms)).toBeLessThan(0.004 * rms + 0.01);
          expect(Math.abs(found.meanCurrentA! - ampSeconds / seconds)).toBeLessThan(0.004 * rms + 0.01);
        },
      ),
      { numRuns: 40 },
    );
  });

  test('a steady speed on the flat: closed form, and the peak of an acceleration is at its end', () => {
    const steady = {
      massKg: 1500,
      rollingCoefficient: 0.012,
      dragAreaM2: 0.7,
      airDensityKgPerM3: 1.2,
      drivelineEfficiency: 0.9,
      batteryVoltageV: 330,
    };
    const level = result(calcDrive({ ...steady, speedTraceMPerS: [20, 20, 20, 20] }));
    const power = (20 * (1500 * 9.80665 * 0.012 + 0.5 * 1.2 * 0.7 * 400)) / 0.9;
    expect(level.meanCurrentA).toBeCloseTo(power / 330, 9);
    expect(level.energyPerKmWh).toBeCloseTo(power / 20 / 3.6, 6);
    const pull = result(calcDrive({ ...steady, rotatingMassFactor: 0.05, speedTraceMPerS: [0, 2, 4] }));
    const end = (4 * (1500 * 1.05 * 2 + 1500 * 9.80665 * 0.012 + 0.5 * 1.2 * 0.7 * 16)) / 0.9 / 330;
    expect(pull.peakCurrentA).toBeCloseTo(end, 4);
  });

  test('a pack that can’t give it is refused with the second, and both batteries at once are', () => {
    const trace = {
      massKg: 2000,
      rollingCoefficient: 0.01,
      dragAreaM2: 1,
      drivelineEfficiency: 0.9,
      speedTraceMPerS: [10, 13, 16],
    };
    expect(() => calcDrive({ ...trace, pack: { ocvV: 100, resistanceOhm: 0.1 } })).toThrow(/25000 W at most/);
    expect(() => calcDrive({ ...trace, batteryVoltageV: 300, pack: { ocvV: 100, resistanceOhm: 0.1 } })).toThrow(
      'one of them',
    );
    expect(() => calcDrive({ ...trace, batteryVoltageV: 300, gradeTrace: [0, 0] })).toThrow('has 2 points');
  });
});
