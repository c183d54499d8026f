import { openCircuitVoltage, resistanceAgeFactor, resistanceTemperatureFactor } from '../../physics/cell';
import { packStrings, partOf, type Vehicle } from '../../vehicle';
import type { PackResults } from './results';

/** What a state asks of the cells. */
export interface CellDuty {
  readonly name: string;
  readonly duration: string;
  /** Of the whole pack, A; positive while it gives. */
  readonly currentA: number;
  /** Current of the hardest pressed string over its capacity, 1/h. */
  readonly cRate: number;
  /** In all cells and joints, W. */
  readonly heatW: number;
}

/** Each solved state in its corner of greatest current: C-rate and heat. */
export function cellDuties(vehicle: Vehicle, pack: PackResults): readonly CellDuty[] {
  const strings = packStrings(vehicle);
  const byState = new Map<string, CellDuty>();
  for (const { state, corner, point } of vehicle.cases) {
    if (!point.solvable || state.closed.length === 0) continue;
    const currents = strings.map(({ boxIds }) => -(point.elementCurrentsA.get(boxIds[0] ?? '') ?? 0));
    const currentA = currents.reduce((sum, value) => sum + value, 0);
    if (Math.abs(currentA) < 0.1) continue;
    const cRate = Math.max(...currents.map((value, k) => Math.abs(value) / (pack.strings[k]?.capacityAh ?? 1)));
    const heatW = currents.reduce(
      (sum, value, k) =>
        sum +
        value ** 2 *
          (corner.id === 'cold-old-empty'
            ? (pack.strings[k]?.resistanceColdAgedOhm ?? 0)
            : (pack.strings[k]?.resistanceNewOhm ?? 0)),
      0,
    );
    const known = byState.get(state.id);
    if (!known || cRate > known.cRate)
      byState.set(state.id, { name: state.name, duration: state.duration, currentA, cRate, heatW });
  }
  return [...byState.values()];
}

export interface SocPoint {
  readonly soc: number;
  readonly restV: number;
  readonly loadedV: number;
}

/**
 * Voltage of the first string over the state of charge at rest and under a current of the whole pack, V: V = Σ n·(OCV(soc) − I·R(T, health)).
 * Strings in parallel share the current evenly.
 */
export function socCurve(
  vehicle: Vehicle,
  currentA: number,
  cellC: number,
  health: number,
  points = 41,
): readonly SocPoint[] {
  const strings = packStrings(vehicle);
  const boxes = (strings[0]?.boxIds ?? []).flatMap((id) => {
    const box = vehicle.deviceOf.get(id)!;
    const cell = partOf(box, 'cell');
    return cell ? [{ cell, series: box.device.cellsInSeries ?? 0, parallel: box.device.cellsInParallel ?? 1 }] : [];
  });
  if (boxes.length === 0) return [];
  const each = currentA / strings.length;
  const factor = resistanceTemperatureFactor(cellC) * resistanceAgeFactor(health);
  const ohm = boxes.reduce(
    (sum, { cell, series, parallel }) =>
      sum + series * ((cell.resistanceOhm * factor) / parallel + cell.linkResistanceOhm),
    0,
  );
  return Array.from({ length: points }, (_, k) => {
    const soc = k / (points - 1);
    const restV = boxes.reduce((sum, { cell, series }) => sum + series * openCircuitVoltage(cell.chemistry, soc), 0);
    return { soc, restV, loadedV: restV - each * ohm };
  });
}
