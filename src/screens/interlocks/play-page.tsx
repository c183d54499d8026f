'use client';
import { useEffect, useState } from 'react';
import type { Assessment } from '@/core/assess';
import { Board, replay, STEP_S, storyEvents } from '@/core/bench';
import { LONGEST_RUN_S, type Timeline } from '@/core/build';
import { isDesign, sequenceDesign } from '@/core/simulate/sequence';
import { FAULT_WORDS, INPUT_WORDS, storyLines } from '@/core/stations/interlocks';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Panel } from '@/ui/panel';
import { TextField } from '@/ui/text-field';
import { Toggles } from '@/ui/toggles';
import { ChartDrawing } from './chart-drawing';
import { Dash } from './dash';
import { Scope } from './scope';
import { type Play, useBoard } from './use-board';

const CHOICE_EVENTS: Readonly<Record<string, readonly [string, string]>> = {
  economy: ['economy on', 'economy off'],
  'regen-off': ['regeneration off', 'regeneration full'],
  'regen-low': ['regeneration low', 'regeneration full'],
};
const eventWords = (input: string, is: boolean): string =>
  (INPUT_WORDS as Readonly<Record<string, readonly [string, string]>>)[input]?.[is ? 0 : 1] ??
  CHOICE_EVENTS[input]?.[is ? 0 : 1] ??
  (FAULT_WORDS as Readonly<Record<string, string>>)[input] ??
  input;

/** The sequence played on the build’s own circuit: a dash, what the circuit answers, runs that are kept. */
export function PlayPage({ assessment, storyId }: { assessment: Assessment; storyId: string | null }) {
  const { vehicle, results } = assessment;
  const play = useBoard(vehicle);
  const { restart, run } = play;
  const search = results.interlocks.search;
  const verdict = storyId
    ? (search?.well?.verdicts.find((one) => one.id === storyId && !one.proved) ??
      search?.told.verdicts.find((one) => one.id === storyId))
    : undefined;
  const story = verdict && !verdict.proved ? verdict.story : null;
  const told = story ? JSON.stringify(story) : null;
  useEffect(() => {
    if (told === null) return;
    restart(storyEvents(JSON.parse(told)));
    run(true);
  }, [told, restart, run]);
  return (
    <>
      {story && (
        <Panel title="The story" about="played on the board below">
          <ol className="flex flex-wrap gap-x-4">
            {storyLines(story).map((line, k) => (
              <li key={k} className="whitespace-nowrap">
                <span className="mr-1 text-note text-soft">{k + 1}</span>
                {line}
              </li>
            ))}
          </ol>
        </Panel>
      )}
      <div className="mt-3 grid items-start gap-3 min-[1080px]:grid-cols-[minmax(0,5fr)_minmax(0,4fr)]">
        <Panel title="Dash" about="no wheel turns: it is the model of this build">
          <Dash play={play} assessment={assessment} />
          <Controls play={play} />
        </Panel>
        <Panel title="What the circuit answers">
          <div className="grid gap-x-5 gap-y-2 min-[640px]:max-[1079px]:grid-cols-2">
            <Scope name="Link" unit="V" trace={play.trace} read={({ linkV }) => linkV} />
            <Scope name="12 V" unit="V" trace={play.trace} read={({ supplyV }) => supplyV} stroke="var(--lv)" />
          </div>
          <ClosedContactors play={play} assessment={assessment} />
        </Panel>
      </div>
      {play.view && (
        <div className="mt-3">
          <Panel title="Where the sequence stands">
            <ChartDrawing steps={results.interlocks.steps} chosen={play.view.mode} />
          </Panel>
        </div>
      )}
      <div className="mt-3">
        <Runs play={play} assessment={assessment} />
      </div>
    </>
  );
}

function ClosedContactors({ play, assessment }: { play: Play; assessment: Assessment }) {
  const { view } = play;
  if (!view) return null;
  const contactors = assessment.vehicle.devices.filter(({ device }) => device.kind === 'contactor');
  return (
    <ul className="mt-2 grid gap-x-5 min-[500px]:grid-cols-2" aria-label="Contactors">
      {contactors.map(({ id, device }) => {
        const closed = view.closed.has(id);
        return (
          <li key={id} className="flex items-center gap-2 border-b border-dotted border-rule py-0.5">
            <svg
              viewBox="0 0 36 16"
              width="36"
              height="16"
              aria-hidden="true"
              stroke="var(--hv)"
              strokeWidth="2.2"
              fill="none"
            >
              <path d={closed ? 'M1 12H35' : 'M1 12H10L25 2M27 12H35'} />
            </svg>
            <span className="flex-1">{device.name}</span>
            <span className="font-semibold">{closed ? 'closed' : 'open'}</span>
          </li>
        );
      })}
    </ul>
  );
}

