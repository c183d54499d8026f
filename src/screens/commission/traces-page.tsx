'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { MOST_TRACE_POINTS, type StepTrace, TRACE_KINDS, type TraceKind } from '@/core/build';
import { thinned } from '@/core/physics/trace-fit';
import { traceSubjects } from '@/core/stations/commission';
import { freshId, useBench } from '@/store/bench';
import { Action, FileAction } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { Problems } from '@/ui/problems';
import { readTrace } from '@/workers/files';
import { dayText, today } from '../shell/days';
import { TRACE_WORDS } from './commission-words';
import { TraceFigures } from './trace-figures';

const TraceChart = dynamic(() => import('./trace-chart'), { ssr: false, loading: () => <div className="h-[280px]" /> });

type Problem = { readonly path: string; readonly reason: string; readonly remedy: string };

/** Courses that an instrument wrote down: fitted, held against the model, and adopted. */
export function TracesPage({ assessment }: { assessment: Assessment }) {
  const { build, context } = assessment;
  const dispatch = useBench((bench) => bench.dispatch);
  const [kind, setKind] = useState<TraceKind>('precharge');
  const [subject, setSubject] = useState<string | null>(null);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [openId, setOpenId] = useState<string | null>(null);
  const subjects = traceSubjects(context, kind);
  const stepId = subjects.find(({ id }) => id === subject)?.id ?? subjects[0]?.id ?? null;
  const traces = Object.values(build.commission?.traces ?? {}).sort((p, q) => (p.date < q.date ? 1 : -1));
  const trace = traces.find(({ id }) => id === openId) ?? traces[0] ?? null;
  const take = async (file: File) => {
    const read = await readTrace(file, kind);
    if (!read.ok) {
      setProblems(read.errors);
      return;
    }
    setProblems([]);
    const { times, values } = thinned(read.trace.timesS, read.trace.values, MOST_TRACE_POINTS);
    const id = freshId();
    const made: StepTrace = {
      id,
      kind,
      stepId,
      name: file.name.slice(0, 120) || TRACE_WORDS[kind][0],
      date: today(),
      timesS: times,
      values,
    };
    if (dispatch({ edit: 'putInCommission', input: { list: 'traces', entries: [made] } })) setOpenId(id);
  };
  return (
    <div className="grid gap-3">
      <Panel title="A trace from an instrument" about="CSV: time and value in each line">
        <div className="grid gap-x-8 min-[700px]:grid-cols-2">
          <ChoiceField
            label="Of"
            value={kind}
            choices={TRACE_KINDS.map((value) => ({
              value,
              label: `${TRACE_WORDS[value][0]}: ${TRACE_WORDS[value][1]}`,
            }))}
            onChoose={(value) => setKind(value as TraceKind)}
          />
          {subjects.length > 0 && (
            <ChoiceField
              label="At"
              value={stepId}
              choices={subjects.map(({ id, name }) => ({ value: id, label: name }))}
              onChoose={setSubject}
            />
          )}
        </div>
        <p className="mt-2 flex flex-wrap items-center gap-3">
          <FileAction label="Trace as CSV" accept=".csv,.txt,.tsv,text/csv" onFile={(file) => void take(file)}>
            Read a trace
          </FileAction>
          <span className="text-small text-soft">
            Seconds and {kind === 'vacuum' ? 'pascals' : kind === 'temperature' ? 'degrees Celsius' : 'volts'} unless
            its heading names a unit, as “time (ms)”.
          </span>
        </p>
        {problems.length > 0 && <Problems title="The trace was not taken" problems={problems} />}
      </Panel>
      {traces.length > 1 && (
        <Panel title="Traces" about={`${traces.length}`}>
          <ul>
            {traces.map((one) => (
              <li key={one.id} className="flex flex-wrap items-center gap-3 border-t border-dotted border-rule py-0.5">
                <span className="flex-1">
                  {TRACE_WORDS[one.kind][0]}, {one.name} <span className="text-soft">{dayText(one.date)}</span>
                </span>
                <Action look="quiet" onPress={() => setOpenId(one.id)} label={`Show ${one.name}`}>
                  {one.id === trace?.id ? 'Shown' : 'Show'}
                </Action>
              </li>
            ))}
          </ul>
        </Panel>
      )}
      {trace && (
        <Panel title={`${TRACE_WORDS[trace.kind][0]}: ${trace.name}`} about={dayText(trace.date)}>
          <TraceChart trace={trace} assessment={assessment} />
          <TraceFigures trace={trace} assessment={assessment} />
          <p className="no-print mt-1">
            <Action
              look="quiet"
              onPress={() => dispatch({ edit: 'dropFromCommission', input: { list: 'traces', id: trace.id } })}
            >
              Drop this trace
            </Action>
          </p>
        </Panel>
      )}
    </div>
  );
}
