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
import { type Column, DataTable } from '../shell/data-table';

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
  const figure = (
    id: string,
    head: string,
    unit: string,
    dimension: Dimension,
    value: (choice: PrechargeChoice) => number,
  ): Column<PrechargeChoice> => ({
    id,
    head,
    unit,
    figure: true,
    value,
    cell: (choice) => text(value(choice), dimension),
  });
  const text = (value: number, dimension: Dimension) => formatQuantity({ value, dimension }, build.units, 3).text;
  const columns: readonly Column<PrechargeChoice>[] = [
    {
      id: 'resistor',
      head: 'Resistor',
      unit: 'Ω',
      value: ({ part }) => part.resistanceOhm,
      cell: (choice) => (
        <span className="flex items-center gap-2">
          <VerdictMark shape={!fits(choice) ? 'fails' : choice.standsShort ? 'holds' : 'thin'} />
          {text(choice.part.resistanceOhm, 'resistance')} {text(choice.part.ratedPowerW, 'power')}
        </span>
      ),
    },
    {
      id: 'closes',
      head: 'Closes after',
      unit: 's',
      figure: true,
      value: ({ closeAtS }) => closeAtS,
      cell: ({ closeAtS }) => (closeAtS === null ? 'not in time' : text(closeAtS, 'time')),
    },
    figure('peak', 'Peak', 'W', 'power', ({ peakW }) => peakW),
    figure('energy', 'Energy', 'J', 'energy', ({ energyJ }) => energyJ),
    {
      id: 'row',
      head: 'In a row',
      figure: true,
      value: ({ attempts }) => Math.min(attempts, 999),
      cell: ({ attempts }) => `${Math.min(attempts, 999)} ×`,
    },
    figure('pause', 'Pause', 's', 'time', ({ pauseS }) => pauseS),
    {
      id: 'short',
      head: 'Shorted bus',
      value: ({ standsShort }) => (standsShort ? 'stands it' : 'burns'),
      cell: ({ standsShort }) => (standsShort ? 'stands it' : 'burns'),
    },
    {
      id: 'fit',
      head: '',
      className: 'text-right',
      cell: ({ part }) =>
        fitted?.id === part.id ? (
          <span className="text-soft">fitted</span>
        ) : (
          <Action onPress={() => dispatch({ edit: 'fitPart', input: { deviceId: run.resistorId, part } })}>fit</Action>
        ),
    },
  ];
  return (
    <Panel
      title="Resistors in this circuit"
      about="the smallest of each value that stands a shorted bus, else the largest"
    >
      <DataTable
        label="Resistors in this circuit"
        wide
        rows={choices}
        columns={columns}
        idOf={({ part }) => part.id}
        attributes={({ part }) => ({ 'data-resistor': part.id })}
      />
    </Panel>
  );
}
