import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { assess } from '../assess';
import { applyEdit, type Build, type Edit, EditRefused } from '../build';
import { firn9 } from '../build/samples/firn-9';
import { lengthAlong, overlaps, runsBeside, tightestTurn, wayPoints, zoneAt } from './geometry';

const firn = firn9();
const edited = (build: Build, ...edits: Edit[]): Build =>
  edits.reduce((made, edit) => applyEdit(made, edit).build, build);
const place = (deviceId: string, xM: number): Edit => ({
  edit: 'placeDevice',
  input: { deviceId, xM, zoneId: 'zone-boot' },
});

test('moving the rear box moves what sits in it, and the lengths of its routes by what Pythagoras says', () => {
  const moved = edited(firn, place('box-rear', 2.55));
  const plus = moved.circuits.hv.devices['k-plus']!.place!;
  expect(plus.xM).toBeCloseTo(2.25, 9);
  const length = (build: Build, id: string) => assess(build).vehicle.conductorOf.get(id)!.lengthM!;
  // From (2.45, −0.35, 0.5) and from (2.25, −0.35, 0.5) to the first point (2, −0.42, 0.42).
  const leg = (x: number) => Math.hypot(x - 2, 0.07, 0.08);
  expect(length(firn, 'c-plus') - length(moved, 'c-plus')).toBeCloseTo(leg(2.45) - leg(2.25), 9);
  // A cable inside the box keeps its length.
  expect(length(moved, 'c-rear-plus')).toBe(length(firn, 'c-rear-plus'));
});

test.each([
  [{ edit: 'placeDevice', input: { deviceId: 'box-rear', xM: 9, zoneId: 'zone-boot' } }, /behind the vehicle/],
  [{ edit: 'placeDevice', input: { deviceId: 'box-rear', yM: 1.4, zoneId: 'zone-boot' } }, /beside the vehicle/],
  [{ edit: 'placeDevice', input: { deviceId: 'inverter', xM: -2, zoneId: 'zone-bay' } }, /in front of/],
  [{ edit: 'placeDevice', input: { deviceId: 'box-rear', xM: Number.NaN, zoneId: 'zone-boot' } }, /more than 20 m/],
  [{ edit: 'setRoute', input: { routeId: 'way-mid', measuredLengthM: 0 } }, /no length/],
  [
    { edit: 'setWaypoint', input: { routeId: 'way-mid', index: 7, point: { xM: 1, yM: 0, zM: 0.4 } } },
    /no longer there/,
  ],
  [{ edit: 'putInside', input: { deviceId: 'f-mid', boxId: 'inverter' } }, /Only a box/],
] as [Edit, RegExp][])('%j is refused in words', (edit, words) => {
  expect(() => applyEdit(firn, edit)).toThrow(EditRefused);
  expect(() => applyEdit(firn, edit)).toThrow(words);
});

test('two things in one place are named, and what sits inside a box is not', () => {
  expect(overlaps(firn)).toEqual([]);
  const crowded = edited(firn, {
    edit: 'placeDevice',
    input: { deviceId: 'inverter', xM: 0.05, yM: -0.3, zM: 0.92, zoneId: 'zone-bay' },
  });
  expect(overlaps(crowded).map(([p, q]) => [p.id, q.id].sort())).toEqual([['charger', 'inverter']]);
  expect(assess(crowded).checks.find(({ id }) => id === 'plan.overlap')!.verdict).toBe('fails');
});

const coordinate = fc.double({ min: -2, max: 4, noNaN: true });
const point = fc.record({ xM: coordinate, yM: coordinate, zM: coordinate });
test('a way is never shorter than the straight line between its ends, and one more point never shortens it', () => {
  fc.assert(
    fc.property(fc.array(point, { minLength: 2, maxLength: 8 }), point, fc.nat(8), (points, more, at) => {
      const [first, last] = [points[0]!, points.at(-1)!];
      const straight = Math.hypot(first.xM - last.xM, first.yM - last.yM, first.zM - last.zM);
      const length = lengthAlong(points);
      expect(length).toBeGreaterThanOrEqual(straight - 1e-9);
      const index = 1 + (at % (points.length - 1));
      expect(lengthAlong([...points.slice(0, index), more, ...points.slice(index)])).toBeGreaterThanOrEqual(
        length - 1e-9,
      );
    }),
  );
});

