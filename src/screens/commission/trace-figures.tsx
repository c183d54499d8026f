'use client';
import type { Assessment } from '@/core/assess';
import { type Build, canRead, designedValue, findDevice, measurableOf, type StepTrace } from '@/core/build';
import { isFit, type TraceFit } from '@/core/physics/trace-fit';
import { type Dimension, formatQuantity, inUnits } from '@/core/quantities';
import { entryOfReading, judgeLine, readingOfTrace, TRACE_DIMENSION } from '@/core/stations/commission';
import { freshId, newestBuild, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { FigureRow } from '@/ui/figure-row';
import { VerdictMark } from '@/ui/verdict-mark';
import { today } from '../shell/days';
import { STATE_MARK } from './commission-words';

/** What a trace says: time constant, end, the reading of its step, and what may be adopted from it. */
export function TraceFigures({ trace, assessment }: { trace: StepTrace; assessment: Assessment }) {
  const { build, context, results } = assessment;
  const dispatch = useBench((bench) => bench.dispatch);
  const { fit, step, read, adopts, cause } = readingOfTrace(context, trace);
  const say = (value: number, dimension: Dimension, digits = 3) =>
    formatQuantity({ value, dimension }, build.units, digits).text;
  const dimension = TRACE_DIMENSION[trace.kind];
  const line = results.commission.sheets.flatMap(({ lines }) => lines).find((one) => one.step.id === step?.id);
  const entry =
    step && read !== null
      ? entryOfReading(
          newestBuild() ?? build,
          { step, result: line?.result ?? null },
          { by: '', date: today() },
          { value: read, note: `from the trace ${trace.name}` },
        )
      : null;
  // The sheet's own judgement of it.
  const state = step && entry ? judgeLine(step, entry).state : null;
  const entered =
    line?.read !== null && line?.read !== undefined && read !== null && Math.abs(line.read - read) <= 1e-9;
  const measurable = adopts ? measurableOf(build, adopts.subjectId, adopts.field) : undefined;
  const standing = adopts
    ? Object.values(build.adoptions).find((one) => one.subjectId === adopts.subjectId && one.field === adopts.field)
    : undefined;
  const adopted =
    standing && adopts
      ? Math.abs((build.readings[standing.readingId]?.value ?? 0) - adopts.value) <= 1e-3 * adopts.value
      : false;
  return (
    <div className="mt-2">
      {isFit(fit) ? (
        <FitFigures fit={fit} build={build} dimension={dimension} />
      ) : (
        trace.kind !== 'charge' && (
          <p className="border-l-[3px] border-thin pl-3" aria-live="polite">
            {fit.why} {fit.remedy}
          </p>
        )
      )}
      {step && entry && read !== null && step.dimension !== null && (
        <p className="mt-1 flex flex-wrap items-center gap-2" data-trace-read>
          <VerdictMark shape={state === null ? 'hollow' : STATE_MARK[state]} size={13} />
          <span className="flex-1">
            {step.name}: <b className="font-semibold tabular-nums">{say(read, step.dimension)}</b>
            {step.low !== null && step.high !== null && (
              <span className="text-soft">
                , expected {say(step.low, step.dimension)} to {say(step.high, step.dimension)}
              </span>
            )}
          </span>
          {entered ? (
            <span className="text-soft">On the sheet</span>
          ) : (
            <Action
              onPress={() =>
                dispatch({
                  edit: 'putInCommission',
                  input: {
                    list: 'results',
                    entries: [entry],
                  },
                })
              }
            >
              Put it on the sheet
            </Action>
          )}
        </p>
      )}
      {cause !== '' && (
        <p className="mt-1 border-l-[3px] border-fails pl-3" aria-live="polite">
          {inUnits(cause, build.units)}
        </p>
      )}
      {adopts && measurable && canRead(build, adopts) && (
        <p className="mt-1 flex flex-wrap items-center gap-2" data-trace-adopts>
          <span className="flex-1">
            {findDevice(build, adopts.subjectId)?.name}, {measurable.label.toLowerCase()}:{' '}
            <b className="font-semibold tabular-nums">{say(adopts.value, measurable.dimension)}</b>
            <span className="text-soft">
              {' '}
              ({adopts.how}
              {designedValue(build, adopts.subjectId, adopts.field) !== null &&
                `; designed ${say(designedValue(build, adopts.subjectId, adopts.field)!, measurable.dimension)}`}
              )
            </span>
          </span>
          {adopted ? (
            <span className="text-soft">Adopted</span>
          ) : (
            <Action
              onPress={() =>
                dispatch({
                  edit: 'addReading',
                  input: {
                    reading: {
                      id: freshId(),
                      subjectId: adopts.subjectId,
                      field: adopts.field,
                      value: adopts.value,
                      conditions: `fit of the trace ${trace.name}`.slice(0, 200),
                      date: today(),
                      by: '',
                    },
                    adopt: true,
                  },
                })
              }
            >
              Adopt as measured
            </Action>
          )}
        </p>
      )}
    </div>
  );
}

function FitFigures({ fit, build, dimension }: { fit: TraceFit; build: Build; dimension: Dimension }) {
  return (
    <>
      <div className="grid gap-x-8 min-[700px]:grid-cols-2">
        <FigureRow label="Time constant" value={fit.tauS} dimension="time" system={build.units} />
        <FigureRow label="uncertain by" value={fit.tauErrorS} dimension="time" system={build.units} significant={2} />
        <FigureRow label="Tends to" value={fit.end} dimension={dimension} system={build.units} />
        <FigureRow label="Left over, rms" value={fit.rms} dimension={dimension} system={build.units} significant={2} />
      </div>
      <p className="text-small text-soft">
        {fit.points} points over {fit.spans.toFixed(1)} time constants; v = end + (begin − end) · e^(−t/τ), least
        squares.
      </p>
    </>
  );
}
