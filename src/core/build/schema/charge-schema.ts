import Joi from 'joi';
import { APART, CELL_CARE_FLAGS, CHARGING_FLAGS, LIMIT_CURVES, MOST_CURVE_POINTS, RESIDUAL, SEEN_END } from '../types';
import { celsius, nonNegative, object, optional, positive, share } from './fields';

/** What watches the cells, in the document and in a configuration file. */
export const bms = object({
  overV: optional(positive(20)),
  overReleaseV: optional(positive(20)),
  underV: optional(positive(20)),
  underReleaseV: optional(positive(20)),
  chargeFromC: optional(celsius()),
  chargeToC: optional(celsius()),
  dischargeToC: optional(celsius()),
  balanceFromV: optional(positive(20)),
  balanceA: optional(positive(100)),
  balanceDuty: optional(positive(1)),
  curves: optional(
    object(
      Object.fromEntries(
        LIMIT_CURVES.map((curve) => [
          curve,
          optional(
            Joi.array()
              .items(Joi.array().items(Joi.number().min(-100).max(1e5)).min(2).max(2))
              .max(MOST_CURVE_POINTS),
          ),
        ]),
      ),
    ),
  ),
  ventMm2: optional(positive(1e7)),
  waterReserveKg: optional(positive(100)),
  otherA: optional(positive(100)),
  spreadSoc: optional(share()),
  leakSpread: optional(share()),
  fullCharges: optional(positive(300)),
  channels: optional(Joi.number().integer().min(1).max(2000)),
  senseM: optional(positive(100)),
  senseMm2: optional(positive(10)),
  sensePins: optional(Joi.number().integer().min(2).max(200)),
  keptCells: optional(Joi.number().integer().min(1).max(2000)),
  keptAh: optional(positive(1e5)),
  tapsV: optional(Joi.array().items(Joi.number().min(-2000).max(2000)).max(2000)),
  ...Object.fromEntries(CELL_CARE_FLAGS.map((flag) => [flag, optional(Joi.boolean())])),
});

/** How the pack is charged. */
export const charging = object({
  cellV: optional(positive(20)),
  cutoffA: optional(positive(1000)),
  cutoffAt: optional(Joi.string().valid('pack', 'charger')),
  outputA: optional(positive(2000)),
  efficiency: optional(Joi.number().min(0.3).max(1)),
  cordA: optional(positive(400)),
  limitA: optional(positive(400)),
  fromSoc: optional(share()),
  nightS: optional(positive(200000)),
  timeLimitS: optional(positive(1e6)),
  chargeLimitAh: optional(positive(1e5)),
  readyH: optional(Joi.number().min(0).max(24)),
  cheapFromH: optional(Joi.number().min(0).max(24)),
  cheapToH: optional(Joi.number().min(0).max(24)),
  cheapPricePerKWh: optional(nonNegative(1000)),
  apart: optional(Joi.string().valid(...APART)),
  residual: optional(Joi.string().valid(...RESIDUAL)),
  acMm2: optional(positive(500)),
  acEarthMm2: optional(positive(500)),
  acClassC: optional(positive(300)),
  acBreakerA: optional(positive(400)),
  earthOhm: optional(nonNegative(1e6)),
  seenEnd: optional(Joi.string().valid(...SEEN_END)),
  trickleA: optional(positive(200)),
  trialV: optional(positive(2000)),
  ...Object.fromEntries(CHARGING_FLAGS.map((flag) => [flag, optional(Joi.boolean())])),
  perKelvinV: optional(nonNegative(0.1)),
  measuredJ: optional(positive(1e10)),
  measuredS: optional(positive(1e6)),
  measuredFromSoc: optional(share()),
  measuredToSoc: optional(share()),
});
