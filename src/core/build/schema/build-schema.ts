import Joi from 'joi';
import { BODY_TYPES, FORMAT, LOSSES, STATE_IDS, TERMINALS, TRIP_IDS, VERSION } from '../types';
import {
  celsius,
  coilSuppression,
  id,
  metres,
  name,
  nonNegative,
  nullable,
  object,
  optional,
  positive,
  record,
  share,
  text,
} from './fields';
import { partSchema } from './part-schema';

const point = { xM: metres(), yM: metres(), zM: metres() };
const laid = object({
  zoneId: id(),
  arrangement: Joi.string().valid('single', 'touching-pair'),
  loadedCircuits: Joi.number().integer().min(1).max(50),
  conduit: Joi.boolean(),
});
const end = object({ deviceId: id(), terminal: Joi.string().max(20) });

const device = object({
  id: id(),
  kind: Joi.string().valid(...Object.keys(TERMINALS)),
  name: name(),
  partId: nullable(id()),
  place: nullable(object({ ...point, zoneId: id() })),
  cellsInSeries: optional(Joi.number().integer().min(1).max(500)),
  cellsInParallel: optional(Joi.number().integer().min(1).max(500)),
  role: optional(Joi.string().valid('main-plus', 'main-minus', 'precharge', 'charge', 'branch')),
  powersW: optional(
    Joi.object(Object.fromEntries(STATE_IDS.map((state) => [state, Joi.number().min(-1e6).max(1e6).optional()]))),
  ),
  insulationOhm: optional(positive(1e12)),
  yCapacitanceF: optional(nonNegative(1)),
  coilSuppression: optional(coilSuppression()),
});

const conductor = object({
  id: id(),
  name: name(),
  kind: Joi.string().valid('cable', 'busbar', 'bolted'),
  a: end,
  b: end,
  partId: nullable(id()),
  parallel: Joi.number().integer().min(1).max(20),
  routeId: nullable(id()),
  lengthM: nullable(positive(100)),
  laid: nullable(laid),
  jointResistanceOhm: nullable(nonNegative(1)),
});

const circuit = object({ devices: record(device), conductors: record(conductor) });

export const buildSchema = object({
  format: Joi.string().valid(FORMAT),
  version: Joi.number().valid(VERSION),
  id: id(),
  name: name(),
  notes: text(20000),
  units: Joi.string().valid('metric', 'us'),
  ruleSet: Joi.string().valid('iec', 'north-america'),
  schools: object({
    contactors: Joi.string().valid('both-poles', 'single-pole'),
    fusePosition: Joi.string().valid('pack-terminal', 'mid-string', 'both'),
    emergencyStop: Joi.string().valid('electrical', 'mechanical', 'both'),
  }),
  vehicle: object({
    description: text(2000),
    altitudeM: Joi.number().min(-500).max(6000),
    wheelbaseM: nullable(positive(20)),
    massEmptyKg: nullable(positive(100000)),
    grossMassKg: nullable(positive(100000)),
    startingPoint: optional(Joi.string().valid('engine-out', 'extend', 'repair')),
    body: optional(Joi.string().valid(...BODY_TYPES)),
    payloadKg: optional(nonNegative(100000)),
    dragAreaM2: optional(positive(20)),
    rollingCoefficient: optional(positive(0.2)),
    tyre: optional(text(40)),
    finalDriveRatio: optional(positive(100).min(0.05)),
    gearRatios: optional(Joi.array().items(positive(100).min(0.05)).min(1).max(12)),
    stageRatio: optional(positive(100).min(0.05)),
    drivelineEfficiency: optional(Joi.number().min(0.3).max(1)),
    frontShareEmpty: optional(Joi.number().min(0.1).max(0.9)),
  }),
  duty: object({
    cruisePowerW: nonNegative(1e6),
    hardAccelerationPowerW: nonNegative(1e6),
    hardAccelerationS: positive(600),
    hillPowerW: optional(nonNegative(1e6)),
    regenerationPowerW: optional(nonNegative(1e6)),
    startsPerDay: optional(nonNegative(1000)),
    powersFrom: optional(Joi.string().valid('typed', 'vehicle')),
    cruiseSpeedMPerS: optional(positive(100)),
    hillGrade: optional(Joi.number().min(0).max(1)),
    hillSpeedMPerS: optional(positive(100)),
    towedMassKg: optional(nonNegative(100000)),
    dailyDistanceM: optional(nonNegative(2e6)),
    coldestDayC: optional(celsius()),
    hottestDayC: optional(celsius()),
    tripId: optional(Joi.string().valid(...TRIP_IDS, 'own')),
    ownTrip: optional(
      object({
        name: name(),
        speedsMPerS: Joi.array().items(Joi.number().min(0).max(150)).min(2).max(36001),
        grades: Joi.array().items(Joi.number().min(-1).max(1)).min(2).max(36001),
      }),
    ),
    energyPricePerKWh: optional(nonNegative(1000)),
    formerFuelCostPerKm: optional(nonNegative(1000)),
    claimedRangeM: optional(nonNegative(1e7)),
  }),
  packLimits: object({
    socEmpty: share(),
    coldestCellC: celsius(),
    warmestCellC: celsius(),
    agedHealth: Joi.number().min(0.3).max(1),
  }),
  precharge: object({
    closeAtFraction: Joi.number().min(0.5).max(0.999),
    timeoutS: nullable(positive(60)),
    provesDead: optional(Joi.boolean()),
  }),
  states: Joi.object(
    Object.fromEntries(
      STATE_IDS.map((state) => [
        state,
        Joi.object({ inverterPowerW: Joi.number().min(-1e6).max(1e6).optional() }).optional(),
      ]),
    ),
  ),
  losses: optional(
    Joi.object(
      Object.fromEntries(LOSSES.map((loss) => [loss, Joi.string().valid('had', 'none', 'dropped').optional()])),
    ),
  ),
  parts: record(partSchema),
  zones: record(object({ id: id(), name: name(), ambientC: celsius() }), 200),
  routes: record(
    object({
      id: id(),
      name: name(),
      waypoints: Joi.array().items(object(point)).max(200),
      slackM: nonNegative(50),
      measuredLengthM: nullable(positive(100)),
      laid,
    }),
  ),
  circuits: object({ hv: circuit, lv: circuit }),
  readings: record(
    object({
      id: id(),
      subjectId: id(),
      field: Joi.string().max(60),
      value: Joi.number(),
      conditions: text(500),
      date: Joi.string().isoDate(),
      by: text(120),
    }),
    100000,
  ),
  adoptions: record(object({ id: id(), readingId: id(), subjectId: id(), field: Joi.string().max(60), partId: id() })),
});

/** JSON Schema (2020-12) of the build file, generated from the same rules. */
export function buildJsonSchema(): unknown {
  return buildSchema['~standard'].jsonSchema.input({ target: 'draft-2020-12' });
}
