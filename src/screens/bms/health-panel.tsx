'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import type { HealthRecord } from '@/core/build';
import { formatQuantity } from '@/core/quantities';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Fold } from '@/ui/fold';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { TextField } from '@/ui/text-field';
import { type Column, DataTable } from '../shell/data-table';

const EMPTY: Omit<HealthRecord, 'id' | 'date'> = {
  odometerM: null,
  capacityAh: null,
  fastCharges: null,
  slowCharges: null,
  note: '',
};

/** How the pack is, from test to test: before and after what was done to it. */
export function HealthPanel({ assessment: { build, results } }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const [draft, setDraft] = useState(EMPTY);
  const change = (more: Partial<typeof EMPTY>) => setDraft({ ...draft, ...more });
  const { units } = build;
  const keep = () => {
    const record = { ...draft, id: freshId(), date: new Date().toISOString().slice(0, 10) };
    if (dispatch({ edit: 'addHealth', input: { record } })) setDraft(EMPTY);
  };
  const columns: readonly Column<HealthRecord>[] = [
    { id: 'date', head: 'Date', value: ({ date }) => date, cell: ({ date }) => date },
    {
      id: 'way',
      head: 'Odometer',
      figure: true,
      value: ({ odometerM }) => odometerM,
      cell: ({ odometerM }) =>
        odometerM === null ? '–' : formatQuantity({ value: odometerM, dimension: 'distance' }, units, 5).text,
    },
    {
      id: 'capacity',
      head: 'Capacity',
      unit: 'Ah',
      figure: true,
      value: ({ capacityAh }) => capacityAh,
      cell: ({ capacityAh }) =>
        capacityAh === null ? '–' : formatQuantity({ value: capacityAh, dimension: 'charge' }, units, 3).text,
    },
    { id: 'note', head: 'Note', spare: true, value: ({ note }) => note, cell: ({ note }) => note },
    {
      id: 'drop',
      head: '',
      cell: ({ id, date }) => (
        <Action
          look="quiet"
          label={`Drop the record of ${date}`}
          onPress={() => dispatch({ edit: 'dropHealth', input: { id } })}
        >
          Drop
        </Action>
      ),
    },
  ];
  return (
    <Panel title="Health of the pack" about="capacity tests and what the car shows">
      <Fold head="A new record, of today">
        <QuantityField
          label="Odometer"
          dimension="distance"
          system={units}
          value={draft.odometerM}
          empty="not entered"
          onCommit={(odometerM) => change({ odometerM })}
        />
        <QuantityField
          label="Capacity, tested"
          dimension="charge"
          system={units}
          value={draft.capacityAh}
          empty="not tested"
          onCommit={(capacityAh) => change({ capacityAh })}
        />
        <QuantityField
          label="Fast charges so far"
          dimension="count"
          system={units}
          value={draft.fastCharges}
          empty="not entered"
          onCommit={(fastCharges) => change({ fastCharges })}
        />
        <QuantityField
          label="Slow charges so far"
          dimension="count"
          system={units}
          value={draft.slowCharges}
          empty="not entered"
          onCommit={(slowCharges) => change({ slowCharges })}
        />
        <TextField
          label="Fault codes, what was done"
          value={draft.note}
          empty="nothing"
          wide
          refuse={(text) => (text.length > 500 ? 'That is more than 500 characters: say it shorter.' : null)}
          onCommit={(note) => change({ note })}
        />
        <div className="mt-1">
          <Action onPress={keep}>Keep this record</Action>
        </div>
      </Fold>
      {results.bms.health.length > 0 && (
        <DataTable label="Health" rows={[...results.bms.health].reverse()} columns={columns} idOf={({ id }) => id} />
      )}
    </Panel>
  );
}
