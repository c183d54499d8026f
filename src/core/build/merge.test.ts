import { expect, test } from 'vitest';
import { applyEdit, type Build, type Edit } from './index';
import { mergeRecords, mergeWords } from './merge';
import { firn9 } from './samples';

const made = (build: Build, ...edits: Edit[]): Build => edits.reduce((one, edit) => applyEdit(one, edit).build, build);
const read = (id: string, subjectId: string, value: number, adopt: boolean): Edit => ({
  edit: 'addReading',
  input: {
    reading: { id, subjectId, field: 'lengthM', value, date: '2026-05-02', conditions: '', by: '' },
    adopt,
  },
});

test('what was written down at the car comes in, the design stays as it is here', () => {
  const start = firn9();
  const here = made(start, { edit: 'setConductor', input: { conductorId: 'c-minus', lengthM: 1.4 } });
  const there = made(
    start,
    read('r1', 'c-minus', 1.25, true),
    { edit: 'listInHand', input: { items: [{ id: 'h1', name: 'Bracket', made: true, state: 'made', count: 2 }] } },
    { edit: 'setNotes', input: { text: 'Lug of K− to be done again.' } },
  );
  const merge = mergeRecords(here, there);
  expect(mergeWords(merge)).toBe('1 reading, 1 part in hand and 1 note');
  expect(merge.build.circuits).toBe(here.circuits);
  expect(merge.build.readings.r1!.value).toBe(1.25);
  expect(merge.build.adoptions.r1).toMatchObject({ subjectId: 'c-minus' });
  expect(merge.build.inHand!.h1!.name).toBe('Bracket');
  expect(merge.build.notes).toContain('Lug of K−');
  // Once more brings nothing.
  expect(mergeWords(mergeRecords(merge.build, there))).toBe('');
});

test('tests and logbook of the telephone come in; what both entered stays as it is here', () => {
  const torque = (ok: boolean): Edit => ({
    edit: 'putInCommission',
    input: {
      list: 'results',
      entries: [{ id: 'torque', name: 'Torque list', sheet: 'before-hv', ok, date: '2026-06-01' }],
    },
  });
  const drive: Edit = {
    edit: 'putInLogbook',
    input: { list: 'entries', entries: [{ id: 'e1', kind: 'drive', date: '2026-06-02', what: 'To the hut' }] },
  };
  const clicks: Edit = {
    edit: 'putInCommission',
    input: {
      list: 'results',
      entries: [{ id: 'clicks', name: 'Relays click', sheet: 'low-voltage', ok: true, date: '2026-06-01' }],
    },
  };
  const here = made(firn9(), torque(false));
  const merge = mergeRecords(here, made(firn9(), torque(true), clicks, drive));
  expect(mergeWords(merge)).toBe('1 entry of the test sheets and 1 entry of the logbook');
  expect(merge.differ).toBe(1);
  expect(merge.build.commission!.results!.torque!.ok).toBe(false);
  expect(merge.build.commission!.results!.clicks!.ok).toBe(true);
  expect(merge.build.logbook!.entries!.e1!.what).toBe('To the hut');
  expect(mergeWords(mergeRecords(merge.build, made(firn9(), clicks, drive)))).toBe('');
});

test('where both wrote, what is here stays and the difference is counted; an adoption here is not overruled', () => {
  const here = made(firn9(), read('r1', 'c-minus', 1.25, true));
  const there = made(firn9(), read('r1', 'c-minus', 2.5, false), read('r2', 'c-minus', 2.4, true));
  const merge = mergeRecords(here, there);
  expect(merge.differ).toBe(1);
  expect(merge.build.readings.r1!.value).toBe(1.25);
  expect(merge.build.readings.r2!.value).toBe(2.4);
  expect(Object.keys(merge.build.adoptions)).toEqual(['r1']);
});

test('readings of things that are not here are left, and counted', () => {
  const there = made(firn9(), read('r1', 'c-minus', 1.25, true));
  const { hv } = firn9().circuits;
  const { 'c-minus': _, ...rest } = hv.conductors;
  const here: Build = { ...firn9(), circuits: { ...firn9().circuits, hv: { ...hv, conductors: rest } } };
  const merge = mergeRecords(here, there);
  expect(merge).toMatchObject({ left: 1, added: {} });
  expect(merge.build.adoptions).toEqual({});
});

test('a part in hand whose device is not here comes in without it', () => {
  const there = made(firn9(), {
    edit: 'listInHand',
    input: { items: [{ id: 'h1', name: 'Heater', made: false, state: 'here', count: 1, deviceId: 'heater' }] },
  });
  const here = made(firn9(), { edit: 'removeDevice', input: { deviceId: 'heater' } });
  const merged = made(here, { edit: 'mergeRecords', input: { document: there, from: 'the telephone' } });
  expect(merged.inHand!.h1).toEqual({ id: 'h1', name: 'Heater', made: false, state: 'here', count: 1 });
});
