export { type BoxFigures, packResults, type PackResults, type WindowRow } from './results';
export { PACK_RULES } from './rules';
