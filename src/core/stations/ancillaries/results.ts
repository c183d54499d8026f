import type { Build } from '../../build';
import {
  type BrakeDescent,
  type BrakeVacuum,
  brakeDescent,
  brakeVacuum,
  type CabinWarmth,
  type CoolantTrip,
  cabinWarmth,
  cellVoltages,
  chargeCoolant,
  columnCurve,
  coolantTrip,
  type DriveLoop,
  driveLoop,
  type LampRun,
  type PlateHeat,
  plateHeat,
  type RackFlow,
  type Rim,
  rackFlow,
  rechargeLamp,
  rimOf,
  tripPack,
  vacuumMissing,
} from '../../simulate';
import type { Context } from '../context';
import { has } from './shared';

export interface AncillariesResults {
  readonly has: {
    readonly vacuum: boolean;
    readonly booster: boolean;
    readonly hydraulic: boolean;
    readonly column: boolean;
  };
  readonly vacuum: BrakeVacuum | null;
  /** What the vacuum model still needs, in words. */
  readonly vacuumMissing: readonly string[];
  readonly rack: RackFlow | null;
  readonly rim: Rim | null;
  /** Of column assist: force at the rim of rolling wheels over speed, with it and without; empty: something is not told. */
  readonly column: ReturnType<typeof columnCurve>;
  readonly cabin: CabinWarmth;
  /** Range that an hour of heating takes, m; null: the trip is not driven. */
  readonly heatingM: {
    readonly holding: number;
    readonly seatsFirst: number | null;
    readonly compressor: number;
  } | null;
  readonly loop: DriveLoop | null;
  /** Its coolant over the usual trip on the hottest day; null: the trip is not driven. */
  readonly loopTrip: CoolantTrip | null;
  /** Of a usual day: what the steering pump and the heating take, J; null: no daily distance, or the trip is not driven. */
  readonly day: { readonly steeringJ: number | null; readonly heatingJ: number; readonly heatingM: number } | null;
  readonly plate: PlateHeat | null;
  readonly charging: ReturnType<typeof chargeCoolant>;
  readonly descent: BrakeDescent | null;
  /** The recharge lamp on the usual trip; null: not set, or the trip is not driven. */
  readonly lamp: LampRun | null;
  /** Mean voltage of a cell on the winter’s trip; empty while it is not driven. */
  readonly cellCurve: ReturnType<typeof cellVoltages>;
  /** So long the motor may turn by itself on the bench without coolant, s; null: its loss is not told. */
  readonly spinS: number | null;
  readonly schools: Build['schools'];
}

/** A small motor takes so much heat up with a kelvin, and may rise by so many (reference of the trade: 10 to 25 kJ/K, 20 K). */
const MOTOR_J_PER_K = 10000;
const SPIN_K = 20;

export function ancillariesResults({ vehicle, trip }: Context): AncillariesResults {
  const cabin = cabinWarmth(vehicle);
  const pack = tripPack(vehicle);
  const { spinW } = vehicle.build.cooling ?? {};
  // Energy of a metre as the trip was driven on a mild day, without heating.
  const joulesPerM = trip && trip.mild.distanceM > 0 ? trip.mild.energyJ / trip.mild.distanceM : null;
  const metres = (powerW: number) => (powerW * 3600) / joulesPerM!;
  return {
    has: {
      vacuum: has.vacuum(vehicle),
      booster: has.booster(vehicle),
      hydraulic: has.hydraulic(vehicle),
      column: has.column(vehicle),
    },
    vacuum: brakeVacuum(vehicle),
    vacuumMissing: vacuumMissing(vehicle),
    rack: rackFlow(vehicle),
    rim: rimOf(vehicle),
    column: has.column(vehicle) ? columnCurve(vehicle) : [],
    cabin,
    heatingM:
      joulesPerM === null || joulesPerM <= 0
        ? null
        : {
            holding: metres(cabin.needsW),
            compressor: metres(
              vehicle.devices.reduce(
                (sum, { device }) => sum + (device.kind === 'compressor' ? (device.powersW?.cruise ?? 0) : 0),
                0,
              ),
            ),
            seatsFirst: cabin.seatsFirstW === null ? null : metres(cabin.seatsFirstW),
          },
    loop: driveLoop(vehicle),
    loopTrip: coolantTrip(vehicle, trip),
    day: dayOf(vehicle, trip, cabin),
    plate: plateHeat(vehicle),
    charging: chargeCoolant(vehicle),
    descent: brakeDescent(vehicle),
    lamp: rechargeLamp(vehicle, trip),
    cellCurve: pack && trip ? cellVoltages(pack, trip.winter, vehicle.build.packLimits.agedHealth) : [],
    spinS: spinW === undefined ? null : (MOTOR_J_PER_K * SPIN_K) / spinW,
    schools: vehicle.build.schools,
  };
}

/** The usual day at the speed of the usual trip: the cabin is warmed up once, then held. */
function dayOf(vehicle: Context['vehicle'], trip: Context['trip'], cabin: CabinWarmth): AncillariesResults['day'] {
  const { dailyDistanceM } = vehicle.build.duty;
  if (dailyDistanceM === undefined || !trip || trip.mild.distanceM <= 0 || trip.mild.durationS <= 0) return null;
  const drivenS = (dailyDistanceM * trip.mild.durationS) / trip.mild.distanceM;
  const warmingS = Math.min(drivenS, cabin.timeS ?? drivenS);
  const heatingJ = cabin.powerW * warmingS + Math.min(cabin.powerW, cabin.needsW) * (drivenS - warmingS);
  const { idleW, idleShare = 1 } = vehicle.build.steering ?? {};
  return {
    steeringJ: idleW === undefined ? null : idleW * idleShare * drivenS,
    heatingJ,
    heatingM: (heatingJ * trip.mild.distanceM) / trip.mild.energyJ,
  };
}
