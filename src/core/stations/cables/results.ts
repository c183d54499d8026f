import {
  carriesA,
  conductorOhm,
  inverterPowerW,
  type ResolvedConductor,
  solvedStates,
  type Vehicle,
} from '../../vehicle';
import type { Context } from '../context';

export interface CableRow {
  readonly id: string;
  readonly resolved: ResolvedConductor;
  /** Worst sustained current, A; null while unsolved. */
  readonly currentA: number | null;
  /** Hottest sustained conductor temperature, °C; null: none, or unsolved. */
  readonly temperatureC: number | null;
  readonly runsAway: boolean;
  readonly ampacityA: number | null;
  /** Own drop at the worst sustained current, one way, V. */
  readonly dropV: number | null;
  readonly lossW: number | null;
  readonly massKg: number | null;
}

/** All conductors of the traction circuit, and what they take together. */
export interface CableResults {
  readonly rows: readonly CableRow[];
  readonly massKg: number;
  /** In their worst sustained cases, W. */
  readonly lossW: number;
  /** Share of the range that this takes, m; null: no trip is driven, or nothing is drawn in cruise. */
  readonly rangeLostM: number | null;
}

export function cableResults({ vehicle, trip }: Context): CableResults {
  const rows = cableRows(vehicle);
  const sum = (pick: (row: CableRow) => number | null) => rows.reduce((total, row) => total + (pick(row) ?? 0), 0);
  const lossW = sum((row) => row.lossW);
  const cruiseW = inverterPowerW(vehicle.build, 'cruise');
  return {
    rows,
    massKg: sum((row) => row.massKg),
    lossW,
    rangeLostM: trip?.rangeFreshM != null && cruiseW > 0 ? (trip.rangeFreshM * lossW) / cruiseW : null,
  };
}

/** One row per high-voltage conductor, worst sustained case each. */
export function cableRows(vehicle: Vehicle): CableRow[] {
  const sustained = solvedStates(vehicle).filter(({ state }) => state.duration === 'sustained');
  return vehicle.conductors.map((resolved) => {
    let currentA: number | null = null;
    let temperatureC: number | null = null;
    let runsAway = false;
    for (const solved of sustained) {
      const current = Math.abs(solved.point.elementCurrentsA.get(resolved.id) ?? 0);
      const reached = solved.temperaturesC.get(resolved.id) ?? null;
      if (reached === null) runsAway = true;
      if (currentA === null || current > currentA) {
        currentA = current;
        temperatureC = reached;
      }
    }
    const ohm =
      currentA === null ? null : conductorOhm(resolved, temperatureC ?? resolved.cable?.temperatureClassC ?? 20);
    return {
      id: resolved.id,
      resolved,
      currentA,
      // What is no cable has a limit, and no temperature that anybody worked out.
      temperatureC: runsAway || resolved.conductor.kind !== 'cable' ? null : temperatureC,
      runsAway,
      ampacityA: carriesA(vehicle, resolved),
      dropV: ohm === null || currentA === null || resolved.lengthM === null ? null : currentA * ohm,
      lossW: ohm === null || currentA === null || resolved.lengthM === null ? null : currentA * currentA * ohm,
      massKg:
        resolved.cable && resolved.lengthM !== null
          ? resolved.cable.massKgPerM * resolved.lengthM * resolved.conductor.parallel
          : null,
    };
  });
}
