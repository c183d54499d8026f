import type { Dimension } from '../../quantities/units';

/** Plain figures of the document that one edit sets: where, of what dimension, between which bounds. */
export interface Settable {
  readonly label: string;
  readonly path: readonly [string, string];
  readonly dimension: Dimension;
  readonly min: number;
  readonly max: number;
  /** empty: null stands for nothing told; always: it has a value at any time; else it may be absent. */
  readonly kept?: 'empty' | 'always';
}

const figure = (
  label: string,
  path: Settable['path'],
  dimension: Dimension,
  min: number,
  max: number,
  kept?: Settable['kept'],
): Settable => ({ label, path, dimension, min, max, ...(kept ? { kept } : {}) });

export const SETTABLE = {
  cruisePower: figure('Cruise power', ['duty', 'cruisePowerW'], 'power', 0, 1e6, 'always'),
  hardPower: figure('Hard acceleration power', ['duty', 'hardAccelerationPowerW'], 'power', 0, 1e6, 'always'),
  hardTime: figure('Hard acceleration lasts', ['duty', 'hardAccelerationS'], 'time', 0.1, 600, 'always'),
  hillPower: figure('Hill power', ['duty', 'hillPowerW'], 'power', 0, 1e6),
  regenerationPower: figure('Regeneration', ['duty', 'regenerationPowerW'], 'power', 0, 1e6),
  startsPerDay: figure('Key turned on, a day', ['duty', 'startsPerDay'], 'count', 0, 1000),
  socFull: figure('Charged to', ['packLimits', 'socFull'], 'ratio', 0.3, 1),
  socEmpty: figure('Stop driving at', ['packLimits', 'socEmpty'], 'ratio', 0, 1, 'always'),
  coldestCell: figure('Coldest cells', ['packLimits', 'coldestCellC'], 'temperature', -60, 60, 'always'),
  warmestCell: figure('Warmest cells', ['packLimits', 'warmestCellC'], 'temperature', -20, 80, 'always'),
  agedHealth: figure('Health when aged', ['packLimits', 'agedHealth'], 'ratio', 0.3, 1, 'always'),
  closeAt: figure('Close main contactor at', ['precharge', 'closeAtFraction'], 'ratio', 0.5, 0.999, 'always'),
  timeout: figure('Give up after', ['precharge', 'timeoutS'], 'time', 0.01, 60, 'empty'),
  massEmpty: figure('Mass, empty', ['vehicle', 'massEmptyKg'], 'mass', 50, 1e5, 'empty'),
  massGross: figure('Gross limit', ['vehicle', 'grossMassKg'], 'mass', 50, 1e5, 'empty'),
  payload: figure('People and luggage', ['vehicle', 'payloadKg'], 'mass', 0, 1e5),
  wheelbase: figure('Wheelbase', ['vehicle', 'wheelbaseM'], 'length', 0.5, 20, 'empty'),
  finalDrive: figure('Final drive', ['vehicle', 'finalDriveRatio'], 'count', 0.1, 100),
  stageRatio: figure('Reduction drive', ['vehicle', 'stageRatio'], 'count', 0.1, 100),
  driveline: figure('Driveline efficiency', ['vehicle', 'drivelineEfficiency'], 'ratio', 0.3, 1),
  rolling: figure('Rolling resistance', ['vehicle', 'rollingCoefficient'], 'ratio', 0.001, 0.2),
  cruiseSpeed: figure('Cruise speed', ['duty', 'cruiseSpeedMPerS'], 'speed', 0.5, 100),
  hillGrade: figure('Steepest long climb', ['duty', 'hillGrade'], 'ratio', 0, 1),
  hillSpeed: figure('Speed on it', ['duty', 'hillSpeedMPerS'], 'speed', 0.5, 100),
  towedMass: figure('Towed', ['duty', 'towedMassKg'], 'mass', 0, 1e5),
  dailyDistance: figure('Distance a day', ['duty', 'dailyDistanceM'], 'distance', 0, 2e6),
  stopsPerKm: figure('Stops, at least', ['duty', 'stopsPerKm'], 'perDistance', 0, 20),
  startSoc: figure('Begins with a charge of', ['duty', 'startSoc'], 'ratio', 0.05, 1),
  regenShare: figure('Braking that the motor takes', ['regeneration', 'share'], 'ratio', 0, 1),
  regenTorque: figure('Braking torque, of its peak', ['regeneration', 'torqueShare'], 'ratio', 0, 1),
  coldestDay: figure('Coldest day', ['duty', 'coldestDayC'], 'temperature', -60, 60),
  hottestDay: figure('Hottest day', ['duty', 'hottestDayC'], 'temperature', -60, 60),
  energyPrice: figure('Energy price, a kWh', ['duty', 'energyPricePerKWh'], 'count', 0, 1000),
  fuelCost: figure('Fuel cost before', ['duty', 'formerFuelCostPerKm'], 'perDistance', 0, 1000),
  claimedRange: figure('Range that was promised', ['duty', 'claimedRangeM'], 'distance', 0, 1e7),
  supplyVoltage: figure('Voltage at the socket', ['supply', 'voltageV'], 'voltage', 50, 1000),
  supplyBreaker: figure('Its breaker', ['supply', 'breakerA'], 'current', 1, 400),
  track: figure('Track', ['chassis', 'trackM'], 'length', 0.5, 5),
  width: figure('Width', ['chassis', 'widthM'], 'length', 0.5, 5),
  height: figure('Height', ['chassis', 'heightM'], 'length', 0.5, 6),
  frontOverhang: figure('Before the front axle', ['chassis', 'frontOverhangM'], 'length', 0, 5),
  rearOverhang: figure('Behind the rear axle', ['chassis', 'rearOverhangM'], 'length', 0, 8),
  foundMass: figure('As found, empty', ['chassis', 'foundKg'], 'mass', 50, 1e5),
  foundFront: figure('… of it in front', ['chassis', 'foundFrontShare'], 'ratio', 0, 1),
  strippedMass: figure('Stripped', ['chassis', 'strippedKg'], 'mass', 50, 1e5),
  strippedFront: figure('… of it in front', ['chassis', 'strippedFrontShare'], 'ratio', 0, 1),
  payloadX: figure('A load sits behind front axle', ['chassis', 'payloadXM'], 'length', -5, 20),
  frontLimit: figure('Front axle, limit', ['chassis', 'frontLimitKg'], 'mass', 10, 1e5),
  rearLimit: figure('Rear axle, limit', ['chassis', 'rearLimitKg'], 'mass', 10, 1e5),
  frontSpring: figure('Front springs', ['chassis', 'frontSpringNPerM'], 'springRate', 100, 1e7),
  rearSpring: figure('Rear springs', ['chassis', 'rearSpringNPerM'], 'springRate', 100, 1e7),
  frontClearance: figure('Front, to the bump stop', ['chassis', 'frontClearanceM'], 'length', 0.001, 2),
  rearClearance: figure('Rear, to the bump stop', ['chassis', 'rearClearanceM'], 'length', 0.001, 2),
  luggageBefore: figure('Luggage space before', ['chassis', 'luggageBeforeL'], 'volume', 0, 20000),
  luggageNow: figure('Luggage space now', ['chassis', 'luggageNowL'], 'volume', 0, 20000),
  restraintForward: figure('Held forward, g', ['restraint', 'forwardG'], 'count', 1, 100),
  restraintSide: figure('Held sideways, g', ['restraint', 'sideG'], 'count', 1, 100),
  restraintUp: figure('Held up, g', ['restraint', 'upG'], 'count', 1, 100),
  motorPulley: figure('Pulley on the motor, pitch diameter', ['stage', 'motorPulleyM'], 'length', 0.01, 2),
  sideLimit: figure('Side load that the shaft takes', ['stage', 'sideLimitN'], 'force', 1, 1e6),
  presetSpeed: figure('Set speed', ['presetSpeed', 'speedMPerS'], 'speed', 0.1, 100),
  presetRamp: figure('Reached within', ['presetSpeed', 'rampS'], 'time', 0.1, 600),
  claimedConsumption: figure(
    'Consumption that was promised',
    ['duty', 'claimedConsumptionWhPerKm'],
    'consumption',
    0,
    10000,
  ),
  claimedEnergy: figure('Energy that was promised', ['duty', 'claimedEnergyJ'], 'energy', 0, 1e10),
  altitude: figure('Altitude', ['vehicle', 'altitudeM'], 'length', -500, 6000, 'always'),
} satisfies Record<string, Settable>;

export type SettableName = keyof typeof SETTABLE;
