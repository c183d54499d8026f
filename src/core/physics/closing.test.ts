import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { transient } from '../circuit';
import { figuresOf } from '../testing/figures-of';
import { inrush, releaseTime } from './closing';
import { insulationResistance, predictedReadings } from './insulation';

describe('inrush on closing', () => {
  test('peak and overshoot are those of the transient solver, over- and underdamped', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-3, max: 1, noNaN: true }),
        fc.double({ min: 1e-6, max: 1e-4, noNaN: true }),
        fc.double({ min: 1e-4, max: 5e-3, noNaN: true }),
        (r, l, c) => {
          const found = inrush({ differenceV: 20, resistanceOhm: r, inductanceH: l, capacitanceF: c });
          const windowS = Math.max(4 * Math.PI * Math.sqrt(l * c), 10 * r * c, (20 * l) / r);
          const run = figuresOf(
            transient(
              {
                elements: [
                  { id: 'V', kind: 'source', a: 'p', b: '0', voltageV: 20 },
                  { id: 'R', kind: 'resistor', a: 'p', b: 'q', resistanceOhm: r },
                  { id: 'L', kind: 'inductor', a: 'q', b: 's', inductanceH: l },
                  { id: 'C', kind: 'capacitor', a: 's', b: '0', capacitanceF: c },
                ],
                ground: '0',
              },
              { stopS: windowS, initial: 'rest', tolerance: 1e-7 },
            ),
          ).elements.get('L')!;
          expect(found.peakCurrentA / Math.abs(run.peakCurrentA)).toBeGreaterThan(0.999);
          expect(found.peakCurrentA / Math.abs(run.peakCurrentA)).toBeLessThan(1.001);
          expect(found.i2tA2s / run.i2tA2s).toBeGreaterThan(0.99);
        },
      ),
      { seed: 81, numRuns: 40 },
    );
  });

  test('without inductance it is ΔV/R, with critical damping 2ΔV/(e·R)', () => {
    expect(
      inrush({ differenceV: 20, resistanceOhm: 0.1, inductanceH: 0, capacitanceF: 1e-3 }).peakCurrentA,
    ).toBeCloseTo(200, 9);
    // R² = 4L/C: the textbook peak of the critically damped circuit.
    const critical = inrush({ differenceV: 20, resistanceOhm: 0.2, inductanceH: 1e-5, capacitanceF: 1e-3 });
    expect(critical.peakCurrentA).toBeCloseTo((2 * 20) / (Math.E * 0.2), 3);
  });
});

test('a clamp of 30 V lets a coil go several times as fast as a diode', () => {
  const diode = releaseTime(0.7, 0.1, 18, 0.35, 0.8);
  const clamp = releaseTime(0.7, 0.1, 18, 0.35, 30);
  // τ·ln((0.7 + 0.0444)/(0.1 + 0.0444)) = 31.9 ms; τ·ln((0.7 + 1.667)/(0.1 + 1.667)) = 5.69 ms by hand, τ = 19.44 ms.
  expect(diode).toBeCloseTo(0.0319, 4);
  expect(clamp).toBeCloseTo(0.00569, 4);
  expect(releaseTime(0.05, 0.1, 18, 0.35, 30)).toBe(0);
});

describe('insulation by three readings', () => {
  test('gives back the smaller of two known leakages, whatever the meter', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e4, max: 1e7, noNaN: true }),
        fc.double({ min: 1e4, max: 1e7, noNaN: true }),
        fc.constantFrom(null, 1e6, 1e7),
        (plusOhm, minusOhm, meterOhm) => {
          const read = predictedReadings(330, plusOhm, minusOhm, 47000, meterOhm);
          const found = insulationResistance({
            packVoltageV: 330,
            readingV: Math.max(read.minusV, read.plusV),
            readingWithR0V: read.withR0V,
            r0Ohm: 47000,
          });
          const other = read.r0Between === 'minus' ? plusOhm : minusOhm;
          expect(found / other).toBeGreaterThan(0.999999);
          expect(found / other).toBeLessThan(1.000001);
          if (meterOhm === null) expect(other).toBe(Math.min(plusOhm, minusOhm));
        },
      ),
      { seed: 82, numRuns: 200 },
    );
  });
});
