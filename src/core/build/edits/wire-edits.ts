import type { Draft } from 'immer';
import { type Build, type Conductor, findConductor, findDevice, type Id, own } from '../types';
import { define } from './definition';
import { circuitNameOfConductor, conductorToEdit, deviceToEdit, refuseUsedId } from './helpers';
import { EditRefused } from './refused';

const wireName = (build: Build, id: Id): string => findConductor(build, id)?.name ?? 'a wire';

const lowWire = (draft: Draft<Build>, id: Id): Draft<Conductor> => {
  const wire = conductorToEdit(draft, id);
  if (!Object.hasOwn(draft.circuits.lv.conductors, id) || wire.kind !== 'cable')
    throw new EditRefused(`${wire.name} is no 12-volt wire.`, 'Looms here are of 12-volt wires; HV cables lie apart.');
  return wire;
};

/** A protection class, or two where jets and dipping were both tested: "IP67", "IP66/IP67". */
export const INGRESS = /^IP[0-6X][0-9X]K?(\/IP[0-6X][0-9X]K?)?$/;

/** Through the body from one earth point to another, with its two joints, until it is measured, Ω (generic). */
const BODY_OHM = 0.001;

/** Looms, connectors, earth points and protection classes. */
export const WIRE_EDITS = {
  /** A loom without a way on the plan yet: its wires keep their lengths, and warm each other from now on. */
  makeLoom: define<{ routeId: Id; name: string; zoneId: Id; conductorIds: readonly Id[] }>({
    title: (_, { name }) => `tie a loom: ${name.trim()}`,
    apply: (draft, { routeId, name, zoneId, conductorIds }) => {
      if (own(draft.routes, routeId)) throw new EditRefused(`The id "${routeId}" is used already.`, 'Make a fresh id.');
      if (!own(draft.zones, zoneId)) throw new EditRefused('That place is not in the build.', 'Choose another place.');
      if (name.trim() === '' || name.length > 100)
        throw new EditRefused('A loom has a name of 1 to 100 characters.', 'Type a shorter name.');
      draft.routes[routeId] = {
        id: routeId,
        name: name.trim(),
        waypoints: [],
        slackM: 0,
        measuredLengthM: null,
        laid: { zoneId, arrangement: 'single', loadedCircuits: 1, conduit: false },
      };
      for (const id of conductorIds) lowWire(draft, id).routeId = routeId;
    },
  }),

  /** Into a loom, or out of it (null): then it lies where the loom lay, alone, as long as it was. */
  putInLoom: define<{ conductorId: Id; routeId: Id | null; lengthM?: number }>({
    title: (build, { conductorId, routeId }) =>
      routeId === null
        ? `${wireName(build, conductorId)} out of its loom`
        : `${wireName(build, conductorId)} into ${own(build.routes, routeId)?.name ?? 'a loom'}`,
    apply: (draft, { conductorId, routeId, lengthM }) => {
      const wire = lowWire(draft, conductorId);
      const before = own(draft.routes, wire.routeId);
      if (routeId !== null && !own(draft.routes, routeId))
        throw new EditRefused('That loom is no longer in the build.', 'Choose another one.');
      if (lengthM !== undefined && wire.lengthM === null && lengthM > 0) wire.lengthM = lengthM;
      if (routeId === null && before) wire.laid = { ...before.laid };
      wire.routeId = routeId;
    },
  }),

  /** What the weakest plug on a conductor carries; null: it has none, or it is not known. */
  setConnector: define<{ conductorId: Id; connectorA: number | null }>({
    title: (build, { conductorId, connectorA }) =>
      `plug on ${wireName(build, conductorId)}: ${connectorA === null ? 'none' : `${connectorA} A`}`,
    apply: (draft, { conductorId, connectorA }) => {
      const conductor = conductorToEdit(draft, conductorId);
      if (connectorA === null) delete conductor.connectorA;
      else if (connectorA > 0 && connectorA <= 2000) conductor.connectorA = connectorA;
      else throw new EditRefused('A plug carries more than 0 and at most 2000 A.', 'Read it off its sheet.');
    },
  }),

  /** A conductor of the traction circuit as a cable or as a bar: what belongs to the other one alone goes. */
  setConductorKind: define<{ conductorId: Id; kind: 'cable' | 'busbar' }>({
    title: (build, { conductorId, kind }) =>
      `${wireName(build, conductorId)} is a ${kind === 'cable' ? 'cable' : 'busbar'}`,
    apply: (draft, { conductorId, kind }) => {
      const conductor = conductorToEdit(draft, conductorId);
      if (circuitNameOfConductor(draft, conductorId) !== 'hv')
        throw new EditRefused(`${conductor.name} is of the 12-volt side.`, 'Bars of a fuse box come with their fuses.');
      if (kind !== 'cable' && kind !== 'busbar') throw new EditRefused('That is no kind.', 'A cable or a busbar.');
      conductor.kind = kind;
      if (kind === 'cable') delete conductor.sectionMm2;
      else {
        conductor.partId = null;
        delete conductor.connectorA;
      }
    },
  }),

  /** Cross-section of a bar; null: nobody knows it. */
  setBarSection: define<{ conductorId: Id; sectionMm2: number | null }>({
    title: (build, { conductorId, sectionMm2 }) =>
      `section of ${wireName(build, conductorId)}: ${sectionMm2 === null ? 'not told' : `${sectionMm2} mm²`}`,
    apply: (draft, { conductorId, sectionMm2 }) => {
      const conductor = conductorToEdit(draft, conductorId);
      if (conductor.kind !== 'busbar')
        throw new EditRefused(`${conductor.name} is no busbar.`, 'The size of a cable is that of its part.');
      if (sectionMm2 === null) delete conductor.sectionMm2;
      else if (sectionMm2 > 0 && sectionMm2 <= 5000) conductor.sectionMm2 = sectionMm2;
      else throw new EditRefused('A busbar has more than 0 and at most 5000 mm².', 'Width times thickness.');
    },
  }),

  /** Another earth point on the body, joined to the first one through it; the resistance is to be measured. */
  addEarthPoint: define<{ id: Id; wireId: Id; name: string }>({
    title: (_, { name }) => `an earth point, ${name.trim()}`,
    apply: (draft, { id, wireId, name }) => {
      const { lv } = draft.circuits;
      const first = Object.values(lv.devices).find(({ kind }) => kind === 'earth');
      if (!first) throw new EditRefused('There is no first earth point.', 'Lay out the 12-volt feed first.');
      if (name.trim() === '' || name.length > 100)
        throw new EditRefused('A name has 1 to 100 characters.', 'Type a shorter name.');
      refuseUsedId(draft, id);
      refuseUsedId(draft, wireId);
      lv.devices[id] = { id, kind: 'earth', name: name.trim(), partId: null, place: null };
      lv.conductors[wireId] = {
        id: wireId,
        name: `Body, ${name.trim()} to ${first.name}`.slice(0, 120),
        kind: 'bolted',
        a: { deviceId: id, terminal: 'n' },
        b: { deviceId: first.id, terminal: 'n' },
        partId: null,
        parallel: 1,
        routeId: null,
        lengthM: null,
        laid: null,
        jointResistanceOhm: BODY_OHM,
      };
    },
  }),

  /** Lands the earth wire of a load on another earth point. */
  landEarth: define<{ conductorId: Id; earthId: Id }>({
    title: (build, { conductorId, earthId }) =>
      `${wireName(build, conductorId)} to ${findDevice(build, earthId)?.name ?? 'an earth point'}`,
    apply: (draft, { conductorId, earthId }) => {
      const wire = lowWire(draft, conductorId);
      if (deviceToEdit(draft, earthId).kind !== 'earth')
        throw new EditRefused('That is no earth point.', 'Choose an earth point.');
      const end = (['a', 'b'] as const).find((one) => findDevice(draft as Build, wire[one].deviceId)?.kind === 'earth');
      if (!end) throw new EditRefused(`${wire.name} goes to no earth point.`, 'Choose the earth wire of a load.');
      wire[end] = { deviceId: earthId, terminal: 'n' };
    },
  }),

  /** Resistance between two joints as measured, Ω. */
  setJoint: define<{ conductorId: Id; resistanceOhm: number }>({
    title: (build, { conductorId }) => `joints of ${wireName(build, conductorId)} measured`,
    apply: (draft, { conductorId, resistanceOhm }) => {
      if (!(resistanceOhm >= 0 && resistanceOhm <= 1))
        throw new EditRefused('A joint has 0 to 1 Ω.', 'Measure it with four wires, in milliohms.');
      conductorToEdit(draft, conductorId).jointResistanceOhm = resistanceOhm;
    },
  }),

  /** What a device's case keeps out; null: not known. */
  setIngress: define<{ deviceId: Id; ingress: string | null }>({
    title: (build, { deviceId, ingress }) =>
      `${findDevice(build, deviceId)?.name ?? 'a device'}: ${ingress ?? 'protection class not known'}`,
    apply: (draft, { deviceId, ingress }) => {
      const device = deviceToEdit(draft, deviceId);
      if (ingress === null) delete device.ingress;
      else if (INGRESS.test(ingress)) device.ingress = ingress;
      else
        throw new EditRefused('That is no protection class.', 'Write it as IP67, or IP66/IP67 where both were tested.');
    },
  }),
};
