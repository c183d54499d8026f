import type { HealthRecord } from '../../build';
import { type Finding, marginAtLeast, quantityText as q } from '../../checks';
import { tripPack } from '../../simulate';
import type { Vehicle } from '../../vehicle';
import { defineRule, type Rule } from '../define';
import { CELLS_REF } from './shared';

/** The records of a build, oldest first. */
export const healthOf = ({ build }: Vehicle): readonly HealthRecord[] =>
  Object.values(build.health ?? {}).sort((p, r) => (p.date < r.date ? -1 : p.date > r.date ? 1 : 0));

/** Health of the latest capacity test against what the parts say, 0–1, with its day; null: none, or no cells. */
export function testedHealth(vehicle: Vehicle): { readonly health: number; readonly record: HealthRecord } | null {
  const record = healthOf(vehicle).findLast(({ capacityAh }) => capacityAh !== null);
  const pack = tripPack(vehicle);
  return record && pack ? { health: record.capacityAh! / (pack.capacityC / 3600), record } : null;
}

const HEALTH_REF = { ...CELLS_REF, id: 'bms-health', name: 'Health of the pack' };

const health = defineRule({
  id: 'bms.health',
  endangers: 'comfort',
  says: {
    fails: 'The pack holds less than the aged one that all is judged with',
    holds: 'The pack holds more than the aged one that all is judged with',
    line: '{demand} on {day}, at least {limit}',
  },
  sources: ['Capacity test over the capacity of the parts, against the health of the aged pack (Pack)'],
  judge: ({ vehicle }): Finding<'day'>[] => {
    const tested = testedHealth(vehicle);
    if (!tested) return [];
    const { agedHealth } = vehicle.build.packLimits;
    return [
      {
        subject: HEALTH_REF,
        demand: { value: tested.health, dimension: 'ratio' },
        limit: { value: agedHealth, dimension: 'ratio' },
        margin: marginAtLeast(tested.health, agedHealth),
        figures: { day: tested.record.date },
        lines: () => [
          {
            formula: 'SoH = C_tested / C_parts',
            figures: `${q(tested.record.capacityAh!, 'charge')} / ${q(tripPack(vehicle)!.capacityC / 3600, 'charge')}`,
            result: { value: tested.health, dimension: 'ratio' },
          },
        ],
      },
    ];
  },
  remedies: [
    ({ vehicle }) => {
      const tested = testedHealth(vehicle);
      // Judged with what it really holds, a little further on.
      const value = tested ? Math.floor(100 * Math.max(0.3, Math.min(1, tested.health)) - 2) / 100 : null;
      return value !== null && value >= 0.3 ? [{ edit: 'setFigure', input: { figure: 'agedHealth', value } }] : [];
    },
  ],
  otherwise: 'Test it again, warm and slowly; a pack that is so far gone wants other cells.',
});

export const HEALTH_RULES: readonly Rule[] = [health];
