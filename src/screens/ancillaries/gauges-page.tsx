'use client';
import dynamic from 'next/dynamic';
import type { Assessment } from '@/core/assess';
import { GAUGE_SHOWS, type GaugeShows, OLD_GAUGES, type OldGauge } from '@/core/build';
import { formatQuantity } from '@/core/quantities';
import { useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { FigureSetting } from '../shell/figure-setting';
import { Answers } from './parts';

const LampChart = dynamic(() => import('./lamp-chart'), { ssr: false, loading: () => <div className="h-[220px]" /> });

const NAMES: Readonly<Record<OldGauge, string>> = {
  fuel: 'Fuel gauge',
  temperature: 'Temperature gauge',
  oil: 'Oil pressure',
  ammeter: 'Ammeter or charge lamp',
  tachometer: 'Tachometer',
  speedometer: 'Speedometer',
};
const SHOWS: Readonly<Record<GaugeShows, string>> = {
  emulated: 'its sender is played',
  replaced: 'a gauge of its own',
  display: 'the controller’s display shows it',
  kept: 'goes on as it did',
  blank: 'nothing',
  none: 'the car never had it',
};

export function GaugesPage({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build, results } = assessment;
  const { lamp, cellCurve } = results.ancillaries;
  const soc = (value: number) => formatQuantity({ value, dimension: 'ratio' }, build.units, 3).text;
  return (
    <>
      {cellCurve.length > 1 && (
        <div className="mb-3">
          <Panel title="A cell on the usual trip" about="in winter, aged; the lamp’s set points across it">
            <LampChart
              curve={cellCurve}
              onV={build.gauges?.lampOnV ?? null}
              offV={build.gauges?.lampOffV ?? null}
              system={build.units}
            />
          </Panel>
        </div>
      )}
      <div className="grid items-start gap-3 min-[1080px]:grid-cols-2">
        <Panel title="Old gauges" about="what each shows now">
          {OLD_GAUGES.map((gauge) => (
            <ChoiceField
              key={gauge}
              label={NAMES[gauge]}
              value={build.gauges?.shows?.[gauge] ?? null}
              empty="not entered"
              choices={GAUGE_SHOWS.map((value) => ({ value, label: SHOWS[value] }))}
              onChoose={(shows) => dispatch({ edit: 'setGauge', input: { gauge, shows: shows as GaugeShows } })}
            />
          ))}
        </Panel>
        <Panel title="Recharge lamp" about="by the voltage of a cell, over the usual trip in winter">
          <FigureSetting build={build} figure="rechargeOn" />
          <FigureSetting build={build} figure="rechargeOff" />
          <FigureSetting
            build={build}
            figure="rechargeHold"
            note={build.gauges?.lampHoldS === undefined ? 'at once' : 'below it all the while'}
          />
          {lamp && (
            <p className="mt-2" aria-live="polite">
              {lamp.litAt.length === 0
                ? 'On the usual trip it stays dark.'
                : lamp.wolf > 0
                  ? `It cries wolf: it lights at ${soc(lamp.litAt[0]!)} and goes out again, ${lamp.wolf} times.`
                  : `It lights at ${soc(lamp.litAt[0]!)} and stays lit.`}
            </p>
          )}
          {!lamp && <p className="mt-2 text-soft">Tried on the usual trip once both set points are entered.</p>}
        </Panel>
        <Panel title="Lamps and hours" about="what the engine’s own lamps no longer tell">
          <Answers
            assessment={assessment}
            system="gauges"
            questions={[
              ['lowTwelve', 'A lamp for low 12 volt'],
              ['insulationLamp', 'A lamp for low insulation'],
              ['hours', 'Hours are counted'],
            ]}
          />
          <FigureSetting build={build} figure="shiftLamp" note="where gears are kept" />
        </Panel>
      </div>
    </>
  );
}
