'use client';
import { useMemo } from 'react';
import type { Assessment } from '@/core/assess';
import { catalogueOf } from '@/core/parts';
import { type Dimension, formatQuantity } from '@/core/quantities';
import { type PrechargeChoice, type PrechargeRun, prechargeChoice, prechargeWith } from '@/core/simulate';
import { useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Panel } from '@/ui/panel';
import { VerdictMark } from '@/ui/verdict-mark';

/** Closes in time, stands the voltage and two attempts; a shorted bus is the harder question. */
const fits = (choice: PrechargeChoice): boolean =>
  choice.closeAtS !== null && choice.standsVoltage && choice.attempts >= 2;

/** Every resistor of the list in this very circuit: how long, how hot, how often. */
export function PrechargeChoices({ assessment, run }: { assessment: Assessment; run: PrechargeRun }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { vehicle, build } = assessment;
  const fitted = vehicle.deviceOf.get(run.resistorId)?.part ?? null;
  const choices = useMemo(() => {
    const smallest = new Map<number, PrechargeChoice>();
    for (const part of catalogueOf('resistor')) {
      const known = smallest.get(part.resistanceOhm);
      if (known && fits(known) && known.standsShort) continue;
      const with_ = prechargeWith(vehicle, part);
      if (with_) smallest.set(part.resistanceOhm, prechargeChoice(part, with_));
    }
    return [...smallest.values()];
  }, [vehicle]);
  const text = (value: number, dimension: Dimension) => formatQuantity({ value, dimension }, build.units, 3).text;
  return (
    <Panel
      title="Resistors in this circuit"
      about="the smallest of each value that stands a shorted bus, else the largest"
    >
      <div className="overflow-x-auto">
        <table className="w-full min-w-[480px] text-right text-[14px] tabular-nums" data-precharge-choices="">
          <thead className="text-[13px] text-soft">
            <tr>
              <th className="py-1 text-left font-normal">Resistor</th>
              <th className="font-normal">closes after</th>
              <th className="font-normal">peak</th>
              <th className="font-normal">energy</th>
              <th className="font-normal">in a row</th>
              <th className="font-normal">pause</th>
              <th className="font-normal">shorted bus</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {choices.map((choice) => (
              <tr key={choice.part.id} className="border-t border-rule/70">
                <td className="py-1 text-left">
                  <span className="flex items-center gap-2">
                    <VerdictMark shape={!fits(choice) ? 'fails' : choice.standsShort ? 'holds' : 'thin'} />
                    {text(choice.part.resistanceOhm, 'resistance')} {text(choice.part.ratedPowerW, 'power')}
                  </span>
                </td>
                <td className="pl-3 whitespace-nowrap">
                  {choice.closeAtS === null ? 'never' : text(choice.closeAtS, 'time')}
                </td>
                <td className="pl-3 whitespace-nowrap">{text(choice.peakW, 'power')}</td>
                <td className="pl-3 whitespace-nowrap">{text(choice.energyJ, 'energy')}</td>
                <td className="pl-3 whitespace-nowrap">{Math.min(choice.attempts, 999)} ×</td>
                <td className="pl-3 whitespace-nowrap">{text(choice.pauseS, 'time')}</td>
                <td className="pl-3 whitespace-nowrap">{choice.standsShort ? 'stands it' : 'burns'}</td>
                <td className="pl-3">
                  {fitted?.id === choice.part.id ? (
                    <span className="text-soft">fitted</span>
                  ) : (
                    <Action
                      onPress={() =>
                        dispatch({ edit: 'fitPart', input: { deviceId: run.resistorId, part: choice.part } })
                      }
                    >
                      fit
                    </Action>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </Panel>
  );
}
