'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import type { SheetId, StepResult } from '@/core/build';
import { entryOfSkip, SHEET_WORDS, type Sheet } from '@/core/stations/commission';
import { useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Fold } from '@/ui/fold';
import { Caution, Panel } from '@/ui/panel';
import { Select } from '@/ui/select';
import { TextField } from '@/ui/text-field';
import { usePrint } from '@/ui/use-print';
import { VerdictMark } from '@/ui/verdict-mark';
import { dayText, today } from '../shell/days';
import { BringInPanel } from './bring-in-panel';
import { farText } from './commission-words';
import { OwnTestPanel } from './own-test-panel';
import { PrintSheets } from './print-sheets';
import { SignPanel } from './sign-panel';
import { StepLine } from './step-line';

const SHOWN = ['all', 'left', 'out'] as const;
type Shown = (typeof SHOWN)[number];
const SHOWN_WORDS: Readonly<Record<Shown, string>> = { all: 'every test', left: 'what is left', out: 'what is out' };

const latestBy = (results: readonly StepResult[]): string =>
  results.reduce<StepResult | null>((last, one) => (one.by && (!last || one.date >= last.date) ? one : last), null)
    ?.by ?? '';

/** The sheets in safe order; one is open at a time. */
export function SheetsPage({ assessment }: { assessment: Assessment }) {
  const { build, results } = assessment;
  const { sheets, gone } = results.commission;
  const all = Object.values(build.commission?.results ?? {});
  const [chosen, setChosen] = useState<SheetId | null>(null);
  const [by, setBy] = useState<string | null>(null);
  const [shown, setShown] = useState<Shown>('left');
  /** What was just entered stays in sight. */
  const [touched, setTouched] = useState<ReadonlySet<string>>(new Set());
  const [print, printIt] = usePrint<'sheet' | 'all'>();
  const who = by ?? latestBy(all);
  const sheet = sheets.find(({ id }) => id === chosen) ?? sheets.find(({ done }) => !done) ?? sheets[0];
  const late = all.reduce((last, { date }) => (date > last ? date : last), '');
  if (!sheet)
    return (
      <Panel title="Test sheets">
        <p>They are made from the design: begin with cells in Pack.</p>
      </Panel>
    );
  return (
    <div className="grid gap-3">
      {late > today() && (
        <Caution>
          This device’s clock says {dayText(today())}, and a test here is of {dayText(late)}. Set the clock before you
          go on: what is entered now is dated before it.
        </Caution>
      )}
      <nav aria-label="Sheets" className="grid grid-cols-2 gap-1 min-[700px]:grid-cols-3">
        {sheets.map((one, k) => (
          <button
            key={one.id}
            type="button"
            data-sheet={one.id}
            aria-pressed={one.id === sheet.id}
            onClick={() => {
              setChosen(one.id);
              setTouched(new Set());
            }}
            className="flex min-h-12 items-center gap-2 rounded-[3px] border border-rule bg-panel px-3 py-1 text-left max-[500px]:px-2 aria-pressed:border-[1.5px] aria-pressed:border-ink"
          >
            <VerdictMark
              shape={one.out > 0 ? 'fails' : one.done ? (one.skipped > 0 ? 'thin' : 'holds') : 'hollow'}
              size={13}
            />
            <span className="min-w-0 flex-1">
              <b className="block font-semibold leading-tight">{SHEET_WORDS[one.id][0]}</b>
              <span className="block text-note text-soft tabular-nums">
                {farText(one)}
                {one.signed === 'now' ? ', signed' : one.signed === 'older' ? ', signed for an older design' : ''}
              </span>
            </span>
            <span className="text-note text-soft tabular-nums">{k}</span>
          </button>
        ))}
      </nav>
      <Panel title={SHEET_WORDS[sheet.id][0]} about={farText(sheet)}>
        <p className="text-soft">{SHEET_WORDS[sheet.id][1]}.</p>
        <div className="no-print mt-1 flex flex-wrap items-center gap-x-4 gap-y-1">
          <Select
            label="Shown"
            value={shown}
            onChoose={(value) => setShown(value as Shown)}
            choices={SHOWN.map((value) => ({ value, label: SHOWN_WORDS[value] }))}
            className="min-h-11"
          />
          <div className="min-w-[12rem] flex-1">
            <TextField label="Tested by" value={who} empty="name" clears onCommit={setBy} />
          </div>
          <Action onPress={() => printIt('sheet')}>Print this sheet</Action>
          <Action look="quiet" onPress={() => printIt('all')}>
            Print all
          </Action>
        </div>
        {sheet.waitsFor.length > 0 && (
          <Gate sheet={sheet} sheets={sheets} assessment={assessment} by={who} onGo={setChosen} />
        )}
        <ul aria-label={`Tests: ${SHEET_WORDS[sheet.id][0]}`} className="mt-2">
          {sheet.lines
            .filter(
              ({ state, step }) =>
                shown === 'all' ||
                touched.has(step.id) ||
                (shown === 'out' ? state === 'out' : sheet.done || (state !== 'pass' && state !== 'skipped')),
            )
            .map((line) => (
              <StepLine
                key={line.step.id}
                line={line}
                assessment={assessment}
                by={who}
                locked={sheet.waitsFor.length > 0}
                onTouch={() => setTouched((known) => new Set(known).add(line.step.id))}
              />
            ))}
        </ul>
        <OwnTestPanel sheet={sheet.id} build={build} />
      </Panel>
      <SignPanel key={sheet.id} sheet={sheet} assessment={assessment} by={who} />
      <BringInPanel assessment={assessment} by={who} />
      {gone.length > 0 && (
        <Panel title="Of things that are gone" about={`${gone.length} kept`}>
          <ul>
            {gone.map(({ id, name, date, note }) => (
              <li key={id} className="border-t border-dotted border-rule py-1">
                {name}, <span className="text-soft">{dayText(date)}</span>
                {note && `: ${note}`}
              </li>
            ))}
          </ul>
        </Panel>
      )}
      {print && <PrintSheets assessment={assessment} sheets={print === 'all' ? sheets : [sheet]} />}
    </div>
  );
}

