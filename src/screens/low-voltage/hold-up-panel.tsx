'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { formatQuantity } from '@/core/quantities';
import { lowHoldUp } from '@/core/simulate';
import { Caution, Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { TimeChart } from '../shell/chart';

/** The converter has died at night in rain: battery voltage over time, and what goes when. */
export default function HoldUpPanel({ assessment }: { assessment: Assessment }) {
  const { build, vehicle } = assessment;
  const [soc, setSoc] = useState(0.8);
  const [cellC, setCellC] = useState(build.duty.coldestDayC ?? -5);
  const run = lowHoldUp(vehicle, { socStart: soc, batteryC: cellC, health: build.packLimits.agedHealth });
  const system = build.units;
  const time = (value: number) => formatQuantity({ value, dimension: 'time' }, system, 3).text;
  if (!run)
    return (
      <Panel title="Converter dies">
        <p className="text-fails">
          There is no auxiliary battery with known figures: contactors, brake and steering assist, lamps and controls
          end with the converter, at once.
        </p>
      </Panel>
    );
  const rows = run.curve.map(({ timeS, batteryV, currentA }) => ({ t: timeS, v: batteryV, i: currentA }));
  return (
    <Panel title="The converter dies at night in rain" about="the essential loads on the auxiliary battery alone">
      <div className="grid gap-x-8 min-[700px]:grid-cols-2">
        <QuantityField
          label="Charged to"
          value={soc}
          dimension="ratio"
          unit="%"
          system={system}
          onCommit={(value) => setSoc(Math.min(1, Math.max(0.05, value)))}
        />
        <QuantityField label="Battery at" value={cellC} dimension="temperature" system={system} onCommit={setCellC} />
      </div>
      <p className="mt-1 text-lead" data-hold-up="">
        Holds <b className="font-semibold">{run.holdUpS === null ? 'more than 6 h' : time(run.holdUpS)}</b>, from{' '}
        {formatQuantity({ value: run.startA, dimension: 'current' }, system, 3).text}
        {run.gone[0] ? (
          <>
            ; <b className="font-semibold">{run.gone[0].name}</b> goes first, after {time(run.gone[0].atS)}
          </>
        ) : (
          ''
        )}
        . Twenty minutes are wanted.
      </p>
      <TimeChart
        name="Hold-up"
        system={system}
        rows={rows}
        panes={[
          {
            heightPx: 220,
            dimension: 'voltage',
            reaches: [10],
            curves: [{ key: 'v', name: 'Battery', stroke: 'var(--lv)', width: 2.4, named: true }],
            limits: [
              { on: 'x', at: 20 * 60, name: '20 min', stroke: 'var(--soft)', dash: '2 3' },
              { on: 'y', at: 10.5, name: 'contactors drop out', stroke: 'var(--fails)', dash: '5 4' },
            ],
          },
          {
            heightPx: 96,
            dimension: 'current',
            most: 3,
            reaches: [0],
            curves: [{ key: 'i', name: 'Current', stroke: 'var(--ink)', width: 1.6, named: true }],
          },
        ]}
      />
      {run.gone.length > 0 && (
        <ol className="mt-1 text-small">
          {run.gone.map(({ id, name, atS }) => (
            <li key={id} className="flex justify-between border-t border-rule/70 py-0.5">
              <span>{name} has too little voltage</span>
              <span className="tabular-nums">{time(atS)}</span>
            </li>
          ))}
        </ol>
      )}
      <div className="mt-2">
        <Caution>
          When the warning comes on: stop where it is safe while brakes and steering are still assisted. Lights and
          contactors follow.
        </Caution>
      </div>
    </Panel>
  );
}
