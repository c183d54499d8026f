import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { cataloguePart } from '../../parts';
import { emptyBuild } from '../defaults';
import { firn9 } from '../samples';
import { readBuild } from '../schema';
import { applyEdit, type Edit, EditRefused, patchBuild } from './index';

const firn = firn9();
const conductorIds = Object.keys(firn.circuits.hv.conductors);
const fuse = { id: 'f-new', kind: 'fuse', name: 'New fuse', partId: 'fuse-traction-500-100', place: null } as const;

const anyEdit: fc.Arbitrary<Edit> = fc.oneof(
  fc.record({
    edit: fc.constant('setFigure' as const),
    input: fc.record({
      figure: fc.constantFrom('cruisePower' as const, 'hardPower' as const),
      value: fc.integer({ min: 0, max: 90000 }),
    }),
  }),
  fc.record({
    edit: fc.constant('setCells' as const),
    input: fc.record({
      deviceId: fc.constantFrom('box-rear', 'box-front'),
      cellsInSeries: fc.integer({ min: 1, max: 120 }),
    }),
  }),
  fc.record({
    edit: fc.constant('fitCable' as const),
    input: fc.record({
      conductorIds: fc.constantFrom(...conductorIds).map((id) => [id]),
      part: fc.constantFrom(cataloguePart('cable-shielded-50', 'cable'), cataloguePart('cable-plain-16', 'cable')),
    }),
  }),
  fc.record({
    edit: fc.constant('removeDevice' as const),
    input: fc.record({ deviceId: fc.constantFrom('heater', 'shunt', 'f-charger', 'j-plus') }),
  }),
  fc.record({
    edit: fc.constant('insertDevice' as const),
    input: fc.record({
      conductorId: fc.constantFrom(...conductorIds),
      device: fc.constant(fuse),
      part: fc.constant(cataloguePart('fuse-traction-500-100', 'fuse')),
      newConductorId: fc.constant('c-new'),
    }),
  }),
  fc.record({
    edit: fc.constant('setConductor' as const),
    input: fc.record({
      conductorId: fc.constantFrom(...conductorIds),
      lengthM: fc.double({ min: 0.1, max: 20, noNaN: true }),
    }),
  }),
);

const attempt = (build: typeof firn, edit: Edit) => {
  try {
    return applyEdit(build, edit);
  } catch (error) {
    if (error instanceof EditRefused) return null;
    throw error;
  }
};

test('any row of edits leaves a readable build, and undoing them one by one gives back the very first', () => {
  fc.assert(
    fc.property(fc.array(anyEdit, { minLength: 1, maxLength: 8 }), (edits) => {
      let build = firn;
      const inverses: ReturnType<typeof applyEdit>['inverse'][] = [];
      for (const edit of edits) {
        const edited = attempt(build, JSON.parse(JSON.stringify(edit)) as Edit);
        if (!edited) continue;
        expect(patchBuild(build, edited.patches)).toEqual(edited.build);
        build = edited.build;
        inverses.push(edited.inverse);
      }
      expect(readBuild(JSON.parse(JSON.stringify(build)))).toMatchObject({ ok: true });
      for (const inverse of inverses.reverse()) build = patchBuild(build, inverse);
      expect(build).toEqual(firn);
    }),
    { seed: 41, numRuns: 120 },
  );
});

