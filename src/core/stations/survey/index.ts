export { INSPECTION_WORDS, supplyPowerW } from './found-rules';
export { LOSS_WORDS, SURVEY_RULES } from './rules';
export { JOB_WORDS, SCHOOL_WORDS } from './school-rules';
