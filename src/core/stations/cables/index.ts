import { defineStation } from '../define';
import { phasesOf } from './phase-rules';
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
  leaves: ({ vehicle }) => [
    'Lugs and terminals beyond joints that were measured: their torque, and what the stud bears. In the 12-volt circuit their temperature too.',
    ...(vehicle.devices.some(({ device }) => device.kind === 'motor') && !vehicle.conductors.some(phasesOf(vehicle))
      ? ['Cables between inverter and motor: none are drawn.']
      : []),
  ],
  results: cableResults,
});

export { ALLOWANCE_M, type CutGroup, type CutList, cutFrom, cutList, type Piece, type Reel } from './cut-list';
export { type CableResults, type CableRow, cableRows } from './results';
export { clampCount, type Termination, terminationOf } from './terminations';
export { type CableFigure, cableWorkings } from './workings';
