'use client';
import dynamic from 'next/dynamic';
import { useEffect, useMemo, useState } from 'react';
import type { Assessment } from '@/core/assess';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import { type BalanceReads, type BalanceResult, balanceReads, boxHeat, type RowRun } from '@/core/simulate';
import { FigureRow } from '@/ui/figure-row';
import { Panel } from '@/ui/panel';
import { runBalance } from '@/workers/balance';
import { FigureSetting } from '../shell/figure-setting';

const BalanceChart = dynamic(() => import('./balance-chart'), {
  ssr: false,
  loading: () => <div className="h-[350px]" />,
});

const END_WORDS: Readonly<Record<RowRun['end'], string>> = {
  'cut-off': 'the current fell to its end',
  'all-full': 'the last cell was full',
  stopped: 'the first full cell stopped it',
  running: 'it does not end in a day',
};

/** One charge cell by cell: which cell is full first, what the balancer takes, when they are even. */
export function BalancePanel({ assessment }: { assessment: Assessment }) {
  const { vehicle, build } = assessment;
  const reads = useMemo(() => balanceReads(vehicle), [vehicle]);
  const key = 'missing' in reads ? null : JSON.stringify(reads);
  const [ran, setRan] = useState<{ key: string; reads: BalanceReads; result: BalanceResult } | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => {
    if (key === null) return;
    let wanted = true;
    const asked = JSON.parse(key) as BalanceReads;
    runBalance(asked).then(
      (result) => {
        if (!wanted) return;
        setTrouble(null);
        setRan({ key, reads: asked, result });
      },
      (error: Error) => wanted && setTrouble(error.message),
    );
    return () => {
      wanted = false;
    };
  }, [key]);
  return (
    <Panel title="A charge cell by cell" about="from where it usually begins, to its end and on for a day">
      {'missing' in reads ? (
        <p className="text-soft">To work it out, enter {reads.missing.join(', ')}.</p>
      ) : trouble !== null ? (
        <p role="alert" className="text-fails">
          It could not be worked out: {trouble}
        </p>
      ) : !ran ? (
        // As high as what comes: nothing below it moves under a hand.
        <p className="min-h-[700px] text-soft min-[1080px]:min-h-[371px]" aria-live="polite">
          Being charged …
        </p>
      ) : (
        <>
          <Ran ran={ran} assessment={assessment} />
          <p className="h-5 text-note text-soft" aria-live="polite">
            {ran.key === key ? '' : 'Being charged anew …'}
          </p>
        </>
      )}
      <div className="mt-2 grid gap-x-8 min-[700px]:grid-cols-2">
        <FigureSetting build={build} figure="cellSpread" note="where no tap tells it" />
        <FigureSetting build={build} figure="balanceOther" note="drawn dashed" />
      </div>
    </Panel>
  );
}

function Ran({
  ran: { reads, result },
  assessment: { build },
}: {
  ran: { reads: BalanceReads; result: BalanceResult };
  assessment: Assessment;
}) {
  const { told, other } = result;
  const { units } = build;
  const order = told.order.slice(0, 8).map(({ cell }) => cell + 1);
  return (
    <div className="grid gap-x-8 gap-y-3 min-[1080px]:grid-cols-[minmax(0,2fr)_minmax(0,1fr)]">
      <BalanceChart told={told} other={other} system={units} />
      <div>
        <FigureRow
          label="Charge ends after"
          value={told.end === 'running' ? null : told.endS}
          dimension="time"
          system={units}
        />
        <p className="border-b border-rule/70 py-1 text-right text-soft">{END_WORDS[told.end]}</p>
        <FigureRow
          label={`Highest, cell ${told.highestCell + 1}`}
          value={told.highestV}
          dimension="voltage"
          system={units}
        />
        <FigureRow label="Emptiest at the end" value={Math.min(1, told.lowestSoc)} dimension="ratio" system={units} />
        <Even label="Even within half a percent after" run={told} system={units} />
        {other && <Even label="… with the other shunt" run={other} system={units} />}
        {boxHeat(reads, told).map(({ name, heatJ }) => (
          <FigureRow key={name} label={`Heat in ${name}`} value={heatJ} dimension="energy" system={units} />
        ))}
        <FigureRow label="Bled at once, at most" value={told.mostBledAtOnce} dimension="count" system={units} />
        <p className="mt-1 text-small">
          {order.length === 0
            ? 'No cell is bled.'
            : `Bled first: ${order.map((cell) => `cell ${cell}`).join(', ')}${told.order.length > order.length ? `, then ${told.order.length - order.length} more` : ''}.`}
        </p>
        <p className="mt-1 text-note text-soft">
          {reads.from.join(' ')} At {formatQuantity({ value: 25, dimension: 'temperature' }, units, 2).text}.
        </p>
      </div>
    </div>
  );
}

function Even({ label, run, system }: { label: string; run: RowRun; system: UnitSystem }) {
  if (run.balancedS !== null) return <FigureRow label={label} value={run.balancedS} dimension="time" system={system} />;
  return (
    <p className="flex justify-between gap-3 border-b border-rule/70 py-1">
      <span className="text-soft">{label}</span>
      <span>not within a day</span>
    </p>
  );
}
