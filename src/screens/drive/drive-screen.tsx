'use client';
import dynamic from 'next/dynamic';
import type { Assessment } from '@/core/assess';
import { TRIP_IDS, type TripId } from '@/core/build';
import { motorCurrentA } from '@/core/physics/motor';
import { formatQuantity, inUnits, type UnitSystem } from '@/core/quantities';
import { type TripResult, tripMissing, tripName, tripRun } from '@/core/simulate';
import { followsVehicle, inverterPowerW, motorOf, roadModel, steadyPowerW } from '@/core/vehicle';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { FigureRow } from '@/ui/figure-row';
import { Caution, Panel } from '@/ui/panel';
import { FigureSetting } from '../shell/figure-setting';
import { PartChoice } from '../shell/part-choice';
import { SheetHead, useSheet } from '../shell/shell';
import { BrakingPanel } from './braking-panel';
import { BringTrip } from './bring-trip';
import { CurrentsPanel } from './currents-panel';
import { Plain } from './plain';
import { PullPanel } from './pull-panel';
import { SegmentsPanel } from './segments-panel';
import { SeveralPanel } from './several-panel';
import { PresetPanel, StagePanel } from './stage-panel';

const TripChart = dynamic(() => import('./trip-chart'), { ssr: false, loading: () => <div className="h-[230px]" /> });

export function DriveScreen() {
  return <DriveSheet assessment={useSheet().assessment} />;
}

function DriveSheet({ assessment }: { assessment: Assessment }) {
  return (
    <>
      <SheetHead station="drive" />
      <div className="grid items-start gap-3 min-[1080px]:grid-cols-2">
        <div className="space-y-3">
          <Motor assessment={assessment} />
          <Trip assessment={assessment} />
          <SeveralPanel assessment={assessment} />
          <StagePanel assessment={assessment} />
        </div>
        <div className="space-y-3">
          <PullPanel assessment={assessment} />
          <CurrentsPanel assessment={assessment} />
          <BrakingPanel assessment={assessment} />
          <PresetPanel assessment={assessment} />
        </div>
      </div>
    </>
  );
}

function Motor({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build } = assessment;
  const motor = motorOf(build);
  // What was measured and adopted counts here as it does in the ledger.
  const measured = assessment.vehicle.build;
  const model = roadModel(measured);
  const { cruiseSpeedMPerS } = measured.duty;
  const cruise = cruiseSpeedMPerS === undefined ? null : steadyPowerW(measured, cruiseSpeedMPerS, 0);
  return (
    <Panel title="Motor" about="battery amperes are not motor amperes">
      <PartChoice
        kind="motor"
        build={build}
        label="Motor"
        value={motor?.part?.id ?? null}
        empty="choose a motor"
        onChoose={(part) => {
          if (motor) dispatch({ edit: 'fitPart', input: { deviceId: motor.device.id, part } });
          else
            dispatch({
              edit: 'addDevice',
              input: { device: { id: freshId(), kind: 'motor', name: 'Motor', partId: part.id, place: null }, part },
            });
        }}
      />
      {motor?.part && !motor.part.gang && (
        <FigureRow
          label={
            motor.part.motorKind === 'series-dc' ? 'Motor amperes at peak torque' : 'Motor amperes at peak torque, rms'
          }
          value={motorCurrentA(motor.part)}
          dimension="current"
          system={build.units}
        />
      )}
      <FigureSetting build={build} figure="hardPower" note="limit set in the inverter, at the battery" />
      <FigureSetting build={build} figure="cruiseSpeed" />
      <FigureRow
        label="Power for it, at the battery"
        value={cruise?.powerW ?? null}
        dimension="power"
        system={build.units}
      />
      <FigureRow
        label="What the circuit takes in cruise"
        value={inverterPowerW(measured, 'cruise')}
        dimension="power"
        system={build.units}
      />
      {!followsVehicle(build) && (
        <p className="mt-1 text-small text-thin">
          The circuit still runs on typed powers. Survey, Duty: let cruise and hill power follow from the vehicle.
        </p>
      )}
      {model && model.assumed.length > 0 && (
        <p className="mt-1 text-note text-soft">Assumed: {inUnits(model.assumed.join('; '), build.units)}.</p>
      )}
      {motor?.part?.motorKind === 'series-dc' && (
        <div className="mt-2">
          <Caution>
            A series motor without load runs away and bursts: never spin it off the driveline on full voltage.
          </Caution>
        </div>
      )}
    </Panel>
  );
}

