'use client';
import dynamic from 'next/dynamic';
import { memo, type ReactNode } from 'react';
import type { Assessment } from '@/core/assess';
import { formatQuantity } from '@/core/quantities';
import { Caution, Panel } from '@/ui/panel';
import { useLater } from '@/ui/use-later';
import { FusePanel } from './fuse-panel';
import { LivePanel } from './live-panel';
import { LoopCaution, LoopSelection, NoLoop, StopTable, TestPointTable } from './loop-panel';
import { inLoop } from './loop-sheet';
import { PrechargeChoices } from './precharge-choices';
import { SafeguardsPanel } from './safeguards-panel';
import { Selection } from './selection';
import { Sequence } from './sequence';
import { ShortPanel } from './short-panel';
import { TouchPanel } from './touch-panel';
import type { CircuitView } from './use-circuit-view';

const PrechargeSigns = dynamic(() => import('./precharge-signs'), { ssr: false });
const PrechargeChart = dynamic(() => import('./precharge-chart'), {
  ssr: false,
  loading: () => <div className="h-[190px]" />,
});

interface Props {
  readonly assessment: Assessment;
  readonly view: CircuitView;
  readonly openCheck: (key: string) => void;
}

/** Under the drawing: what is looked at on the left, what was chosen and what is dangerous on the right. */
export function LookPanels({ assessment, view, openCheck }: Props) {
  // Each resistor of the list is a circuit to be charged: the drawing and the verdicts come first.
  const later = useLater(assessment);
  const left = <Question assessment={assessment} view={view} />;
  const right = beside({ assessment, view, openCheck });
  const caution = view.look === 'loop' ? null : <BoxesCaution assessment={assessment} />;
  return (
    <>
      <div className={`grid items-start gap-3 ${right.length > 0 ? 'min-[1080px]:grid-cols-2' : ''}`}>
        <div className="min-w-0 space-y-3">{left}</div>
        {right.length > 0 && (
          <div className="min-w-0 space-y-3">
            {right}
            {caution}
          </div>
        )}
      </div>
      {right.length === 0 && caution && <div className="mt-3">{caution}</div>}
      {view.look === 'closing' && <ChargedOtherwise assessment={later} />}
    </>
  );
}

/** The same bus with other resistors, and with one thing wrong. */
const ChargedOtherwise = memo(({ assessment }: { assessment: Assessment | null }) => {
  const run = assessment?.results['hv-circuit'];
  return (
    assessment &&
    run && (
      <div className="mt-3 space-y-3 print:hidden">
        <PrechargeChoices assessment={assessment} run={run} />
        <PrechargeSigns assessment={assessment} run={run} />
      </div>
    )
  );
});

function Question({ assessment, view }: Pick<Props, 'assessment' | 'view'>) {
  const {
    vehicle,
    build: { units },
    results: { pack, 'hv-circuit': closing },
  } = assessment;
  switch (view.look) {
    case 'short':
      return (
        <ShortPanel
          vehicle={vehicle}
          conductorId={view.wire}
          short={view.short}
          choice={view.shortChoice}
          onChoose={view.onShort}
          system={units}
        />
      );
    case 'live':
      return <LivePanel {...view} vehicle={vehicle} fullV={pack?.fullV ?? null} system={units} />;
    case 'loop':
      return view.loop ? (
        <StopTable assessment={assessment} circuit={view.loop.circuit} selected={view.selected} onSelect={view.pick} />
      ) : (
        <NoLoop />
      );
    case 'touch':
      return (
        <TouchPanel
          vehicle={vehicle}
          fullV={pack?.fullV ?? null}
          nominalV={pack?.nominalV ?? null}
          safeV={view.safeV}
          system={units}
        />
      );
    case 'fuses':
      return <FusePanel vehicle={vehicle} selected={view.selected} onSelect={view.select} system={units} />;
    case 'closing':
      return (
        <Panel title="Precharge" about="as wired, warm, new, full pack">
          {closing ? (
            <PrechargeChart run={closing} system={units} />
          ) : (
            <p className="text-soft">
              Needs a main contactor with a precharge resistor and relay across it, and a link capacitor behind.
            </p>
          )}
        </Panel>
      );
  }
}

/** What stands at the right, from top to bottom; empty: the left may take the whole width. */
function beside({ assessment, view, openCheck }: Props): ReactNode[] {
  const { vehicle } = assessment;
  const { look, loop, selected } = view;
  const clear = () => view.select(null);
  if (look === 'loop' && loop)
    return [
      ...(selected !== null && inLoop(loop, selected)
        ? [
            <LoopSelection
              key="selection"
              assessment={assessment}
              circuit={loop.circuit}
              selected={selected}
              onClear={clear}
            />,
          ]
        : []),
      <TestPointTable key="points" assessment={assessment} circuit={loop.circuit} />,
      <LoopCaution key="caution" />,
    ];
  const known = selected !== null && (vehicle.deviceOf.has(selected) || vehicle.conductorOf.has(selected));
  return [
    ...(known
      ? [
          <Selection
            key="selection"
            assessment={assessment}
            selected={selected}
            solved={view.solved}
            openCheck={openCheck}
            onClear={clear}
          />,
        ]
      : look === 'closing'
        ? [<Sequence key="sequence" assessment={assessment} />]
        : []),
    ...(look === 'touch' ? [<SafeguardsPanel key="safeguards" assessment={assessment} />] : []),
  ];
}

function BoxesCaution({ assessment }: Pick<Props, 'assessment'>) {
  const {
    results: { pack },
    build,
  } = assessment;
  if (!pack) return null;
  return (
    <Caution>
      {pack.boxes.length === 1 ? 'The box stays' : 'All boxes stay'} live with every contactor open:{' '}
      {pack.boxes
        .map((box) => `${box.name} ${formatQuantity({ value: box.fullV, dimension: 'voltage' }, build.units).text}`)
        .join(', ')}{' '}
      at full charge. Cells never switch off: cover them, and prove dead at the place of work.
    </Caution>
  );
}
