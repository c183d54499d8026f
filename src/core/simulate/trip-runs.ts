import { type OwnTrip, TRIP_IDS, type TripId } from '../build';
import { inverterPowerW, nominalLinkV, partOf, type RoadModel, roadModel, roadModelAt, type Vehicle } from '../vehicle';
import { simulateTrip, type TripPack, type TripResult, tripPack } from './trip';
import { type TripHeat, tripHeat } from './trip-heat';
import { builtInTrip } from './trips';

/** The usual trip, driven with the pack new on a mild day and with the pack aged on the coldest. */
export interface TripRuns {
  /** Of everything that the runs read: older ones are told by it. */
  readonly key: string;
  readonly tripId: TripId | 'own';
  readonly mild: TripResult;
  readonly winter: TripResult;
  /** Usable energy per km of each, m until the state of charge at which driving stops. */
  readonly rangeFreshM: number | null;
  readonly rangeWinterM: number | null;
  /** Conductors on the way, heated by the winter run. */
  readonly heat: TripHeat;
}

const MILD_C = 15;
/** Share of braking that the motor takes (generic; the rest is the pedal's). */
const REGEN_SHARE = 0.6;
/** Each trip starts so full: regeneration has room. */
const START_SOC = 0.9;
/** Where nothing is told, the coldest day, °C. */
const COLD_C = -5;

interface Reads {
  readonly mild: RoadModel;
  readonly winter: RoadModel;
  readonly pack: TripPack;
  readonly tripId: TripId | 'own';
  /** Tells one own trip from another; empty for a built-in one. */
  readonly own: string;
  readonly mostW: number;
  readonly regenMostW: number;
  readonly socEmpty: number;
  readonly agedHealth: number;
  readonly coldC: number;
  readonly auxiliaryW: number;
  readonly winterAuxiliaryW: number;
}

/** What the bus devices draw in a state, the heaters left out or counted, W. */
function busPowerW(vehicle: Vehicle, state: 'cruise' | 'heating', heaters: boolean): number {
  return vehicle.devices.reduce((sum, { device }) => {
    if (device.kind === 'inverter' || (device.kind === 'heater' && !heaters)) return sum;
    return sum + (device.powersW?.[state] ?? 0);
  }, 0);
}

function readsOf(vehicle: Vehicle): Reads | null {
  const { build } = vehicle;
  const mild = roadModel(build);
  const pack = tripPack(vehicle);
  const coldC = build.duty.coldestDayC ?? COLD_C;
  const winter = roadModelAt(build, coldC);
  if (!mild || !winter || !pack || !mild.motor || mild.wheelRadiusM === null) return null;
  const inverter = vehicle.devices.find(({ device }) => device.kind === 'inverter');
  const limitA = partOf(inverter, 'inverter')?.maxBatteryCurrentA ?? Number.POSITIVE_INFINITY;
  const nominalV = nominalLinkV(build);
  return {
    mild,
    winter,
    pack,
    tripId: build.duty.tripId === 'own' && !build.duty.ownTrip ? TRIP_IDS[1] : (build.duty.tripId ?? TRIP_IDS[1]),
    own: build.duty.tripId === 'own' && build.duty.ownTrip ? markOf(build.duty.ownTrip) : '',
    mostW: Math.min(inverterPowerW(build, 'hard-acceleration'), limitA * nominalV),
    regenMostW: Math.max(0, -inverterPowerW(build, 'regeneration')),
    socEmpty: build.packLimits.socEmpty,
    agedHealth: build.packLimits.agedHealth,
    coldC,
    auxiliaryW: busPowerW(vehicle, 'cruise', false),
    winterAuxiliaryW: busPowerW(vehicle, 'cruise', true),
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

const marks = new WeakMap<OwnTrip, string>();

/** Name, length and two sums: made once for each trip. */
function markOf(trip: OwnTrip): string {
  const known = marks.get(trip);
  if (known !== undefined) return known;
  const weigh = (values: readonly number[]) => values.reduce((sum, value, k) => sum + value * (1 + (k % 97)), 0);
  const mark = `${trip.name}|${trip.speedsMPerS.length}|${weigh(trip.speedsMPerS)}|${weigh(trip.grades)}`;
  marks.set(trip, mark);
  return mark;
}

/** Identifies what the runs would read; null while mass, tyres, motor or cells are missing. */
export function tripRunsKey(vehicle: Vehicle): string | null {
  const reads = readsOf(vehicle);
  if (!reads) return null;
  const { mild, winter, ...rest } = reads;
  const bare = ({ motor, assumed: _, ...model }: RoadModel) => ({ ...model, motor: motor && { ...motor, name: '' } });
  return JSON.stringify([bare(mild), bare(winter), rest]);
}

/** Drives the usual trip twice. Null while something that it needs is missing. */
export function tripRuns(vehicle: Vehicle): TripRuns | null {
  const reads = readsOf(vehicle);
  const key = tripRunsKey(vehicle);
  if (!reads || key === null) return null;
  const { ownTrip, cruiseSpeedMPerS } = vehicle.build.duty;
  const trace = reads.tripId === 'own' ? ownTrip! : builtInTrip(reads.tripId, cruiseSpeedMPerS);
  const common = { regenShare: REGEN_SHARE, regenMostW: reads.regenMostW, mostW: reads.mostW };
  const mild = simulateTrip(reads.mild, reads.pack, trace, {
    ...common,
    socStart: START_SOC,
    health: 1,
    ambientC: MILD_C,
    auxiliaryW: reads.auxiliaryW,
  });
  const winter = simulateTrip(reads.winter, reads.pack, trace, {
    ...common,
    socStart: START_SOC,
    health: reads.agedHealth,
    ambientC: reads.coldC,
    auxiliaryW: reads.winterAuxiliaryW,
  });
  // By charge: the state of charge that a metre takes; age is in it already.
  const range = (run: TripResult): number | null => {
    const used = START_SOC - run.socEnd;
    if (!(used > 0) || run.distanceM <= 0) return null;
    return ((run.distanceM * (1 - reads.socEmpty)) / used) * leadShare(reads.pack, run.currents.meanA);
  };
  return {
    key,
    tripId: reads.tripId,
    mild,
    winter,
    rangeFreshM: range(mild),
    rangeWinterM: range(winter),
    heat: tripHeat(vehicle, key, winter),
  };
}
