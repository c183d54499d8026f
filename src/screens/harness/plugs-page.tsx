'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import type { Build, Plug } from '@/core/build';
import type { PlugView } from '@/core/vehicle';
import { useBench } from '@/store/bench';
import { Fold } from '@/ui/fold';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { VerdictMark } from '@/ui/verdict-mark';
import { YesNo } from '../shell/yes-no';
import { LooksPanel } from './looks-panel';
import { PlugFace } from './plug-face';
import { colourWords, Swatch } from './swatch';
import { TerminalsPanel } from './terminals-panel';

/** Each connector with its pins, and its face as one looks at it from the wires’ side. */
export function PlugsPage({ assessment }: { assessment: Assessment }) {
  const { plugs } = assessment.results.harness;
  const [open, setOpen] = useState<string | null>(null);
  return (
    <div className="grid gap-3">
      <Panel title="Connectors" about={`${plugs.length}, seen from the wires’ side`}>
        {plugs.length === 0 && <p className="text-soft">Connectors come with the 12-volt side and the signal wires.</p>}
        {plugs.map((plug) => (
          <Fold
            key={plug.id}
            open={open === plug.id}
            onOpen={(now) => setOpen(now ? plug.id : null)}
            className="border-t border-rule/70"
            head={
              <span className="flex items-baseline gap-2" data-plug={plug.id}>
                {plug.clashes.length + plug.beyond.length > 0 && <VerdictMark shape="fails" size={11} />}
                <b className="font-semibold">{plug.host.name}</b>
                <span className="text-soft">
                  {plug.place}, {plug.pins.length} {plug.pins.length === 1 ? 'pin' : 'pins'}
                  {plug.ways !== null && ` of ${plug.ways}`}
                </span>
              </span>
            }
          >
            <One build={assessment.build} plug={plug} />
          </Fold>
        ))}
      </Panel>
      <TerminalsPanel assessment={assessment} />
      <LooksPanel build={assessment.build} />
    </div>
  );
}

function One({ build, plug }: { build: Build; plug: PlugView }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const known = build.harness?.plugs?.[plug.id];
  const put = (more: Partial<Plug>) =>
    dispatch({ edit: 'putInHarness', input: { list: 'plugs', entries: [{ ...known, id: plug.id, ...more }] } });
  return (
    <div className="grid items-start gap-x-8 gap-y-2 pb-3 min-[800px]:grid-cols-[auto_1fr]">
      <PlugFace plug={plug} />
      <div>
        <ul>
          {plug.pins.flatMap(({ no, wires }) =>
            wires.map(({ wire, side }) => (
              <li
                key={`${wire.id} ${side}`}
                data-pin={no}
                className="flex items-center gap-2 border-t border-dotted border-rule py-0.5"
              >
                <b className="w-7 text-right font-semibold tabular-nums">{no}</b>
                <Swatch colour={wire.colour} stripe={wire.stripe} />
                <span className="w-14 text-note text-soft">{colourWords(wire.colour, wire.stripe)}</span>
                <span className="min-w-0 flex-1">
                  {wire.ends[side].at}{' '}
                  <span className="text-soft">
                    {wire.label} to {wire.ends[side === 'a' ? 'b' : 'a'].hostName}
                  </span>
                  {wires.length > 1 && <b className="text-fails"> two wires in one pin</b>}
                </span>
              </li>
            )),
          )}
        </ul>
        <div className="mt-1 grid gap-x-8 min-[1080px]:grid-cols-2">
          <QuantityField
            label="Ways"
            value={plug.ways}
            dimension="count"
            system={build.units}
            empty="not entered"
            onCommit={(ways) => {
              const { ways: _, ...others } = known ?? { id: plug.id };
              return dispatch({
                edit: 'putInHarness',
                input: {
                  list: 'plugs',
                  entries: [ways === null ? { ...others, id: plug.id } : { ...others, id: plug.id, ways }],
                },
              });
            }}
          />
          <YesNo
            label="Nothing else nearby fits it"
            value={plug.keyed ?? undefined}
            onAnswer={(keyed) => put({ keyed })}
          />
          <YesNo label="Sealed" value={plug.sealed ?? undefined} onAnswer={(sealed) => put({ sealed })} />
        </div>
      </div>
    </div>
  );
}
