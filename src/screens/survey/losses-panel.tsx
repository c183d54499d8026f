'use client';
import type { Assessment } from '@/core/assess';
import { LOSSES, type LossId, type LossState, type SchoolId } from '@/core/build';
import { say } from '@/core/checks';
import { LOSS_WORDS } from '@/core/stations/survey';
import { useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { Caution, Panel } from '@/ui/panel';
import { VerdictMark } from '@/ui/verdict-mark';
import { shapeOf } from '../shell/shape';
import { SchoolField } from './school-field';

const STATE_WORDS: readonly (readonly [LossState, string])[] = [
  ['had', 'ran off the engine'],
  ['none', 'it never had one'],
  ['dropped', 'done without'],
];
/** How a loss can be replaced is a school of its own. */
const REPLACED_BY: Partial<Readonly<Record<LossId, SchoolId>>> = {
  'brake-vacuum': 'brakes',
  'steering-pump': 'steering',
  'heater-matrix': 'heating',
};

/** The walk through everything that ran off the engine; each "had" stays open until something replaces it. */
export function LossesPanel({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build, checks } = assessment;
  const { losses } = build;
  const answered = LOSSES.filter((loss) => losses?.[loss] !== undefined).length;
  return (
    <Panel title="Functions lost with the engine" about={`${answered} of ${LOSSES.length} answered`}>
      <div className="grid gap-x-8 min-[900px]:grid-cols-2">
        {LOSSES.map((loss) => {
          const state = losses?.[loss];
          const check = checks.find(({ id, subject }) => id === 'survey.loss' && subject.id === loss);
          const school = REPLACED_BY[loss];
          return (
            <div key={loss} className="mb-2">
              <ChoiceField
                label={LOSS_WORDS[loss]}
                value={state ?? null}
                empty="not answered"
                choices={STATE_WORDS.map(([value, label]) => ({ value, label }))}
                onChoose={(value) => dispatch({ edit: 'setLoss', input: { loss, state: value as LossState } })}
              />
              {state === 'had' && check && (
                <p className="flex items-center justify-end gap-1.5 pb-1 text-note text-soft">
                  <VerdictMark shape={shapeOf(check.verdict)} size={11} />
                  {say(check, build.units).line}
                </p>
              )}
              {state === 'had' && school && (
                <div className="ml-5 border-l-2 border-rule pl-3">
                  <SchoolField assessment={assessment} school={school} />
                </div>
              )}
            </div>
          );
        })}
      </div>
      <div className="mt-3">
        <Caution>
          Brakes and steering that lose their assist are heavier at once: no trip before they are replaced and a
          licensed person has inspected them.
        </Caution>
      </div>
    </Panel>
  );
}
