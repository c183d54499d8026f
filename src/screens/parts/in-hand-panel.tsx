'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import {
  BOUGHT_STATES,
  type Build,
  deviceDefinition,
  findDevice,
  type HandState,
  type InHand,
  LOOKED_AT,
  type LookedAt,
  MADE_STATES,
} from '@/core/build';
import { buildFileName, inHandCsv } from '@/core/formats';
import { massesOf } from '@/core/vehicle';
import { freshId, useBench } from '@/store/bench';
import { Action, decimalMark, download } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { TextField } from '@/ui/text-field';
import { type Column, DataTable, RowOpener } from '../shell/data-table';
import { FigureSetting } from '../shell/figure-setting';
import { YesNo } from '../shell/yes-no';

const STATES: Readonly<Record<HandState, string>> = {
  wanted: 'wanted',
  ordered: 'ordered',
  here: 'here',
  tested: 'tested',
  fitted: 'fitted',
  replaced: 'replaced',
  sketched: 'sketched',
  modelled: 'modelled',
  'mocked-up': 'mocked up',
  'trial-fit': 'trial fit',
  made: 'made',
  painted: 'painted',
};
const POINTS: Readonly<Record<LookedAt, string>> = {
  connectors: 'Connectors',
  pins: 'Pins',
  corrosion: 'Corrosion',
  coolant: 'Coolant ways',
  codes: 'Fault codes',
  insulation: 'Insulation, measured',
};
/** What is still to come, nearest to nothing first. */
const AHEAD: readonly HandState[] = ['wanted', 'ordered', 'sketched', 'modelled', 'mocked-up', 'trial-fit'];

/** Devices that have a part and stand in no line of the list. */
export const unlisted = (build: Build): InHand[] => {
  const listed = new Set(Object.values(build.inHand ?? {}).map(({ deviceId }) => deviceId));
  return [...Object.values(build.circuits.hv.devices), ...Object.values(build.circuits.lv.devices)].flatMap((device) =>
    deviceDefinition(device.kind).part === null || listed.has(device.id)
      ? []
      : [{ id: freshId(), name: device.name, made: false, state: 'wanted' as const, count: 1, deviceId: device.id }],
  );
};

const money = (value: number) => value.toLocaleString('en', { maximumFractionDigits: 2 });

/** The notebook’s page “what I have”: state, price, where from, what was seen on it. */
export function InHandPanel({ assessment }: { assessment: Assessment }) {
  const { build } = assessment;
  const dispatch = useBench((bench) => bench.dispatch);
  const [open, setOpen] = useState<string | null>(null);
  const [name, setName] = useState('');
  const items = Object.values(build.inHand ?? {});
  const fresh = unlisted(build);
  const total = items.reduce((sum, { price = 0, count }) => sum + price * count, 0);
  const paid = items.reduce((sum, one) => sum + (one.paid ? (one.price ?? 0) * one.count : 0), 0);
  const unpriced = items.filter(({ price }) => price === undefined).length;
  const ahead = items.filter(({ state }) => AHEAD.includes(state));
  const add = (made: boolean) => {
    if (name.trim() === '') return;
    const id = freshId();
    const item: InHand = { id, name: name.trim(), made, state: made ? 'sketched' : 'here', count: 1 };
    if (dispatch({ edit: 'listInHand', input: { items: [item] } })) {
      setName('');
      setOpen(id);
    }
  };
  const save = () => {
    const masses = new Map(massesOf(assessment.vehicle).devices.map((one) => [one.id, one.massKg]));
    download(
      inHandCsv(build, (id) => masses.get(id) ?? null, decimalMark()),
      buildFileName(build.name, '-what-i-have.csv'),
      'text/csv',
    );
  };
  const columns: readonly Column<InHand>[] = [
    {
      id: 'name',
      head: 'Part',
      value: (item) => item.name,
      cell: (item) => (
        <RowOpener open={open === item.id} onOpen={() => setOpen(open === item.id ? null : item.id)}>
          {item.name}
          {item.count > 1 && ` × ${item.count}`}
          {item.spare && ', spare'}
        </RowOpener>
      ),
    },
    { id: 'state', head: 'State', value: ({ state }) => STATES[state], cell: ({ state }) => STATES[state] },
    {
      id: 'price',
      head: 'Price',
      figure: true,
      value: ({ price, count }) => (price === undefined ? null : price * count),
      cell: ({ price, count, paid: done }) =>
        price === undefined ? (
          <span className="text-soft">not entered</span>
        ) : (
          <>
            {money(price * count)}
            {done && <span className="text-soft"> paid</span>}
          </>
        ),
    },
    { id: 'from', head: 'From', spare: true, value: ({ from = '' }) => from, cell: ({ from = '' }) => from },
  ];
  return (
    <Panel title="What I have" about="and what is wanted, on its way, or being made">
      {items.length > 0 && (
        <>
          <DataTable
            label="What I have"
            rows={items}
            columns={columns}
            idOf={({ id }) => id}
            openId={open}
            attributes={({ id }) => ({ 'data-held': id })}
            detail={(item) => <Line item={item} build={build} onGone={() => setOpen(null)} />}
          />
          <p className="mt-2">
            <b className="font-semibold">{money(total)}</b> in all, {money(paid)} of it paid
            {unpriced > 0 && `; ${unpriced} without a price`}.
          </p>
          <p className="mt-1 text-soft">
            {ahead.length === 0
              ? 'Nothing of it is still to come.'
              : `Still to come: ${ahead
                  .slice(0, 6)
                  .map((one) => `${one.name} (${STATES[one.state]})`)
                  .join(', ')}${ahead.length > 6 ? ` and ${ahead.length - 6} more` : ''}.`}
          </p>
        </>
      )}
      <div className="mt-1 max-w-md">
        <FigureSetting build={build} figure="budget" />
      </div>
      <div className="mt-2 flex flex-wrap items-end gap-2">
        <div className="min-w-[14rem] flex-1">
          <TextField label="Another one" value={name} empty="a motor from the yard, a bracket …" onCommit={setName} />
        </div>
        <Action onPress={() => add(false)}>I have it</Action>
        <Action look="quiet" onPress={() => add(true)}>
          It is made
        </Action>
      </div>
      <div className="mt-2 flex flex-wrap gap-2">
        {fresh.length > 0 && (
          <Action look="quiet" onPress={() => dispatch({ edit: 'listInHand', input: { items: fresh } })}>
            List the {fresh.length} devices of the circuits
          </Action>
        )}
        {items.length > 0 && (
          <Action look="quiet" onPress={save}>
            Save the list
          </Action>
        )}
      </div>
    </Panel>
  );
}

