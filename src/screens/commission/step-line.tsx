'use client';
import Link from 'next/link';
import type { Assessment } from '@/core/assess';
import { canRead, designedValue, findConductor, findDevice, measurableOf, own, type StepResult } from '@/core/build';
import { formatQuantity, inUnits } from '@/core/quantities';
import {
  DEAD_FIRST,
  entryOfNote,
  entryOfReading,
  entryOfSkip,
  entryUnskipped,
  type SheetLine,
} from '@/core/stations/commission';
import { freshId, newestBuild, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Fold } from '@/ui/fold';
import { QuantityField } from '@/ui/quantity-field';
import { TextField } from '@/ui/text-field';
import { VerdictMark } from '@/ui/verdict-mark';
import { dayText, today } from '../shell/days';
import { pickHref, stationHref } from '../shell/stations';
import { bandText, STATE_MARK, STATE_WORDS } from './commission-words';
import { MeterFields } from './meter-fields';

/** One test: where to put the probes, what it should read, what it read, what to suspect. */
export function StepLine({
  line,
  assessment,
  by,
  locked,
  onTouch,
}: {
  line: SheetLine;
  assessment: Assessment;
  by: string;
  /** An earlier sheet is not done: this one is read, not filled in. */
  locked: boolean;
  /** Something is being entered here. */
  onTouch: () => void;
}) {
  const { build } = assessment;
  const { step, result, state, read, hint } = line;
  const dispatch = useBench((bench) => bench.dispatch);
  const keep = (entry: StepResult) => {
    onTouch();
    return dispatch({ edit: 'putInCommission', input: { list: 'results', entries: [entry] } });
  };
  const newest = () => newestBuild() ?? build;
  const known = () => own(newest().commission?.results ?? {}, step.id) ?? null;
  const who = { by, date: today() };
  const put = (read: Parameters<typeof entryOfReading>[3]) =>
    keep(entryOfReading(newest(), { step, result: known() }, who, read));
  const note = (more: Parameters<typeof entryOfNote>[1]) => {
    const standing = known();
    if (standing) keep(entryOfNote(standing, more));
  };
  const clear = () => dispatch({ edit: 'dropFromCommission', input: { list: 'results', id: step.id } });
  const system = build.units;
  const say = (text: string) => inUnits(text, system);
  const band = bandText(step, system);
  return (
    <li data-step={step.id} data-state={state} className="border-t border-rule/70 py-2 first:border-t-0">
      <div className="flex items-start gap-2">
        <span className="mt-1">
          <VerdictMark shape={STATE_MARK[state]} size={13} />
        </span>
        <div className="min-w-0 flex-1">
          <h3 className="font-semibold leading-tight">
            {step.name}
            <span className="ml-2 font-normal text-small text-soft">{STATE_WORDS[state]}</span>
          </h3>
          <p className="text-small">
            <span className="text-soft">Probes:</span> {say(step.where)}
            {step.switches !== '' && (
              <>
                . <span className="text-soft">Switches:</span> {say(step.switches)}
              </>
            )}
          </p>
          {band !== null && (
            <p className="text-small">
              <span className="text-soft">Reads</span> <b className="font-semibold tabular-nums">{band}</b>
              <span className="text-soft"> – {say(step.from)}</span>
            </p>
          )}
          {step.lacks !== null && (
            <p className="text-small text-soft">No band: the model lacks {say(step.lacks)}. Read it all the same.</p>
          )}
          {(step.dead || step.caution !== null || step.two) && (
            <p className="mt-1 border-l-[3px] border-ink pl-2 text-small">
              {step.two && <b className="font-semibold">Two people. </b>}
              {step.caution}
              {step.dead && ` ${DEAD_FIRST}`}
            </p>
          )}
        </div>
      </div>
      <div className="pl-5">
        {!locked && (
          <>
            {step.dimension === null ? (
              <div className="mt-2 flex gap-2">
                {([true, false] as const).map((ok) => (
                  <button
                    key={String(ok)}
                    type="button"
                    aria-pressed={result?.ok === ok}
                    aria-label={`${step.name}: ${ok ? 'as it should be' : 'not so'}`}
                    onClick={() => put({ ok })}
                    className="min-h-12 flex-1 rounded-[3px] border border-rule bg-panel px-3 font-tight text-lead aria-pressed:border-[1.5px] aria-pressed:border-ink aria-pressed:font-semibold"
                  >
                    {ok ? 'As it should be' : 'Not so'}
                  </button>
                ))}
              </div>
            ) : (
              <QuantityField
                label={step.name.length > 40 ? 'The meter shows' : `${step.name}: the meter shows`}
                dimension={step.dimension}
                system={system}
                value={read}
                empty="with its unit"
                onCommit={(value) => put({ value })}
                onClear={clear}
              />
            )}
            {step.byVoltmeter && <MeterFields step={step} result={result} build={build} onPut={put} />}
          </>
        )}
        {state === 'out' && (
          <p className="mt-1 border-l-[3px] border-fails pl-3" aria-live="polite" data-hint>
            <b className="font-semibold">
              {line.side === 'low' ? 'Too low. ' : line.side === 'high' ? 'Too high. ' : 'Not so. '}
            </b>
            {hint}
          </p>
        )}
        {state === 'open' && hint !== '' && (
          <p className="mt-1 border-l-[3px] border-thin pl-3" aria-live="polite">
            {hint}
          </p>
        )}
        {result?.skipped !== undefined && (
          <p className="mt-1 text-small">
            <span className="text-soft">Skipped, because:</span> {result.skipped}
          </p>
        )}
        <Adopt line={line} assessment={assessment} by={by} />
        <Fold
          head={
            <span className="text-small text-soft">
              {result ? `${dayText(result.date)}${result.by ? `, ${result.by}` : ''}` : 'Skip it, or note more'}
              {result?.note ? ` – ${result.note}` : ''}
            </span>
          }
        >
          <div className="grid gap-x-8 pb-1 min-[700px]:grid-cols-2">
            <TextField
              label="Skipped, because"
              value={result?.skipped ?? ''}
              empty="it is not skipped"
              wide
              clears
              onCommit={(text) => {
                const standing = known();
                if (text !== '') keep(entryOfSkip(newest(), { ...line, result: standing }, who, text));
                else if (standing) {
                  const left = entryUnskipped(standing);
                  if (left) keep(left);
                  else clear();
                }
              }}
            />
            {result && (
              <>
                <TextField
                  label="Note"
                  value={result.note ?? ''}
                  empty="photo by its file name, weather, what was done"
                  wide
                  clears
                  onCommit={(text) => note({ note: text })}
                />
                <TextField
                  label="Read with"
                  value={result.instrument ?? ''}
                  empty="instrument"
                  clears
                  onCommit={(instrument) => note({ instrument })}
                />
                <TextField label="On" value={result.date} onCommit={(date) => note({ date })} />
              </>
            )}
            <p className="flex flex-wrap gap-2">
              {step.subjectId !== null &&
                (findDevice(build, step.subjectId) ?? findConductor(build, step.subjectId)) && (
                  <Link
                    prefetch={false}
                    href={
                      build.circuits.hv.devices[step.subjectId] || build.circuits.hv.conductors[step.subjectId]
                        ? pickHref('hv-circuit', build.id, step.subjectId)
                        : stationHref('low-voltage', build.id)
                    }
                    className="flex min-h-8 items-center px-2 text-small underline-offset-4 hover:underline"
                  >
                    On the drawing
                  </Link>
                )}
              {result && (
                <Action look="quiet" onPress={clear} label={`${step.name}: take it off the sheet`}>
                  Take it off the sheet
                </Action>
              )}
              {step.own && (
                <Action
                  look="quiet"
                  onPress={() => dispatch({ edit: 'dropFromCommission', input: { list: 'ownTests', id: step.id } })}
                >
                  Drop this test
                </Action>
              )}
            </p>
          </div>
        </Fold>
      </div>
    </li>
  );
}

