'use client';
import type { Assessment } from '@/core/assess';
import { builtOf } from '@/core/handover/built';
import { formatQuantity } from '@/core/quantities';
import type { BuiltLine } from '@/core/stations/commission';
import { Panel } from '@/ui/panel';
import { VerdictMark } from '@/ui/verdict-mark';
import { type Column, DataTable } from '../shell/data-table';

/** Design, as built, measured over the whole car: what differs first. */
export function ComparePage({ assessment }: { assessment: Assessment }) {
  const { build } = assessment;
  const lines = builtOf(assessment);
  const say = (value: number | string | null, { dimension }: BuiltLine) =>
    value === null
      ? '–'
      : typeof value === 'string'
        ? value
        : dimension === null
          ? String(value)
          : formatQuantity({ value, dimension }, build.units, 4).text;
  const differ = lines.filter((line) => line.differs).length;
  const columns: readonly Column<BuiltLine>[] = [
    {
      id: 'differs',
      head: 'Differs',
      value: (line) => (line.differs ? 0 : 1),
      cell: (line) => (
        <span className="flex items-center gap-1.5">
          <VerdictMark shape={line.differs ? 'thin' : 'holds'} size={11} />
          {line.differs ? 'differs' : 'same'}
        </span>
      ),
    },
    { id: 'what', head: 'Of', value: ({ of }) => of, cell: ({ of }) => of },
    { id: 'figure', head: 'Figure', value: ({ what }) => what, cell: ({ what }) => what },
    {
      id: 'design',
      head: 'Designed',
      figure: true,
      value: (line) => say(line.designed, line),
      cell: (line) => say(line.designed, line),
    },
    {
      id: 'built',
      head: 'As built',
      figure: true,
      value: (line) => say(line.built, line),
      cell: (line) => say(line.built, line),
    },
    {
      id: 'measured',
      head: 'Measured',
      figure: true,
      value: (line) => say(line.measured, line),
      cell: (line) => say(line.measured, line),
    },
    { id: 'note', head: 'Note', spare: true, value: ({ note }) => note, cell: ({ note }) => note },
  ];
  return (
    <Panel
      title="Designed, as built, measured"
      about={lines.length === 0 ? 'nothing yet' : `${differ} of ${lines.length} differ`}
    >
      {lines.length === 0 ? (
        <p className="text-soft">
          What the design says, what Harness was ticked with, what devices were set to and what was read stand side by
          side here, once something was ticked or read.
        </p>
      ) : (
        <DataTable label="Designed, as built, measured" rows={lines} columns={columns} idOf={({ id }) => id} />
      )}
    </Panel>
  );
}
