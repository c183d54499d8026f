'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import type { PinTable, Problem } from '@/core/build';
import { buildFileName, decodeText, pinsCsv, readPinsCsv } from '@/core/formats';
import { comparePins, type PinDifference, type PinVerdict } from '@/core/vehicle';
import { freshId, useBench } from '@/store/bench';
import { Action, decimalMark, download, FileAction } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { Problems } from '@/ui/problems';
import { VerdictMark } from '@/ui/verdict-mark';
import { type Column, DataTable } from '../shell/data-table';

const WORDS: Readonly<Record<PinVerdict, string>> = {
  same: 'same',
  moved: 'moved',
  missing: 'missing',
  extra: 'only in the second',
  different: 'different signal',
};

/** Pin tables of donors and as found, two of them held against each other. */
export function PinoutsPage({ assessment }: { assessment: Assessment }) {
  const { build } = assessment;
  const dispatch = useBench((bench) => bench.dispatch);
  const tables = Object.values(build.harness?.tables ?? {});
  const [first, setFirst] = useState<string | null>(null);
  const [second, setSecond] = useState<string | null>(null);
  const [errors, setErrors] = useState<readonly Problem[]>([]);
  const [text, setText] = useState('');
  const [name, setName] = useState('');
  const take = (content: string, called: string) => {
    const read = readPinsCsv(content);
    if (!read.ok) return setErrors(read.errors);
    const table: PinTable = {
      id: freshId(),
      name: called.trim().slice(0, 120) || `Table ${tables.length + 1}`,
      rows: read.rows,
    };
    if (dispatch({ edit: 'putInHarness', input: { list: 'tables', entries: [table] } })) {
      setErrors([]);
      setText('');
      setName('');
    }
  };
  const own: readonly PinTable[] = assessment.results.harness.plugs.map(({ id, host, pins }) => ({
    id: `design:${id}`,
    name: `${host.name}, as designed`,
    rows: pins.flatMap(({ no, wires }) =>
      wires.map(({ wire, side }) => ({ pin: String(no), signal: wire.ends[side].at, colour: wire.colour })),
    ),
  }));
  const all = [...tables, ...own];
  const choices = [
    ...tables.map(({ id, name: called }) => ({ value: id, label: called, group: 'Tables' })),
    ...own.map(({ id, name: called }) => ({ value: id, label: called, group: 'Of this build' })),
  ];
  const [one, two] = [
    all.find(({ id }) => id === (first ?? tables[0]?.id)),
    all.find(({ id }) => id === (second ?? tables[1]?.id)),
  ];
  const rows = one && two ? comparePins(one.rows, two.rows) : [];
  const wrong = rows.filter(({ is }) => is !== 'same').length;
  const columns: readonly Column<PinDifference>[] = [
    {
      id: 'pin',
      head: 'Pin',
      value: ({ pin }) => pin,
      cell: ({ pin, is }) => (
        <span className="inline-flex items-center gap-2">
          <VerdictMark shape={is === 'same' ? 'holds' : is === 'extra' ? 'thin' : 'fails'} size={11} />
          <b className="font-semibold">{pin}</b>
        </span>
      ),
    },
    {
      id: 'is',
      head: 'It is',
      value: ({ is }) => WORDS[is],
      cell: ({ is, second: other }) => (is === 'moved' ? `moved to ${other!.pin}` : WORDS[is]),
    },
    {
      id: 'first',
      head: one?.name ?? 'First',
      value: (row) => row.first?.signal ?? null,
      cell: (row) => (row.first ? `${row.first.signal}${row.first.colour ? `, ${row.first.colour}` : ''}` : '–'),
    },
    {
      id: 'second',
      head: two?.name ?? 'Second',
      value: (row) => row.second?.signal ?? null,
      cell: (row) => (row.second ? `${row.second.signal}${row.second.colour ? `, ${row.second.colour}` : ''}` : '–'),
    },
  ];
  return (
    <div className="grid gap-3">
      <Panel
        title="Two pin-outs against each other"
        about={one && two ? (wrong === 0 ? 'they agree' : `${wrong} of ${rows.length} differ`) : undefined}
      >
        <div className="grid gap-x-8 min-[700px]:grid-cols-2">
          <ChoiceField label="First" value={one?.id ?? null} empty="choose" choices={choices} onChoose={setFirst} />
          <ChoiceField label="Second" value={two?.id ?? null} empty="choose" choices={choices} onChoose={setSecond} />
        </div>
        {rows.length > 0 && (
          <div className="mt-2">
            <DataTable
              label="Pins"
              rows={rows}
              columns={columns}
              idOf={({ pin, is, second: other }) => `${pin} ${is} ${other?.pin ?? ''}`}
              attributes={({ is, pin }) => ({ 'data-pin-is': is, 'data-pin': pin })}
            />
          </div>
        )}
      </Panel>
      <Panel title="Tables" about="pin; signal; colour, a line each">
        <ul>
          {tables.map(({ id, name: called, rows: pins }) => (
            <li key={id} className="flex flex-wrap items-center gap-2 border-t border-rule/70 py-1">
              <span className="flex-1">
                <b className="font-semibold">{called}</b> <span className="text-soft">{pins.length} pins</span>
              </span>
              <Action
                look="quiet"
                onPress={() => download(pinsCsv(pins, decimalMark()), buildFileName(called, '-pins.csv'), 'text/csv')}
                label={`Save ${called}`}
              >
                Save
              </Action>
              <Action
                look="quiet"
                onPress={() => dispatch({ edit: 'dropFromHarness', input: { list: 'tables', id } })}
                label={`Drop ${called}`}
              >
                Drop
              </Action>
            </li>
          ))}
        </ul>
        <label className="mt-2 block text-soft" htmlFor="pin-table-name">
          A new table, called
        </label>
        <input
          id="pin-table-name"
          value={name}
          onChange={(event) => setName(event.currentTarget.value)}
          placeholder="Donor A, 12-way grey"
          className="min-h-9 w-full rounded-[3px] border border-rule bg-panel px-2"
        />
        <label className="mt-1 block text-soft" htmlFor="pin-table-text">
          Its pins, typed or pasted
        </label>
        <textarea
          id="pin-table-text"
          value={text}
          onChange={(event) => setText(event.currentTarget.value)}
          rows={5}
          placeholder={'pin; signal; colour\n1; pedal 1 signal; YE\n2; sensor ground; BK'}
          className="w-full rounded-[3px] border border-rule bg-panel p-2 font-mono text-small"
        />
        <div className="mt-1 flex flex-wrap gap-2">
          <Action disabled={text.trim() === ''} onPress={() => take(text, name)}>
            Take the table in
          </Action>
          <FileAction
            look="quiet"
            accept=".csv,.txt,text/csv,text/plain"
            label="Pin table"
            onFile={async (file) =>
              take(decodeText(new Uint8Array(await file.arrayBuffer())), name || file.name.replace(/\.[^.]+$/, ''))
            }
          >
            From a file
          </FileAction>
        </div>
        {errors.length > 0 && <Problems title="This table can’t be taken in" problems={errors} />}
      </Panel>
    </div>
  );
}
