import { marginAtMost, quantityText as q } from '../../checks';
import { NIGHT_S, vehicleCharge } from '../../simulate';
import { defineRule, type Rule } from '../define';
import { CELLS_REF, lithiumIn, watches } from './shared';

/** Generic: one cell loses so much more than another in a month, of the capacity; and charges that come to their end. */
const LEAK_SPREAD = 0.005;
const FULL_CHARGES = 12;

/** Seconds of a charge in which cells stand above a voltage, from the curve joined straight. */
function secondsAbove(curve: readonly { readonly timeS: number; readonly cellV: number }[], fromV: number): number {
  let seconds = 0;
  for (let k = 1; k < curve.length; k++) {
    const [p, r] = [curve[k - 1]!, curve[k]!];
    const [low, high] = [Math.min(p.cellV, r.cellV), Math.max(p.cellV, r.cellV)];
    const share = high <= fromV ? 0 : low >= fromV ? 1 : (high - fromV) / (high - low);
    seconds += share * (r.timeS - p.timeS);
  }
  return seconds;
}

const keepsUp = defineRule({
  id: 'bms.keeps-up',
  endangers: 'comfort',
  says: {
    fails: 'Balancing does not keep up with what cells lose by themselves',
    holds: 'Balancing keeps up with what cells lose by themselves',
    line: '{demand} a month, {limit} bled',
  },
  sources: [
    'Difference of self-discharge a month against shunt current, duty and the time above the balancing voltage in the usual charge',
  ],
  judge: ({ vehicle }) => {
    const { bms = {}, charging = {} } = vehicle.build;
    const { balanceA, balanceFromV, balanceDuty = 1 } = bms;
    if (!lithiumIn(vehicle) || !watches(vehicle) || balanceA === undefined || balanceFromV === undefined) return [];
    const charge = vehicleCharge(vehicle);
    if (!('run' in charge) || charge.run.end !== 'cut-off') return [];
    // Where it never begins its own rule says so.
    if (charging.cellV !== undefined && balanceFromV >= charging.cellV) return [];
    const { cellsInSeries, capacityAh, run } = charge;
    const byCurve = secondsAbove(
      run.curve.map(({ timeS, busV }) => ({ timeS, cellV: busV / cellsInSeries })),
      balanceFromV,
    );
    // A charger that is held down to the shunts goes on until the last cell is full, or the night is over.
    const left = bms.throttlesCharger ? (charging.nightS ?? NIGHT_S) - run.last.timeS : 0;
    const above = Math.max(byCurve, left);
    const charges = bms.fullCharges ?? FULL_CHARGES;
    const demandAh = (bms.leakSpread ?? LEAK_SPREAD) * capacityAh;
    const bledAh = (balanceA * balanceDuty * above * charges) / 3600;
    return [
      {
        subject: CELLS_REF,
        demand: { value: demandAh, dimension: 'charge' },
        limit: { value: bledAh, dimension: 'charge' },
        margin: bledAh > 0 ? marginAtMost(demandAh, bledAh) : -1,
        assumed: [
          ...(bms.balanceDuty === undefined ? ['Shunts work all of the time above it.'] : []),
          ...(bms.leakSpread === undefined ? ['One cell loses half a percent more a month than another.'] : []),
          ...(bms.fullCharges === undefined ? ['Twelve charges a month come to their end.'] : []),
          ...charge.assumed,
        ],
        lines: () => [
          {
            formula: 'Q_bled = I_shunt · duty · t_above · charges',
            figures: `${q(balanceA, 'current')} · ${q(balanceDuty, 'ratio')} · ${q(above, 'time')} · ${charges}`,
            result: { value: bledAh, dimension: 'charge' as const },
          },
        ],
      },
    ];
  },
  remedies:
    'A larger shunt, balancing from a lower voltage where the curve still tells cells apart, or charges that end lower in current.',
});

export const KEEP_UP_RULES: readonly Rule[] = [keepsUp];
