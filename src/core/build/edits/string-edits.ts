import type { Draft } from 'immer';
import type { CablePart, CellPart, ContactorPart, FusePart } from '../../parts/types';
import {
  type Build,
  type Circuit,
  type Conductor,
  type Device,
  type End,
  findDevice,
  type Id,
  type SecondPack,
  TERMINALS,
  type TrailerLink,
} from '../types';
import { define } from './definition';
import { addPart, deviceToEdit, leaveBox, refuseUsedId, whole } from './helpers';
import { EditRefused } from './refused';

export interface AddStringInput {
  /** Random start of all ids, made at the edge. */
  readonly seed: string;
  readonly name: string;
  readonly cell: CellPart;
  readonly cellsInSeries: number;
  readonly cellsInParallel: number;
  readonly fuse: FusePart;
  readonly contactor: ContactorPart;
  readonly cable: CablePart;
  /** Each pole, from the box to where the strings meet, m. */
  readonly lengthM: number;
}

const nodeOf = ({ deviceId, terminal }: End): string => `${deviceId}.${terminal}`;

/** What conducts through a device on the way of the pack's current; a load or a resistor does not. */
const THROUGH: ReadonlySet<string> = new Set(['contactor', 'fuse', 'disconnect', 'sensor', 'box']);

/** Nodes that are reached from one without going through `notThrough`, loads or resistors. */
function reached(circuit: Draft<Circuit>, from: string, notThrough: Id): Set<string> {
  const seen = new Set([from]);
  const queue = [from];
  const go = (node: string) => {
    if (seen.has(node)) return;
    seen.add(node);
    queue.push(node);
  };
  for (let head = 0; head < queue.length; head++) {
    const here = queue[head]!;
    for (const { a, b } of Object.values(circuit.conductors)) {
      if (nodeOf(a) === here) go(nodeOf(b));
      if (nodeOf(b) === here) go(nodeOf(a));
    }
    const device = circuit.devices[here.slice(0, here.lastIndexOf('.'))];
    if (!device || device.id === notThrough || !THROUGH.has(device.kind) || device.role === 'precharge') continue;
    for (const terminal of Object.keys(TERMINALS[device.kind])) go(`${device.id}.${terminal}`);
  }
  return seen;
}

/** Where a second string can meet the first on one pole: the pack's side of the main contactor, else the inverter's own terminal. */
function meetingPoint(draft: Draft<Build>, pole: 'plus' | 'minus'): End {
  const circuit = draft.circuits.hv;
  const devices = Object.values(circuit.devices);
  const contactor = devices.find(({ kind, role }) => kind === 'contactor' && role === `main-${pole}`);
  if (contactor) {
    const box = devices.find(({ kind }) => kind === 'box');
    for (const terminal of ['a', 'b'] as const) {
      const nodes = reached(circuit, `${contactor.id}.${terminal}`, contactor.id);
      if (box && (nodes.has(`${box.id}.plus`) || nodes.has(`${box.id}.minus`)))
        return { deviceId: contactor.id, terminal };
    }
  }
  const inverter = devices.find(({ kind }) => kind === 'inverter');
  if (!inverter)
    throw new EditRefused(
      'There is no circuit that a second string could join.',
      'Lay out the traction circuit first.',
    );
  return { deviceId: inverter.id, terminal: pole };
}

