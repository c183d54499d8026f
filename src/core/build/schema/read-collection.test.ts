import { describe, expect, test } from 'vitest';
import { collectionText } from '../../formats/collection';
import { firn9, larkspur } from '../samples';
import { readCollection } from './read-collection';

const whole = collectionText([
  {
    document: firn9('f'),
    snapshots: [{ name: 'as bought', takenAt: '2026-03-01T10:00:00.000Z', document: { ...firn9('f'), notes: 'old' } }],
  },
  { document: larkspur('l'), snapshots: [] },
]);

describe('all builds in one file', () => {
  test('come back to the letter, with what was kept of them', () => {
    expect(readCollection(JSON.parse(whole))).toEqual({
      ok: true,
      left: [],
      builds: [
        {
          document: firn9('f'),
          snapshots: [
            { name: 'as bought', takenAt: '2026-03-01T10:00:00.000Z', document: { ...firn9('f'), notes: 'old' } },
          ],
        },
        { document: larkspur('l'), snapshots: [] },
      ],
    });
  });
  test('one that can’t be read is named and keeps no other out', () => {
    const data = JSON.parse(whole);
    data.builds[0].document.duty = {};
    data.builds[1].snapshots = [{ name: 3, takenAt: 'yesterday', document: null }, 'x'];
    const read = readCollection(data);
    if (!read.ok) throw new Error('not read');
    expect(read.builds.map(({ document }) => document.name)).toEqual(['Larkspur']);
    expect(read.left.map(({ path }) => path)).toEqual([expect.stringMatching(/^Firn 9: duty/), 'Larkspur']);
  });
  test.each([[null], [[]], [{ builds: 7, version: 1 }], [{ builds: [], version: 2 }]])('%o is none', (data) => {
    expect(readCollection(data).ok).toBe(false);
  });
  test('a name or a date that is none is replaced, never trusted', () => {
    const data = JSON.parse(whole);
    data.builds[0].snapshots[0].name = { toString: 'x' };
    data.builds[0].snapshots[0].takenAt = '<b>now</b>';
    const read = readCollection(data);
    if (!read.ok) throw new Error('not read');
    expect(read.builds[0]!.snapshots[0]).toMatchObject({ name: 'Snapshot', takenAt: '1970-01-01T00:00:00.000Z' });
  });
});
