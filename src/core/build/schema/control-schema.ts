import Joi from 'joi';
import {
  CONTROL_FLAGS,
  LONGEST_RUN_S,
  MOST_ATOMS,
  MOST_EVENTS,
  MOST_PROPERTIES,
  MOST_TIMELINES,
  PROPERTY_FORMS,
  REMOTE_STOPS,
  SETTINGS,
} from '../types';
import { id, name, nonNegative, nullable, object, optional, positive, record, text } from './fields';

const signals = () =>
  Joi.array()
    .items(object({ signal: text(40), is: Joi.boolean() }))
    .max(MOST_ATOMS);

export const controls = object({
  ...Object.fromEntries(CONTROL_FLAGS.map((flag) => [flag, optional(Joi.boolean())])),
  remoteStop: optional(Joi.string().valid(...REMOTE_STOPS)),
  openBelowA: optional(positive(1000)),
  wakeS: optional(nonNegative(60)),
  stepS: optional(nonNegative(60)),
  messageS: optional(positive(60)),
  regenToMPerS: optional(positive(50)),
  pedalRestV: optional(nonNegative(24)),
  pedalFullV: optional(nonNegative(24)),
  pedalLowV: optional(nonNegative(24)),
  pedalHighV: optional(nonNegative(24)),
  rampS: optional(nonNegative(60)),
  economyShare: optional(positive(1)),
  regenLowShare: optional(positive(1)),
  steps: optional(record(object({ off: optional(Joi.boolean()), and: optional(signals()) }), 100)),
  properties: optional(
    record(
      object({
        id: id(),
        name: name(),
        form: Joi.string().valid(...PROPERTY_FORMS),
        when: signals().min(1),
        brings: optional(signals()),
      }),
      MOST_PROPERTIES,
    ),
  ),
  timelines: optional(
    record(
      object({
        id: id(),
        name: name(),
        events: Joi.array()
          .items(object({ atS: nonNegative(LONGEST_RUN_S), input: text(40), is: Joi.boolean() }))
          .max(MOST_EVENTS),
        outcome: text(20000),
        lengthS: nonNegative(LONGEST_RUN_S),
      }),
      MOST_TIMELINES,
    ),
  ),
});

export const settings = object({
  sheets: optional(
    record(
      object({
        id: id(),
        deviceId: id(),
        firmware: text(60),
        date: Joi.alternatives(Joi.string().isoDate(), Joi.string().valid('')),
        by: text(60),
      }),
      500,
    ),
  ),
  entries: optional(
    record(
      object({
        id: id(),
        deviceId: id(),
        setting: Joi.string().valid(...SETTINGS),
        entered: nullable(Joi.number().min(-1e6).max(1e6)),
        readBack: nullable(Joi.number().min(-1e6).max(1e6)),
      }),
      5000,
    ),
  ),
});
