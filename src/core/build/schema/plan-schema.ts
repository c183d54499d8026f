import Joi from 'joi';
import { MOST_AFTER, MOST_IN_PLAN, OPEN_KINDS, type PlanList, STAGES, WAIT_KINDS } from '../types';
import { day, id, name, nonNegative, nullable, object, optional, positive, record, text } from './fields';

const jobIds = () => Joi.array().items(id()).max(MOST_AFTER);

const ENTRIES: Readonly<Record<PlanList, Joi.Schema>> = {
  jobs: object({
    id: id(),
    hours: optional(positive(2000)),
    spentH: optional(nonNegative(20000)),
    begun: optional(day()),
    done: optional(day()),
    note: optional(text(500)),
    after: optional(jobIds()),
  }),
  ownJobs: object({
    id: id(),
    name: name(),
    stage: Joi.string().valid(...STAGES),
    zoneId: nullable(id()),
    hours: positive(2000),
    hv: optional(Joi.boolean()),
    two: optional(Joi.boolean()),
  }),
  waits: object({
    id: id(),
    what: name(),
    kind: Joi.string().valid(...WAIT_KINDS),
    jobs: jobIds(),
    since: day(),
    expected: nullable(day()),
    there: nullable(day()),
  }),
  register: object({
    id: id(),
    kind: Joi.string().valid(...OPEN_KINDS),
    what: name(),
    deviceId: optional(id()),
    since: day(),
    closed: nullable(day()),
    mayStay: optional(text(200)),
  }),
};

export const plan = object({
  starts: optional(day()),
  hoursPerWeek: optional(positive(168)),
  ...Object.fromEntries(Object.entries(ENTRIES).map(([list, entry]) => [list, optional(record(entry, MOST_IN_PLAN))])),
});
