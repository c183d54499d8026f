import { defineStation } from '../define';
import { CURVE_RULES } from './curve-rules';
import { DEVICE_RULES } from './device-rules';
import { DRIVE_RULES } from './drive-rules';
import { HEALTH_RULES } from './health-rules';
import { KEEP_UP_RULES } from './keep-up-rules';
import { LEAD_RULES } from './lead-rules';
import { LIMIT_RULES } from './limit-rules';
import { LINK_RULES } from './link-rules';
import { bmsResults } from './results';
import { SENSE_RULES } from './sense-rules';
import { electronic, lithiumIn, watches } from './shared';
import { TAP_RULES } from './tap-rules';
import { WARMTH_RULES } from './warmth-rules';

/** How is every cell kept inside its limits? */
export const bms = defineStation({
  id: 'bms',
  name: 'BMS',
  question: 'How is every cell kept inside its limits?',
  key: 'a',
  begin: 'begin with cells in Pack, then choose what watches them',
  rules: [
    ...LINK_RULES,
    ...TAP_RULES,
    ...LIMIT_RULES,
    ...CURVE_RULES,
    ...DEVICE_RULES,
    ...SENSE_RULES,
    ...KEEP_UP_RULES,
    ...DRIVE_RULES,
    ...LEAD_RULES,
    ...HEALTH_RULES,
    ...WARMTH_RULES,
  ],
  leaves: ({ vehicle }) => [
    'Where in a box it is warmest: all cells count as one lump.',
    ...(lithiumIn(vehicle) && watches(vehicle) && !electronic(vehicle)
      ? ['What stops driving when one lithium cell is empty: regulators hold a full cell down and see no empty one.']
      : []),
  ],
  results: bmsResults,
});

export { proposedCurve } from './curve-rules';
export { proposedLimits } from './proposed-limits';
export type { BmsResults, CellWindow } from './results';
