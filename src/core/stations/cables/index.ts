import { defineStation } from '../define';
import { cableResults } from './results';
import { CABLE_RULES } from './rules';

/** Which conductor, how thick, how long, where? */
export const cables = defineStation({
  id: 'cables',
  name: 'Cables',
  question: 'Which conductor, how thick, how long, where?',
  key: 'c',
  begin: 'start with cells in Pack',
  rules: CABLE_RULES,
  results: cableResults,
});

export { ALLOWANCE_M, type CutGroup, type CutList, cutFrom, cutList, type Piece, type Reel } from './cut-list';
export { type CableResults, type CableRow, cableRows } from './results';
export { clampCount, type Termination, terminationOf } from './terminations';
export { type CableFigure, cableWorkings } from './workings';
