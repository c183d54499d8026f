'use client';
import type { Assessment } from '@/core/assess';
import type { CellCareFlag, SettableName } from '@/core/build';
import { formatQuantity } from '@/core/quantities';
import { proposedLimits } from '@/core/stations/bms';
import { useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { FigureRow } from '@/ui/figure-row';
import { Caution, Panel } from '@/ui/panel';
import { FigureSetting } from '../shell/figure-setting';
import { SheetHead, useSheet } from '../shell/shell';
import { YesNo } from '../shell/yes-no';
import { BalancePanel } from './balance-panel';
import { CellWindowPicture } from './cell-window';
import { ConfigPanel } from './config-panel';
import { CurvesPanel } from './curves-panel';
import { DrivesPanel } from './drives-panel';
import { HealthPanel } from './health-panel';
import { KeptPanel } from './kept-panel';
import { LeadPanel } from './lead-panel';
import { TapsPanel } from './taps-panel';
import { WarmthPanel } from './warmth-panel';

export function BmsScreen() {
  return <BmsSheet {...useSheet()} />;
}

const CHOICES = [
  { value: 'none', label: 'nothing: kept by hand' },
  { value: 'shunts', label: 'regulators on each cell' },
  { value: 'distributed', label: 'electronics on each cell' },
  { value: 'central', label: 'one unit, a wire to each cell' },
] as const;

function BmsSheet({ assessment }: { assessment: Assessment }) {
  const {
    results: { bms },
    build,
  } = assessment;
  const dispatch = useBench((bench) => bench.dispatch);
  if (!bms.window)
    return (
      <>
        <SheetHead station="bms" />
        <Panel title="No cells yet">
          <p className="text-soft">Begin with cells in Pack; then what watches each of them is set here.</p>
        </Panel>
      </>
    );
  return (
    <>
      <SheetHead station="bms" />
      <Panel title="One cell" about="above the line what is set, below it what the cell bears">
        <CellWindowPicture window={bms.window} system={build.units} />
      </Panel>
      <div className="mt-3">
        <BalancePanel assessment={assessment} />
      </div>
      <div className="mt-3 grid items-start gap-3 min-[1080px]:grid-cols-2">
        <Panel title="What watches the cells" about={`${bms.cells} in a row`}>
          <ChoiceField
            label="Design choice"
            value={build.schools.bms ?? null}
            empty="not entered"
            choices={[...CHOICES]}
            onChoose={(value) => dispatch({ edit: 'setSchool', input: { bms: value as 'none' } })}
          />
          {bms.watched === 'none' && !bms.lithium && (
            <p className="mt-2 text-soft">
              Flooded lead is kept by hand: water, an equalising charge each month, a meter over every cell. Charge
              where it is aired: the gas burns.
            </p>
          )}
          {bms.watched !== 'none' && <Answers assessment={assessment} />}
        </Panel>
        {bms.watched !== 'none' && (
          <>
            <Limits assessment={assessment} />
            <Balancing assessment={assessment} />
            {bms.watched === 'electronics' && <CurvesPanel assessment={assessment} />}
            {bms.watched === 'electronics' && <TapsPanel assessment={assessment} />}
          </>
        )}
        <WarmthPanel assessment={assessment} />
        {bms.window.chemistry.startsWith('lead') && <LeadPanel assessment={assessment} />}
        <DrivesPanel assessment={assessment} />
        <HealthPanel assessment={assessment} />
        {bms.watched === 'electronics' && <KeptPanel assessment={assessment} />}
        {bms.watched === 'electronics' && <ConfigPanel assessment={assessment} />}
        <Caution>
          A sense wire has the whole pack behind it. Read every tap with a meter before the plug goes in: two neighbours
          swapped read double and backwards, and destroy the electronics.
        </Caution>
      </div>
    </>
  );
}

const QUESTIONS: readonly (readonly [CellCareFlag, string])[] = [
  ['stopsCharger', 'A full cell stops the charger'],
  ['throttlesCharger', 'It holds the charger down to the shunts'],
  ['opensCoils', 'Its stop opens the contactors'],
  ['senseFused', 'Sense wires are fused at the cells'],
  ['pausesBleeding', 'It pauses bleeding while it reads'],
];
/** Regulators measure nothing. */
const OF_ELECTRONICS: readonly CellCareFlag[] = ['senseFused', 'pausesBleeding'];

function Answers({ assessment: { build, results } }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const asked = QUESTIONS.filter(([flag]) => results.bms.watched === 'electronics' || !OF_ELECTRONICS.includes(flag));
  return (
    <>
      {asked.map(([flag, label]) => (
        <YesNo
          key={flag}
          label={label}
          value={build.bms?.[flag]}
          onAnswer={(is) => dispatch({ edit: 'setCellCare', input: { flag, is } })}
        />
      ))}
      {results.bms.watched === 'electronics' && <FigureSetting build={build} figure="cellInputs" />}
    </>
  );
}

const LIMITS: readonly SettableName[] = [
  'cellOver',
  'cellOverRelease',
  'cellUnder',
  'cellUnderRelease',
  'cellChargeFrom',
  'cellChargeTo',
  'cellDischargeTo',
];

function Limits({ assessment: { build, vehicle } }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const untold = build.bms?.overV === undefined && build.bms?.underV === undefined;
  return (
    <Panel title="Limits" about="of each cell, as they are set in the electronics">
      {untold && (
        <Action
          onPress={() => {
            const limits = proposedLimits(vehicle);
            const { tapsV: _, ...others } = build.bms ?? {};
            if (limits) dispatch({ edit: 'setBmsConfig', input: { settings: { ...limits, ...others } } });
          }}
        >
          Begin with what suits these cells
        </Action>
      )}
      {LIMITS.map((figure) => (
        <FigureSetting key={figure} build={build} figure={figure} />
      ))}
    </Panel>
  );
}

function Balancing({ assessment: { build, results } }: { assessment: Assessment }) {
  const { balance } = results.bms;
  return (
    <Panel
      title="Balancing"
      about={build.schools.balance === 'bottom' ? 'cells are level when empty' : 'cells are level when full'}
    >
      <FigureSetting build={build} figure="balanceFrom" />
      <FigureSetting build={build} figure="balanceCurrent" />
      <FigureSetting
        build={build}
        figure="balanceDuty"
        note={build.bms?.balanceDuty === undefined ? 'assumed all of the time' : ''}
      />
      <FigureSetting
        build={build}
        figure="leakSpread"
        note={build.bms?.leakSpread === undefined ? 'assumed half a percent' : ''}
      />
      <FigureSetting
        build={build}
        figure="fullCharges"
        note={build.bms?.fullCharges === undefined ? 'assumed twelve' : ''}
      />
      {balance && (
        <div className="mt-2">
          <p className="text-soft">
            One cell {formatQuantity({ value: balance.spread, dimension: 'ratio' }, build.units, 2).text} below all the
            others:
          </p>
          <FigureRow
            label="Level again after"
            value={balance.run.timeToBalancedS}
            dimension="time"
            system={build.units}
          />
          <FigureRow
            label="Bled by all together"
            value={balance.run.chargeBledC / 3600}
            dimension="charge"
            system={build.units}
          />
          <FigureRow label="Heat of each shunt" value={balance.heatW} dimension="power" system={build.units} />
        </div>
      )}
    </Panel>
  );
}
