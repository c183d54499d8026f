'use client';
import type { Assessment } from '@/core/assess';
import { formatQuantity } from '@/core/quantities';
import { useBench } from '@/store/bench';
import { Panel } from '@/ui/panel';
import { FigureSetting } from '../shell/figure-setting';
import { YesNo } from '../shell/yes-no';

/** Electronics that came out of another vehicle: what it must see to be content, and what it says when it does not. */
export function KeptPanel({ assessment: { build, results } }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { bms } = results;
  const { kept, keptCells, keptAh, curves = {}, chargeFromC, chargeToC, dischargeToC } = build.bms ?? {};
  const q = (value: number, dimension: 'voltage' | 'charge' | 'current' | 'temperature') =>
    formatQuantity({ value, dimension }, build.units, 3).text;
  const most = Math.max(0, ...[...(curves.dischargeByC ?? []), ...(curves.chargeByC ?? [])].map(([, a]) => a));
  const least = bms.window?.underV ?? bms.window?.emptyV ?? 0;
  const highest = bms.window?.overV ?? bms.window?.fullV ?? 0;
  const rows: readonly (readonly [string, string])[] = [
    ['Cells on its inputs', `${bms.cells}, in order; an input without a cell is a broken wire to it`],
    ['Capacity that it is told', `${q(bms.capacityAh, 'charge')}, by its own set-up or the message that carried it`],
    ['Voltage of the pack', `${q(bms.cells * least, 'voltage')} to ${q(bms.cells * highest, 'voltage')}`],
    ['Its own current sensor', most > 0 ? `up to ${q(most, 'current')}, arrow from the pack` : 'arrow from the pack'],
    [
      'Its temperature sensors',
      `each on a cell, ${q(chargeFromC ?? 0, 'temperature')} to ${q(dischargeToC ?? chargeToC ?? 60, 'temperature')} as set here`,
    ],
    ['Contactors', 'its coil outputs and the voltage behind them: it takes a contactor that did not follow for welded'],
    ['Interlock loop and insulation', 'a closed loop, and no second insulation monitor that it would measure'],
    ['Messages of its vehicle', 'ignition and charge request, at their rate; lost ones open the contactors'],
  ];
  const codes = [
    ...(keptCells !== undefined && keptCells > bms.cells ? [`open sense wire, ${keptCells - bms.cells} times`] : []),
    ...(keptCells !== undefined && keptCells < bms.cells
      ? [`none for ${bms.cells - keptCells} cells: nobody sees them`]
      : []),
    ...(keptAh !== undefined && Math.abs(keptAh / bms.capacityAh - 1) > 0.1 ? ['state of charge not plausible'] : []),
  ];
  return (
    <Panel title="Electronics from another vehicle" about="what it has to see">
      <YesNo
        label="It comes out of another vehicle"
        value={kept}
        onAnswer={(is) => dispatch({ edit: 'setCellCare', input: { flag: 'kept', is } })}
      />
      {kept && (
        <>
          <FigureSetting build={build} figure="keptCells" />
          <FigureSetting build={build} figure="keptCapacity" />
          <dl className="mt-2">
            {rows.map(([what, sees]) => (
              <div key={what} className="border-b border-dotted border-rule py-1 sm:flex sm:justify-between sm:gap-3">
                <dt className="text-soft">{what}</dt>
                <dd className="sm:max-w-[60%] sm:text-right">{sees}</dd>
              </div>
            ))}
          </dl>
          <p className="mt-2">
            {codes.length === 0
              ? 'Codes to expect: those of the modules that stayed in its vehicle. Write them down before it is taken out.'
              : `Codes to expect: ${codes.join('; ')}.`}
          </p>
        </>
      )}
    </Panel>
  );
}
