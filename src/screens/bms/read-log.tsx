'use client';
import { useRef, useState } from 'react';
import type { LogColumn, LogProblem, LogSettings, OpenedLog } from '@/core/logs';
import { Action, FileAction } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Fold } from '@/ui/fold';
import { Problems } from '@/ui/problems';
import { openLogFile, type ReadLog, readLogFile } from '@/workers/logs';
import { rememberColumns, rememberedColumns } from './kept-columns';

type Known = Extract<OpenedLog, { kind: 'columns' | 'frames' }>;
interface Chosen {
  readonly file: File;
  readonly database: string | null;
  readonly opened: Known;
}

const asProblems = (problems: readonly LogProblem[]) =>
  problems.map(({ where, why, remedy }) => ({ path: where, reason: why, remedy }));
const LARGEST_DATABASE = 20_000_000;

/** Reads a log of a drive beside everything else: what its columns are is shown first, and can be corrected. */
export function ReadLogFile({
  settings,
  onRead,
}: {
  settings: LogSettings;
  onRead: (name: string, read: ReadLog) => void;
}) {
  const [database, setDatabase] = useState<{ name: string; text: string } | null>(null);
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [waiting, setWaiting] = useState<File | null>(null);
  const [problems, setProblems] = useState<readonly LogProblem[]>([]);
  const [share, setShare] = useState<number | null>(null);
  const stop = useRef<() => void>(() => {});
  const failed = (error: Error) => {
    setShare(null);
    setProblems([
      { where: 'the file', why: `It could not be read: ${error.message}.`, remedy: 'Choose an intact copy.' },
    ]);
  };
  const open = (file: File, text: string | null) => {
    setProblems([]);
    openLogFile(file, text).then((opened) => {
      if (opened.kind === 'unknown') {
        setChosen(null);
        setWaiting(file);
        setProblems([opened.problem]);
        return;
      }
      setWaiting(null);
      setProblems(opened.problems);
      setChosen({ file, database: text, opened: { ...opened, columns: rememberedColumns(opened.columns) } });
    }, failed);
  };
  const takeDatabase = (file: File) => {
    if (file.size > LARGEST_DATABASE) {
      setProblems([
        { where: file.name, why: 'It is larger than 20 MB.', remedy: 'A database of one car is far smaller.' },
      ]);
      return;
    }
    file.text().then((text) => {
      setDatabase({ name: file.name, text });
      const again = waiting ?? chosen?.file;
      if (again) open(again, text);
    }, failed);
  };
  const read = ({ file, database: text, opened }: Chosen) => {
    rememberColumns(opened.columns);
    setShare(0);
    const reading = readLogFile(file, text, opened, settings, setShare);
    stop.current = reading.stop;
    reading.answer.then((found) => {
      setShare(null);
      setProblems(found.problems);
      setChosen(null);
      onRead(file.name, found);
    }, failed);
  };
  return (
    <section
      aria-label="Read a log"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        const file = event.dataTransfer.files[0];
        if (file) open(file, database?.text ?? null);
      }}
    >
      <div className="flex flex-wrap items-center gap-2">
        <FileAction accept=".csv,.log,.txt" label="Log file" onFile={(file) => open(file, database?.text ?? null)}>
          Read a log: CSV or CAN frames, or drop it here
        </FileAction>
        <FileAction look="quiet" accept=".dbc,.txt" label="CAN database" onFile={takeDatabase}>
          {database ? `CAN database: ${database.name}` : 'CAN database'}
        </FileAction>
      </div>
      {chosen && share === null && (
        <div className="mt-2 border-l-[3px] border-rule bg-well p-2.5">
          <p>
            <b className="font-semibold">{chosen.file.name}</b>: {wordsOf(chosen.opened.columns)}.
          </p>
          <Fold head={<span className="text-small">What each column is</span>}>
            <Columns
              columns={chosen.opened.columns}
              onChange={(columns) => setChosen({ ...chosen, opened: { ...chosen.opened, columns } })}
            />
          </Fold>
          <div className="mt-2 flex gap-2">
            <Action onPress={() => read(chosen)}>Read it</Action>
            <Action look="quiet" onPress={() => setChosen(null)}>
              Leave it
            </Action>
          </div>
        </div>
      )}
      {share !== null && (
        <div className="mt-2 flex items-center gap-3" aria-live="polite">
          <span>Read {Math.round(100 * share)} %</span>
          <Action
            look="quiet"
            onPress={() => {
              stop.current();
              setShare(null);
            }}
          >
            Stop
          </Action>
        </div>
      )}
      {problems.length > 0 && (
        <Problems
          title={chosen || share !== null ? 'Left out, or in doubt' : 'About that file'}
          problems={asProblems(problems)}
        />
      )}
    </section>
  );
}

function wordsOf(columns: readonly LogColumn[]): string {
  const cells = columns.filter(({ role }) => role.is === 'cell').length;
  const sensors = columns.filter(({ role }) => role.is === 'temperature').length;
  const has = (is: 'time' | 'current' | 'voltage') => columns.some(({ role }) => role.is === is);
  return [
    `${cells} ${cells === 1 ? 'cell' : 'cells'}`,
    ...(has('current') ? ['current'] : ['no current']),
    ...(has('voltage') ? ['pack voltage'] : []),
    ...(sensors > 0 ? [`${sensors} ${sensors === 1 ? 'temperature' : 'temperatures'}`] : []),
  ].join(', ');
}

const PLAIN = [
  { value: 'skip', label: 'left out' },
  { value: 'time', label: 'time' },
  { value: 'current', label: 'current' },
  { value: 'voltage', label: 'pack voltage' },
] as const;
const SHOWN = 200;

function Columns({
  columns,
  onChange,
}: {
  columns: readonly LogColumn[];
  onChange: (columns: readonly LogColumn[]) => void;
}) {
  const toldOf = ({ role }: LogColumn) => ('number' in role ? `${role.is} ${role.number}` : role.is);
  const roleOf = (value: string): LogColumn['role'] => {
    const [is, number] = value.split(' ');
    return number === undefined ? { is: is as 'skip' } : { is: is as 'cell', number: Number(number) };
  };
  return (
    <div className="max-h-72 overflow-y-auto">
      {columns.slice(0, SHOWN).map((column, k) => {
        const counted = [`cell ${k + 1}`, `temperature ${k + 1}`, toldOf(column)].filter((one) => /\d/.test(one));
        return (
          <ChoiceField
            key={`${k} ${column.name}`}
            label={column.name.slice(0, 80) || `column ${k + 1}`}
            value={toldOf(column)}
            choices={[...PLAIN, ...[...new Set(counted)].map((value) => ({ value, label: value }))]}
            onChoose={(value) => onChange(columns.map((one, at) => (at === k ? { ...one, role: roleOf(value) } : one)))}
          />
        );
      })}
      {columns.length > SHOWN && (
        <p className="text-soft">{columns.length - SHOWN} more are taken as they are named.</p>
      )}
    </div>
  );
}
