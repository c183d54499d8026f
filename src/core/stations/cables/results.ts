import { conductorAmpacity, conductorOhm, type ResolvedConductor, solvedStates, type Vehicle } from '../../vehicle';

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
      temperatureC: runsAway ? null : temperatureC,
      runsAway,
      ampacityA: conductorAmpacity(resolved),
      dropV: ohm === null || currentA === null || resolved.lengthM === null ? null : currentA * ohm,
      lossW: ohm === null || currentA === null || resolved.lengthM === null ? null : currentA * currentA * ohm,
      massKg:
        resolved.cable && resolved.lengthM !== null
          ? resolved.cable.massKgPerM * resolved.lengthM * resolved.conductor.parallel
          : null,
    };
  });
}
