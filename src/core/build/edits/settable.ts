import type { Dimension } from '../../quantities/units';

/** Plain figures of the document that one edit sets: where, of what dimension, between which bounds. */
export interface Settable {
  readonly label: string;
  readonly path: readonly [string, string];
  readonly dimension: Dimension;
  readonly min: number;
  readonly max: number;
  readonly nullable?: boolean;
}

export const SETTABLE = {
  cruisePower: { label: 'Cruise power', path: ['duty', 'cruisePowerW'], dimension: 'power', min: 0, max: 1e6 },
  hardPower: {
    label: 'Hard acceleration power',
    path: ['duty', 'hardAccelerationPowerW'],
    dimension: 'power',
    min: 0,
    max: 1e6,
  },
  hardTime: {
    label: 'Hard acceleration lasts',
    path: ['duty', 'hardAccelerationS'],
    dimension: 'time',
    min: 0.1,
    max: 600,
  },
  hillPower: { label: 'Hill power', path: ['duty', 'hillPowerW'], dimension: 'power', min: 0, max: 1e6 },
  regenerationPower: {
    label: 'Regeneration',
    path: ['duty', 'regenerationPowerW'],
    dimension: 'power',
    min: 0,
    max: 1e6,
  },
  startsPerDay: {
    label: 'Key turned on, a day',
    path: ['duty', 'startsPerDay'],
    dimension: 'count',
    min: 0,
    max: 1000,
  },
  socEmpty: { label: 'Stop driving at', path: ['packLimits', 'socEmpty'], dimension: 'ratio', min: 0, max: 1 },
  coldestCell: {
    label: 'Coldest cells',
    path: ['packLimits', 'coldestCellC'],
    dimension: 'temperature',
    min: -60,
    max: 60,
  },
  warmestCell: {
    label: 'Warmest cells',
    path: ['packLimits', 'warmestCellC'],
    dimension: 'temperature',
    min: -20,
    max: 80,
  },
  agedHealth: { label: 'Health when aged', path: ['packLimits', 'agedHealth'], dimension: 'ratio', min: 0.3, max: 1 },
  closeAt: {
    label: 'Close main contactor at',
    path: ['precharge', 'closeAtFraction'],
    dimension: 'ratio',
    min: 0.5,
    max: 0.999,
  },
  timeout: {
    label: 'Give up after',
    path: ['precharge', 'timeoutS'],
    dimension: 'time',
    min: 0.01,
    max: 60,
    nullable: true,
  },
  massEmpty: {
    label: 'Mass, empty',
    path: ['vehicle', 'massEmptyKg'],
    dimension: 'mass',
    min: 50,
    max: 100000,
    nullable: true,
  },
  massGross: {
    label: 'Gross limit',
    path: ['vehicle', 'grossMassKg'],
    dimension: 'mass',
    min: 50,
    max: 100000,
    nullable: true,
  },
  payload: { label: 'People and luggage', path: ['vehicle', 'payloadKg'], dimension: 'mass', min: 0, max: 100000 },
  wheelbase: {
    label: 'Wheelbase',
    path: ['vehicle', 'wheelbaseM'],
    dimension: 'length',
    min: 0.5,
    max: 20,
    nullable: true,
  },
  finalDrive: { label: 'Final drive', path: ['vehicle', 'finalDriveRatio'], dimension: 'count', min: 0.1, max: 100 },
  stageRatio: { label: 'Belt or chain stage', path: ['vehicle', 'stageRatio'], dimension: 'count', min: 0.1, max: 100 },
  driveline: {
    label: 'Driveline efficiency',
    path: ['vehicle', 'drivelineEfficiency'],
    dimension: 'ratio',
    min: 0.3,
    max: 1,
  },
  rolling: {
    label: 'Rolling resistance',
    path: ['vehicle', 'rollingCoefficient'],
    dimension: 'ratio',
    min: 0.001,
    max: 0.2,
  },
  cruiseSpeed: { label: 'Cruise speed', path: ['duty', 'cruiseSpeedMPerS'], dimension: 'speed', min: 0.5, max: 100 },
  hillGrade: { label: 'Steepest long climb', path: ['duty', 'hillGrade'], dimension: 'ratio', min: 0, max: 1 },
  hillSpeed: { label: 'Speed on it', path: ['duty', 'hillSpeedMPerS'], dimension: 'speed', min: 0.5, max: 100 },
  towedMass: { label: 'Towed', path: ['duty', 'towedMassKg'], dimension: 'mass', min: 0, max: 100000 },
  dailyDistance: { label: 'Distance a day', path: ['duty', 'dailyDistanceM'], dimension: 'distance', min: 0, max: 2e6 },
  coldestDay: { label: 'Coldest day', path: ['duty', 'coldestDayC'], dimension: 'temperature', min: -60, max: 60 },
  hottestDay: { label: 'Hottest day', path: ['duty', 'hottestDayC'], dimension: 'temperature', min: -60, max: 60 },
  energyPrice: {
    label: 'Energy price, a kWh',
    path: ['duty', 'energyPricePerKWh'],
    dimension: 'count',
    min: 0,
    max: 1000,
  },
  fuelCost: {
    label: 'Fuel cost before, a km',
    path: ['duty', 'formerFuelCostPerKm'],
    dimension: 'count',
    min: 0,
    max: 1000,
  },
  claimedRange: {
    label: 'Range that was promised',
    path: ['duty', 'claimedRangeM'],
    dimension: 'distance',
    min: 0,
    max: 1e7,
  },
  altitude: { label: 'Altitude', path: ['vehicle', 'altitudeM'], dimension: 'length', min: -500, max: 6000 },
} as const satisfies Record<string, Settable>;

export type SettableName = keyof typeof SETTABLE;
