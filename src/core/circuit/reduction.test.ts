import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { figuresOf } from '../testing/figures-of';
import { type Element, OperatingPointSolver, operatingPoint } from './index';
import { behindResistance, groupLoads } from './load-group';
import { Reduction } from './reduction';
import { denseLoadFlow } from './testing/newton-reference';

/** A pack with two rails, branches with leads of their own at random places, stubs, and a bus resistor. */
const vehicles = fc
  .record({
    packV: fc.double({ min: 80, max: 420, noNaN: true }),
    packOhm: fc.double({ min: 0.02, max: 0.2, noNaN: true }),
    rail: fc.array(fc.double({ min: 0.0005, max: 0.02, noNaN: true }), { minLength: 3, maxLength: 6 }),
    branches: fc.array(
      fc.record({
        at: fc.nat(5),
        leadOhm: fc.double({ min: 0.001, max: 0.4, noNaN: true }),
        powerW: fc.double({ min: -2000, max: 6000, noNaN: true }),
        pieces: fc.integer({ min: 1, max: 3 }),
        swapped: fc.boolean(),
      }),
      { minLength: 1, maxLength: 6 },
    ),
  })
  .map(({ packV, packOhm, rail, branches }) => {
    const elements: Element[] = [
      { id: 'front', kind: 'source', a: 'p0', b: 'mid', voltageV: packV * 0.4, resistanceOhm: packOhm * 0.4 },
      { id: 'rear', kind: 'source', a: 'mid', b: 'm0', voltageV: packV * 0.6, resistanceOhm: packOhm * 0.6 },
    ];
    rail.forEach((ohm, k) => {
      elements.push(
        { id: `p${k}-`, kind: 'resistor', a: `p${k}`, b: `p${k + 1}`, resistanceOhm: ohm },
        { id: `m${k}-`, kind: 'resistor', a: `m${k + 1}`, b: `m${k}`, resistanceOhm: ohm },
      );
    });
    branches.forEach(({ at, leadOhm, powerW, pieces, swapped }, k) => {
      const tap = at % (rail.length + 1);
      let node = `p${tap}`;
      for (let piece = 0; piece < pieces; piece++) {
        const next = `b${k}-${piece}`;
        elements.push(
          piece % 2 === 0
            ? { id: `w${k}-${piece}`, kind: 'resistor', a: node, b: next, resistanceOhm: leadOhm }
            : { id: `w${k}-${piece}`, kind: 'resistor', a: next, b: node, resistanceOhm: leadOhm },
        );
        node = next;
      }
      const minus = `r${k}`;
      elements.push({ id: `r${k}-`, kind: 'resistor', a: minus, b: `m${tap}`, resistanceOhm: leadOhm / 2 });
      elements.push(
        swapped
          ? { id: `load${k}`, kind: 'power', a: minus, b: node, powerW }
          : { id: `load${k}`, kind: 'power', a: node, b: minus, powerW },
      );
      elements.push({ id: `stub${k}`, kind: 'resistor', a: node, b: `nowhere${k}`, resistanceOhm: 1 });
    });
    return { elements, ground: 'm0' };
  });

describe('the shrunk network answers as the whole one does', () => {
  test('against dense Newton without any reduction', () => {
    fc.assert(
      fc.property(vehicles, (network) => {
        const point = operatingPoint(network);
        const expected = denseLoadFlow(network);
        if (!expected || !point.solvable) return;
        for (const [node, v] of expected) expect(Math.abs(point.nodeVoltagesV.get(node)! - v)).toBeLessThan(1e-5 * 420);
      }),
      { seed: 61, numRuns: 60 },
    );
  });

  test('it solves where the reference solves, and its load factor is where the reference gives up', () => {
    let solved = 0;
    fc.assert(
      fc.property(vehicles, (network) => {
        const point = operatingPoint(network);
        if (denseLoadFlow(network)) {
          solved++;
          expect(point.solvable).toBe(true);
        }
        const most = point.maximumLoadFactor;
        if (
          most === null ||
          most > 50 ||
          network.elements.some((element) => element.kind === 'power' && element.powerW < 0)
        )
          return;
        expect(denseLoadFlow(network, most * 0.98)).not.toBeNull();
        expect(denseLoadFlow(network, most * 1.05)).toBeNull();
      }),
      { seed: 62, numRuns: 80 },
    );
    expect(solved).toBeGreaterThan(40);
  });

  test('charge is conserved at every node and power over all elements, inner nodes of chains included', () => {
    fc.assert(
      fc.property(vehicles, (network) => {
        const point = operatingPoint(network);
        if (!point.solvable) return;
        const net = new Map<string, number>();
        let largest = 1e-6;
        let powers = 0;
        for (const { id, a, b } of network.elements) {
          const current = point.elementCurrentsA.get(id)!;
          largest = Math.max(largest, Math.abs(current));
          net.set(a, (net.get(a) ?? 0) + current);
          net.set(b, (net.get(b) ?? 0) - current);
          powers += point.elementPowersW.get(id)!;
        }
        for (const sum of net.values()) expect(Math.abs(sum)).toBeLessThan(1e-7 * largest);
        expect(Math.abs(powers)).toBeLessThan(1e-6 * 420 * largest);
      }),
      { seed: 63, numRuns: 150 },
    );
  });

  test('a prepared solver with other values answers as a fresh one', () => {
    fc.assert(
      fc.property(vehicles, fc.double({ min: 0.5, max: 2, noNaN: true }), (network, times) => {
        const solver = new OperatingPointSolver(network);
        solver.solve();
        const other = network.elements.map(
          (element): Element =>
            element.kind === 'resistor'
              ? { ...element, resistanceOhm: element.resistanceOhm * times }
              : element.kind === 'source'
                ? { ...element, voltageV: element.voltageV * 0.9 }
                : element,
        );
        const again = solver.solve(other);
        const fresh = figuresOf(operatingPoint({ ...network, elements: other }));
        expect(again.solvable).toBe(fresh.solvable);
        for (const [id, current] of fresh.elementCurrentsA)
          expect(figuresOf(again).elementCurrentsA.get(id)).toBeCloseTo(current, 8);
      }),
      { seed: 64, numRuns: 60 },
    );
  });
});

