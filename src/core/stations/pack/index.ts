import { defineStation } from '../define';
import { packResults } from './results';
import { PACK_RULES } from './rules';

/** Which cells, how many, and does every device live with that voltage? */
export const pack = defineStation({
  id: 'pack',
  name: 'Pack',
  question: 'Which cells, how many, and does every device live with that voltage?',
  key: 'p',
  begin: 'start with cells in Pack',
  rules: PACK_RULES,
  leaves: ({ vehicle: { build, devices } }) => [
    ...(devices.some(({ device }) => device.kind === 'inverter') && build.regeneration?.asked !== 'none'
      ? ['Regeneration into a full pack: the battery electronics has to limit it.']
      : []),
    'The sheet or frame that the boxes are bolted to.',
  ],
  results: ({ vehicle }) => packResults(vehicle),
});

export { type CellDuty, cellDuties, type SocPoint, socCurve } from './duty';
export { type JoinAdvice, type JoinQuestion, joinAdvice } from './joining';
export { type RestraintAsked, restraintAsked } from './restraint';
export { type BoxFigures, type PackResults, packResults, type WindowRow } from './results';
export { type PackFigure, packWorkings } from './workings';
