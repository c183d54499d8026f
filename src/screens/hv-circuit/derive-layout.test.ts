import { expect, test } from 'vitest';
import { applyEdit, type DeviceOf, emptyBuild } from '@/core/build';
import { firn9 } from '@/core/build/samples';
import { cataloguePart } from '@/core/parts';
import { starterLayout } from '@/core/remedies';
import { resolve } from '@/core/vehicle';
import { layOutCircuit } from './derive-layout';

const firn = layOutCircuit(resolve(firn9()));

test('every device and conductor of the sample stands in the drawing once, and nothing is loose', () => {
  const build = firn9();
  const devices = Object.values(build.circuits.hv.devices)
    .filter((device) => device.kind !== 'junction' && device.kind !== 'motor')
    .map((device) => device.id);
  expect(firn.devices.map((placed) => placed.id).sort()).toEqual(devices.sort());
  expect(firn.wires.map((wire) => wire.id).sort()).toEqual(Object.keys(build.circuits.hv.conductors).sort());
  expect(firn.loose).toEqual([]);
});

test('no two devices stand on each other, and all is inside the drawing', () => {
  for (const p of firn.devices) {
    expect(p.x).toBeGreaterThan(0);
    expect(p.x).toBeLessThan(firn.width);
    expect(p.y).toBeLessThan(firn.height);
    for (const q of firn.devices) if (p.id < q.id) expect(Math.hypot(p.x - q.x, p.y - q.y)).toBeGreaterThan(40);
  }
});

test('a circuit laid out from nothing is drawn whole, in either school', () => {
  for (const contactors of ['both-poles', 'single-pole'] as const) {
    const start = applyEdit(emptyBuild('b', 'New'), { edit: 'setSchool', input: { contactors } }).build;
    const choice = {
      cell: cataloguePart('cell-lfp-180', 'cell'),
      cellsInSeries: 40,
      cellsInParallel: 1,
      inverter: cataloguePart('inverter-144-400', 'inverter'),
      runLengthM: 2,
    };
    const { build } = applyEdit(start, { edit: 'layOut', input: starterLayout(start, choice, 's') });
    const layout = layOutCircuit(resolve(build));
    expect(layout.loose).toEqual([]);
    expect(layout.wires.length).toBe(Object.keys(build.circuits.hv.conductors).length);
  }
});

test('what is cut off the pack is listed as loose rather than drawn as connected', () => {
  const build = applyEdit(firn9(), { edit: 'removeDevice', input: { deviceId: 'f-heater' } }).build;
  expect(layOutCircuit(resolve(build)).loose.map((device) => device.id)).toEqual(['heater']);
});

test('a second string in parallel stands at the left with its way to the rails; a device on no wire is loose', () => {
  const build = firn9();
  const { devices, conductors } = build.circuits.hv;
  const wire = (id: string, a: [string, string], b: [string, string]) => ({
    ...conductors['c-rear-plus']!,
    id,
    a: { deviceId: a[0], terminal: a[1] },
    b: { deviceId: b[0], terminal: b[1] },
  });
  const second = {
    ...build,
    circuits: {
      ...build.circuits,
      hv: {
        devices: {
          ...devices,
          'box-second': {
            ...(devices['box-rear'] as DeviceOf<'box'>),
            id: 'box-second',
            name: 'Second',
            cellsInSeries: 90,
          },
          alone: { ...devices['f-mid']!, id: 'alone', name: 'Alone' },
        },
        conductors: {
          ...conductors,
          's-plus': wire('s-plus', ['box-second', 'plus'], ['k-plus', 'a']),
          's-minus': wire('s-minus', ['box-second', 'minus'], ['k-minus', 'a']),
        },
      },
    },
  };
  const layout = layOutCircuit(resolve(second));
  expect(layout.undrawn).toEqual([]);
  // Every device and wire of both strings is drawn once, the second string left of the first, and inside the drawing.
  expect(layout.wires.map(({ id }) => id).sort()).toEqual(Object.keys(second.circuits.hv.conductors).sort());
  const at = (id: string) => layout.devices.find((placed) => placed.id === id)!;
  const left = ['box-front', 'box-rear', 'f-mid', 's-mid'].map((id) => at(id).x);
  expect(new Set(left).size).toBe(1);
  expect(left[0]!).toBeLessThan(at('box-second').x);
  expect(left[0]! - 178 / 2).toBeGreaterThan(layout.left);
  // From plus downwards: rear box, fuse, disconnect, front box.
  expect(['box-rear', 'f-mid', 's-mid', 'box-front'].map((id) => at(id).y)).toEqual(
    ['box-rear', 'f-mid', 's-mid', 'box-front'].map((id) => at(id).y).sort((p, q) => p - q),
  );
  expect(layout.loose.map(({ id }) => id)).toEqual(['alone']);
});
