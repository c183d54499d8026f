import Joi from 'joi';
import {
  COMMISSION_LISTS,
  type CommissionList,
  MOST_IN_COMMISSION,
  MOST_TRACE_POINTS,
  OWN_TEST_DIMENSIONS,
  SHEETS,
  TRACE_KINDS,
} from '../types';
import { day, id, name, nullable, object, optional, positive, record, text } from './fields';

const reading = () => Joi.number().min(-1e12).max(1e12);
const sheet = () => Joi.string().valid(...SHEETS);
const values = () => Joi.array().items(reading()).max(MOST_TRACE_POINTS);

const ENTRIES: Readonly<Record<CommissionList, Joi.Schema>> = {
  results: object({
    id: id(),
    name: name(),
    sheet: sheet(),
    value: optional(reading()),
    dimension: optional(text(40)),
    meter: optional(
      object({ packV: positive(2000), largerV: positive(2000), withR0V: positive(2000), r0Ohm: positive(1e9) }),
    ),
    partId: optional(id()),
    ok: optional(Joi.boolean()),
    skipped: optional(text(300)),
    date: day(),
    by: optional(text(120)),
    instrument: optional(text(120)),
    note: optional(text(500)),
  }),
  ownTests: object({
    id: id(),
    sheet: sheet(),
    name: name(),
    where: text(200),
    switches: text(200),
    dimension: nullable(Joi.string().valid(...OWN_TEST_DIMENSIONS)),
    low: nullable(reading()),
    high: nullable(reading()),
    hv: optional(Joi.boolean()),
  }),
  signs: object({
    id: id(),
    sheet: sheet(),
    by: name(),
    role: optional(text(120)),
    date: day(),
    digest: Joi.string().pattern(/^[0-9a-f]{16}$/, '16 hexadecimal digits'),
  }),
  traces: object({
    id: id(),
    kind: Joi.string().valid(...TRACE_KINDS),
    stepId: nullable(id()),
    name: name(),
    date: day(),
    timesS: values(),
    values: values(),
  }),
};

export const commission = object(
  Object.fromEntries(COMMISSION_LISTS.map((list) => [list, optional(record(ENTRIES[list], MOST_IN_COMMISSION))])),
);
