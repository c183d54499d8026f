import type { Wait } from '../../build';
import type { Context } from '../context';
import { type Job, jobsOf } from './jobs';
import { type RegisterLine, registerOf } from './register';
import { doable } from './schedule';

export interface PlanResults {
  readonly jobs: readonly Job[];
  /** Ids of what can be done now. */
  readonly now: ReadonlySet<string>;
  readonly waits: readonly Wait[];
  readonly register: readonly RegisterLine[];
}

/** What the Plan screen shows; dates come in with the day at which somebody looks. */
export const planResults = ({ vehicle }: Context): PlanResults => {
  const jobs = jobsOf(vehicle);
  const waits = Object.values(vehicle.build.plan?.waits ?? {});
  return { jobs, now: new Set(doable(jobs, waits).map(({ id }) => id)), waits, register: registerOf(vehicle) };
};