function Line({ item, build, onGone }: { item: InHand; build: Build; onGone: () => void }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { id } = item;
  const set = (facts: Partial<Omit<InHand, 'id'>>) =>
    dispatch({ edit: 'setInHand', input: { id, facts, year: new Date().getFullYear() } });
  const states: readonly HandState[] = item.made ? MADE_STATES : BOUGHT_STATES;
  const gone = item.deviceId !== undefined && !findDevice(build, item.deviceId);
  return (
    <div className="pb-2">
      {gone && <p className="text-thin">The device that it was for is no longer in the circuits. The line is kept.</p>}
      <div className="grid gap-x-8 min-[700px]:grid-cols-2">
        <ChoiceField
          label="State"
          value={item.state}
          choices={states.map((value) => ({ value, label: STATES[value] }))}
          onChoose={(value) => set({ state: value as HandState })}
        />
        <QuantityField
          label="How many"
          dimension="count"
          system={build.units}
          value={item.count}
          onCommit={(count) => set({ count })}
        />
        <QuantityField
          label="Price of one"
          dimension="count"
          system={build.units}
          value={item.price ?? null}
          empty="not entered"
          onCommit={(price) => set({ price })}
          onClear={() => set({ price: undefined })}
        />
        <YesNo label="Paid" value={item.paid} onAnswer={(paid) => set({ paid })} />
        <YesNo label="A spare" value={item.spare} onAnswer={(spare) => set({ spare })} />
        <TextField
          label="From"
          value={item.from ?? ''}
          empty="whom or where"
          clears
          onCommit={(from) => set({ from })}
        />
        {!item.made && (
          <>
            <TextField
              label="Came with"
              wide
              value={item.came ?? ''}
              empty="plugs, pins, keys, wiring"
              clears
              onCommit={(came) => set({ came })}
            />
            <TextField
              label="Out of"
              value={item.donor ?? ''}
              empty="which vehicle"
              clears
              onCommit={(donor) => set({ donor })}
            />
            <QuantityField
              label="… that had driven"
              dimension="distance"
              system={build.units}
              value={item.donorM ?? null}
              empty="not entered"
              onCommit={(donorM) => set({ donorM })}
              onClear={() => set({ donorM: undefined })}
            />
            <QuantityField
              label="… of the year"
              dimension="count"
              system={build.units}
              value={item.donorYear ?? null}
              empty="not entered"
              onCommit={(donorYear) => set({ donorYear })}
              onClear={() => set({ donorYear: undefined })}
            />
          </>
        )}
      </div>
      {!item.made && (
        <section aria-label="Looked at">
          <h3 className="mt-2 text-small font-semibold text-soft">Looked at, before it is paid</h3>
          <div className="grid gap-x-8 min-[700px]:grid-cols-2">
            {LOOKED_AT.map((point) => (
              <ChoiceField
                key={point}
                label={POINTS[point]}
                value={item.found?.[point] ?? null}
                empty="not looked at"
                choices={[
                  { value: 'good', label: 'good' },
                  { value: 'bad', label: 'bad' },
                ]}
                onChoose={(how) => set({ found: { ...item.found, [point]: how as 'good' | 'bad' } })}
              />
            ))}
          </div>
        </section>
      )}
      <div className="mt-2 flex gap-2">
        <Action
          look="quiet"
          onPress={() => {
            if (dispatch({ edit: 'dropInHand', input: { id } })) onGone();
          }}
        >
          Take it off the list
        </Action>
      </div>
    </div>
  );
}
