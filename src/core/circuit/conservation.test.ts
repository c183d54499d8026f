import fc from 'fast-check';
import { expect, test } from 'vitest';
import { figuresOf } from '../testing/figures-of';
import { type Element, transient } from './index';

/** Made-up networks of R, L, C with real sources: a ladder with one thing from each node to ground. */
const ladders = fc
  .array(
    fc.record({
      series: fc.double({ min: 0.05, max: 50, noNaN: true }),
      kind: fc.constantFrom('resistor' as const, 'capacitor' as const, 'inductor' as const),
      size: fc.double({ min: 0.1, max: 10, noNaN: true }),
      start: fc.double({ min: -50, max: 200, noNaN: true }),
    }),
    { minLength: 1, maxLength: 5 },
  )
  .map((rungs) => {
    const elements: Element[] = [{ id: 'V', kind: 'source', a: 'n0', b: '0', voltageV: 100, resistanceOhm: 0.1 }];
    rungs.forEach(({ series, kind, size, start }, k) => {
      elements.push({ id: `R${k}`, kind: 'resistor', a: `n${k}`, b: `n${k + 1}`, resistanceOhm: series });
      if (kind === 'resistor') elements.push({ id: `X${k}`, kind, a: `n${k + 1}`, b: '0', resistanceOhm: 10 * size });
      if (kind === 'capacitor')
        elements.push({ id: `X${k}`, kind, a: `n${k + 1}`, b: '0', capacitanceF: 1e-4 * size, initialVoltageV: start });
      if (kind === 'inductor')
        elements.push({
          id: `X${k}`,
          kind,
          a: `n${k + 1}`,
          b: '0',
          inductanceH: 1e-3 * size,
          initialCurrentA: start / 50,
        });
    });
    return elements;
  });

test('energy: what all elements absorb adds up to nothing, and capacitors and inductors gain ½CV² and ½LI²', () => {
  fc.assert(
    fc.property(ladders, (elements) => {
      const stopS = 0.02;
      const ends = new Map<string, number>();
      const result = figuresOf(
        transient(
          { elements, ground: '0' },
          {
            stopS,
            initial: 'rest',
            sampleTimesS: [stopS],
            sample: (_, probe): void => {
              for (const element of elements) {
                if (element.kind === 'capacitor') ends.set(element.id, probe.voltage(element.a, element.b));
                if (element.kind === 'inductor') ends.set(element.id, probe.current(element.id));
              }
            },
          },
        ),
      );
      expect(result.converged).toBe(true);
      const energies = elements.map((element) => result.elements.get(element.id)!.energyJ);
      const scale = Math.max(...energies.map(Math.abs), 1e-6);
      expect(Math.abs(energies.reduce((sum, energy) => sum + energy, 0))).toBeLessThan(2e-4 * scale);
      for (const element of elements) {
        const end = ends.get(element.id);
        if (end === undefined) continue;
        const stored =
          element.kind === 'capacitor'
            ? 0.5 * element.capacitanceF * (end ** 2 - (element.initialVoltageV ?? 0) ** 2)
            : element.kind === 'inductor'
              ? 0.5 * element.inductanceH * (end ** 2 - (element.initialCurrentA ?? 0) ** 2)
              : 0;
        expect(Math.abs(result.elements.get(element.id)!.energyJ - stored)).toBeLessThan(2e-4 * scale);
      }
    }),
    { seed: 91, numRuns: 60 },
  );
});

test('the answer does not depend on where it is sampled or how finely', () => {
  fc.assert(
    fc.property(ladders, fc.integer({ min: 2, max: 40 }), (elements, samples) => {
      const stopS = 0.01;
      const end = (count: number) => {
        let last = 0;
        transient(
          { elements, ground: '0' },
          {
            stopS,
            initial: 'rest',
            sampleTimesS: Array.from({ length: count }, (_, k) => ((k + 1) * stopS) / count),
            sample: (_, probe): void => {
              last = probe.voltage('n1', '0');
            },
          },
        );
        return last;
      };
      expect(Math.abs(end(samples) - end(1))).toBeLessThan(1e-3);
    }),
    { seed: 92, numRuns: 40 },
  );
});

test('a finer tolerance changes the answer by less than the coarser one promised', () => {
  fc.assert(
    fc.property(ladders, (elements) => {
      const i2t = (tolerance: number) =>
        figuresOf(transient({ elements, ground: '0' }, { stopS: 0.01, initial: 'rest', tolerance })).elements.get('R0')!
          .i2tA2s;
      const fine = i2t(1e-8);
      expect(Math.abs(i2t(1e-5) - fine)).toBeLessThan(2e-3 * Math.abs(fine) + 1e-9);
    }),
    { seed: 93, numRuns: 40 },
  );
});