/** What was read takes the place of what was assumed behind it: the expected values move. */
function Adopt({ line, assessment, by }: { line: SheetLine; assessment: Assessment; by: string }) {
  const { build } = assessment;
  const { step, read } = line;
  const dispatch = useBench((bench) => bench.dispatch);
  const { adopts } = step;
  const value = adopts && read !== null ? adopts.value(read) : null;
  if (!adopts || value === null) return null;
  const { subjectId, field } = adopts;
  const measurable = measurableOf(build, subjectId, field);
  if (!measurable || !canRead(build, { subjectId, field, value })) return null;
  const adopted = Object.values(build.adoptions).find((one) => one.subjectId === subjectId && one.field === field);
  const standing = adopted ? build.readings[adopted.readingId]?.value : undefined;
  // What is adopted already needs no press; a sliver beside it neither.
  if (standing !== undefined && Math.abs(standing - value) <= 1e-3 * Math.abs(value)) return null;
  const designed = designedValue(build, subjectId, field);
  const say = (one: number) => formatQuantity({ value: one, dimension: measurable.dimension }, build.units, 3).text;
  const of = findDevice(build, subjectId)?.name ?? 'the vehicle';
  return (
    <p className="mt-1 flex flex-wrap items-center gap-2 text-small">
      <span>
        {of}, {measurable.label.toLowerCase()}: {designed === null ? 'nothing designed' : `designed ${say(designed)}`},
        by this reading <b className="font-semibold tabular-nums">{say(value)}</b>.
      </span>
      <Action
        label={`Adopt ${say(value)} as measured: ${of}`}
        onPress={() =>
          dispatch({
            edit: 'addReading',
            input: {
              reading: {
                id: freshId(),
                subjectId,
                field,
                value,
                conditions: step.name,
                date: today(),
                by,
              },
              adopt: true,
            },
          })
        }
      >
        Adopt as measured
      </Action>
    </p>
  );
}
