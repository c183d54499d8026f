import { quantityText as q, type Working } from '../../checks';
import { openCircuitVoltage, resistanceAgeFactor, resistanceTemperatureFactor } from '../../physics/cell';
import { cornersOf, partOf, type Vehicle } from '../../vehicle';
import type { PackResults } from './results';

export type PackFigure =
  | 'fullV'
  | 'nominalV'
  | 'emptyRestV'
  | 'sagV'
  | 'grossEnergyJ'
  | 'usableEnergyJ'
  | 'resistanceNewOhm'
  | 'resistanceColdAgedOhm'
  | 'massKg';

/** How each headline figure of the pack comes about, to be redone by hand. */
export function packWorkings(vehicle: Vehicle, pack: PackResults): Readonly<Record<PackFigure, Working>> {
  const boxes = vehicle.devices.filter(({ device }) => device.kind === 'box');
  const cell = partOf(boxes[0], 'cell');
  const { packLimits } = vehicle.build;
  const [cold] = cornersOf(vehicle.build);
  const n = pack.cellsInSeries;
  const generic = cell?.provenance === 'generic' ? ['The cell is a generic part; a data sheet wins.'] : [];
  const working = (lines: Working['lines'], sources: string[], assumed: string[] = []): Working => ({
    lines,
    sources,
    assumed: [...assumed, ...generic],
  });
  const series = (formula: string, perCell: number, total: number, sources: string[]): Working =>
    working(
      [{ formula, figures: `${n} · ${q(perCell, 'voltage')}`, result: { value: total, dimension: 'voltage' } }],
      sources,
    );
  const rest = cell ? openCircuitVoltage(cell.chemistry, packLimits.socEmpty) : Number.NaN;
  const factorT = resistanceTemperatureFactor(cold!.cellTemperatureC);
  const factorA = resistanceAgeFactor(cold!.health);
  const parallel = pack.boxes[0]?.cellsInParallel ?? 1;
  const cellOhm = cell?.resistanceOhm ?? Number.NaN;
  const linkOhm = cell?.linkResistanceOhm ?? Number.NaN;
  const lowest = vehicle.cases.filter((solved) => solved.point.solvable && solved.state.closed.length > 0);
  return {
    fullV: series('V_full = cells in series · charge voltage', cell?.fullV ?? Number.NaN, pack.fullV, [
      'Charge voltage: the cell’s part',
    ]),
    nominalV: series('V_nom = cells in series · nominal voltage', cell?.nominalV ?? Number.NaN, pack.nominalV, [
      'Nominal voltage: the cell’s part. Nominal is not full.',
    ]),
    emptyRestV: series('V_rest = cells in series · rest voltage when driving stops', rest, pack.emptyRestV, [
      `Generic rest-voltage curve at ${Math.round(packLimits.socEmpty * 100)} % state of charge, monotone cubic`,
    ]),
    sagV: working(
      [
        {
          formula: 'V = Σ over the boxes of V_rest − I · R, lowest of all solved cases',
          figures: `${lowest.length} cases`,
          ...(pack.sagV === null ? {} : { result: { value: pack.sagV, dimension: 'voltage' } }),
        },
      ],
      ['Nodal solution of the circuit'],
      ['Inverter power is assumed in each state until Drive computes it.'],
    ),
    grossEnergyJ: working(
      [
        {
          formula: 'E = V_nom · capacity',
          figures: `${q(pack.nominalV, 'voltage')} · ${q(pack.capacityAh, 'charge')}`,
          result: { value: pack.grossEnergyJ, dimension: 'energy' },
        },
      ],
      ['Capacity of the smallest box: the cell’s part'],
    ),
    usableEnergyJ: working(
      [
        {
          formula: 'E_usable = E · (1 − state of charge at which driving stops)',
          figures: `${q(pack.grossEnergyJ, 'energy')} · (1 − ${packLimits.socEmpty})`,
          result: { value: pack.usableEnergyJ, dimension: 'energy' },
        },
      ],
      ['Charged to full. Gross and usable are two things.'],
    ),
    resistanceNewOhm: working(
      [
        {
          formula: 'R = n · (R_cell / parallel + R_link)',
          figures: `${n} · (${q(cellOhm, 'resistance')} / ${parallel} + ${q(linkOhm, 'resistance')})`,
          result: { value: pack.resistanceNewOhm, dimension: 'resistance' },
        },
      ],
      ['New, 25 °C, half charged, after seconds'],
    ),
    resistanceColdAgedOhm: working(
      [
        {
          formula: 'R = n · (R_cell · f_temperature · f_age / parallel + R_link)',
          figures: `${n} · (${q(cellOhm, 'resistance')} · ${factorT.toFixed(4)} · ${factorA.toFixed(4)} / ${parallel} + ${q(linkOhm, 'resistance')})`,
          result: { value: pack.resistanceColdAgedOhm, dimension: 'resistance' },
        },
      ],
      [`Generic factors at ${q(cold!.cellTemperatureC, 'temperature')} and ${Math.round(cold!.health * 100)} % health`],
    ),
    massKg: working(
      [
        {
          formula: 'm = Σ cells · mass of one',
          figures: `${pack.boxes.map((box) => box.cellsInSeries * box.cellsInParallel).join(' + ')} cells · ${q(cell?.massKg ?? Number.NaN, 'mass')}`,
          result: { value: pack.massKg, dimension: 'mass' },
        },
      ],
      ['Cells alone, without boxes and busbars'],
    ),
  };
}
