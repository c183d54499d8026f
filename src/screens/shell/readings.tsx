'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { type Build, designedValue, type Measurable, measurablesOf, oddTimes, type Reading } from '@/core/build';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Fold } from '@/ui/fold';
import { QuantityField } from '@/ui/quantity-field';
import { TextField } from '@/ui/text-field';

const ReadingChart = dynamic(() => import('./reading-chart'), {
  ssr: false,
  loading: () => <div className="h-[150px]" />,
});

/** What is read with leads. */
const LEADS: ReadonlySet<string> = new Set(['resistance', 'capacitance', 'voltage', 'current']);

/** The day where the hand is: east of Greenwich it comes earlier. Swedish writes it as files do. */
const today = () => new Date().toLocaleDateString('sv-SE');
const says = (value: number, { dimension }: Measurable, system: UnitSystem) =>
  formatQuantity({ value, dimension }, system, 4).text;
const tooLong = (most: number) => (text: string) =>
  text.length > most ? `That is more than ${most} characters: say it shorter.` : null;

/** Why a day can’t be that of a reading; null: it can. */
export function noDay(text: string, now = today()): string | null {
  if (!/^\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])$/.test(text)) return 'Write the day as 2026-05-02.';
  return text > now ? `${text} is still to come: a reading has a day that has been.` : null;
}

interface Draft {
  readonly field: string | null;
  readonly value: number | null;
  readonly conditions: string;
  readonly instrument: string;
  readonly by: string;
  readonly date: string;
}

/** What a meter showed of one thing: written down, and taken for true where one likes. */
export function ReadingForm({ build, subjectId }: { build: Build; subjectId: string }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const [draft, setDraft] = useState<Draft>(() => ({
    field: null,
    value: null,
    conditions: '',
    instrument: '',
    by: '',
    date: today(),
  }));
  const change = (more: Partial<Draft>) => setDraft({ ...draft, ...more });
  const choices = measurablesOf(build, subjectId);
  const chosen = choices.find(({ field }) => field === draft.field);
  const designed = chosen ? designedValue(build, subjectId, chosen.field) : null;
  const times =
    chosen && draft.value !== null ? oddTimes(build, { subjectId, field: chosen.field, value: draft.value }) : null;
  if (choices.length === 0)
    return <p className="text-soft">Nothing of it is read with a meter, as far as Ropeway uses it.</p>;
  const keep = (adopt: boolean) => {
    if (!chosen || draft.value === null) return;
    const { value, conditions, instrument, by, date } = draft;
    const reading: Reading = {
      id: freshId(),
      subjectId,
      field: chosen.field,
      value,
      conditions,
      date,
      by,
      ...(instrument === '' ? {} : { instrument }),
    };
    if (dispatch({ edit: 'addReading', input: { reading, adopt } })) change({ value: null });
  };
  return (
    <>
      <ChoiceField
        label="Figure"
        value={draft.field}
        empty="choose what was read"
        choices={choices.map(({ field, label }) => ({ value: field, label }))}
        onChoose={(field) => change({ field, value: null })}
      />
      {chosen && (
        <>
          <QuantityField
            key={chosen.field}
            label="The meter shows"
            dimension={chosen.dimension}
            system={build.units}
            value={draft.value}
            empty="with its unit"
            note={designed === null ? 'nothing designed' : `designed ${says(designed, chosen, build.units)}`}
            onCommit={(value) => change({ value })}
          />
          {times !== null && (
            <p className="mt-1 border-l-[3px] border-thin pl-3" role="alert">
              {`${Number(times.toPrecision(2))} times what is designed: is the unit right${LEADS.has(chosen!.dimension) ? ', are the leads clean' : ''}? Adopted it is asked once more.`}
            </p>
          )}
          <TextField
            label="Conditions"
            value={draft.conditions}
            empty="temperature, charge, rested how long"
            wide
            clears
            refuse={tooLong(500)}
            onCommit={(conditions) => change({ conditions })}
          />
          <TextField
            label="Read with"
            value={draft.instrument}
            empty="instrument"
            clears
            refuse={tooLong(120)}
            onCommit={(instrument) => change({ instrument })}
          />
          <TextField
            label="By"
            value={draft.by}
            empty="name"
            clears
            refuse={tooLong(120)}
            onCommit={(by) => change({ by })}
          />
          <TextField label="Day" value={draft.date} refuse={noDay} onCommit={(date) => change({ date })} />
          <div className="mt-2 flex flex-wrap gap-2">
            <Action look="strong" disabled={draft.value === null} onPress={() => keep(true)}>
              Write down and take for true
            </Action>
            <Action disabled={draft.value === null} onPress={() => keep(false)}>
              Only write down
            </Action>
          </div>
        </>
      )}
    </>
  );
}

