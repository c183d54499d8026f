'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { SIGNALS, type Signal } from '@/core/build';
import { inUnits } from '@/core/quantities';
import { BIT_OF, type Guard, type Mode, type Step } from '@/core/simulate/sequence';
import { INPUT_WORDS, MODE_WORDS, sequenceJson, sequenceSheet } from '@/core/stations/interlocks';
import { useBench } from '@/store/bench';
import { Action, download } from '@/ui/action';
import { Caution, Panel } from '@/ui/panel';
import { PaperTable } from '@/ui/paper-table';
import { svgText } from '@/ui/svg-text';
import { usePrint } from '@/ui/use-print';
import { type Column, DataTable, RowOpener } from '../shell/data-table';
import { ChartDrawing } from './chart-drawing';
import { Atoms } from './properties-panel';

const SENSED: Readonly<Record<string, readonly [is: string, not: string]>> = {
  linkUp: ['link charged', 'link not charged'],
  linkDead: ['link dead', 'link not dead'],
  timer: ['its time is up', 'its time runs'],
  current: ['current still flows', 'current is down'],
  bad: ['a reading can’t be, or a contactor did not follow', 'readings agree'],
};

/** A guard in an electrician’s words. */
export const guardWords = ({ bit, is }: Guard): string =>
  SENSED[bit]?.[is ? 0 : 1] ?? (INPUT_WORDS as Readonly<Record<string, readonly string[]>>)[bit]?.[is ? 0 : 1] ?? bit;

const ASKABLE: readonly Signal[] = SIGNALS.filter((signal) => Object.hasOwn(BIT_OF, signal));

export function SequencePage({ assessment }: { assessment: Assessment }) {
  const { build, results, context } = assessment;
  const { steps, lacks } = results.interlocks;
  const [mode, setMode] = useState<Mode>('ready');
  const [open, setOpen] = useState<string | null>(null);
  const [print, printIt] = usePrint<true>();
  if (lacks) return <p className="text-soft">There is no sequence yet: enter {lacks}.</p>;
  const changed = build.controls?.steps ?? {};
  const left = Object.entries(changed).flatMap(([id, own]) => (own.off ? [id] : []));
  const columns: readonly Column<Step>[] = [
    {
      id: 'from',
      head: 'From',
      value: ({ from }) => MODE_WORDS[from],
      cell: (step) => (
        <RowOpener open={open === step.id} onOpen={() => setOpen(open === step.id ? null : step.id)}>
          {MODE_WORDS[step.from]}
        </RowOpener>
      ),
    },
    { id: 'to', head: 'to', value: ({ to }) => MODE_WORDS[to], cell: ({ to }) => MODE_WORDS[to] },
    {
      id: 'when',
      head: 'as soon as',
      value: ({ when, own }) => [...when, ...(own ?? [])].map(guardWords).join(', '),
      cell: ({ when, own }) => (
        <>
          {when.map(guardWords).join(', ')}
          {(own ?? []).length > 0 && <b className="font-semibold">; also {own!.map(guardWords).join(', ')}</b>}
        </>
      ),
    },
  ];
  const sheet = sequenceSheet(context);
  return (
    <>
      <Panel title="Sequence" about={`${steps.length} steps, from the wiring and what was answered`}>
        <ChartDrawing steps={steps} chosen={mode} onChoose={setMode} />
        <p className="mt-2 flex flex-wrap gap-2">
          <Action onPress={() => printIt(true)}>Print the sequence sheet</Action>
          <Action
            look="quiet"
            onPress={() => download(sequenceJson(context), `${build.id}-sequence.json`, 'application/json')}
          >
            Statechart as JSON
          </Action>
          <Action
            look="quiet"
            onPress={() => {
              const drawing = document.getElementById('sequence-chart');
              if (drawing instanceof SVGSVGElement)
                download(svgText(drawing, `Sequence of ${build.name}`), `${build.id}-sequence.svg`, 'image/svg+xml');
            }}
          >
            Drawing as SVG
          </Action>
        </p>
      </Panel>
      <div className="mt-3 grid items-start gap-3 min-[1080px]:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <Panel title={`Out of ${MODE_WORDS[mode]}`} about="the first that holds is taken; press one to change it">
          <DataTable
            label={`Steps out of ${MODE_WORDS[mode]}`}
            columns={columns}
            rows={steps.filter(({ from }) => from === mode)}
            idOf={({ id }) => id}
            openId={open}
            detail={(step) => <OwnStep step={step} assessment={assessment} />}
          />
          {left.map((id) => (
            <p key={id} className="mt-1 flex items-baseline gap-2">
              <span className="flex-1">Left out: {id}</span>
              <Back step={id} />
            </p>
          ))}
        </Panel>
        <Panel title="Sequence sheet" about="what clicks, what to read">
          <ol className="text-small">
            {sheet.map(({ step, clicks, read }, k) => (
              <li key={step} className="border-t border-rule/70 py-1 first:border-0">
                <b className="font-semibold">
                  {k + 1} {step}
                </b>
                <br />
                <span className="text-soft">clicks:</span> {clicks}. <span className="text-soft">Read</span>{' '}
                {inUnits(read, build.units)}.
              </li>
            ))}
          </ol>
        </Panel>
      </div>
      <div className="mt-3">
        <Caution>
          A changed step changes what the search proves. A step that is left out here has to be left out of the device’s
          program too, and the other way round.
        </Caution>
      </div>
      {print && <PrintSheet assessment={assessment} />}
    </>
  );
}

function Back({ step }: { step: string }) {
  const dispatch = useBench((bench) => bench.dispatch);
  return (
    <Action
      look="quiet"
      onPress={() => dispatch({ edit: 'setStep', input: { step, own: null } })}
      label={`${step} as it came`}
    >
      As it came
    </Action>
  );
}

function OwnStep({ step, assessment }: { step: Step; assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const own = assessment.build.controls?.steps?.[step.id];
  return (
    <div>
      <Atoms
        label="Asks besides"
        atoms={own?.and ?? []}
        signals={ASKABLE}
        onChange={(and) =>
          dispatch({ edit: 'setStep', input: { step: step.id, own: and.length === 0 ? null : { and } } })
        }
      />
      <p className="mt-2 flex gap-2">
        <Action onPress={() => dispatch({ edit: 'setStep', input: { step: step.id, own: { off: true } } })}>
          Leave this step out
        </Action>
        {own && <Back step={step.id} />}
      </p>
    </div>
  );
}

/** On one sheet of paper: the steps, and room for what was read. */
function PrintSheet({ assessment }: { assessment: Assessment }) {
  const { build, context } = assessment;
  const lines = sequenceSheet(context);
  return (
    <div data-print className="p-2 text-[12px] leading-tight">
      <h2 className="font-tight text-head font-semibold">{build.name}: sequence sheet</h2>
      <p className="mb-2">
        Computed, not proved. Second person, gloves, meter proved before and after. Local code and a licensed person
        decide.
      </p>
      <PaperTable
        boxed="to write"
        headAt={1}
        heads={['', 'Step', 'Clicks', 'Read', 'Hands', 'Read on the car']}
        classes={{ 5: 'min-w-28' }}
        rows={lines.map(({ step, clicks, read, hands }, k) => ({
          id: step,
          cells: [k + 1, step, clicks, inUnits(read, build.units), hands, ''],
        }))}
      />
      <p className="mt-2">Date, by whom:</p>
    </div>
  );
}
