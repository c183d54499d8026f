import Joi from 'joi';
import { BOLTS, LOAD_JOBS, LOAD_SORTS, SCENARIOS, SEEN_BY, STATE_IDS, TERMINALS, TRAILER_JOINS } from '../types';
import {
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

/** Devices, conductors and the two circuits of the document. */
export const point = { xM: metres(), yM: metres(), zM: metres() };
export const laid = object({
  zoneId: id(),
  arrangement: Joi.string().valid('single', 'touching-pair'),
  loadedCircuits: Joi.number().integer().min(1).max(50),
  conduit: Joi.boolean(),
});
const end = object({ deviceId: id(), terminal: Joi.string().max(20) });

export const device = object({
  id: id(),
  kind: Joi.string().valid(...Object.keys(TERMINALS)),
  name: name(),
  partId: nullable(id()),
  place: nullable(object({ ...point, zoneId: id(), usual: optional(Joi.boolean().valid(true)) })),
  cellsInSeries: optional(Joi.number().integer().min(1).max(500)),
  cellsInParallel: optional(Joi.number().integer().min(1).max(500)),
  role: optional(Joi.string().valid('main-plus', 'main-minus', 'precharge', 'charge', 'branch')),
  powersW: optional(
    Joi.object(Object.fromEntries(STATE_IDS.map((state) => [state, Joi.number().min(-1e6).max(1e6).optional()]))),
  ),
  insulationOhm: optional(positive(1e12)),
  yCapacitanceF: optional(nonNegative(1)),
  coilSuppression: optional(coilSuppression()),
  ingress: optional(text(20)),
  insideId: optional(id()),
  sizeM: optional(object({ lengthM: positive(10), widthM: positive(5), heightM: positive(5) })),
  outlet: optional(object(point)),
  massKg: optional(nonNegative(5000)),
  load: optional(
    object({
      sort: Joi.string().valid(...LOAD_SORTS),
      job: optional(Joi.string().valid(...LOAD_JOBS)),
      kind: Joi.string().valid('constant-power', 'constant-resistance', 'constant-current'),
      rating: nonNegative(20000),
      referenceVoltageV: optional(positive(100)),
      peakRating: optional(nonNegative(20000)),
      peakS: optional(positive(600)),
      essential: Joi.boolean(),
      use: object(Object.fromEntries(SCENARIOS.map((one) => [one, optional(share())]))),
      minimumV: optional(positive(100)),
    }),
  ),
  battery: optional(
    object({
      chemistry: Joi.string().valid('lead-flooded', 'lead-agm', 'lfp'),
      capacityAh: positive(2000),
      ratedHours: positive(200),
      resistanceOhm: positive(1),
      cutOffV: optional(positive(60)),
    }),
  ),
  converter: optional(
    object({
      outputV: positive(60),
      ratedPowerW: positive(20000),
      efficiency: Joi.number().greater(0.3).max(1),
      hotShare: optional(share()),
    }),
  ),
  trailer: optional(
    object({
      interlock: optional(Joi.boolean()),
      joined: optional(Joi.string().valid(...TRAILER_JOINS)),
      flexes: optional(Joi.boolean()),
      breakAway: optional(Joi.boolean()),
    }),
  ),
  torqueShare: optional(positive(1)),
  gearing: optional(Joi.number().min(0.02).max(50)),
  ratedA: optional(positive(2000)),
  opensParked: optional(Joi.boolean()),
  way: optional(Joi.number().integer().min(1).max(200)),
  hold: optional(
    object({
      fixings: optional(Joi.number().integer().min(1).max(200)),
      bolt: optional(Joi.string().valid(...BOLTS)),
      boltClass: optional(Joi.string().valid('8.8', '10.9')),
      reachCells: optional(Joi.boolean()),
      reachFuse: optional(Joi.boolean()),
      reachDisconnect: optional(Joi.boolean()),
      vent: optional(Joi.boolean()),
      drain: optional(Joi.boolean()),
    }),
  ),
  warmsCells: optional(Joi.boolean()),
  coolsCellsW: optional(positive(1e5)),
  plug: optional(
    object({
      outside: optional(Joi.boolean()),
      seenBy: optional(Joi.string().valid(...SEEN_BY)),
      keyed: optional(Joi.boolean()),
    }),
  ),
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
  sectionMm2: optional(positive(5000)),
  connectorA: optional(positive(2000)),
});

export const circuit = object({ devices: record(device), conductors: record(conductor) });
