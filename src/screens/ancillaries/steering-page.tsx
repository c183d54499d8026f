'use client';
import dynamic from 'next/dynamic';
import type { Assessment } from '@/core/assess';
import { formatQuantity } from '@/core/quantities';
import { FigureRow } from '@/ui/figure-row';
import { Caution, Panel } from '@/ui/panel';
import { FigureSetting } from '../shell/figure-setting';
import { Answers, DesignChoice, LowLine } from './parts';

const ColumnChart = dynamic(() => import('./column-chart'), {
  ssr: false,
  loading: () => <div className="h-[210px]" />,
});

export function SteeringPage({ assessment }: { assessment: Assessment }) {
  const { build, results } = assessment;
  const { has, rim, column } = results.ancillaries;
  const { units } = build;
  return (
    <>
      {has.hydraulic && <RackPanel assessment={assessment} />}
      {column.length > 0 && (
        <div className={has.hydraulic ? 'mt-3' : ''}>
          <Panel title="At the rim, over speed" about="rolling, with the assist and without it">
            <ColumnChart curve={column} system={units} />
          </Panel>
        </div>
      )}
      <div className="mt-3 grid items-start gap-3 min-[1080px]:grid-cols-2">
        <Panel title="Steering" about="what helps the hands">
          <DesignChoice assessment={assessment} id="steering" />
          {has.hydraulic && <LowLine assessment={assessment} job="steering-pump" />}
          {has.column && <LowLine assessment={assessment} job="column-assist" />}
          {build.schools.steering === 'original-electric' && (
            <Answers
              assessment={assessment}
              system="steering"
              questions={[['messages', 'It gets speed and “engine running”']]}
            />
          )}
          {build.schools.ancillaries === 'belt' && (
            <>
              <Answers
                assessment={assessment}
                system="steering"
                questions={[['idles', 'The motor turns the belt while the car stands']]}
              />
              <FigureSetting build={build} figure="beltPower" note="at the motor’s shaft; the trip counts it" />
            </>
          )}
        </Panel>
        {has.hydraulic && (
          <>
            <Panel title="Rack" about="as measured, or from its sheet">
              <FigureSetting build={build} figure="rackPiston" />
              <FigureSetting build={build} figure="rackTravel" />
              <FigureSetting build={build} figure="rackLeak" />
              <FigureSetting build={build} figure="rackNeed" />
              <FigureSetting build={build} figure="rackBears" />
            </Panel>
            <Panel title="Pump" about="electric">
              <FigureSetting build={build} figure="steeringFlow" />
              <FigureSetting build={build} figure="steeringRelief" />
              <FigureSetting build={build} figure="steeringEfficiency" />
              <FigureSetting build={build} figure="steeringIdle" />
              <FigureSetting build={build} figure="steeringShare" />
              <Answers
                assessment={assessment}
                system="steering"
                questions={[
                  ['pumpFits', 'Bracket, plug and hoses made for this car'],
                  ...(build.schools.steering === 'pump-by-speed'
                    ? [['pumpsOn', 'Without the speed it goes on pumping'] as const]
                    : []),
                ]}
              />
            </Panel>
          </>
        )}
        {has.column && (
          <Panel title="Column assist" about="its feed is permanent, with a fuse of its own">
            <FigureSetting build={build} figure="columnTorque" />
            <FigureSetting build={build} figure="columnFull" />
            <FigureSetting build={build} figure="columnNone" />
            <Answers
              assessment={assessment}
              system="steering"
              questions={[
                ['speedTold', 'It is told the speed'],
                ['safeDefault', 'Without it, little assist'],
              ]}
            />
          </Panel>
        )}
        <Panel title="Without assist" about="what the hands feel when it fails, or is not there">
          <FigureSetting build={build} figure="steeringRatio" />
          <FigureSetting build={build} figure="steeringRim" />
          <FigureSetting build={build} figure="frontTyre" />
          {rim ? (
            <>
              <FigureRow label="On the front axle" value={rim.frontKg} dimension="mass" system={units} />
              <FigureRow label="At each standing wheel" value={rim.kingpinNm} dimension="torque" system={units} />
              <FigureRow label="At the column" value={rim.columnNm} dimension="torque" system={units} />
              <FigureRow label="At the rim, standing" value={rim.forceN} dimension="force" system={units} />
            </>
          ) : (
            <p className="mt-1 text-soft">Needs tyres’ pressure, ratio, and the axle loads in Pack.</p>
          )}
        </Panel>
        <Caution>
          Steering decides over lives. What is worked out here sizes and foresees; a licensed person inspects the
          steering and signs before the first metre on the road.
        </Caution>
      </div>
    </>
  );
}

