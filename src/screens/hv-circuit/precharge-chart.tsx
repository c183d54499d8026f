'use client';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import type { PrechargeRun } from '@/core/simulate';
import { TimeChart } from '../shell/chart';

/** Link voltage over time with the closing level, and the current through the resistor in the table and the files. */
export default function PrechargeChart({ run, system }: { run: PrechargeRun; system: UnitSystem }) {
  const level = run.closeFraction * run.packV;
  const share = `${(run.closeFraction * 100).toFixed(0)} %`;
  const charging = run.curve.map(({ timeS, linkV, currentA }) => ({ t: timeS, v: linkV, i: currentA }));
  // After closing the link is at pack voltage: drawn on for the eye.
  const closed =
    run.closeAtS === null ? [] : [1.015, 1.3].map((times) => ({ t: run.closeAtS! * times, v: run.packV, i: 0 }));
  const time = (value: number) => formatQuantity({ value, dimension: 'time' }, system, 3).text;
  return (
    <TimeChart
      name="Precharge"
      system={system}
      rows={[...charging, ...closed]}
      panes={[
        {
          heightPx: 190,
          dimension: 'voltage',
          reaches: [0, run.packV * 1.05],
          curves: [{ key: 'v', name: 'Link', stroke: 'var(--hv)', width: 2.4, named: true }],
          limits: [{ on: 'y', at: level, stroke: 'var(--ink)', dash: '5 4' }],
          dots: run.closeAtS === null ? [] : [{ x: run.closeAtS, y: level }],
        },
        {
          heightPx: 92,
          dimension: 'current',
          most: 3,
          reaches: [0],
          curves: [{ key: 'i', name: 'Current', stroke: 'var(--ink)', width: 1.6, named: true }],
        },
      ]}
      caption={
        run.closeAtS === null ? (
          <b className="text-fails">
            Never reaches {share} (dashed) within {time(run.timeoutS)}: the main must stay open.
          </b>
        ) : (
          <span className="text-small text-ink">
            The main closes at {share} (dashed) after <b>{time(run.closeAtS)}</b>.
          </span>
        )
      }
    />
  );
}
