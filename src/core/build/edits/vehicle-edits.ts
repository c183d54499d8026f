import type { Draft } from 'immer';
import type { SafeguardId } from '../safeguards';
import {
  type BoxHold,
  type Build,
  type Fate,
  findDevice,
  type InspectionId,
  type InspectionState,
  type OldPart,
  type SalvagedModule,
  type StageData,
  type Supply,
} from '../types';
import { define } from './definition';
import { deviceToEdit, whole } from './helpers';
import { EditRefused } from './refused';

const shortNote = (note: string): string => {
  if (note.length > 500) throw new EditRefused('That is more than 500 characters.', 'Say it shorter.');
  return note;
};

const oldPart = (draft: Draft<Build>, id: string): Draft<OldPart> => {
  const parts = draft.oldParts ?? {};
  const found = Object.hasOwn(parts, id) ? parts[id] : undefined;
  if (!found) throw new EditRefused('That old part is no longer in the list.', 'Add it again.');
  return found;
};

/** What Survey and Pack record of the vehicle itself. */
export const VEHICLE_EDITS = {
  setSafeguard: define<{ safeguard: SafeguardId; seen: boolean | null }>({
    title: (_, { safeguard, seen }) =>
      `${safeguard.replace('-', ' ')}: ${seen === null ? 'not looked at' : seen ? 'yes' : 'no'}`,
    apply: (draft, { safeguard, seen }) => {
      const told = { ...draft.safeguards };
      if (seen === null) delete told[safeguard];
      else told[safeguard] = seen;
      draft.safeguards = told;
    },
  }),

  setInspection: define<{ inspection: InspectionId; state: InspectionState | null; note?: string }>({
    title: (_, { inspection, state }) => `${inspection.replace('-', ' ')}: ${state ?? 'not looked at'}`,
    apply: (draft, { inspection, state, note }) => {
      const found = { ...draft.asFound };
      if (state === null) delete found[inspection];
      else found[inspection] = { state, note: shortNote(note ?? found[inspection]?.note ?? '') };
      draft.asFound = found;
    },
  }),

  addOldPart: define<{ id: string; name: string; kind: OldPart['kind'] }>({
    title: (_, { name }) => `list ${name}`,
    apply: (draft, { id, name, kind }) => {
      const trimmed = name.trim();
      if (trimmed === '' || trimmed.length > 120)
        throw new EditRefused('A name has 1 to 120 characters.', 'Type a shorter name.');
      draft.oldParts ??= {};
      if (Object.hasOwn(draft.oldParts, id))
        throw new EditRefused(`The id "${id}" is used already.`, 'Make a fresh id.');
      draft.oldParts[id] = { id, name: trimmed, kind, fate: null, note: '' };
    },
  }),

  decideOldPart: define<{ id: string; fate?: Fate | null; note?: string }>({
    title: (build, { id, fate }) => `${build.oldParts?.[id]?.name ?? 'an old part'}: ${fate ?? 'noted'}`,
    apply: (draft, { id, fate, note }) => {
      const part = oldPart(draft, id);
      if (fate !== undefined) part.fate = fate;
      if (note !== undefined) part.note = shortNote(note);
    },
  }),

  dropOldPart: define<{ id: string }>({
    title: (build, { id }) => `take ${build.oldParts?.[id]?.name ?? 'an old part'} off the list`,
    apply: (draft, { id }) => {
      oldPart(draft, id);
      delete draft.oldParts![id];
    },
  }),

  setSupply: define<Pick<Supply, 'phases' | 'outlet'>>({
    title: (_, { phases, outlet }) =>
      `supply: ${phases ? `${phases} ${phases === 1 ? 'phase' : 'phases'}` : (outlet ?? '')}`,
    apply: (draft, input) => {
      draft.supply = { ...draft.supply, ...input };
    },
  }),

  setStage: define<Pick<StageData, 'kind' | 'overspeedCut'>>({
    title: (_, { kind, overspeedCut }) =>
      kind ? `motor stage: ${kind}` : overspeedCut ? 'a speed limit cuts the motor' : 'no speed limit',
    apply: (draft, input) => {
      draft.stage = { ...draft.stage, ...input };
    },
  }),

  setDeadMan: define<{ deadMan: boolean }>({
    title: (_, { deadMan }) => (deadMan ? 'a dead-man switch' : 'no dead-man switch'),
    apply: (draft, { deadMan }) => {
      draft.presetSpeed = { ...draft.presetSpeed, deadMan };
    },
  }),

  setHold: define<{ deviceId: string } & BoxHold>({
    title: (build, { deviceId }) => `how ${findDevice(build, deviceId)?.name ?? 'a box'} is held`,
    apply: (draft, { deviceId, ...hold }) => {
      const box = deviceToEdit(draft, deviceId);
      if (box.kind !== 'box') throw new EditRefused('Only a box is held like this.', 'Choose a box.');
      if (hold.fixings !== undefined) whole(hold.fixings, 1, 200, 'Fixings');
      box.hold = { ...box.hold, ...hold };
    },
  }),

  setMass: define<{ deviceId: string; massKg: number | null }>({
    title: (build, { deviceId, massKg }) =>
      `${findDevice(build, deviceId)?.name ?? 'a device'} weighs ${massKg === null ? 'as its kind' : `${massKg} kg`}`,
    apply: (draft, { deviceId, massKg }) => {
      const device = deviceToEdit(draft, deviceId);
      if (massKg === null) delete device.massKg;
      else if (massKg >= 0 && massKg <= 5000) device.massKg = massKg;
      else throw new EditRefused('A mass is from 0 to 5000 kg.', 'Weigh it, or empty the field.');
    },
  }),

  /** Modules as measured, read from a file: the whole list anew. */
  setModules: define<{ modules: readonly SalvagedModule[] }>({
    title: (_, { modules }) => `${modules.length} salvaged modules`,
    apply: (draft, { modules }) => {
      if (modules.length > 2000) throw new EditRefused('That is more than 2000 modules.', 'Split the list.');
      draft.modules = Object.fromEntries(modules.map((module) => [module.id, { ...module }]));
    },
  }),
};
