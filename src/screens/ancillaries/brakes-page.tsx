'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { DESCENT_EVERY_S } from '@/core/simulate';
import { useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { FigureRow } from '@/ui/figure-row';
import { Caution, Panel } from '@/ui/panel';
import { FigureSetting } from '../shell/figure-setting';
import { Answers, DesignChoice, LowLine } from './parts';
import type { VacuumShown } from './vacuum-chart';
import { VacuumDrawing, VacuumScale } from './vacuum-drawing';

const VacuumChart = dynamic(() => import('./vacuum-chart'), {
  ssr: false,
  loading: () => <div className="h-[250px]" />,
});

export function BrakesPage({ assessment }: { assessment: Assessment }) {
  const { build, results } = assessment;
  const { has } = results.ancillaries;
  return (
    <>
      {has.vacuum && <Vacuum assessment={assessment} />}
      <div className="mt-3 grid items-start gap-3 min-[1080px]:grid-cols-2">
        <Panel title="Brakes" about="what helps the foot">
          <DesignChoice assessment={assessment} id="brakes" />
          {build.schools.brakes === 'unassisted' && (
            <p className="mt-2 text-soft">Without assist: the pedal needs the ratio and bore that were made for it.</p>
          )}
          {has.vacuum && <LowLine assessment={assessment} job="vacuum-pump" />}
          {has.booster && <LowLine assessment={assessment} job="brake-booster" />}
        </Panel>
        {has.vacuum && (
          <>
            <PumpPanel assessment={assessment} />
            <Panel title="Switch and warning" about="gauge: against the air outside">
              <FigureSetting build={build} figure="vacuumOn" />
              <FigureSetting build={build} figure="vacuumOff" />
              <Answers
                assessment={assessment}
                system="brakes"
                questions={[['switchFollows', 'It goes with the air']]}
              />
              <FigureSetting
                build={build}
                figure="vacuumLeast"
                note={build.brakes?.leastPa === undefined ? 'assumed' : ''}
              />
              <FigureSetting build={build} figure="vacuumWarn" />
              <Answers
                assessment={assessment}
                system="brakes"
                questions={[['warnApart', 'Warning on a port and wire of its own']]}
              />
            </Panel>
            <Panel title="Volumes" about="what is pumped empty">
              <FigureSetting build={build} figure="boosterVolume" />
              <FigureSetting build={build} figure="reservoirVolume" />
              <FigureSetting
                build={build}
                figure="hoseVolume"
                note={build.brakes?.hoseL === undefined ? 'assumed as usual' : ''}
              />
              <FigureSetting build={build} figure="sweptVolume" note="diaphragm area by its stroke" />
              <Answers
                assessment={assessment}
                system="brakes"
                questions={[['checkValve', 'Check valve before the pump']]}
              />
            </Panel>
            <Panel title="Measured" about="pull-down by a gauge and a watch, leak over five minutes">
              <FigureSetting build={build} figure="pulledTo" />
              <FigureSetting build={build} figure="pulledTime" />
              <FigureSetting build={build} figure="vacuumLeak" />
            </Panel>
          </>
        )}
        {has.booster && (
          <Panel title="Electric booster" about="bore and stroke against calipers and drums">
            <FigureSetting build={build} figure="masterBore" />
            <FigureSetting build={build} figure="masterStroke" />
            <FigureSetting build={build} figure="brakeFluid" note="measured: what the pedal pushes out" />
            <Answers
              assessment={assessment}
              system="brakes"
              questions={[['fluidAbove', 'Fluid reservoir above it, level warning joined']]}
            />
            <p className="mt-2 text-soft">
              Without current the pedal pushes through, three to five times as hard. Tell whoever drives.
            </p>
          </Panel>
        )}
        <PedalPanel assessment={assessment} />
        <Caution>
          Brakes decide over lives. What is worked out here sizes and foresees; a licensed person inspects the brakes
          and signs before the first metre on the road.
        </Caution>
      </div>
    </>
  );
}

/** What the foot has to do, and what a descent does to the iron. */
function PedalPanel({ assessment }: { assessment: Assessment }) {
  const { build, results } = assessment;
  const { descent, has } = results.ancillaries;
  return (
    <Panel title="Pedal and iron" about="with the new mass">
      <FigureSetting
        build={build}
        figure="pedalForce"
        note={has.vacuum || has.booster ? 'half of the weight, assist working' : 'half of the weight'}
      />
      {(has.vacuum || has.booster) && (
        <FigureSetting
          build={build}
          figure="boostRatio"
          note={build.brakes?.boostRatio === undefined ? 'assumed five' : ''}
        />
      )}
      <Answers
        assessment={assessment}
        system="brakes"
        questions={[
          ['pedalTold', 'The controller is told of the pedal'],
          ['pedalStop', 'Pedals have stops of their own'],
        ]}
      />
      <FigureSetting build={build} figure="brakeIron" />
      <FigureSetting build={build} figure="hillGrade" />
      {descent && (
        <>
          <FigureRow label="Braked away on it" value={descent.powerW} dimension="power" system={build.units} />
          <FigureRow label="Iron at its end" value={descent.endC} dimension="temperature" system={build.units} />
        </>
      )}
    </Panel>
  );
}

function PumpPanel({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build } = assessment;
  return (
    <Panel title="Pump" about="as its sheet has it">
      <FigureSetting build={build} figure="vacuumFlow" />
      <ChoiceField
        label="… as a volume"
        value={build.brakes?.flowBasis ?? null}
        empty="of free air"
        choices={[
          { value: 'free-air', label: 'of free air' },
          { value: 'inlet', label: 'at its inlet' },
        ]}
        onChoose={(basis) => dispatch({ edit: 'setFlowBasis', input: { basis: basis as 'inlet' } })}
      />
      <FigureSetting build={build} figure="vacuumMost" />
      <FigureSetting build={build} figure="vacuumDuty" />
      <Answers
        assessment={assessment}
        system="brakes"
        questions={[
          ['pumpRubber', 'It stands on rubber'],
          ['silenced', 'It has a silencer'],
        ]}
      />
    </Panel>
  );
}

const SHOWN = [
  { value: 'trip', label: 'the usual trip' },
  { value: 'descent', label: `a descent, a stop every ${DESCENT_EVERY_S} s` },
  { value: 'pull-down', label: 'from nothing' },
] as const;

function Vacuum({ assessment: { build, results } }: { assessment: Assessment }) {
  const [shown, setShown] = useState<VacuumShown>('trip');
  const { vacuum, vacuumMissing } = results.ancillaries;
  const { units } = build;
  if (!vacuum)
    return (
      <Panel title="Vacuum">
        <p className="text-soft">
          {vacuumMissing.length > 0
            ? `To work it out, enter ${vacuumMissing.join(', ')}.`
            : 'The switch turns off below where it turns on: swap its set points.'}
        </p>
      </Panel>
    );
  const time = (label: string, value: number | null) =>
    value === null ? (
      <p className="flex justify-between border-b border-rule/70 py-1">
        <span className="text-soft">{label}</span>
        <b className="font-semibold text-fails">never</b>
      </p>
    ) : (
      <FigureRow label={label} value={value} dimension="time" system={units} />
    );
  return (
    <Panel title="Vacuum" about="from the model, at this altitude">
      <div className="flex flex-wrap items-center gap-x-6">
        <VacuumDrawing brakes={build.brakes ?? {}} system={units} />
        <VacuumScale vacuum={vacuum} brakes={build.brakes ?? {}} system={units} />
      </div>
      <div className="mt-2 grid gap-x-8 gap-y-3 min-[1080px]:grid-cols-[minmax(0,2fr)_minmax(0,1fr)]">
        <div>
          <ChoiceField
            label="Over"
            value={shown}
            choices={[...SHOWN]}
            onChoose={(value) => setShown(value as VacuumShown)}
          />
          <VacuumChart vacuum={vacuum} shown={shown} system={units} />
        </div>
        <div>
          {time('Assisted after', vacuum.toLeastS)}
          {time('Pump off after', vacuum.toCutOutS)}
          {time('Back after a normal stop', vacuum.recoveryS)}
          <FigureRow label="Runs, of the usual trip" value={vacuum.trip.duty} dimension="ratio" system={units} />
          <FigureRow label="Starts on it" value={vacuum.trip.starts} dimension="count" system={units} />
          <FigureRow label="Lowest on a descent" value={vacuum.descent.lowestPa} dimension="pressure" system={units} />
          <FigureRow label="Each normal stop takes" value={vacuum.eachPa} dimension="pressure" system={units} />
          <FigureRow label="Stops left, pump dead" value={vacuum.fromOn.begun} dimension="count" system={units} />
        </div>
      </div>
      {vacuum.assumed.length > 0 && <p className="mt-1 text-note text-soft">Assumed: {vacuum.assumed.join(' ')}</p>}
    </Panel>
  );
}
