import fc from 'fast-check';
import { expect, test } from 'vitest';
import { figuresOf } from '../testing/figures-of';
import { type Element, transient } from './index';
import { integrate } from './testing/runge-kutta-reference';

/** Source – R – L – node with C, bleed and a constant-power load: two states, non-linear. */
const circuits = fc.record({
  v: fc.double({ min: 100, max: 420, noNaN: true }),
  r: fc.double({ min: 0.05, max: 2, noNaN: true }),
  l: fc.double({ min: 1e-5, max: 1e-3, noNaN: true }),
  c: fc.double({ min: 2e-4, max: 3e-3, noNaN: true }),
  bleed: fc.double({ min: 20, max: 2000, noNaN: true }),
  share: fc.double({ min: 0, max: 0.5, noNaN: true }),
});

test('a link with a constant-power load: voltage, current, I²t and energy agree with explicit Runge–Kutta', () => {
  fc.assert(
    fc.property(circuits, ({ v, r, l, c, bleed, share }) => {
      const powerW = (share * v * v) / (8 * r + 200);
      const start = 0.6 * v;
      const stopS = 0.01;
      const elements: Element[] = [
        { id: 'V', kind: 'source', a: 'p', b: '0', voltageV: v },
        { id: 'R', kind: 'resistor', a: 'p', b: 'q', resistanceOhm: r },
        { id: 'L', kind: 'inductor', a: 'q', b: 'n', inductanceH: l },
        { id: 'C', kind: 'capacitor', a: 'n', b: '0', capacitanceF: c, initialVoltageV: start },
        { id: 'B', kind: 'resistor', a: 'n', b: '0', resistanceOhm: bleed },
        { id: 'P', kind: 'power', a: 'n', b: '0', powerW },
      ];
      let lastV = 0;
      const ours = figuresOf(
        transient(
          { elements, ground: '0' },
          {
            stopS,
            initial: 'rest',
            sampleTimesS: [stopS],
            sample: (_, probe): void => {
              lastV = probe.voltage('n', '0');
            },
          },
        ),
      );
      let peak = 0;
      // States: current, voltage, ∫i², ∫ of the load's power.
      const [i, u, i2t, energy] = integrate(
        [0, start, 0, 0],
        stopS,
        8000,
        (_, [current, voltage]) => [
          (v - r * current! - voltage!) / l,
          (current! - voltage! / bleed - powerW / voltage!) / c,
          current! * current!,
          powerW,
        ],
        (_, [current]) => {
          if (Math.abs(current!) > Math.abs(peak)) peak = current!;
        },
      ) as [number, number, number, number];
      const scaleA = Math.max(Math.abs(peak), 1e-3);
      expect(Math.abs(lastV - u)).toBeLessThan(2e-4 * v);
      expect(Math.abs(ours.elements.get('R')!.peakCurrentA - peak)).toBeLessThan(2e-3 * scaleA);
      expect(Math.abs(ours.elements.get('R')!.i2tA2s - i2t)).toBeLessThan(1e-3 * (i2t + 1e-9));
      expect(Math.abs(ours.elements.get('P')!.energyJ - energy)).toBeLessThan(1e-4 * (energy + 1e-6));
      expect(Number.isFinite(i)).toBe(true);
    }),
    { seed: 81, numRuns: 40 },
  );
});

test('two links joined by a wire exchange charge as explicit Runge–Kutta says, and the whole charge stays', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1e-4, max: 2e-3, noNaN: true }),
      fc.double({ min: 1e-4, max: 2e-3, noNaN: true }),
      fc.double({ min: 0.02, max: 1, noNaN: true }),
      fc.double({ min: 50, max: 400, noNaN: true }),
      (c1, c2, r, v) => {
        const stopS = 3 * r * ((c1 * c2) / (c1 + c2));
        const elements: Element[] = [
          { id: 'C1', kind: 'capacitor', a: 'p', b: '0', capacitanceF: c1, initialVoltageV: v },
          { id: 'R', kind: 'resistor', a: 'p', b: 'q', resistanceOhm: r },
          { id: 'C2', kind: 'capacitor', a: 'q', b: '0', capacitanceF: c2 },
        ];
        let first = 0;
        let second = 0;
        transient(
          { elements, ground: '0' },
          {
            stopS,
            initial: 'rest',
            sampleTimesS: [stopS],
            sample: (_, probe): void => {
              first = probe.voltage('p', '0');
              second = probe.voltage('q', '0');
            },
          },
        );
        const [u1, u2] = integrate([v, 0], stopS, 2000, (_, [a, b]) => [
          -(a! - b!) / (r * c1),
          (a! - b!) / (r * c2),
        ]) as [number, number];
        expect(Math.abs(first - u1)).toBeLessThan(1e-4 * v);
        expect(Math.abs(second - u2)).toBeLessThan(1e-4 * v);
        expect(Math.abs(c1 * first + c2 * second - c1 * v)).toBeLessThan(1e-7 * c1 * v);
      },
    ),
    { seed: 82, numRuns: 60 },
  );
});
