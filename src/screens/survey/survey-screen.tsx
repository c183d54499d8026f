'use client';
import type { Assessment } from '@/core/assess';
import { BODY_TYPES, type BodyType, LOSSES, type LossState, type VehicleData } from '@/core/build';
import { parseTyre } from '@/core/physics/tyre';
import { formatQuantity } from '@/core/quantities';
import { RULE_SETS, ruleSetOf } from '@/core/rules';
import { LOSS_STATION, LOSS_WORDS } from '@/core/stations/survey';
import { BODY_FIGURES, roadModel } from '@/core/vehicle';
import { useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { FigureRow } from '@/ui/figure-row';
import { Caution, Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { TextField } from '@/ui/text-field';
import { FigureSetting } from '../shell/figure-setting';
import { SheetHead, Shell } from '../shell/shell';
import { ChassisPanel, SupplyPanel } from './chassis-panel';
import { FoundPanel, OldPartsPanel } from './found-panel';
import { OwnLimits } from './own-limits';

const START_WORDS: Readonly<Record<NonNullable<VehicleData['startingPoint']>, string>> = {
  'engine-out': 'the engine comes out',
  extend: 'an electric vehicle gets more, or another pack or drive',
  repair: 'a repair',
};

export function SurveyScreen() {
  return <Shell station="survey" sheet={({ assessment }) => <SurveySheet assessment={assessment} />} />;
}

function SurveySheet({ assessment }: { assessment: Assessment }) {
  return (
    <>
      <SheetHead station="survey" />
      <div className="grid items-start gap-3 min-[1080px]:grid-cols-2">
        <div className="space-y-3">
          <Vehicle assessment={assessment} />
          <SupplyPanel assessment={assessment} />
          <Frame assessment={assessment} />
        </div>
        <div className="space-y-3">
          <Duty assessment={assessment} />
          <FoundPanel assessment={assessment} />
          <OldPartsPanel assessment={assessment} />
        </div>
      </div>
      <div className="mt-3 space-y-3">
        <ChassisPanel assessment={assessment} />
        <Losses assessment={assessment} />
      </div>
    </>
  );
}

function Vehicle({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build } = assessment;
  const { vehicle } = build;
  const model = roadModel(build);
  const body = BODY_FIGURES[vehicle.body ?? 'saloon'];
  /** What stands in for a figure that nobody told, once the shape is. */
  const like = (figure: 'massEmpty' | 'payload' | 'wheelbase', value: number, dimension: 'mass' | 'length'): string => {
    const told = { massEmpty: vehicle.massEmptyKg, payload: vehicle.payloadKg, wheelbase: vehicle.wheelbaseM }[figure];
    if (vehicle.body === undefined || (told !== null && told !== undefined)) return '';
    return `assumed ${formatQuantity({ value, dimension }, build.units).text}, as a ${vehicle.body}`;
  };
  return (
    <Panel title="Vehicle" about="measured where you can; the rest is assumed and says so">
      <TextField
        label="What it is"
        value={vehicle.description}
        empty="maker’s name is not needed"
        onCommit={(description) => dispatch({ edit: 'describeVehicle', input: { description } })}
      />
      <ChoiceField
        label="Where it starts"
        value={vehicle.startingPoint ?? 'engine-out'}
        choices={Object.entries(START_WORDS).map(([value, label]) => ({ value, label }))}
        onChoose={(value) =>
          dispatch({ edit: 'setStartingPoint', input: { startingPoint: value as keyof typeof START_WORDS } })
        }
      />
      <ChoiceField
        label="Shape"
        value={vehicle.body ?? null}
        empty="as a saloon"
        choices={BODY_TYPES.map((value) => ({ value, label: value }))}
        onChoose={(value) => dispatch({ edit: 'setBody', input: { body: value as BodyType } })}
      />
      <FigureSetting
        build={build}
        figure="massEmpty"
        note={like('massEmpty', body.massEmptyKg, 'mass') || 'ready to drive, converted; weigh it'}
      />
      <FigureSetting
        build={build}
        figure="payload"
        note={
          vehicle.payloadKg !== undefined
            ? ''
            : vehicle.grossMassKg !== null
              ? 'assumed: up to the gross limit'
              : like('payload', body.payloadKg, 'mass')
        }
      />
      <FigureSetting build={build} figure="massGross" />
      <FigureSetting build={build} figure="wheelbase" note={like('wheelbase', body.wheelbaseM, 'length')} />
      <TextField
        label="Tyres"
        value={vehicle.tyre ?? ''}
        empty={vehicle.body && !vehicle.tyre ? `assumed ${body.tyre}` : 'as on the side wall: 185/80R14'}
        refuse={(text) => {
          const answer = parseTyre(text);
          return answer.ok ? null : answer.reason;
        }}
        onCommit={(tyre) => dispatch({ edit: 'setTyre', input: { tyre } })}
      />
      <TextField
        label="Gears, first one first"
        value={(vehicle.gearRatios ?? []).join('; ')}
        empty={
          vehicle.body && !vehicle.gearRatios && vehicle.finalDriveRatio === undefined
            ? `assumed ${body.gearRatios.join('; ')}`
            : 'one ratio only'
        }
        refuse={(text) =>
          gears(text) ? null : 'Write ratios above zero with semicolons, first gear first: 3.6; 2.1; 1.4; 1.'
        }
        onCommit={(text) => {
          const gearRatios = gears(text);
          if (gearRatios) dispatch({ edit: 'setGears', input: { gearRatios } });
        }}
      />
      <FigureSetting
        build={build}
        figure="finalDrive"
        note={
          vehicle.finalDriveRatio !== undefined
            ? ''
            : `assumed ${vehicle.body && !vehicle.gearRatios ? body.finalDriveRatio : 1}`
        }
      />
      <FigureSetting build={build} figure="stageRatio" note={vehicle.stageRatio === undefined ? 'none' : ''} />
      <QuantityField
        label="Drag area, m²"
        value={vehicle.dragAreaM2 ?? body.dragAreaM2}
        dimension="count"
        system={build.units}
        note={
          vehicle.dragAreaM2 === undefined ? `assumed for a ${vehicle.body ?? 'saloon'}` : 'told; empty it to assume'
        }
        onCommit={(dragAreaM2) => dispatch({ edit: 'setDragArea', input: { dragAreaM2 } })}
        {...(vehicle.dragAreaM2 === undefined
          ? {}
          : { onClear: () => dispatch({ edit: 'setDragArea', input: { dragAreaM2: null } }) })}
      />
      <FigureSetting
        build={build}
        figure="rolling"
        note={vehicle.rollingCoefficient === undefined ? `assumed ${body.rolling * 100} %` : ''}
      />
      <FigureSetting
        build={build}
        figure="driveline"
        note={vehicle.drivelineEfficiency === undefined ? 'assumed 92 %' : ''}
      />
      {model && (
        <div className="mt-2">
          <FigureRow label="On the road" value={model.massKg} dimension="mass" system={build.units} />
          <FigureRow label="Wheels roll on" value={model.wheelRadiusM} dimension="length" system={build.units} />
        </div>
      )}
    </Panel>
  );
}

/** "3.6; 2.1; 1" as numbers; null when one of them is none. */
export function gears(text: string): number[] | null {
  const found = text
    .split(/[;\s]+/)
    .filter((word) => word !== '')
    .map((word) => Number(word.replace(',', '.')));
  return found.length > 0 && found.every((ratio) => Number.isFinite(ratio) && ratio > 0) ? found : null;
}

function Duty({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build } = assessment;
  const { duty } = build;
  return (
    <Panel title="Duty" about="what it has to do">
      <ChoiceField
        label="Cruise and hill power"
        value={duty.powersFrom ?? 'typed'}
        choices={[
          { value: 'vehicle', label: 'follow from the vehicle' },
          { value: 'typed', label: 'typed by hand' },
        ]}
        onChoose={(value) => dispatch({ edit: 'setPowersFrom', input: { powersFrom: value as 'vehicle' } })}
      />
      <FigureSetting build={build} figure="cruiseSpeed" />
      <FigureSetting build={build} figure="hillGrade" />
      <FigureSetting build={build} figure="hillSpeed" />
      <FigureSetting build={build} figure="towedMass" />
      <FigureSetting build={build} figure="dailyDistance" />
      <FigureSetting build={build} figure="startsPerDay" />
      <FigureSetting build={build} figure="altitude" />
      <FigureSetting build={build} figure="coldestDay" note={duty.coldestDayC === undefined ? 'assumed −5 °C' : ''} />
      <FigureSetting build={build} figure="hottestDay" />
      <FigureSetting build={build} figure="energyPrice" note="in your own money" />
      <FigureSetting build={build} figure="fuelCost" note="in the same money" />
      <FigureSetting build={build} figure="claimedRange" note="held against the sums" />
      <FigureSetting build={build} figure="claimedConsumption" />
      <FigureSetting build={build} figure="claimedEnergy" note="gross, as sellers say it" />
    </Panel>
  );
}

const STATE_WORDS: readonly (readonly [LossState, string])[] = [
  ['had', 'ran off the engine'],
  ['none', 'it never had one'],
  ['dropped', 'done without'],
];

function Losses({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { losses } = assessment.build;
  const answered = LOSSES.filter((loss) => losses?.[loss] !== undefined).length;
  return (
    <Panel title="What goes with the engine" about={`${answered} of ${LOSSES.length} answered`}>
      {LOSSES.map((loss) => {
        const state = losses?.[loss];
        const open = assessment.checks.find(({ id, subject }) => id === 'survey.loss' && subject.id === loss);
        return (
          <div key={loss}>
            <ChoiceField
              label={LOSS_WORDS[loss]}
              value={state ?? null}
              empty="not answered"
              choices={STATE_WORDS.map(([value, label]) => ({ value, label }))}
              onChoose={(value) => dispatch({ edit: 'setLoss', input: { loss, state: value as LossState } })}
            />
            {state === 'had' && open && (
              <p className="pb-1 text-right text-[13px] text-soft">
                {open.verdict === 'holds' ? 'replaced' : `open until ${LOSS_STATION[loss]} replaces it`}
              </p>
            )}
          </div>
        );
      })}
      <div className="mt-3">
        <Caution>
          Brakes and steering that lose their assist are heavier at once: no trip before they are replaced and a
          licensed person has inspected them.
        </Caution>
      </div>
    </Panel>
  );
}

function Frame({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build } = assessment;
  const { schools } = build;
  return (
    <Panel title="Rules and schools" about="each with its consequences in the ledger">
      <ChoiceField
        label="Rules"
        value={build.ruleSet}
        choices={[
          ...Object.values(RULE_SETS).map(({ id, name }) => ({ value: id, label: name })),
          { value: 'own', label: 'own limits' },
        ]}
        onChoose={(value) => dispatch({ edit: 'setRuleSet', input: { ruleSet: value as 'iec' } })}
      />
      <ChoiceField
        label="Units"
        value={build.units}
        choices={[
          { value: 'metric', label: 'metric' },
          { value: 'us', label: 'US' },
        ]}
        onChoose={(value) => dispatch({ edit: 'setUnits', input: { units: value as 'metric' } })}
      />
      <ChoiceField
        label="Contactors"
        value={schools.contactors}
        choices={[
          { value: 'both-poles', label: 'both poles switched' },
          { value: 'single-pole', label: 'one main and a hand switch' },
        ]}
        onChoose={(value) => dispatch({ edit: 'setSchool', input: { contactors: value as 'both-poles' } })}
      />
      <ChoiceField
        label="Main fuse"
        value={schools.fusePosition}
        choices={[
          { value: 'pack-terminal', label: 'at the pack’s terminal' },
          { value: 'mid-string', label: 'at the middle of the string' },
          { value: 'both', label: 'both' },
        ]}
        onChoose={(value) => dispatch({ edit: 'setSchool', input: { fusePosition: value as 'both' } })}
      />
      <ChoiceField
        label="Emergency stop"
        value={schools.emergencyStop}
        choices={[
          { value: 'electrical', label: 'by wire: opens the coils’ feed' },
          { value: 'mechanical', label: 'by pull: on the main switch' },
          { value: 'both', label: 'both' },
        ]}
        onChoose={(value) => dispatch({ edit: 'setSchool', input: { emergencyStop: value as 'both' } })}
      />
      <ChoiceField
        label="Clutch"
        value={schools.clutch ?? null}
        empty="not told"
        choices={[
          { value: 'kept', label: 'kept: shifts as before, wears, can unload the motor' },
          { value: 'coupler', label: 'coupler: lighter, shifts at matched speed only' },
        ]}
        onChoose={(value) => dispatch({ edit: 'setSchool', input: { clutch: value as 'kept' } })}
      />
      {build.ruleSet === 'own' && <OwnLimits build={build} />}
      <p className="mt-2 text-[13px] text-soft">
        {
          formatQuantity(
            { value: ruleSetOf(build.ruleSet, build.ownLimits).classBDcV.value, dimension: 'voltage' },
            build.units,
          ).text
        }{' '}
        is where high voltage begins: {ruleSetOf(build.ruleSet, build.ownLimits).classBDcV.source}.
      </p>
    </Panel>
  );
}
