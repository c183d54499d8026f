'use client';
import type { Assessment } from '@/core/assess';
import { formatQuantity } from '@/core/quantities';
import { presetFigures, stageLoads } from '@/core/stations/drive';
import { motorOf } from '@/core/vehicle';
import { useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { FigureRow } from '@/ui/figure-row';
import { Panel } from '@/ui/panel';
import { FigureSetting } from '../shell/figure-setting';

const KINDS = [
  { value: 'v-belt', label: 'V-belt' },
  { value: 'timing-belt', label: 'timing belt' },
  { value: 'chain', label: 'chain' },
] as const;

/** Belt or chain between motor and gearbox: what it pulls at. */
export function StagePanel({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build, vehicle } = assessment;
  const loads = stageLoads(vehicle);
  const system = build.units;
  return (
    <Panel title="Reduction drive" about="only where one stands between motor and gearbox">
      <FigureSetting build={build} figure="stageRatio" note={build.vehicle.stageRatio === undefined ? 'none' : ''} />
      <ChoiceField
        label="What it is"
        value={build.stage?.kind ?? null}
        empty={build.vehicle.stageRatio === undefined ? 'none' : 'not told'}
        choices={[...KINDS]}
        onChoose={(kind) => dispatch({ edit: 'setStage', input: { kind: kind as 'chain' } })}
      />
      {build.stage?.kind && (
        <>
          <FigureSetting build={build} figure="motorPulley" />
          <FigureSetting build={build} figure="sideLimit" note="from the motor’s sheet" />
        </>
      )}
      {motorOf(build)?.part?.motorKind === 'series-dc' && (
        <ChoiceField
          label="A speed limit cuts the motor’s feed"
          value={build.stage?.overspeedCut === undefined ? null : build.stage.overspeedCut ? 'yes' : 'no'}
          empty="not entered"
          choices={[
            { value: 'yes', label: 'yes' },
            { value: 'no', label: 'no' },
          ]}
          onChoose={(value) => dispatch({ edit: 'setStage', input: { overspeedCut: value === 'yes' } })}
        />
      )}
      {loads && (
        <>
          <Plain
            label="Pulls the shaft sideways, at peak"
            text={formatQuantity({ value: loads.sideN, dimension: 'force' }, system, 3).text}
          />
          <Plain
            label="Mount holds against turning"
            text={formatQuantity({ value: loads.reactionNm, dimension: 'torque' }, system, 3).text}
          />
        </>
      )}
    </Panel>
  );
}

/** A set speed instead of a pedal. */
export function PresetPanel({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const {
    build,
    vehicle,
    results: { pack },
  } = assessment;
  const figures = pack ? presetFigures(vehicle, pack.usableEnergyJ) : null;
  const system = build.units;
  return (
    <Panel title="Set speed" about="site carts and tractors: no pedal">
      <FigureSetting
        build={build}
        figure="presetSpeed"
        note={build.presetSpeed?.speedMPerS === undefined ? 'the pedal sets it' : ''}
      />
      {build.presetSpeed?.speedMPerS !== undefined && (
        <>
          <FigureSetting
            build={build}
            figure="presetRamp"
            note={build.presetSpeed.rampS === undefined ? 'assumed 3 s' : ''}
          />
          <ChoiceField
            label="A presence switch stops it"
            value={build.presetSpeed.deadMan === undefined ? null : build.presetSpeed.deadMan ? 'yes' : 'no'}
            empty="not entered"
            choices={[
              { value: 'yes', label: 'yes' },
              { value: 'no', label: 'no' },
            ]}
            onChoose={(value) => dispatch({ edit: 'setDeadMan', input: { deadMan: value === 'yes' } })}
          />
        </>
      )}
      {figures && (
        <>
          <FigureRow label="Takes, on the flat" value={figures.powerW} dimension="power" system={system} />
          <FigureRow label="A charge runs" value={figures.runTimeS} dimension="time" system={system} />
          {figures.setPoint !== null && (
            <Plain
              label="Throttle set point"
              text={`${(figures.setPoint * 100).toFixed(0)} %, ${figures.motorRpm.toFixed(0)}/min`}
            />
          )}
          <Plain
            label="While it comes up to speed"
            text={`${formatQuantity({ value: figures.rampN, dimension: 'force' }, system, 3).text}, ${formatQuantity({ value: figures.rampG, dimension: 'ratio' }, system, 2).text} of gravity`}
          />
        </>
      )}
    </Panel>
  );
}

function Plain({ label, text }: { label: string; text: string }) {
  return (
    <div className="flex items-baseline justify-between gap-3 border-b border-rule/70 py-1">
      <span className="text-soft">{label}</span>
      <b className="text-lead font-semibold">{text}</b>
    </div>
  );
}
