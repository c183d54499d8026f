'use client';
import type { Assessment } from '@/core/assess';
import { formatQuantity } from '@/core/quantities';
import { type TripResult, WINDOWS_S } from '@/core/simulate';
import { Panel } from '@/ui/panel';

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
  const rows: readonly (readonly [string, (run: TripResult) => number])[] = [
    ['Mean', ({ currents }) => currents.meanA],
    ['Rms, whole trip', ({ currents }) => currents.rmsA],
    ...WINDOWS_S.map(
      (window, k) =>
        [`Worst ${windowWords(window)}, rms`, ({ currents }: TripResult) => currents.windowsA[k]!] as const,
    ),
    ['Peak', ({ currents }) => currents.peakA],
    ['Peak back', ({ currents }) => currents.peakRegenA],
  ];
  return (
    <Panel title="Battery current" about="of the usual trip; the half hour is held against cruise">
      <table className="w-full text-left text-small">
        <thead className="text-soft">
          <tr>
            <th className="font-medium" />
            {runs.map(([name]) => (
              <th scope="col" key={name} className="text-right font-medium">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([label, pick]) => (
            <tr key={label} className="border-t border-rule/70">
              <td className="py-1">{label}</td>
              {runs.map(([name, run]) => (
                <td key={name} className="text-right font-semibold">
                  {amps(run && pick(run))}
                </td>
              ))}
            </tr>
          ))}
          <tr className="border-t border-rule/70">
            <td className="py-1">Motor, hottest</td>
            {runs.map(([name, run]) => (
              <td key={name} className="text-right">
                {run ? formatQuantity({ value: run.motorMostC, dimension: 'temperature' }, system, 3).text : '–'}
              </td>
            ))}
          </tr>
          <tr className="border-t border-rule/70">
            <td className="py-1">Pack at the end</td>
            {runs.map(([name, run]) => (
              <td key={name} className="text-right">
                {run
                  ? `${formatQuantity({ value: run.packC, dimension: 'temperature' }, system, 3).text}, ${Math.max(0, run.socEnd * 100).toFixed(0)} %`
                  : '–'}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
      <p className="mt-2 text-note text-soft">
        Begins with {(trip.socStart * 100).toFixed(0)} % of the charge. Generic maps, cooling and heat capacities.
      </p>
    </Panel>
  );
}
