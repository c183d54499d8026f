import type { Draft } from 'immer';
import type { CablePart, CoilSuppression, FusePart } from '../../parts/types';
import {
  type Build,
  type Conductor,
  type Device,
  type DeviceKind,
  findDevice,
  type Id,
  own,
  type StateId,
} from '../types';
import { define } from './definition';
import { addPart, deviceToEdit, refuseUsedId } from './helpers';
import { EditRefused } from './refused';

export interface LayOutCoilsInput {
  /** Random start of all ids, made at the edge. */
  readonly seed: string;
  /** Of the loop and of each coil's way out and back. */
  readonly wire: CablePart;
  readonly fuse: FusePart;
  /** Between two things of the loop, and from the loop to a coil, m. */
  readonly loopLengthM: number;
  readonly coilLengthM: number;
}

const STATE_WORDS: Partial<Record<StateId, string>> = { 'hard-acceleration': 'hard acceleration' };

/**
 * The loop that feeds every contactor coil: auxiliary battery, fuse, key, what the school of emergency stop asks for, inertia switch,
 * interlock of lids and plugs, the auxiliary contact of each disconnect, then a driver and the coil of each contactor, and one return.
 */
export function layOutCoils(draft: Draft<Build>, input: LayOutCoilsInput): void {
  const contactors = Object.values(draft.circuits.hv.devices).filter((device) => device.kind === 'contactor');
  if (contactors.length === 0)
    throw new EditRefused(
      'There is no contactor whose coil could be fed.',
      'Lay out the traction circuit in Pack first.',
    );
  const wired = new Set(
    Object.values(draft.circuits.lv.conductors).flatMap(({ a, b }) =>
      [a, b].map((end) => `${end.deviceId}.${end.terminal}`),
    ),
  );
  if (contactors.some(({ id }) => wired.has(`${id}.coilPlus`) || wired.has(`${id}.coilMinus`)))
    throw new EditRefused('Coils are wired already.', 'Press a wire of the loop to put something in or take it out.');
  for (const lengthM of [input.loopLengthM, input.coilLengthM])
    if (!(lengthM > 0 && lengthM <= 100))
      throw new EditRefused('A wire is above 0 and at most 100 m.', 'Type its length.');
  addPart(draft, input.wire);
  addPart(draft, input.fuse);
  const zoneId = Object.hasOwn(draft.zones, 'zone-cabin') ? 'zone-cabin' : Object.keys(draft.zones)[0]!;
  let count = 0;
  const device = (key: string, kind: DeviceKind, name: string, partId: Id | null = null): Id => {
    const id = `${input.seed}-${key}`;
    refuseUsedId(draft, id);
    draft.circuits.lv.devices[id] = { id, kind, name, partId, place: null } as Draft<Device>;
    return id;
  };
  const wire = (name: string, a: readonly [Id, string], b: readonly [Id, string], lengthM: number) => {
    const id = `${input.seed}-w${++count}`;
    refuseUsedId(draft, id);
    const conductor: Conductor = {
      id,
      name: name.slice(0, 120),
      kind: 'cable',
      a: { deviceId: a[0], terminal: a[1] },
      b: { deviceId: b[0], terminal: b[1] },
      partId: input.wire.id,
      parallel: 1,
      routeId: null,
      lengthM,
      laid: { zoneId, arrangement: 'single', loadedCircuits: 1, conduit: false },
      jointResistanceOhm: null,
    };
    draft.circuits.lv.conductors[id] = conductor as Draft<Conductor>;
  };
  const battery =
    Object.values(draft.circuits.lv.devices).find(({ kind }) => kind === 'auxiliary-battery')?.id ??
    device('battery', 'auxiliary-battery', 'Auxiliary battery');
  const stopByWire = draft.schools.emergencyStop !== 'mechanical';
  const disconnects = Object.values(draft.circuits.hv.devices).filter(({ kind }) => kind === 'disconnect');
  const loop: readonly (readonly [Id, string, string])[] = [
    [device('fuse', 'lv-fuse', 'Coil fuse', input.fuse.id), 'a', 'b'],
    [device('key', 'lv-switch', 'Key'), 'a', 'b'],
    ...(stopByWire ? [[device('stop', 'emergency-stop', 'Emergency stop'), 'a', 'b'] as const] : []),
    [device('inertia', 'inertia-switch', 'Inertia switch'), 'a', 'b'],
    [device('interlock', 'interlock-contact', 'Interlock contacts'), 'a', 'b'],
    ...disconnects.map(({ id }) => [id, 'auxA', 'auxB'] as const),
  ];
  let from: readonly [Id, string] = [battery, 'plus'];
  for (const [id, a, b] of loop) {
    const name = findDevice(draft as Build, id)!.name;
    wire(`To ${name}`, from, [id, a], from[0] === battery ? 0.3 : input.loopLengthM);
    from = [id, b];
  }
  const feed = device('feed', 'lv-junction', 'Coil feed');
  const back = device('return', 'lv-junction', 'Coil return');
  const earth = device('earth', 'earth', 'Earth point');
  wire('To the coil feed', from, [feed, 'n'], input.loopLengthM);
  contactors.forEach((contactor, index) => {
    const driver = device(`driver-${index + 1}`, 'lv-switch', `Driver ${contactor.name}`.slice(0, 120));
    wire(`Feed to driver ${contactor.name}`, [feed, 'n'], [driver, 'a'], 0.3);
    wire(`Coil plus ${contactor.name}`, [driver, 'b'], [contactor.id, 'coilPlus'], input.coilLengthM);
    wire(`Coil minus ${contactor.name}`, [contactor.id, 'coilMinus'], [back, 'n'], input.coilLengthM);
  });
  if (stopByWire) {
    // A second contact of the handle in the return: one bridged contact or one wire touching plus then holds nothing in.
    const second = device('stop-return', 'emergency-stop', 'Emergency stop, second contact');
    wire('Return to the emergency stop', [back, 'n'], [second, 'a'], input.loopLengthM);
    wire('Return to earth', [second, 'b'], [earth, 'n'], input.loopLengthM);
  } else wire('Return to earth', [back, 'n'], [earth, 'n'], 0.5);
  wire('Battery to earth', [earth, 'n'], [battery, 'minus'], 0.5);
}

