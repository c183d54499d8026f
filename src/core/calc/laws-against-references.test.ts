import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { transient } from '../circuit';
import { figuresOf } from '../testing/figures-of';
import {
  calcCable,
  calcContactor,
  calcDischarge,
  calcFuse,
  calcInsulation,
  calcShortCircuit,
  calcWithstand,
} from './index';

/** Slow and obvious second opinions, written from the formulas and not from the code. */
const result = (answer: { result: unknown }) => answer.result as Record<string, number>;
const near = (found: number, expected: number, share: number) => {
  expect(found / expected).toBeGreaterThan(1 - share);
  expect(found / expected).toBeLessThan(1 + share);
};
const real = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('cable', () => {
  /** Heat that leaves a metre of horizontal cylinder, W: Churchill and Chu, Churchill and Bernstein, Stefan and Boltzmann. */
  function leaves(diameterM: number, surfaceC: number, ambientC: number, wind: number, pair: boolean): number {
    const film = (surfaceC + ambientC) / 2 + 273.15;
    const mu = (1.716e-5 * (film / 273.15) ** 1.5 * 383.55) / (film + 110.4);
    const k = (0.0241 * (film / 273.15) ** 1.5 * 467.15) / (film + 194);
    const nu = mu / (101325 / (287.05 * film));
    const pr = (1007 * mu) / k;
    const ra = (9.80665 * (surfaceC - ambientC) * diameterM ** 3 * pr) / (film * nu ** 2);
    const still = (0.6 + (0.387 * ra ** (1 / 6)) / (1 + (0.559 / pr) ** (9 / 16)) ** (8 / 27)) ** 2;
    const re = (wind * diameterM) / nu;
    const moving =
      wind === 0
        ? 0
        : 0.3 +
          ((0.62 * re ** 0.5 * pr ** (1 / 3)) / (1 + (0.4 / pr) ** (2 / 3)) ** 0.25) *
            (1 + (re / 282000) ** 0.625) ** 0.8;
    const nusselt = (still ** 3 + moving ** 3) ** (1 / 3);
    const air = (pair ? 0.8 : 1) * Math.PI * k * nusselt * (surfaceC - ambientC);
    const light =
      (pair ? 0.818 : 1) *
      0.9 *
      Math.PI *
      diameterM *
      5.670374419e-8 *
      ((surfaceC + 273.15) ** 4 - (ambientC + 273.15) ** 4);
    return air + light;
  }

  test('ampacity and settled temperature are those of a bisection of the balance, any geometry and wind', () => {
    fc.assert(
      fc.property(
        fc.record({
          conductorMm: real(2, 15),
          wallMm: real(0.5, 4),
          conductivity: real(0.15, 0.35),
          r20: real(1e-4, 8e-3),
          ambientC: real(-20, 70),
          wind: fc.constantFrom(0, 0.5, 5),
          pair: fc.boolean(),
          limitC: real(85, 180),
          load: real(0.2, 0.98),
        }),
        ({ conductorMm, wallMm, conductivity, r20, ambientC, wind, pair, limitC, load }) => {
          const outerMm = conductorMm + 2 * wallMm;
          const through = Math.log(outerMm / conductorMm) / (2 * Math.PI * conductivity);
          let low = ambientC;
          let high = limitC;
          for (let k = 0; k < 80; k++) {
            const surface = (low + high) / 2;
            if (surface + leaves(outerMm / 1000, surface, ambientC, wind, pair) * through < limitC) low = surface;
            else high = surface;
          }
          const heat = leaves(outerMm / 1000, low, ambientC, wind, pair);
          const carries = Math.sqrt(heat / (r20 * (1 + 0.00393 * (limitC - 20))));
          const common = {
            resistance20OhmPerM: r20,
            conductorDiameterMm: conductorMm,
            layers: [{ outerDiameterMm: outerMm, conductivityWPerMK: conductivity }],
            ambientC,
            airSpeedMPerS: wind,
            arrangement: pair ? ('touching-pair' as const) : ('single' as const),
            maxConductorTemperatureC: limitC,
          };
          const found = result(calcCable({ ...common, currentA: carries * load, lengthM: 3 }));
          near(found.ampacityA!, carries, 1e-3);
          // At a share of it the conductor is below the limit, and its own heat is what leaves.
          const settled = found.conductorTemperatureC!;
          expect(settled).toBeLessThan(limitC);
          const made = (carries * load) ** 2 * r20 * (1 + 0.00393 * (settled - 20));
          near(found.heatWPerM!, made, 1e-6);
          near(leaves(outerMm / 1000, settled - made * through, ambientC, wind, pair), made, 5e-3);
          near(found.lossW!, made * 3, 1e-6);
          near(found.dropV!, (made * 3) / (carries * load), 1e-6);
        },
      ),
      { seed: 91, numRuns: 150 },
    );
  });
});

