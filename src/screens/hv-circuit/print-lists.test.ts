import { expect, test } from 'vitest';
import { assess } from '@/core/assess';
import { applyEdit, type Edit } from '@/core/build';
import { firn9, larkspur } from '@/core/build/samples';
import { conductorList, fuseList } from './print-lists';

test('each conductor stands with both its ends, its size and its length', () => {
  const list = conductorList(assess(larkspur()));
  const plus = list.rows.find(({ id }) => id === 'c-plus')!;
  expect(plus.cells[0]).toBe('Main fuse to main contactor');
  expect(plus.cells.slice(1, 3)).toEqual(['Main fuse, b', 'Main contactor, a']);
  expect(plus.cells).toHaveLength(list.head.length);
  expect(list.rows).toHaveLength(Object.keys(larkspur().circuits.hv.conductors).length);
});

test('a busbar stands with its section, one that nobody measured says so', () => {
  const bar = (sectionMm2: number | null) => {
    const edits: Edit[] = [
      { edit: 'setConductorKind', input: { conductorId: 'c-bus', kind: 'busbar' } },
      { edit: 'setBarSection', input: { conductorId: 'c-bus', sectionMm2 } },
    ];
    const build = edits.reduce((one, edit) => applyEdit(one, edit).build, larkspur());
    return conductorList(assess(build))
      .rows.find(({ id }) => id === 'c-bus')!
      .cells[3]!.replace(/\u00A0/g, ' ');
  };
  expect([bar(150), bar(null)]).toEqual(['150 mm²', 'not entered']);
});

test('each fuse stands with what it has to be; one that nobody chose says so', () => {
  const build = firn9();
  const fuses = fuseList(assess(build)).rows;
  expect(fuses.map(({ id }) => id).sort()).toEqual(
    Object.values(build.circuits.hv.devices)
      .filter(({ kind }) => kind === 'fuse')
      .map(({ id }) => id)
      .sort(),
  );
  const untold = {
    ...build,
    circuits: {
      ...build.circuits,
      hv: {
        ...build.circuits.hv,
        devices: { ...build.circuits.hv.devices, 'f-mid': { ...build.circuits.hv.devices['f-mid']!, partId: null } },
      },
    },
  };
  expect(
    fuseList(assess(untold))
      .rows.find(({ id }) => id === 'f-mid')!
      .cells.slice(1, 4),
  ).toEqual(['not entered', 'not entered', 'not entered']);
});
