import type { Draft } from 'immer';
import type { CablePart, FusePart, Part } from '../../parts/types';
import {
  type Build,
  type Circuit,
  type Conductor,
  circuitOfTerminal,
  type Device,
  findDevice,
  type Id,
  own,
} from '../types';
import { define } from './definition';
import {
  addPart,
  deviceToEdit,
  dropOrphanReadings,
  pruneParts,
  refuseMissingPart,
  refuseUsedId,
  retireAdoptions,
} from './helpers';
import { EditRefused } from './refused';

const nameOf = (build: Build, id: Id): string => findDevice(build, id)?.name ?? 'a device';
/** Wire between a bus joint and what is beside it, m, until it is measured. */
const SHORT_M = 0.3;

type Ends = 'a' | 'b';
const conductorsAt = (
  circuit: Draft<Circuit>,
  deviceId: Id,
  terminal: string,
): { conductor: Draft<Conductor>; end: Ends }[] =>
  Object.values(circuit.conductors).flatMap((conductor) =>
    (['a', 'b'] as const).flatMap((end) =>
      conductor[end].deviceId === deviceId && conductor[end].terminal === terminal ? [{ conductor, end }] : [],
    ),
  );

/**
 * Takes a device's 12-volt side out of the coil circuit: the two wires of its auxiliary contact are joined, the wires of its coil go,
 * and a driver that would feed nothing goes with them.
 */
export function leaveCoilCircuit(draft: Draft<Build>, deviceId: Id): void {
  const { lv } = draft.circuits;
  const before = conductorsAt(lv, deviceId, 'auxA')[0];
  const after = conductorsAt(lv, deviceId, 'auxB')[0];
  if (before && after) {
    const far = after.conductor[after.end === 'a' ? 'b' : 'a'];
    const near = before.conductor[before.end === 'a' ? 'b' : 'a'];
    if (far.deviceId !== near.deviceId || far.terminal !== near.terminal) {
      before.conductor[before.end] = { ...far };
      const lengths = [before.conductor.lengthM, after.conductor.lengthM];
      if (lengths[0] != null && lengths[1] != null)
        before.conductor.lengthM = Math.round((lengths[0] + lengths[1]) * 1000) / 1000;
    }
  }
  for (const [id, { a, b }] of Object.entries(lv.conductors)) {
    if (a.deviceId !== deviceId && b.deviceId !== deviceId) continue;
    retireAdoptions(draft, id);
    delete lv.conductors[id];
    const other = lv.devices[a.deviceId === deviceId ? b.deviceId : a.deviceId];
    if (other?.kind !== 'lv-switch') continue;
    for (const [feed, wire] of Object.entries(lv.conductors))
      if (wire.a.deviceId === other.id || wire.b.deviceId === other.id) delete lv.conductors[feed];
    delete lv.devices[other.id];
  }
}

export interface BranchInput {
  /** Random start of all ids, made at the edge. */
  readonly seed: string;
  readonly device: Omit<Device, 'id' | 'place'>;
  readonly part: Part;
  readonly fuse: FusePart;
  readonly cable: CablePart;
  readonly lengthM: number;
}

/** A joint on one pole of the bus: the one that is there, or a new one put into the wire at the inverter. */
function busJoint(draft: Draft<Build>, pole: 'plus' | 'minus', seed: string): Id {
  const inverter = Object.values(draft.circuits.hv.devices).find((device) => device.kind === 'inverter');
  if (!inverter)
    throw new EditRefused(
      'There is no inverter whose bus it could join.',
      'Lay out the traction circuit in Pack first.',
    );
  const found = conductorsAt(draft.circuits.hv, inverter.id, pole)[0];
  if (!found) throw new EditRefused(`The inverter’s ${pole} is not connected.`, 'Connect it to the pack first.');
  const { conductor, end } = found;
  const far = conductor[end === 'a' ? 'b' : 'a'];
  if (draft.circuits.hv.devices[far.deviceId]?.kind === 'junction') return far.deviceId;
  const id = `${seed}-bus-${pole}`;
  refuseUsedId(draft, id);
  draft.circuits.hv.devices[id] = { id, kind: 'junction', name: `Bus ${pole}`, partId: null, place: null };
  const tail: Draft<Conductor> = {
    ...conductor,
    id: `${seed}-tail-${pole}`,
    name: `Bus to inverter ${pole}`,
    a: { deviceId: id, terminal: 'n' },
    b: { deviceId: inverter.id, terminal: pole },
    lengthM: SHORT_M,
    routeId: null,
    laid: conductor.laid,
  };
  conductor[end] = { deviceId: id, terminal: 'n' };
  draft.circuits.hv.conductors[tail.id] = tail;
  return id;
}

