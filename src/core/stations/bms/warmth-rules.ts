import { type Finding, quantityText as q } from '../../checks';
import { BOX_W_PER_K, CELL_J_PER_KGK, CLIMB_S, hotClimb } from '../../simulate';
import { hottestAssumed } from '../../vehicle';
import { celsius, packMustDeliver } from '../context';
import { defineRule, type Rule } from '../define';
import { CELLS_REF, cellsOf } from './shared';

const CLIMB_REF = { ...CELLS_REF, id: 'bms-climb', name: 'Cells on a long climb' };

const climb = defineRule({
  id: 'bms.hot-climb',
  endangers: 'parts',
  says: {
    fails: 'Cells get too hot on a long climb',
    holds: 'Cells stay cool enough on a long climb',
    line: '{demand} after {time} on the hottest day, at most {limit}',
    open: 'Cells on a long climb',
  },
  sources: [
    'The current of the hill in the old cells’ resistance, as one lump that loses to the hottest day’s air; limit: what the electronics is set to, else the chemistry (generic)',
  ],
  judge: ({ vehicle }): Finding<'time'>[] => {
    if (cellsOf(vehicle).length === 0) return [];
    const waitsFor = packMustDeliver(vehicle);
    if (waitsFor) return [{ subject: CLIMB_REF, waitsFor }];
    const hot = hotClimb(vehicle);
    if (!hot) return [];
    const { helpedC, limitC, airC, heatW, helpW } = hot;
    return [
      {
        subject: CLIMB_REF,
        demand: celsius(helpedC),
        limit: celsius(limitC),
        // By the rise over the air.
        margin: limitC > airC ? (limitC - helpedC) / (limitC - airC) : -1,
        figures: { time: { value: CLIMB_S, dimension: 'time' } },
        assumed: [
          ...hottestAssumed(vehicle.build),
          ...(vehicle.build.bms?.dischargeToC === undefined ? ['Limit by the chemistry: none is entered.'] : []),
          `Cells take ${CELL_J_PER_KGK} J/(kg·K) and lose ${BOX_W_PER_K} W/K; they begin as hot as the air.`,
        ],
        lines: () => [
          {
            formula: 'T = T∞ + (T0 − T∞) · e^(−t/τ), T∞ = T_air + (I²R − P_chiller) / G',
            figures: `${q(heatW, 'power')} of the cells${helpW < 0 ? `, ${q(-helpW, 'power')} taken out` : ''}, air ${q(airC, 'temperature')}`,
            result: celsius(helpedC),
          },
        ],
      },
    ];
  },
  remedies:
    'Less power on the hill, cells with less resistance, or a chiller: a compressor on the bus that takes heat out of them.',
});

export const WARMTH_RULES: readonly Rule[] = [climb];