describe('fuse', () => {
  const MULTIPLES = [14, 8, 5.2, 3.6, 2.6, 1.95, 1.5];
  const TIMES = [1e-3, 1e-2, 0.1, 1, 10, 100, 1000];

  /** By small steps of equal size: what melts it, how much goes through. */
  function melts(unitA: number, prospectiveA: number, tau: number): { timeS: number; amps: number; i2t: number } {
    const points = [...MULTIPLES.map((m, i) => [m, TIMES[i]!] as const), [1.45, 3600] as const];
    const time = (m: number): number => {
      if (m >= 14) return 1e-3 * (14 / m) ** 2;
      for (let i = 1; i < points.length; i++) {
        const [ma, ta] = points[i - 1]!;
        const [mb, tb] = points[i]!;
        if (m >= mb) return Math.exp(Math.log(ta) + (Math.log(m / ma) / Math.log(mb / ma)) * Math.log(tb / ta));
      }
      return Number.POSITIVE_INFINITY;
    };
    const dt = tau / 2000;
    let [t, done, i2t, amps] = [0, 0, 0, 0];
    while (done < 1) {
      amps = prospectiveA * (1 - Math.exp(-(t + dt / 2) / tau));
      done += dt / time(amps / unitA);
      i2t += amps * amps * dt;
      t += dt;
    }
    return { timeS: t, amps, i2t };
  }

  test('melting, let-through and clearing I²t are those of small steps', () => {
    fc.assert(
      fc.property(real(20, 500), real(12, 60), real(5e-5, 5e-3), real(0.3, 1), (ratedA, multiple, tau, share) => {
        const prospectiveMaxA = ratedA * multiple;
        const slow = melts(1.1 * ratedA, prospectiveMaxA, tau);
        const adiabatic = 14 ** 2 * 1e-3 * (1.1 * ratedA) ** 2;
        const arcing = Math.min(3 * share ** 1.5 * adiabatic, slow.amps ** 2 * Math.max(3 * tau, 1e-3));
        const found = result(
          calcFuse({
            family: 'traction',
            ratedCurrentA: ratedA,
            ratedVoltageDcV: 500,
            systemMaxVoltageV: 500 * share,
            prospectiveMaxA,
            loopTimeConstantS: tau,
          }),
        );
        near(found.meltTimeAtMaxS!, slow.timeS, 5e-3);
        near(found.letThroughA!, slow.amps, 5e-3);
        near(found.totalI2tAtMaxA2s!, slow.i2t + arcing, 1e-2);
      }),
      { seed: 92, numRuns: 60 },
    );
  });
});

