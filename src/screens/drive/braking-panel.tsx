'use client';
import type { Assessment } from '@/core/assess';
import type { Regeneration } from '@/core/build';
import { formatQuantity } from '@/core/quantities';
import { inverterPowerW, motorOf } from '@/core/vehicle';
import { useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { Caution, Panel } from '@/ui/panel';
import { FigureSetting } from '../shell/figure-setting';

const ASKED: readonly { readonly value: NonNullable<Regeneration['asked']>; readonly label: string }[] = [
  { value: 'none', label: 'not at all' },
  { value: 'brake-pedal', label: 'with the brake pedal' },
  { value: 'lift-off', label: 'when the foot comes off the pedal' },
];

/** How the motor brakes, and what the car behind sees of it. */
export function BrakingPanel({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build, trip } = assessment;
  const kind = motorOf(build)?.part?.motorKind;
  const { asked, lampLit, share, torqueShare } = build.regeneration ?? {};
  if (kind === 'series-dc')
    return (
      <Panel title="Braking by the motor">
        <p className="text-soft">A series motor as usually fitted gives nothing back: the brakes do all of it.</p>
      </Panel>
    );
  return (
    <Panel title="Braking by the motor" about="as the controller is set">
      <ChoiceField
        label="It brakes"
        value={asked ?? null}
        empty="not entered"
        choices={[...ASKED]}
        onChoose={(value) => dispatch({ edit: 'setRegeneration', input: { asked: value as 'none' } })}
      />
      {asked !== 'none' && (
        <>
          {asked === 'lift-off' && (
            <ChoiceField
              label="Its controller lights the brake lamps"
              value={lampLit === undefined ? null : lampLit ? 'yes' : 'no'}
              empty="not entered"
              choices={[
                { value: 'yes', label: 'yes' },
                { value: 'no', label: 'no' },
              ]}
              onChoose={(value) => dispatch({ edit: 'setRegeneration', input: { lampLit: value === 'yes' } })}
            />
          )}
          <FigureSetting
            build={build}
            figure="regenerationPower"
            note={
              build.duty.regenerationPowerW === undefined
                ? `assumed ${formatQuantity({ value: -inverterPowerW(build, 'regeneration'), dimension: 'power' }, build.units, 3).text}, two fifths of hard acceleration`
                : 'most into the battery'
            }
          />
          <FigureSetting
            build={build}
            figure="regenTorque"
            note={torqueShare === undefined ? 'assumed all of it' : ''}
          />
          <FigureSetting build={build} figure="regenShare" note={share === undefined ? 'assumed 60 %' : ''} />
          {trip && (
            <p className="mt-1 text-note text-soft">
              Hardest on the usual trip:{' '}
              {formatQuantity({ value: trip.mild.regenMostMPerS2, dimension: 'acceleration' }, build.units, 2).text}.
              Nothing goes back above 97 % charge, into cells below{' '}
              {formatQuantity({ value: 2, dimension: 'temperature' }, build.units).text}, or slower than a walk.
            </p>
          )}
          <div className="mt-2">
            <Caution>On a slippery road braking on one axle alone makes it slide: try it where nobody is.</Caution>
          </div>
        </>
      )}
    </Panel>
  );
}
