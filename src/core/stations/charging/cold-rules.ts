import { type Finding, marginAtLeast, marginAtMost, quantityText as q, type Ref } from '../../checks';
import { openCircuitVoltage } from '../../physics/cell';
import { isLithium } from '../../physics/cell-care';
import { GENERIC_TEMPERATURES } from '../../physics/cell-limits';
import { BOX_W_PER_K, CELL_J_PER_KGK, chargersOf, NIGHT_S, tripPack, usualChargers, warmedBy } from '../../simulate';
import { partOf, type Vehicle } from '../../vehicle';
import { deviceRef, volts } from '../context';
import { defineRule, type Rule } from '../define';
import { chargeFor, isCharge } from './shared';

const COLD_REF: Ref = { kind: 'build', id: 'charge-cold', name: 'Cold cells' };

/** Coldest at which all cells are charged: what the electronics is set to, else what the cells bear, °C. */
function chargedFromC(vehicle: Vehicle): number | null {
  const cells = vehicle.devices.flatMap(({ device, part }) =>
    device.kind === 'box' && part?.kind === 'cell' ? [part] : [],
  );
  if (cells.length === 0 || !cells.some(({ chemistry }) => isLithium(chemistry))) return null;
  const bear = Math.max(...cells.map((cell) => cell.chargeFromC ?? GENERIC_TEMPERATURES[cell.chemistry].charge[0]));
  return Math.max(bear, vehicle.build.bms?.chargeFromC ?? bear);
}

const cold = defineRule({
  id: 'charging.cold',
  endangers: 'comfort',
  says: {
    fails: 'Cold cells are not charged',
    holds: 'Cold cells are charged',
    line: '{detail}',
  },
  sources: [
    'Coldest cells (Pack) against the coldest that is charged; a pad warms them as one lump of 1000 J/(kg·K) that loses 8 W/K (generic), then the charge has to be done in the same night',
  ],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    const fromC = chargedFromC(vehicle);
    if (chargersOf(vehicle).length === 0 || fromC === null) return [];
    const { coldestCellC } = vehicle.build.packLimits;
    const at = (value: number) => q(value, 'temperature');
    if (coldestCellC >= fromC)
      return [
        {
          subject: COLD_REF,
          holds: true,
          figures: { detail: `never below ${at(coldestCellC)}, charged from ${at(fromC)}` },
        },
      ];
    const warmed = warmedBy(vehicle, coldestCellC, fromC);
    const pad = warmed === null ? 'no pad warms them' : `the pad’s ${q(warmed.powerW, 'power')} never get them there`;
    if (warmed?.timeS === undefined || warmed.timeS === null)
      return [
        {
          subject: COLD_REF,
          holds: false,
          figures: { detail: `${at(coldestCellC)}, charged from ${at(fromC)}: ${pad}` },
        },
      ];
    const charge = chargeFor(vehicle);
    // What a charge lacks is asked by its own rules.
    if (!isCharge(charge) || charge.run.end !== 'cut-off') return [];
    const limit = vehicle.build.charging?.nightS ?? NIGHT_S;
    const whole = warmed.timeS + charge.run.last.timeS;
    return [
      {
        subject: COLD_REF,
        margin: marginAtMost(whole, limit),
        figures: {
          detail: `${q(warmed.timeS, 'time')} to warm from ${at(coldestCellC)} to ${at(fromC)}, then ${q(charge.run.last.timeS, 'time')}, of ${q(limit, 'time')}`,
        },
        assumed: [`Cells take ${CELL_J_PER_KGK} J/(kg·K) and lose ${BOX_W_PER_K} W/K, the air as cold as they began.`],
        lines: () => [
          {
            formula: 't = C/G · ln((T∞ − T0) / (T∞ − T))',
            figures: `${q(warmed.powerW, 'power')} into ${q(tripPack(vehicle)!.massKg, 'mass')}`,
            result: { value: warmed.timeS!, dimension: 'time' },
          },
        ],
      },
    ];
  },
  remedies:
    'A heater pad under the cells that runs while it charges (a heater on the bus that is told to warm cells, with its power in Charging), a warmer place to park, or charge right after driving while they are warm.',
});

/** A charger near the lower end of its window may hunt, so much above it is left (engineering judgement). */
const LOW_END = 1.05;

const lowEnd = defineRule({
  id: 'charging.low-end',
  endangers: 'comfort',
  says: {
    fails: '{subject} may not begin with an empty pack',
    holds: '{subject} begins with an empty pack',
    line: '{demand}, at least {limit}',
    open: '{subject} with an empty pack',
  },
  comfort: 0,
  sources: [
    'Pack at rest where a charge begins against the lower end of the charger’s window and 5 % (engineering judgement), or against a trial that was recorded',
  ],
  judge: ({ vehicle }) => {
    const pack = tripPack(vehicle);
    const { charging = {}, packLimits } = vehicle.build;
    return chargersOf(vehicle).flatMap((charger): Finding[] => {
      const part = partOf(charger, 'bus-device');
      if (!part || !pack) return [];
      const soc = charging.fromSoc ?? packLimits.socEmpty;
      const demand = pack.cellsInSeries * openCircuitVoltage(pack.chemistry, soc);
      const { trialV, trialSteady } = charging;
      const least = part.window.workingMinV * LOW_END;
      // A trial is one of the charger that is usually charged with, not of every other.
      const usual = usualChargers(vehicle);
      const tried = trialV !== undefined && trialSteady !== undefined && usual.length === 1 && usual[0] === charger;
      // Steady at a voltage proves it from there on; hunting at one disproves it up to there.
      const limit = !tried ? least : trialSteady ? Math.min(least, trialV) : Math.max(least, trialV * (1 + 1e-6));
      return [
        {
          subject: deviceRef(charger),
          demand: volts(demand),
          limit: volts(limit),
          margin: marginAtLeast(demand, limit),
          assumed: tried ? [] : ['5 % above the end of its window it is steady: try it, and tell what it did.'],
          lines: () => [
            {
              formula: tried ? 'N · U_rest ≥ what the trial showed' : 'N · U_rest ≥ 1.05 · U_charger,min',
              figures: `${pack.cellsInSeries} · ${q(openCircuitVoltage(pack.chemistry, soc), 'voltage')} at ${q(soc, 'ratio')}; window from ${q(part.window.workingMinV, 'voltage')}`,
              result: volts(demand),
            },
          ],
        },
      ];
    });
  },
  remedies:
    'A charger whose window begins lower, stop driving earlier, or try it at that voltage and record that it is steady.',
});

export const COLD_RULES: readonly Rule[] = [cold, lowEnd];