/** An earlier sheet is not done: back to it, or on for a reason that goes on record. */
function Gate({
  sheet,
  sheets,
  assessment,
  by,
  onGo,
}: {
  sheet: Sheet;
  sheets: readonly Sheet[];
  assessment: Assessment;
  by: string;
  onGo: (id: SheetId) => void;
}) {
  const { build } = assessment;
  const dispatch = useBench((bench) => bench.dispatch);
  const before = sheets.filter(({ id }) => sheet.waitsFor.includes(id));
  const open = before.flatMap(({ lines }) => lines.filter(({ state }) => state === 'open' || state === 'unsure'));
  const out = before.reduce((sum, one) => sum + one.out, 0);
  return (
    <div className="mt-2" data-gate>
      <Caution>
        <p>
          <b className="font-semibold">Not yet.</b> First {before.map(({ id }) => SHEET_WORDS[id][0]).join(', ')}:{' '}
          {open.length} open{out > 0 ? `, ${out} out` : ''}. Each sheet makes the next one safe.
        </p>
        <p className="mt-1 flex flex-wrap gap-2">
          {before.map(({ id }) => (
            <Action key={id} onPress={() => onGo(id)}>
              Go to {SHEET_WORDS[id][0]}
            </Action>
          ))}
        </p>
        {out === 0 && (
          <Fold head={<span className="text-small">Go on all the same</span>}>
            <TextField
              label={`Skip ${open.length} ${open.length === 1 ? 'test' : 'tests'} before it, because`}
              value=""
              makes
              wide
              empty="the reason goes on record; a test that was skipped is not a test"
              onCommit={(skipped) =>
                dispatch({
                  edit: 'putInCommission',
                  input: {
                    list: 'results',
                    entries: open.map((line) => entryOfSkip(build, line, { by, date: today() }, skipped)),
                  },
                })
              }
            />
          </Fold>
        )}
      </Caution>
    </div>
  );
}
