'use client';
import type { Assessment } from '@/core/assess';
import { formatQuantity } from '@/core/quantities';
import { type TripResult, WINDOWS_S } from '@/core/simulate';
import { Panel } from '@/ui/panel';
import { DataTable } from '../shell/data-table';

/** One line: a current to sort and copy by, or a figure of another kind, as text only. */
interface Row {
  readonly label: string;
  readonly pick?: (run: TripResult) => number;
  readonly cells: readonly string[];
}

/** Battery current of the usual trip over windows. */
export function CurrentsPanel({ assessment }: { assessment: Assessment }) {
  const { trip, build } = assessment;
  const system = build.units;
  const runs: readonly (readonly [string, TripResult | undefined])[] = [
    ['new, mild', trip?.mild],
    ['aged, winter', trip?.winter],
  ];
  if (!trip) return null;
  const amps = (value: number | undefined) =>
    value === undefined ? '–' : formatQuantity({ value, dimension: 'current' }, system, 3, 'A').text;
  const windowWords = (seconds: number) => formatQuantity({ value: seconds, dimension: 'time' }, system, 3).text;
  const currents: readonly (readonly [string, (run: TripResult) => number])[] = [
    ['Mean', ({ currents }) => currents.meanA],
    ['Rms, whole trip', ({ currents }) => currents.rmsA],
    ...WINDOWS_S.map(
      (window, k) =>
        [`Worst ${windowWords(window)}, rms`, ({ currents }: TripResult) => currents.windowsA[k]!] as const,
    ),
    ['Peak', ({ currents }) => currents.peakA],
    ['Peak back', ({ currents }) => currents.peakRegenA],
  ];
  const heat = (value: number) => formatQuantity({ value, dimension: 'temperature' }, system, 3).text;
  const rows: readonly Row[] = [
    ...currents.map(([label, pick]) => ({ label, pick, cells: runs.map(([, run]) => amps(run && pick(run))) })),
    { label: 'Motor, hottest', cells: runs.map(([, run]) => (run ? heat(run.motorMostC) : '–')) },
    {
      label: 'Pack at the end',
      cells: runs.map(([, run]) => (run ? `${heat(run.packC)}, ${Math.max(0, run.socEnd * 100).toFixed(0)} %` : '–')),
    },
  ];
  return (
    <Panel title="Battery current" about="of the usual trip; the half hour is held against cruise">
      <DataTable
        label="Battery current of the usual trip"
        columns={[
          { id: 'what', head: 'Over', cell: ({ label }) => label, value: ({ label }) => label },
          ...runs.map(([name, run], k) => ({
            id: name,
            head: name,
            figure: true,
            cell: ({ cells }: Row) => cells[k] ?? '–',
            value: ({ pick }: Row) => (run && pick ? pick(run) : null),
          })),
        ]}
        rows={rows}
        idOf={({ label }) => label}
      />
      <p className="mt-2 text-note text-soft">
        Begins with {(trip.socStart * 100).toFixed(0)} % of the charge. Generic maps, cooling and heat capacities.
      </p>
    </Panel>
  );
}
