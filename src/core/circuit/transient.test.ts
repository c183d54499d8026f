import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { figuresOf } from '../testing/figures-of';
import { type Element, NetworkError, type TransientOptions, transient } from './index';

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
const farad = (id: string, a: string, b: string, capacitanceF: number, initialVoltageV = 0): Element => ({
  id,
  kind: 'capacitor',
  a,
  b,
  capacitanceF,
  initialVoltageV,
});
const henry = (id: string, a: string, b: string, inductanceH: number, initialCurrentA = 0): Element => ({
  id,
  kind: 'inductor',
  a,
  b,
  inductanceH,
  initialCurrentA,
});
const run = (elements: readonly Element[], options: Partial<TransientOptions<void>> & { stopS: number }) =>
  transient({ elements, ground: '0' }, { initial: 'rest', ...options });

describe('a capacitor through a resistor, against its closed forms', () => {
  test('level times −RC·ln(1 − p), energy ½CV², peak V/R and V²/R', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 1000, noNaN: true }),
        fc.double({ min: 1e-5, max: 5e-3, noNaN: true }),
        fc.double({ min: 40, max: 900, noNaN: true }),
        (r, c, v) => {
          const tau = r * c;
          const result = figuresOf(
            run([volts('V', 'a', '0', v), ohm('R', 'a', 'b', r), farad('C', 'b', '0', c)], {
              stopS: 20 * tau,
              thresholds: [0.9, 0.95, 0.99].map((p) => ({
                id: `${p}`,
                a: 'b',
                b: '0',
                voltageV: p * v,
                direction: 'rising' as const,
              })),
            }),
          );
          for (const p of [0.9, 0.95, 0.99])
            expect(result.crossingsS.get(`${p}`)![0]! / (-tau * Math.log(1 - p))).toBeCloseTo(1, 4);
          const record = result.elements.get('R')!;
          expect(record.energyJ / (0.5 * c * v * v)).toBeCloseTo(1, 4);
          expect(record.peakCurrentA / (v / r)).toBeCloseTo(1, 9);
          expect(record.peakPowerW / ((v * v) / r)).toBeCloseTo(1, 9);
          expect(record.i2tA2s / ((v * v * tau) / (2 * r * r))).toBeCloseTo(1, 4);
          expect(result.converged).toBe(true);
        },
      ),
      { seed: 21, numRuns: 40 },
    );
  });

  test('energy balances: what the source gives is what the others take', () => {
    const result = figuresOf(
      run(
        [
          volts('V', 'a', '0', 400, 0.2),
          ohm('R', 'a', 'b', 47),
          farad('C', 'b', '0', 1e-3),
          ohm('W', 'b', 'c', 0.01),
          henry('L', 'c', 'd', 1e-6),
          farad('D', 'd', '0', 5e-4),
          ohm('bleed', 'd', '0', 22000),
        ],
        { stopS: 0.5 },
      ),
    );
    const total = [...figuresOf(result).elements.values()].reduce((sum, record) => sum + record.energyJ, 0);
    expect(Math.abs(total)).toBeLessThan(1e-4 * Math.abs(result.elements.get('V')!.energyJ));
  });
});

describe('a ringing loop, against its closed form', () => {
  // i(t) = V/(ω_d L)·e^(−αt)·sin ω_d t, first peak at atan(ω_d/α)/ω_d (textbook, series RLC).
  test('peak current, its time, and the overshoot of the capacitor', () => {
    const [v, r, l, c] = [20, 0.02, 10e-6, 1e-3];
    const alpha = r / (2 * l);
    const wd = Math.sqrt(1 / (l * c) - alpha * alpha);
    const tPeak = Math.atan(wd / alpha) / wd;
    const peak = (v / (wd * l)) * Math.exp(-alpha * tPeak) * Math.sin(wd * tPeak);
    let highest = 0;
    const stopS = 4e-3;
    const result = figuresOf(
      run(
        [
          volts('V', 'a', '0', v),
          ohm('R', 'a', 'b', r),
          { id: 'K', kind: 'switch', a: 'b', b: 'd', closed: false, resistanceOhm: 0 },
          henry('L', 'd', 'e', l),
          farad('C', 'e', '0', c),
        ],
        {
          stopS,
          events: [{ atS: 1e-3, id: 'K', closed: true }],
          sampleTimesS: Array.from({ length: 2000 }, (_, k) => (k * stopS) / 2000),
          sample: (_, probe): void => {
            highest = Math.max(highest, probe.voltage('e', '0'));
          },
        },
      ),
    );
    const record = result.elements.get('L')!;
    expect(record.peakCurrentA / peak).toBeCloseTo(1, 3);
    expect((record.peakCurrentAtS - 1e-3) / tPeak).toBeCloseTo(1, 2);
    expect(highest / (v * (1 + Math.exp((-alpha * Math.PI) / wd)))).toBeCloseTo(1, 4);
  });
});