/** Every reading of one figure, newest first, beside what is designed; adopt, retire, confirm, strike out. */
export function Series({ build, subjectId, measurable }: { build: Build; subjectId: string; measurable: Measurable }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { field, label } = measurable;
  const series = readingsOf(build, subjectId, field);
  const taken = Object.values(build.adoptions).find((one) => one.subjectId === subjectId && one.field === field);
  const designed = designedValue(build, subjectId, field);
  return (
    <section aria-label={label} className="mt-3">
      <h4 className="flex flex-wrap items-baseline justify-between gap-x-3">
        <b className="font-semibold">{label}</b>
        <span className="text-note text-soft">
          {designed === null ? 'nothing designed' : `designed ${says(designed, measurable, build.units)}`}
          {taken && (
            <>
              {' · '}
              <Action
                look="quiet"
                onPress={() => dispatch({ edit: 'dropAdopted', input: { subjectIds: [subjectId], field } })}
              >
                As designed again
              </Action>
            </>
          )}
        </span>
      </h4>
      {series.length > 1 && (
        <ReadingChart measurable={measurable} series={series} designed={designed} system={build.units} />
      )}
      <ul>
        {[...series].reverse().map((reading) => (
          <Line
            key={reading.id}
            build={build}
            reading={reading}
            measurable={measurable}
            taken={taken?.readingId === reading.id}
          />
        ))}
      </ul>
    </section>
  );
}

function Line({
  build,
  reading,
  measurable,
  taken,
}: {
  build: Build;
  reading: Reading;
  measurable: Measurable;
  taken: boolean;
}) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { id, value, date, conditions, by, instrument, confirmed } = reading;
  const shown = says(value, measurable, build.units);
  const odd = !confirmed && oddTimes(build, reading) !== null;
  return (
    <li className="flex flex-wrap items-baseline gap-x-3 border-b border-rule/70 py-1">
      <b className="min-w-[88px] text-lead font-semibold tabular-nums">{shown}</b>
      <span className="tabular-nums text-soft">{date}</span>
      {taken && <b className="text-small font-semibold">counts</b>}
      {odd && <span className="text-small text-thin">far from what is designed</span>}
      <span className="min-w-0 flex-1 text-note text-soft">
        {[conditions, instrument, by].filter(Boolean).join(', ')}
      </span>
      <span className="ml-auto flex flex-wrap gap-1">
        {odd && (
          <Action look="quiet" onPress={() => dispatch({ edit: 'confirmReading', input: { readingId: id } })}>
            Read again: it is so
          </Action>
        )}
        {!taken && (
          <Action
            look="quiet"
            label={`Take ${shown} of ${date} for true`}
            onPress={() => dispatch({ edit: 'adoptReading', input: { adoptionId: freshId(), readingId: id } })}
          >
            Take for true
          </Action>
        )}
        <Action
          look="quiet"
          label={`Strike out ${shown} of ${date}`}
          onPress={() => dispatch({ edit: 'dropReading', input: { readingId: id } })}
        >
          Strike out
        </Action>
      </span>
    </li>
  );
}

/** Of one figure, in the order in which they were made. */
const readingsOf = (build: Build, subjectId: string, field: string): readonly Reading[] =>
  Object.values(build.readings)
    .filter((one) => one.subjectId === subjectId && one.field === field)
    .sort((p, q) => p.date.localeCompare(q.date));

/** Figures of a thing that were read at least once. */
export const readFigures = (build: Build, subjectId: string): readonly Measurable[] => {
  const read = new Set(
    Object.values(build.readings).flatMap((one) => (one.subjectId === subjectId ? [one.field] : [])),
  );
  return measurablesOf(build, subjectId).filter(({ field }) => read.has(field));
};

/** Readings of the thing that is looked at, folded under its figures. */
export function MeasuredFold({ build, subjectId }: { build: Build; subjectId: string }) {
  const figures = readFigures(build, subjectId);
  const counts = Object.values(build.adoptions).filter((one) => one.subjectId === subjectId).length;
  if (measurablesOf(build, subjectId).length === 0) return null;
  return (
    <Fold
      className="mt-2"
      head={
        <>
          Measured
          {figures.length > 0 && (
            <span className="text-note text-soft">
              {' '}
              {figures.length === 1 ? 'one figure' : `${figures.length} figures`}
              {counts > 0 ? `, ${counts} of them counts` : ''}
            </span>
          )}
        </>
      }
    >
      <ReadingForm build={build} subjectId={subjectId} />
      {figures.map((measurable) => (
        <Series key={measurable.field} build={build} subjectId={subjectId} measurable={measurable} />
      ))}
    </Fold>
  );
}