/** Time runs, stands, or goes on by a moment. */
export function Controls({ play }: { play: Play }) {
  return (
    <div className="mt-3 flex flex-wrap items-center gap-2">
      <Action look="strong" onPress={() => play.run(!play.running)}>
        {play.running ? 'Let time stand' : 'Let time run'}
      </Action>
      <Action onPress={() => play.advance(1)} disabled={play.running}>
        One second on
      </Action>
      <Toggles
        label="Pace"
        chosen={String(play.pace) as '1' | '5' | '20'}
        choices={[
          ['1', 'real time'],
          ['5', '5 ×'],
          ['20', '20 ×'],
        ]}
        onChoose={(pace) => play.setPace(Number(pace))}
      />
      <Action look="quiet" onPress={() => play.restart()}>
        From the beginning
      </Action>
    </div>
  );
}

/** What was done so far, and runs that were kept: the same inputs have to give the same again. */
function Runs({ play, assessment }: { play: Play; assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const [name, setName] = useState('');
  const [checked, setChecked] = useState<Readonly<Record<string, boolean>>>({});
  const kept = Object.values(assessment.build.controls?.timelines ?? {});
  const { vehicle } = assessment;
  const fresh = () => {
    const design = sequenceDesign(vehicle);
    return isDesign(design) ? new Board(vehicle, design) : null;
  };
  const keep = () => {
    const board = fresh();
    if (!board || !play.view) return;
    const lengthS = Math.round(play.view.timeS / STEP_S) * STEP_S;
    const events = [...play.events];
    // Too long is refused by the edit, in words: it need not be made again for that.
    const outcome = lengthS > LONGEST_RUN_S ? '' : replay(board, events, lengthS);
    const timeline: Timeline = {
      id: freshId(),
      name: name.trim(),
      events,
      lengthS,
      outcome,
    };
    if (dispatch({ edit: 'keepTimeline', input: { timeline } })) setName('');
  };
  return (
    <Panel title="Runs" about="what is done is recorded; a kept run is a test">
      <p className="text-small">
        {play.events.length === 0
          ? 'Nothing done yet.'
          : play.events
              .slice(-8)
              .map(({ atS, input, is }) => `${atS.toFixed(1)} s ${eventWords(input, is)}`)
              .join(' · ')}
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <div className="min-w-48 flex-1">
          <TextField label="Keep it as" value={name} empty="a name" onCommit={setName} />
        </div>
        <Action onPress={keep} disabled={name.trim() === '' || play.events.length === 0}>
          Keep this run
        </Action>
      </div>
      {kept.map((timeline) => (
        <div key={timeline.id} className="mt-1 flex flex-wrap items-baseline gap-2 border-t border-rule/70 py-1">
          <span className="min-w-0 flex-1">
            <b className="font-semibold">{timeline.name}</b>, {timeline.lengthS.toFixed(1)} s, {timeline.events.length}{' '}
            inputs
            {checked[timeline.id] !== undefined && (
              <span className="ml-2">
                {checked[timeline.id] ? 'comes out as it was kept' : 'comes out otherwise now'}
              </span>
            )}
          </span>
          <Action
            onPress={() => {
              play.restart(timeline.events);
              play.run(true);
            }}
            label={`Replay ${timeline.name}`}
          >
            Replay
          </Action>
          <Action
            onPress={() => {
              const board = fresh();
              if (board)
                setChecked({
                  ...checked,
                  [timeline.id]: replay(board, timeline.events, timeline.lengthS) === timeline.outcome,
                });
            }}
            label={`Compare ${timeline.name}`}
          >
            Compare
          </Action>
          <Action
            look="quiet"
            onPress={() => dispatch({ edit: 'dropTimeline', input: { id: timeline.id } })}
            label={`Drop ${timeline.name}`}
          >
            Drop
          </Action>
        </div>
      ))}
    </Panel>
  );
}
