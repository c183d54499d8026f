import { type Build, findDevice, type Id, SIDES, type WireSide } from '../../build';
import { Sets } from '../../circuit';

import { type Harness, type HarnessWire, harnessOf, type Wiring } from './wires';

/** A loose end whose wire is connected to a source at its other end. */
export interface LiveEnd {
  readonly wire: HarnessWire;
  readonly side: WireSide;
  /** The source: a box of the pack, or the 12-volt battery. */
  readonly source: string;
}

const at = (hostId: Id, terminal: string): string => `${hostId}\0${terminal}`;

/** What carries voltage on with everything switched off: an open contactor, disconnect, switch or relay does not. */
const CARRIES: Readonly<Record<string, readonly (readonly string[])[]>> = {
  box: [['plus', 'minus']],
  fuse: [['a', 'b']],
  'precharge-resistor': [['a', 'b']],
  'discharge-resistor': [['a', 'b']],
  sensor: [['a', 'b']],
  capacitor: [['plus', 'minus']],
  heater: [['plus', 'minus']],
  compressor: [['plus', 'minus']],
  charger: [['plus', 'minus']],
  'charger-converter': [['plus', 'minus']],
  converter: [['plus', 'minus']],
  inverter: [['plus', 'minus', 'u', 'v', 'w']],
  motor: [['u', 'v', 'w']],
  'lv-fuse': [['a', 'b']],
  'emergency-stop': [['a', 'b']],
  'inertia-switch': [['a', 'b']],
  'interlock-contact': [['a', 'b']],
};
const SOURCES: Readonly<Record<string, readonly string[]>> = { box: ['plus', 'minus'], 'auxiliary-battery': ['plus'] };

/** Joint of an end while only landed wires count; what carries on carries, loads of the 12-volt side lead to the body anyway. */
function joined(build: Build, { wires, gone }: Pick<Harness, 'wires' | 'gone'>): Sets {
  const sets = new Sets();
  for (const { devices, conductors } of [build.circuits.hv, build.circuits.lv]) {
    for (const { id, kind } of Object.values(devices))
      for (const group of Object.hasOwn(CARRIES, kind) ? CARRIES[kind]! : [])
        for (const terminal of group.slice(1)) sets.join(at(id, group[0]!), at(id, terminal));
    // A bar or two bolted faces are there with the parts.
    for (const { kind, a, b } of Object.values(conductors))
      if (kind !== 'cable') sets.join(at(a.deviceId, a.terminal), at(b.deviceId, b.terminal));
  }
  // Where they are landed in fact, also where the design has them elsewhere by now, or nowhere.
  const landed = [
    ...wires.flatMap(({ ends: { a, b }, circuit }) => (circuit === 'signal' ? [] : [[a.made, b.made]])),
    ...gone.map(({ ends }) => [ends[0]?.made, ends[1]?.made]),
  ];
  for (const [a, b] of landed)
    if (a && b && isLanded(a.state) && isLanded(b.state)) sets.join(at(a.hostId, a.terminal), at(b.hostId, b.terminal));
  return sets;
}

const isLanded = (state: string): boolean => state === 'landed' || state === 'tested';

/**
 * Ends that hang loose, not insulated, while the other end of their wire is on a source with nothing open between: the cells never switch
 * off, and the 12-volt battery does not either.
 */
export function liveEnds(vehicle: Wiring): readonly LiveEnd[] {
  const { build } = vehicle;
  const { wires, gone, begun } = harnessOf(vehicle);
  if (!begun) return [];
  const sets = joined(build, { wires, gone });
  const sources = [build.circuits.hv, build.circuits.lv].flatMap(({ devices }) =>
    Object.values(devices).flatMap((device) =>
      (Object.hasOwn(SOURCES, device.kind) ? SOURCES[device.kind]! : [])
        .filter(() => device.kind !== 'box' || device.cellsInSeries !== 0)
        .map((terminal) => ({ node: at(device.id, terminal), name: device.name })),
    ),
  );
  const found: LiveEnd[] = [];
  for (const wire of wires) {
    // A sense wire is on a cell; no other signal comes from a source by itself.
    if (wire.circuit === 'signal' && wire.signal !== 'cell-sense') continue;
    for (const side of SIDES) {
      const [loose, other] = [wire.ends[side], wire.ends[side === 'a' ? 'b' : 'a']];
      if (isLanded(loose.state) || loose.state === 'parked' || !isLanded(other.state)) continue;
      // Where it was landed in fact, which need not be where the design has it by now.
      const landed = other.made!;
      const device = findDevice(build, landed.hostId);
      if (!device) continue;
      const source =
        wire.signal === 'cell-sense'
          ? device.kind === 'box'
            ? { name: device.name }
            : undefined
          : sources.find(({ node }) => sets.find(node) === sets.find(at(landed.hostId, landed.terminal)));
      if (source) found.push({ wire, side, source: source.name });
    }
  }
  return found;
}
