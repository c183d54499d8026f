import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import { PEAK_S, PULSE_LIFE } from '../../parts';
import { meltingMultiple } from '../../physics/fuse-curve';
import * as propose from '../../proposals';
import { lowVoltage, partOf } from '../../vehicle';
import { amps, deviceRef } from '../context';
import { defineRule, type Rule } from '../define';
import { wiresOf } from './behind-fuses';
import { alone, onBattery, steadyPoint } from './solutions';

/** A fuse against inrush, stall and full assist of what hangs on it, one load at its hardest while the others on it run. */
const fusePeak = defineRule({
  id: 'lv.fuse-peak',
  endangers: 'fire',
  says: {
    fails: '{subject} blows when {load} works hardest',
    holds: '{subject}, peak',
    line: '{demand} of {limit} for {seconds}',
    open: '{subject}, peak',
  },
  sources: [
    'I_peak ≤ 0.7 · m(t) · I_n: pulses tire a fuse, ten thousand of them to 0.7 of its curve (practice; ISO 8820-3 curve, generic)',
  ],
  judge: ({ vehicle }) => {
    const { loads, lv } = lowVoltage(vehicle);
    const steady = steadyPoint(vehicle);
    if (!steady) return [];
    return [...wiresOf(vehicle)].flatMap(([fuseId, wires]): Finding<'load' | 'seconds'>[] => {
      const ends = new Set(wires.flatMap(({ conductor: { a, b } }) => [a.deviceId, b.deviceId]));
      const here = loads.filter(({ id }) => ends.has(id));
      const device = lv.deviceOf.get(fuseId);
      const fuse = partOf(device, 'fuse');
      if (!device || !fuse) return [];
      const unsolved: string[] = [];
      const peaks = here.flatMap(({ id, name, load }) => {
        if (load.peakRating === undefined || load.peakRating <= load.rating) return [];
        // With the converter and, lower in voltage, without it: electronics and motors then draw more, resistances less.
        const draws = [alone(vehicle, id, 'peak'), onBattery(vehicle, id)].flatMap((one) =>
          one.solved && one.loadV(id) >= 1 ? [Math.abs(one.currentA(id))] : [],
        );
        if (draws.length === 0) {
          unsolved.push(name);
          return [];
        }
        const others = here
          .filter((other) => other.id !== id)
          .reduce((sum, other) => sum + Math.abs(steady.currentA(other.id)), 0);
        const seconds = load.peakS ?? PEAK_S;
        const limit = PULSE_LIFE * meltingMultiple(fuse, seconds) * fuse.ratedCurrentA;
        const demand = Math.max(...draws) + others;
        return [{ name, seconds, demand, limit, told: load.peakS !== undefined, others }];
      });
      const subject = deviceRef(device);
      if (unsolved.length > 0)
        return [{ subject, missing: [{ ref: subject, what: `what ${unsolved[0]} draws at its hardest` }] }];
      if (peaks.length === 0) return [];
      const worst = peaks.reduce((p, r) => (r.demand / r.limit > p.demand / p.limit ? r : p));
      return [
        {
          subject,
          demand: amps(worst.demand),
          limit: amps(worst.limit),
          margin: marginAtMost(worst.demand, worst.limit),
          figures: { seconds: { value: worst.seconds, dimension: 'time' }, load: worst.name },
          ...(worst.told ? {} : { assumed: [`It lasts ${PEAK_S} seconds.`] }),
          lines: () => [
            {
              formula: 'I_peak ≤ 0.7 · m(t) · I_n',
              figures: `${worst.name} for ${q(worst.seconds, 'time')}${worst.others > 0.01 ? `, ${q(worst.others, 'current')} beside it` : ''}; m = ${meltingMultiple(fuse, worst.seconds).toPrecision(3)}`,
              result: amps(worst.demand),
            },
          ],
        },
      ];
    });
  },
  remedies: [propose.largerFuse],
});

export const PEAK_RULES: readonly Rule[] = [fusePeak];
