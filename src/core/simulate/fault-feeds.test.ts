import { describe, expect, test } from 'vitest';
import { assess } from '../assess';
import { firn9, larkspur } from '../build/samples';
import { figuresOf } from '../testing/figures-of';
import { faultFeeds, firstMoment, turningMotorA } from '.';

const at = (a: string, b: string) => ({ a, b, corner: 'highest' as const });

describe('link capacitors in a fault, against the transient of the whole network', () => {
  test.each([
    ['firn-9', assess(firn9()).vehicle, 'c-inv-plus'],
    ['larkspur', assess(larkspur()).vehicle, 'c-inv-plus'],
  ] as const)('%s, shorted at the bus: the inverter’s link empties through its own wires', (_, vehicle, wire) => {
    const moment = figuresOf(firstMoment(vehicle, 'j-plus.n', 'j-minus.n', 'highest')).elements.get(wire)!;
    const feeds = faultFeeds(vehicle, at('j-plus.n', 'j-minus.n'));
    expect(feeds.i2tOf(wire, 0) / moment.i2tA2s).toBeGreaterThan(0.97);
    expect(feeds.i2tOf(wire, 0) / moment.i2tA2s).toBeLessThan(1.1);
    expect(feeds.capacitorPeakA(wire) / Math.abs(moment.peakA)).toBeCloseTo(1, 1);
  });

  test('what several capacitors give together is never taken for less than the transient has', () => {
    const { vehicle } = assess(firn9());
    const moment = figuresOf(firstMoment(vehicle, 'heater.plus', 'heater.minus', 'highest')).elements;
    const feeds = faultFeeds(vehicle, at('heater.plus', 'heater.minus'));
    expect(feeds.i2tOf('c-inv-plus', 0)).toBeGreaterThan(moment.get('c-inv-plus')!.i2tA2s);
    expect(feeds.capacitorPeakA('c-inv-plus')).toBeGreaterThan(Math.abs(moment.get('c-inv-plus')!.peakA));
  });

  test('what no capacitor’s current passes takes nothing of it', () => {
    const { vehicle } = assess(firn9());
    const feeds = faultFeeds(vehicle, at('j-plus.n', 'j-minus.n'));
    expect(feeds.i2tOf('k-plus', 0)).toBeCloseTo(0, 9);
    expect(faultFeeds(vehicle, at('nowhere', 'j-minus.n')).i2tOf('c-inv-plus', 1)).toBe(0);
  });
});

test('a permanent-magnet motor feeds 3·√2/π of its phase current, 400 A · 1.3505; an induction motor nothing', () => {
  expect(turningMotorA(assess(firn9()).vehicle)).toBeCloseTo(400 * 1.35047, 2);
  expect(turningMotorA(assess(larkspur()).vehicle)).toBeNull();
  const feeds = faultFeeds(assess(firn9()).vehicle, at('j-plus.n', 'j-minus.n'));
  expect(feeds.i2tOf('c-inv-plus', 2) - feeds.i2tOf('c-inv-plus', 0)).toBeCloseTo((400 * 1.35047) ** 2 * 2, -2);
});
