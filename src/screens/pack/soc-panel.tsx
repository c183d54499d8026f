'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { formatQuantity } from '@/core/quantities';
import { cellDuties, socCurve } from '@/core/stations/pack';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { XYChart } from '../shell/chart';
import { DataTable } from '../shell/data-table';

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
      <XYChart
        name="Voltage over charge"
        system={build.units}
        along={{ key: 'soc', name: 'Charge', dimension: 'ratio', from: 0, to: 1, whole: true }}
        rows={curve.map(({ soc, restV, loadedV }) => ({ soc, restV, loadedV }))}
        panes={[
          {
            heightPx: 220,
            dimension: 'voltage',
            curves: [
              { key: 'loadedV', name: 'Loaded', stroke: 'var(--hv)', width: 2.4, named: true },
              { key: 'restV', name: 'At rest', stroke: 'var(--ink)', dash: '6 4', named: true },
            ],
            limits: [
              ...(floor > 0
                ? [{ on: 'y' as const, at: floor, name: 'a device drops out', stroke: 'var(--fails)', dash: '5 4' }]
                : []),
              {
                on: 'x' as const,
                at: build.packLimits.socEmpty,
                name: 'driving stops',
                stroke: 'var(--soft)',
                dash: '2 3',
              },
            ],
          },
        ]}
        caption={
          <>
            Full line: under {text(currentA, 'current')}
            {lowest ? `, ${text(lowest.loadedV, 'voltage')} where driving stops` : ''}. Dashed: at rest.
            {floor > 0 ? ` The highest lower limit of a device on the bus is ${text(floor, 'voltage')}.` : ''}
          </>
        }
      />
      <div className="mt-2" data-cell-duties="">
        <DataTable
          label="What the cells do"
          columns={[
            {
              id: 'state',
              head: 'State, hardest corner',
              cell: ({ name, duration }) => (
                <>
                  {name} <span className="text-soft">{duration}</span>
                </>
              ),
              value: ({ name }) => name,
            },
            {
              id: 'current',
              head: 'current',
              unit: 'A',
              figure: true,
              cell: ({ currentA }) => text(currentA, 'current'),
              value: ({ currentA }) => currentA,
            },
            {
              id: 'rate',
              head: 'C-rate',
              figure: true,
              cell: ({ cRate }) => `${cRate.toFixed(2)} C`,
              value: ({ cRate }) => cRate,
            },
            {
              id: 'heat',
              head: 'heat in the cells',
              unit: 'W',
              figure: true,
              cell: ({ heatW }) => text(heatW, 'power'),
              value: ({ heatW }) => heatW,
            },
          ]}
          rows={duties}
          idOf={({ name }) => name}
        />
      </div>
    </Panel>
  );
}
