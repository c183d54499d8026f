'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import type { Problem } from '@/core/build';
import { buildFileName } from '@/core/formats';
import { testsCsv } from '@/core/handover/tests-csv';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import { bringIn, type SheetLine, type TestRow } from '@/core/stations/commission';
import { useBench } from '@/store/bench';
import { Action, decimalMark, download, FileAction } from '@/ui/action';
import { Panel } from '@/ui/panel';
import { Problems } from '@/ui/problems';
import { VerdictMark } from '@/ui/verdict-mark';
import { readTestsFile } from '@/workers/files';
import { today } from '../shell/days';
import { STATE_MARK, STATE_WORDS } from './commission-words';

const readText = ({ step, read, result }: SheetLine, system: UnitSystem): string => {
  if (read !== null && step.dimension !== null)
    return formatQuantity({ value: read, dimension: step.dimension }, system, 4).text;
  if (result?.ok !== undefined) return result.ok ? 'as it should be' : 'not so';
  return result?.skipped === undefined ? 'nothing' : `skipped: ${result.skipped}`;
};

/** The sheets filled in elsewhere, in a spreadsheet or typed in off paper: looked through before anything is taken. */
export function BringInPanel({ assessment, by }: { assessment: Assessment; by: string }) {
  const { build, results } = assessment;
  const dispatch = useBench((bench) => bench.dispatch);
  const [rows, setRows] = useState<readonly TestRow[] | null>(null);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [said, setSaid] = useState('');
  const read = async (file: File) => {
    const table = await readTestsFile(file);
    setSaid('');
    setRows(table.ok ? table.rows : null);
    setProblems(table.ok ? [] : table.errors);
  };
  const brought = rows && bringIn(build, results.commission.sheets, rows, { by, date: today() });
  const leave = () => {
    setRows(null);
    setProblems([]);
  };
  const take = () => {
    if (!brought) return;
    const entries = brought.lines.map(({ entry }) => entry);
    if (!dispatch({ edit: 'putInCommission', input: { list: 'results', entries } })) return;
    setSaid(`${entries.length} ${entries.length === 1 ? 'test' : 'tests'} taken in.`);
    // What was left out stays in sight until it is put away.
    setProblems(brought.problems);
    setRows(null);
  };
  return (
    <Panel title="Filled in elsewhere" about="the sheets as a table, there and back">
      <p className="no-print flex flex-wrap items-center gap-3">
        <Action
          onPress={() =>
            download(testsCsv(assessment, decimalMark()), buildFileName(build.name, '-tests.csv'), 'text/csv')
          }
        >
          Save the sheets as CSV
        </Action>
        <FileAction label="Filled sheets as CSV" accept=".csv,.txt,.tsv,text/csv" onFile={(file) => void read(file)}>
          Bring in a filled table
        </FileAction>
        <span className="text-small text-soft">
          Under “read”: what the meter showed, with its unit or in the unit beside it; yes or no of what is looked at.
        </span>
      </p>
      <p className="text-small" aria-live="polite">
        {said}
      </p>
      {brought && (
        <div className="mt-2">
          <p>
            <b className="font-semibold">
              {brought.lines.length} {brought.lines.length === 1 ? 'test comes' : 'tests come'} in
            </b>
            , {brought.same} {brought.same === 1 ? 'stands' : 'stand'} here already, {brought.problems.length} left out.
          </p>
          <ul aria-label="What comes in">
            {brought.lines.map(({ before, after, entry }) => (
              <li key={entry.id} className="flex items-start gap-2 border-t border-dotted border-rule py-1">
                <span className="mt-1">
                  <VerdictMark shape={STATE_MARK[after.state]} size={13} />
                </span>
                <span className="min-w-0 flex-1">
                  {after.step.name}, <span className="text-soft">{STATE_WORDS[after.state]}</span>
                  <span className="block text-small tabular-nums">
                    {before.state !== 'open' && (
                      <span className="text-soft">{readText(before, build.units)}, now </span>
                    )}
                    <b className="font-semibold">{readText(after, build.units)}</b>
                    <span className="text-soft">
                      , {entry.date}
                      {entry.by ? `, ${entry.by}` : ''}
                    </span>
                  </span>
                </span>
              </li>
            ))}
          </ul>
          <p className="mt-2 flex flex-wrap gap-2">
            {brought.lines.length > 0 && (
              <Action look="strong" onPress={take}>
                Take in {brought.lines.length} {brought.lines.length === 1 ? 'test' : 'tests'}
              </Action>
            )}
            <Action look="quiet" onPress={leave}>
              Leave it
            </Action>
          </p>
        </div>
      )}
      {(brought?.problems ?? problems).length > 0 && (
        <div className="mt-2">
          <Problems
            title={brought || said !== '' ? 'Left out' : 'The table was not taken'}
            problems={brought?.problems ?? problems}
          />
        </div>
      )}
    </Panel>
  );
}
