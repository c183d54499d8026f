import Joi from 'joi';
import { CLAIM_KINDS, LOG_KINDS, LOGBOOK_LISTS, type LogbookList, MOST_IN_LOGBOOK, MOST_ITEMS } from '../types';
import {
  celsius,
  day,
  id,
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

const days = () => Joi.number().integer().min(1).max(36500);

const ENTRIES: Readonly<Record<LogbookList, Joi.Schema>> = {
  entries: object({
    id: id(),
    kind: Joi.string().valid(...LOG_KINDS),
    date: day(),
    what: name(),
    odometerM: optional(nonNegative(1e10)),
    ranS: optional(nonNegative(1e9)),
    by: optional(text(120)),
    distanceM: optional(nonNegative(1e8)),
    energyJ: optional(nonNegative(1e11)),
    socFrom: optional(share()),
    socTo: optional(share()),
    outsideC: optional(celsius()),
    durationS: optional(nonNegative(1e7)),
    capacityAh: optional(positive(1e5)),
    spreadV: optional(nonNegative(10)),
    resistanceOhm: optional(positive(1e3)),
    insulationOhm: optional(nonNegative(1e12)),
    code: optional(text(40)),
    cleared: optional(day()),
    taskIds: optional(Joi.array().items(id()).max(50)),
    wear: optional(
      Joi.array()
        .items(object({ taskId: id(), valueM: nonNegative(10) }))
        .max(50),
    ),
  }),
  upkeep: object({
    id: id(),
    name: optional(name()),
    everyDays: optional(nullable(days())),
    everyM: optional(nullable(positive(1e9))),
    everyRunS: optional(nullable(positive(1e9))),
    wearLimitM: optional(positive(10)),
    wearNewM: optional(positive(10)),
    off: optional(text(200)),
  }),
  checklists: object({ id: id(), name: name(), items: Joi.array().items(name()).max(MOST_ITEMS) }),
  runs: object({
    id: id(),
    listId: id(),
    date: day(),
    by: optional(text(120)),
    ticks: Joi.array()
      .items(Joi.string().valid('yes', 'no', 'open'))
      .max(MOST_ITEMS),
  }),
  claims: object({
    id: id(),
    kind: Joi.string().valid(...CLAIM_KINDS),
    value: positive(1e9),
    by: name(),
    since: day(),
  }),
};

export const logbook = object(
  Object.fromEntries(LOGBOOK_LISTS.map((list) => [list, optional(record(ENTRIES[list], MOST_IN_LOGBOOK))])),
);