export const STRING_EDITS = {
  /** A pack that might be joined, and how both stand; null: not told any more. */
  setSecondPack: define<{ readonly [K in keyof SecondPack]?: number | null }>({
    title: () => 'the second pack that might be joined',
    apply: (draft, input) => {
      const told: Record<string, number> = { ...draft.secondPack };
      for (const [key, value] of Object.entries(input))
        if (value === null || value === undefined) delete told[key];
        else told[key] = value;
      draft.secondPack = told;
    },
  }),

  /** A box that stands on a trailer, and how it is joined; null: it is carried. */
  setTrailer: define<{ deviceId: Id; trailer: TrailerLink | null }>({
    title: (build, { deviceId, trailer }) =>
      `${findDevice(build, deviceId)?.name ?? 'a box'} ${trailer ? 'stands on a trailer' : 'is carried'}`,
    apply: (draft, { deviceId, trailer }) => {
      const box = deviceToEdit(draft, deviceId);
      if (box.kind !== 'box') throw new EditRefused('Only a box of cells stands on a trailer.', 'Choose a box.');
      if (trailer) box.trailer = trailer;
      else delete box.trailer;
    },
  }),

  /** A second pack beside the first, with its own fuse and contactor, meeting it before the main contactors. */
  addString: define<AddStringInput>({
    title: (_, { name }) => `put ${name} beside the pack`,
    apply: (draft, input) => {
      const { seed, cell, fuse, contactor, cable, lengthM } = input;
      whole(input.cellsInSeries, 1, 500, 'Cells in series');
      whole(input.cellsInParallel, 1, 500, 'Cells in parallel');
      if (!(lengthM > 0 && lengthM <= 100))
        throw new EditRefused(
          'The way to where they meet is above 0 and at most 100 m.',
          'Type the length of one pole.',
        );
      const name = input.name.trim();
      if (name === '' || name.length > 100)
        throw new EditRefused('A name has 1 to 100 characters.', 'Type a shorter name.');
      const plus = meetingPoint(draft, 'plus');
      const minus = meetingPoint(draft, 'minus');
      for (const part of [cell, fuse, contactor, cable]) addPart(draft, part);
      const ids = { box: `${seed}-box`, fuse: `${seed}-fuse`, contactor: `${seed}-contactor` };
      for (const id of Object.values(ids)) refuseUsedId(draft, id);
      const put = (device: Omit<Device, 'place'>) => {
        draft.circuits.hv.devices[device.id] = { ...device, place: null } as Draft<Device>;
      };
      put({
        id: ids.box,
        kind: 'box',
        name,
        partId: cell.id,
        cellsInSeries: input.cellsInSeries,
        cellsInParallel: input.cellsInParallel,
      });
      put({ id: ids.fuse, kind: 'fuse', name: `${name} fuse`, partId: fuse.id });
      put({ id: ids.contactor, kind: 'contactor', name: `${name} contactor`, partId: contactor.id, role: 'branch' });
      const zoneId = Object.hasOwn(draft.zones, 'zone-bay') ? 'zone-bay' : Object.keys(draft.zones)[0]!;
      const wire = (key: string, label: string, a: End, b: End, length: number, pair: boolean) => {
        const id = `${seed}-${key}`;
        refuseUsedId(draft, id);
        const conductor: Draft<Conductor> = {
          id,
          name: `${name} ${label}`,
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
        draft.circuits.hv.conductors[id] = conductor;
      };
      const at = (deviceId: Id, terminal: string): End => ({ deviceId, terminal });
      wire('w1', 'to its fuse', at(ids.box, 'plus'), at(ids.fuse, 'a'), 0.15, false);
      wire('w2', 'to its contactor', at(ids.fuse, 'b'), at(ids.contactor, 'a'), 0.15, false);
      wire('w3', 'plus', at(ids.contactor, 'b'), plus, lengthM, true);
      wire('w4', 'minus', at(ids.box, 'minus'), minus, lengthM, true);
    },
  }),

  /** Takes the strings out that the given devices and conductors are: what a build looks like at a stage without them. */
  leaveStringsOut: define<{ ids: readonly Id[] }>({
    title: () => 'a stage without some strings',
    apply: (draft, { ids }) => {
      const gone = new Set(ids);
      for (const id of gone) {
        delete draft.circuits.hv.devices[id];
        leaveBox(draft, id);
      }
      for (const [id, { a, b }] of Object.entries(draft.circuits.hv.conductors))
        if (gone.has(id) || gone.has(a.deviceId) || gone.has(b.deviceId)) delete draft.circuits.hv.conductors[id];
      // The 12-volt side of a contactor that is not fitted yet.
      for (const [id, { a, b }] of Object.entries(draft.circuits.lv.conductors))
        if (gone.has(a.deviceId) || gone.has(b.deviceId)) delete draft.circuits.lv.conductors[id];
    },
  }),
};
