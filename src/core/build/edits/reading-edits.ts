import type { Draft } from 'immer';
import { canRead, measurableOf, WHOLE } from '../measurable';
import { type Build, findConductor, findDevice, own, type Reading } from '../types';
import { define } from './definition';
import { deviceToEdit } from './helpers';
import { EditRefused } from './refused';

/** A day as a file holds it. */
export function refuseNoDay(date: string): void {
  if (!/^\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])$/.test(date))
    throw new EditRefused(`“${date}” is no date.`, 'Write it as 2026-05-02.');
}

const thingOf = (build: Build, id: string) => findDevice(build, id) ?? findConductor(build, id);
const nameOf = (build: Build, id: string): string =>
  id === WHOLE ? 'the vehicle' : (thingOf(build, id)?.name ?? 'a part');

function record(draft: Draft<Build>, reading: Reading): void {
  refuseNoDay(reading.date);
  if (Object.hasOwn(draft.readings, reading.id))
    throw new EditRefused(`The id "${reading.id}" is used already.`, 'Make a fresh id.');
  draft.readings[reading.id] = reading;
}

/** Takes a reading for true; what was adopted for the same figure counts no more. */
function adopt(draft: Draft<Build>, adoptionId: string, { id, subjectId, field }: Reading): void {
  for (const [known, adoption] of Object.entries(draft.adoptions))
    if (adoption.subjectId === subjectId && adoption.field === field) delete draft.adoptions[known];
  const partId = subjectId === WHOLE ? null : (thingOf(draft as Build, subjectId)?.partId ?? null);
  draft.adoptions[adoptionId] = { id: adoptionId, readingId: id, subjectId, field, partId };
}

/** What was read off the thing itself. */
export const READING_EDITS = {
  /** Writes a reading down; adopted it takes the place of what is designed. */
  addReading: define<{ reading: Reading; adopt?: boolean }>({
    title: (build, { reading }) => `reading of ${nameOf(build, reading.subjectId)}`,
    apply: (draft, { reading, adopt: take }) => {
      const measurable = measurableOf(draft as Build, reading.subjectId, reading.field);
      if (!measurable)
        throw new EditRefused(
          `${nameOf(draft as Build, reading.subjectId)} has no such figure to read.`,
          'Choose its part first, or another figure.',
        );
      if (!Number.isFinite(reading.value) || reading.value < 0)
        throw new EditRefused('A reading is a number from 0 on.', 'Type what the meter showed, with its unit.');
      if (!canRead(draft as Build, reading))
        throw new EditRefused(
          `${measurable.label} can’t be that.`,
          'Look at the meter’s range and its leads, and read again; of a dead short type the smallest that the meter shows.',
        );
      record(draft, reading);
      if (take) adopt(draft, reading.id, reading);
    },
  }),

  /** Read once more, and it is so, however far from what is designed. */
  confirmReading: define<{ readingId: string }>({
    title: () => 'read once more: it is so',
    apply: (draft, { readingId }) => {
      const reading = own(draft.readings, readingId);
      if (!reading) throw new EditRefused('That reading is no longer in the build.', 'Record it again.');
      reading.confirmed = true;
    },
  }),

  /** Strikes a reading out, with what was adopted from it. */
  dropReading: define<{ readingId: string }>({
    title: (build, { readingId }) =>
      `strike out a reading of ${nameOf(build, own(build.readings, readingId)?.subjectId ?? '')}`,
    apply: (draft, { readingId }) => {
      if (!own(draft.readings, readingId))
        throw new EditRefused('That reading is no longer in the build.', 'Look at the list again.');
      delete draft.readings[readingId];
      for (const [id, adoption] of Object.entries(draft.adoptions))
        if (adoption.readingId === readingId) delete draft.adoptions[id];
    },
  }),

  adoptReading: define<{ adoptionId: string; readingId: string }>({
    title: (build, { readingId }) =>
      `adopt a reading of ${nameOf(build, own(build.readings, readingId)?.subjectId ?? '')}`,
    apply: (draft, { adoptionId, readingId }) => {
      const reading = own(draft.readings, readingId);
      if (!reading) throw new EditRefused('That reading is no longer in the build.', 'Record it again.');
      if (!measurableOf(draft as Build, reading.subjectId, reading.field))
        throw new EditRefused('The reading belongs to something without that figure.', 'Choose its part first.');
      adopt(draft, adoptionId, reading);
    },
  }),

  /** A figure of parts as it was measured: recorded, and taken for true. */
  adoptMeasured: define<{ readings: readonly Reading[] }>({
    title: (build, { readings }) => `measured: ${readings.map(({ subjectId }) => nameOf(build, subjectId)).join(', ')}`,
    apply: (draft, { readings }) => {
      for (const reading of readings) {
        const device = deviceToEdit(draft, reading.subjectId);
        if (device.partId === null) throw new EditRefused('It has no part yet.', 'Choose its part first.');
        record(draft, reading);
        adopt(draft, reading.id, reading);
      }
    },
  }),

  /** What is designed counts again; the reading stays on record. */
  dropAdopted: define<{ subjectIds: readonly string[]; field: string }>({
    title: (build, { subjectIds }) => `as designed again: ${subjectIds.map((id) => nameOf(build, id)).join(', ')}`,
    apply: (draft, { subjectIds, field }) => {
      for (const [id, adoption] of Object.entries(draft.adoptions))
        if (subjectIds.includes(adoption.subjectId) && adoption.field === field) delete draft.adoptions[id];
    },
  }),
};
