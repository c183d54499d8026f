import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type CableBuild, INSULATION_W_PER_MK, steadyTemperature } from './cable';
import { strandedDiameterMm } from './conductor';
import { bundleDiameterMm, loomAmpacity, loomTemperatures } from './loom';

const PLACE = { ambientC: 60, conduit: false, airPressurePa: 101325, emissivity: 0.9 };
/** Thin-wall road-vehicle wire: resistance and outer diameter from ISO 19642 sizes as known. */
const wire = (areaMm2: number, r20MilliohmPerM: number, outerMm: number): CableBuild => ({
  metal: 'copper',
  resistance20OhmPerM: r20MilliohmPerM / 1000,
  conductorDiameterMm: strandedDiameterMm(areaMm2),
  layers: [{ outerDiameterMm: outerMm, conductivityWPerMK: INSULATION_W_PER_MK.pvc }],
});
const ONE = wire(1, 18.5, 2.1);
const TWO_AND_HALF = wire(2.5, 7.6, 3);
const SIX = wire(6, 3.14, 4.3);

describe('a mixed loom', () => {
  test('its diameter is 1.15 · √ΣD²: three wires by hand', () => {
    expect(bundleDiameterMm([ONE, TWO_AND_HALF, SIX])).toBeCloseTo(1.15 * Math.sqrt(2.1 ** 2 + 3 ** 2 + 4.3 ** 2), 9);
  });

  test('the balance closes: heat made at the answer’s temperatures is the heat that leaves, and the core stands Q/4πk above', () => {
    const wires = [
      { build: ONE, currentA: 6 },
      { build: TWO_AND_HALF, currentA: 14 },
      { build: SIX, currentA: 25 },
      { build: ONE, currentA: 0 },
    ];
    const loom = loomTemperatures(wires, PLACE)!;
    const made = wires.reduce(
      (sum, { build, currentA }, k) =>
        sum + currentA ** 2 * build.resistance20OhmPerM * (1 + 0.00393 * (loom.wiresC[k]! - 20)),
      0,
    );
    expect(made).toBeCloseTo(loom.heatWPerM, 3);
    expect(loom.coreC - loom.surfaceC).toBeCloseTo(loom.heatWPerM / (4 * Math.PI * 0.3), 6);
    // An idle wire takes the core's temperature; a loaded one the way out of the middle and its own insulation on top.
    expect(loom.wiresC[3]).toBe(loom.coreC);
    const insulation = Math.log(4.3 / strandedDiameterMm(6)) / (2 * Math.PI * 0.2);
    const middle = Math.log(loom.diameterMm / 4.3) / (2 * Math.PI * 0.3) - 1 / (4 * Math.PI * 0.3);
    const sixW = 25 ** 2 * 0.00314 * (1 + 0.00393 * (loom.wiresC[2]! - 20));
    expect(loom.wiresC[2]! - loom.coreC).toBeCloseTo(sixW * (insulation + middle), 3);
  });

  test('equal wires all loaded: within a fifth of the table’s factor for bundled circuits, on the cautious side of free air', () => {
    // IEC 60364-5-52 B.52.17 gives 0.57 for six circuits; a single wire of the same size in the same air carries `alone`.
    const alone = loomAmpacity([{ build: TWO_AND_HALF, currentA: 0 }], 0, PLACE, 105);
    let [low, high] = [0, alone];
    for (let turn = 0; turn < 40; turn++) {
      const each = (low + high) / 2;
      const loom = loomTemperatures(new Array(6).fill({ build: TWO_AND_HALF, currentA: each }), PLACE);
      if (loom && Math.max(...loom.wiresC) < 105) low = each;
      else high = each;
    }
    expect(low / alone).toBeGreaterThan(0.57 * 0.8);
    expect(low / alone).toBeLessThan(0.57 * 1.2);
  });

  test('one wire by itself is near the single-cable balance: the bundle’s own shell is all that differs', () => {
    const single = steadyTemperature(SIX, { ...PLACE, arrangement: 'single', loadedCircuits: 1, airSpeedMPerS: 0 }, 40)
      .conductorTemperatureC!;
    const loom = loomTemperatures([{ build: SIX, currentA: 40 }], PLACE)!.wiresC[0]!;
    expect(Math.abs(loom - single) / (single - 60)).toBeLessThan(0.12);
  });

  test('a conduit is warmer, far too much current runs away, and no current is the air’s temperature', () => {
    const wires = [
      { build: ONE, currentA: 8 },
      { build: SIX, currentA: 30 },
    ];
    expect(loomTemperatures(wires, { ...PLACE, conduit: true })!.coreC).toBeGreaterThan(
      loomTemperatures(wires, PLACE)!.coreC,
    );
    expect(loomTemperatures([{ build: ONE, currentA: 200 }], PLACE)).toBeNull();
    expect(loomTemperatures([{ build: ONE, currentA: 0 }], PLACE)!.wiresC).toEqual([60]);
  });

  test('more current anywhere never cools a wire, and what one wire may carry brings it to its limit', () => {
    const amps = fc.double({ min: 0, max: 9, noNaN: true });
    fc.assert(
      fc.property(amps, amps, amps, fc.integer({ min: 0, max: 2 }), (a, b, c, more) => {
        const builds = [ONE, TWO_AND_HALF, SIX];
        const wires = [a, b, c].map((currentA, k) => ({ build: builds[k]!, currentA }));
        const before = loomTemperatures(wires, PLACE)!;
        const after = loomTemperatures(
          wires.map((one, k) => (k === more ? { ...one, currentA: one.currentA + 1 } : one)),
          PLACE,
        )!;
        for (let k = 0; k < 3; k++) expect(after.wiresC[k]!).toBeGreaterThanOrEqual(before.wiresC[k]! - 1e-3);
        const most = loomAmpacity(wires, more, PLACE, 105);
        const at = loomTemperatures(
          wires.map((one, k) => (k === more ? { ...one, currentA: most } : one)),
          PLACE,
        )!;
        expect(at.wiresC[more]!).toBeCloseTo(105, 1);
      }),
      { numRuns: 40 },
    );
  });
});
