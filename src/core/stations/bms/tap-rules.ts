import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import { cellExtremes } from '../../physics/cell-care';
import { tapFaults, tapSpread, tapWords } from '../../simulate';
import type { Vehicle } from '../../vehicle';
import { volts } from '../context';
import { defineRule, type Rule } from '../define';
import { CELLS_REF, cellsOf, electronic, groupsOf, lithiumIn } from './shared';

const applies = (vehicle: Vehicle): boolean => lithiumIn(vehicle) && electronic(vehicle);

/** What the reading shows; null: nothing read. */
export function tapsOf(vehicle: Vehicle) {
  const readingsV = vehicle.build.bms?.tapsV;
  const kinds = cellsOf(vehicle).map(({ chemistry }) => cellExtremes(chemistry));
  if (!readingsV || readingsV.length === 0 || kinds.length === 0) return null;
  const faults = tapFaults(readingsV, {
    cells: groupsOf(vehicle),
    leastV: Math.min(...kinds.map(({ leastV }) => leastV)),
    mostV: Math.max(...kinds.map(({ mostV }) => mostV)),
  });
  return { readingsV, faults, spread: tapSpread(readingsV)! };
}

const taps = defineRule({
  id: 'bms.taps',
  endangers: 'parts',
  says: {
    fails: 'The sense plug must not go in',
    holds: 'Every tap is in its place',
    line: '{detail}',
    open: 'Taps of the sense plug',
  },
  sources: [
    'A row of cells read between neighbours: swapped wires read double, negative, double (Kirchhoff), and destroy the electronics',
  ],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (!applies(vehicle)) return [];
    const found = tapsOf(vehicle);
    if (!found)
      return [
        {
          subject: CELLS_REF,
          missing: [{ ref: CELLS_REF, what: 'a reading of every tap at the open plug, by meter' }],
        },
      ];
    const { faults, readingsV } = found;
    const named = faults.slice(0, 3).map(tapWords).join('; ');
    return [
      {
        subject: CELLS_REF,
        holds: faults.length === 0,
        figures: {
          detail:
            faults.length === 0
              ? `${readingsV.length} read in order`
              : `${named}${faults.length > 3 ? `; and ${faults.length - 3} more` : ''}`,
        },
      },
    ];
  },
  remedies:
    'Leave the plug open. Trace the wires that are named, one end at a time with the service disconnect out, and read all taps again.',
});

/** Spread at rest that is taken for even, V (acceptance of the trade): NMC anywhere; LFP on its flat stretch, and near full. */
const EVEN_V = { flat: 0.01, top: 0.05, others: 0.02 } as const;
const LFP_TOP_V = 3.37;

const spread = defineRule({
  id: 'bms.spread',
  endangers: 'parts',
  says: {
    fails: 'Cells stand apart at rest',
    holds: 'Cells stand together at rest',
    line: '{demand} between cells {cells}, at most {limit}',
  },
  sources: ['Acceptance at rest: 20 mV, LFP 10 mV between 30 and 80 % and 50 mV near full (practice)'],
  judge: ({ vehicle }): Finding<'cells'>[] => {
    if (!applies(vehicle)) return [];
    const found = tapsOf(vehicle);
    // Wires that are wrong say nothing of cells.
    if (!found || found.faults.length > 0) return [];
    const { spread: one, readingsV } = found;
    const mean = readingsV.reduce((sum, v) => sum + v, 0) / readingsV.length;
    const lfp = cellsOf(vehicle).some(({ chemistry }) => chemistry === 'lfp');
    const limit = lfp ? (mean > LFP_TOP_V ? EVEN_V.top : EVEN_V.flat) : EVEN_V.others;
    return [
      {
        subject: CELLS_REF,
        demand: volts(one.spreadV),
        limit: volts(limit),
        margin: marginAtMost(one.spreadV, limit),
        figures: { cells: `${one.lowest} and ${one.highest}` },
        assumed: [
          'Read at rest, an hour after any current.',
          ...(lfp && mean <= LFP_TOP_V ? ['On the flat stretch of LFP this proves little about balance.'] : []),
        ],
        lines: () => [
          {
            formula: 'U_max − U_min at rest',
            figures: `${q(readingsV[one.highest - 1]!, 'voltage')} − ${q(readingsV[one.lowest - 1]!, 'voltage')}`,
            result: volts(one.spreadV),
          },
        ],
      },
    ];
  },
  remedies:
    'Charge the low cell by itself, or let the balancer work to the end of several charges; a cell that falls back is a bad one.',
});

export const TAP_RULES: readonly Rule[] = [taps, spread];
