import { describe, expect, test } from 'vitest';
import { assess } from '../assess';
import { firn9 } from '../build/samples';
import { figuresOf } from '../testing/figures-of';
import { faultBetween, firstMoment } from '.';
import { faultElements, inductances } from './fault-network';
import { CAPACITOR_H, CAPACITOR_OHM } from './fault-transient';

const { vehicle } = assess(firn9());
const moment = figuresOf(firstMoment(vehicle, 'heater.plus', 'heater.minus', 'highest'));

describe('the first moment of a fault', () => {
  test('at the bus the inverter’s link gives more than the pack could: V·√(C/L) of its loop is the bound', () => {
    const bus = figuresOf(firstMoment(vehicle, 'j-plus.n', 'j-minus.n', 'highest'));
    const pack = faultBetween(vehicle, 'j-plus.n', 'j-minus.n', 'highest')!;
    const henry = inductances(vehicle);
    const loopH = henry.get('c-inv-plus')! + henry.get('c-inv-minus')! + CAPACITOR_H;
    const bound = pack.voltageV * Math.sqrt(0.0011 / loopH);
    const fromLink = Math.abs(bus.elements.get('c-inv-plus')!.peakA);
    expect(fromLink).toBeLessThan(bound);
    expect(fromLink).toBeGreaterThan(0.6 * bound);
    expect(bus.peakA).toBeGreaterThan(pack.prospectiveA);
    expect(bus.peakAtS).toBeLessThan(pack.timeConstantS);
  });

  test('what passes the heater’s fuse passes its wires: one loop, one current', () => {
    const fuse = Math.abs(moment.elements.get('f-heater')!.peakA);
    for (const id of ['c-heat-plus', 'c-heat-tap'])
      expect(Math.abs(moment.elements.get(id)!.peakA)).toBeCloseTo(fuse, 0);
    // Its own small capacitor adds in the short itself, not in the fuse.
    expect(moment.peakA).toBeGreaterThanOrEqual(fuse - 1);
  });

  test('agrees with a plain fixed-step integration of the same network, nodes by dense elimination', () => {
    // Second opinion: implicit trapezoid written out here, 1 µs steps, companion models, Gaussian elimination.
    const henry = inductances(vehicle);
    const dt = 2.5e-7;
    const stamped = faultElements(vehicle, 'highest', [], true).filter((one) => one.kind !== 'switch' || one.closed);
    const names = new Map<string, number>();
    const at = (node: string) => names.get(node) ?? names.set(node, names.size).get(node)!;
    for (const { a, b } of stamped) [a, b].forEach(at);
    const n = names.size;
    const ground = at('box-front.minus');
    // Every capacitor stands at the open voltage of the bus.
    const busV = faultBetween(vehicle, 'inverter.plus', 'inverter.minus', 'highest')!.voltageV;
    type Branch = {
      a: number;
      b: number;
      r: number;
      l: number;
      e: number;
      c: number;
      i: number;
      vl: number;
      vc: number;
    };
    const branches: Branch[] = stamped.map((one) => ({
      a: at(one.a),
      b: at(one.b),
      r: one.kind === 'capacitor' ? CAPACITOR_OHM : 'resistanceOhm' in one ? (one.resistanceOhm ?? 0) : 0,
      l: one.kind === 'capacitor' ? CAPACITOR_H : (henry.get(one.id) ?? 0),
      e: one.kind === 'source' ? one.voltageV : 0,
      c: one.kind === 'capacitor' ? one.capacitanceF : 0,
      i: 0,
      vl: 0,
      vc: one.kind === 'capacitor' ? busV : 0,
    }));
    const short: Branch = {
      a: at('heater.plus'),
      b: at('heater.minus'),
      r: 1e-4,
      l: 0,
      e: 0,
      c: 0,
      i: 0,
      vl: 0,
      vc: 0,
    };
    const all = [...branches, short];
    let peak = 0;
    let i2t = 0;
    for (let step = 0; step < 8000; step++) {
      const matrix = Array.from({ length: n }, () => new Float64Array(n + 1));
      const companions = all.map((one) => {
        // v = e + z·i + u with z and u of the step.
        const z = one.r + (2 * one.l) / dt + (one.c > 0 ? dt / (2 * one.c) : 0);
        const u = one.e - ((2 * one.l) / dt) * one.i - one.vl + (one.c > 0 ? one.vc + (dt / (2 * one.c)) * one.i : 0);
        return { z: Math.max(z, 1e-9), u };
      });
      all.forEach((one, k) => {
        const { z, u } = companions[k]!;
        const rows = [
          [one.a, one.b, 1],
          [one.b, one.a, -1],
        ] as const;
        for (const [p, q, sign] of rows) {
          matrix[p]![p]! += 1 / z;
          matrix[p]![q]! -= 1 / z;
          matrix[p]![n]! += (sign * u) / z;
        }
      });
      matrix[ground]!.fill(0);
      matrix[ground]![ground] = 1;
      const v = eliminate(matrix, n);
      all.forEach((one, k) => {
        const { z, u } = companions[k]!;
        const i = (v[one.a]! - v[one.b]! - u) / z;
        if (one.l > 0) one.vl = ((2 * one.l) / dt) * (i - one.i) - one.vl;
        if (one.c > 0) one.vc += (dt / (2 * one.c)) * (i + one.i);
        if (one === short) i2t += (dt * (i * i + one.i * one.i)) / 2;
        one.i = i;
      });
      peak = Math.max(peak, Math.abs(short.i));
    }
    expect(Math.abs(moment.peakA / peak - 1)).toBeLessThan(0.005);
    expect(Math.abs(moment.i2tA2s / i2t - 1)).toBeLessThan(0.005);
  });

  test('nothing between a node and itself, and nothing without cells', () => {
    expect(firstMoment(vehicle, 'heater.plus', 'heater.plus', 'highest')).toBeNull();
    expect(firstMoment(vehicle, 'heater.plus', 'nowhere', 'highest')).toBeNull();
  });
});

function eliminate(matrix: Float64Array[], n: number): Float64Array {
  for (let k = 0; k < n; k++) {
    let best = k;
    for (let r = k + 1; r < n; r++) if (Math.abs(matrix[r]![k]!) > Math.abs(matrix[best]![k]!)) best = r;
    [matrix[k], matrix[best]] = [matrix[best]!, matrix[k]!];
    const row = matrix[k]!;
    if (row[k] === 0) continue;
    for (let r = k + 1; r < n; r++) {
      const factor = matrix[r]![k]! / row[k]!;
      if (factor === 0) continue;
      for (let c = k; c <= n; c++) matrix[r]![c]! -= factor * row[c]!;
    }
  }
  const x = new Float64Array(n);
  for (let k = n - 1; k >= 0; k--) {
    let sum = matrix[k]![n]!;
    for (let c = k + 1; c < n; c++) sum -= matrix[k]![c]! * x[c]!;
    x[k] = matrix[k]![k] === 0 ? 0 : sum / matrix[k]![k]!;
  }
  return x;
}
