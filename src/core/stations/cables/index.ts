export { type CableRow, cableRows } from './results';
export { CABLE_RULES } from './rules';
