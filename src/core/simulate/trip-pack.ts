import type { openCircuitVoltage } from '../physics/cell';
import {
  conductorOhm,
  conductorsOf,
  driveTrainOf,
  Follows,
  packStrings,
  partOf,
  type ResolvedConductor,
  type Vehicle,
  wayOf,
} from '../vehicle';

/** The pack as a trip sees it: one string that stands for all in parallel, with the way to the inverter. */
export interface TripPack {
  readonly chemistry: Parameters<typeof openCircuitVoltage>[0];
  readonly cellsInSeries: number;
  readonly capacityC: number;
  /** All cells, joints and the way to the inverter, new, at 25 °C, Ω; the cells' share of it follows temperature and age. */
  readonly cellsOhm: number;
  readonly otherOhm: number;
  readonly massKg: number;
  /** Charge voltage of all cells: regeneration stops there. V */
  readonly fullV: number;
}

/** What the ways to all inverters lose at the whole current, as one resistance: each piece by its share of the current squared, Ω. */
function ohmToDrives(vehicle: Vehicle): number {
  const { inverterShare } = driveTrainOf(vehicle.build);
  const shares = new Map<ResolvedConductor, number>();
  for (const device of vehicle.devices)
    if (device.device.kind === 'inverter')
      for (const conductor of conductorsOf(vehicle, wayOf(vehicle, device)))
        shares.set(conductor, Math.min(1, (shares.get(conductor) ?? 0) + inverterShare(device.id)));
  return [...shares].reduce((total, [conductor, share]) => total + conductorOhm(conductor, 40) * share ** 2, 0);
}

/**
 * What stands for the pack in a trip; null without cells. Boxes in series, their weakest capacity counts; strings in parallel add their
 * capacities and conductances, at the voltage of the first: strings that differ are named by a rule of Pack.
 */
export const tripPack = (vehicle: Vehicle): TripPack | null => packs.get(vehicle, () => findPack(vehicle));

const packs = new Follows<Vehicle, TripPack | null>();

function findPack(vehicle: Vehicle): TripPack | null {
  const strings = packStrings(vehicle).flatMap(({ boxIds }) => {
    const boxes = boxIds.flatMap((id) => {
      const box = vehicle.deviceOf.get(id)!;
      const cell = partOf(box, 'cell');
      return cell && box.device.cellsInSeries
        ? [{ cell, series: box.device.cellsInSeries, parallel: box.device.cellsInParallel ?? 1 }]
        : [];
    });
    if (boxes.length === 0) return [];
    const sum = (pick: (box: (typeof boxes)[number]) => number) => boxes.reduce((total, box) => total + pick(box), 0);
    return [
      {
        chemistry: boxes[0]!.cell.chemistry,
        cellsInSeries: sum(({ series }) => series),
        capacityC: 3600 * Math.min(...boxes.map(({ cell, parallel }) => cell.capacityAh * parallel)),
        cellsOhm: sum(({ cell, series, parallel }) => (series * cell.resistanceOhm) / parallel),
        linksOhm: sum(({ cell, series }) => series * cell.linkResistanceOhm),
        massKg: sum(({ cell, series, parallel }) => series * parallel * cell.massKg),
        fullV: sum(({ cell, series }) => series * cell.fullV),
      },
    ];
  });
  const first = strings[0];
  if (!first) return null;
  const wayOhm = ohmToDrives(vehicle);
  const sum = (pick: (string: (typeof strings)[number]) => number) =>
    strings.reduce((total, string) => total + pick(string), 0);
  const parallel = (pick: (string: (typeof strings)[number]) => number) =>
    strings.length === 1 ? pick(first) : 1 / sum((string) => 1 / Math.max(pick(string), 1e-9));
  return {
    chemistry: first.chemistry,
    cellsInSeries: first.cellsInSeries,
    capacityC: sum((string) => string.capacityC),
    cellsOhm: parallel((string) => string.cellsOhm),
    otherOhm: parallel((string) => string.linksOhm) + wayOhm,
    massKg: sum((string) => string.massKg),
    fullV: Math.min(...strings.map((string) => string.fullV)),
  };
}
