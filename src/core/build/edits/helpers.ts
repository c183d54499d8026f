import type { Draft } from 'immer';
import type { Part } from '../../parts/types';
import { deviceDefinition } from '../devices';
import { WHOLE } from '../measurable';
import {
  type Build,
  type Circuit,
  type CircuitName,
  type Conductor,
  type Device,
  findConductor,
  findDevice,
  own,
  type StateId,
} from '../types';
import { EditRefused } from './refused';

/** The device that an edit means, to be changed. */
export function deviceToEdit(draft: Draft<Build>, id: string): Draft<Device> {
  const found = findDevice(draft as Build, id);
  if (!found)
    throw new EditRefused(
      'That device is no longer in the build.',
      'It may have been removed in another tab: undo there, or go on without it.',
    );
  return found as Draft<Device>;
}

export function conductorToEdit(draft: Draft<Build>, id: string): Draft<Conductor> {
  const found = findConductor(draft as Build, id);
  if (!found)
    throw new EditRefused(
      'That conductor is no longer in the build.',
      'It may have been removed in another tab: undo there, or go on without it.',
    );
  return found as Draft<Conductor>;
}

export const circuitNameOfConductor = (draft: Draft<Build>, id: string): CircuitName =>
  own(draft.circuits.hv.conductors, id) ? 'hv' : 'lv';
export const circuitOfConductor = (draft: Draft<Build>, id: string): Draft<Circuit> =>
  own(draft.circuits.hv.conductors, id) ? draft.circuits.hv : draft.circuits.lv;

/** Puts a part among the build's own parts. A different part under the same id is refused: others may use it. */
export function addPart(draft: Draft<Build>, part: Part): void {
  const known = own(draft.parts, part.id);
  if (known && JSON.stringify(known) !== JSON.stringify(part))
    throw new EditRefused(`The build has another part called "${part.id}".`, 'Give the new part another id.');
  if (!known) draft.parts[part.id] = part as Draft<Part>;
}

/** Swaps a device's part; readings that were adopted for the old one no longer count. */
export function swapPart(draft: Draft<Build>, device: Draft<Device>, part: Part): void {
  const wanted = deviceDefinition(device.kind).part;
  if (part.kind !== wanted)
    throw new EditRefused(
      `A ${device.kind} takes ${wanted === null ? 'no part' : `a ${wanted} part`}, not a ${part.kind}.`,
      'Choose a part of the right kind.',
    );
  const before = device.partId === null ? undefined : draft.parts[device.partId];
  if (before?.kind === 'bus-device' && part.kind === 'bus-device' && device.powersW)
    for (const [state, powerW] of Object.entries(device.powersW)) {
      // What came from the old part comes from the new one; what somebody typed stays.
      const [was, now] =
        state === 'charging' ? [before.chargePowerW, part.chargePowerW] : [before.ratedPowerW, part.ratedPowerW];
      if (!(powerW > 0) || powerW !== was) continue;
      // What the new one does not state is not told any more.
      if (now) device.powersW[state as StateId] = now;
      else delete device.powersW[state as StateId];
    }
  addPart(draft, part);
  device.partId = part.id;
  retireAdoptions(draft, device.id);
  pruneParts(draft);
}

export function retireAdoptions(draft: Draft<Build>, subjectId: string): void {
  for (const [id, adoption] of Object.entries(draft.adoptions))
    if (adoption.subjectId === subjectId) delete draft.adoptions[id];
}

/** Drops catalogue parts that nothing uses any more; the owner's own stay. */
export function pruneParts(draft: Draft<Build>): void {
  const used = new Set<string | null>();
  for (const circuit of [draft.circuits.hv, draft.circuits.lv]) {
    for (const device of Object.values(circuit.devices)) used.add(device.partId);
    for (const conductor of Object.values(circuit.conductors)) used.add(conductor.partId);
  }
  for (const id of Object.keys(draft.parts))
    if (!used.has(id) && draft.parts[id]!.provenance === 'generic') delete draft.parts[id];
}

export function whole(value: number, least: number, most: number, what: string): number {
  if (!Number.isInteger(value) || value < least || value > most)
    throw new EditRefused(`${what} must be a whole number from ${least} to ${most}.`, 'Type such a number.');
  return value;
}

export function refuseUsedId(draft: Draft<Build>, id: string): void {
  if (findDevice(draft as Build, id) || findConductor(draft as Build, id))
    throw new EditRefused(`The id "${id}" is used already.`, 'Make a fresh id.');
}

/** A part that is named must be among the build's own. */
export function refuseMissingPart(draft: Draft<Build>, partId: string | null): void {
  if (partId !== null && !own(draft.parts, partId))
    throw new EditRefused(
      'The part that it names is not in the build.',
      'Send the part along, or choose one of the build.',
    );
}

/** Readings of what is no longer there, and of `also`: a joint in a device's place has nothing that was measured on the device. */
export function dropOrphanReadings(draft: Draft<Build>, also?: string): void {
  for (const [id, { subjectId }] of Object.entries(draft.readings))
    if (subjectId === WHOLE) continue;
    else if (
      subjectId === also ||
      (!findDevice(draft as Build, subjectId) && !findConductor(draft as Build, subjectId))
    )
      delete draft.readings[id];
  for (const list of [draft.settings?.sheets, draft.settings?.entries])
    for (const [id, { deviceId }] of Object.entries(list ?? {}))
      if (deviceId === also || !findDevice(draft as Build, deviceId)) delete list![id];
}

/** What sat in a box that is gone sits by itself. */
export function leaveBox(draft: Draft<Build>, boxId: string): void {
  for (const circuit of [draft.circuits.hv, draft.circuits.lv])
    for (const device of Object.values(circuit.devices)) if (device.insideId === boxId) delete device.insideId;
}
