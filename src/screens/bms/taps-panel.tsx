'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { formatQuantity } from '@/core/quantities';
import { tapWords, typedTaps } from '@/core/simulate';
import { useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Panel } from '@/ui/panel';
import { FigureSetting } from '../shell/figure-setting';
import { TapCard } from './tap-card';

/** The open plug read with a meter, before it goes in. */
export function TapsPanel({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const [text, setText] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const {
    results: { bms },
    build,
  } = assessment;
  const take = () => {
    const typed = typedTaps(text);
    if (!typed.ok) {
      setTrouble(`${typed.reason} ${typed.remedy}`);
      return;
    }
    if (typed.readingsV.length === 0) {
      setTrouble('Nothing is typed yet. Type one voltage for each cell, from the row’s minus.');
      return;
    }
    setTrouble(null);
    if (dispatch({ edit: 'setTaps', input: { readingsV: typed.readingsV } })) setText('');
  };
  const volts = (value: number) => formatQuantity({ value, dimension: 'voltage' }, build.units, 4).text;
  const { taps } = bms;
  return (
    <Panel title="Taps of the sense plug" about="read by meter between neighbours, plug open">
      <TapCard name={build.name} bms={bms} system={build.units} pins={build.bms?.sensePins ?? null} />
      <FigureSetting build={build} figure="senseWire" />
      <FigureSetting build={build} figure="senseSize" />
      <FigureSetting build={build} figure="sensePins" note="wires in the row’s order, plug after plug" />
      <textarea
        aria-label="Readings of the taps"
        placeholder={'3.301\n3.302\n3.300 …'}
        rows={3}
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
        className="w-full rounded-[3px] border border-rule bg-paper p-2"
      />
      <div className="mt-1 flex flex-wrap gap-2">
        <Action onPress={take}>Judge these readings</Action>
        <Action look="quiet" onPress={() => window.print()}>
          Print the tap card
        </Action>
        {taps && (
          <Action look="quiet" onPress={() => dispatch({ edit: 'setTaps', input: { readingsV: [] } })}>
            Take the reading back
          </Action>
        )}
      </div>
      {trouble && (
        <p role="alert" className="mt-1 text-small text-fails">
          {trouble}
        </p>
      )}
      {taps && taps.faults.length > 0 && (
        <ul className="mt-2 border-l-[3px] border-fails pl-3 font-semibold">
          {taps.faults.slice(0, 12).map((fault) => (
            <li key={tapWords(fault)}>{tapWords(fault)}</li>
          ))}
        </ul>
      )}
      {taps && taps.faults.length === 0 && (
        <p className="mt-2">
          All {taps.readingsV.length} in order. Lowest is cell {taps.spread.lowest} with{' '}
          <b className="font-semibold">{volts(taps.readingsV[taps.spread.lowest - 1]!)}</b>, highest cell{' '}
          {taps.spread.highest} with <b className="font-semibold">{volts(taps.readingsV[taps.spread.highest - 1]!)}</b>.
        </p>
      )}
      {!taps && <p className="mt-2 text-soft">Not read yet: the plug stays open until every tap was.</p>}
    </Panel>
  );
}
