'use client';
import { useState } from 'react';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import { Action } from '@/ui/action';
import { Panel } from '@/ui/panel';
import { Select } from '@/ui/select';
import { TextField } from '@/ui/text-field';
import { type NetworkRow, ROW_KINDS, type RowKind, solveRows } from './network-rows';

const START: readonly NetworkRow[] = [
  { key: 1, id: 'pack', kind: 'source', a: 'p', b: '0', value: '330' },
  { key: 2, id: 'inside', kind: 'resistor', a: 'p', b: 'q', value: '90 mΩ' },
  { key: 3, id: 'inverter', kind: 'power', a: 'q', b: '0', value: '40 kW' },
];
/** An element’s fields: in one line on the bench, in two beside each other on a phone. */
const GRID = 'grid-cols-2 gap-x-2 gap-y-1 min-[700px]:grid-cols-[1.1fr_1.5fr_3.5rem_3.5rem_5.5rem_5rem]';

/** A small circuit typed row by row, solved after each change. */
export function NetworkSum({ about, system }: { about: string; system: UnitSystem }) {
  const [rows, setRows] = useState<readonly NetworkRow[]>(START);
  const [ground, setGround] = useState('0');
  const answer = solveRows(rows, ground);
  const change = (key: number, more: Partial<NetworkRow>) =>
    setRows(rows.map((row) => (row.key === key ? { ...row, ...more } : row)));
  const number = (value: number, dimension: 'voltage' | 'current' | 'power') =>
    formatQuantity({ value, dimension }, system, 4).text;
  return (
    <div className="mt-4 grid gap-4 md:grid-cols-[1.3fr_1fr]">
      <Panel title="Network" about={about}>
        <div aria-hidden="true" className={`hidden text-small text-soft min-[700px]:grid ${GRID}`}>
          {['Name', 'Kind', 'From a', 'To b', 'Value'].map((head) => (
            <span key={head}>{head}</span>
          ))}
        </div>
        <ul aria-label="Elements" className="space-y-3 min-[700px]:space-y-1">
          {rows.map((row) => (
            <li key={row.key} className={`grid ${GRID} items-end max-[699px]:border-b max-[699px]:border-rule/70 pb-1`}>
              <TextField boxed label={`Name of ${row.id}`} value={row.id} onCommit={(id) => change(row.key, { id })} />
              <Select
                label={`Kind of ${row.id}`}
                value={row.kind}
                choices={Object.entries(ROW_KINDS).map(([value, { words }]) => ({ value, label: words }))}
                onChoose={(kind) => change(row.key, { kind: kind as RowKind })}
                className="w-full justify-between border border-rule bg-paper px-2"
              />
              {(['a', 'b'] as const).map((end) => (
                <TextField
                  key={end}
                  boxed
                  label={`Node ${end} of ${row.id}`}
                  value={row[end]}
                  onCommit={(node) => change(row.key, { [end]: node })}
                />
              ))}
              {ROW_KINDS[row.kind].dimension ? (
                <TextField
                  boxed
                  label={`Value of ${row.id}`}
                  value={row.value}
                  clears
                  onCommit={(value) => change(row.key, { value })}
                />
              ) : (
                <span />
              )}
              <Action
                look="quiet"
                label={`Remove ${row.id}`}
                onPress={() => setRows(rows.filter((one) => one.key !== row.key))}
              >
                Remove
              </Action>
            </li>
          ))}
        </ul>
        <div className="mt-2 flex flex-wrap items-center gap-3">
          <Action
            onPress={() => {
              const key = Math.max(0, ...rows.map((row) => row.key)) + 1;
              setRows([...rows, { key, id: `R${key}`, kind: 'resistor', a: 'p', b: '0', value: '100' }]);
            }}
          >
            Add an element
          </Action>
          <div className="w-44">
            <TextField label="Measured from" value={ground} onCommit={setGround} />
          </div>
        </div>
      </Panel>
      <Panel title="Answer">
        {typeof answer === 'string' ? (
          <p role="status">{answer}</p>
        ) : (
          <>
            <dl aria-label="Node voltages">
              {answer.nodes.map(({ name, voltageV }) => (
                <div key={name} className="flex justify-between border-b border-rule/70 py-1">
                  <dt className="text-soft">{name}</dt>
                  <dd className="font-semibold">{number(voltageV, 'voltage')}</dd>
                </div>
              ))}
            </dl>
            <dl aria-label="Element currents" className="mt-3">
              {answer.elements.map(({ id, currentA, powerW }) => (
                <div key={id} className="flex justify-between border-b border-rule/70 py-1">
                  <dt className="text-soft">{id}</dt>
                  <dd>
                    <b className="font-semibold">{number(currentA, 'current')}</b>{' '}
                    <span className="text-soft">{number(powerW, 'power')}</span>
                  </dd>
                </div>
              ))}
            </dl>
            {answer.note && <p className="mt-2 text-small text-soft">{answer.note}</p>}
            <p className="mt-2 text-small text-soft">
              Currents run from a to b; power taken in is positive, a source that gives is negative.
            </p>
          </>
        )}
      </Panel>
    </div>
  );
}
