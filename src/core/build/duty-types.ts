import type { Category } from '../physics/vehicle-category';

export { CATEGORIES, type Category } from '../physics/vehicle-category';

/** The vehicle and what it has to do: plain data of the document. */
export interface VehicleData {
  readonly description: string;
  readonly altitudeM: number;
  readonly wheelbaseM: number | null;
  readonly massEmptyKg: number | null;
  readonly grossMassKg: number | null;
  /** What is done to it; absent: the engine comes out. */
  readonly startingPoint?: StartingPoint;
  /** Its shape, from which drag and rolling are assumed until they are told. */
  readonly body?: BodyType;
  /** As the registration has it; absent: the strictest limits of any. */
  readonly category?: Category;
  /** People and luggage of a usual trip; absent: up to the gross limit. */
  readonly payloadKg?: number;
  readonly dragAreaM2?: number;
  readonly rollingCoefficient?: number;
  /** motorcycle: nothing drives while its side stand is down, or the stand can’t stay down. */
  readonly standCut?: boolean;
  /** As on the side wall: "185/80R14". */
  readonly tyre?: string;
  readonly finalDriveRatio?: number;
  /** First gear first; absent: one ratio of 1. */
  readonly gearRatios?: readonly number[];
  /** Belt, chain or reduction between motor and gearbox; absent: 1. */
  readonly stageRatio?: number;
  /** From motor shaft to wheels. */
  readonly drivelineEfficiency?: number;
  /** Share of the empty mass on the front axle. */
  readonly frontShareEmpty?: number;
}

/** An engine comes out; or the vehicle is electric already and gets more, another pack, another drive, or is mended. */
export const STARTING_POINTS = ['engine-out', 'extend', 'repack', 'redrive', 'repair'] as const;
export type StartingPoint = (typeof STARTING_POINTS)[number];

export const BODY_TYPES = [
  'roadster',
  'saloon',
  'estate',
  'van',
  'off-roader',
  'tractor',
  'motorcycle',
  'trike',
  'three-wheeler',
  'cart',
] as const;
export type BodyType = (typeof BODY_TYPES)[number];

/** "an estate", "a van". */
export const aBody = (body: BodyType): string => `${/^[aeiou]/.test(body) ? 'an' : 'a'} ${body}`;

/** What may have run off the engine. */
export const LOSSES = [
  'brake-vacuum',
  'steering-pump',
  'heater-matrix',
  'exhaust-heat',
  'air-conditioning',
  'alternator',
  'gauges',
  'tachometer',
  'fuel-pump',
  'cruise-control',
  'park-lock',
] as const;
export type LossId = (typeof LOSSES)[number];
/** had: it ran off the engine and has to be replaced; none: the vehicle never had it; dropped: done without, knowingly. */
export type LossState = 'had' | 'none' | 'dropped';

/** Assumed until Drive computes it: battery power of the inverter in each state. */
export interface Duty {
  readonly cruisePowerW: number;
  readonly hardAccelerationPowerW: number;
  readonly hardAccelerationS: number;
  /** For minutes on a long climb; absent: halfway between cruise and hard acceleration. */
  readonly hillPowerW?: number;
  /** Fed back in braking, as a positive figure; absent: two fifths of hard acceleration. */
  readonly regenerationPowerW?: number;
  /** How often the key is turned on in a day; absent: six. */
  readonly startsPerDay?: number;
  /** vehicle: cruise and hill power follow from mass, drag and speed; typed or absent: from the figures above. */
  readonly powersFrom?: 'typed' | 'vehicle';
  readonly cruiseSpeedMPerS?: number;
  /** Rise over run of the steepest long climb, and the speed wanted on it. */
  readonly hillGrade?: number;
  readonly hillSpeedMPerS?: number;
  readonly towedMassKg?: number;
  readonly dailyDistanceM?: number;
  /** Built-in trips stop at least so often; absent: as they are. */
  readonly stopsPerKm?: number;
  /** State of charge with which the usual trip begins. */
  readonly startSoc?: number;
  readonly coldestDayC?: number;
  readonly hottestDayC?: number;
  /** Which of the built-in trips stands for the usual one. */
  readonly tripId?: TripId | 'own';
  /** A trip that was brought in. */
  readonly ownTrip?: OwnTrip;
  readonly energyPricePerKWh?: number;
  readonly formerFuelCostPerKm?: number;
  /** What was promised or is hoped for, to be held against the sums. */
  readonly claimedRangeM?: number;
  readonly claimedConsumptionWhPerKm?: number;
  /** What a seller calls the pack’s energy. */
  readonly claimedEnergyJ?: number;
}

/** One point a second; speeds m/s, grades rise over run, as many. */
export interface OwnTrip {
  readonly name: string;
  readonly speedsMPerS: readonly number[];
  readonly grades: readonly number[];
}

export const TRIP_IDS = ['town', 'country', 'hills', 'motorway', 'farm'] as const;
export type TripId = (typeof TRIP_IDS)[number];
