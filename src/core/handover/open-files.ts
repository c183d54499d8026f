import type { Assessment } from '../assess';
import {
  assessmentJson,
  bmsDatabase,
  buildText,
  type CalendarEntry,
  cablesCsv,
  calendarText,
  type DecimalMark,
  inHandCsv,
  labelsCsv,
  partsCsv,
  spiceExport,
  wiringCsv,
  writeCsv,
} from '../formats';
import { sequenceJson } from '../stations/interlocks';
import { dueList, inOrder, standOn } from '../stations/logbook';
import { schedule } from '../stations/plan';
import { massesOf } from '../vehicle';
import { type Chapter, DECIDES, type Imprint } from './document';
import { markdownOf } from './markdown';
import { testsCsv } from './tests-csv';

/** What each file of the pack is for: read by whoever opens it. */
const ABOUT: readonly (readonly [string, string])[] = [
  ['build.ropeway.json', 'the build itself: everything, to be opened again'],
  ['build-pack.pdf', 'all chapters on paper'],
  ['build-pack.md', 'the same as text'],
  ['assessment.json', 'every check with its working, as data'],
  ['cables.csv', 'traction conductors'],
  ['wires.csv', 'every wire with its ends'],
  ['labels.csv', 'labels of both ends'],
  ['parts.csv', 'parts of the design'],
  ['in-hand.csv', 'what is in hand, with prices'],
  ['tests.csv', 'test sheets with bands and readings'],
  ['logbook.csv', 'entries of the logbook'],
  ['circuit.cir', 'traction circuit for a circuit simulator (SPICE)'],
  ['battery-management.dbc', 'messages of the battery management, a CAN database'],
  ['sequence.json', 'steps of the control'],
  ['calendar.ics', 'jobs and upkeep with their days'],
  ['drawings/…', 'drawings as SVG'],
];

const FIGURES = [
  'odometerM',
  'ranS',
  'distanceM',
  'energyJ',
  'socFrom',
  'socTo',
  'outsideC',
  'durationS',
  'capacityAh',
  'spreadV',
  'resistanceOhm',
  'insulationOhm',
] as const;

export const logbookCsv = ({ build }: Pick<Assessment, 'build'>, mark: DecimalMark): string =>
  writeCsv(
    [
      ['date', 'kind', 'what', ...FIGURES, 'code', 'cleared', 'by', 'worn of', 'worn m'],
      ...inOrder(build.logbook ?? {}).map((entry) => [
        entry.date,
        entry.kind,
        entry.what,
        ...FIGURES.map((key) => entry[key] ?? null),
        entry.code ?? '',
        entry.cleared ?? '',
        entry.by ?? '',
        (entry.wear ?? []).map(({ taskId }) => taskId).join(' '),
        // One figure is a number; of several, in the order of their names.
        entry.wear?.length === 1 ? entry.wear[0]!.valueM : (entry.wear ?? []).map(({ valueM }) => valueM).join(' '),
      ]),
    ],
    mark,
  );

function calendarOf({ build, results }: Assessment, date: string): readonly CalendarEntry[] {
  const { jobs, waits } = results.plan;
  const perWeek = build.plan?.hoursPerWeek;
  const entries = inOrder(build.logbook ?? {});
  return [
    ...(perWeek === undefined
      ? []
      : schedule(jobs, waits, { from: date, hoursPerWeek: perWeek }).map(
          ({ job, from, to }): CalendarEntry => ({
            id: `${build.id}-${job.id}`,
            kind: 'event',
            title: `${build.name}: ${job.name}`,
            text: DECIDES,
            from,
            to,
          }),
        )),
    ...dueList(results.logbook.tasks, entries, standOn(entries, date)).flatMap(
      ({ task, expected, onDay, state }): CalendarEntry[] => {
        const day = expected ?? onDay;
        return day === null || state === 'off'
          ? []
          : [
              {
                id: `${build.id}-upkeep-${task.id}`,
                kind: 'todo',
                title: `${build.name}: ${task.name}`,
                text: task.how,
                from: day > date ? date : day,
                to: day,
              },
            ];
      },
    ),
  ];
}

/** Every open file of the pack by its name, without PDF and drawings. `stamp` is the instant of making, ISO. */
export function openFiles(
  assessment: Assessment,
  chapters: readonly Chapter[],
  imprint: Imprint,
  { mark, stamp }: { readonly mark: DecimalMark; readonly stamp: string },
): Readonly<Record<string, string>> {
  const { build, vehicle, results } = assessment;
  const { wires } = results.harness.harness;
  const masses = new Map(massesOf(vehicle).devices.map(({ id, massKg }) => [id, massKg]));
  const solved = vehicle.cases.find(({ point }) => point.solvable);
  const files: Record<string, string> = {
    'build.ropeway.json': buildText(build),
    'build-pack.md': markdownOf(chapters, imprint),
    'assessment.json': `${JSON.stringify(assessmentJson(assessment), null, 2)}\n`,
    'cables.csv': cablesCsv(build, mark),
    'wires.csv': wiringCsv(wires, mark),
    'labels.csv': labelsCsv(wires, mark),
    'parts.csv': partsCsv(Object.values(build.parts), mark),
    'in-hand.csv': inHandCsv(build, (id) => masses.get(id) ?? null, mark),
    'tests.csv': testsCsv(assessment, mark),
    'logbook.csv': logbookCsv(assessment, mark),
    'sequence.json': sequenceJson(assessment.context),
    'calendar.ics': calendarText(build.name, calendarOf(assessment, imprint.date), stamp),
    ...(solved ? { 'circuit.cir': spiceExport(vehicle, solved).text } : {}),
    ...(results.bms.cells > 0 ? { 'battery-management.dbc': bmsDatabase(results.bms.cells) } : {}),
  };
  return {
    'README.txt': `${imprint.build}, ${imprint.date}, ${imprint.digest}\n${DECIDES}\n\n${ABOUT.map(([name, about]) => `${name}: ${about}`).join('\n')}\n`,
    ...files,
  };
}
