import Joi from 'joi';
import { BOUGHT_STATES, LOOKED_AT, MADE_STATES } from '../types';
import { id, name, nonNegative, object, optional, positive, record, text } from './fields';

export const inHand = record(
  object({
    id: id(),
    name: name(),
    made: Joi.boolean(),
    state: Joi.string().valid(...new Set<string>([...BOUGHT_STATES, ...MADE_STATES])),
    count: Joi.number().integer().min(1).max(10000),
    spare: optional(Joi.boolean()),
    deviceId: optional(id()),
    price: optional(nonNegative(1e7)),
    paid: optional(Joi.boolean()),
    from: optional(text(200)),
    came: optional(text(300)),
    donor: optional(text(120)),
    donorM: optional(nonNegative(3e9)),
    donorYear: optional(Joi.number().integer().min(1900).max(2200)),
    found: optional(
      object(Object.fromEntries(LOOKED_AT.map((one) => [one, optional(Joi.string().valid('good', 'bad'))]))),
    ),
    note: optional(text(500)),
  }),
  2000,
);

export const costs = object({ budget: optional(positive(1e8)) });

export const customer = object({
  agreedPrice: optional(positive(1e8)),
  options: optional(text(2000)),
  odometerM: optional(nonNegative(1e10)),
  keys: optional(Joi.number().integer().min(0).max(100)),
  damage: optional(text(2000)),
});

export const oldFaults = record(object({ id: id(), what: name(), cause: text(500), mended: Joi.boolean() }), 500);
