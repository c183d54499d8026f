import { both, refit, sheet } from './change';
import type { Mistake } from './mistake';

const SHEET = 'Figures of a part that contradict each other';
const speaks = 'survey.part-figures:parts';
const CLIMATE = 'Temperatures that contradict each other';
const says = 'Figures of a part contradict each other';

export const PART_MISTAKES: readonly Mistake[] = [
  {
    kind: CLIMATE,
    did: 'the coldest cells warmer than the warmest',
    on: 'teasel',
    plant: (build) => ({ ...build, packLimits: { ...build.packLimits, coldestCellC: 45 } }),
    speaks: 'survey.temperatures:climate',
    says: 'Temperatures contradict each other',
  },
  {
    kind: CLIMATE,
    did: 'a bay that stays cooler than the hottest day',
    on: 'larkspur',
    plant: (build) => ({
      ...build,
      zones: { ...build.zones, 'zone-bay': { ...build.zones['zone-bay']!, ambientC: 25 } },
    }),
    speaks: 'survey.temperatures:climate',
    says: 'Temperatures contradict each other',
  },
  {
    kind: SHEET,
    did: 'a fuse that melts in the hour at more than in 1000 s',
    on: 'larkspur',
    plant: refit('f-main', 'fuse', { fusingMultiple: 14.5 }),
    speaks,
    says,
  },
  {
    kind: SHEET,
    did: 'a fuse that would melt at less than its rated current',
    on: 'teasel',
    plant: refit('f-main', 'fuse', { fusingMultiple: 0.9, nonFusingMultiple: 0.8 }),
    speaks,
    says,
  },
  {
    kind: SHEET,
    did: 'iron phosphate charged to 4.2 V',
    on: 'larkspur',
    plant: both(refit('box', 'cell', { fullV: 4.2 }), refit('box-bay', 'cell', { fullV: 4.2 })),
    speaks,
    says,
  },
  {
    kind: SHEET,
    did: 'a window whose least is above its most',
    on: 'larkspur',
    plant: refit('inverter', 'inverter', { window: { workingMinV: 190, workingMaxV: 180, absoluteMaxV: 190 } }),
    speaks,
    says,
  },
  {
    kind: SHEET,
    did: 'a coil that lets go above the voltage at which it picks up',
    on: 'firn',
    plant: refit('k-plus', 'contactor', { coilPickUpV: 8, coilHoldV: 10 }),
    speaks,
    says,
  },
  {
    kind: SHEET,
    did: 'a tenth of the resistance that 4 mm² have',
    on: 'larkspur',
    plant: sheet('c-heater-plus', { resistance20OhmPerM: 0.00047 }),
    speaks,
    says,
  },
];
