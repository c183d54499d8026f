import fc from 'fast-check';
import { expect, test } from 'vitest';
import { figuresOf } from '../testing/figures-of';
import { collapseChains } from './collapse';
import { type Element, operatingPoint, transient } from './index';

/** Two rails of chained pieces between a source and a load, with stubs. */
const ladders = fc.record({
  plus: fc.array(fc.double({ min: 0.001, max: 2, noNaN: true }), { minLength: 1, maxLength: 6 }),
  minus: fc.array(fc.double({ min: 0.001, max: 2, noNaN: true }), { minLength: 1, maxLength: 6 }),
  mid: fc.double({ min: 1, max: 300, noNaN: true }),
  ohm: fc.double({ min: 5, max: 500, noNaN: true }),
});

test('a collapsed network behaves the same at the nodes that stay', () => {
  fc.assert(
    fc.property(ladders, ({ plus, minus, mid, ohm }) => {
      const elements: Element[] = [
        { id: 'box1', kind: 'source', a: 'p0', b: 'm', voltageV: mid, resistanceOhm: 0.05 },
        { id: 'box2', kind: 'source', a: 'm', b: 'n0', voltageV: 100, resistanceOhm: 0.02 },
        ...plus.map(
          (r, k): Element => ({
            id: `p${k}`,
            kind: 'resistor',
            a: k % 2 ? `p${k + 1}` : `p${k}`,
            b: k % 2 ? `p${k}` : `p${k + 1}`,
            resistanceOhm: r,
          }),
        ),
        ...minus.map(
          (r, k): Element => ({
            id: `n${k}`,
            kind: 'switch',
            closed: true,
            a: `n${k}`,
            b: `n${k + 1}`,
            resistanceOhm: r,
          }),
        ),
        { id: 'stub', kind: 'resistor', a: 'p1', b: 'nowhere', resistanceOhm: 3 },
        { id: 'open', kind: 'switch', closed: false, a: 'p1', b: 'n1', resistanceOhm: 1 },
        { id: 'load', kind: 'resistor', a: `p${plus.length}`, b: `n${minus.length}`, resistanceOhm: ohm },
      ];
      const small = collapseChains(elements, new Set(['n0', 'load', `p${plus.length}`, `n${minus.length}`]));
      expect(small.length).toBeLessThanOrEqual(5);
      const before = figuresOf(operatingPoint({ elements, ground: 'n0' }));
      const after = figuresOf(operatingPoint({ elements: small, ground: 'n0' }));
      expect(after.elementCurrentsA.get('load')! / before.elementCurrentsA.get('load')!).toBeCloseTo(1, 9);
      expect(after.nodeVoltagesV.get(`p${plus.length}`)).toBeCloseTo(before.nodeVoltagesV.get(`p${plus.length}`)!, 8);
    }),
    { seed: 12, numRuns: 200 },
  );
});

test('capacitors behind milliohms move in front of them without changing precharge by more than 0.01 %', () => {
  const elements: Element[] = [
    { id: 'V', kind: 'source', a: 'p', b: '0', voltageV: 378, resistanceOhm: 0.1 },
    { id: 'R', kind: 'resistor', a: 'p', b: 'bus', resistanceOhm: 100 },
    ...[1, 2, 3].flatMap((k): Element[] => [
      { id: `w${k}`, kind: 'resistor', a: 'bus', b: `n${k}`, resistanceOhm: 0.004 },
      { id: `C${k}`, kind: 'capacitor', a: `n${k}`, b: `m${k}`, capacitanceF: 1e-4 * k },
      { id: `x${k}`, kind: 'resistor', a: `m${k}`, b: '0', resistanceOhm: 0.004 },
    ]),
  ];
  const small = collapseChains(elements, new Set(['0', 'R', 'bus']), 1e-5);
  expect(small.filter((element) => element.kind === 'capacitor')).toHaveLength(1);
  const time = (list: Element[]) =>
    figuresOf(
      transient(
        { elements: list, ground: '0' },
        {
          stopS: 0.5,
          initial: 'rest',
          thresholds: [{ id: 't', a: 'bus', b: '0', voltageV: 359.1, direction: 'rising' }],
        },
      ),
    ).crossingsS.get('t')![0]!;
  expect(time(small) / time(elements)).toBeCloseTo(1, 4);
});