test('a right angle between legs of 0.4 m takes an arc of 0.2 m; a straight way has no turn', () => {
  const turn = [
    { xM: 0, yM: 0, zM: 0 },
    { xM: 0.4, yM: 0, zM: 0 },
    { xM: 0.4, yM: 0.6, zM: 0 },
  ];
  expect(tightestTurn(turn)).toBeCloseTo(0.2, 9);
  expect(tightestTurn(turn.slice(0, 2))).toBeNull();
});

test('a shared route serves a conductor that runs it the other way', () => {
  const route = firn.routes['way-plus']!;
  const forward = wayPoints(firn, route, { deviceId: 'k-plus', terminal: 'b' }, { deviceId: 'j-plus', terminal: 'n' })!;
  const back = wayPoints(firn, route, { deviceId: 'j-plus', terminal: 'n' }, { deviceId: 'k-plus', terminal: 'b' })!;
  expect(lengthAlong(back)).toBeCloseTo(lengthAlong(forward), 9);
});

test('a point lies in the smallest zone around it', () => {
  expect(zoneAt(firn, { xM: 0, yM: 0, zM: 0.7 })).toBe('zone-bay');
  expect(zoneAt(firn, { xM: 1.5, yM: 0, zM: 0.3 })).toBe('zone-underbody');
  expect(zoneAt(firn, { xM: 30, yM: 0, zM: 0.3 })).toBeNull();
});

test('a laid route gives a cable its length and takes its typed one away; taken away it leaves the length behind', () => {
  const laid = firn.circuits.hv.conductors['c-minus']!.laid!;
  const routed = edited(firn, {
    edit: 'layRoute',
    input: {
      routeId: 'new',
      name: 'Minus',
      conductorIds: ['c-minus'],
      waypoints: [{ xM: 0.4, yM: -0.1, zM: 0.6 }],
      laid,
      slackM: 0.1,
    },
  });
  const length = assess(routed).vehicle.conductorOf.get('c-minus')!.lengthM!;
  // Shunt (0.56, −0.1, 0.55) over (0.4, −0.1, 0.6) to the joint (0.3, −0.1, 0.75), and the slack.
  expect(length).toBeCloseTo(Math.hypot(0.16, 0.05) + Math.hypot(0.1, 0.15) + 0.1, 9);
  const dropped = edited(routed, { edit: 'dropRoute', input: { routeId: 'new', lengths: { 'c-minus': length } } });
  expect(dropped.routes.new).toBeUndefined();
  expect(assess(dropped).vehicle.conductorOf.get('c-minus')!.lengthM).toBeCloseTo(length, 12);
});

describe('one way along another', () => {
  const line = (y: number, from = 0, to = 2) => [
    { xM: from, yM: y, zM: 0.4 },
    { xM: to, yM: y, zM: 0.4 },
  ];

  test('parallel ways run along for as long as they overlap: by hand', () => {
    expect(runsBeside(line(0), line(0.05), 0.1)).toBeCloseTo(2, 6);
    expect(runsBeside(line(0), line(0.2), 0.1)).toBe(0);
    // Overlapping from x = 1.2 on, and before it within the round of the end: 0.1 m.
    expect(Math.abs(runsBeside(line(0), line(0, 1.2, 3), 0.1) - (0.8 + 0.1))).toBeLessThan(0.03);
  });

  test('a crossing is as long as twice the distance, whatever its angle makes of it', () => {
    const across = [
      { xM: 1, yM: -1, zM: 0.4 },
      { xM: 1, yM: 1, zM: 0.4 },
    ];
    expect(Math.abs(runsBeside(line(0), across, 0.1) - 0.2)).toBeLessThan(0.03);
    expect(runsBeside(line(0), [across[0]!], 0.1)).toBe(0);
    // Above each other by more than the distance they do not meet.
    expect(
      runsBeside(
        line(0),
        across.map((point) => ({ ...point, zM: 0.6 })),
        0.1,
      ),
    ).toBe(0);
  });
});
