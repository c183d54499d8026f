'use client';
import type { Assessment } from '@/core/assess';
import { aBody, BODY_TYPES, type BodyType, CATEGORIES, type Category, type StartingPoint } from '@/core/build';
import { parseTyre } from '@/core/physics/tyre';
import { CATEGORY_FIGURES } from '@/core/physics/vehicle-category';
import { formatQuantity } from '@/core/quantities';
import { BODY_FIGURES, roadModel } from '@/core/vehicle';
import { useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { FigureRow } from '@/ui/figure-row';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { TextField } from '@/ui/text-field';
import { FigureSetting } from '../shell/figure-setting';
import { YesNo } from '../shell/yes-no';
import { Rest } from './rest';

const START_WORDS: Readonly<Record<StartingPoint, string>> = {
  'engine-out': 'the engine comes out',
  extend: 'an electric vehicle gets more',
  repack: 'an electric vehicle gets another pack',
  redrive: 'an electric vehicle gets another drive',
  repair: 'a repair',
};

const SHAPE_WORDS: Readonly<Partial<Record<BodyType, string>>> = {
  trike: 'trike, one wheel in front',
  'three-wheeler': 'three-wheeler, one wheel behind',
  cart: 'site cart',
};

/** What it is, and what the road takes from it. */
export function VehiclePanel({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build } = assessment;
  const { vehicle } = build;
  const model = roadModel(assessment.vehicle.build);
  const body = BODY_FIGURES[vehicle.body ?? 'saloon'];
  /** What stands in for a figure that nobody told, once the shape is. */
  const like = (figure: 'massEmpty' | 'payload' | 'wheelbase', value: number, dimension: 'mass' | 'length'): string => {
    const told = { massEmpty: vehicle.massEmptyKg, payload: vehicle.payloadKg, wheelbase: vehicle.wheelbaseM }[figure];
    if (vehicle.body === undefined || (told !== null && told !== undefined)) return '';
    return `assumed ${formatQuantity({ value, dimension }, build.units).text}, as ${aBody(vehicle.body!)}`;
  };
  return (
    <Panel title="Vehicle" about="measured where you can; the rest is assumed and says so">
      <TextField
        label="What it is"
        wide
        value={vehicle.description}
        empty="maker’s name is not needed"
        onCommit={(description) => dispatch({ edit: 'describeVehicle', input: { description } })}
      />
      <ChoiceField
        label="Shape"
        value={vehicle.body ?? null}
        empty="as a saloon"
        choices={BODY_TYPES.map((value) => ({ value, label: SHAPE_WORDS[value] ?? value }))}
        onChoose={(value) => dispatch({ edit: 'setBody', input: { body: value as BodyType } })}
      />
      {vehicle.body === 'motorcycle' && (
        <YesNo
          label="Side stand cuts the torque, or folds up by itself"
          value={vehicle.standCut}
          onAnswer={(cut) => dispatch({ edit: 'setStand', input: { cut } })}
        />
      )}
      <FigureSetting
        build={build}
        figure="massEmpty"
        note={like('massEmpty', body.massEmptyKg, 'mass') || 'ready to drive, converted; weigh it'}
      />
      <FigureSetting build={build} figure="massGross" />
      <TextField
        label="Tyres"
        value={vehicle.tyre ?? ''}
        empty={vehicle.body && !vehicle.tyre ? `assumed ${body.tyre}` : 'as on the side wall: 185/80R14 91T'}
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
      <Rest
        head="The rest of the vehicle: where it starts, category, load, wheelbase, drag"
        told={
          vehicle.startingPoint !== undefined ||
          vehicle.category !== undefined ||
          vehicle.payloadKg !== undefined ||
          vehicle.wheelbaseM !== null ||
          vehicle.stageRatio !== undefined ||
          vehicle.dragAreaM2 !== undefined ||
          vehicle.rollingCoefficient !== undefined ||
          vehicle.drivelineEfficiency !== undefined
        }
      >
        <ChoiceField
          label="Where it starts"
          value={vehicle.startingPoint ?? 'engine-out'}
          choices={Object.entries(START_WORDS).map(([value, label]) => ({ value, label }))}
          onChoose={(value) => dispatch({ edit: 'setStartingPoint', input: { startingPoint: value as StartingPoint } })}
        />
        <ChoiceField
          label="Category"
          value={vehicle.category ?? null}
          empty="as the registration has it"
          choices={CATEGORIES.map((value) => ({ value, label: CATEGORY_FIGURES[value].name }))}
          onChoose={(value) => dispatch({ edit: 'setCategory', input: { category: value as Category } })}
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
        <FigureSetting build={build} figure="wheelbase" note={like('wheelbase', body.wheelbaseM, 'length')} />
        <FigureSetting build={build} figure="stageRatio" note={vehicle.stageRatio === undefined ? 'none' : ''} />
        <QuantityField
          label="Drag area"
          value={vehicle.dragAreaM2 ?? body.dragAreaM2}
          dimension="surface"
          system={build.units}
          note={
            vehicle.dragAreaM2 === undefined
              ? `assumed for ${aBody(vehicle.body ?? 'saloon')}`
              : 'told; empty it to assume'
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
      </Rest>
      {model && (
        <div className="mt-2">
          <FigureRow label="On the road" value={model.massKg} dimension="mass" system={build.units} />
          <FigureRow label="Rolling radius" value={model.wheelRadiusM} dimension="length" system={build.units} />
        </div>
      )}
    </Panel>
  );
}

/** "3.6; 2.1; 1" as numbers; null when one of them is none. */
function gears(text: string): number[] | null {
  const found = text
    .split(/[;\s]+/)
    .filter((word) => word !== '')
    .map((word) => Number(word.replace(',', '.')));
  return found.length > 0 && found.every((ratio) => Number.isFinite(ratio) && ratio > 0) ? found : null;
}
