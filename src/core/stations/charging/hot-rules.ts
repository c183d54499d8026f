import { type Finding, quantityText as q, type Ref } from '../../checks';
import { BOX_W_PER_K, CELL_J_PER_KGK, chargersOf, hotCharge } from '../../simulate';
import { hottestAssumed } from '../../vehicle';
import { celsius } from '../context';
import { defineRule, type Rule } from '../define';

const HOT_REF: Ref = { kind: 'build', id: 'charge-hot', name: 'Charge on the hottest day' };

const hot = defineRule({
  id: 'charging.hot',
  endangers: 'parts',
  says: {
    fails: 'Cells get too hot for the charge',
    holds: 'Cells stay cool enough for the charge',
    line: '{demand} at its end on the hottest day, at most {limit}',
  },
  comfort: 0,
  sources: [
    'The charge’s first current over all its time in the old cells’ resistance, at standstill, as one lump; limit: what the electronics is set to, else the chemistry (generic)',
  ],
  judge: ({ vehicle }): Finding[] => {
    const charge = hotCharge(vehicle);
    if (chargersOf(vehicle).length === 0 || !charge) return [];
    const { helpedC, limitC, airC, heatW, helpW, overS } = charge;
    return [
      {
        subject: HOT_REF,
        demand: celsius(helpedC),
        limit: celsius(limitC),
        margin: limitC > airC ? (limitC - helpedC) / (limitC - airC) : -1,
        assumed: [
          ...hottestAssumed(vehicle.build),
          ...(vehicle.build.bms?.chargeToC === undefined ? ['Limit by the chemistry: none is entered.'] : []),
          `Cells take ${CELL_J_PER_KGK} J/(kg·K) and lose ${BOX_W_PER_K} W/K; they begin as hot as the air.`,
        ],
        lines: () => [
          {
            formula: 'T = T∞ + (T0 − T∞) · e^(−t/τ), T∞ = T_air + (I²R − P_chiller) / G',
            figures: `${q(heatW, 'power')} of the cells${helpW < 0 ? `, ${q(-helpW, 'power')} taken out` : ''} for ${q(overS, 'time')}, air ${q(airC, 'temperature')}`,
            result: celsius(helpedC),
          },
        ],
      },
    ];
  },
  remedies: 'Charge at night, more slowly, right away in the shade, or take heat out of the cells with a chiller.',
});

export const HOT_RULES: readonly Rule[] = [hot];
