'use client';
import dynamic from 'next/dynamic';
import type { Assessment } from '@/core/assess';
import { formatQuantity, inUnits } from '@/core/quantities';
import { FigureRow } from '@/ui/figure-row';
import { Caution, Panel } from '@/ui/panel';
import { FigureSetting } from '../shell/figure-setting';
import { SizeFields } from '../shell/size-fields';
import { Answers, DesignChoice, LowLine } from './parts';

const CabinChart = dynamic(() => import('./cabin-chart'), { ssr: false, loading: () => <div className="h-[240px]" /> });

export function HeatingPage({ assessment }: { assessment: Assessment }) {
  const { build, results } = assessment;
  const { cabin, heatingM, day } = results.ancillaries;
  const { units } = build;
  const compressor = assessment.vehicle.devices.some(({ device }) => device.kind === 'compressor');
  const watts = (value: number) => formatQuantity({ value, dimension: 'power' }, units, 3).text;
  return (
    <>
      <Panel title="The coldest day" about="all heaters on, from as cold as outside">
        <div className="grid gap-x-8 gap-y-3 min-[1080px]:grid-cols-[minmax(0,2fr)_minmax(0,1fr)]">
          <CabinChart cabin={cabin} system={units} />
          <div>
            <FigureRow label="Heaters give" value={cabin.powerW} dimension="power" system={units} />
            <FigureRow label="To hold what is wanted" value={cabin.needsW} dimension="power" system={units} />
            <FigureRow label="It settles at" value={cabin.settlesC} dimension="temperature" system={units} />
            {cabin.timeS === null ? (
              <p className="flex justify-between border-b border-rule/70 py-1">
                <span className="text-soft">Warm after</span>
                <b className="font-semibold text-fails">never</b>
              </p>
            ) : (
              <FigureRow label="Warm after" value={cabin.timeS} dimension="time" system={units} />
            )}
            <FigureRow
              label="Range that an hour takes"
              value={heatingM?.holding ?? null}
              dimension="distance"
              system={units}
            />
            {day && <FigureRow label="… and a winter day" value={day.heatingM} dimension="distance" system={units} />}
            {cabin.seatsFirstW !== null && (
              <FigureRow
                label="An hour with warm seats"
                value={heatingM?.seatsFirst ?? null}
                dimension="distance"
                system={units}
              />
            )}
          </div>
        </div>
        {cabin.assumed.length > 0 && (
          <p className="mt-1 text-note text-soft">Assumed: {inUnits(cabin.assumed.join(' '), units)}</p>
        )}
      </Panel>
      <div className="mt-3 grid items-start gap-3 min-[1080px]:grid-cols-2">
        <Panel title="Heating" about="what replaces the engine’s heat">
          <DesignChoice assessment={assessment} id="heating" />
          {cabin.heaters.length === 0 && <p className="mt-1 text-soft">No heater for people hangs on the bus.</p>}
          {cabin.heaters.map(({ id, name, powerW, atV, band, ownV, aloneC }) => (
            <section key={id} aria-label={name} className="mt-2">
              <h3 className="font-semibold">{name}</h3>
              <FigureRow label="Gives at the lowest" value={powerW} dimension="power" system={units} />
              <FigureRow label="… at" value={atV} dimension="voltage" system={units} />
              {cabin.heaters.length > 1 && (
                <FigureRow label="By itself it leads to" value={aloneC} dimension="temperature" system={units} />
              )}
              {build.schools.heating === 'air-heater' && (
                <SizeFields build={build} deviceId={id} labels={['Element, long', '… wide', '… high']} />
              )}
              {band && ownV !== null && (
                <p className="mt-1">
                  An element for {formatQuantity({ value: ownV, dimension: 'voltage' }, units, 3).text}: here{' '}
                  <b className="font-semibold">
                    {watts(band[0])} to {watts(band[1])}
                  </b>
                  , as a plain resistance and as one that is still cold.
                </p>
              )}
            </section>
          ))}
          <p className="mt-2 border-l-[3px] border-hv pl-3">
            Asks of the pack: {watts(cabin.powerW)} while it warms up, {watts(Math.min(cabin.powerW, cabin.needsW))} to
            hold.
          </p>
          <LowLine
            assessment={assessment}
            job={build.schools.heating === 'coolant-heater' ? 'coolant-pump' : 'blower'}
          />
        </Panel>
        <Panel title="Cabin" about="what it loses and takes up">
          <FigureSetting build={build} figure="cabinLoss" />
          <FigureSetting build={build} figure="cabinAir" />
          <FigureSetting build={build} figure="cabinRecirculated" />
          <FigureSetting build={build} figure="cabinHeat" />
          <FigureSetting build={build} figure="cabinWanted" />
          <FigureSetting build={build} figure="coldestDay" />
          {build.schools.heating === 'air-heater' && (
            <>
              <FigureSetting build={build} figure="heaterBoxLength" />
              <FigureSetting build={build} figure="heaterBoxWidth" />
              <FigureSetting build={build} figure="heaterBoxDepth" />
            </>
          )}
          <FigureSetting build={build} figure="seats" note="people feel as warm some degrees cooler" />
        </Panel>
        <Panel title="Guards of the element">
          <Answers
            assessment={assessment}
            system="cabin"
            questions={[
              ['blowerLocked', 'No heat without air or coolant moving'],
              ['cutOut', 'Thermal cut-out and fuse in series'],
              ['dcSwitch', 'Switched by what breaks direct current'],
              ['airToScreen', 'Warm air reaches the windscreen'],
            ]}
          />
        </Panel>
        {compressor && (
          <Panel title="Air conditioning" about="a compressor hangs on the bus">
            <Answers
              assessment={assessment}
              system="cabin"
              questions={[
                ['acOil', 'Flushed, with oil that does not conduct'],
                ['acFan', 'A fan at the condenser'],
                ['acLicensed', 'Filled by whoever may'],
              ]}
            />
            <FigureRow
              label="Range that an hour takes"
              value={heatingM?.compressor ?? null}
              dimension="distance"
              system={units}
            />
            <p className="mt-2 text-soft">Measure the insulation again after the first hour with the new oil.</p>
          </Panel>
        )}
        <Caution>
          An element on the traction voltage is live like the pack: service disconnect out, proved dead, before the box
          is opened. A 12-volt relay on it draws an arc that never goes out.
        </Caution>
      </div>
    </>
  );
}
