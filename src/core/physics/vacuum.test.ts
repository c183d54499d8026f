import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { assistedStops, cyclic, evacuated, type FlowBasis } from './vacuum';

const PUMP = { flowM3PerS: 0.0003, highestSeaPa: 86000 };

/** The same pump by small explicit steps of the gas law, as the independent opinion. */
function stepped(basis: FlowBasis, volumeM3: number, ambientPa: number, highestPa: number, toPa: number): number {
  let [v, t] = [0, 0];
  const dt = 1e-4;
  while (v < toPa) {
    const share = 1 - v / highestPa;
    // Free air: as much mass as that flow holds at ambient; inlet: as much as it holds at what is in there.
    const pressure = basis === 'free-air' ? ambientPa : ambientPa - v;
    v += ((pressure * PUMP.flowM3PerS * share) / volumeM3) * dt;
    t += dt;
  }
  return t;
}

describe('a pump on a volume', () => {
  test.each([
    ['free-air', 0],
    ['free-air', 1900],
    ['inlet', 0],
    ['inlet', 2800],
  ] as const)('%s at %i m: the closed form is what small steps give', (basis, altitudeM) => {
    const e = evacuated({ ...PUMP, basis }, 0.0055, altitudeM);
    const to = 0.8 * e.highestPa;
    expect(e.timeS(0, to)! / stepped(basis, 0.0055, e.ambientPa, e.highestPa, to)).toBeCloseTo(1, 3);
    expect(e.after(0, e.timeS(0, to)!)).toBeCloseTo(to, 6);
  });

  test('its highest vacuum goes with the air: 72 kPa at 1500 m, 61 kPa at 2800 m of 86 at sea level (reference of the trade)', () => {
    expect(evacuated({ ...PUMP, basis: 'free-air' }, 1, 1500).highestPa / 1000).toBeCloseTo(71.8, 1);
    expect(evacuated({ ...PUMP, basis: 'free-air' }, 1, 2800).highestPa / 1000).toBeCloseTo(61, 0);
  });

  test('what it does not reach takes for ever', () => {
    const e = evacuated({ ...PUMP, basis: 'inlet' }, 0.0055, 1900);
    expect(e.timeS(0, 70000)).toBeNull();
    expect(e.timeS(60000, 50000)).toBe(0);
    expect(e.after(1000, 1e9)).toBeCloseTo(e.highestPa, 3);
  });

  test('an inlet figure takes longer than the same free-air figure, wherever it begins', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.6, noNaN: true }),
        fc.double({ min: 0.01, max: 0.35, noNaN: true }),
        fc.integer({ min: 0, max: 3500 }),
        (from, more, altitudeM) => {
          const [free, inlet] = (['free-air', 'inlet'] as const).map((basis) =>
            evacuated({ ...PUMP, basis }, 0.0055, altitudeM),
          );
          const [a, b] = [from * free!.highestPa, (from + more) * free!.highestPa];
          expect(inlet!.timeS(a, b)!).toBeGreaterThanOrEqual(free!.timeS(a, b)!);
        },
      ),
      { seed: 5, numRuns: 200 },
    );
  });
});

describe('stops that are left', () => {
  test('by hand: 50 to 30 kPa at 8 kPa each: three begin, two leave', () => {
    expect(assistedStops(50000, 30000, 8000)).toEqual({ begun: 3, leaving: 2 });
    // Exactly on the edge counts, whatever the last bit says.
    expect(assistedStops(0.6, 0.3, 0.1)).toEqual({ begun: 4, leaving: 3 });
    expect(assistedStops(20000, 30000, 8000)).toEqual({ begun: 0, leaving: 0 });
  });
});

describe('even applications for long', () => {
  test('duty and starts are those of small steps with a switch of their own', () => {
    const e = evacuated({ ...PUMP, basis: 'free-air' }, 0.0055, 1900);
    const asked = { evacuated: e, onPa: 50000, offPa: 65000, eachPa: 8780, everyS: 37 };
    const found = cyclic(asked);
    let [v, on, ran, starts, t] = [65000, false, 0, 0, 0];
    const dt = 0.01;
    for (let k = 0; k < 600; k++) {
      v = Math.max(0, v - asked.eachPa);
      for (let s = 0; s < asked.everyS / dt; s++, t += dt) {
        if (!on && v <= asked.onPa) {
          on = true;
          starts++;
        }
        if (on) {
          v += e.rate(v) * dt;
          ran += dt;
          if (v >= asked.offPa) on = false;
        }
      }
    }
    expect(found.duty / (ran / t)).toBeCloseTo(1, 2);
    expect(found.startsPerHour / ((starts / t) * 3600)).toBeCloseTo(1, 2);
  });

  test('a switch that is out of reach: the pump never stops and never starts', () => {
    const e = evacuated({ ...PUMP, basis: 'free-air' }, 0.0055, 1900);
    expect(cyclic({ evacuated: e, onPa: 50000, offPa: 70000, eachPa: 5000, everyS: 40 })).toEqual({
      duty: 1,
      startsPerHour: 0,
    });
  });
});
