import Joi from 'joi';
import { SAFEGUARDS } from '../safeguards';
import {
  BODY_TYPES,
  CATEGORIES,
  EXPOSURES,
  FATES,
  FORMAT,
  FOUNDING_SCHOOLS,
  INSPECTIONS,
  LOSSES,
  MOST_DRIVE_CELLS,
  MOST_DRIVES,
  MOST_HEALTH,
  OWN_LIMITS,
  PASSAGES,
  SCHOOL_CHOICES,
  STARTING_POINTS,
  STATE_IDS,
  TRIP_IDS,
  VERSION,
} from '../types';
import { brakes, cabin, cooling, gauges, steering } from './ancillary-schema';
import { bms, charging } from './charge-schema';
import { circuit, laid, point } from './circuit-schema';
import { commission } from './commission-schema';
import { controls, settings } from './control-schema';
import {
  celsius,
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
import { harness } from './harness-schema';
import { costs, customer, inHand, oldFaults } from './in-hand-schema';
import { logbook } from './logbook-schema';
import { partSchema } from './part-schema';
import { plan } from './plan-schema';

export const buildSchema = object({
  format: Joi.string().valid(FORMAT),
  version: Joi.number().valid(VERSION),
  id: id(),
  name: name(),
  notes: text(20000),
  units: Joi.string().valid('metric', 'us'),
  ruleSet: Joi.string().valid('iec', 'north-america', 'own'),
  schools: object(
    Object.fromEntries(
      Object.entries(SCHOOL_CHOICES).map(([id, choices]) => {
        const choice = Joi.string().valid(...choices);
        return [id, (FOUNDING_SCHOOLS as readonly string[]).includes(id) ? choice : optional(choice)];
      }),
    ),
  ),
  vehicle: object({
    description: text(2000),
    altitudeM: Joi.number().min(-500).max(6000),
    wheelbaseM: nullable(positive(20)),
    massEmptyKg: nullable(positive(100000)),
    grossMassKg: nullable(positive(100000)),
    startingPoint: optional(Joi.string().valid(...STARTING_POINTS)),
    body: optional(Joi.string().valid(...BODY_TYPES)),
    standCut: optional(Joi.boolean()),
    category: optional(Joi.string().valid(...CATEGORIES)),
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
    stopsPerKm: optional(nonNegative(20)),
    startSoc: optional(Joi.number().min(0.05).max(1)),
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
    claimedConsumptionWhPerKm: optional(nonNegative(10000)),
    claimedEnergyJ: optional(nonNegative(1e10)),
  }),
  packLimits: object({
    socEmpty: share(),
    socFull: optional(Joi.number().min(0.3).max(1)),
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
  asFound: optional(
    object(
      Object.fromEntries(
        INSPECTIONS.map((one) => [
          one,
          optional(object({ state: Joi.string().valid('good', 'mend', 'bad'), note: text(500) })),
        ]),
      ),
    ),
  ),
  safeguards: optional(object(Object.fromEntries(SAFEGUARDS.map((one) => [one, optional(Joi.boolean())])))),
  inHand: optional(inHand),
  costs: optional(costs),
  customer: optional(customer),
  oldFaults: optional(oldFaults),
  oldParts: optional(
    record(
      object({
        id: id(),
        name: name(),
        kind: Joi.string().valid('part', 'loom'),
        fate: nullable(Joi.string().valid(...FATES)),
        note: text(500),
      }),
      1000,
    ),
  ),
  supply: optional(
    object({
      voltageV: optional(positive(1000)),
      phases: optional(Joi.number().valid(1, 3)),
      breakerA: optional(positive(400)),
      outlet: optional(Joi.string().valid('socket', 'wall-unit')),
      runM: optional(positive(1000)),
      runMm2: optional(positive(500)),
    }),
  ),
  bms: optional(bms),
  charging: optional(charging),
  brakes: optional(brakes),
  steering: optional(steering),
  cabin: optional(cabin),
  cooling: optional(cooling),
  gauges: optional(gauges),
  controls: optional(controls),
  settings: optional(settings),
  harness: optional(harness),
  plan: optional(plan),
  commission: optional(commission),
  logbook: optional(logbook),
  drives: optional(
    record(
      object({
        id: id(),
        date: Joi.string().isoDate(),
        name: name(),
        from: Joi.string().valid('log', 'typed'),
        durationS: nullable(nonNegative(1e8)),
        outC: nullable(nonNegative(1e12)),
        backC: nullable(nonNegative(1e12)),
        peakA: nullable(Joi.number().min(-1e5).max(1e5)),
        lowV: nullable(positive(20)),
        hottestC: nullable(Joi.number().min(-100).max(1000)),
        cells: Joi.array()
          .items(
            object({
              lowestV: nullable(Joi.number().min(-1000).max(1000)),
              restV: nullable(Joi.number().min(-1000).max(1000)),
              resistanceOhm: nullable(Joi.number().min(-100).max(100)),
              lowS: nonNegative(1e8),
            }),
          )
          .max(MOST_DRIVE_CELLS),
      }),
      MOST_DRIVES,
    ),
  ),
  health: optional(
    record(
      object({
        id: id(),
        date: Joi.string().isoDate(),
        odometerM: nullable(nonNegative(1e10)),
        capacityAh: nullable(positive(1e5)),
        fastCharges: nullable(nonNegative(1e6)),
        slowCharges: nullable(nonNegative(1e6)),
        note: text(500),
      }),
      MOST_HEALTH,
    ),
  ),
  chassis: optional(
    object({
      trackM: optional(positive(5)),
      widthM: optional(positive(5)),
      heightM: optional(positive(6)),
      frontOverhangM: optional(nonNegative(5)),
      rearOverhangM: optional(nonNegative(8)),
      foundKg: optional(positive(100000)),
      foundFrontShare: optional(share()),
      strippedKg: optional(positive(100000)),
      strippedFrontShare: optional(share()),
      payloadXM: optional(metres()),
      frontLimitKg: optional(positive(100000)),
      rearLimitKg: optional(positive(100000)),
      frontSpringNPerM: optional(positive(1e7)),
      rearSpringNPerM: optional(positive(1e7)),
      frontClearanceM: optional(positive(2)),
      rearClearanceM: optional(positive(2)),
      luggageBeforeL: optional(nonNegative(20000)),
      luggageNowL: optional(nonNegative(20000)),
    }),
  ),
  restraint: optional(
    object({ forwardG: optional(positive(100)), sideG: optional(positive(100)), upG: optional(positive(100)) }),
  ),
  modules: optional(
    record(
      object({
        id: id(),
        voltageV: positive(1000),
        capacityAh: positive(10000),
        resistanceOhm: nonNegative(10),
      }),
      2000,
    ),
  ),
  stage: optional(
    object({
      kind: optional(Joi.string().valid('v-belt', 'timing-belt', 'chain')),
      motorPulleyM: optional(positive(2)),
      sideLimitN: optional(positive(1e6)),
      overspeedCut: optional(Joi.boolean()),
    }),
  ),
  secondPack: optional(
    object({
      ah: optional(positive(1e5)),
      ohm: optional(positive(100)),
      socA: optional(share()),
      socB: optional(share()),
      readAV: optional(positive(2000)),
      readBV: optional(positive(2000)),
    }),
  ),
  presetSpeed: optional(
    object({
      speedMPerS: optional(positive(100)),
      rampS: optional(positive(600)),
      deadMan: optional(Joi.boolean()),
    }),
  ),
  regeneration: optional(
    object({
      asked: optional(Joi.string().valid('none', 'brake-pedal', 'lift-off')),
      lampLit: optional(Joi.boolean()),
      share: optional(share()),
      torqueShare: optional(share()),
    }),
  ),
  ownLimits: optional(object(Object.fromEntries(OWN_LIMITS.map((name) => [name, optional(positive(1e6))])))),
  parts: record(partSchema),
  zones: record(
    object({
      id: id(),
      name: name(),
      ambientC: celsius(),
      extent: optional(
        object({ x0M: metres(), x1M: metres(), y0M: metres(), y1M: metres(), z0M: metres(), z1M: metres() }),
      ),
      exposure: optional(
        Joi.array()
          .items(Joi.string().valid(...EXPOSURES))
          .max(10),
      ),
      ingress: optional(text(20)),
    }),
    200,
  ),
  passages: optional(
    record(
      object({
        id: id(),
        name: name(),
        kind: Joi.string().valid(...PASSAGES),
        at: object(point),
        zoneIds: Joi.array().items(id()).length(2),
      }),
      200,
    ),
  ),
  routes: record(
    object({
      id: id(),
      name: name(),
      waypoints: Joi.array().items(object(point)).max(200),
      slackM: nonNegative(50),
      measuredLengthM: nullable(positive(100)),
      laid,
      endsFollow: optional(Joi.boolean()),
      facts: optional(
        object({
          signalDistanceM: optional(nonNegative(10)),
          overBrakeLine: optional(Joi.boolean()),
          throughPanel: optional(Joi.boolean()),
          grommet: optional(Joi.boolean()),
          cover: optional(Joi.boolean()),
          tightestBendM: optional(positive(10)),
          moves: optional(Joi.boolean()),
          shieldEarthed: optional(Joi.string().valid('both', 'one', 'none')),
        }),
      ),
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
      instrument: optional(text(120)),
      confirmed: optional(Joi.boolean().valid(true)),
    }),
    100000,
  ),
  adoptions: record(
    object({ id: id(), readingId: id(), subjectId: id(), field: Joi.string().max(60), partId: nullable(id()) }),
  ),
});

/** JSON Schema (2020-12) of the build file, generated from the same rules. */
export function buildJsonSchema(): unknown {
  return buildSchema['~standard'].jsonSchema.input({ target: 'draft-2020-12' });
}
