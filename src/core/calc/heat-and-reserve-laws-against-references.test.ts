import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { calcCableTransient, calcDcDc, calcHoldUp, calcParked } from './index';

/** Slow and obvious second opinions, written from the formulas and not from the code. */
const result = <T = Record<string, number>>(answer: { result: unknown }) => answer.result as T;
const near = (found: number, expected: number, share: number) => {
  expect(found / expected).toBeGreaterThan(1 - share);
  expect(found / expected).toBeLessThan(1 + share);
};
const real = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('cable-transient', () => {
  /** Forty shells a layer, explicit steps, the film by bisection. */
  function fine(
    areaMm2: number,
    r20: number,
    dMm: number,
    outerMm: number,
    k: number,
    c: number,
    profile: readonly [number, number][],
  ): number {
    const shells = 24;
    const rc = dMm / 2000;
    const ro = outerMm / 2000;
    const radii = Array.from({ length: shells + 1 }, (_, i) => rc + ((ro - rc) * i) / shells);
    const heat = [3.45e6 * areaMm2 * 1e-6, ...radii.slice(1).map((r, i) => c * Math.PI * (r * r - radii[i]! ** 2))];
    const middles = radii.slice(1).map((r, i) => (r + radii[i]!) / 2);
    const link = middles.map((m, i) => (2 * Math.PI * k) / Math.log(m / (i === 0 ? rc : middles[i - 1]!)));
    const last = (2 * Math.PI * k) / Math.log(ro / middles.at(-1)!);
    const t = heat.map(() => 40);
    const film = (ts: number): number => {
      const mean = (ts + 40) / 2 + 273.15;
      const mu = (1.716e-5 * (mean / 273.15) ** 1.5 * 383.55) / (mean + 110.4);
      const air = (0.0241 * (mean / 273.15) ** 1.5 * 467.15) / (mean + 194);
      const nu = mu / (101325 / (287.05 * mean));
      const pr = (1007 * mu) / air;
      const ra = (9.80665 * Math.max(ts - 40, 0) * (2 * ro) ** 3 * pr) / (mean * nu ** 2);
      const nusselt = (0.6 + (0.387 * ra ** (1 / 6)) / (1 + (0.559 / pr) ** (9 / 16)) ** (8 / 27)) ** 2;
      return (
        Math.PI * air * nusselt * (ts - 40) +
        0.9 * Math.PI * 2 * ro * 5.670374419e-8 * ((ts + 273.15) ** 4 - 313.15 ** 4)
      );
    };
    let peak = 40;
    const dt = 0.4 * Math.min(...heat.slice(1).map((h, i) => h / (link[i]! + (link[i + 1] ?? last))));
    for (const [amps, seconds] of profile)
      for (let time = 0; time < seconds; time += dt) {
        let [low, high] = [40, t.at(-1)! + 1e-9];
        for (let b = 0; b < 30; b++) {
          const mid = (low + high) / 2;
          if (film(mid) > last * (t.at(-1)! - mid)) high = mid;
          else low = mid;
        }
        const flows = link.map((g, i) => g * (t[i]! - t[i + 1]!));
        flows.push(last * (t.at(-1)! - low));
        for (let i = 0; i < t.length; i++) {
          const into = i === 0 ? amps * amps * r20 * (1 + 0.00393 * (t[0]! - 20)) : flows[i - 1]!;
          t[i]! += (dt * (into - flows[i]!)) / heat[i]!;
        }
        peak = Math.max(peak, t[0]!);
      }
    return peak - 40;
  }

  test.each([
    [
      '16 mm², seconds',
      16,
      1.16,
      5.73,
      8.3,
      [
        [400, 10],
        [0, 60],
        [400, 10],
      ],
    ],
    [
      '35 mm², minutes',
      35,
      0.527,
      8.48,
      11.6,
      [
        [260, 300],
        [80, 300],
        [260, 200],
      ],
    ],
    [
      '70 mm², a thick wall',
      70,
      0.259,
      11.99,
      19,
      [
        [500, 60],
        [150, 400],
      ],
    ],
  ] as const)(
    '%s: peak rise within 3 K or 4 %% of two dozen explicit shells',
    (_, area, mOhm, dMm, outerMm, profile) => {
      const r20 = mOhm / 1000;
      const electricalMm2 = (1.7241e-8 / r20) * 1e6;
      const steps = profile as unknown as [number, number][];
      const rise = fine(electricalMm2, r20, dMm, outerMm, 0.25, 2e6, steps);
      const found = result(
        calcCableTransient({
          areaMm2: area,
          resistance20OhmPerM: r20,
          conductorDiameterMm: dMm,
          layers: [{ outerDiameterMm: outerMm, conductivityWPerMK: 0.25 }],
          ambientC: 40,
          startTemperatureC: 40,
          insulationHeatCapacityJPerM3K: 2e6,
          profile: steps.map(([currentA, durationS]) => ({ currentA, durationS })),
        }),
      );
      expect(Math.abs(found.peakTemperatureC! - 40 - rise)).toBeLessThan(Math.max(1.5, 0.03 * rise));
    },
  );

  test('a constant current for hours settles where the steady balance does; a pattern that repeats is told so', () => {
    const base = { areaMm2: 25, ambientC: 30 } as const;
    const long = result<Record<string, number>>(
      calcCableTransient({ ...base, profile: [{ currentA: 120, durationS: 36000 }] }),
    );
    expect(long.endTemperatureC).toBeCloseTo(long.temperatureAtRmsC!, 1);
    const pulses = result<{ settled: boolean; repeats: number; peakTemperatureC: number; temperatureAtRmsC: number }>(
      calcCableTransient({
        ...base,
        profile: [
          { currentA: 200, durationS: 5 },
          { currentA: 0, durationS: 5 },
        ],
        repeats: 'settled',
      }),
    );
    // Short pulses settle near the rms temperature, with a ripple on top.
    expect(pulses.settled).toBe(true);
    expect(pulses.peakTemperatureC).toBeGreaterThan(pulses.temperatureAtRmsC);
    expect(pulses.peakTemperatureC - pulses.temperatureAtRmsC).toBeLessThan(3);
  });

  test('far too much current passes the melting temperature: no number is given', () => {
    expect(
      result(calcCableTransient({ areaMm2: 2.5, ambientC: 40, profile: [{ currentA: 900, durationS: 60 }] }))
        .peakTemperatureC,
    ).toBeNull();
  });
});