/** Joins a device to both poles of the bus, with a fuse of its own at the tap. The id of the device. */
export function hangOnBus(draft: Draft<Build>, { seed, device, part, fuse, cable, lengthM }: BranchInput): Id {
  if (!(lengthM > 0 && lengthM <= 100))
    throw new EditRefused('The way to it is above 0 and at most 100 m.', 'Type the length of one pole.');
  const plus = busJoint(draft, 'plus', seed);
  const minus = busJoint(draft, 'minus', seed);
  for (const one of [part, fuse, cable]) addPart(draft, one);
  refuseMissingPart(draft, device.partId);
  const deviceId = `${seed}-device`;
  const fuseId = `${seed}-fuse`;
  for (const id of [deviceId, fuseId]) refuseUsedId(draft, id);
  const zoneId = Object.hasOwn(draft.zones, 'zone-bay') ? 'zone-bay' : Object.keys(draft.zones)[0]!;
  draft.circuits.hv.devices[deviceId] = { ...device, id: deviceId, place: null } as Draft<Device>;
  draft.circuits.hv.devices[fuseId] = {
    id: fuseId,
    kind: 'fuse',
    name: `${device.name} fuse`.slice(0, 120),
    partId: fuse.id,
    place: null,
  };
  const wire = (key: string, name: string, a: Conductor['a'], b: Conductor['b'], length: number, pair: boolean) => {
    const id = `${seed}-${key}`;
    refuseUsedId(draft, id);
    draft.circuits.hv.conductors[id] = {
      id,
      name: name.slice(0, 120),
      kind: 'cable',
      a,
      b,
      partId: cable.id,
      parallel: 1,
      routeId: null,
      lengthM: length,
      laid: { zoneId, arrangement: pair ? 'touching-pair' : 'single', loadedCircuits: 1, conduit: false },
      jointResistanceOhm: null,
    };
  };
  wire(
    'tap',
    `Bus to ${device.name} fuse`,
    { deviceId: plus, terminal: 'n' },
    { deviceId: fuseId, terminal: 'a' },
    0.15,
    false,
  );
  wire(
    'plus',
    `${device.name} plus`,
    { deviceId: fuseId, terminal: 'b' },
    { deviceId, terminal: 'plus' },
    lengthM,
    true,
  );
  wire(
    'minus',
    `${device.name} minus`,
    { deviceId, terminal: 'minus' },
    { deviceId: minus, terminal: 'n' },
    lengthM,
    true,
  );
  return deviceId;
}

