'use client';
import { useMemo } from 'react';
import type { Assessment } from '@/core/assess';
import { type Dimension, formatQuantity } from '@/core/quantities';
import { type PrechargeFault, type PrechargeRun, type PrechargeSign, prechargeSigns } from '@/core/simulate';
import { Panel } from '@/ui/panel';
import { TimeChart } from '../shell/chart';
import { DataTable } from '../shell/data-table';

const WORDS: Readonly<Record<PrechargeFault, readonly [string, string, string]>> = {
  none: ['as it should be', '0', 'rises fast, then ever slower'],
  half: ['half the capacitance', '9 4', 'rises twice as fast: a capacitor is gone or not joined'],
  load: ['a load left on', '5 4', 'settles below the pack: something draws already'],
  short: ['bus shorted', '2 3', 'stays at nothing: stop, the resistor burns; find the short before the next try'],
  open: ['resistor, relay or other pole open', '1 4', 'stays at nothing and no current flows'],
  welded: ['main contactor welded', '12 3 2 3', 'is there at once, before the relay has closed'],
};

/** What a meter at the inverter shows while the bus charges, when something is wrong. */
export default function PrechargeSigns({ assessment, run }: { assessment: Assessment; run: PrechargeRun }) {
  const signs = useMemo(() => prechargeSigns(assessment.vehicle, run), [assessment.vehicle, run]);
  const system = assessment.build.units;
  const text = (value: number, dimension: Dimension) => formatQuantity({ value, dimension }, system, 3).text;
  const followed = signs.filter((sign): sign is PrechargeSign => !('unknown' in sign));
  const first = followed[0];
  if (!first) return null;
  const rows = first.curve.map(({ timeS }, k) => ({
    t: timeS,
    ...Object.fromEntries(followed.map((sign) => [sign.fault, sign.curve[k]?.linkV])),
  }));
  return (
    <Panel title="What a fault looks like" about="voltage at the inverter, from the relay’s closing to the time-out">
      <TimeChart
        name="Faults of precharge"
        system={system}
        rows={rows}
        panes={[
          {
            heightPx: 210,
            dimension: 'voltage',
            reaches: [0, run.packV * 1.02],
            curves: followed.map(({ fault }) => ({
              key: fault,
              name: WORDS[fault][0],
              stroke: fault === 'none' ? 'var(--hv)' : 'var(--ink)',
              width: fault === 'none' ? 2.4 : 1.5,
              dash: WORDS[fault][1],
            })),
            limits: [{ on: 'y', at: run.closeFraction * run.packV, stroke: 'var(--ink)', dash: '5 4' }],
          },
        ]}
      />
      <div className="mt-1" data-precharge-signs="">
        <DataTable
          label="Precharge with one thing wrong"
          columns={[
            {
              id: 'wrong',
              head: 'What is wrong',
              value: ({ fault }) => WORDS[fault][0],
              cell: ({ fault }) => (
                <span className="flex items-start gap-2">
                  <svg viewBox="0 0 30 8" width="30" height="8" aria-hidden="true" className="mt-2 shrink-0">
                    <line
                      x1="0"
                      x2="30"
                      y1="4"
                      y2="4"
                      stroke={fault === 'none' ? 'var(--hv)' : 'var(--ink)'}
                      strokeWidth="2"
                      strokeDasharray={WORDS[fault][1]}
                    />
                  </svg>
                  <span>
                    {WORDS[fault][0]}
                    <span className="block text-note text-soft">{WORDS[fault][2]}</span>
                  </span>
                </span>
              ),
            },
            {
              id: 'end',
              head: 'at the time-out',
              unit: 'V',
              figure: true,
              cell: ({ endV }) => text(Math.round(endV), 'voltage'),
              value: ({ endV }) => endV,
            },
            {
              id: 'peak',
              head: 'peak',
              unit: 'A',
              figure: true,
              cell: ({ peakA }) => text(Math.round(peakA * 100) / 100, 'current'),
              value: ({ peakA }) => peakA,
            },
            {
              id: 'heat',
              head: 'in the resistor',
              unit: 'J',
              figure: true,
              cell: ({ resistorJ }) => text(Math.round(resistorJ * 10) / 10, 'energy'),
              value: ({ resistorJ }) => resistorJ,
            },
          ]}
          rows={followed}
          idOf={({ fault }) => fault}
        />
      </div>
      {signs.length > followed.length && (
        <p className="mt-2 text-small">
          Not worked out:{' '}
          {signs.flatMap((sign) => ('unknown' in sign ? [`${WORDS[sign.fault][0]} (${sign.unknown})`] : [])).join('; ')}
        </p>
      )}
    </Panel>
  );
}
