'use client';
import { useState } from 'react';
import type { Build, LogEntry, LogKind } from '@/core/build';
import { type Dimension, formatQuantity } from '@/core/quantities';
import { freshId, useBench } from '@/store/bench';
import { Fold } from '@/ui/fold';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { TextField } from '@/ui/text-field';
import { today } from '../shell/days';
import { say } from './logbook-words';

type Figure = Exclude<keyof LogEntry, 'id' | 'kind' | 'date' | 'what' | 'by' | 'code' | 'cleared' | 'taskIds' | 'wear'>;
type Asked = readonly [Figure, string, Dimension];

const ODOMETER: Asked = ['odometerM', 'Odometer', 'distance'];
/** What each kind asks first, and what it may hold besides. */
const ASKS: Readonly<Record<LogKind, { readonly first: readonly Asked[]; readonly more: readonly Asked[] }>> = {
  drive: {
    first: [ODOMETER, ['socTo', 'Charge left', 'ratio']],
    more: [
      ['distanceM', 'Driven', 'distance'],
      ['socFrom', 'Charge at the start', 'ratio'],
      ['energyJ', 'Out of the pack', 'energy'],
      ['outsideC', 'Outside', 'temperature'],
      ['ranS', 'Hour meter', 'time'],
    ],
  },
  charge: {
    first: [
      ['socTo', 'Charged to', 'ratio'],
      ['energyJ', 'Out of the mains', 'energy'],
    ],
    more: [['socFrom', 'From', 'ratio'], ['durationS', 'Took', 'time'], ODOMETER],
  },
  health: {
    first: [
      ['capacityAh', 'Capacity, tested', 'charge'],
      ['spreadV', 'Spread of the cells, full', 'voltage'],
    ],
    more: [
      ['resistanceOhm', 'Resistance of the pack', 'resistance'],
      ['insulationOhm', 'Insulation to the body', 'resistance'],
      ODOMETER,
    ],
  },
  inspection: { first: [['insulationOhm', 'Insulation to the body', 'resistance']], more: [ODOMETER] },
  work: { first: [ODOMETER], more: [['ranS', 'Hour meter', 'time']] },
  fault: { first: [ODOMETER], more: [] },
  change: { first: [ODOMETER], more: [] },
};
const USUAL: Readonly<Record<LogKind, string>> = {
  drive: 'Drive',
  charge: 'Charge',
  health: 'Capacity test',
  inspection: 'Looked over',
  work: '',
  fault: '',
  change: '',
};
const KINDS: readonly (readonly [LogKind, string])[] = [
  ['drive', 'Drive'],
  ['charge', 'Charge'],
  ['work', 'Work'],
  ['health', 'Health'],
  ['fault', 'Fault'],
  ['inspection', 'Inspection'],
  ['change', 'Change'],
];

/**
 * What follows from the book need not be typed: after a charge, the drive began with it, and went as far as the odometer says. After
 * anything else nothing follows: a charge may be missing in between.
 */
function followsOf(kind: LogKind, draft: Partial<LogEntry>, last: readonly LogEntry[]): Partial<LogEntry> {
  const before = last.find((entry) => entry.kind === 'drive' || entry.kind === 'charge');
  if (kind !== 'drive' || before?.kind !== 'charge' || draft.date !== undefined) return {};
  const from = last.find(({ odometerM }) => odometerM !== undefined)?.odometerM;
  const driven = draft.odometerM !== undefined && from !== undefined ? draft.odometerM - from : 0;
  const { socTo } = before;
  return {
    ...(draft.distanceM === undefined && driven > 0 ? { distanceM: driven } : {}),
    ...(draft.socFrom === undefined && draft.socTo !== undefined && socTo !== undefined && socTo >= draft.socTo
      ? { socFrom: socTo }
      : {}),
  };
}

