import { type Build, type LimitCurves, type OwnTrip, TRIP_IDS, type TripId } from '../build';
import {
  coldestDayC,
  driveTrainOf,
  Follows,
  inverterPowerW,
  motorOf,
  nominalLinkV,
  partOf,
  type RoadModel,
  roadModel,
  roadModelAt,
  type Vehicle,
} from '../vehicle';
import type { Braking } from './braking';
import { INVERTER, MOTOR } from './coolant-loop';
import { simulateTrip, type TripResult } from './trip';
import { type TripHeat, tripHeat } from './trip-heat';
import { type TripPack, tripPack } from './trip-pack';
import { builtInTrip, stopsPerKmOf, type Trace, withStops } from './trips';

/** The usual trip, driven with the pack new on a mild day and with the pack aged on the coldest. */
export interface TripRuns {
  /** Of everything that the runs read: older ones are told by it. */
  readonly key: string;
  readonly tripId: TripId | 'own';
  readonly mild: TripResult;
  readonly winter: TripResult;
  /** Charge that the trip begins with, and stops of the trace a km. */
  readonly socStart: number;
  readonly stopsPerKm: number;
  /** Usable energy per km of each, m until the state of charge at which driving stops. */
  readonly rangeFreshM: number | null;
  readonly rangeWinterM: number | null;
  /** Conductors on the way, heated by the winter run. */
  readonly heat: TripHeat;
}

const MILD_C = 15;
/** Share of braking that the motor takes (generic; the rest is the pedal's). */
const REGEN_SHARE = 0.6;
/** Unless it is told, each trip starts so full: regeneration has room. */
const START_SOC = 0.9;
/** Deceleration up to which braking by the motor may leave the lamps dark, m/s² (UN R13-H). */
const UNLIT_MPS2 = 1.3;
/** Where nothing is told, the coldest day, °C. */

interface Reads {
  readonly mild: RoadModel;
  readonly winter: RoadModel;
  readonly pack: TripPack;
  readonly tripId: TripId | 'own';
  /** Tells one own trip from another; empty for a built-in one. */
  readonly own: string;
  readonly mostW: number;
  readonly braking: Braking;
  readonly stopsPerKm: number;
  readonly socStart: number;
  readonly socFull: number;
  readonly socEmpty: number;
  readonly agedHealth: number;
  readonly coldC: number;
  readonly auxiliaryW: number;
  readonly winterAuxiliaryW: number;
  readonly limits: LimitCurves;
}

/**
 * How the motor of a build brakes: a series motor and a drive without regeneration not at all; what is not told is generic. Asked by
 * lifting the foot and without lamps of its own it stays below what needs them.
 */
export function brakingOf(build: Build): Braking {
  const { asked, lampLit, share, torqueShare } = build.regeneration ?? {};
  const unlit = (build.ruleSet === 'own' ? build.ownLimits?.lampFromMPerS2 : undefined) ?? UNLIT_MPS2;
  const none = asked === 'none' || motorOf(build)?.part?.motorKind === 'series-dc';
  return {
    share: none ? 0 : (share ?? REGEN_SHARE),
    torqueShare: torqueShare ?? 1,
    mostW: none ? 0 : Math.max(0, -inverterPowerW(build, 'regeneration')),
    unlitMPerS2: asked === 'lift-off' && lampLit !== true ? unlit : null,
  };
}

/** The trip of a build as it is driven. */
export function traceOf(build: Build): Trace {
  const { ownTrip, tripId, cruiseSpeedMPerS, stopsPerKm } = build.duty;
  if (tripId === 'own' && ownTrip) return ownTrip;
  return withStops(
    builtInTrip(tripId === undefined || tripId === 'own' ? TRIP_IDS[1] : tripId, cruiseSpeedMPerS),
    stopsPerKm ?? 0,
  );
}

/** What the bus devices draw in a state, the heaters left out or counted, W. */
function busPowerW(vehicle: Vehicle, state: 'cruise' | 'heating', heaters: boolean): number {
  return vehicle.devices.reduce((sum, { device }) => {
    if (device.kind === 'inverter' || (device.kind === 'heater' && !heaters)) return sum;
    return sum + (device.powersW?.[state] ?? 0);
  }, 0);
}

/** What a belt that was kept takes of the battery all the while, through motor and inverter, W. */
const beltW = ({ schools, steering }: Build): number =>
  schools.ancillaries === 'belt' ? (steering?.beltW ?? 0) / (INVERTER * MOTOR) : 0;

/** Curves that hold the trip: those of electronics; regulators and nothing let through what is asked. */
const limitsOf = ({ bms, schools }: Build): LimitCurves =>
  schools.bms === 'central' || schools.bms === 'distributed' ? (bms?.curves ?? {}) : {};

/** What the usual trip still needs, in words; none: it can be driven. */
export function tripMissing(vehicle: Vehicle): readonly string[] {
  const model = roadModel(vehicle.build);
  return [
    ...(model === null ? ['the empty mass, in Survey'] : model.wheelRadiusM === null ? ['the tyres, in Survey'] : []),
    ...(motorOf(vehicle.build)?.part ? [] : ['a motor']),
    ...(tripPack(vehicle) ? [] : ['cells, in Pack']),
  ];
}

