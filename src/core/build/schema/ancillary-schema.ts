import Joi from 'joi';
import { ANCILLARY_FLAGS, type Ancillary, GAUGE_SHOWS, OLD_GAUGES } from '../types';
import { celsius, nonNegative, object, optional, positive, share } from './fields';

const flags = (of: Ancillary) =>
  Object.fromEntries(ANCILLARY_FLAGS[of].map((flag: string) => [flag, optional(Joi.boolean())]));

export const brakes = object({
  boosterL: optional(positive(50)),
  reservoirL: optional(positive(100)),
  hoseL: optional(positive(20)),
  sweptL: optional(positive(20)),
  pumpLPerMin: optional(positive(1000)),
  pumpMostPa: optional(positive(101000)),
  flowBasis: optional(Joi.string().valid('free-air', 'inlet')),
  pumpDuty: optional(positive(1)),
  switchOnPa: optional(positive(101000)),
  switchOffPa: optional(positive(101000)),
  leastPa: optional(positive(101000)),
  warnPa: optional(positive(101000)),
  pulledToPa: optional(positive(101000)),
  pulledS: optional(positive(3600)),
  leakPa: optional(nonNegative(101000)),
  diaphragmM: optional(positive(1)),
  masterM: optional(positive(0.1)),
  strokeM: optional(positive(0.2)),
  fluidL: optional(positive(1)),
  pedalN: optional(positive(3000)),
  boostRatio: optional(Joi.number().min(1).max(15)),
  discKg: optional(positive(1000)),
  ...flags('brakes'),
});

export const steering = object({
  pistonMm2: optional(positive(1e5)),
  travelM: optional(positive(0.5)),
  leakLPerMin: optional(nonNegative(50)),
  needPa: optional(positive(5e7)),
  bearsPa: optional(positive(5e7)),
  pumpLPerMin: optional(positive(200)),
  reliefPa: optional(positive(5e7)),
  efficiency: optional(positive(1)),
  idleW: optional(nonNegative(5000)),
  idleShare: optional(share()),
  ratio: optional(positive(60)),
  rimM: optional(positive(1)),
  tyrePa: optional(positive(2e6)),
  columnNm: optional(positive(500)),
  fullToMPerS: optional(nonNegative(100)),
  noneFromMPerS: optional(positive(100)),
  beltW: optional(nonNegative(50000)),
  ...flags('steering'),
});

export const cabin = object({
  lossWPerK: optional(positive(5000)),
  freshKgPerS: optional(nonNegative(2)),
  recirculated: optional(share()),
  heatJPerK: optional(positive(1e8)),
  wantedC: optional(celsius()),
  seatsW: optional(nonNegative(5000)),
  inrush: optional(Joi.number().min(1).max(10)),
  boxLengthM: optional(positive(2)),
  boxWidthM: optional(positive(2)),
  boxDepthM: optional(positive(2)),
  ...flags('cabin'),
});

export const cooling = object({
  flowLPerMin: optional(positive(500)),
  radiatorWPerK: optional(positive(1e5)),
  coolantL: optional(positive(200)),
  pumpPa: optional(positive(1e7)),
  pumpFreeLPerMin: optional(positive(500)),
  dropPa: optional(positive(1e7)),
  dropAtLPerMin: optional(positive(500)),
  stillWPerK: optional(positive(1e5)),
  plateM2: optional(positive(20)),
  plateC: optional(celsius()),
  spinW: optional(positive(1e5)),
  inletC: optional(celsius()),
  loggedC: optional(celsius()),
  loggedAirC: optional(celsius()),
  actC: optional(celsius()),
  ...flags('cooling'),
});

export const gauges = object({
  shows: optional(
    object(Object.fromEntries(OLD_GAUGES.map((gauge) => [gauge, optional(Joi.string().valid(...GAUGE_SHOWS))]))),
  ),
  lampOnV: optional(positive(20)),
  lampOffV: optional(positive(20)),
  lampHoldS: optional(nonNegative(600)),
  shiftRpm: optional(positive(40000)),
  ...flags('gauges'),
});
