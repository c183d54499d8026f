import { assess, assessWithRuns } from '../core/assess';
import type { Build, Problem } from '../core/build';
import { buildText, cablesCsv, labelsCsv, partsCsv, spiceExport, wiringCsv } from '../core/formats';
import { chaptersOf, imprintOf, logbookCsv, markdownOf, testsCsv } from '../core/handover';
import { harnessOf, Memory } from '../core/vehicle';

export interface ExportOptions {
  readonly format: string;
  readonly caseId?: string | undefined;
  readonly decimal?: string | undefined;
}

type Made = { readonly ok: true; readonly text: string } | { readonly ok: false; readonly errors: readonly Problem[] };

const FORMATS = ['build', 'cables', 'parts', 'wires', 'labels', 'tests', 'logbook', 'pack', 'spice'];
const refuse = (path: string, reason: string, remedy: string): Made => ({
  ok: false,
  errors: [{ path, reason, remedy }],
});

/** A build in another format, as text. */
export function runExport(build: Build, { format, caseId, decimal = '.' }: ExportOptions): Made {
  if (decimal !== '.' && decimal !== ',')
    return refuse('--decimal', `"${decimal.slice(0, 20)}" is no decimal mark.`, 'Write . or ,');
  switch (format) {
    case 'build':
      return { ok: true, text: buildText(build) };
    case 'cables':
      return { ok: true, text: cablesCsv(build, decimal) };
    case 'parts':
      return { ok: true, text: partsCsv(Object.values(build.parts), decimal) };
    case 'wires':
    case 'labels': {
      const { wires } = harnessOf({ build, memory: new Memory() });
      return { ok: true, text: (format === 'wires' ? wiringCsv : labelsCsv)(wires, decimal) };
    }
    case 'tests':
      return { ok: true, text: testsCsv(assessWithRuns(build), decimal) };
    case 'logbook':
      return { ok: true, text: logbookCsv({ build }, decimal) };
    case 'pack': {
      const assessment = assessWithRuns(build);
      const date = new Date().toISOString().slice(0, 10);
      return { ok: true, text: markdownOf(chaptersOf(assessment, date), imprintOf(assessment, date)) };
    }
    case 'spice': {
      const { vehicle } = assess(build);
      const known = vehicle.cases.map((solved) => solved.id);
      const solved = vehicle.cases.find((candidate) => candidate.id === caseId);
      if (known.length === 0)
        return refuse('circuits.hv', 'has no circuit with cells to solve.', 'Choose cells first.');
      if (!solved)
        return refuse(
          '--case',
          caseId === undefined ? 'is missing.' : `"${caseId.slice(0, 60)}" is no case of this build.`,
          `Name one of: ${known.join(', ')}.`,
        );
      if (!solved.point.solvable)
        return refuse(
          '--case',
          `${solved.id} has no operating point: ${solved.point.reason ?? ''}`,
          'Name another case.',
        );
      return { ok: true, text: spiceExport(vehicle, solved).text };
    }
    default:
      return refuse('--format', `"${format.slice(0, 40)}" is not a format here.`, `Use one of: ${FORMATS.join(', ')}.`);
  }
}
