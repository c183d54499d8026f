'use client';
import dynamic from 'next/dynamic';
import type { Assessment } from '@/core/assess';
import { formatQuantity } from '@/core/quantities';
import { useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { FigureRow } from '@/ui/figure-row';
import { Caution, Panel } from '@/ui/panel';
import { FigureSetting } from '../shell/figure-setting';
import { SheetHead, useSheet } from '../shell/shell';
import { SupplyFields } from '../shell/supply-fields';
import { YesNo } from '../shell/yes-no';
import { ChainPicture } from './chain-picture';
import { ElsewherePanel } from './elsewhere-panel';
import { FastPanel } from './fast-panel';
import { MainsPanel } from './mains-panel';
import { MeanwhilePanel } from './meanwhile-panel';
import { PlugPanel } from './plug-panel';
import { StandInPanel } from './stand-in-panel';
import { WarmPanel } from './warm-panel';
import { WhenPanel } from './when-panel';

const ChargeChart = dynamic(() => import('./charge-chart'), {
  ssr: false,
  loading: () => <div className="h-[388px]" />,
});

export function ChargingScreen() {
  return <ChargingSheet {...useSheet()} />;
}

function ChargingSheet({ assessment }: { assessment: Assessment }) {
  const {
    results: { charging },
    build,
  } = assessment;
  if (charging.chain.length === 0)
    return (
      <>
        <SheetHead station="charging" />
        <Panel title="No charger yet">
          <p className="text-soft">
            Put a charger on the bus in HV circuit; then its supply, its end and its time are worked out here.
          </p>
        </Panel>
      </>
    );
  return (
    <>
      <SheetHead station="charging" />
      <Panel
        title="From the supply to the cells"
        about="frame: what each link lets through or carries; bar: what is drawn"
      >
        <ChainPicture charging={charging} system={build.units} />
      </Panel>
      <div className="mt-3">
        <Charge assessment={assessment} />
      </div>
      {charging.elsewhere.length > 0 && (
        <div className="mt-3">
          <ElsewherePanel rows={charging.elsewhere} system={build.units} />
        </div>
      )}
      <div className="mt-3 grid items-start gap-3 min-[1080px]:grid-cols-2">
        <SupplyPanel assessment={assessment} />
        <ChargerPanel assessment={assessment} />
        <PlugPanel assessment={assessment} />
        <MainsPanel build={build} />
        <MeasuredPanel assessment={assessment} />
        <WarmPanel assessment={assessment} />
        <WhenPanel assessment={assessment} />
        <TrialPanel assessment={assessment} />
        <MeanwhilePanel build={build} />
        <FastPanel assessment={assessment} />
        <StandInPanel system={build.units} />
        <Caution>
          A charge draws for hours what a socket else sees for minutes: a circuit of its own, with a residual-current
          device that sees direct current, and earth proved. Feel plug and socket after half an hour. A licensed
          electrician wires and signs the supply.
        </Caution>
      </div>
    </>
  );
}

function Charge({ assessment }: { assessment: Assessment }) {
  const {
    results: { charging },
    build,
  } = assessment;
  const { charge, missing, to80, cost } = charging;
  if (!charge)
    return (
      <Panel title="One charge">
        <p className="text-soft">To work it out, enter {missing.join(', ')}.</p>
      </Panel>
    );
  const { last, end, constantVoltage } = charge.run;
  const ended = end === 'cut-off';
  const row = (label: string, value: number | null, dimension: 'time' | 'energy' | 'ratio' | 'power') => (
    <FigureRow label={label} value={value} dimension={dimension} system={build.units} />
  );
  return (
    <Panel
      title="One charge"
      about={`from ${formatQuantity({ value: charge.fromSoc, dimension: 'ratio' }, build.units, 3).text}, held by: ${charge.binds.name}`}
    >
      <div className="grid gap-x-8 gap-y-3 min-[1080px]:grid-cols-[minmax(0,2fr)_minmax(0,1fr)]">
        <ChargeChart charge={charge} system={build.units} />
        <div>
          {row('To 80 %', to80?.timeS ?? null, 'time')}
          {row('Taper begins after', constantVoltage?.timeS ?? null, 'time')}
          {ended ? (
            row('Ends after', last.timeS, 'time')
          ) : (
            <p className="border-b border-rule/70 py-1 font-semibold">It never ends by itself</p>
          )}
          {row('Ends at', Math.min(1, last.soc), 'ratio')}
          {row('From the wall', ended ? last.acJ : null, 'energy')}
          {row('… for 80 %', to80?.acJ ?? null, 'energy')}
          {row('Drawn from the supply', charge.acW, 'power')}
          {cost !== null && (
            <p className="flex justify-between border-b border-rule/70 py-1">
              <span className="text-soft">Costs</span>
              <b className="font-semibold">{cost.toFixed(2)}</b>
            </p>
          )}
          {charge.assumed.length > 0 && <p className="mt-1 text-note text-soft">Assumed: {charge.assumed.join(' ')}</p>}
        </div>
      </div>
    </Panel>
  );
}

function SupplyPanel({ assessment: { build } }: { assessment: Assessment }) {
  return (
    <Panel title="Supply">
      <SupplyFields build={build} />
      <FigureSetting build={build} figure="supplyRun" note="one way" />
      <FigureSetting build={build} figure="supplyRunSize" />
      <FigureSetting build={build} figure="cordCurrent" note="by its code or print" />
      <FigureSetting
        build={build}
        figure="nightTime"
        note={build.charging?.nightS === undefined ? 'assumed ten hours' : ''}
      />
      <FigureSetting build={build} figure="chargeFrom" />
      <FigureSetting build={build} figure="energyPrice" />
    </Panel>
  );
}

function ChargerPanel({ assessment: { build } }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { charging = {} } = build;
  return (
    <Panel title="Charger" about="as it is set; its power stands at the device in HV circuit">
      <FigureSetting build={build} figure="chargeCellV" />
      <FigureSetting build={build} figure="cutoffCurrent" note={charging.cutoffA === undefined ? 'assumed C/20' : ''} />
      <ChoiceField
        label="… measured"
        value={charging.cutoffAt ?? null}
        empty="into the pack"
        choices={[
          { value: 'pack', label: 'into the pack' },
          { value: 'charger', label: 'out of the charger' },
        ]}
        onChoose={(value) => dispatch({ edit: 'setCharging', input: { cutoffAt: value as 'pack' } })}
      />
      <FigureSetting build={build} figure="chargerCurrent" />
      <FigureSetting
        build={build}
        figure="chargerEfficiency"
        note={charging.efficiency === undefined ? 'assumed 92 %' : ''}
      />
      <FigureSetting build={build} figure="chargerTimer" />
      <FigureSetting build={build} figure="chargerCharge" />
      <FigureSetting build={build} figure="chargeLimit" note="by its own setting, or the cable’s" />
      <YesNo
        label="Isolates mains from pack"
        value={charging.isolated}
        onAnswer={(isolated) => dispatch({ edit: 'setCharging', input: { isolated } })}
      />
    </Panel>
  );
}

/** A charge that was watched with a meter: it shows which assumption is wrong. */
function MeasuredPanel({ assessment: { build } }: { assessment: Assessment }) {
  return (
    <Panel title="A charge that was measured" about="held against the forecast">
      <FigureSetting build={build} figure="measuredFrom" />
      <FigureSetting build={build} figure="measuredTo" />
      <FigureSetting build={build} figure="measuredChargeTime" />
      <FigureSetting build={build} figure="measuredCharge" note="the meter’s count" />
    </Panel>
  );
}

/** Near the lower end of its window a charger may hunt: what it did when it was tried. */
function TrialPanel({ assessment: { build } }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  return (
    <Panel title="Charger tried with a low pack" about="replaces the 5 % that are assumed">
      <FigureSetting build={build} figure="chargerTrial" />
      <YesNo
        label="It gave steadily"
        value={build.charging?.trialSteady}
        onAnswer={(trialSteady) => dispatch({ edit: 'setCharging', input: { trialSteady } })}
      />
    </Panel>
  );
}
