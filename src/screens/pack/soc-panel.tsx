'use client';
import { useState } from 'react';
import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import type { Assessment } from '@/core/assess';
import { formatQuantity } from '@/core/quantities';
import { cellDuties, socCurve } from '@/core/stations/pack';
import { axisOf, extent, rechartsAxis } from '@/ui/axis';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';

/** Voltage over the state of charge under a chosen current and temperature, and what each state asks of the cells. */
export default function SocPanel({ assessment }: { assessment: Assessment }) {
  const {
    vehicle,
    results: { pack },
    build,
  } = assessment;
  const duties = pack ? cellDuties(vehicle, pack) : [];
  const hardest = duties.reduce((most, one) => Math.max(most, one.currentA), 0);
  const [amps, setAmps] = useState<number | null>(null);
  const [cellC, setCellC] = useState(build.packLimits.coldestCellC);
  const [health, setHealth] = useState(build.packLimits.agedHealth);
  if (!pack) return null;
  const currentA = amps ?? Math.round(hardest);
  const curve = socCurve(vehicle, currentA, cellC, health);
  const floor = Math.max(0, ...pack.windows.map(({ workingMinV }) => workingMinV));
  const text = (value: number, dimension: 'voltage' | 'current' | 'power') =>
    formatQuantity({ value, dimension }, build.units, 3).text;
  const lowest = curve.find(({ soc }) => soc >= build.packLimits.socEmpty);
  return (
    <Panel title="Voltage over charge" about="at rest, and under a current at a temperature">
      <div className="grid gap-x-8 min-[700px]:grid-cols-3">
        <QuantityField label="Current" value={currentA} dimension="current" system={build.units} onCommit={setAmps} />
        <QuantityField
          label="Cells at"
          value={cellC}
          dimension="temperature"
          system={build.units}
          onCommit={setCellC}
        />
        <QuantityField
          label="Health"
          value={health}
          dimension="ratio"
          unit="%"
          system={build.units}
          onCommit={(value) => setHealth(Math.min(1, Math.max(0.3, value)))}
        />
      </div>
      <div className="mt-2 h-[210px]" aria-hidden="true">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart data={[...curve]} margin={{ top: 8, right: 18, bottom: 4, left: 2 }} accessibilityLayer={false}>
            <CartesianGrid stroke="var(--rule)" vertical={false} />
            <XAxis dataKey="soc" {...rechartsAxis(axisOf(0, 1, 'ratio', build.units))} />
            <YAxis
              width={56}
              {...rechartsAxis(
                axisOf(...extent(curve.flatMap(({ restV, loadedV }) => [restV, loadedV])), 'voltage', build.units),
              )}
            />
            <Tooltip
              isAnimationActive={false}
              labelFormatter={(soc) => `${Math.round(Number(soc) * 100)} % charged`}
              formatter={(value, name) => [text(Number(value), 'voltage'), name === 'restV' ? 'at rest' : 'loaded']}
              contentStyle={{ background: 'var(--panel)', border: '1px solid var(--rule)', color: 'var(--ink)' }}
            />
            {floor > 0 && <ReferenceLine y={floor} stroke="var(--fails)" strokeDasharray="5 4" />}
            <ReferenceLine x={build.packLimits.socEmpty} stroke="var(--soft)" strokeDasharray="2 3" />
            <Line dataKey="restV" stroke="var(--ink)" strokeDasharray="6 4" dot={false} isAnimationActive={false} />
            <Line dataKey="loadedV" stroke="var(--hv)" strokeWidth={2.4} dot={false} isAnimationActive={false} />
          </LineChart>
        </ResponsiveContainer>
      </div>
      <p className="text-note text-soft">
        Full line: under {text(currentA, 'current')}
        {lowest ? `, ${text(lowest.loadedV, 'voltage')} where driving stops` : ''}. Dashed: at rest.
        {floor > 0 ? ` The highest lower limit of a device on the bus is ${text(floor, 'voltage')}.` : ''}
      </p>
      <table className="mt-2 w-full text-right text-small tabular-nums" data-cell-duties="">
        <thead className="text-note text-soft">
          <tr>
            <th scope="col" className="py-1 text-left font-normal">
              State, hardest corner
            </th>
            <th scope="col" className="font-normal">
              current
            </th>
            <th scope="col" className="font-normal">
              C-rate
            </th>
            <th scope="col" className="font-normal">
              heat in the cells
            </th>
          </tr>
        </thead>
        <tbody>
          {duties.map((duty) => (
            <tr key={duty.name} className="border-t border-rule/70">
              <td className="py-1 text-left">
                {duty.name} <span className="text-soft">{duty.duration}</span>
              </td>
              <td className="whitespace-nowrap">{text(duty.currentA, 'current')}</td>
              <td className="whitespace-nowrap">{duty.cRate.toFixed(2)} C</td>
              <td className="whitespace-nowrap">{text(duty.heatW, 'power')}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Panel>
  );
}
