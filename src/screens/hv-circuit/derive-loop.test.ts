import { describe, expect, test } from 'vitest';
import type { Build } from '@/core/build';
import { firn9, larkspur, teasel } from '@/core/build/samples';
import { coilFeed, coilReturn } from '@/core/simulate';
import { coilCircuit, resolve } from '@/core/vehicle';
import { layOutLoop } from './derive-loop';

const SAMPLES = [firn9(), larkspur(), teasel()];
const loopOf = (build: Build) => layOutLoop(resolve(build))!;

describe('the coil circuit as a ladder', () => {
  test('every coil and everything that opens on its way stands there once', () => {
    for (const build of SAMPLES) {
      const circuit = coilCircuit(resolve(build))!;
      const ways = circuit.wired.flatMap(({ id }) => [...coilFeed(circuit, id)!, ...coilReturn(circuit, id)!]);
      const stops = circuit.stops.filter(({ id }) => ways.includes(id)).map(({ id }) => id);
      const drawn = loopOf(build).things.filter(({ as }) => as === 'series' || as === 'coil');
      expect(drawn.map(({ id }) => id).sort(), build.name).toEqual(
        [...stops, ...circuit.wired.map(({ id }) => id)].sort(),
      );
    }
  });

  test('every wire on those ways is drawn once, along or across and nowhere aslant', () => {
    for (const build of SAMPLES) {
      const circuit = coilCircuit(resolve(build))!;
      const ways = circuit.wired.flatMap(({ id }) => [...coilFeed(circuit, id)!, ...coilReturn(circuit, id)!]);
      const { wires } = loopOf(build);
      const ids = wires.map(({ id }) => id);
      expect(ids.sort(), build.name).toEqual([...new Set(ways.filter((id) => circuit.lv.conductorOf.has(id)))].sort());
      for (const { id, points } of wires)
        for (const [k, [x, y]] of points.slice(1).entries()) {
          const [x0, y0] = points[k]!;
          expect(Math.min(Math.abs(x - x0), Math.abs(y - y0)), `${build.name}: ${id}`).toBeLessThan(0.01);
        }
    }
  });

  test('nothing stands on anything else, and all of it is inside the drawing', () => {
    for (const build of SAMPLES) {
      const { things, width, height } = loopOf(build);
      for (const p of things) {
        expect(p.x > 0 && p.x < width && p.y > 0 && p.y < height, `${build.name}: ${p.id}`).toBe(true);
        for (const q of things)
          if (p.id < q.id) expect(Math.hypot(p.x - q.x, p.y - q.y), `${p.id}, ${q.id}`).toBeGreaterThan(30);
      }
    }
  });

  test('what stands on no coil’s way is listed beside it; without a battery there is no ladder', () => {
    const build = firn9();
    const { hv, lv } = build.circuits;
    const second = { ...lv.devices['coil-stop']!, id: 'stop-2', name: 'Stop at the rear door' };
    const more = { ...build, circuits: { hv, lv: { ...lv, devices: { ...lv.devices, [second.id]: second } } } };
    expect(loopOf(more).aside.map(({ id }) => id)).toContain('stop-2');
    const { 'coil-battery': _, ...rest } = lv.devices;
    const wires = Object.fromEntries(
      Object.entries(lv.conductors).filter(([, { a, b }]) => ![a, b].some((end) => end.deviceId === 'coil-battery')),
    );
    expect(
      layOutLoop(resolve({ ...build, circuits: { hv, lv: { ...lv, devices: rest, conductors: wires } } })),
    ).toBeNull();
  });
});
