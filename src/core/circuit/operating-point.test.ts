import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { figuresOf } from '../testing/figures-of';
import { type Element, NetworkError, operatingPoint } from './index';
import { denseNodeVoltages } from './testing/dense-reference';

const ohm = (id: string, a: string, b: string, resistanceOhm: number): Element => ({
  id,
  kind: 'resistor',
  a,
  b,
  resistanceOhm,
});
const volts = (id: string, a: string, b: string, voltageV: number, resistanceOhm = 0): Element => ({
  id,
  kind: 'source',
  a,
  b,
  voltageV,
  resistanceOhm,
});
const load = (id: string, a: string, b: string, powerW: number, more: object = {}): Element => ({
  id,
  kind: 'power',
  a,
  b,
  powerW,
  ...more,
});

/** A connected made-up network: a chain of nodes to ground with extra links, real sources here and there. */
const networks = fc
  .record({
    nodes: fc.integer({ min: 2, max: 14 }),
    links: fc.array(
      fc.tuple(
        fc.nat(13),
        fc.nat(13),
        fc.double({ min: -4, max: 5, noNaN: true }),
        fc.boolean(),
        fc.double({ min: -400, max: 400, noNaN: true }),
      ),
      { minLength: 1, maxLength: 24 },
    ),
    chain: fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: 14, maxLength: 14 }),
  })
  .map(({ nodes, links, chain }) => {
    const elements: Element[] = [];
    for (let n = 1; n < nodes; n++) elements.push(ohm(`chain${n}`, `n${n}`, `n${n - 1}`, 10 ** chain[n]!));
    links.forEach(([p, q, exponent, source, voltage], k) => {
      const a = `n${p % nodes}`;
      const b = `n${q % nodes}`;
      if (a === b) return;
      elements.push(
        source ? volts(`link${k}`, a, b, voltage, 10 ** (exponent / 2)) : ohm(`link${k}`, a, b, 10 ** exponent),
      );
    });
    return { elements, ground: 'n0' };
  });

describe('linear networks', () => {
  test('agree with a dense solution by a library', () => {
    fc.assert(
      fc.property(networks, (network) => {
        const expected = denseNodeVoltages(network);
        const point = figuresOf(operatingPoint(network));
        for (const [node, v] of expected)
          expect(Math.abs(point.nodeVoltagesV.get(node)! - v)).toBeLessThan(1e-6 * (1 + Math.abs(v)));
      }),
      { seed: 3, numRuns: 300 },
    );
  });

  test('conserve charge at every node and energy over all elements', () => {
    fc.assert(
      fc.property(networks, (network) => {
        const point = figuresOf(operatingPoint(network));
        const net = new Map<string, number>();
        let largest = 1e-9;
        for (const element of network.elements) {
          const current = point.elementCurrentsA.get(element.id)!;
          largest = Math.max(largest, Math.abs(current));
          net.set(element.a, (net.get(element.a) ?? 0) + current);
          net.set(element.b, (net.get(element.b) ?? 0) - current);
        }
        for (const sum of net.values()) expect(Math.abs(sum)).toBeLessThan(1e-9 * largest);
        const powers = [...figuresOf(point).elementPowersW.values()];
        expect(Math.abs(powers.reduce((sum, p) => sum + p, 0))).toBeLessThan(
          1e-8 * (1 + Math.max(...powers.map(Math.abs))),
        );
      }),
      { seed: 5, numRuns: 300 },
    );
  });

  test('superpose: the response to all sources is the sum of the responses to each', () => {
    fc.assert(
      fc.property(networks, (network) => {
        const only = (id: string) => ({
          ...network,
          elements: network.elements.map((element) =>
            element.kind === 'source' && element.id !== id ? { ...element, voltageV: 0 } : element,
          ),
        });
        const whole = figuresOf(operatingPoint(network)).nodeVoltagesV;
        const parts = network.elements
          .filter((element) => element.kind === 'source')
          .map((element) => figuresOf(operatingPoint(only(element.id))).nodeVoltagesV);
        for (const [node, v] of whole) {
          const sum = parts.reduce((total, part) => total + part.get(node)!, 0);
          expect(Math.abs(sum - v)).toBeLessThan(1e-7 * (1 + Math.abs(v)));
        }
      }),
      { seed: 9, numRuns: 150 },
    );
  });

  test('milliohms beside gigohms lose no digits: leakage of a floating pack divides as the resistors do', () => {
    const point = figuresOf(
      operatingPoint({
        ground: 'body',
        elements: [
          volts('pack', 'p', 'm', 400, 0.05),
          ohm('cable', 'p', 'q', 1e-4),
          ohm('Rp', 'q', 'body', 2e9),
          ohm('Rm', 'm', 'body', 1e9),
        ],
      }),
    );
    expect(point.nodeVoltagesV.get('q')).toBeCloseTo((400 * 2) / 3, 7);
    expect(point.elementCurrentsA.get('Rp')).toBeCloseTo(400 / 3e9, 15);
  });
});

