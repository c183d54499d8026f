'use client';
import type { Assessment } from '@/core/assess';
import { type Ancillary, type AncillaryFlag, type LoadJob, SCHOOL_CHOICES, type SchoolId } from '@/core/build';
import { formatQuantity } from '@/core/quantities';
import { usualLoads } from '@/core/remedies';
import { lowVoltage } from '@/core/vehicle';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { CHOICE_WORDS } from '../shell/school-words';
import { YesNo } from '../shell/yes-no';

/** What the pages of this station share. */

export function DesignChoice({ assessment: { build }, id }: { assessment: Assessment; id: SchoolId }) {
  const dispatch = useBench((bench) => bench.dispatch);
  return (
    <ChoiceField
      label="Design choice"
      value={build.schools[id] ?? null}
      empty="not entered"
      choices={SCHOOL_CHOICES[id].map((value) => ({
        value,
        label: (CHOICE_WORDS[id] as Readonly<Record<string, string>>)[value]!,
      }))}
      onChoose={(value) => dispatch({ edit: 'setSchool', input: { [id]: value } })}
    />
  );
}

export function Answers<A extends Ancillary>({
  assessment: { build },
  system,
  questions,
}: {
  assessment: Assessment;
  system: A;
  questions: readonly (readonly [AncillaryFlag<A>, string])[];
}) {
  const dispatch = useBench((bench) => bench.dispatch);
  const told = build[system] as Readonly<Record<string, boolean | undefined>> | undefined;
  return questions.map(([flag, label]) => (
    <YesNo
      key={flag}
      label={label}
      value={told?.[flag]}
      onAnswer={(is) => dispatch({ edit: 'answerAncillary', input: { system, flag, is } })}
    />
  ));
}

/** What a system asks of the 12-volt side, as one line; what is not there yet is put there by one press. */
export function LowLine({ assessment: { vehicle, build }, job }: { assessment: Assessment; job: LoadJob }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const loads = lowVoltage(vehicle).loads.filter(({ load }) => load.job === job);
  const text = (value: number, kind: string) =>
    formatQuantity({ value, dimension: kind === 'constant-current' ? 'current' : 'power' }, build.units, 3).text;
  const add = () => {
    const lacking = usualLoads(build, vehicle, freshId()).filter(({ load }) => load.job === job);
    if (lacking.length > 0) dispatch({ edit: 'addLowLoads', input: { loads: lacking } });
  };
  return (
    <div className="mt-2 border-l-[3px] border-lv pl-3">
      {loads.length === 0 ? (
        <>
          <p>Nothing of it stands in the 12-volt schedule yet.</p>
          <Action look="quiet" onPress={add}>
            Add it with fuse and wire
          </Action>
        </>
      ) : (
        <p>
          Asks of 12 V:{' '}
          {loads
            .map(
              ({ name, load }) =>
                `${name} ${text(load.rating, load.kind)}${load.peakRating === undefined ? '' : `, ${text(load.peakRating, load.kind)} at its hardest`}${load.essential ? ', essential' : ''}`,
            )
            .join('; ')}
          .
        </p>
      )}
    </div>
  );
}
