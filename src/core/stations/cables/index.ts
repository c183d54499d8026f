export { ALLOWANCE_M, type CutGroup, type CutList, cutFrom, cutList, type Piece, type Reel } from './cut-list';
export { type CableRow, cableRows } from './results';
export { CABLE_RULES } from './rules';
export { clampCount, type Termination, terminationOf } from './terminations';
export { type CableFigure, cableWorkings } from './workings';
