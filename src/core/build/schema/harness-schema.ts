import Joi from 'joi';
import {
  COLOURS,
  END_STATES,
  FITTINGS,
  type HarnessList,
  MOST_FRAMES,
  MOST_IN_HARNESS,
  MOST_PIN_ROWS,
  OLD_END_STATES,
  SCREENS,
  WIRE_SIGNALS,
} from '../types';
import { day, id, name, nullable, object, optional, positive, record, text } from './fields';

const pinAt = () => object({ hostId: id(), pin: text(60) });
const pinNumber = () => Joi.number().integer().min(1).max(400);
const identifier = () => Joi.number().integer().min(0).max(0x1fffffff);
const area = () => positive(1000);

const made = () =>
  object({
    state: Joi.string().valid(...END_STATES),
    hostId: id(),
    terminal: text(60),
    hostName: text(200),
    areaMm2: nullable(area()),
    date: day(),
  });

const ENTRIES: Readonly<Record<HarnessList, Joi.Schema>> = {
  fittings: object({
    id: id(),
    name: name(),
    kind: Joi.string().valid(...FITTINGS),
    zoneId: nullable(id()),
    reachable: optional(Joi.boolean()),
  }),
  wires: object({
    id: id(),
    name: name(),
    signal: Joi.string().valid(...WIRE_SIGNALS),
    a: pinAt(),
    b: pinAt(),
    returns: optional(Joi.boolean()),
    areaMm2: optional(area()),
    lengthM: optional(positive(100)),
  }),
  marks: object({
    id: id(),
    colour: optional(Joi.string().valid(...COLOURS)),
    stripe: optional(Joi.string().valid(...COLOURS)),
    label: optional(text(40)),
    loom: optional(text(60)),
    twistedWith: optional(id()),
    screen: optional(Joi.string().valid(...SCREENS)),
    loopM: optional(Joi.number().min(0).max(20)),
    pinA: optional(pinNumber()),
    pinB: optional(pinNumber()),
    crimpA: optional(text(60)),
    crimpB: optional(text(60)),
  }),
  ends: object({ id: id(), name: text(200), a: optional(made()), b: optional(made()) }),
  plugs: object({
    id: id(),
    ways: optional(Joi.number().integer().min(1).max(400)),
    keyed: optional(Joi.boolean()),
    sealed: optional(Joi.boolean()),
  }),
  nodes: object({
    id: id(),
    hostId: id(),
    port: text(40),
    terminates: optional(Joi.boolean()),
    bitRateBps: optional(Joi.number().min(5000).max(1e6)),
    sends: optional(
      Joi.array()
        .items(
          object({
            identifier: identifier(),
            extended: optional(Joi.boolean()),
            bytes: Joi.number().integer().min(0).max(8),
            periodS: Joi.number().min(0.0005).max(3600),
          }),
        )
        .max(MOST_FRAMES),
    ),
    hears: optional(Joi.array().items(identifier()).max(MOST_FRAMES)),
  }),
  tables: object({
    id: id(),
    name: name(),
    rows: Joi.array()
      .items(object({ pin: text(20), signal: text(80), colour: text(20) }))
      .max(MOST_PIN_ROWS),
  }),
  looks: object({
    id: id(),
    subjectId: id(),
    what: text(200),
    water: Joi.boolean(),
    corrosion: Joi.boolean(),
    wetScreen: Joi.boolean(),
    insulationOhm: nullable(Joi.number().min(0).max(1e13)),
    photo: text(200),
    date: day(),
    by: text(60),
    renewed: optional(Joi.boolean()),
  }),
  oldEnds: object({
    id: id(),
    branchId: text(100),
    label: text(60),
    state: Joi.string().valid(...OLD_END_STATES),
  }),
};

export const harness = object({
  ...Object.fromEntries(
    Object.entries(ENTRIES).map(([list, entry]) => [
      list,
      optional(record(entry, MOST_IN_HARNESS[list as HarnessList])),
    ]),
  ),
  issue: optional(
    object({
      date: day(),
      wires: record(
        object({
          id: id(),
          no: Joi.number().integer().min(1).max(99999),
          name: text(200),
          a: text(200),
          b: text(200),
          areaMm2: nullable(area()),
          pinA: nullable(pinNumber()),
          pinB: nullable(pinNumber()),
        }),
        6000,
      ),
    }),
  ),
});
