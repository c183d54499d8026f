import type { Rule } from '../../checks';
import type { Context } from '../context';
import { EARTH_RULES } from './earth-rules';
import { FEED_RULES } from './feed-rules';
import { LOOM_RULES } from './loom-rules';
import { OLD_LOOM_RULES } from './old-loom-rules';
import { PEAK_RULES } from './peak-rules';
import { SHORT_RULES } from './short-rules';
import { WIRE_RULES } from './wire-rules';

export const LOW_VOLTAGE_RULES: readonly Rule<Context>[] = [
  ...FEED_RULES,
  ...WIRE_RULES,
  ...LOOM_RULES,
  ...EARTH_RULES,
  ...OLD_LOOM_RULES,
  ...PEAK_RULES,
  ...SHORT_RULES,
];
export { parkedA } from './reserve-rules';
export { coilsA, hardest, type LoadRow, type LowResults, lowResults, type ScenarioRow } from './results';
export { SCENARIO_WHEN, SCENARIO_WORDS } from './shared';
export { type LowWireRow, lowWireRows } from './wire-results';
