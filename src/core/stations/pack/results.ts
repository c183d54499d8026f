import { openCircuitVoltage } from '../../physics/cell';
import { boxSource, cornersOf, partOf, type Vehicle } from '../../vehicle';

export interface BoxFigures {
  readonly id: string;
  readonly name: string;
  readonly cellsInSeries: number;
  readonly cellsInParallel: number;
  readonly nominalV: number;
  readonly fullV: number;
  readonly energyJ: number;
  readonly massKg: number;
}

export interface WindowRow {
  readonly deviceId: string;
  readonly name: string;
  readonly workingMinV: number;
  readonly workingMaxV: number;
  readonly absoluteMaxV: number;
}

export interface PackResults {
  readonly boxes: readonly BoxFigures[];
  readonly cellsInSeries: number;
  readonly nominalV: number;
  readonly fullV: number;
  readonly emptyRestV: number;
  /** Lowest voltage of the whole string under load, V; null while unsolved. */
  readonly sagV: number | null;
  readonly grossEnergyJ: number;
  /** Between full and the state of charge at which driving stops. */
  readonly usableEnergyJ: number;
  readonly capacityAh: number;
  readonly massKg: number;
  /** Whole string: new at 25 °C, and cold and aged, Ω. */
  readonly resistanceNewOhm: number;
  readonly resistanceColdAgedOhm: number;
  readonly windows: readonly WindowRow[];
}

/** Figures of the pack, boxes taken in series as the station first supports them. Null without cells. */
export function packResults(vehicle: Vehicle): PackResults | null {
  const [cold] = cornersOf(vehicle.build);
  const fresh = { soc: 0.5, cellTemperatureC: 25, health: 1, atChargeVoltage: false };
  const boxes: BoxFigures[] = [];
  let emptyRestV = 0;
  let resistanceNewOhm = 0;
  let resistanceColdAgedOhm = 0;
  let capacityAh = Number.POSITIVE_INFINITY;
  for (const box of vehicle.devices) {
    const cell = partOf(box, 'cell');
    const source = box.device.kind === 'box' ? boxSource(box, fresh) : null;
    if (!cell || !source) continue;
    const cellsInSeries = box.device.cellsInSeries ?? 0;
    const cellsInParallel = box.device.cellsInParallel ?? 1;
    const nominalV = cellsInSeries * cell.nominalV;
    const ah = cell.capacityAh * cellsInParallel;
    boxes.push({
      id: box.id,
      name: box.device.name,
      cellsInSeries,
      cellsInParallel,
      nominalV,
      fullV: cellsInSeries * cell.fullV,
      energyJ: nominalV * ah * 3600,
      massKg: cellsInSeries * cellsInParallel * cell.massKg,
    });
    emptyRestV += cellsInSeries * openCircuitVoltage(cell.chemistry, vehicle.build.packLimits.socEmpty);
    resistanceNewOhm += source.resistanceOhm;
    resistanceColdAgedOhm += boxSource(box, cold!)!.resistanceOhm;
    capacityAh = Math.min(capacityAh, ah);
  }
  if (boxes.length === 0) return null;
  const sum = (pick: (box: BoxFigures) => number) => boxes.reduce((total, box) => total + pick(box), 0);
  const nominalV = sum((box) => box.nominalV);
  const loaded = vehicle.cases.filter((solved) => solved.state.closed.length > 0);
  // The lowest voltage is not known while a case has no operating point.
  const known = loaded.length > 0 && loaded.every((solved) => solved.point.solvable);
  const sags = loaded.map((solved) =>
    boxes.reduce((total, box) => {
      const v = solved.point.nodeVoltagesV;
      return total + ((v.get(`${box.id}.plus`) ?? 0) - (v.get(`${box.id}.minus`) ?? 0));
    }, 0),
  );
  const grossEnergyJ = nominalV * capacityAh * 3600;
  const windows = vehicle.devices.flatMap(({ id, device, part }): WindowRow[] =>
    part && 'window' in part ? [{ deviceId: id, name: device.name, ...part.window }] : [],
  );
  return {
    boxes,
    cellsInSeries: sum((box) => box.cellsInSeries),
    nominalV,
    fullV: sum((box) => box.fullV),
    emptyRestV,
    sagV: known ? Math.min(...sags) : null,
    grossEnergyJ,
    usableEnergyJ: grossEnergyJ * (1 - vehicle.build.packLimits.socEmpty),
    capacityAh,
    massKg: sum((box) => box.massKg),
    resistanceNewOhm,
    resistanceColdAgedOhm,
    windows,
  };
}