describe('single edits', () => {
  test('a device put into a conductor splits it: the part towards end a keeps its id, lengths halve', () => {
    const { build } = applyEdit(firn, {
      edit: 'insertDevice',
      input: {
        conductorId: 'c-minus',
        device: fuse,
        part: cataloguePart('fuse-traction-500-100', 'fuse'),
        newConductorId: 'c-new',
      },
    });
    const { conductors } = build.circuits.hv;
    expect(conductors['c-minus']).toMatchObject({
      a: { deviceId: 'shunt', terminal: 'b' },
      b: { deviceId: 'f-new', terminal: 'a' },
      lengthM: 0.55,
    });
    expect(conductors['c-new']).toMatchObject({
      a: { deviceId: 'f-new', terminal: 'b' },
      b: { deviceId: 'j-minus', terminal: 'n' },
      lengthM: 0.55,
    });
  });

  test('a conductor on a route keeps it when it is split; the new part has to be measured', () => {
    const { build } = applyEdit(firn, {
      edit: 'insertDevice',
      input: {
        conductorId: 'c-mid',
        device: fuse,
        part: cataloguePart('fuse-traction-500-100', 'fuse'),
        newConductorId: 'c-new',
      },
    });
    expect(build.circuits.hv.conductors['c-mid']).toMatchObject({ routeId: 'way-mid', lengthM: null });
    expect(build.circuits.hv.conductors['c-new']).toMatchObject({
      routeId: null,
      lengthM: null,
      laid: { zoneId: 'zone-underbody', conduit: true },
    });
  });

  test('removing a device takes its conductors and unused parts along', () => {
    const { build, title } = applyEdit(firn, { edit: 'removeDevice', input: { deviceId: 'charger' } });
    expect(title).toBe('remove Charger and converter and its conductors');
    expect(build.circuits.hv.conductors['c-chg-plus']).toBeUndefined();
    expect(build.parts['charger-converter-400']).toBeUndefined();
    expect(build.parts['cable-shielded-6']).toBeDefined();
  });

  test('swapping a part retires the reading that was adopted for the old one', () => {
    const reading = {
      id: 'r1',
      subjectId: 'r-pre',
      field: 'resistanceOhm',
      value: 103,
      conditions: 'cold',
      date: '2026-02-03',
      by: 'bench',
    };
    const measured = { ...firn, readings: { r1: reading } };
    const adopted = applyEdit(measured, { edit: 'adoptReading', input: { adoptionId: 'a1', readingId: 'r1' } }).build;
    expect(adopted.adoptions.a1).toMatchObject({ subjectId: 'r-pre', partId: 'resistor-100-100' });
    expect(
      applyEdit(adopted, {
        edit: 'fitPart',
        input: { deviceId: 'r-pre', part: cataloguePart('resistor-68-100', 'resistor') },
      }).build.adoptions,
    ).toEqual({});
  });

  test.each<[string, Edit]>([
    [
      'a cell in a fuse holder',
      { edit: 'fitPart', input: { deviceId: 'f-mid', part: cataloguePart('cell-lfp-100', 'cell') } },
    ],
    ['no cells at all', { edit: 'setCells', input: { deviceId: 'box-rear', cellsInSeries: 0 } }],
    ['half a cell', { edit: 'setCells', input: { deviceId: 'box-rear', cellsInSeries: 1.5 } }],
    ['a negative length', { edit: 'setConductor', input: { conductorId: 'c-minus', lengthM: -1 } }],
    ['a device that is gone', { edit: 'renameDevice', input: { deviceId: 'gone', name: 'x' } }],
    ['a closing level above one', { edit: 'setFigure', input: { figure: 'closeAt', value: 1.2 } }],
    ['not a number', { edit: 'setFigure', input: { figure: 'cruisePower', value: Number.NaN } }],
    [
      'a device with a part that nobody sent',
      { edit: 'addDevice', input: { device: { ...fuse, id: 'f-x', partId: 'not-here' } } },
    ],
    [
      'no circuits side by side',
      {
        edit: 'setConductor',
        input: {
          conductorId: 'c-minus',
          laid: { zoneId: 'zone-bay', arrangement: 'single', loadedCircuits: 0, conduit: false },
        },
      },
    ],
    ['an id that is used', { edit: 'addDevice', input: { device: { ...fuse, id: 'heater' } } }],
  ])('%s is refused with a reason and a remedy', (_, edit) => {
    expect(() => applyEdit(firn, edit)).toThrow(EditRefused);
    try {
      applyEdit(firn, edit);
    } catch (error) {
      expect((error as EditRefused).message.length).toBeGreaterThan(15);
      expect((error as EditRefused).remedy.length).toBeGreaterThan(5);
    }
  });

  test('an empty build is valid as it is', () => {
    expect(readBuild(JSON.parse(JSON.stringify(emptyBuild('b', 'Empty'))))).toMatchObject({ ok: true });
  });
});
