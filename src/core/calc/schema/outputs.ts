import Joi from 'joi';
import { figure as number, orNull } from './fields';

/** What each law answers under `result`. Null: never, or not computed because an input is not there. */
const flag = () => Joi.boolean().required();
const flagOrNull = () => Joi.boolean().allow(null).required();
const byId = (value: Joi.Schema) => Joi.object().pattern(Joi.string(), value).required();
const list = () => Joi.array().items(Joi.number());

const operatingPoint = Joi.object({
  solvable: flag(),
  reason: Joi.string(),
  maximumLoadFactor: orNull(),
  islands: Joi.array().items(Joi.string()).required(),
  nodeVoltagesV: byId(Joi.number()),
  elementCurrentsA: byId(Joi.number()),
  elementPowersW: byId(Joi.number()),
  loadsOn: Joi.array().items(Joi.string()).required(),
});

const transient = Joi.object({
  converged: flag(),
  reason: Joi.string(),
  timesS: list().required(),
  nodeVoltagesV: byId(list()),
  elementCurrentsA: byId(list()),
  elements: byId(
    Joi.object({
      peakCurrentA: number(),
      peakCurrentAtS: number(),
      i2tA2s: number(),
      energyJ: number(),
      peakPowerW: number(),
    }),
  ),
  loadSwitchings: Joi.array()
    .items(Joi.object({ id: Joi.string().required(), atS: number(), on: flag() }))
    .required(),
});

export const networkOutput = Joi.alternatives(operatingPoint, transient);

const NULLABLE_PRECHARGE = [
  't90S',
  't95S',
  't98S',
  't99S',
  'closeAtS',
  'resistorEnergyToCloseJ',
  'settledVoltageV',
  'settledFraction',
  'settledResistorPowerW',
  'periodS',
  'voltageDifferenceAtClosingV',
  'inrushPeakCurrentA',
  'inrushI2tA2s',
  'linkPeakVoltageAfterClosingV',
] as const;
export const prechargeOutput = Joi.object({
  ...Object.fromEntries(NULLABLE_PRECHARGE.map((name) => [name, orNull()])),
  reachesCloseLevel: flag(),
  resistorPeakCurrentA: number(),
  resistorPeakPowerW: number(),
  resistorEnergyToTimeoutJ: number(),
  hiccup: flag(),
});

export const dischargeOutput = Joi.object({
  timeToTargetS: orNull(),
  energyRemovedJ: number(),
  energyStoredJ: number(),
  bleedContinuousLossW: number(),
  voltageAfter5sV: number(),
  resistanceOhm: orNull(),
});

export const shortCircuitOutput = Joi.object({
  loopResistanceOhm: number(),
  prospectiveCurrentA: number(),
  timeConstantS: number(),
  i2tA2s: Joi.object({ '5ms': number(), '20ms': number(), '50ms': number() }).required(),
  openCircuitVoltageV: number(),
});

export const cableOutput = Joi.object({
  ampacityA: number(),
  conductorTemperatureC: orNull(),
  steady: Joi.boolean(),
  surfaceTemperatureC: orNull(),
  heatWPerM: orNull(),
  resistance20OhmPerM: number(),
  resistanceHotOhmPerM: orNull(),
  dropV: orNull(),
  lossW: orNull(),
  massKgPerM: orNull(),
  massWithInsulationKgPerM: orNull(),
  areaMm2: orNull(),
  conductorDiameterMm: number(),
  outerDiameterMm: number(),
  placeFactor: number(),
});

export const withstandOutput = Joi.object({
  kAs05PerMm2: number(),
  k2s2A2s: number(),
  finalTemperatureReachedC: orNull(),
  holds: flagOrNull(),
  minimumAreaMm2: orNull(),
  melts: flagOrNull(),
  adiabatic: flagOrNull(),
});