describe('signs and states', () => {
  test('a discharging source reads negative current and power, a consuming load positive', () => {
    const point = figuresOf(
      operatingPoint({ ground: '0', elements: [volts('V', 'a', '0', 100, 1), ohm('R', 'a', '0', 9)] }),
    );
    expect(point.elementCurrentsA.get('V')).toBeCloseTo(-10, 10);
    expect(point.elementPowersW.get('V')).toBeCloseTo(-900, 8);
    expect(point.elementCurrentsA.get('R')).toBeCloseTo(10, 10);
  });

  test('an inductor is a short, a capacitor is open, an open switch parts islands that keep a reference each', () => {
    const point = figuresOf(
      operatingPoint({
        ground: '0',
        elements: [
          volts('V', 'a', '0', 12),
          { id: 'L', kind: 'inductor', a: 'a', b: 'b', inductanceH: 1e-3 },
          ohm('R', 'b', '0', 6),
          { id: 'C', kind: 'capacitor', a: 'b', b: 'q', capacitanceF: 1e-3 },
          { id: 'S', kind: 'switch', a: 'b', b: 'p', closed: false },
          volts('U', 'p', 'q', 5, 1),
        ],
      }),
    );
    expect(point.elementCurrentsA.get('L')).toBeCloseTo(2, 12);
    expect(point.islands).toEqual(['p']);
    expect(point.nodeVoltagesV.get('q')).toBeCloseTo(-5, 12);
    expect(point.elementCurrentsA.get('S')).toBe(0);
  });
});

describe('constant-power loads', () => {
  // Closed form: V(E − V)/R = P, upper root V = (E + √(E² − 4RP))/2; greatest power E²/(4R).
  test('settle on the upper root of the closed form', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 800, noNaN: true }),
        fc.double({ min: 0.001, max: 5, noNaN: true }),
        fc.double({ min: 0.01, max: 0.999, noNaN: true }),
        (e, r, share) => {
          const greatest = (e * e) / (4 * r);
          const p = share * greatest;
          const point = figuresOf(
            operatingPoint({ ground: '0', elements: [volts('V', 'a', '0', e, r), load('P', 'a', '0', p)] }),
          );
          expect(point.solvable).toBe(true);
          const upper = (e + Math.sqrt(e * e - 4 * r * p)) / 2;
          expect(Math.abs(point.nodeVoltagesV.get('a')! - upper)).toBeLessThan(1e-6 * e);
          expect(point.maximumLoadFactor).toBeCloseTo(1 / share, 3);
        },
      ),
      { seed: 17, numRuns: 200 },
    );
  });

  test('asking more than the pack can give has no operating point and says how much it can', () => {
    const point = operatingPoint({
      ground: '0',
      elements: [volts('V', 'a', '0', 300, 0.5), load('P', 'a', '0', 50000)],
    });
    expect(point.solvable).toBe(false);
    expect(point.maximumLoadFactor).toBeCloseTo(300 ** 2 / (4 * 0.5) / 50000, 4);
    expect(!point.solvable && point.reason).toContain('90.0 %');
  });

  test('feeding raises the voltage: V = (E + √(E² + 4RP))/2', () => {
    const point = figuresOf(
      operatingPoint({
        ground: '0',
        elements: [volts('V', 'a', '0', 300, 0.5), load('P', 'a', '0', -20000)],
      }),
    );
    expect(point.nodeVoltagesV.get('a')).toBeCloseTo((300 + Math.sqrt(300 ** 2 + 4 * 0.5 * 20000)) / 2, 8);
  });

  test('a load that wakes at a voltage is on only if the bus reaches it', () => {
    const at = (turnOnV: number) =>
      operatingPoint({ ground: '0', elements: [volts('V', 'a', '0', 300, 10), load('P', 'a', '0', 500, { turnOnV })] });
    expect([...at(310).loadsOn]).toEqual([]);
    expect(figuresOf(at(310)).nodeVoltagesV.get('a')).toBeCloseTo(300, 10);
    expect([...at(290).loadsOn]).toEqual(['P']);
  });

  test('loads on a dead bus draw nothing, also when both poles are open', () => {
    const point = figuresOf(
      operatingPoint({
        ground: 'm',
        elements: [
          volts('V', 'p', 'm', 300, 0.1),
          { id: 'K+', kind: 'switch', a: 'p', b: 'q', closed: false },
          { id: 'K-', kind: 'switch', a: 'm', b: 'n', closed: false },
          load('P', 'q', 'n', 4000),
          load('Q', 'q', 'n', 100),
        ],
      }),
    );
    expect(point.solvable).toBe(true);
    expect(point.elementCurrentsA.get('P')).toBe(0);
    expect(point.nodeVoltagesV.get('q')! - point.nodeVoltagesV.get('n')!).toBe(0);
  });

  test('two constant-power loads in series have no stable point, and it says so', () => {
    const point = operatingPoint({
      ground: '0',
      elements: [volts('V', 'a', '0', 300, 0.1), load('P', 'a', 'b', 1000), load('Q', 'b', '0', 1000)],
    });
    expect(point.solvable).toBe(false);
    expect(!point.solvable && point.reason).toContain('series');
  });
});

describe('networks that mean nothing are refused by name', () => {
  test.each([
    ['a loop of ideal sources', [volts('V1', 'a', '0', 12), volts('V2', 'a', '0', 13)], ['V1', 'V2']],
    [
      'a loop of ideal switches',
      [
        volts('V', 'a', '0', 1, 1),
        { id: 'S1', kind: 'switch', a: 'a', b: 'b', closed: true },
        { id: 'S2', kind: 'switch', a: 'b', b: 'a', closed: true },
      ],
      ['S1', 'S2'],
    ],
    ['a repeated id', [ohm('R', 'a', '0', 1), ohm('R', 'a', '0', 1)], ['R']],
    ['both ends on one node', [ohm('R', 'a', 'a', 1), ohm('S', 'a', '0', 1)], ['R']],
    ['a negative resistance', [ohm('R', 'a', '0', -1)], ['R']],
  ] as const)('%s', (_, elements, culprits) => {
    const solve = () => operatingPoint({ elements: elements as readonly Element[], ground: '0' });
    expect(solve).toThrow(NetworkError);
    try {
      solve();
    } catch (error) {
      expect((error as NetworkError).elements).toEqual(culprits);
      expect((error as NetworkError).remedy.length).toBeGreaterThan(10);
    }
  });
});
