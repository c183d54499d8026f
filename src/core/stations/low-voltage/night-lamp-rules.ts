import type { Category } from '../../build';
import { type Finding, quantityText as q, type Ref } from '../../checks';
import { lowVoltage } from '../../vehicle';
import { defineRule } from '../define';

const LAMPS: Ref = { kind: 'build', id: 'night-lamps', name: 'Lights needed at night' };

/** Two dipped beams of LED with tail and plate lamps take about so much; filament ones five times. Engineering judgement. */
const LEAST_W = 30;

/** Four wheels on the road: two dipped beams. A light three-wheeler may have one, a field tractor has its own law. */
const ON_ROADS: ReadonlySet<Category | undefined> = new Set(['M1', 'M2', 'M3', 'N1', 'N2', 'N3'] as const);

/** What the schedule lacks feeds nothing: a converter that looks large enough may be so only because the headlamps were forgotten. */
export const nightLamps = defineRule({
  id: 'lv.night-lamps',
  endangers: 'people',
  says: {
    fails: 'The schedule lacks lights needed at night',
    holds: 'Lights needed at night are in the schedule',
    line: '{detail}',
    open: 'Lights needed at night',
  },
  sources: [
    'A car drives at night: dipped beams and tail lamps burn all the time then, and count for converter, battery and hold-up',
    `Two dipped beams of LED with tail and plate lamps: about ${LEAST_W} W (engineering judgement)`,
  ],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    const { loads } = lowVoltage(vehicle);
    if (loads.length === 0 || !ON_ROADS.has(vehicle.build.vehicle.category)) return [];
    const burning = loads.filter(
      ({ load }) => load.sort === 'lamp' && load.job !== 'cabin-lamp' && (load.use['night-rain-cold'] ?? 0) >= 0.9,
    );
    const drawnW = burning.reduce(
      (sum, { load }) => sum + load.rating * (load.kind === 'constant-current' ? 12 : 1),
      0,
    );
    if (drawnW < LEAST_W) return [{ subject: LAMPS, missing: [{ ref: LAMPS, what: 'dipped beams and tail lamps' }] }];
    return [{ subject: LAMPS, holds: true, figures: { detail: `${q(drawnW, 'power')} all night` } }];
  },
  remedies: 'Add the dipped beams and the tail lamps in Loads: “the usual loads” has them.',
});