describe('loads that wake and sleep', () => {
  test('a converter awake at half the bus voltage hiccups for ever: on at 200 V, off at 150 V', () => {
    const result = figuresOf(
      run(
        [
          volts('V', 'a', '0', 400),
          ohm('R', 'a', 'b', 100),
          farad('C', 'b', '0', 1e-3),
          { id: 'P', kind: 'power', a: 'b', b: '0', powerW: 800, turnOnV: 200, turnOffV: 150 },
        ],
        { stopS: 2, thresholds: [{ id: '95', a: 'b', b: '0', voltageV: 380, direction: 'rising' }] },
      ),
    );
    expect(result.crossingsS.get('95')).toEqual([]);
    expect(result.loadSwitchings.length).toBeGreaterThan(6);
    const rises = result.loadSwitchings.filter((event) => event.on);
    // First wake: −RC·ln(1 − 200/400). Rise from 150 to 200 V without load: RC·ln((400 − 150)/(400 − 200)).
    expect(rises[0]!.atS).toBeCloseTo(0.1 * Math.LN2, 4);
    const fallen = result.loadSwitchings.find((event) => !event.on)!;
    expect(rises[1]!.atS - fallen.atS).toBeCloseTo(0.1 * Math.log(250 / 200), 4);
  });

  test('a bleed holds the link below the pack: V·R_L/(R_L + R)', () => {
    let last = 0;
    run([volts('V', 'a', '0', 400), ohm('R', 'a', 'b', 100), farad('C', 'b', '0', 1e-3), ohm('B', 'b', '0', 900)], {
      stopS: 3,
      sampleTimesS: [3],
      sample: (_, probe): void => {
        last = probe.voltage('b', '0');
      },
    });
    expect(last).toBeCloseTo(360, 4);
  });
});

describe('switching moments', () => {
  test('opening an inductor without a path is an error that says to add one', () => {
    expect(() =>
      run(
        [
          volts('V', 'a', '0', 12),
          { id: 'S', kind: 'switch', a: 'a', b: 'b', closed: true, resistanceOhm: 0.01 },
          henry('coil', 'b', 'c', 0.1),
          ohm('R', 'c', '0', 10),
        ],
        { stopS: 0.2, initial: 'operating-point', events: [{ atS: 0.1, id: 'S', closed: false }] },
      ),
    ).toThrow(/coil.*no path/);
  });

  test('with a diode-like resistor across it the coil current decays as L/R', () => {
    let at = 0;
    run(
      [
        volts('V', 'a', '0', 12),
        { id: 'S', kind: 'switch', a: 'a', b: 'b', closed: true, resistanceOhm: 0.001 },
        henry('coil', 'b', 'c', 0.1),
        ohm('R', 'c', '0', 10),
        ohm('D', 'b', '0', 50),
      ],
      {
        stopS: 0.2,
        initial: 'operating-point',
        events: [{ atS: 0.1, id: 'S', closed: false }],
        sampleTimesS: [0.102],
        sample: (_, probe): void => {
          at = probe.current('coil');
        },
      },
    );
    expect(at).toBeCloseTo(1.2 * Math.exp((-0.002 * 60) / 0.1), 3);
  });

  test('joining charged capacitors through nothing is refused; through a resistance they share charge', () => {
    const parts = [farad('C', 'a', '0', 1e-3, 400), farad('D', 'b', '0', 1e-3), ohm('leak', 'b', '0', 1e6)];
    expect(() =>
      run([...parts, { id: 'S', kind: 'switch', a: 'a', b: 'b', closed: false }], {
        stopS: 1,
        events: [{ atS: 0.5, id: 'S', closed: true }],
      }),
    ).toThrow(NetworkError);
    let shared = 0;
    const result = figuresOf(
      run([...parts, { id: 'S', kind: 'switch', a: 'a', b: 'b', closed: false, resistanceOhm: 0.01 }], {
        stopS: 1,
        events: [{ atS: 0.5, id: 'S', closed: true }],
        sampleTimesS: [0.6],
        sample: (_, probe): void => {
          shared = probe.voltage('b', '0');
        },
      }),
    );
    expect(shared).toBeCloseTo(200, 1);
    // Half of the energy is lost whatever the resistance: ¼·C·V².
    expect(result.elements.get('S')!.energyJ / (0.25 * 1e-3 * 400 ** 2)).toBeCloseTo(1, 3);
    expect(result.elements.get('S')!.peakCurrentA).toBeCloseTo(40000, 0);
  });

  test('parallel capacitors with equal voltage are no trouble', () => {
    const result = figuresOf(
      run([volts('V', 'a', '0', 400), ohm('R', 'a', 'b', 50), farad('C', 'b', '0', 6e-4), farad('D', 'b', '0', 4e-4)], {
        stopS: 1,
        thresholds: [{ id: '95', a: 'b', b: '0', voltageV: 380, direction: 'rising' }],
      }),
    );
    expect(result.crossingsS.get('95')![0]).toBeCloseTo(-0.05 * Math.log(0.05), 5);
  });
});

describe('a floating body between Y-capacitors', () => {
  const body = (first: number, second: number): Element[] => [
    volts('V', 'p', '0', 400, 0.1),
    farad('Y1', 'p', 'body', first),
    farad('Y2', 'body', '0', second),
    { id: 'touch', kind: 'switch', a: 'body', b: '0', closed: false, resistanceOhm: 1000 },
  ];

  test('starts where its capacitances put it: V·C1/(C1 + C2)', () => {
    let at = 0;
    run(body(1e-7, 3e-7), {
      stopS: 1e-3,
      initial: 'operating-point',
      sampleTimesS: [0],
      sample: (_, probe): void => {
        at = probe.voltage('body', '0');
      },
    });
    expect(at).toBeCloseTo(100, 6);
  });

  test('a hand that touches it takes ½·(C1 + C2)·V²', () => {
    const result = figuresOf(
      run(body(1e-7, 1e-7), {
        stopS: 5e-3,
        initial: 'operating-point',
        events: [{ atS: 1e-3, id: 'touch', closed: true }],
      }),
    );
    expect(result.elements.get('touch')!.energyJ / (0.5 * 2e-7 * 200 ** 2)).toBeCloseTo(1, 3);
    expect(result.elements.get('touch')!.peakCurrentA).toBeCloseTo(0.2, 4);
    expect(result.elements.get('V')!.peakCurrentAtS).toBeGreaterThanOrEqual(1e-3);
  });
});
