import { expect, test } from 'vitest';
import { applyEdit, type DriveCell, type DriveRecord } from '../build';
import { firn9 } from '../build/samples';
import { resolve, vehicleOf } from '../vehicle';
import { driveFindings, drivesThatCount, measuredCellOhm } from './drive-findings';

const cell = (more: Partial<DriveCell> = {}): DriveCell => ({
  lowestV: 3.4,
  restV: 3.9,
  resistanceOhm: 0.001,
  lowS: 0,
  ...more,
});
const drive = (cells: readonly DriveCell[], hottestC: number | null = null): DriveRecord => ({
  id: 'd',
  date: '2026-05-02',
  name: 'Hill',
  from: 'log',
  durationS: 600,
  outC: null,
  backC: null,
  peakA: 200,
  lowV: 3,
  hottestC,
  cells,
});

test('the weakest, the lowest at rest and the joint are named by their number', () => {
  const found = driveFindings(
    drive([cell(), cell({ lowestV: 3.1 }), cell({ restV: 3.85 }), cell({ resistanceOhm: 0.0018 }), cell({ lowS: 4 })]),
  );
  expect(found).toMatchObject({
    weakest: { cell: 2, value: 3.1 },
    lowestAtRest: { cell: 3, value: 3.85 },
    medianOhm: 0.001,
    joints: [{ cell: 4, value: 0.0018 }],
    low: [{ cell: 5, value: 4 }],
  });
  expect(found.restSpreadV).toBeCloseTo(0.05, 12);
});

test('half more of next to nothing is no bad joint', () => {
  const small = [0.00005, 0.00005, 0.00005, 0.00009].map((resistanceOhm) => cell({ resistanceOhm }));
  expect(driveFindings(drive(small)).joints).toEqual([]);
});

test('cells that were not read are not zero', () => {
  const found = driveFindings(drive([cell({ lowestV: null, restV: null, resistanceOhm: null }), cell()]));
  expect(found.weakest).toEqual({ cell: 2, value: 3.4 });
  expect(found.restSpreadV).toBeNull();
});

test('a few cells read since clear nothing that a whole log found; another whole log does', () => {
  const whole = (id: string, date: string, ohm: number) => ({
    ...drive(Array.from({ length: 90 }, (_, k) => cell({ resistanceOhm: k === 7 ? ohm : 0.001 }))),
    id,
    date,
  });
  const few = { ...drive([cell(), cell(), cell()]), id: 'few', date: '2026-06-01' };
  const counting = (...drives: readonly DriveRecord[]) =>
    drivesThatCount(
      vehicleOf({ ...firn9(), drives: Object.fromEntries(drives.map((one) => [one.id, one])) }),
      90,
      'resistance',
    ).map(({ id }) => id);
  const [odd, fresh] = [whole('odd', '2026-05-02', 0.003), whole('fresh', '2026-07-01', 0.001)];
  expect(counting(few, odd)).toEqual(['odd', 'few']);
  expect(counting(few, odd, fresh)).toEqual(['fresh']);
  expect(counting(few)).toEqual(['few']);
  // All at rest: nothing was loaded, nothing is cleared.
  const rest = {
    ...whole('rest', '2026-08-01', 0.001),
    from: 'typed' as const,
    peakA: null,
    cells: Array.from({ length: 90 }, () => cell({ resistanceOhm: null, lowestV: 3.9 })),
  };
  expect(counting(odd, rest)).toEqual(['odd', 'rest']);
});

test('without links and at 25 °C: (1.2 mΩ − link) at 10 °C is 1.5 times as much as at 25 °C', () => {
  const vehicle = vehicleOf(firn9());
  const part = Object.values(vehicle.build.parts).find((one) => one.kind === 'cell')!;
  const read = measuredCellOhm(
    vehicle,
    drive(
      Array.from({ length: 90 }, () => cell({ resistanceOhm: 0.0012 })),
      10,
    ),
  )!;
  const parallel = vehicle.deviceOf.get('box-rear')!.device.cellsInParallel ?? 1;
  expect(read.ohm).toBeCloseTo(((0.0012 - part.linkResistanceOhm) * parallel) / 1.5, 12);
  const adopted = applyEdit(vehicle.build, {
    edit: 'adoptMeasured',
    input: {
      readings: read.boxIds.map((subjectId) => ({
        id: `r-${subjectId}`,
        subjectId,
        field: 'resistanceOhm',
        value: read.ohm,
        conditions: '',
        date: '2026-05-02',
        by: 'log',
      })),
    },
  }).build;
  const boxes = resolve(adopted).devices.filter(({ device }) => device.kind === 'box');
  for (const { part: fitted } of boxes)
    expect(fitted).toMatchObject({ resistanceOhm: read.ohm, provenance: 'measured' });
});

test('of three cells in ninety nothing is adopted', () => {
  expect(measuredCellOhm(vehicleOf(firn9()), drive([cell(), cell(), cell()]))).toBeNull();
});

test('with links that take all of it nothing is adopted', () => {
  expect(
    measuredCellOhm(vehicleOf(firn9()), drive(Array.from({ length: 90 }, () => cell({ resistanceOhm: 1e-7 })))),
  ).toBeNull();
});
