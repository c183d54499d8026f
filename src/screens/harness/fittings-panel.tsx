'use client';
import { useState } from 'react';
import { type Build, FITTINGS, type Fitting, type FittingKind, type WireSignal } from '@/core/build';
import { hostsOf } from '@/core/vehicle';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Fold } from '@/ui/fold';
import { Panel } from '@/ui/panel';
import { TextField } from '@/ui/text-field';
import { YesNo } from '../shell/yes-no';
import { SIGNAL_WORDS } from './wire-fields';

const FITTING_WORDS: Readonly<Record<FittingKind, string>> = {
  pedal: 'accelerator pedal',
  'brake-switch': 'brake switch',
  selector: 'direction selector',
  socket: 'charging inlet',
  'dash-switch': 'dash switch',
  gauge: 'gauge or lamp',
  sensor: 'sensor',
  plug: 'inline connector',
  splice: 'splice',
  strip: 'terminal strip',
  'earth-point': 'earth point',
};

/** Pedals, switches, splices, strips: what wires end at beside the devices; and a wire of one’s own. */
export function FittingsPanel({ build }: { build: Build }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const fittings = Object.values(build.harness?.fittings ?? {});
  const [kind, setKind] = useState<FittingKind>('splice');
  const put = (fitting: Fitting) => dispatch({ edit: 'putInHarness', input: { list: 'fittings', entries: [fitting] } });
  const zones = Object.values(build.zones).map(({ id, name }) => ({ value: id, label: name }));
  return (
    <Panel title="Fittings" about="pedals, switches, splices, strips, earth points">
      {fittings.map((fitting) => (
        <Fold
          key={fitting.id}
          className="border-t border-rule/70"
          head={
            <>
              <b className="font-semibold">{fitting.name}</b>{' '}
              <span className="text-soft">
                {FITTING_WORDS[fitting.kind]}
                {fitting.zoneId && `, ${build.zones[fitting.zoneId]?.name ?? ''}`}
              </span>
            </>
          }
        >
          <div className="grid gap-x-8 pb-2 min-[700px]:grid-cols-2">
            <TextField label="Name" value={fitting.name} onCommit={(name) => put({ ...fitting, name })} />
            <ChoiceField
              label="Place"
              value={fitting.zoneId}
              empty="not entered"
              choices={zones}
              onChoose={(zoneId) => put({ ...fitting, zoneId })}
            />
            {(fitting.kind === 'splice' || fitting.kind === 'plug' || fitting.kind === 'strip') && (
              <YesNo
                label="A hand gets to it"
                value={fitting.reachable}
                onAnswer={(reachable) => put({ ...fitting, reachable })}
              />
            )}
            <p className="py-1">
              <Action
                look="quiet"
                onPress={() => dispatch({ edit: 'dropFromHarness', input: { list: 'fittings', id: fitting.id } })}
              >
                Drop {fitting.name}
              </Action>
            </p>
          </div>
        </Fold>
      ))}
      <div className="mt-2 grid gap-x-8 min-[700px]:grid-cols-2">
        <ChoiceField
          label="One more"
          value={kind}
          choices={FITTINGS.map((value) => ({ value, label: FITTING_WORDS[value] }))}
          onChoose={(value) => setKind(value as FittingKind)}
        />
        <TextField
          label="called"
          value=""
          makes
          empty="type its name"
          onCommit={(name) => put({ id: freshId(), name, kind, zoneId: null })}
        />
      </div>
      <NewWire build={build} />
    </Panel>
  );
}

function NewWire({ build }: { build: Build }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const hosts = hostsOf(build).map(({ id, name }) => ({ value: id, label: name }));
  const [from, setFrom] = useState<string | null>(null);
  const [to, setTo] = useState<string | null>(null);
  const [signal, setSignal] = useState<WireSignal>('other');
  return (
    <Fold className="mt-2 border-t border-rule/70" head="A wire of your own">
      <div className="grid gap-x-8 min-[700px]:grid-cols-2">
        <ChoiceField label="From" value={from} empty="choose" choices={hosts} onChoose={setFrom} />
        <ChoiceField label="To" value={to} empty="choose" choices={hosts} onChoose={setTo} />
        <ChoiceField
          label="It carries"
          value={signal}
          choices={Object.entries(SIGNAL_WORDS).map(([value, label]) => ({ value, label }))}
          onChoose={(value) => setSignal(value as WireSignal)}
        />
        {from && to ? (
          <TextField
            label="called"
            value=""
            makes
            empty="type its name"
            onCommit={(name) =>
              dispatch({
                edit: 'putInHarness',
                input: {
                  list: 'wires',
                  entries: [
                    {
                      id: freshId(),
                      name,
                      signal,
                      a: { hostId: from, pin: name.slice(0, 50) },
                      b: { hostId: to, pin: `${name.slice(0, 50)}${from === to ? ' ′' : ''}` },
                    },
                  ],
                },
              })
            }
          />
        ) : (
          <p className="py-1 text-soft">Choose where it leads from and to, then name it.</p>
        )}
      </div>
    </Fold>
  );
}