function Trip({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build, trip, tripKey } = assessment;
  const running = useBench((bench) => bench.running.trip);
  const system = build.units;
  const price = build.duty.energyPricePerKWh;
  const cost =
    trip?.mild.energyPerKmWh != null && price !== undefined
      ? (trip.mild.energyPerKmWh / 1000 / CHARGING) * price
      : null;
  return (
    <Panel
      title="Usual trip"
      about={
        trip
          ? `pack new, ${formatQuantity({ value: 15, dimension: 'temperature' }, system).text}`
          : tripKey === null || (running && running.state !== 'going')
            ? ''
            : tripRun.pendingWords
      }
    >
      <ChoiceField
        label="Trip"
        value={build.duty.tripId ?? 'country'}
        choices={[
          ...(build.duty.ownTrip ? [{ value: 'own', label: build.duty.ownTrip.name }] : []),
          ...TRIP_IDS.map((id) => ({ value: id, label: tripName(id) })),
        ]}
        onChoose={(id) => dispatch({ edit: 'setTrip', input: { tripId: id as TripId } })}
      />
      {build.duty.tripId !== 'own' && (
        <FigureSetting
          build={build}
          figure="stopsPerKm"
          note={
            trip
              ? `the trip as driven has ${formatQuantity({ value: trip.stopsPerKm, dimension: 'perDistance' }, system, 2).text}`
              : ''
          }
        />
      )}
      <FigureSetting
        build={build}
        figure="startSoc"
        note={build.duty.startSoc === undefined && trip ? `assumed ${(trip.socStart * 100).toFixed(0)} %` : ''}
      />
      <BringTrip system={system} />
      <SegmentsPanel assessment={assessment} />
      {tripKey === null && (
        <p className="mt-2 text-soft">To drive it, tell {tripMissing(assessment.vehicle).join('; ')}.</p>
      )}
      {!trip && tripKey !== null && <DrivingNow />}
      {trip && (
        <>
          <TripChart run={trip.mild} system={system} />
          <div className="mt-1">
            <Plain label="Takes, new and mild" text={consumption(trip.mild, system)} />
            <Plain label="Takes, winter" text={consumption(trip.winter, system)} />
            <FigureRow label="Range, new and mild" value={trip.rangeFreshM} dimension="distance" system={system} />
            <FigureRow label="Range, aged, winter" value={trip.rangeWinterM} dimension="distance" system={system} />
            {cost !== null && <FigureRow label="Costs" value={cost} dimension="perDistance" system={system} />}
            {cost !== null && build.duty.formerFuelCostPerKm !== undefined && (
              <FigureRow
                label="Fuel before"
                value={build.duty.formerFuelCostPerKm}
                dimension="perDistance"
                system={system}
              />
            )}
          </div>
          <Split run={trip.mild} />
        </>
      )}
    </Panel>
  );
}

/** A long trip: how far it is driven, and a way to stop it. */
function DrivingNow() {
  const running = useBench((bench) => bench.running.trip);
  const stopRun = useBench((bench) => bench.stopRun);
  const startRun = useBench((bench) => bench.startRun);
  if (running && running.state !== 'going')
    return (
      <p className="mt-2 flex items-center gap-3 text-soft">
        {running.state === 'failed' ? `It could not be driven: ${running.reason}.` : 'Broken off.'} What rests on it
        stays open.
        <Action onPress={() => startRun('trip')}>Drive it</Action>
      </p>
    );
  return (
    <div className="mt-2 flex items-center gap-3">
      <progress
        className="h-2 flex-1 accent-ink"
        max={1}
        value={running?.share ?? 0}
        aria-label="The trip is being driven"
      />
      <span className="w-[52px] text-right tabular-nums">{((running?.share ?? 0) * 100).toFixed(0)} %</span>
      <Action onPress={() => stopRun('trip')}>Cancel</Action>
    </div>
  );
}

/** From the socket into the pack (generic). */
const CHARGING = 0.88;
const consumption = (run: TripResult, system: UnitSystem): string =>
  run.energyPerKmWh === null
    ? '–'
    : formatQuantity({ value: run.energyPerKmWh, dimension: 'consumption' }, system).text;

const SPLIT_WORDS: Readonly<Record<keyof TripResult['split'], string>> = {
  air: 'Air',
  rolling: 'Rolling',
  climbing: 'Net climb',
  brakes: 'Brakes',
  drive: 'Motor, inverter, gears',
  pack: 'In the pack',
  other: 'Everything else',
};

/** Where the energy of the trip went, as shares of all that the cells gave. */
function Split({ run }: { run: TripResult }) {
  if (!(run.energyJ > 0)) return null;
  return (
    <ul className="mt-2 text-small" aria-label="Where the energy goes">
      {(Object.keys(SPLIT_WORDS) as (keyof TripResult['split'])[]).map((part) => {
        const share = run.split[part] / run.energyJ;
        return (
          <li key={part} className="flex items-center gap-2 py-0.5">
            <span className="w-[170px] text-soft">{SPLIT_WORDS[part]}</span>
            <span className="h-2 bg-ink/60" style={{ width: `${Math.max(0, Math.min(1, share)) * 200}px` }} />
            <span className="ml-auto whitespace-nowrap">{Math.max(0, share * 100).toFixed(0)} %</span>
          </li>
        );
      })}
    </ul>
  );
}
