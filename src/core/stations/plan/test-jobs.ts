import { type Build, own, type SheetId } from '../../build';
import type { Wiring } from '../../vehicle';
import { type Draft, jobId, TRACTION } from './job-kit';

/** Test sheets of each job: signed, all of them, it is done. */
const SHEETS_OF: Readonly<Record<string, readonly SheetId[]>> = {
  'test-low': ['low-voltage'],
  'test-insulation': ['before-hv', 'insulation'],
  'test-precharge': ['limited-source', 'precharge'],
  'test-spin': ['spin'],
  'test-charge': ['charge'],
  'test-brakes': ['ancillaries'],
  road: ['road'],
};
function bySheets({ commission }: Build, id: string): Draft['known'] {
  const sheets = own(SHEETS_OF, id);
  const signed = new Set(Object.values(commission?.signs ?? {}).map(({ sheet }) => sheet));
  return sheets?.every((sheet) => signed.has(sheet)) ? { share: 1, by: 'sheets' } : null;
}

/** Tests in safe order, and the road. */
export function testJobs(vehicle: Wiring, others: readonly Draft[]): Draft[] {
  const { build } = vehicle;
  const lands = others.filter(({ id }) => id.startsWith('loom-land.')).map(({ id }) => id);
  const low = lands.filter((id) => id !== jobId('loom-land', TRACTION));
  const wet =
    build.schools.cooling === 'liquid' ||
    build.schools.cooling === 'chill-plate' ||
    build.schools.heating === 'coolant-heater';
  const vacuum = build.schools.brakes === 'vacuum-pump';
  const bare = { zoneId: null, hv: false, two: false, known: null };
  const mounts = others.filter(({ id }) => id.startsWith('mount')).map(({ id }) => id);
  const sense = others.find(({ id }) => id.startsWith('loom-make.') && id.endsWith('Battery-and-management'));
  const list: Draft[] = [
    ...(build.bms?.channels !== undefined && sense
      ? [
          {
            ...bare,
            id: 'measure-taps',
            name: 'Read the sense plug tap by tap, before it goes in',
            stage: 'test' as const,
            hours: 1.5,
            hv: true,
            two: true,
            after: [sense.id],
            known: { share: (build.bms.tapsV ?? []).length > 0 ? 1 : 0, by: 'readings' as const },
          },
        ]
      : []),
    ...(wet
      ? [
          {
            ...bare,
            id: 'fill',
            name: 'Fill and bleed the coolant',
            stage: 'final-fit' as const,
            hours: 2,
            after: mounts,
          },
        ]
      : []),
    {
      ...bare,
      id: 'test-low',
      name: '12 V alone: wake-up, currents, pedals, stops',
      stage: 'test',
      hours: 4,
      after: low,
    },
    {
      ...bare,
      id: 'test-insulation',
      name: 'Insulation, earth bonds, torque list, before HV',
      stage: 'test',
      hours: 3,
      hv: true,
      two: true,
      after: lands,
    },
    {
      ...bare,
      id: 'test-precharge',
      name: 'First HV: limited source, precharge, discharge',
      stage: 'test',
      hours: 3,
      hv: true,
      two: true,
      after: ['test-low', 'test-insulation'],
    },
    {
      ...bare,
      id: 'test-spin',
      name: 'Spin with the wheels free',
      stage: 'test',
      hours: 2,
      hv: true,
      two: true,
      after: ['test-precharge', ...(wet ? ['fill'] : [])],
    },
    {
      ...bare,
      id: 'test-charge',
      name: 'First charge to the full, attended',
      stage: 'test',
      hours: 6,
      hv: true,
      after: ['test-precharge'],
    },
    ...(vacuum
      ? [
          {
            ...bare,
            id: 'test-brakes',
            name: 'Vacuum: pull-down, hold, stops with the pump off',
            stage: 'test' as const,
            hours: 2,
            after: ['test-low'],
          },
        ]
      : []),
  ];
  const road: Draft = {
    ...bare,
    id: 'road',
    name: 'Road test on private ground',
    stage: 'road',
    hours: 4,
    two: true,
    after: list.map(({ id }) => id),
  };
  return [...list, road].map((draft) => ({ ...draft, known: draft.known ?? bySheets(build, draft.id) }));
}
