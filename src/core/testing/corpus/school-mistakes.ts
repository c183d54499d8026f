import { both, edit } from './change';
import type { Harmless, Mistake } from './mistake';

const KIND = 'Design choices that the build contradicts';
const school = (input: object) => edit({ edit: 'setSchool', input } as never);

/** What was chosen and is not built. */
export const SCHOOL_MISTAKES: readonly Mistake[] = [
  {
    kind: KIND,
    did: 'both poles switched by choice, and one of them built',
    on: 'teasel',
    plant: school({ contactors: 'both-poles' }),
    speaks: 'survey.school:school-contactors',
    says: 'Contactors: the build says otherwise',
  },
  {
    kind: KIND,
    did: 'the main fuse in the middle of the string by choice, and at the terminal in the build',
    on: 'teasel',
    plant: school({ fusePosition: 'mid-string' }),
    speaks: 'survey.school:school-fusePosition',
    says: 'Main fuse: the build says otherwise',
  },
  {
    kind: KIND,
    did: 'an emergency stop by pull, and no switch that breaks load',
    on: 'firn',
    plant: school({ emergencyStop: 'mechanical' }),
    speaks: 'survey.school:school-emergencyStop',
    says: 'Emergency stop',
    asks: true,
  },
  {
    kind: KIND,
    did: 'balanced at the bottom, and electronics that bleed at the top',
    on: 'firn',
    plant: both(
      school({ balance: 'bottom' }),
      edit({ edit: 'setFigure', input: { figure: 'balanceFrom', value: 4.05 } }),
    ),
    speaks: 'survey.school:school-balance',
    says: 'Balance point: the build says otherwise',
  },
];

export const SCHOOL_HARMLESS: readonly Harmless[] = [
  {
    did: 'one main contactor chosen, and both poles switched beside a disconnect',
    on: 'firn',
    change: school({ contactors: 'single-pole' }),
  },
];
