import type { Draft } from 'immer';
import type { CablePart, FusePart } from '../../parts/types';
import { hasTrait } from '../devices';
import {
  type AuxiliaryBatteryData,
  type Build,
  type Conductor,
  type ConverterData,
  type Device,
  type End,
  findDevice,
  type Id,
  type LvLoad,
} from '../types';
import { define } from './definition';
import { addPart, deviceToEdit, pruneParts, refuseUsedId, retireAdoptions } from './helpers';
import { at, BOX, fuseBoxOf, lowOf, nextWay, put, putBar } from './low-helpers';
import { EditRefused } from './refused';

export interface LowBaseInput {
  readonly seed: string;
  readonly battery: AuxiliaryBatteryData;
  readonly batteryFuse: FusePart;
  readonly converterFuse: FusePart;
  readonly cable: CablePart;
  /** Battery to fuse box, and converter to battery, m one way. */
  readonly boxLengthM: number;
  readonly converterLengthM: number;
  readonly converter: ConverterData;
}

export interface LowLoadInput {
  readonly seed: string;
  readonly name: string;
  readonly load: LvLoad;
  readonly fuse: FusePart;
  readonly wire: CablePart;
  readonly lengthM: number;
  readonly relay: boolean;
}

const first = (draft: Draft<Build>, kind: Device['kind']): Draft<Device> | undefined =>
  Object.values(lowOf(draft).devices).find((device) => device.kind === kind);

function wire(draft: Draft<Build>, id: Id, name: string, a: End, b: End, cable: CablePart, lengthM: number): void {
  if (!(lengthM > 0 && lengthM <= 100))
    throw new EditRefused('A wire is above 0 and at most 100 m.', 'Type its length.');
  refuseUsedId(draft, id);
  const zoneId = Object.hasOwn(draft.zones, 'zone-bay') ? 'zone-bay' : Object.keys(draft.zones)[0]!;
  const conductor: Conductor = {
    id,
    name: name.slice(0, 120),
    kind: 'cable',
    a,
    b,
    partId: cable.id,
    parallel: 1,
    routeId: null,
    lengthM,
    laid: { zoneId, arrangement: 'single', loadedCircuits: 1, conduit: false },
    jointResistanceOhm: null,
  };
  lowOf(draft).conductors[id] = conductor as Draft<Conductor>;
}

/** An earth point: the one that is there, else a new one on the battery’s minus. */
function earthOf(draft: Draft<Build>, seed: string, batteryId: Id, cable: CablePart): Id {
  const known = first(draft, 'earth');
  if (known) return known.id;
  const id = `${seed}-earth`;
  put(draft, { id, kind: 'earth', name: 'Earth point' });
  wire(draft, `${seed}-w-earth`, 'Earth to battery', at(id, 'n'), at(batteryId, 'minus'), cable, 0.4);
  return id;
}

/** A load with its own fuse in the box, its wire, its relay where asked, and its earth. */
function addLoad(draft: Draft<Build>, { seed, name, load, fuse, wire: part, lengthM, relay }: LowLoadInput): void {
  const box = fuseBoxOf(draft as Build);
  const battery = first(draft, 'auxiliary-battery');
  if (!box || !battery) throw new EditRefused('There is no fuse box yet.', 'Lay out the 12-volt feed first.');
  if (name.trim() === '' || name.length > 100)
    throw new EditRefused('A name has 1 to 100 characters.', 'Type a shorter name.');
  for (const one of [fuse, part]) addPart(draft, one);
  const [loadId, fuseId] = [`${seed}-load`, `${seed}-fuse`];
  put(draft, { id: fuseId, kind: 'lv-fuse', name: `${name} fuse`, partId: fuse.id, way: nextWay(draft) });
  put(draft, { id: loadId, kind: 'lv-load', name, load });
  putBar(draft, `${seed}-bar`, `Bar to ${name} fuse`, at(box.id, 'n'), at(fuseId, 'a'));
  let from = at(fuseId, 'b');
  if (relay) {
    const relayId = `${seed}-relay`;
    put(draft, { id: relayId, kind: 'relay', name: `${name} relay`, ratedA: fuse.ratedCurrentA <= 30 ? 30 : 70 });
    wire(draft, `${seed}-w2`, `${name} fuse to relay`, from, at(relayId, 'a'), part, 0.1);
    from = at(relayId, 'b');
  }
  wire(draft, `${seed}-w3`, `${name} feed`, from, at(loadId, 'plus'), part, lengthM);
  wire(
    draft,
    `${seed}-w4`,
    `${name} earth`,
    at(loadId, 'minus'),
    at(earthOf(draft, seed, battery.id, part), 'n'),
    part,
    Math.max(0.3, lengthM / 2),
  );
}