describe('what is shrunk', () => {
  test('a plain vehicle becomes one branch and one port', () => {
    const elements: Element[] = [
      { id: 'V', kind: 'source', a: 'p', b: '0', voltageV: 100, resistanceOhm: 0.1 },
      { id: 'R1', kind: 'resistor', a: 'p', b: 'q', resistanceOhm: 0.2 },
      { id: 'P', kind: 'power', a: 'q', b: 'n', powerW: 500 },
      { id: 'R2', kind: 'resistor', a: 'n', b: '0', resistanceOhm: 0.3 },
    ];
    const reduction = new Reduction(
      elements,
      (element) => element.kind !== 'power',
      (element) => element.kind === 'power',
      new Set(['0']),
    );
    const branches = reduction.forward(elements, (element) =>
      'resistanceOhm' in element ? (element.resistanceOhm ?? 0) : 0,
    );
    expect(branches.length).toBeLessThanOrEqual(1);
    expect(reduction.loads).toHaveLength(1);
    expect(reduction.loadSeriesOhm[0]).toBeGreaterThanOrEqual(0.3);
  });

  test('loads between the same nodes share a port, whichever way round they are written', () => {
    expect(
      groupLoads([
        { a: 'p', b: 'm', index: 0 },
        { a: 'm', b: 'p', index: 1 },
        { a: 'p', b: 'x', index: 2 },
      ]),
    ).toEqual([
      {
        a: 'p',
        b: 'm',
        members: [
          { index: 0, sign: 1 },
          { index: 1, sign: -1 },
        ],
      },
      { a: 'p', b: 'x', members: [{ index: 2, sign: 1 }] },
    ]);
  });
});

describe('a load behind a resistance, against its closed form', () => {
  // v = (u + √(u² − 4RP))/2: at u = 100 V, R = 1 Ω, P = 900 W it is 90 V and 10 A.
  test('upper branch', () => {
    expect(behindResistance(900, 1, 100, 1)).toMatchObject({ currentA: 10, upper: true });
    expect(behindResistance(900, 1, -100, 1).currentA).toBe(-10);
    expect(behindResistance(0, 1, 100, 1).currentA).toBe(0);
  });

  test('its slope is the derivative of its current', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 50, max: 400, noNaN: true }),
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        fc.double({ min: -4000, max: 4000, noNaN: true }),
        (u, ohm, powerW) => {
          fc.pre(u * u - 4 * ohm * powerW > 100 && Math.abs(powerW) > 1);
          const h = 1e-4;
          const numeric =
            (behindResistance(powerW, ohm, u + h, 1).currentA - behindResistance(powerW, ohm, u - h, 1).currentA) /
            (2 * h);
          const { slopeS } = behindResistance(powerW, ohm, u, 1);
          expect(Math.abs(numeric - slopeS)).toBeLessThan(1e-4 * Math.abs(slopeS) + 1e-7);
        },
      ),
      { seed: 65, numRuns: 300 },
    );
  });

  test('without enough voltage it is the resistance that it has at the collapse voltage, in series', () => {
    // Collapse at 4 V: 16/2000 Ω behind 1 Ω.
    expect(behindResistance(2000, 1, 10, 4).upper).toBe(false);
    expect(behindResistance(2000, 1, 10, 4).currentA).toBeCloseTo(10 / (1 + 16 / 2000), 9);
  });
});
