import { FOUNDING_SCHOOLS, jobOf, type SchoolId } from '../../build';
import type { Finding, Ref } from '../../checks';
import * as propose from '../../proposals';
import { defineRule } from '../define';
import { doesJob, JOB_WORDS } from './school-jobs';
import { type Answer, hasDevice, JUDGES, type Judge } from './school-judges';

/** Schools in workshop words, as the findings name them. */
export const SCHOOL_WORDS: Readonly<Record<SchoolId, string>> = {
  contactors: 'Contactors',
  fusePosition: 'Main fuse',
  emergencyStop: 'Emergency stop',
  clutch: 'Clutch',
  brakes: 'Brake assist',
  steering: 'Steering assist',
  heating: 'Heating',
  cooling: 'Cooling of the drive',
  ancillaries: 'Belt-driven ancillaries',
  auxiliaryBattery: 'Auxiliary battery',
  bms: 'Battery electronics',
  balance: 'Balance point',
  command: 'Who commands',
  cableRoute: 'Cable route',
};

const FOUNDING: ReadonlySet<SchoolId> = new Set(FOUNDING_SCHOOLS);

export const schoolRule = defineRule({
  id: 'survey.school',
  endangers: 'people',
  says: { fails: '{subject}: the build says otherwise', holds: '{subject}', line: '{detail}', open: '{subject}' },
  sources: ['What a school of the trade asks for stands in the build, and nothing in the build contradicts it'],
  judge: ({ vehicle }) => {
    const { build } = vehicle;
    return (Object.keys(JUDGES) as SchoolId[]).flatMap((id): Finding<'detail'>[] => {
      const choice = build.schools[id];
      const subject: Ref = { kind: 'build', id: `school-${id}`, name: SCHOOL_WORDS[id] };
      if (choice === undefined)
        return id === 'bms' && hasDevice(vehicle, 'box')
          ? [{ subject, missing: [{ ref: subject, what: 'what keeps every cell inside its limits' }] }]
          : [];
      // These three have an answer from the start: they are held against a circuit once there is one.
      if (FOUNDING.has(id) && !hasDevice(vehicle, 'inverter')) return [];
      const job = jobOf(build.schools, id);
      const answer: Answer =
        job !== undefined && !doesJob(vehicle, job)
          ? { lacks: `${JOB_WORDS[job]} in the 12-volt schedule` }
          : (JUDGES[id] as Judge<SchoolId>)(choice, vehicle, build);
      if ('lacks' in answer) return [{ subject, missing: [{ ref: subject, what: answer.lacks }] }];
      if ('against' in answer) return [{ subject, holds: false, figures: { detail: answer.against } }];
      return [{ subject, holds: true, figures: { detail: answer.holds } }];
    });
  },
  remedies: [propose.askedLoad],
});