/** What the rack asks at three speeds of the wheel, against what the pump gives. */
function RackPanel({ assessment: { build, results } }: { assessment: Assessment }) {
  const { rack } = results.ancillaries;
  const l = (value: number) => formatQuantity({ value, dimension: 'flow' }, build.units, 3).text;
  if (!rack)
    return (
      <Panel title="Does it keep up in fast steering?">
        <p className="text-soft">Enter piston and travel of the rack, and the pump’s flow.</p>
      </Panel>
    );
  const most = 1.08 * Math.max(rack.pumpLPerMin, ...rack.speeds.map(({ askedLPerMin }) => askedLPerMin));
  const WORDS = ['slow parking', 'quick parking', 'avoiding something'] as const;
  const share = (value: number) => `${((100 * value) / most).toFixed(2)}%`;
  return (
    <Panel
      title="Does it keep up in fast steering?"
      about={`the line is what the pump gives${rack.atV === null ? '' : ` at ${formatQuantity({ value: rack.atV, dimension: 'voltage' }, build.units, 3).text}`}: ${l(rack.pumpLPerMin)}, enough up to ${rack.keepsUpTo.toFixed(2)} turns a second`}
    >
      <ol>
        {rack.speeds.map(({ turnsPerS, askedLPerMin, keepsUp }, k) => (
          <li
            key={turnsPerS}
            className="grid grid-cols-[minmax(0,12rem)_minmax(0,1fr)_minmax(0,8rem)] items-center gap-x-3 border-b border-dotted border-rule py-1 max-[500px]:grid-cols-[minmax(0,1fr)_auto]"
          >
            <span>
              {turnsPerS} turns a second <span className="block text-note text-soft">{WORDS[k]}</span>
            </span>
            <span aria-hidden="true" className="relative block h-[26px] max-[500px]:order-last max-[500px]:col-span-2">
              <span
                className={`absolute inset-y-[6px] left-0 ${keepsUp ? 'bg-coolant' : 'bg-fails'}`}
                style={{ width: share(askedLPerMin) }}
              />
              <span className="absolute inset-y-0 border-l-2 border-ink" style={{ left: share(rack.pumpLPerMin) }} />
            </span>
            <span className="text-right whitespace-nowrap">
              <b className="font-semibold">{l(askedLPerMin)}</b>
              <span className={`block text-note ${keepsUp ? 'text-soft' : 'font-semibold text-fails'}`}>
                {keepsUp ? 'it keeps up' : '✕ assist vanishes'}
              </span>
            </span>
          </li>
        ))}
      </ol>
      <div className="mt-2 max-w-md">
        <FigureRow label="Drawn when parking" value={rack.electricW} dimension="power" system={build.units} />
        <FigureRow
          label="In an hour of driving"
          value={
            build.steering?.idleW === undefined ? null : build.steering.idleW * (build.steering.idleShare ?? 1) * 3600
          }
          dimension="energy"
          system={build.units}
        />
        {results.ancillaries.day?.steeringJ != null && (
          <FigureRow
            label="In a usual day"
            value={results.ancillaries.day.steeringJ}
            dimension="energy"
            system={build.units}
          />
        )}
      </div>
      {rack.assumed.length > 0 && <p className="mt-1 text-note text-soft">Assumed: {rack.assumed.join(' ')}</p>}
    </Panel>
  );
}
