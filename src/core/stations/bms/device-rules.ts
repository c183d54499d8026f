import { hasTrait } from '../../build';
import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import { meltingMultiple } from '../../physics/fuse-curve';
import { packStrings, partOf, type ResolvedDevice, type Vehicle, wayOf } from '../../vehicle';
import { amps, deviceRef, volts, windows } from '../context';
import { defineRule, type Rule } from '../define';
import { electronic, lithiumIn } from './shared';

/** Stops of the electronics against what else hangs on the bus. */

const applies = (vehicle: Vehicle): boolean => lithiumIn(vehicle) && electronic(vehicle);

/** Cells in a row of the longest, or the shortest, string. */
function rowOf(vehicle: Vehicle, which: 'most' | 'least'): number {
  const rows = packStrings(vehicle).map(({ boxIds }) =>
    boxIds.reduce((sum, id) => sum + (vehicle.deviceOf.get(id)?.device.cellsInSeries ?? 0), 0),
  );
  return rows.length === 0 ? 0 : which === 'most' ? Math.max(...rows) : Math.min(...rows);
}

const bearStop = defineRule({
  id: 'bms.devices-bear-stop',
  endangers: 'parts',
  says: {
    fails: '{subject} is destroyed before a cell stops the charge',
    holds: '{subject} outlives what the cells are stopped at',
    line: 'all cells at their stop {demand}, it survives {limit}',
  },
  comfort: 0,
  sources: ['All cells of the longest row at the stop of the electronics, against what the device survives: its part'],
  judge: ({ vehicle }): Finding[] => {
    const overV = vehicle.build.bms?.overV;
    const cells = rowOf(vehicle, 'most');
    if (!applies(vehicle) || overV === undefined || cells === 0) return [];
    return windows(vehicle).map(({ device, limits: { absoluteMaxV } }) => {
      const demand = cells * overV;
      return {
        subject: deviceRef(device),
        demand: volts(demand),
        limit: volts(absoluteMaxV),
        margin: marginAtMost(demand, absoluteMaxV),
        lines: () => [{ formula: 'N · U_stop', figures: `${cells} · ${q(overV, 'voltage')}`, result: volts(demand) }],
      };
    });
  },
  remedies: 'A lower stop of each cell, a device that survives more, or fewer cells in series.',
});

const converterOutlasts = defineRule({
  id: 'bms.converter-outlasts',
  endangers: 'people',
  says: {
    fails: '{subject} drops out before the electronics stops the drive',
    holds: '{subject} works down to the stop of the cells',
    line: 'all cells at their stop {demand}, it works from {limit}',
  },
  comfort: 0,
  sources: [
    'All cells of the shortest row at the stop of the electronics, against the lower end of the converter’s window: lamps, assist and coils live from it',
  ],
  judge: ({ vehicle }): Finding[] => {
    const underV = vehicle.build.bms?.underV;
    const cells = rowOf(vehicle, 'least');
    if (!applies(vehicle) || underV === undefined || cells === 0) return [];
    return windows(vehicle)
      .filter(({ device }) => hasTrait(device.device.kind, 'feeds-12-v'))
      .map(({ device, limits: { workingMinV, workingMaxV } }) => {
        const demand = cells * underV;
        return {
          subject: deviceRef(device),
          demand: volts(demand),
          limit: volts(workingMinV),
          margin: (demand - workingMinV) / (workingMaxV - workingMinV),
          lines: () => [
            { formula: 'N · U_stop', figures: `${cells} · ${q(underV, 'voltage')}`, result: volts(demand) },
          ],
        };
      });
  },
  remedies: 'A higher stop of each cell, or a converter that works lower down.',
});

/** A fuse melts so much below its nominal curve (reference of the trade: ±10 % in current). */
const EARLY = 1.1;
/** So long may a driver ask for all that the electronics lets through (engineering judgement). */
const ASKED_S = 10;

const fuseOutlasts = defineRule({
  id: 'bms.fuse-outlasts',
  endangers: 'comfort',
  says: {
    fails: '{subject} melts before the electronics limits the current',
    holds: '{subject} outlives what the electronics lets through',
    line: '{demand}, melts at {limit} in {time}',
  },
  comfort: 0,
  sources: ['Highest current of the electronics’ curves for ten seconds against the early edge of the fuse’s curve'],
  judge: ({ vehicle }): Finding<'time'>[] => {
    const { dischargeByC = [], dischargeBySoc = [] } = vehicle.build.bms?.curves ?? {};
    const tops = [dischargeByC, dischargeBySoc].flatMap((curve) =>
      curve.length === 0 ? [] : [Math.max(...curve.map(([, a]) => a))],
    );
    if (!applies(vehicle) || tops.length === 0) return [];
    const whole = Math.min(...tops);
    const strings = packStrings(vehicle);
    return fusesOf(vehicle).flatMap((device): Finding<'time'>[] => {
      const part = partOf(device, 'fuse');
      if (!part) return [];
      const inString = strings.some(({ ids }) => ids.has(device.id));
      const demand = inString ? whole / strings.length : whole;
      const limit = (part.ratedCurrentA * meltingMultiple(part, ASKED_S)) / EARLY;
      return [
        {
          subject: deviceRef(device),
          demand: amps(demand),
          limit: amps(limit),
          margin: marginAtMost(demand, limit),
          figures: { time: { value: ASKED_S, dimension: 'time' } },
          assumed: inString && strings.length > 1 ? ['Strings side by side share the current evenly.'] : [],
          lines: () => [
            {
              formula: 'I ≤ I_n · m(10 s) / 1.1',
              figures: `${q(part.ratedCurrentA, 'current')} · ${meltingMultiple(part, ASKED_S).toFixed(2)} / ${EARLY}`,
              result: amps(limit),
            },
          ],
        },
      ];
    });
  },
  remedies:
    'A lower top of the curve while driving, or a fuse that carries it for ten seconds and still protects its cable.',
});

/** Fuses that the drive’s current flows through. */
function fusesOf(vehicle: Vehicle): readonly ResolvedDevice[] {
  const strings = packStrings(vehicle);
  const ids = new Set<string>([
    // A single string counts whatever hangs on it as its own.
    ...(strings.length > 1 ? strings.flatMap(({ ids: members }) => [...members]) : []),
    ...vehicle.devices
      .filter(({ device }) => device.kind === 'inverter')
      .flatMap((inverter) => wayOf(vehicle, inverter)?.seriesIds ?? []),
  ]);
  return vehicle.devices.filter(({ id, device }) => device.kind === 'fuse' && ids.has(id));
}

export const DEVICE_RULES: readonly Rule[] = [bearStop, converterOutlasts, fuseOutlasts];
