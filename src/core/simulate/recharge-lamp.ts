import { openCircuitVoltage, resistanceAgeFactor, resistanceTemperatureFactor } from '../physics/cell';
import type { Vehicle } from '../vehicle';
import type { TripPack } from './trip-pack';
import { tripPack } from './trip-pack';
import type { TripRuns } from './trip-runs';

/** A lamp that asks for a charge, by the voltage of a cell: sag must not light it, rest must not put it out too soon. */

export interface LampSettings {
  readonly onV: number;
  readonly offV: number;
  readonly holdS: number;
}

export interface LampRun {
  /** How often it lit, and at which states of charge. */
  readonly litAt: readonly number[];
  /** It lit and went out again: it cried wolf. */
  readonly wolf: number;
  readonly litAtEnd: boolean;
}

/** The lamp over voltages of a cell, one a second or as they come. */
export function lampOver(
  points: readonly { readonly timeS: number; readonly cellV: number; readonly soc: number }[],
  { onV, offV, holdS }: LampSettings,
): LampRun {
  const litAt: number[] = [];
  let [lit, since, wolf] = [false, null as number | null, 0];
  for (const { timeS, cellV, soc } of points) {
    if (!lit) {
      since = cellV < onV ? (since ?? timeS) : null;
      if (since !== null && timeS - since >= holdS) {
        lit = true;
        litAt.push(soc);
      }
    } else if (cellV > offV) {
      lit = false;
      since = null;
      wolf++;
    }
  }
  return { litAt, wolf, litAtEnd: lit };
}

/** Mean voltage of a cell on the way of a trip that was driven. */
export function cellVoltages(
  pack: TripPack,
  run: TripRuns['winter'],
  health: number,
): readonly { readonly timeS: number; readonly cellV: number; readonly soc: number }[] {
  return run.curve.map(({ timeS, currentA, soc, packC }) => ({
    timeS,
    soc,
    cellV:
      openCircuitVoltage(pack.chemistry, Math.max(0, Math.min(1, soc))) -
      (currentA * pack.cellsOhm * resistanceTemperatureFactor(packC) * resistanceAgeFactor(health)) /
        pack.cellsInSeries,
  }));
}

/** The lamp on the usual trip in winter. Null: no settings, no cells or no trip. */
export function rechargeLamp(vehicle: Vehicle, trip: TripRuns | null): LampRun | null {
  const { lampOnV, lampOffV, lampHoldS } = vehicle.build.gauges ?? {};
  const pack = tripPack(vehicle);
  if (lampOnV === undefined || lampOffV === undefined || !pack || !trip) return null;
  return lampOver(cellVoltages(pack, trip.winter, vehicle.build.packLimits.agedHealth), {
    onV: lampOnV,
    offV: lampOffV,
    holdS: lampHoldS ?? 0,
  });
}
