import { type Finding, marginAtMost, quantityText as q, type Rule } from '../../checks';
import { continuousCurrent } from '../../physics/fuse';
import { packCurrentA, WINDOWS_S } from '../../simulate';
import { isSolved, partOf, wayOf } from '../../vehicle';
import { amps, assumedAmbient, type Context, deviceRef } from '../context';

/** Half an hour settles a fuse: the worst one of the usual trip must not be more than it carries for ever. */
const SETTLES_S = 1800;

const fuseTrip: Rule<Context> = {
  id: 'fuse.trip',
  station: 'hv-circuit',
  sources: [
    'Worst half hour of the usual trip, rms, aged and cold',
    'I_cont = I_n · k · √((θ_max − T_a)/(θ_max − 25))',
  ],
  judge: ({ vehicle, trip, tripKey }) => {
    if (tripKey === null) return [];
    const inverter = vehicle.devices.find(({ device }) => device.kind === 'inverter');
    const way = inverter ? wayOf(vehicle, inverter) : null;
    const cruise = vehicle.caseOf('cruise/nominal/sustained');
    if (!way || !cruise || !isSolved(cruise)) return [];
    const total = packCurrentA(vehicle, cruise);
    return way.seriesIds.flatMap((id): Finding[] => {
      const device = vehicle.deviceOf.get(id);
      const fuse = partOf(device, 'fuse');
      if (!device || !fuse || !(total > 0)) return [];
      if (!trip) return [{ subject: deviceRef(device), pending: true }];
      const windowA = trip.winter.currents.windowsA[WINDOWS_S.indexOf(SETTLES_S)] ?? 0;
      const share = Math.abs(cruise.point.elementCurrentsA.get(id) ?? 0) / total;
      const limit = continuousCurrent(fuse, device.ambientC);
      const demand = windowA * share;
      return [
        {
          subject: deviceRef(device),
          demand: amps(demand),
          limit: amps(limit),
          margin: marginAtMost(demand, limit),
          assumed: assumedAmbient(device),
          lines: () => [
            {
              formula: 'rms of the worst half hour ≤ I_cont',
              figures: `${q(windowA, 'current')} at the battery${share < 0.999 ? `, ${(share * 100).toFixed(0)} % of it here` : ''} ≤ ${q(limit, 'current')}`,
              result: { value: marginAtMost(demand, limit), dimension: 'ratio' },
            },
          ],
        },
      ];
    });
  },
};

export const TRIP_CURRENT_RULES: readonly Rule<Context>[] = [fuseTrip];
