import { usableShare } from '../../build';
import { openCircuitVoltage } from '../../physics/cell';
import { boxSource, cornersOf, lowestStringV, packStrings, partOf, type Vehicle } from '../../vehicle';

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

/** Boxes in series, all carrying the same current. */
export interface StringFigures {
  readonly boxIds: readonly string[];
  readonly cellsInSeries: number;
  readonly nominalV: number;
  readonly fullV: number;
  readonly emptyRestV: number;
  readonly capacityAh: number;
  readonly resistanceNewOhm: number;
  readonly resistanceColdAgedOhm: number;
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
  /** One, or several in parallel. */
  readonly strings: readonly StringFigures[];
  /** Of the longest string. */
  readonly cellsInSeries: number;
  /** Of strings in parallel the mean, weighed by conductance: where they stand together at rest. */
  readonly nominalV: number;
  /** Of strings in parallel the highest: what a device may meet. */
  readonly fullV: number;
  readonly emptyRestV: number;
  /** Lowest voltage of a whole string under load, V; null while unsolved. */
  readonly sagV: number | null;
  readonly grossEnergyJ: number;
  /** Between full and the state of charge at which driving stops. */
  readonly usableEnergyJ: number;
  /** All strings together. */
  readonly capacityAh: number;
  readonly massKg: number;
  /** Strings in parallel: new at 25 °C, and cold and aged, Ω. */
  readonly resistanceNewOhm: number;
  readonly resistanceColdAgedOhm: number;
  readonly windows: readonly WindowRow[];
}

const FRESH = { soc: 0.5, cellTemperatureC: 25, health: 1, atChargeVoltage: false };

function boxFigures(vehicle: Vehicle): Map<string, BoxFigures & StringFigures> {
  const [cold] = cornersOf(vehicle.build);
  const boxes = new Map<string, BoxFigures & StringFigures>();
  for (const box of vehicle.devices) {
    const cell = partOf(box, 'cell');
    const source = box.device.kind === 'box' ? boxSource(box, FRESH) : null;
    if (!cell || !source) continue;
    const cellsInSeries = box.device.cellsInSeries ?? 0;
    const cellsInParallel = box.device.cellsInParallel ?? 1;
    const nominalV = cellsInSeries * cell.nominalV;
    const capacityAh = cell.capacityAh * cellsInParallel;
    boxes.set(box.id, {
      id: box.id,
      name: box.device.name,
      boxIds: [box.id],
      cellsInSeries,
      cellsInParallel,
      nominalV,
      fullV: cellsInSeries * cell.fullV,
      emptyRestV: cellsInSeries * openCircuitVoltage(cell.chemistry, vehicle.build.packLimits.socEmpty),
      energyJ: nominalV * capacityAh * 3600,
      capacityAh,
      massKg: cellsInSeries * cellsInParallel * cell.massKg,
      resistanceNewOhm: source.resistanceOhm,
      resistanceColdAgedOhm: boxSource(box, cold!)!.resistanceOhm,
    });
  }
  return boxes;
}

function inSeries(boxes: readonly (BoxFigures & StringFigures)[]): StringFigures {
  const sum = (pick: (box: StringFigures) => number) => boxes.reduce((total, box) => total + pick(box), 0);
  return {
    boxIds: boxes.map((box) => box.id),
    cellsInSeries: sum((box) => box.cellsInSeries),
    nominalV: sum((box) => box.nominalV),
    fullV: sum((box) => box.fullV),
    emptyRestV: sum((box) => box.emptyRestV),
    capacityAh: Math.min(...boxes.map((box) => box.capacityAh)),
    resistanceNewOhm: sum((box) => box.resistanceNewOhm),
    resistanceColdAgedOhm: sum((box) => box.resistanceColdAgedOhm),
  };
}

/** Figures of the pack, strings in parallel included. Null without cells. */
export function packResults(vehicle: Vehicle): PackResults | null {
  const byBox = boxFigures(vehicle);
  const boxes = [...byBox.values()];
  const strings = packStrings(vehicle).flatMap(({ boxIds }): StringFigures[] => {
    const own = boxIds.flatMap((id) => byBox.get(id) ?? []);
    return own.length > 0 ? [inSeries(own)] : [];
  });
  if (strings.length === 0) return null;
  const parallel = (pick: (string: StringFigures) => number) =>
    1 / strings.reduce((sum, one) => sum + 1 / pick(one), 0);
  const resistanceNewOhm = parallel((one) => one.resistanceNewOhm);
  const resting = (pick: (string: StringFigures) => number) =>
    strings.length === 1
      ? pick(strings[0]!)
      : strings.reduce((sum, one) => sum + pick(one) / one.resistanceNewOhm, 0) * resistanceNewOhm;
  const grossEnergyJ = strings.reduce((sum, one) => sum + one.nominalV * one.capacityAh * 3600, 0);
  return {
    boxes,
    strings,
    cellsInSeries: Math.max(...strings.map((one) => one.cellsInSeries)),
    nominalV: resting((one) => one.nominalV),
    fullV: Math.max(...strings.map((one) => one.fullV)),
    emptyRestV: resting((one) => one.emptyRestV),
    sagV: lowestStringV(vehicle),
    grossEnergyJ,
    usableEnergyJ: grossEnergyJ * usableShare(vehicle.build.packLimits),
    capacityAh: strings.reduce((sum, one) => sum + one.capacityAh, 0),
    massKg: boxes.reduce((sum, box) => sum + box.massKg, 0),
    resistanceNewOhm,
    resistanceColdAgedOhm: parallel((one) => one.resistanceColdAgedOhm),
    windows: vehicle.devices.flatMap(({ id, device, part }): WindowRow[] =>
      part && 'window' in part ? [{ deviceId: id, name: device.name, ...part.window }] : [],
    ),
  };
}
