'use client';
import dynamic from 'next/dynamic';
import type { Assessment } from '@/core/assess';
import { inUnits } from '@/core/quantities';
import { FigureRow } from '@/ui/figure-row';
import { Caution, Panel } from '@/ui/panel';
import { FigureSetting } from '../shell/figure-setting';
import { LoopDrawing } from './loop-drawing';
import { Answers, DesignChoice, LowLine } from './parts';

const LoopChart = dynamic(() => import('./loop-chart'), { ssr: false, loading: () => <div className="h-[210px]" /> });

export function CoolingPage({ assessment }: { assessment: Assessment }) {
  const { build, results } = assessment;
  const { loop, loopTrip, plate, charging, spinS } = results.ancillaries;
  const { units } = build;
  const looped = build.schools.cooling === 'liquid' || build.schools.cooling === 'chill-plate';
  return (
    <>
      {looped && (
        <Panel title="A long climb on the hottest day" about="where the loop settles">
          {loop ? (
            <>
              <div className="overflow-x-auto">
                <LoopDrawing loop={loop} system={units} />
              </div>
              {loopTrip && <LoopChart trip={loopTrip} limitC={loop.limitC} system={units} />}
              <div className="max-w-md">
                {loopTrip && (
                  <FigureRow
                    label="Hottest on the usual trip"
                    value={loopTrip.hottestC}
                    dimension="temperature"
                    system={units}
                  />
                )}
                <FigureRow
                  label="Heat of inverter and motor on the climb"
                  value={loop.heatW}
                  dimension="power"
                  system={units}
                />
                <FigureRow label="Into the inverter" value={loop.inverterInC} dimension="temperature" system={units} />
                <FigureRow label="… at most" value={loop.limitC} dimension="temperature" system={units} />
              </div>
              <p className="mt-1 text-note text-soft">Assumed: {inUnits(loop.assumed.join(' '), units)}</p>
            </>
          ) : (
            <p className="text-soft">Enter the coolant’s flow and the radiator; and a drive in HV circuit.</p>
          )}
        </Panel>
      )}
      <div className="mt-3 grid items-start gap-3 min-[1080px]:grid-cols-2">
        <Panel title="Cooling" about="of inverter and motor">
          <DesignChoice assessment={assessment} id="cooling" />
          {looped && <LowLine assessment={assessment} job="coolant-pump" />}
          {looped && charging?.coolantC != null && (
            <FigureRow
              label="Coolant while it charges"
              value={charging.coolantC}
              dimension="temperature"
              system={units}
            />
          )}
          <FigureSetting build={build} figure="hottestDay" />
        </Panel>
        {looped && (
          <Panel title="Loop">
            <FigureSetting build={build} figure="coolantFlow" />
            {build.cooling?.flowLPerMin === undefined && (
              <>
                <FigureSetting build={build} figure="pumpHead" />
                <FigureSetting build={build} figure="pumpFree" />
                <FigureSetting build={build} figure="loopDrop" />
                <FigureSetting build={build} figure="loopDropAt" />
                {loop && <FigureRow label="They meet at" value={loop.flowLPerMin} dimension="flow" system={units} />}
              </>
            )}
            <FigureSetting build={build} figure="radiator" />
            <FigureSetting build={build} figure="radiatorStill" />
            <FigureSetting build={build} figure="coolantVolume" />
            <FigureSetting
              build={build}
              figure="coolantInlet"
              note={build.cooling?.inletC === undefined ? 'assumed as such inverters bear' : ''}
            />
            <Answers
              assessment={assessment}
              system="cooling"
              questions={[
                ['header', 'Header tank is the highest point'],
                ['bleeds', 'Every high point can be bled'],
                ['motorFirst', 'It comes to the motor first'],
                ['shared', 'The pump serves the heating too'],
              ]}
            />
          </Panel>
        )}
        {build.schools.cooling === 'plate' && (
          <Panel title="Plate in air" about="under the controller">
            <FigureSetting build={build} figure="plateArea" />
            <FigureSetting
              build={build}
              figure="plateLimit"
              note={build.cooling?.plateC === undefined ? 'assumed as such controllers bear' : ''}
            />
            {plate && (
              <>
                <FigureRow
                  label="The controller loses on the hill"
                  value={plate.lossW}
                  dimension="power"
                  system={units}
                />
                <FigureRow label="Its base then" value={plate.baseC} dimension="temperature" system={units} />
              </>
            )}
          </Panel>
        )}
        <Panel title="On the bench, without coolant" about="unloaded and short">
          <FigureSetting build={build} figure="spinLoss" note="volts times amperes of the pack, unloaded" />
          {spinS !== null && <FigureRow label="It may turn for" value={spinS} dimension="time" system={units} />}
        </Panel>
        <Panel title="Test first, add later" about="what was logged, carried to the hottest day">
          <FigureSetting build={build} figure="loggedHot" />
          <FigureSetting build={build} figure="loggedAir" />
          <FigureSetting build={build} figure="actFrom" />
          <p className="mt-2 text-soft">
            Drive the hill that you know for half an hour with a sensor on the controller’s base and one on the motor.
            Write down the hottest of each and the air outside.
          </p>
        </Panel>
        <Caution>
          Hot coolant scalds: open nothing before it is cold. On the bench a motor without coolant turns unloaded and
          for seconds only.
        </Caution>
      </div>
    </>
  );
}
