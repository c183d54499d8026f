import { defineStation } from '../define';
import { bar } from './bar-rules';
import { bypassed } from './bypass-rules';
import { EARTH_RULES } from './earth-rules';
import { FEED_RULES } from './feed-rules';
import { joint } from './joint-rules';
import { LOAD_RULES } from './load-rules';
import { LOOM_RULES } from './loom-rules';
import { OLD_LOOM_RULES } from './old-loom-rules';
import { PEAK_RULES } from './peak-rules';
import { lowResults } from './results';
import { SHORT_RULES } from './short-rules';
import { piecesAhead } from './solutions';
import { lowWireRows } from './wire-results';
import { WIRE_RULES } from './wire-rules';

/** What feeds the car’s own circuits now? */
export const lowVoltage = defineStation({
  id: 'low-voltage',
  name: '12 V',
  question: 'What feeds the car’s own circuits now?',
  key: 'e',
  begin: 'lay out the feed and add what the car has',
  rules: [
    ...LOAD_RULES,
    ...FEED_RULES,
    ...WIRE_RULES,
    ...LOOM_RULES,
    ...EARTH_RULES,
    ...OLD_LOOM_RULES,
    ...PEAK_RULES,
    bypassed,
    bar,
    joint,
    ...SHORT_RULES,
  ],
  ahead: ({ vehicle }) => piecesAhead(vehicle),
  leaves: () => [
    'Interference between the drive and the car’s electronics, and faults that a converter feeds by itself.',
  ],
  results: ({ vehicle }) => ({ schedule: lowResults(vehicle), wires: lowWireRows(vehicle) }),
});

export { hardest, type LoadRow, type LowResults, type ScenarioRow } from './results';
export { SCENARIO_WHEN, SCENARIO_WORDS } from './shared';
export type { LowWireRow } from './wire-results';
