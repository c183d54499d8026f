'use client';
import type { Assessment } from '@/core/assess';
import { formatQuantity } from '@/core/quantities';
import { FigureRow } from '@/ui/figure-row';
import { Panel } from '@/ui/panel';
import { FigureSetting } from '../shell/figure-setting';

const clock = (hour: number): string => {
  const minutes = Math.round(hour * 60) % 1440;
  return `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
};

/** When to begin, in the cheap hours, and how far to charge on usual days. */
export function WhenPanel({ assessment: { build, results } }: { assessment: Assessment }) {
  const { departure, reach, charge } = results.charging;
  const { units } = build;
  const lfp = results.bms.window?.chemistry === 'lfp';
  return (
    <Panel title="When, and how far" about="a pack that is full for a short time ages least">
      <FigureSetting build={build} figure="readyHour" />
      <FigureSetting build={build} figure="cheapFrom" />
      <FigureSetting build={build} figure="cheapTo" />
      <FigureSetting build={build} figure="cheapPrice" />
      {departure && (
        <>
          <p className="flex justify-between border-b border-rule/70 py-1">
            <span className="text-soft">Begin at</span>
            <b className="font-semibold">{clock(departure.beginH)}</b>
          </p>
          {departure.spareS < 0 ? (
            <p className="py-1 font-semibold">
              {formatQuantity({ value: -departure.spareS, dimension: 'time' }, units, 2).text} late: the time for it
              does not do.
            </p>
          ) : (
            <FigureRow label="In cheap hours" value={departure.cheapShare} dimension="ratio" system={units} />
          )}
          {departure.cost !== null && (
            <p className="flex justify-between border-b border-rule/70 py-1">
              <span className="text-soft">Costs so</span>
              <b className="font-semibold">{departure.cost.toFixed(2)}</b>
            </p>
          )}
        </>
      )}
      {!departure && charge && (
        <p className="mt-1 text-soft">Tell when it has to be done, and the begin is worked out.</p>
      )}
      <FigureSetting build={build} figure="socFull" note="on usual days" />
      {reach.map(({ soc, rangeM }) => (
        <FigureRow
          key={soc}
          label={`Range in winter from ${formatQuantity({ value: soc, dimension: 'ratio' }, units, 3).text}`}
          value={rangeM}
          dimension="distance"
          system={units}
        />
      ))}
      <p className="mt-1 text-note text-soft">
        {lfp
          ? 'LFP ages little by being full, and wants a full charge now and then: it balances and counts anew there.'
          : 'Kept at 80 % instead of full, cells age markedly slower with the calendar (an estimate of the trade, no figure of this pack).'}
      </p>
    </Panel>
  );
}
