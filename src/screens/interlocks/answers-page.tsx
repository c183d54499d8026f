'use client';
import type { Assessment } from '@/core/assess';
import { type ControlFlag, REMOTE_STOPS, type RemoteStop, SCHOOL_CHOICES, type SchoolOf } from '@/core/build';
import { useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { Caution, Panel } from '@/ui/panel';
import { FigureSetting } from '../shell/figure-setting';
import { CHOICE_WORDS } from '../shell/school-words';
import { YesNo } from '../shell/yes-no';
import { PropertiesPanel } from './properties-panel';
import { GROUPS, QUESTIONS, REMOTE_WORDS } from './question-words';
import { StoriesPanel } from './stories-panel';

/** Who commands, and what the control heeds: only what this design raises is asked. */
export function AnswersPage({ assessment, onPlay }: { assessment: Assessment; onPlay: (id: string) => void }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build, results } = assessment;
  const { asked, untold, lacks } = results.interlocks;
  const is = (flag: ControlFlag) => asked.includes(flag);
  return (
    <>
      <StoriesPanel assessment={assessment} onPlay={onPlay} />
      <div className="mt-3 gap-3 min-[1080px]:columns-2 [&>*]:mb-3 [&>*]:break-inside-avoid">
        <Panel title="Who commands" about={lacks ? `first ${lacks}` : `${untold.length} answers open`}>
          <ChoiceField
            label="Design choice"
            value={build.schools.command ?? null}
            empty="not entered"
            choices={SCHOOL_CHOICES.command.map((value) => ({ value, label: CHOICE_WORDS.command[value] }))}
            onChoose={(value) => dispatch({ edit: 'setSchool', input: { command: value as SchoolOf<'command'> } })}
          />
          <ChoiceField
            label="A stop that can be unplugged"
            value={build.controls?.remoteStop ?? null}
            empty="there is none"
            choices={REMOTE_STOPS.map((value) => ({ value, label: REMOTE_WORDS[value] }))}
            onChoose={(value) => dispatch({ edit: 'setRemoteStop', input: { remoteStop: value as RemoteStop } })}
          />
          <p className="mt-2 text-note text-soft">
            What is answered here is what the control does by its program and wiring. A question without an answer
            counts as no.
          </p>
        </Panel>
        {GROUPS.map(([title, about, flags]) =>
          flags.some(is) ? (
            <Panel key={title} title={title} about={about}>
              {flags.filter(is).map((flag) => (
                <YesNo
                  key={flag}
                  label={QUESTIONS[flag]}
                  value={build.controls?.[flag]}
                  onAnswer={(answer) => dispatch({ edit: 'answerControl', input: { flag, is: answer } })}
                />
              ))}
            </Panel>
          ) : null,
        )}
        <Panel title="Figures of the control" about="wanted of its settings, tried in Play">
          <FigureSetting build={build} figure="pedalRest" />
          <FigureSetting build={build} figure="pedalFull" />
          <FigureSetting build={build} figure="pedalLow" />
          <FigureSetting build={build} figure="pedalHigh" />
          <FigureSetting build={build} figure="torqueRamp" />
          <FigureSetting build={build} figure="economy" note="of the torque" />
          <FigureSetting build={build} figure="regenLow" note="of the peak torque" />
          <FigureSetting build={build} figure="regenEndSpeed" />
          <FigureSetting build={build} figure="openBelow" />
          <FigureSetting build={build} figure="wakeTime" />
          <FigureSetting build={build} figure="stepTime" />
          <FigureSetting build={build} figure="messageTime" />
          <FigureSetting build={build} figure="timeout" />
        </Panel>
        <PropertiesPanel assessment={assessment} />
      </div>
      <div className="mt-3">
        <Caution>
          Proved here is the design as it was told. Wheels off the ground, or no torque: try every stop, every lock and
          a pulled plug of each sensor on the car before it drives.
        </Caution>
      </div>
    </>
  );
}
