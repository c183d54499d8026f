'use client';
import { useState } from 'react';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import { Action } from '@/ui/action';
import { Panel } from '@/ui/panel';
import { Select } from '@/ui/select';
import { type NetworkRow, ROW_KINDS, type RowKind, solveRows } from './network-rows';

const START: readonly NetworkRow[] = [
  { key: 1, id: 'pack', kind: 'source', a: 'p', b: '0', value: '330' },
  { key: 2, id: 'inside', kind: 'resistor', a: 'p', b: 'q', value: '90 mΩ' },
  { key: 3, id: 'inverter', kind: 'power', a: 'q', b: '0', value: '40 kW' },
];
const cell = 'w-full min-w-0 rounded-[3px] border border-rule bg-paper px-2 py-1';

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
        <div className="overflow-x-auto">
          <table className="w-full min-w-[420px] border-separate border-spacing-1 text-left">
            <thead className="text-small text-soft">
              <tr>
                {['Name', 'Kind', 'a', 'b', 'Value', ''].map((head) => (
                  <th scope="col" key={head} className="font-medium">
                    {head}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <tr key={row.key}>
                  <td>
                    <input
                      aria-label="Name"
                      value={row.id}
                      maxLength={60}
                      onChange={(event) => change(row.key, { id: event.currentTarget.value })}
                      className={cell}
                    />
                  </td>
                  <td>
                    <Select
                      label={`Kind of ${row.id}`}
                      value={row.kind}
                      choices={Object.entries(ROW_KINDS).map(([value, { words }]) => ({ value, label: words }))}
                      onChoose={(kind) => change(row.key, { kind: kind as RowKind })}
                      className={cell}
                    />
                  </td>
                  {(['a', 'b'] as const).map((end) => (
                    <td key={end} className="w-14">
                      <input
                        aria-label={`Node ${end} of ${row.id}`}
                        value={row[end]}
                        maxLength={60}
                        onChange={(event) => change(row.key, { [end]: event.currentTarget.value })}
                        className={cell}
                      />
                    </td>
                  ))}
                  <td className="w-24">
                    {ROW_KINDS[row.kind].dimension && (
                      <input
                        aria-label={`Value of ${row.id}`}
                        value={row.value}
                        maxLength={30}
                        onChange={(event) => change(row.key, { value: event.currentTarget.value })}
                        className={`${cell} text-right`}
                      />
                    )}
                  </td>
                  <td>
                    <Action
                      look="quiet"
                      label={`Remove ${row.id}`}
                      onPress={() => setRows(rows.filter((one) => one.key !== row.key))}
                    >
                      Remove
                    </Action>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        <div className="mt-2 flex flex-wrap items-center gap-3">
          <Action
            onPress={() => {
              const key = Math.max(0, ...rows.map((row) => row.key)) + 1;
              setRows([...rows, { key, id: `R${key}`, kind: 'resistor', a: 'p', b: '0', value: '100' }]);
            }}
          >
            Add an element
          </Action>
          <label className="flex items-center gap-2 text-soft">
            Measured from
            <input
              value={ground}
              maxLength={60}
              onChange={(event) => setGround(event.currentTarget.value)}
              className={`${cell} w-16`}
            />
          </label>
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
