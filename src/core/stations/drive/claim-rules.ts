import { usableShare, usableWords } from '../../build';
import { marginAtMost, quantityText as q, type Ref } from '../../checks';
import { defineRule, type Rule } from '../define';
import { packEnergies } from './energies';

const CLAIMS: Ref = { kind: 'build', id: 'claims', name: 'Promises' };

/** Range, consumption and energy that were promised must fit each other: range · consumption ≤ what the pack gives. */
const agree = defineRule({
  id: 'drive.claims-agree',
  endangers: 'comfort',
  says: {
    fails: 'The promises don’t fit each other',
    holds: 'The promises fit each other',
    line: '{demand} for that range at that consumption, {limit} to drive on',
  },
  sources: ['range · consumption ≤ usable energy; nominal energy is gross, part of it is never driven'],
  judge: ({ vehicle }) => {
    const { claimedRangeM, claimedConsumptionWhPerKm, claimedEnergyJ } = vehicle.build.duty;
    if (claimedRangeM === undefined || claimedConsumptionWhPerKm === undefined) return [];
    const own = packEnergies(vehicle);
    const grossJ = claimedEnergyJ ?? own?.grossJ;
    if (grossJ === undefined || grossJ <= 0) return [];
    const usable = grossJ * usableShare(vehicle.build.packLimits);
    const demand = (claimedRangeM / 1000) * claimedConsumptionWhPerKm * 3600;
    return [
      {
        subject: CLAIMS,
        demand: { value: demand, dimension: 'energy' },
        limit: { value: usable, dimension: 'energy' },
        margin: marginAtMost(demand, usable),
        lines: () => [
          {
            formula: 'E = range · consumption ≤ E_gross · (charged to − driving stops at)',
            figures: `${q(claimedRangeM, 'distance')} · ${q(claimedConsumptionWhPerKm, 'consumption')} ≤ ${q(grossJ, 'energy')} · ${usableWords(vehicle.build.packLimits)}`,
            result: { value: demand, dimension: 'energy' },
          },
        ],
      },
    ];
  },
  remedies: 'Find out which of the promised figures was measured, and correct the others.',
});

/** Sellers round. */
const ROUNDED = 1.02;

/** What a seller calls the pack’s energy, against its cells. */
const energy = defineRule({
  id: 'drive.claimed-energy',
  endangers: 'comfort',
  says: {
    fails: 'The pack holds less than was promised',
    holds: 'The pack holds what was promised',
    line: '{demand} promised, its cells make {limit}',
  },
  // True or not: there is no comfort in a promise.
  comfort: 0,
  sources: ['Σ capacity · nominal voltage of the cells that are in the build'],
  judge: ({ vehicle }) => {
    const { claimedEnergyJ } = vehicle.build.duty;
    const own = packEnergies(vehicle);
    if (claimedEnergyJ === undefined || !own) return [];
    return [
      {
        subject: CLAIMS,
        demand: { value: claimedEnergyJ, dimension: 'energy' },
        limit: { value: own.grossJ, dimension: 'energy' },
        margin: marginAtMost(claimedEnergyJ, own.grossJ * ROUNDED),
        lines: () => [
          {
            formula: 'E_promised ≤ 1.02 · E of the cells',
            figures: `${q(claimedEnergyJ, 'energy')} ≤ ${ROUNDED} · ${q(own.grossJ, 'energy')}`,
            result: { value: marginAtMost(claimedEnergyJ, own.grossJ * ROUNDED), dimension: 'ratio' },
            note: 'A fiftieth for round figures.',
          },
        ],
      },
    ];
  },
  remedies: 'Promise less, or fit more cells.',
});

export const CLAIM_RULES: readonly Rule[] = [agree, energy];
