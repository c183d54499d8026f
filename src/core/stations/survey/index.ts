export { LOSS_STATION, LOSS_WORDS, SURVEY_RULES } from './rules';