/** One entry in ten seconds: the kind, one or two figures, done. */
export function QuickEntry({ build, entries }: { build: Build; entries: readonly LogEntry[] }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const [kind, setKind] = useState<LogKind>('drive');
  const [draft, setDraft] = useState<Partial<LogEntry>>({});
  const [kept, setKept] = useState('');
  const change = (more: Partial<LogEntry>) => setDraft({ ...draft, ...more });
  const last = [...entries].reverse();
  const lastOdometer = last.find(({ odometerM }) => odometerM !== undefined)?.odometerM;
  const what = draft.what ?? USUAL[kind];
  const follows = followsOf(kind, draft, last);
  const keep = () => {
    const entry: LogEntry = { ...follows, ...draft, id: freshId(), kind, date: draft.date ?? today(), what };
    if (dispatch({ edit: 'putInLogbook', input: { list: 'entries', entries: [entry] } })) {
      setDraft({});
      setKept(`${what} is in the book`);
    }
  };
  const field = ([key, label, dimension]: Asked) => (
    <QuantityField
      key={`${kind} ${key}`}
      label={label}
      dimension={dimension}
      system={build.units}
      value={draft[key] ?? null}
      empty={
        key === 'odometerM' && lastOdometer !== undefined
          ? `last ${formatQuantity({ value: lastOdometer, dimension: 'distance' }, build.units, 6).text}`
          : 'not entered'
      }
      onCommit={(value) => change({ [key]: value })}
      onClear={() => {
        const { [key]: _, ...rest } = draft;
        setDraft(rest);
      }}
    />
  );
  const { first, more } = ASKS[kind];
  return (
    <Panel title="New entry" about="today, unless you say otherwise">
      <fieldset className="flex flex-wrap gap-1.5">
        <legend className="sr-only">Kind of entry</legend>
        {KINDS.map(([value, words]) => (
          <button
            key={value}
            type="button"
            aria-pressed={kind === value}
            onClick={() => {
              setKind(value);
              setDraft({});
              setKept('');
            }}
            className="min-h-12 rounded-[3px] border border-rule bg-panel px-3 font-tight text-lead aria-pressed:border-[1.5px] aria-pressed:border-ink aria-pressed:font-semibold"
          >
            {words}
          </button>
        ))}
      </fieldset>
      <div className="mt-2 grid gap-x-8 min-[700px]:grid-cols-2">
        {USUAL[kind] === '' && (
          <TextField
            key={kind}
            label="What"
            value={draft.what ?? ''}
            empty={
              kind === 'fault' ? 'what it did' : kind === 'change' ? 'another pack, another motor' : 'what was done'
            }
            clears
            onCommit={(text) => change({ what: text })}
          />
        )}
        {kind === 'fault' && (
          <TextField
            label="Code"
            value={draft.code ?? ''}
            empty="as the car says it"
            clears
            onCommit={(code) => change({ code })}
          />
        )}
        {first.map(field)}
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <button
          type="button"
          disabled={what.trim() === ''}
          onClick={keep}
          className="min-h-14 min-w-40 rounded-[3px] bg-strong px-5 font-tight text-lead font-semibold text-strong-ink disabled:opacity-40"
        >
          Put it in the book
        </button>
        <span aria-live="polite" className="text-soft">
          {kept}
          {follows.distanceM !== undefined && ` driven ${say(follows.distanceM, 'distance', build.units)}`}
          {follows.socFrom !== undefined && ` from ${say(follows.socFrom, 'ratio', build.units)}, by the last charge`}
        </span>
      </div>
      <Fold
        head={
          <span className="text-small text-soft">More: day, by whom{more.length > 0 ? ', other figures' : ''}</span>
        }
      >
        <div className="grid gap-x-8 min-[700px]:grid-cols-2">
          {USUAL[kind] !== '' && (
            <TextField key={`${kind} what`} label="What" value={what} onCommit={(text) => change({ what: text })} />
          )}
          <TextField label="Day" value={draft.date ?? today()} onCommit={(date) => change({ date })} />
          <TextField label="By" value={draft.by ?? ''} empty="name" clears onCommit={(by) => change({ by })} />
          {more.map(field)}
        </div>
      </Fold>
    </Panel>
  );
}
