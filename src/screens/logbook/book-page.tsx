'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { LOG_KINDS, type LogEntry } from '@/core/build';
import type { UnitSystem } from '@/core/quantities';
import { useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Fold } from '@/ui/fold';
import { Caution, Panel } from '@/ui/panel';
import { Select } from '@/ui/select';
import { TextField } from '@/ui/text-field';
import { VerdictMark } from '@/ui/verdict-mark';
import { dayText, today } from '../shell/days';
import { KIND_WORDS, say } from './logbook-words';
import { QuickEntry } from './quick-entry';

const ALL = 'all';
const SHOWN_FIRST = 60;

/** The figures of an entry in one line. */
export function figuresOf(entry: LogEntry, system: UnitSystem): string {
  const part = (label: string, text: string) => (text === '–' ? [] : [`${label} ${text}`]);
  return [
    ...part('odometer', say(entry.odometerM, 'distance', system, 5)),
    ...part('hour meter', say(entry.ranS, 'time', system, 4)),
    ...part('driven', say(entry.distanceM, 'distance', system)),
    ...part(entry.kind === 'charge' ? 'mains' : 'out of the pack', say(entry.energyJ, 'energy', system)),
    ...(entry.socFrom !== undefined || entry.socTo !== undefined
      ? [`charge ${say(entry.socFrom, 'ratio', system)} to ${say(entry.socTo, 'ratio', system)}`]
      : []),
    ...part('took', say(entry.durationS, 'time', system)),
    ...part('outside', say(entry.outsideC, 'temperature', system)),
    ...part('capacity', say(entry.capacityAh, 'charge', system)),
    ...part('spread', say(entry.spreadV, 'voltage', system)),
    ...part('resistance', say(entry.resistanceOhm, 'resistance', system)),
    ...part('insulation', say(entry.insulationOhm, 'resistance', system)),
    ...(entry.wear ?? []).map(({ valueM }) => `measured ${say(valueM, 'length', system)}`),
    ...(entry.code ? [`code ${entry.code}`] : []),
    ...(entry.cleared ? [`cleared ${entry.cleared}`] : []),
    ...(entry.by ? [`by ${entry.by}`] : []),
  ].join(', ');
}

/** Entries, newest first. */
export function BookPage({ assessment }: { assessment: Assessment }) {
  const { build, results } = assessment;
  const { entries, faults } = results.logbook;
  const dispatch = useBench((bench) => bench.dispatch);
  const [kind, setKind] = useState(ALL);
  const [most, setMost] = useState(SHOWN_FIRST);
  const late = entries.at(-1)?.date ?? '';
  const shown = [...entries].reverse().filter((entry) => kind === ALL || entry.kind === kind);
  const put = (entry: LogEntry) => dispatch({ edit: 'putInLogbook', input: { list: 'entries', entries: [entry] } });
  return (
    <div className="grid gap-3">
      {late > today() && (
        <Caution>
          This device’s clock says {dayText(today())}, and the book goes to {dayText(late)}. Set the clock first.
        </Caution>
      )}
      <QuickEntry build={build} entries={entries} />
      {faults.length > 0 && (
        <Panel title="Faults" about={`${faults.filter(({ state }) => state !== 'cleared').length} open`}>
          <ul aria-label="Faults">
            {faults.map(({ code, what, first, last, times, state }) => (
              <li
                key={`${code} ${what}`}
                data-fault={state}
                className="flex flex-wrap items-center gap-2 border-t border-rule/70 py-1"
              >
                <VerdictMark shape={state === 'cleared' ? 'holds' : 'fails'} size={11} />
                <span className="flex-1">
                  <b className="font-semibold">{code || what}</b> {code && what}
                  <span className="block text-small text-soft">
                    {state === 'returned' ? 'cleared, and came back' : state === 'open' ? 'open' : 'cleared'}; {times}{' '}
                    {times === 1 ? 'time' : 'times'},{' '}
                    {first === last ? dayText(first) : `${dayText(first)} to ${dayText(last)}`}
                  </span>
                </span>
                {state !== 'cleared' && (
                  <Action
                    label={`${code || what}: cleared`}
                    onPress={() => {
                      const entry = [...entries]
                        .reverse()
                        .find((one) => one.kind === 'fault' && one.what === what && (one.code?.trim() ?? '') === code);
                      if (entry) put({ ...entry, cleared: today() > entry.date ? today() : entry.date });
                    }}
                  >
                    Cleared
                  </Action>
                )}
              </li>
            ))}
          </ul>
        </Panel>
      )}
      <Panel title="Logbook" about={`${entries.length} entries`}>
        <Select
          label="Kind"
          value={kind}
          onChoose={setKind}
          choices={[
            { value: ALL, label: 'every kind' },
            ...LOG_KINDS.map((value) => ({ value, label: KIND_WORDS[value] })),
          ]}
          className="min-h-11"
        />
        {shown.length === 0 ? (
          <p className="text-soft">Nothing yet.</p>
        ) : (
          <ol aria-label="Entries">
            {shown.slice(0, most).map((entry) => (
              <li key={entry.id} data-entry={entry.kind} className="border-t border-rule/70 py-1">
                <Fold
                  head={
                    <span>
                      <span className="tabular-nums">{dayText(entry.date)}</span>{' '}
                      <b className="font-semibold">{entry.what}</b>
                      <span className="block text-small text-soft">
                        {KIND_WORDS[entry.kind]}
                        {figuresOf(entry, build.units) && `: ${figuresOf(entry, build.units)}`}
                      </span>
                    </span>
                  }
                >
                  <div className="grid gap-x-8 pb-1 min-[700px]:grid-cols-2">
                    <TextField label="What" value={entry.what} onCommit={(what) => put({ ...entry, what })} />
                    <TextField label="Day" value={entry.date} onCommit={(date) => put({ ...entry, date })} />
                    <p>
                      <Action
                        look="quiet"
                        onPress={() => dispatch({ edit: 'dropFromLogbook', input: { list: 'entries', id: entry.id } })}
                      >
                        Drop it
                      </Action>
                    </p>
                  </div>
                </Fold>
              </li>
            ))}
          </ol>
        )}
        {shown.length > most && (
          <p className="mt-1">
            <Action onPress={() => setMost(most + 300)}>{shown.length - most} older ones</Action>
          </p>
        )}
      </Panel>
    </div>
  );
}
