import { current, type Draft } from 'immer';
import type { CablePart, Part } from '../../parts/types';
import { deviceDefinition } from '../devices';
import { mergeRecords } from '../merge';
import { type Build, type Id, own } from '../types';
import { define } from './definition';
import { addPart, conductorToEdit, retireAdoptions, whole } from './helpers';
import { EditRefused } from './refused';

const LONGEST_NOTES = 20000;

/** Edits that come from files, snapshots and quick sums: many things in one step, undone in one. */
export const IMPORT_EDITS = {
  importCables: define<{
    rows: readonly { conductorId: Id; name?: string; part?: CablePart; parallel?: number; lengthM?: number }[];
  }>({
    title: (_, { rows }) => `take over ${rows.length} rows of a cable list`,
    apply: (draft, { rows }) => {
      for (const { conductorId, name, part, parallel, lengthM } of rows) {
        const conductor = conductorToEdit(draft, conductorId);
        if (name !== undefined) conductor.name = name.trim().slice(0, 120) || conductor.name;
        if (parallel !== undefined) conductor.parallel = whole(parallel, 1, 20, 'Conductors in parallel');
        if (lengthM !== undefined) {
          if (!(lengthM > 0 && lengthM <= 100))
            throw new EditRefused('A length is above 0 and at most 100 m.', 'Correct the list.');
          conductor.lengthM = lengthM;
        }
        if (part) {
          addPart(draft, part);
          conductor.partId = part.id;
          retireAdoptions(draft, conductorId);
        }
      }
    },
  }),

  /** Adds parts, or replaces those of the same id wherever they are used. */
  importParts: define<{ parts: readonly Part[] }>({
    title: (_, { parts }) => (parts.length === 1 ? `take in ${parts[0]!.name}` : `take in ${parts.length} parts`),
    apply: (draft, { parts }) => {
      for (const part of parts) {
        const known = own(draft.parts, part.id);
        if (known && known.kind !== part.kind)
          throw new EditRefused(
            `"${part.id}" is a ${known.kind} in this build, not a ${part.kind}.`,
            'Give the new part another id.',
          );
        draft.parts[part.id] = part as Draft<Part>;
      }
    },
  }),

  removePart: define<{ partId: Id }>({
    title: (build, { partId }) => `remove the part ${own(build.parts, partId)?.name ?? ''}`,
    apply: (draft, { partId }) => {
      if (!own(draft.parts, partId)) throw new EditRefused('That part is no longer in the build.', 'Nothing to do.');
      const users = usersOfPart(draft as Build, partId);
      if (users.length > 0)
        throw new EditRefused(`${users.slice(0, 3).join(', ')} uses this part.`, 'Fit another part there first.');
      delete draft.parts[partId];
    },
  }),

  /** Everything as it was in another document; the id stays, so that it stays this build. */
  restore: define<{ document: Build; from: string }>({
    title: (_, { from }) => `go back to ${from}`,
    apply: (draft, { document }) => {
      const { id } = draft;
      for (const key of Object.keys(draft) as (keyof Build)[]) if (!Object.hasOwn(document, key)) delete draft[key];
      Object.assign(draft, document, { id });
    },
  }),

  /** What another copy of this build has written down, beside what stands here. */
  mergeRecords: define<{ document: Build; from: string }>({
    title: (_, { from }) => `take in what ${from} has written down`,
    apply: (draft, { document }) => {
      const { build } = mergeRecords(current(draft) as Build, document);
      if (build.notes.length > LONGEST_NOTES)
        throw new EditRefused(`The notes would be longer than ${LONGEST_NOTES} characters.`, 'Shorten them first.');
      Object.assign(draft, build);
    },
  }),

  addNote: define<{ text: string }>({
    title: () => 'add to the notes',
    apply: (draft, { text }) => {
      const notes = draft.notes === '' ? text : `${draft.notes}\n${text}`;
      if (notes.length > LONGEST_NOTES)
        throw new EditRefused(`The notes would be longer than ${LONGEST_NOTES} characters.`, 'Shorten them first.');
      draft.notes = notes;
    },
  }),

  setNotes: define<{ text: string }>({
    title: () => 'change the notes',
    apply: (draft, { text }) => {
      if (text.length > LONGEST_NOTES)
        throw new EditRefused(`Notes have at most ${LONGEST_NOTES} characters.`, 'Shorten them.');
      draft.notes = text;
    },
  }),
};

/** Names of the devices and conductors that use a part. */
export function usersOfPart(build: Build, partId: Id): string[] {
  const names: string[] = [];
  for (const circuit of [build.circuits.hv, build.circuits.lv]) {
    for (const device of Object.values(circuit.devices))
      if (deviceDefinition(device.kind).part !== null && device.partId === partId) names.push(device.name);
    for (const conductor of Object.values(circuit.conductors))
      if (conductor.partId === partId) names.push(conductor.name);
  }
  return names;
}