export const LOW_VOLTAGE_EDITS = {
  /** Auxiliary battery, fuse box and the converter’s cable to it, each source with its fuse. */
  layOutLow: define<LowBaseInput>({
    title: () => 'lay out the 12-volt feed',
    apply: (draft, input) => {
      const { seed, cable } = input;
      if (fuseBoxOf(draft as Build)) throw new EditRefused('There is a fuse box already.', 'Add circuits to it.');
      for (const part of [input.batteryFuse, input.converterFuse, cable]) addPart(draft, part);
      let battery = first(draft, 'auxiliary-battery');
      if (!battery) {
        put(draft, { id: `${seed}-battery`, kind: 'auxiliary-battery', name: 'Auxiliary battery' });
        battery = lowOf(draft).devices[`${seed}-battery`]!;
      }
      battery.battery = { ...input.battery };
      const box = `${seed}-box`;
      put(draft, { id: `${seed}-f-battery`, kind: 'lv-fuse', name: 'Battery fuse', partId: input.batteryFuse.id });
      put(draft, { id: box, kind: 'lv-junction', name: BOX });
      wire(
        draft,
        `${seed}-w1`,
        'Battery to its fuse',
        at(battery.id, 'plus'),
        at(`${seed}-f-battery`, 'a'),
        cable,
        0.15,
      );
      wire(
        draft,
        `${seed}-w2`,
        'Battery to fuse box',
        at(`${seed}-f-battery`, 'b'),
        at(box, 'n'),
        cable,
        input.boxLengthM,
      );
      const earth = earthOf(draft, seed, battery.id, cable);
      // The battery’s own way to earth carries everything that comes back.
      for (const conductor of Object.values(lowOf(draft).conductors))
        if (
          [conductor.a, conductor.b].some(({ deviceId }) => deviceId === earth) &&
          [conductor.a, conductor.b].some(({ deviceId, terminal }) => deviceId === battery.id && terminal === 'minus')
        )
          conductor.partId = cable.id;
      const converter = Object.values(draft.circuits.hv.devices).find(({ kind }) => hasTrait(kind, 'feeds-12-v'));
      if (!converter) return;
      converter.converter = { ...input.converter };
      const fuse = `${seed}-f-converter`;
      put(draft, { id: fuse, kind: 'lv-fuse', name: 'Converter fuse, 12 V', partId: input.converterFuse.id });
      wire(draft, `${seed}-w3`, 'Converter to its fuse', at(converter.id, 'lvPlus'), at(fuse, 'a'), cable, 0.15);
      // Behind the battery’s fuse: each end of this wire has a source, and each source its fuse.
      wire(draft, `${seed}-w4`, 'Converter to battery', at(fuse, 'b'), at(box, 'n'), cable, input.converterLengthM);
      wire(
        draft,
        `${seed}-w5`,
        'Converter to earth',
        at(converter.id, 'lvMinus'),
        at(earth, 'n'),
        cable,
        input.converterLengthM,
      );
    },
  }),

  /** A load with its own fuse in the box, its wire, its relay where asked, and its earth. */
  addLowLoad: define<LowLoadInput>({
    title: (_, { name }) => `add ${name}`,
    apply: addLoad,
  }),

  /** Several loads as one step that can be undone. */
  addLowLoads: define<{ loads: readonly LowLoadInput[] }>({
    title: (_, { loads }) => `add ${loads.length} ${loads.length === 1 ? 'load' : 'loads'}`,
    apply: (draft, { loads }) => {
      for (const one of loads) addLoad(draft, one);
    },
  }),

  setLowLoad: define<{ deviceId: Id; load: LvLoad }>({
    title: (build, { deviceId }) => `change ${findDevice(build, deviceId)?.name ?? 'a load'}`,
    apply: (draft, { deviceId, load }) => {
      const device = deviceToEdit(draft, deviceId);
      if (device.kind !== 'lv-load') throw new EditRefused(`${device.name} is no load.`, 'Choose a load.');
      if (!(load.rating >= 0) || load.rating > 20000)
        throw new EditRefused('A load draws from 0 to 20 000 W or A.', 'Type what its plate says.');
      if (load.peakRating !== undefined && !(load.peakRating >= 0 && load.peakRating <= 20000))
        throw new EditRefused('A peak is from 0 to 20 000 W or A.', 'Type what it draws at its hardest.');
      if (load.peakS !== undefined && !(load.peakS > 0 && load.peakS <= 600))
        throw new EditRefused(
          'A peak lasts above 0 and at most 600 s.',
          'Type how long; what lasts longer is its rating.',
        );
      for (const share of Object.values(load.use))
        if (!(share >= 0 && share <= 1))
          throw new EditRefused('A share of the time is from 0 to 100 %.', 'Type how much of the time it runs.');
      device.load = load;
    },
  }),

  /** Takes a load away with its fuse, relay and wires. */
  dropLowLoad: define<{ deviceId: Id }>({
    title: (build, { deviceId }) => `take ${findDevice(build, deviceId)?.name ?? 'a load'} away`,
    apply: (draft, { deviceId }) => {
      const device = deviceToEdit(draft, deviceId);
      if (device.kind !== 'lv-load') throw new EditRefused(`${device.name} is no load.`, 'Choose a load.');
      const lv = lowOf(draft);
      const queue = [deviceId];
      while (queue.length > 0) {
        const gone = queue.shift()!;
        for (const [id, { a, b }] of Object.entries(lv.conductors)) {
          if (a.deviceId !== gone && b.deviceId !== gone) continue;
          const other = a.deviceId === gone ? b.deviceId : a.deviceId;
          delete lv.conductors[id];
          retireAdoptions(draft, id);
          const far = lv.devices[other];
          const still = Object.values(lv.conductors).filter(
            (one) => one.a.deviceId === other || one.b.deviceId === other,
          ).length;
          // What served this load alone goes with it.
          if (far && (far.kind === 'lv-fuse' || far.kind === 'relay') && still === 1) queue.push(other);
        }
        delete lv.devices[gone];
      }
      pruneParts(draft);
    },
  }),

  setAuxiliaryBattery: define<{ deviceId: Id; battery: AuxiliaryBatteryData }>({
    title: (_, { battery }) => `auxiliary battery ${battery.capacityAh} Ah`,
    apply: (draft, { deviceId, battery }) => {
      const device = deviceToEdit(draft, deviceId);
      if (device.kind !== 'auxiliary-battery') throw new EditRefused(`${device.name} is no battery.`, 'Choose one.');
      if (!(battery.capacityAh > 0 && battery.capacityAh <= 2000))
        throw new EditRefused('A capacity is above 0 and at most 2000 Ah.', 'Read it off the battery.');
      device.battery = { ...battery };
    },
  }),

  setConverter: define<{ deviceId: Id; converter: ConverterData }>({
    title: (_, { converter }) => `converter ${converter.ratedPowerW} W`,
    apply: (draft, { deviceId, converter }) => {
      const device = deviceToEdit(draft, deviceId);
      if (!hasTrait(device.kind, 'feeds-12-v')) throw new EditRefused(`${device.name} is no converter.`, 'Choose one.');
      device.converter = { ...converter };
    },
  }),

  /** What the contact of a relay or switch carries. */
  setContactRating: define<{ deviceId: Id; ratedA: number }>({
    title: (build, { deviceId, ratedA }) => `${findDevice(build, deviceId)?.name ?? 'a contact'} carries ${ratedA} A`,
    apply: (draft, { deviceId, ratedA }) => {
      const device = deviceToEdit(draft, deviceId);
      if (device.kind !== 'relay' && device.kind !== 'lv-switch')
        throw new EditRefused(`${device.name} has no contact.`, 'Choose a relay or a switch.');
      if (!(ratedA > 0 && ratedA <= 2000))
        throw new EditRefused('A contact carries more than 0 and at most 2000 A.', 'Read it off the relay.');
      device.ratedA = ratedA;
    },
  }),

  /** A main switch into the battery’s plus, open when it stands for long. */
  addMainSwitch: define<{ seed: string; batteryId: Id; cable: CablePart }>({
    title: () => 'put a main switch at the auxiliary battery',
    apply: (draft, { seed, batteryId, cable }) => {
      const lv = lowOf(draft);
      const battery = lv.devices[batteryId];
      if (battery?.kind !== 'auxiliary-battery') throw new EditRefused('That battery is gone.', 'Choose another.');
      if (Object.values(lv.devices).some(({ opensParked }) => opensParked))
        throw new EditRefused('There is a main switch already.', 'One is enough.');
      addPart(draft, cable);
      const id = `${seed}-main-switch`;
      put(draft, { id, kind: 'lv-switch', name: 'Main switch', ratedA: 200, opensParked: true });
      // In the minus, where nothing but the body is behind it.
      for (const conductor of Object.values(lv.conductors))
        for (const end of ['a', 'b'] as const)
          if (conductor[end].deviceId === batteryId && conductor[end].terminal === 'minus')
            conductor[end] = at(id, 'b');
      wire(draft, `${seed}-w-main`, 'Battery minus to main switch', at(id, 'a'), at(batteryId, 'minus'), cable, 0.2);
    },
  }),
};