describe('the 12-volt laws', () => {
  const load = fc.record({
    name: fc.constant('load'),
    kind: fc.constantFrom('constant-power' as const, 'constant-resistance' as const, 'constant-current' as const),
    rating: real(0.1, 200),
    duty: real(0, 1),
    essential: fc.boolean(),
  });

  test('dc-dc: the average is what each kind draws at the output, by Ohm', () => {
    fc.assert(
      fc.property(fc.array(load, { minLength: 1, maxLength: 8 }), real(12, 15), (loads, volts) => {
        const found = result(
          calcDcDc({
            loads,
            outputVoltageV: volts,
            ratedPowerW: 800,
            efficiency: 0.9,
            tractionVoltageV: 300,
            rechargeCurrentA: 4,
          }),
        );
        let amps = 4;
        for (const { kind, rating, duty } of loads)
          amps +=
            duty *
            (kind === 'constant-current'
              ? rating
              : kind === 'constant-power'
                ? rating / volts
                : volts / (13.8 ** 2 / rating));
        near(found.averageCurrentA!, amps, 1e-9);
        near(found.hvCurrentAverageA!, (amps * volts) / 0.9 / 300, 1e-9);
        expect(found.averageFits).toBe(amps * volts <= 800);
      }),
    );
  });

  test('hold-up: steps repeated second by second until the battery is down', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ currentA: real(5, 80), durationS: fc.integer({ min: 5, max: 90 }) }), {
          minLength: 1,
          maxLength: 4,
        }),
        real(1, 1.3),
        real(0.5, 1),
        (steps, k, cold) => {
          const found = result<{ holdUpTimeS: number }>(
            calcHoldUp({
              steps,
              capacityRatedAh: 50,
              ratedHours: 20,
              peukertExponent: k,
              socStart: 0.9,
              socEnd: 0.2,
              temperatureFactor: cold,
            }),
          );
          let [soc, t] = [0.9, 0];
          while (soc > 0.2)
            for (const { currentA, durationS } of steps)
              for (let s = 0; s < durationS && soc > 0.2; s++) {
                soc -= 1 / (3600 * 20 * ((50 * cold) / (currentA * 20)) ** k);
                t++;
              }
          expect(Math.abs(found.holdUpTimeS - t)).toBeLessThanOrEqual(1.5);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('hold-up of loads that are not essential is for ever, and the wrong way round is refused', () => {
    const battery = {
      batteryVoltageV: 12,
      capacityRatedAh: 50,
      ratedHours: 20,
      peukertExponent: 1.1,
      socStart: 1,
      socEnd: 0.2,
    };
    expect(
      result(calcHoldUp({ ...battery, loads: [{ name: 'radio', kind: 'constant-power', rating: 20 }] })).holdUpTimeS,
    ).toBeNull();
    expect(() => calcHoldUp({ ...battery, loads: [], socStart: 0.1 })).toThrow('above socStart');
    expect(() => calcHoldUp({ ...battery, loads: [], steps: [] })).toThrow('one of them');
  });

  test('parked: day by day', () => {
    const found = result(
      calcParked({
        capacityRatedAh: 60,
        quiescentCurrentA: 0.05,
        selfDischargePer30Days: 0.06,
        socStart: 1,
        socEnd: 0.5,
      }),
    );
    let [left, hours] = [60, 0];
    while (left > 30) {
      left -= 0.05 + (60 * 0.06) / 30 / 24;
      hours++;
    }
    expect(Math.abs(found.daysWithSelfDischarge! * 24 - hours)).toBeLessThanOrEqual(1);
    expect(found.days).toBeCloseTo(30 / 0.05 / 24, 9);
  });
});