describe('short circuit, discharge and closing against the network over time', () => {
  test('prospective current, rise and I²t of a pack into a fault', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 10, max: 120 }),
        real(1e-4, 2e-3),
        real(1e-4, 5e-3),
        real(1e-6, 5e-5),
        (cells, ohm, rest, henry) => {
          const found = result(
            calcShortCircuit({
              cellsInSeries: cells,
              cellsInParallel: 2,
              cellOcvV: 3.3,
              cellResistanceOhm: ohm,
              cableResistanceOhm: rest,
              loopInductanceH: henry,
            }),
          );
          const loop = (cells * ohm) / 2 + rest;
          const run = figuresOf(
            transient(
              {
                elements: [
                  { id: 'V', kind: 'source', a: 'p', b: '0', voltageV: cells * 3.3 },
                  { id: 'R', kind: 'resistor', a: 'p', b: 'q', resistanceOhm: loop },
                  { id: 'L', kind: 'inductor', a: 'q', b: '0', inductanceH: henry },
                ],
                ground: '0',
              },
              { stopS: 0.02, initial: 'rest', tolerance: 1e-7 },
            ),
          ).elements.get('L')!;
          near(found.loopResistanceOhm!, loop, 1e-9);
          near((found.i2tA2s as unknown as Record<string, number>)['20ms']!, run.i2tA2s, 2e-3);
          near(found.prospectiveCurrentA! * (1 - Math.exp(-0.02 / found.timeConstantS!)), run.peakCurrentA, 2e-3);
        },
      ),
      { seed: 93, numRuns: 40 },
    );
  });

  test('a link through bleed and active resistor side by side', () => {
    fc.assert(
      fc.property(real(70, 800), real(1e-4, 5e-3), real(1e3, 5e4), real(50, 2000), (volts, farad, bleed, active) => {
        const found = result(
          calcDischarge({
            startVoltageV: volts,
            linkCapacitanceF: farad,
            bleedResistanceOhm: bleed,
            activeResistanceOhm: active,
          }),
        );
        const run = figuresOf(
          transient(
            {
              elements: [
                { id: 'C', kind: 'capacitor', a: 'p', b: '0', capacitanceF: farad, initialVoltageV: volts },
                { id: 'B', kind: 'resistor', a: 'p', b: '0', resistanceOhm: bleed },
                { id: 'A', kind: 'resistor', a: 'p', b: '0', resistanceOhm: active },
              ],
              ground: '0',
            },
            {
              stopS: 3 * found.timeToTargetS!,
              initial: 'rest',
              thresholds: [{ id: 'safe', a: 'p', b: '0', voltageV: 60, direction: 'falling' }],
            },
          ),
        );
        near(found.timeToTargetS!, run.crossingsS.get('safe')![0]!, 2e-3);
      }),
      { seed: 94, numRuns: 40 },
    );
  });

  test('the energy that a closing contactor lets through heats R with half of C·ΔV²', () => {
    const found = result(
      calcContactor({
        closing: { differenceV: 25, loopResistanceOhm: 0.05, loopInductanceH: 8e-6, linkCapacitanceF: 1.5e-3 },
      }),
    );
    const closing = found.closing as unknown as { inrushI2tA2s: number };
    near(closing.inrushI2tA2s * 0.05, 0.5 * 1.5e-3 * 25 ** 2, 1e-9);
  });
});

test('withstand: heating by small steps with the resistance of each moment reaches the same temperature', () => {
  fc.assert(
    fc.property(real(2, 120), real(20, 90), real(0.1, 0.95), (areaMm2, startC, share) => {
      const limit = result(
        calcWithstand({ areaMm2, material: 'copper', startTemperatureC: startC, finalTemperatureC: 250 }),
      ).k2s2A2s!;
      const i2t = limit * share;
      const found = result(
        calcWithstand({ areaMm2, material: 'copper', startTemperatureC: startC, finalTemperatureC: 250, i2tA2s: i2t }),
      );
      // IEC 60949: K = 226, β = 234.5 are Q_c·(β + 20)/ρ20 of copper, 3.45e6 J/m³K and 1.7241e-8 Ωm.
      let temperature = startC;
      const steps = 20000;
      for (let k = 0; k < steps; k++) {
        const rho = (1.7241e-8 * (234.5 + temperature)) / 254.5;
        temperature += ((i2t / steps) * rho) / ((areaMm2 * 1e-6) ** 2 * 3.45e6);
      }
      expect(Math.abs(found.finalTemperatureReachedC! - temperature) / (temperature - startC)).toBeLessThan(0.01);
      expect(found.holds).toBe(true);
    }),
    { seed: 95, numRuns: 40 },
  );
});

test('insulation: three readings worked forward from two leakages through the meter give the smaller one back', () => {
  fc.assert(
    fc.property(real(2e4, 5e6), real(2e4, 5e6), real(200, 450), (plusOhm, minusOhm, volts) => {
      const meter = 1e7;
      const r0 = 1e5;
      const across = (ohm: number, ...more: number[]) => 1 / [ohm, ...more].reduce((sum, one) => sum + 1 / one, 0);
      const read = (side: number, other: number, ...besides: number[]) => {
        const own = across(side, meter, ...besides);
        return (volts * own) / (own + other);
      };
      const v1V = read(minusOhm, plusOhm);
      const v2V = read(plusOhm, minusOhm);
      const vPrimeV = v1V >= v2V ? read(minusOhm, plusOhm, r0) : read(plusOhm, minusOhm, r0);
      const found = result(
        calcInsulation({ packVoltageV: volts, workingVoltageV: volts, v1V, v2V, r0Ohm: r0, vPrimeV }),
      );
      near(found.insulationOhm!, v1V >= v2V ? plusOhm : minusOhm, 1e-6);
      expect(found.meets500).toBe(found.ohmPerVolt! >= 500);
    }),
    { seed: 96, numRuns: 100 },
  );
});
