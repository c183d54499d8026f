'use client';
import type { Assessment } from '@/core/assess';
import { own, type UpkeepMark } from '@/core/build';
import { buildFileName, type CalendarEntry, calendarText } from '@/core/formats';
import { type DueTask, dueList, standOn } from '@/core/stations/logbook';
import { freshId, newestBuild, useBench } from '@/store/bench';
import { Action, download } from '@/ui/action';
import { Fold } from '@/ui/fold';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { TextField } from '@/ui/text-field';
import { VerdictMark } from '@/ui/verdict-mark';
import { dayText, today } from '../shell/days';
import { DUE_MARK, DUE_WORDS, everyText, say, wearText } from './logbook-words';
import { WearFields } from './wear-fields';

/** What is due, by date, distance and hours; done by one press, which writes the entry. */
export function DuePage({ assessment }: { assessment: Assessment }) {
  const { build, results } = assessment;
  const { entries, tasks } = results.logbook;
  const dispatch = useBench((bench) => bench.dispatch);
  const now = standOn(entries, today());
  const list = dueList(tasks, entries, now);
  const due = list.filter(({ state }) => state === 'due').length;
  const save = () => {
    const dated = list.flatMap(({ task, expected, onDay, state }): CalendarEntry[] => {
      const day = expected ?? onDay;
      return day === null || state === 'off'
        ? []
        : [
            {
              id: `${build.id}-upkeep-${task.id}`,
              kind: 'todo',
              title: `${build.name}: ${task.name}`,
              text: task.how,
              // Begun today, so that it is due on its day and not on the one after.
              from: day > now.date ? now.date : day,
              to: day,
            },
          ];
    });
    download(
      calendarText(`${build.name}, upkeep`, dated, new Date().toISOString()),
      buildFileName(build.name, '-upkeep.ics'),
      'text/calendar',
    );
  };
  return (
    <div className="grid gap-3">
      <Panel>
        <p className="font-tight text-title" data-due={due}>
          {entries.length === 0 ? (
            'It counts from the first entry of the book'
          ) : due === 0 ? (
            'Nothing is due'
          ) : (
            <>
              <b className="font-semibold tabular-nums">{due}</b> {due === 1 ? 'is' : 'are'} due
            </>
          )}
        </p>
        <p className="text-soft">
          On {dayText(now.date)}
          {now.odometerM !== null && `, at ${say(now.odometerM, 'distance', build.units, 5)}`}
          {now.ranS !== null && `, ${say(now.ranS, 'time', build.units, 4)} run`}.
        </p>
        <p className="no-print mt-2">
          <Action disabled={entries.length === 0} onPress={save}>
            Save as calendar
          </Action>
        </p>
      </Panel>
      <Panel title="Upkeep" about="by date, distance, hours and wear">
        <ul aria-label="Upkeep">
          {list.map((one) => (
            <Task key={one.task.id} one={one} assessment={assessment} />
          ))}
        </ul>
        <div className="no-print mt-2">
          <TextField
            label="One more, of your own"
            value=""
            makes
            empty="name"
            onCommit={(name) =>
              dispatch({
                edit: 'putInLogbook',
                input: { list: 'upkeep', entries: [{ id: `own-${freshId()}`, name, everyDays: 365 }] },
              })
            }
          />
        </div>
      </Panel>
    </div>
  );
}

function Task({ one, assessment }: { one: DueTask; assessment: Assessment }) {
  const { build } = assessment;
  const dispatch = useBench((bench) => bench.dispatch);
  const { task, last, state, expected, onDay, atM, atRunS, wear } = one;
  const mark = (more: object) => {
    const known = own((newestBuild() ?? build).logbook?.upkeep ?? {}, task.id);
    return dispatch({
      edit: 'putInLogbook',
      input: {
        list: 'upkeep',
        entries: [
          // What is taken back is no longer there.
          Object.fromEntries(
            Object.entries({
              ...known,
              id: task.id,
              ...(task.own ? { name: task.name } : {}),
              ...more,
            }).filter(([, value]) => value !== undefined),
          ) as unknown as UpkeepMark,
        ],
      },
    });
  };
  const at = [
    ...(onDay ? [dayText(onDay)] : []),
    ...(atM !== null ? [`at ${say(atM, 'distance', build.units, 5)}`] : []),
    ...(atRunS !== null ? [`at ${say(atRunS, 'time', build.units, 4)}`] : []),
  ].join(' or ');
  return (
    <li data-task={task.id} data-state={state} className="border-t border-rule/70 py-1.5">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <VerdictMark shape={DUE_MARK[state]} size={13} />
        <span className="min-w-[12rem] flex-1">
          <b className="font-semibold">{task.name}</b> <span className="text-small">{DUE_WORDS[state]}</span>
          <span className="block text-small text-soft">
            {everyText(one, build.units)}; {last ? `last ${dayText(last.date)}` : 'never entered'}
            {at && state !== 'off' && `; next ${at}`}
            {wear && wear.points.length > 0 && `; ${wearText(one, build.units)}`}
            {expected && state !== 'due' && state !== 'off' && expected !== onDay && `, likely ${dayText(expected)}`}
            {task.off && `: ${task.off}`}
          </span>
        </span>
        {state !== 'off' && (
          <button
            type="button"
            aria-label={`${task.name}: done`}
            onClick={() =>
              dispatch({
                edit: 'putInLogbook',
                input: {
                  list: 'entries',
                  entries: [{ id: freshId(), kind: 'work', date: today(), what: task.name, taskIds: [task.id] }],
                },
              })
            }
            className="min-h-12 min-w-20 rounded-[3px] border-[1.5px] border-ink bg-panel px-4 font-tight text-lead font-semibold"
          >
            Done
          </button>
        )}
      </div>
      <Fold head={<span className="text-small text-soft">{task.how}</span>}>
        <div className="grid gap-x-8 pb-1 min-[700px]:grid-cols-2">
          <QuantityField
            label="Every so many days"
            dimension="count"
            system={build.units}
            value={task.everyDays}
            empty="not by date"
            onCommit={(everyDays) => mark({ everyDays })}
            onClear={() => mark({ everyDays: null })}
          />
          <QuantityField
            label="Every distance"
            dimension="distance"
            system={build.units}
            value={task.everyM}
            empty="not by distance"
            onCommit={(everyM) => mark({ everyM })}
            onClear={() => mark({ everyM: null })}
          />
          <QuantityField
            label="Every hours run"
            dimension="time"
            system={build.units}
            unit="h"
            value={task.everyRunS}
            empty="not by hours"
            onCommit={(everyRunS) => mark({ everyRunS })}
            onClear={() => mark({ everyRunS: null })}
          />
          {task.wear && <WearFields task={task} limit={task.wear} build={build} mark={mark} />}
          <TextField
            label="Not done here, because"
            value={task.off ?? ''}
            empty="it is done"
            clears
            onCommit={(off) => mark({ off })}
          />
          {task.decided && (
            <p>
              <Action
                look="quiet"
                onPress={() => dispatch({ edit: 'dropFromLogbook', input: { list: 'upkeep', id: task.id } })}
              >
                {task.own ? 'Drop it' : 'As usual again'}
              </Action>
            </p>
          )}
        </div>
      </Fold>
    </li>
  );
}
