export { type CellDuty, cellDuties, type SocPoint, socCurve } from './duty';
export { type JoinAdvice, type JoinQuestion, joinAdvice } from './joining';
export { type BoxFigures, type PackResults, packResults, type WindowRow } from './results';
export { PACK_RULES } from './rules';
export { type PackFigure, packWorkings } from './workings';