const judgement = Joi.object({
  verdict: Joi.string().valid('holds', 'thin', 'fails', 'needs-data', 'waits').required(),
  demand: orNull(),
  limit: orNull(),
  margin: orNull(),
});
export const fuseOutput = Joi.object({
  rules: byId(judgement),
  rmsCurrentA: orNull(),
  lossAtRmsW: orNull(),
  meltTimeAtMaxS: orNull(),
  letThroughA: orNull(),
  preArcingI2tAtMaxA2s: orNull(),
  totalI2tAtMaxA2s: orNull(),
  meltTimeAtMinS: orNull(),
  totalI2tAtMinA2s: orNull(),
  fullRange: flagOrNull(),
});

export const fuseCurveOutput = Joi.object({
  preArcingS: Joi.array().items(Joi.number().allow(null)).required(),
  curve: Joi.array()
    .items(Joi.object({ timeS: number(), multiple: number() }))
    .required(),
});

export const insulationOutput = Joi.object({
  insulationOhm: number(),
  ohmPerVolt: number(),
  meets100: flag(),
  meets500: flag(),
  r0Between: Joi.string().valid('minus', 'plus').required(),
  leakingSide: Joi.string().valid('minus', 'plus', 'both').required(),
});

const partOrNull = (keys: Joi.SchemaMap) => Joi.object(keys).allow(null).required();
export const contactorOutput = Joi.object({
  closing: partOrNull({
    inrushPeakCurrentA: number(),
    inrushPeakAtS: number(),
    inrushI2tA2s: number(),
    overshootV: number(),
    dampingRatio: orNull(),
    makes: flagOrNull(),
  }),
  opening: partOrNull({ storedEnergyJ: number(), breaks: flagOrNull() }),
  coil: partOrNull({
    coilVoltageV: number(),
    pickUpVoltageV: number(),
    pullsIn: flag(),
    coilCurrentA: number(),
    releaseTimeS: orNull(),
    releaseTimeWithDiodeS: orNull(),
  }),
});

export const cableTransientOutput = Joi.object({
  peakTemperatureC: orNull(),
  endTemperatureC: orNull(),
  rmsCurrentA: number(),
  temperatureAtRmsC: orNull(),
  tau63S: orNull(),
  repeats: number(),
  settled: flag(),
});

export const joinPacksOutput = Joi.object({
  initialCurrentA: number(),
  busVoltageV: number(),
  voltageAtBV: number(),
  differenceV: number(),
  timeTo5PercentS: orNull(),
  socAAt5Percent: orNull(),
  socBAt5Percent: orNull(),
  heatJ: number(),
  finalSoc: number(),
  finalSocA: number(),
  finalSocB: number(),
  movedAh: number(),
});

export const driveOutput = Joi.object({
  distanceM: number(),
  energyBatteryJ: number(),
  energyPerKmWh: orNull(),
  rmsCurrentA: number(),
  meanCurrentA: number(),
  peakCurrentA: number(),
  peakRegenCurrentA: number(),
  energyRegeneratedJ: number(),
  tractionEnergyWheelJ: number(),
  brakingEnergyWheelJ: number(),
  batteryLossJ: number(),
  durationS: number(),
});

export const dcDcOutput = Joi.object({
  averageCurrentA: number(),
  averagePowerW: number(),
  coincidentPeakCurrentA: number(),
  ratedCurrentA: number(),
  averageFits: flag(),
  peakFits: flag(),
  batteryCurrentAtPeakA: number(),
  hvCurrentAverageA: number(),
  hvPowerAverageW: number(),
  loadsAverageCurrentA: number(),
});

export const holdUpOutput = Joi.object({ averageCurrentA: number(), peakCurrentA: number(), holdUpTimeS: orNull() });
export const parkedOutput = Joi.object({ days: orNull(), daysWithSelfDischarge: orNull() });

export const motorVoltageOutput = Joi.object({
  linkVoltageV: number(),
  requiredLinkVoltageV: number(),
  reachesRatedSpeed: flag(),
  availableRmsV: orNull(),
  baseSpeedRpm: number(),
  torqueAtBaseNm: number(),
  powerAtBaseW: number(),
  points: Joi.array().items(
    Joi.object({ speedRpm: number(), torqueNm: number(), powerW: number(), fieldWeakening: flag() }),
  ),
  backVoltageAtMaximumV: orNull(),
});
