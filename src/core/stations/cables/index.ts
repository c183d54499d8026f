export { type CableRow, cableRows } from './results';
export { CABLE_RULES } from './rules';
export { type CableFigure, cableWorkings } from './workings';
