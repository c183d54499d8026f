import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import { continuousCurrent, lastingCurrent } from '../../physics/fuse';
import * as propose from '../../proposals';
import { packCurrentA, tripRun, WINDOWS_S } from '../../simulate';
import { isSolved, partOf, wayOf } from '../../vehicle';
import { amps, assumedAmbient, deviceRef } from '../context';
import { defineRule, type Rule } from '../define';

/** Half an hour settles a fuse: the worst one of the usual trip must not be more than it carries for ever. */
const SETTLES_S = 1800;
/** Usual trips in the life of the vehicle (engineering judgement: two a day for fourteen years). */
const TRIPS = 1e4;

const fuseTrip = defineRule({
  id: 'fuse.trip',
  endangers: 'fire',
  says: {
    fails: '{subject} carries too much on the usual trip',
    holds: '{subject} on the usual trip',
    line: '{demand} rms in its worst {time}, bears {limit}',
    open: '{subject} on the usual trip',
  },
  sources: [
    'Worst 10 s, minute, 10 min and half hour of the usual trip, rms, aged and cold',
    'k_life · m(t) · I_n for the shorter ones, 0.7 for up to 10⁴ trips (generic)',
    'I_cont = I_n · k · √((θ_max − T_a)/(θ_max − 25))',
  ],
  judge: ({ vehicle, trip, tripKey }) => {
    if (tripKey === null) return [];
    const inSeries = vehicle.devices.flatMap((one) =>
      one.device.kind === 'inverter' ? (wayOf(vehicle, one)?.seriesIds ?? []) : [],
    );
    const cruise = vehicle.caseOf('cruise/nominal/sustained');
    if (inSeries.length === 0 || !cruise || !isSolved(cruise)) return [];
    const total = packCurrentA(vehicle, cruise);
    return [...new Set(inSeries)].flatMap((id): Finding<'time'>[] => {
      const device = vehicle.deviceOf.get(id);
      const fuse = partOf(device, 'fuse');
      if (!device || !fuse || !(total > 0)) return [];
      if (!trip) return [{ subject: deviceRef(device), pending: tripRun.pendingWords }];
      const share = Math.abs(cruise.point.elementCurrentsA.get(id) ?? 0) / total;
      const windows = WINDOWS_S.map((seconds, k) => {
        const limit =
          seconds >= SETTLES_S
            ? continuousCurrent(fuse, device.ambientC)
            : lastingCurrent(fuse, device.ambientC, seconds, TRIPS);
        const demand = (trip.winter.currents.windowsA[k] ?? 0) * share;
        return { seconds, demand, limit, margin: marginAtMost(demand, limit) };
      });
      const worst = windows.reduce((p, r) => (r.margin < p.margin ? r : p));
      return [
        {
          subject: deviceRef(device),
          demand: amps(worst.demand),
          limit: amps(worst.limit),
          margin: worst.margin,
          figures: { time: { value: worst.seconds, dimension: 'time' } },
          assumed: assumedAmbient(device),
          lines: () => [
            {
              formula: 'rms of the worst window ≤ what it bears that long',
              figures: `${windows.map((one) => `${q(one.seconds, 'time')}: ${q(one.demand, 'current')} of ${q(one.limit, 'current')}`).join('; ')}${share < 0.999 ? `; ${(share * 100).toFixed(0)} % of the battery’s current here` : ''}`,
              result: { value: worst.margin, dimension: 'ratio' },
            },
          ],
        },
      ];
    });
  },
  remedies: [propose.biggerFuse],
  otherwise: 'A larger fuse with the cable that it then needs, or a gentler trip.',
});

export const TRIP_CURRENT_RULES: readonly Rule[] = [fuseTrip];
