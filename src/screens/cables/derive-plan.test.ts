import { describe, expect, test } from 'vitest';
import { firn9, larkspur, teasel } from '@/core/build/samples';
import { outlineOf, sizeOf, vehicleOf } from '@/core/vehicle';
import { layOutPlan, looseLooms, PLAN_WIDTH, unrouted } from './derive-plan';

const builds = [
  ['Firn 9', firn9()],
  ['Larkspur', larkspur()],
  ['Teasel', teasel()],
] as const;

describe.each(builds)('%s drawn to scale', (_, build) => {
  const vehicle = vehicleOf(build);
  const outline = outlineOf(build);

  test.each(['top', 'side'] as const)('%s: each block is as large as its thing, at its place', (view) => {
    const plan = layOutPlan(vehicle, build, view);
    const devices = { ...build.circuits.hv.devices, ...build.circuits.lv.devices };
    expect(plan.blocks.length).toBeGreaterThan(5);
    for (const block of plan.blocks) {
      const device = devices[block.id]!;
      const size = sizeOf(device);
      expect(block.width / plan.scale).toBeCloseTo(size.lengthM, 9);
      expect(block.height / plan.scale).toBeCloseTo(view === 'top' ? size.widthM : size.heightM, 9);
      const [x, y] = plan.toScreen(device.place!);
      expect([block.x + block.width / 2, block.y + block.height / 2]).toEqual([
        expect.closeTo(x, 9),
        expect.closeTo(y, 9),
      ]);
    }
    const areas = plan.blocks.map(({ width, height }) => width * height);
    expect(areas).toEqual([...areas].sort((p, q) => q - p));
  });

  test('the front is left and the rear right, the whole vehicle within the drawing', () => {
    const plan = layOutPlan(vehicle, build, 'top');
    const at = (xM: number, yM: number) => plan.toScreen({ xM, yM, zM: 0 });
    const [front] = at(outline.x0M, 0);
    const [rear] = at(outline.x1M, 0);
    expect(front).toBeGreaterThan(0);
    expect(front).toBeLessThan(rear);
    expect(rear).toBeLessThan(PLAN_WIDTH);
    // The left side is down, as it drives to the left.
    expect(at(0, outline.halfWidthM)[1]).toBeGreaterThan(at(0, -outline.halfWidthM)[1]);
    expect(at(0, outline.halfWidthM)[1]).toBeLessThan(plan.height);
  });

  test('from the side what is higher is higher', () => {
    const plan = layOutPlan(vehicle, build, 'side');
    const y = (zM: number) => plan.toScreen({ xM: 0, yM: 0, zM })[1];
    expect(y(1)).toBeLessThan(y(0));
  });

  test.each(['top', 'side'] as const)('%s: a move on the drawing is a move of the thing', (view) => {
    const plan = layOutPlan(vehicle, build, view);
    const from = { xM: 1, yM: 0.2, zM: 0.4 };
    const to = { ...from };
    for (const [axis, by] of Object.entries(plan.moved(30, -12))) to[axis as keyof typeof to] += by;
    const [a, b] = [plan.toScreen(from), plan.toScreen(to)];
    expect([b[0] - a[0], b[1] - a[1]]).toEqual([expect.closeTo(30, 9), expect.closeTo(-12, 9)]);
  });

  test('a route has its handles once, however many cables lie in it', () => {
    const { routes } = layOutPlan(vehicle, build, 'top');
    const ids = new Set(routes.map(({ routeId }) => routeId));
    for (const id of ids) {
      const same = routes.filter(({ routeId }) => routeId === id);
      expect(same[0]!.handles.length).toBe(build.routes[id]!.waypoints.length);
      expect(same.slice(1).flatMap(({ handles }) => handles)).toEqual([]);
    }
  });
});

test('a cable that is taken off its way can be laid again; one without a place at its end can’t', () => {
  const build = firn9();
  const cable = Object.values(build.circuits.hv.conductors).find(({ routeId, kind }) => routeId && kind === 'cable')!;
  const loose = {
    ...build,
    circuits: {
      ...build.circuits,
      hv: {
        ...build.circuits.hv,
        conductors: { ...build.circuits.hv.conductors, [cable.id]: { ...cable, routeId: null } },
      },
    },
  };
  const ids = (one: typeof build) => unrouted(vehicleOf(one), one).map(({ id }) => id);
  expect(ids(build)).not.toContain(cable.id);
  expect(ids(loose)).toContain(cable.id);
  const device = loose.circuits.hv.devices[cable.a.deviceId]!;
  const nowhere = {
    ...loose,
    circuits: {
      ...loose.circuits,
      hv: { ...loose.circuits.hv, devices: { ...loose.circuits.hv.devices, [device.id]: { ...device, place: null } } },
    },
  };
  expect(ids(nowhere)).not.toContain(cable.id);
});

test('a loom without a way is offered one as soon as a wire of it has both ends placed', () => {
  const build = firn9();
  const wire = Object.values(build.circuits.lv.conductors).find(
    ({ routeId, a, b }) =>
      routeId !== null &&
      build.routes[routeId]?.endsFollow !== true &&
      [a, b].every(({ deviceId }) => build.circuits.lv.devices[deviceId]),
  )!;
  const routeId = wire.routeId!;
  const place = { zoneId: Object.keys(build.zones)[0]!, xM: 1, yM: 0, zM: 0.5 };
  const looseWith = (placed: readonly string[]) => {
    const devices = Object.fromEntries(
      Object.entries(build.circuits.lv.devices).map(([id, device]) => [
        id,
        { ...device, place: placed.includes(id) ? place : null },
      ]),
    );
    const one = {
      ...build,
      routes: { ...build.routes, [routeId]: { ...build.routes[routeId]!, waypoints: [] } },
      circuits: { ...build.circuits, lv: { ...build.circuits.lv, devices } },
    };
    return looseLooms(vehicleOf(one), one).find(({ id }) => id === routeId)?.ends;
  };
  expect(looseWith([])).toBeUndefined();
  expect(looseWith([wire.a.deviceId])).toBeUndefined();
  expect(looseWith([wire.a.deviceId, wire.b.deviceId])).toEqual([wire.a.deviceId, wire.b.deviceId]);
});
