import { defineStation } from '../define';
import { planResults } from './results';
import { PLAN_RULES } from './rules';

/** What can be done now, and what waits? */
export const plan = defineStation({
  id: 'plan',
  name: 'Plan',
  question: 'What can be done now, and what waits?',
  key: 'j',
  begin: 'set the hours of a week, or tick a job: the jobs come by themselves',
  rules: [...PLAN_RULES],
  leaves: ({ vehicle }) =>
    vehicle.build.plan === undefined
      ? ['Stand-ins and loose ends in the car: no plan is kept, so nothing gates the road test.']
      : [],
  results: planResults,
});

export { deviceOfJob, doneEdits, type Job } from './jobs';
export { gating, type RegisterLine } from './register';
export type { PlanResults } from './results';
export { criticalPath, cycles, doable, type Forecast, forecast, heldBy, type Scheduled, schedule } from './schedule';
export { type WeekNote, weekNote, weekText } from './week';
