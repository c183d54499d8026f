import type { Build, Conductor, Id, Passage, Point, Route } from '../types';

const at = (xM: number, yM: number, zM: number): Point => ({ xM, yM, zM });
const passage = (id: Id, name: string, point: Point, zoneIds: Passage['zoneIds']): Passage => ({
  id,
  name,
  kind: 'grommet',
  at: point,
  zoneIds,
});

/** Where cables go from zone to zone in the shuttle; the HV routes run through them. */
const PASSAGES: readonly Passage[] = [
  passage('p-bulk-right', 'Bulkhead, right', at(0.5, -0.42, 0.42), ['zone-bay', 'zone-underbody']),
  passage('p-bulk-left', 'Bulkhead, left', at(0.5, 0.62, 0.45), ['zone-bay', 'zone-underbody']),
  passage('p-boot-right', 'Boot floor, right', at(2, -0.42, 0.42), ['zone-underbody', 'zone-boot']),
  passage('p-boot-left', 'Boot floor, left', at(2, 0.42, 0.42), ['zone-underbody', 'zone-boot']),
  passage('p-boot-lamps', 'Boot floor, lamps', at(2.05, 0.62, 0.45), ['zone-underbody', 'zone-boot']),
];

/** Things of the 12-volt side that a loom ends at. */
const STANDS: Readonly<Record<Id, readonly [Point, Id]>> = {
  'low-box': [at(-0.05, -0.55, 0.85), 'zone-bay'],
  'low-tail-load': [at(3.3, 0.6, 0.8), 'zone-boot'],
  'low-brake-lamps-load': [at(3.3, 0.5, 0.8), 'zone-boot'],
  'low-tail-fuse': [at(-0.05, -0.55, 0.85), 'zone-bay'],
  'low-brake-lamps-fuse': [at(-0.05, -0.55, 0.85), 'zone-bay'],
};

const REAR: Route = {
  id: 'loom-rear',
  name: 'Rear loom',
  waypoints: [at(0.5, 0.62, 0.45), at(2.05, 0.62, 0.45)],
  slackM: 0.4,
  measuredLengthM: null,
  laid: { zoneId: 'zone-underbody', arrangement: 'single', loadedCircuits: 1, conduit: true },
  endsFollow: true,
};
const BAY: Route = {
  id: 'loom-bay',
  name: 'Bay loom',
  waypoints: [],
  slackM: 0,
  measuredLengthM: null,
  laid: { zoneId: 'zone-bay', arrangement: 'single', loadedCircuits: 1, conduit: false },
};
const IN_REAR = /^(Tail and plate lamps|Brake lamps) feed$/;
const IN_BAY = /^(Dipped beam, halogen|Wipers|Heater blower|Coolant pump|Vacuum pump|Electro-hydraulic steering) feed$/;

/** Passages, the rear loom with its way through them, and the loom in the bay whose lengths are told. */
export function withWays(build: Build): Build {
  const tied = (wire: Conductor): Conductor =>
    IN_REAR.test(wire.name)
      ? { ...wire, routeId: REAR.id, lengthM: null, laid: null }
      : IN_BAY.test(wire.name)
        ? { ...wire, routeId: BAY.id }
        : wire;
  const { lv } = build.circuits;
  return {
    ...build,
    passages: Object.fromEntries(PASSAGES.map((one) => [one.id, one])),
    routes: { ...build.routes, [REAR.id]: REAR, [BAY.id]: BAY },
    circuits: {
      ...build.circuits,
      lv: {
        devices: Object.fromEntries(
          Object.entries(lv.devices).map(([id, device]) => {
            const stand = STANDS[id];
            return [id, stand ? { ...device, place: { ...stand[0], zoneId: stand[1] } } : device];
          }),
        ),
        conductors: Object.fromEntries(Object.entries(lv.conductors).map(([id, wire]) => [id, tied(wire)])),
      },
    },
  };
}