export const COIL_EDITS = {
  layOutCoils: define<LayOutCoilsInput>({ title: () => 'lay out the coil circuit', apply: layOutCoils }),

  /** A driver and two wires for the coil of a contactor that was added later, beside another coil of the circuit. */
  wireCoil: define<{ deviceId: Id; seed: string; wire: CablePart; lengthM: number }>({
    title: (build, { deviceId }) => `wire the coil of ${findDevice(build, deviceId)?.name ?? 'a contactor'}`,
    apply: (draft, { deviceId, seed, wire, lengthM }) => {
      const device = deviceToEdit(draft, deviceId);
      if (device.kind !== 'contactor') throw new EditRefused(`${device.name} has no coil.`, 'Choose a contactor.');
      const { lv } = draft.circuits;
      const farOf = (id: Id, terminal: string): Conductor['a'] | undefined => {
        for (const { a, b } of Object.values(lv.conductors)) {
          if (a.deviceId === id && a.terminal === terminal) return { ...b };
          if (b.deviceId === id && b.terminal === terminal) return { ...a };
        }
        return undefined;
      };
      if (farOf(deviceId, 'coilPlus') || farOf(deviceId, 'coilMinus'))
        throw new EditRefused('Its coil has wires already.', 'Remove them first.');
      const beside = Object.values(draft.circuits.hv.devices).find(
        ({ id, kind }) => kind === 'contactor' && farOf(id, 'coilPlus') && farOf(id, 'coilMinus'),
      );
      if (!beside) throw new EditRefused('No other coil is wired yet.', 'Lay out the coil circuit first.');
      const before = farOf(beside.id, 'coilPlus')!;
      const driven = lv.devices[before.deviceId]?.kind === 'lv-switch';
      const feed = driven ? (farOf(before.deviceId, before.terminal === 'a' ? 'b' : 'a') ?? before) : before;
      const back = farOf(beside.id, 'coilMinus')!;
      addPart(draft, wire);
      const driver = `${seed}-driver`;
      refuseUsedId(draft, driver);
      lv.devices[driver] = {
        id: driver,
        kind: 'lv-switch',
        name: `Driver ${device.name}`.slice(0, 120),
        partId: null,
        place: null,
      };
      const zoneId = Object.hasOwn(draft.zones, 'zone-cabin') ? 'zone-cabin' : Object.keys(draft.zones)[0]!;
      const ways: readonly (readonly [string, Conductor['a'], Conductor['a'], number])[] = [
        ['Feed to driver', feed, { deviceId: driver, terminal: 'a' }, 0.3],
        ['Coil plus', { deviceId: driver, terminal: 'b' }, { deviceId, terminal: 'coilPlus' }, lengthM],
        ['Coil minus', { deviceId, terminal: 'coilMinus' }, back, lengthM],
      ];
      ways.forEach(([name, a, b, length], index) => {
        const id = `${seed}-w${index + 1}`;
        refuseUsedId(draft, id);
        lv.conductors[id] = {
          id,
          name: `${name} ${device.name}`.slice(0, 120),
          kind: 'cable',
          a,
          b,
          partId: wire.id,
          parallel: 1,
          routeId: null,
          lengthM: length,
          laid: { zoneId, arrangement: 'single', loadedCircuits: 1, conduit: false },
          jointResistanceOhm: null,
        };
      });
    },
  }),

  /** Puts a disconnect's auxiliary contact into a wire of the coil circuit; the part towards end a keeps the id. */
  putAuxiliaryIn: define<{ deviceId: Id; conductorId: Id; newConductorId: Id }>({
    title: (build, { deviceId }) =>
      `put the auxiliary contact of ${findDevice(build, deviceId)?.name ?? 'a disconnect'} into the loop`,
    apply: (draft, { deviceId, conductorId, newConductorId }) => {
      const device = deviceToEdit(draft, deviceId);
      if (device.kind !== 'disconnect')
        throw new EditRefused(`${device.name} has no auxiliary contact.`, 'Choose a disconnect.');
      const conductor = own(draft.circuits.lv.conductors, conductorId);
      if (!conductor)
        throw new EditRefused('That wire is not in the 12-volt circuit.', 'Choose a wire of the coil circuit.');
      refuseUsedId(draft, newConductorId);
      draft.circuits.lv.conductors[newConductorId] = {
        ...conductor,
        id: newConductorId,
        name: `${conductor.name}, after ${device.name}`.slice(0, 120),
        a: { deviceId, terminal: 'auxB' },
        routeId: null,
      };
      conductor.b = { deviceId, terminal: 'auxA' };
    },
  }),

  setCoilSuppression: define<{ deviceId: Id; suppression: CoilSuppression | null }>({
    title: (build, { deviceId, suppression }) =>
      `${suppression === null ? 'own suppression' : suppression === 'none' ? 'no suppression' : suppression === 'zener' ? 'a zener or TVS' : 'a plain diode'} at ${findDevice(build, deviceId)?.name ?? 'a coil'}`,
    apply: (draft, { deviceId, suppression }) => {
      const device = deviceToEdit(draft, deviceId);
      if (device.kind !== 'contactor')
        throw new EditRefused('Only a contactor has a coil here.', 'Choose a contactor.');
      if (suppression === null) delete device.coilSuppression;
      else device.coilSuppression = suppression;
    },
  }),

  setProvesDead: define<{ provesDead: boolean | null }>({
    title: (_, { provesDead }) =>
      provesDead === null
        ? 'leave open whether the bus is checked for zero volts'
        : provesDead
          ? 'prove the link dead at each key-on'
          : 'no proof of a dead link',
    apply: (draft, { provesDead }) => {
      if (provesDead === null) delete draft.precharge.provesDead;
      else draft.precharge.provesDead = provesDead;
    },
  }),

  /** The owner's own figure for a state; null gives it back to what is derived. */
  setStatePower: define<{ state: StateId; inverterPowerW: number | null }>({
    title: (_, { state, inverterPowerW }) =>
      `${inverterPowerW === null ? 'derived' : 'own'} power in ${STATE_WORDS[state] ?? state}`,
    apply: (draft, { state, inverterPowerW }) => {
      if (inverterPowerW === null) {
        delete draft.states[state];
        return;
      }
      if (!(Math.abs(inverterPowerW) <= 1e6))
        throw new EditRefused(
          'Power is outside −1 MW to 1 MW.',
          'Type what the inverter takes; below zero it feeds back.',
        );
      draft.states[state] = { inverterPowerW };
    },
  }),
};
