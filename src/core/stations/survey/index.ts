import { defineStation } from '../define';
import { SURVEY_RULES } from './rules';

/** What is the vehicle, what will it do, and what is lost with the engine? */
export const survey = defineStation({
  id: 'survey',
  name: 'Survey',
  question: 'What is the vehicle, what will it do, and what is lost with the engine?',
  key: 'y',
  begin: 'tell what the vehicle is and what it ran off its engine',
  rules: SURVEY_RULES,
  leaves: () => ['The body: corrosion, chassis, what the registration asks. A licensed person inspects it.'],
  results: () => null,
});

export { INSPECTION_WORDS, supplyPowerW } from './found-rules';
export { LOSS_WORDS } from './rules';
export { JOB_WORDS } from './school-jobs';
export { SCHOOL_WORDS } from './school-rules';
