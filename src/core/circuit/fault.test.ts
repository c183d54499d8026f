import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { figuresOf } from '../testing/figures-of';
import { FaultNetwork } from './fault';
import { type Element, NetworkError } from './netlist';
import { operatingPoint } from './operating-point';

const ladder = fc
  .record({
    cells: fc.array(fc.double({ min: 1, max: 100, noNaN: true }), { minLength: 2, maxLength: 5 }),
    ohms: fc.array(fc.double({ min: 1e-4, max: 0.1, noNaN: true }), { minLength: 12, maxLength: 12 }),
    bridge: fc.double({ min: 0.01, max: 100, noNaN: true }),
  })
  .map(({ cells, ohms, bridge }): Element[] => [
    ...cells.map(
      (voltageV, i): Element => ({
        id: `E${i}`,
        kind: 'source',
        a: `p${i}`,
        b: i === 0 ? '0' : `m${i}`,
        voltageV,
        resistanceOhm: ohms[i]!,
      }),
    ),
    ...cells
      .slice(1)
      .map(
        (_, i): Element => ({ id: `R${i}`, kind: 'resistor', a: `p${i}`, b: `m${i + 1}`, resistanceOhm: ohms[i + 5]! }),
      ),
    { id: 'K', kind: 'switch', a: `p${cells.length - 1}`, b: 'bus', closed: true, resistanceOhm: 1e-4 },
    { id: 'B', kind: 'resistor', a: 'bus', b: '0', resistanceOhm: bridge },
  ]);

describe('a short between two nodes', () => {
  test('gives the currents of the general operating point with a resistor in the place of the fault', () => {
    fc.assert(
      fc.property(
        ladder,
        fc.nat(),
        fc.nat(),
        fc.double({ min: 1e-4, max: 1, noNaN: true }),
        (elements, p, q, faultOhm) => {
          const network = new FaultNetwork(elements, '0');
          const nodes = network.nodes();
          const a = nodes[p % nodes.length]!;
          const b = nodes[q % nodes.length]!;
          if (a === b) return;
          const { openVoltageV, theveninOhm } = network.look(a, b);
          const currentA = openVoltageV / (theveninOhm! + faultOhm);
          const reference = figuresOf(
            operatingPoint({
              elements: [...elements, { id: 'fault', kind: 'resistor', a, b, resistanceOhm: faultOhm }],
              ground: '0',
            }),
          );
          const scale = Math.max(1, ...[...figuresOf(reference).elementCurrentsA.values()].map(Math.abs));
          expect(Math.abs(currentA - reference.elementCurrentsA.get('fault')!) / scale).toBeLessThan(1e-6);
          for (const [id, amps] of network.currents(a, b, currentA))
            expect(Math.abs(amps - reference.elementCurrentsA.get(id)!) / scale).toBeLessThan(1e-6);
        },
      ),
      { seed: 83, numRuns: 150 },
    );
  });

  test('between parts that nothing joins there is no current, and a source without resistance is refused', () => {
    const network = new FaultNetwork(
      [
        { id: 'U', kind: 'source', a: 'p', b: '0', voltageV: 12, resistanceOhm: 0.01 },
        { id: 'K', kind: 'switch', a: 'p', b: 'q', closed: false },
        { id: 'R', kind: 'resistor', a: 'q', b: 's', resistanceOhm: 1 },
      ],
      '0',
    );
    expect(network.look('q', '0').theveninOhm).toBeNull();
    expect(network.look('p', '0')).toEqual({ openVoltageV: 12, theveninOhm: expect.closeTo(0.01, 12) });
    expect(() => new FaultNetwork([{ id: 'U', kind: 'source', a: 'p', b: '0', voltageV: 12 }], '0')).toThrow(
      NetworkError,
    );
    expect(() => network.look('p', 'nowhere')).toThrow(NetworkError);
  });
});
