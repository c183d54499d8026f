'use client';
import { useState } from 'react';
import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import type { Assessment } from '@/core/assess';
import { formatQuantity } from '@/core/quantities';
import { lowHoldUp } from '@/core/simulate';
import { axisOf, extent, rechartsAxis } from '@/ui/axis';
import { Caution, Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';

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
  const data = run.curve.map(({ timeS, batteryV, currentA }) => ({ t: timeS, v: batteryV, i: currentA }));
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
      <div className="mt-2 h-[230px]" aria-hidden="true">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart data={data} margin={{ top: 14, right: 18, bottom: 4, left: 2 }} accessibilityLayer={false}>
            <CartesianGrid stroke="var(--rule)" vertical={false} />
            <XAxis
              dataKey="t"
              {...rechartsAxis(axisOf(0, data.at(-1)?.t ?? 0, 'time', system, { whole: false, most: 6 }))}
            />
            <YAxis
              width={50}
              {...rechartsAxis(axisOf(...extent([10, ...data.map(({ v }) => v)]), 'voltage', system))}
            />
            <Tooltip
              isAnimationActive={false}
              labelFormatter={(t) => time(Number(t))}
              formatter={(value, name) => [
                name === 'v' ? `${Number(value).toFixed(2)} V` : `${Number(value).toFixed(1)} A`,
                name === 'v' ? 'battery' : 'current',
              ]}
              contentStyle={{ background: 'var(--panel)', border: '1px solid var(--rule)', color: 'var(--ink)' }}
            />
            <ReferenceLine
              x={20 * 60}
              stroke="var(--soft)"
              strokeDasharray="2 3"
              label={{ value: '20 min', position: 'top', fontSize: 12, fill: 'var(--soft)' }}
            />
            <ReferenceLine y={10.5} stroke="var(--fails)" strokeDasharray="5 4" />
            <Line dataKey="v" stroke="var(--lv)" strokeWidth={2.4} dot={false} isAnimationActive={false} />
          </LineChart>
        </ResponsiveContainer>
      </div>
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
