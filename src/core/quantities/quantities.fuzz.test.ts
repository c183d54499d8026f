import fc from 'fast-check';
import { expect, test } from 'vitest';
import {
  awgAreaMm2,
  DIMENSIONS,
  type Dimension,
  formatExact,
  formatQuantity,
  parseGauge,
  parseQuantity,
  stockGauges,
} from './index';

const dimensions = Object.keys(DIMENSIONS) as Dimension[];
const magnitudes = fc
  .tuple(fc.double({ min: 1, max: 10, noNaN: true }), fc.integer({ min: -9, max: 9 }))
  .map(([m, e]) => m * 10 ** e);
const anyUnit = fc.constantFrom(...dimensions).chain((dimension) =>
  fc.record({
    dimension: fc.constant(dimension),
    unit: fc.constantFrom(...DIMENSIONS[dimension].units.map((x) => x.symbol)),
  }),
);

test('exact format round-trips to the same double in every unit', () => {
  fc.assert(
    fc.property(anyUnit, magnitudes, ({ dimension, unit }, value) => {
      const parsed = parseQuantity(formatExact(value, dimension, unit), dimension);
      expect(parsed.ok && parsed.value).toBe(value);
    }),
    { seed: 7, numRuns: 2000 },
  );
});

test('display format parses back to within its rounding, and says when it rounded', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...dimensions),
      magnitudes,
      fc.constantFrom('metric' as const, 'us' as const),
      (dimension, value, system) => {
        const shown = formatQuantity({ value, dimension }, system);
        const parsed = parseQuantity(shown.text, dimension);
        if (!parsed.ok) throw new Error(`${shown.text}: ${parsed.reason}`);
        const offset = dimension === 'temperature' ? 40 : 0;
        expect(Math.abs(parsed.value - value)).toBeLessThanOrEqual(0.0051 * (Math.abs(value) + offset));
        if (Math.abs(parsed.value - value) > 1e-9 * Math.abs(value) + 1e-9 * offset) expect(shown.rounded).toBe(true);
      },
    ),
    { seed: 11, numRuns: 2000 },
  );
});

test('no text makes the reader throw or yield a number that is not finite', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 30 }), fc.constantFrom(...dimensions), (text, dimension) => {
      const parsed = parseQuantity(text, dimension);
      if (parsed.ok) expect(Number.isFinite(parsed.value)).toBe(true);
      else expect(parsed.reason).not.toBe('');
    }),
    { seed: 13, numRuns: 3000 },
  );
});

test('an area lies at a gauge in stock or between the two that are said', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.3, max: 100, noNaN: true }), (areaMm2) => {
      const [thin, thick = thin] = stockGauges(areaMm2)!.replace(' AWG', '').split('–');
      expect(awgAreaMm2(parseGauge(thin!)!)).toBeLessThanOrEqual(areaMm2 * 1.031);
      expect(awgAreaMm2(parseGauge(thick!)!)).toBeGreaterThanOrEqual(areaMm2 * 0.969);
    }),
    { seed: 17, numRuns: 500 },
  );
});