function readsOf(vehicle: Vehicle): Reads | null {
  const { build } = vehicle;
  const mild = roadModel(build);
  const pack = tripPack(vehicle);
  const coldC = coldestDayC(build);
  const winter = roadModelAt(build, coldC);
  if (!mild || !winter || !pack || !mild.motor || mild.wheelRadiusM === null) return null;
  // Of several inverters the first that comes to its limit with its share of the power.
  const { inverterShare } = driveTrainOf(build);
  const limitA = vehicle.devices.reduce((least, device) => {
    const most = partOf(device, 'inverter')?.maxBatteryCurrentA;
    const share = inverterShare(device.id);
    return most === undefined || share <= 0 ? least : Math.min(least, most / share);
  }, Number.POSITIVE_INFINITY);
  const nominalV = nominalLinkV(build);
  const socFull = build.packLimits.socFull ?? 1;
  return {
    mild,
    winter,
    pack,
    tripId: build.duty.tripId === 'own' && !build.duty.ownTrip ? TRIP_IDS[1] : (build.duty.tripId ?? TRIP_IDS[1]),
    own: build.duty.tripId === 'own' && build.duty.ownTrip ? markOf(build.duty.ownTrip) : '',
    mostW: Math.min(inverterPowerW(build, 'hard-acceleration'), limitA * nominalV),
    braking: brakingOf(build),
    stopsPerKm: build.duty.stopsPerKm ?? 0,
    socStart: build.duty.startSoc ?? Math.min(START_SOC, socFull),
    socFull,
    socEmpty: build.packLimits.socEmpty,
    agedHealth: build.packLimits.agedHealth,
    coldC,
    auxiliaryW: busPowerW(vehicle, 'cruise', false) + beltW(build),
    winterAuxiliaryW: busPowerW(vehicle, 'cruise', true) + beltW(build),
    limits: limitsOf(build),
  };
}

/** Peukert exponents of lead, rated over twenty hours; other cells give nearly all that they hold at any current. */
const LEAD_EXPONENT: Readonly<Record<string, number>> = { 'lead-flooded': 1.25, 'lead-agm': 1.12 };
const RATED_HOURS = 20;

/** Share of its rated capacity that lead gives at a mean current: (C/(H·I))^(k−1) (Peukert). */
function leadShare({ chemistry, capacityC }: TripPack, meanA: number): number {
  const exponent = LEAD_EXPONENT[chemistry];
  if (exponent === undefined || !(meanA > 0)) return 1;
  return Math.min(1, (capacityC / 3600 / (RATED_HOURS * meanA)) ** (exponent - 1));
}

const marks = new Follows<OwnTrip, string>();

/** Name, length and two sums: made once for each trip. */
const markOf = (trip: OwnTrip): string =>
  marks.get(trip, () => {
    const weigh = (values: readonly number[]) => values.reduce((sum, value, k) => sum + value * (1 + (k % 97)), 0);
    return `${trip.name}|${trip.speedsMPerS.length}|${weigh(trip.speedsMPerS)}|${weigh(trip.grades)}`;
  });

/** Identifies what the runs would read; null while mass, tyres, motor or cells are missing. */
export function tripRunsKey(vehicle: Vehicle): string | null {
  const reads = readsOf(vehicle);
  if (!reads) return null;
  const { mild, winter, ...rest } = reads;
  const bare = ({ motor, assumed: _, ...model }: RoadModel) => ({ ...model, motor: motor && { ...motor, name: '' } });
  return JSON.stringify([bare(mild), bare(winter), rest]);
}

/** Drives the usual trip twice; `onProgress` is told the share that is done. Null while something that it needs is missing. */
export function tripRuns(vehicle: Vehicle, onProgress?: (share: number) => void): TripRuns | null {
  const reads = readsOf(vehicle);
  const key = tripRunsKey(vehicle);
  if (!reads || key === null) return null;
  const trace = traceOf(vehicle.build);
  const seconds = Math.max(1, trace.speedsMPerS.length - 1);
  const common = {
    limits: reads.limits,
    braking: reads.braking,
    mostW: reads.mostW,
    socStart: reads.socStart,
    socStop: reads.socEmpty,
  };
  const mild = simulateTrip(reads.mild, reads.pack, trace, {
    ...common,
    health: 1,
    ambientC: MILD_C,
    auxiliaryW: reads.auxiliaryW,
    onProgress: (doneS) => onProgress?.(doneS / seconds / 2),
  });
  const winter = simulateTrip(reads.winter, reads.pack, trace, {
    ...common,
    health: reads.agedHealth,
    ambientC: reads.coldC,
    auxiliaryW: reads.winterAuxiliaryW,
    onProgress: (doneS) => onProgress?.(0.5 + doneS / seconds / 2),
  });
  // By charge: the state of charge that a metre takes; age is in it already.
  const range = (run: TripResult): number | null => {
    const used = reads.socStart - run.socEnd;
    if (!(used > 0) || run.distanceM <= 0) return null;
    return (
      ((run.distanceM * Math.max(0, reads.socFull - reads.socEmpty)) / used) * leadShare(reads.pack, run.currents.meanA)
    );
  };
  return {
    key,
    tripId: reads.tripId,
    mild,
    winter,
    socStart: reads.socStart,
    stopsPerKm: stopsPerKmOf(trace),
    rangeFreshM: range(mild),
    rangeWinterM: range(winter),
    heat: tripHeat(vehicle, key, winter),
  };
}
