'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { CLAIM_KINDS, type ClaimKind } from '@/core/build';
import type { Dimension } from '@/core/quantities';
import type { Change, Stretch } from '@/core/stations/logbook';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { TextField } from '@/ui/text-field';
import { VerdictMark } from '@/ui/verdict-mark';
import { type Column, DataTable } from '../shell/data-table';
import { dayText, today } from '../shell/days';
import { CLAIM_WORDS, say } from './logbook-words';

const FIGURES: readonly (readonly [keyof Stretch, string, Dimension])[] = [
  ['drives', 'Drives', 'count'],
  ['distanceM', 'Distance', 'distance'],
  ['rangeM', 'Range', 'distance'],
  ['consumption', 'Consumption', 'consumption'],
  ['capacityAh', 'Capacity', 'charge'],
  ['spreadV', 'Spread of the cells', 'voltage'],
  ['resistanceOhm', 'Resistance of the pack', 'resistance'],
  ['insulationOhm', 'Insulation', 'resistance'],
  ['chargeS', 'Whole charge', 'time'],
];

/** Before and after each change of the car, and what somebody claimed against what the book says. */
export function ChangesPage({ assessment }: { assessment: Assessment }) {
  const { results, build } = assessment;
  const { changes, claims } = results.logbook;
  const dispatch = useBench((bench) => bench.dispatch);
  return (
    <div className="grid gap-3">
      <ClaimForm assessment={assessment} />
      {claims.length > 0 && (
        <Panel title="Claims" about={`${claims.length}`}>
          <ul aria-label="Claims">
            {claims.map(({ claim, measured, short, drives }) => {
              const [words, dimension] = CLAIM_WORDS[claim.kind];
              const refuted = short !== null && short > 0.1;
              return (
                <li
                  key={claim.id}
                  data-claim={short === null ? 'open' : refuted ? 'refuted' : 'kept'}
                  className="flex flex-wrap items-center gap-2 border-t border-rule/70 py-1"
                >
                  <VerdictMark shape={short === null ? 'hollow' : refuted ? 'fails' : 'holds'} size={12} />
                  <span className="min-w-[12rem] flex-1">
                    {words}: {claim.by} said{' '}
                    <b className="font-semibold tabular-nums">{say(claim.value, dimension, build.units)}</b>, the book
                    says <b className="font-semibold tabular-nums">{say(measured, dimension, build.units)}</b>
                    <span className="block text-small text-soft">
                      {short === null
                        ? 'no entry tells it yet'
                        : refuted
                          ? `refuted: ${Math.round(short * 100)} % ${claim.kind === 'range' || claim.kind === 'capacity' ? 'less' : 'more'}`
                          : 'kept'}
                      , since {dayText(claim.since)}
                      {drives > 0 && `, ${drives} ${drives === 1 ? 'drive' : 'drives'}`}
                    </span>
                  </span>
                  <Action
                    look="quiet"
                    label={`Drop the claim of ${claim.by}`}
                    onPress={() => dispatch({ edit: 'dropFromLogbook', input: { list: 'claims', id: claim.id } })}
                  >
                    Drop
                  </Action>
                </li>
              );
            })}
          </ul>
        </Panel>
      )}
      {changes.length === 0 ? (
        <Panel title="Before and after">
          <p className="text-soft">
            An entry of the kind “Change” (another pack, another motor, a repair) parts the book in two: both sides
            stand here side by side.
          </p>
        </Panel>
      ) : (
        changes.map((change) => <ChangePanel key={change.entry.id} change={change} assessment={assessment} />)
      )}
    </div>
  );
}

type Row = { readonly label: string; readonly before: string; readonly after: string; readonly change: string };

function ChangePanel({ change: { entry, before, after }, assessment }: { change: Change; assessment: Assessment }) {
  const { units } = assessment.build;
  const rows = FIGURES.flatMap(([key, label, dimension]): Row[] => {
    const [p, q] = [before[key], after[key]];
    if (p === null && q === null) return [];
    return [
      {
        label,
        before: say(p, dimension, units),
        after: say(q, dimension, units),
        change:
          p === null || q === null || p === 0 ? '' : `${q >= p ? '+' : '−'}${Math.round(Math.abs(q / p - 1) * 100)} %`,
      },
    ];
  });
  const column = (id: keyof Row, head: string): Column<Row> => ({
    id,
    head,
    figure: id !== 'label',
    value: (row) => row[id],
    cell: (row) => row[id],
  });
  return (
    <Panel title={entry.what} about={dayText(entry.date)}>
      <DataTable
        label={`Before and after: ${entry.what}`}
        rows={rows}
        columns={[
          column('label', 'Figure'),
          column('before', 'Before'),
          column('after', 'After'),
          column('change', 'Change'),
        ]}
        idOf={({ label }) => label}
      />
    </Panel>
  );
}

function ClaimForm({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build } = assessment;
  const [kind, setKind] = useState<ClaimKind>('range');
  const [value, setValue] = useState<number | null>(null);
  const [by, setBy] = useState('the seller');
  const [since, setSince] = useState(today());
  const [, dimension] = CLAIM_WORDS[kind];
  return (
    <Panel title="What somebody claimed" about="held against the book">
      <div className="grid gap-x-8 min-[700px]:grid-cols-2">
        <ChoiceField
          label="Of"
          value={kind}
          choices={CLAIM_KINDS.map((one) => ({ value: one, label: CLAIM_WORDS[one][0] }))}
          onChoose={(one) => {
            setKind(one as ClaimKind);
            setValue(null);
          }}
        />
        <QuantityField
          key={kind}
          label="Claimed"
          dimension={dimension}
          system={build.units}
          value={value}
          empty="not entered"
          onCommit={setValue}
        />
        <TextField label="By" value={by} onCommit={setBy} />
        <TextField label="Of the car since" value={since} onCommit={setSince} />
      </div>
      <p className="mt-1">
        <Action
          disabled={value === null}
          onPress={() => {
            if (
              value !== null &&
              dispatch({
                edit: 'putInLogbook',
                input: { list: 'claims', entries: [{ id: freshId(), kind, value, by, since }] },
              })
            )
              setValue(null);
          }}
        >
          Hold it against the book
        </Action>
      </p>
    </Panel>
  );
}
