'use client';
import type { Assessment } from '@/core/assess';
import { SCHOOL_CHOICES, type SchoolId, type Schools } from '@/core/build';
import { say } from '@/core/checks';
import { SCHOOL_WORDS } from '@/core/stations/survey';
import { useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { VerdictMark } from '@/ui/verdict-mark';
import { CHOICE_WORDS } from '../shell/school-words';
import { shapeOf } from '../shell/shape';

/** One matter on which the trade disagrees, and what the choice asks of this build. */
export function SchoolField({ assessment, school }: { assessment: Assessment; school: SchoolId }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build, checks } = assessment;
  const words = CHOICE_WORDS[school] as Readonly<Record<string, string>>;
  const check = checks.find(({ id, subject }) => id === 'survey.school' && subject.id === `school-${school}`);
  return (
    <div>
      <ChoiceField
        label={SCHOOL_WORDS[school]}
        value={build.schools[school] ?? null}
        empty="not entered"
        choices={SCHOOL_CHOICES[school].map((value) => ({ value, label: words[value]! }))}
        onChoose={(value) => dispatch({ edit: 'setSchool', input: { [school]: value } as Partial<Schools> })}
      />
      {check && (
        <p className="flex items-center justify-end gap-1.5 pb-1 text-note text-soft">
          <VerdictMark shape={shapeOf(check.verdict)} size={11} />
          {say(check, build.units).line}
        </p>
      )}
      {!check && build.schools[school] !== undefined && (
        <p className="pb-1 text-right text-note text-soft">Recorded: no check of its own rests on it.</p>
      )}
    </div>
  );
}
