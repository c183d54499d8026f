'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { buildFileName, type CalendarEntry, calendarText } from '@/core/formats';
import { schedule, weekNote, weekText } from '@/core/stations/plan';
import { Action, download } from '@/ui/action';
import { copyText } from '@/ui/copy-text';
import { Panel } from '@/ui/panel';
import { today } from '../shell/days';
import { hoursText } from './plan-words';

/** The week in a note for whoever waits for the car, and the plan as a calendar. */
export function WeekPage({ assessment }: { assessment: Assessment }) {
  const { build, results } = assessment;
  const { jobs, waits, register } = results.plan;
  const [copied, setCopied] = useState(false);
  const day = today();
  const note = weekNote(jobs, waits, register, day);
  const text = weekText(build.name, note);
  const perWeek = build.plan?.hoursPerWeek ?? null;
  const save = () => {
    if (perWeek === null) return;
    const entries: CalendarEntry[] = [
      ...schedule(jobs, waits, { from: day, hoursPerWeek: perWeek }).map(
        ({ job, from, to }): CalendarEntry => ({
          id: `${build.id}-${job.id}`,
          kind: 'event',
          title: `${build.name}: ${job.name}`,
          text: `${hoursText(job.hours)}${job.hv ? '; traction voltage: isolate, prove dead, not alone' : ''}${job.two ? '; two people' : ''}`,
          from,
          to,
        }),
      ),
      ...waits.flatMap(({ id, what, expected, there, since }): CalendarEntry[] =>
        there === null && expected !== null
          ? [
              {
                id: `${build.id}-${id}`,
                kind: 'todo',
                title: `${build.name}: ${what}`,
                text: 'expected',
                from: since <= expected ? since : expected,
                to: expected,
              },
            ]
          : [],
      ),
    ];
    download(
      calendarText(`${build.name}, plan`, entries, new Date().toISOString()),
      buildFileName(build.name, '-plan.ics'),
      'text/calendar',
    );
  };
  return (
    <div className="grid gap-3">
      <Panel title="Note of the week" about={`${note.from} to ${note.to}`}>
        <pre className="whitespace-pre-wrap font-body text-body" data-week>
          {text}
        </pre>
        <p className="no-print mt-2 flex flex-wrap gap-2">
          <Action
            onPress={async () => {
              setCopied(await copyText(text));
            }}
          >
            <span aria-live="polite">{copied ? 'Copied' : 'Copy the note'}</span>
          </Action>
          <Action look="quiet" onPress={() => download(text, buildFileName(build.name, '-week.txt'), 'text/plain')}>
            Save it
          </Action>
        </p>
      </Panel>
      <Panel title="Calendar">
        <p className="text-soft">
          {perWeek === null
            ? 'With the hours of a week, under Now, the jobs get their days.'
            : 'Jobs on the days on which they would be done, one after another, and what is expected. A calendar program takes the file in.'}
        </p>
        <p className="mt-2">
          <Action disabled={perWeek === null} onPress={save}>
            Save the calendar file
          </Action>
        </p>
      </Panel>
    </div>
  );
}
