import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  ampacity,
  bundleFactor,
  type CableBuild,
  type CablePlace,
  INSULATION_W_PER_MK,
  steadyTemperature,
} from './cable';
import { resistance20FromArea, strandedDiameterMm } from './conductor';

const place = (more: Partial<CablePlace> = {}): CablePlace => ({
  arrangement: 'single',
  loadedCircuits: 1,
  conduit: false,
  ambientC: 30,
  airSpeedMPerS: 0,
  airPressurePa: 101325,
  emissivity: 0.9,
  ...more,
});
const cable = (
  r20MilliohmPerM: number,
  conductorMm: number,
  outerMm: number,
  insulation: keyof typeof INSULATION_W_PER_MK,
): CableBuild => ({
  metal: 'copper',
  resistance20OhmPerM: r20MilliohmPerM / 1000,
  conductorDiameterMm: conductorMm,
  layers: [{ outerDiameterMm: outerMm, conductivityWPerMK: INSULATION_W_PER_MK[insulation] }],
});

describe('ampacity against published free-air tables', () => {
  // IEC 60364-5-52 table B.52.10 / B.52.12, method F, two loaded single cores touching, copper, 30 °C (table values as known).
  // Resistance: IEC 60228 class 2. Diameters typical of single-core building wire.
  test.each([
    [25, 0.727, 6.0, 9.4, 'pvc', 70, 131],
    [50, 0.387, 8.2, 12.4, 'pvc', 70, 196],
    [95, 0.193, 11.5, 16.5, 'pvc', 70, 304],
    [25, 0.727, 6.0, 9.0, 'xlpe', 90, 161],
    [50, 0.387, 8.2, 11.8, 'xlpe', 90, 242],
    [120, 0.153, 13.0, 17.5, 'xlpe', 90, 437],
  ] as const)('%d mm²', (_, r20, conductorMm, outerMm, insulation, limitC, table) => {
    const result = ampacity(
      cable(r20, conductorMm, outerMm, insulation),
      place({ arrangement: 'touching-pair' }),
      limitC,
    );
    expect(Math.abs(result / table - 1)).toBeLessThan(0.1);
  });
});

describe('laws', () => {
  const any = fc
    .record({
      areaMm2: fc.double({ min: 1, max: 120, noNaN: true }),
      wallMm: fc.double({ min: 0.5, max: 3, noNaN: true }),
      ambientC: fc.double({ min: -30, max: 85, noNaN: true }),
    })
    .map(({ areaMm2, wallMm, ambientC }) => {
      const d = strandedDiameterMm(areaMm2);
      return {
        build: cable(resistance20FromArea(areaMm2, 'copper') * 1000, d, d + 2 * wallMm, 'xlpo'),
        place: place({ ambientC }),
      };
    });

  test('the current that is the ampacity settles at the limit: the two answers are inverse', () => {
    fc.assert(
      fc.property(any, fc.double({ min: 90, max: 200, noNaN: true }), ({ build, place: where }, limitC) => {
        const settled = steadyTemperature(build, where, ampacity(build, where, limitC));
        expect(Math.abs(settled.conductorTemperatureC! - limitC)).toBeLessThan(0.02);
      }),
      { seed: 31, numRuns: 300 },
    );
  });

  test('more current is hotter; wind, thin bundles and dense air are cooler', () => {
    const build = cable(0.527, 8.5, 11.6, 'xlpo');
    const at = (current: number, more: Partial<CablePlace> = {}) =>
      steadyTemperature(build, place(more), current).conductorTemperatureC!;
    expect(at(180)).toBeGreaterThan(at(150));
    expect(at(150, { airSpeedMPerS: 3 })).toBeLessThan(at(150));
    expect(at(150, { loadedCircuits: 3 })).toBeGreaterThan(at(150));
    expect(at(150, { conduit: true })).toBeGreaterThan(at(150));
    expect(at(150, { airPressurePa: 80000 })).toBeGreaterThan(at(150));
  });

  test('far too much current has no steady temperature rather than a number', () => {
    const settled = steadyTemperature(cable(4.71, 2.7, 4.4, 'xlpo'), place({ ambientC: 60 }), 400);
    expect(settled).toEqual({ steady: false, conductorTemperatureC: null, surfaceTemperatureC: null, heatWPerM: null });
  });

  test('no current leaves the conductor at ambient, and a place as hot as the limit allows none', () => {
    const build = cable(0.527, 8.5, 11.6, 'xlpo');
    expect(steadyTemperature(build, place(), 0).conductorTemperatureC).toBe(30);
    expect(ampacity(build, place({ ambientC: 125 }), 125)).toBe(0);
  });

  test('bundle factors are the table at its counts and between them in between', () => {
    expect(bundleFactor(3)).toBeCloseTo(0.7, 12);
    expect(bundleFactor(9)).toBeCloseTo(0.5, 12);
    expect(bundleFactor(10)).toBeLessThan(0.5);
    expect(bundleFactor(10)).toBeGreaterThan(0.45);
    expect(bundleFactor(40)).toBe(0.38);
  });
});
