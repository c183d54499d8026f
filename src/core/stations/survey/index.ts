export { INSPECTION_WORDS, supplyPowerW } from './found-rules';
export { LOSS_STATION, LOSS_WORDS, SURVEY_RULES } from './rules';