export const TOPOLOGY_EDITS = {
  /** Takes a device out of a wire and joins what it stood between; where several wires meet, a joint takes its place. */
  takeOutDevice: define<{ deviceId: Id }>({
    title: (build, { deviceId }) => `delete ${nameOf(build, deviceId)} and rejoin its wires`,
    apply: (draft, { deviceId }) => {
      const device = deviceToEdit(draft, deviceId);
      const name = own(draft.circuits.hv.devices, deviceId) ? 'hv' : 'lv';
      const circuit = draft.circuits[name];
      if (circuitOfTerminal(device.kind, 'a') !== name || circuitOfTerminal(device.kind, 'b') !== name)
        throw new EditRefused(`${device.name} does not stand in a wire.`, 'Remove it together with its wires.');
      if (name === 'hv') leaveCoilCircuit(draft, deviceId);
      const before = conductorsAt(circuit, deviceId, 'a');
      const after = conductorsAt(circuit, deviceId, 'b');
      const first = before[0];
      const second = after[0];
      if (before.length === 1 && after.length === 1 && first && second) {
        const far = second.conductor[second.end === 'a' ? 'b' : 'a'];
        const near = first.conductor[first.end === 'a' ? 'b' : 'a'];
        if (far.deviceId === near.deviceId && far.terminal === near.terminal)
          throw new EditRefused(
            'Its two wires end on the same terminal: nothing would be left of them.',
            'Remove it together with its wires.',
          );
        first.conductor[first.end] = { ...far };
        const lengths = [first.conductor.lengthM, second.conductor.lengthM];
        // A route's length can't be added to: the wire keeps its route, and the rest has to be told.
        if (lengths[0] != null && lengths[1] != null)
          first.conductor.lengthM = Math.round((lengths[0] + lengths[1]) * 1000) / 1000;
        retireAdoptions(draft, first.conductor.id);
        retireAdoptions(draft, second.conductor.id);
        delete circuit.conductors[second.conductor.id];
        delete circuit.devices[deviceId];
      } else {
        for (const { conductor, end } of [...before, ...after]) conductor[end] = { deviceId, terminal: 'n' };
        const { place } = device;
        circuit.devices[deviceId] = {
          id: deviceId,
          kind: name === 'hv' ? 'junction' : 'lv-junction',
          name: `Joint, was ${device.name}`.slice(0, 120),
          partId: null,
          place,
        };
        for (const [id, conductor] of Object.entries(circuit.conductors))
          if (conductor.a.deviceId === conductor.b.deviceId && conductor.a.terminal === conductor.b.terminal)
            delete circuit.conductors[id];
      }
      if (device.kind === 'relay')
        for (const terminal of ['coilPlus', 'coilMinus'])
          for (const { conductor } of conductorsAt(circuit, deviceId, terminal))
            delete circuit.conductors[conductor.id];
      dropOrphanReadings(draft, deviceId);
      retireAdoptions(draft, deviceId);
      pruneParts(draft);
    },
  }),

  /** What a device leaks to the body, as measured or stated; null: not known. */
  setLeakage: define<{ deviceId: Id; insulationOhm?: number | null; yCapacitanceF?: number | null }>({
    title: (build, { deviceId }) => `leakage of ${nameOf(build, deviceId)}`,
    apply: (draft, { deviceId, insulationOhm, yCapacitanceF }) => {
      const device = deviceToEdit(draft, deviceId);
      if (insulationOhm != null && !(insulationOhm > 0 && insulationOhm <= 1e12))
        throw new EditRefused('An insulation resistance is above 0 Ω.', 'Type what was measured to the body.');
      if (yCapacitanceF != null && !(yCapacitanceF >= 0 && yCapacitanceF <= 1))
        throw new EditRefused(
          'A capacitance to the body is at least 0 F.',
          'Type what the data sheet says of its filter.',
        );
      if (insulationOhm === null) delete device.insulationOhm;
      else if (insulationOhm !== undefined) device.insulationOhm = insulationOhm;
      if (yCapacitanceF === null) delete device.yCapacitanceF;
      else if (yCapacitanceF !== undefined) device.yCapacitanceF = yCapacitanceF;
    },
  }),

  /** A consumer or charger on the bus with its own fuse at the tap. */
  addBranch: define<BranchInput>({
    title: (_, { device }) => `add ${device.name} to the bus`,
    apply: (draft, { seed, device, part, fuse, cable, lengthM }) => {
      if (circuitOfTerminal(device.kind, 'plus') !== 'hv' || device.kind === 'box' || device.kind === 'inverter')
        throw new EditRefused(
          `A ${device.kind} is no branch of the bus.`,
          'Choose a heater, charger, converter or compressor.',
        );
      hangOnBus(draft, { seed, device, part, fuse, cable, lengthM });
    },
  }),
};
