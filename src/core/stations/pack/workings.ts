import { usableWords } from '../../build';
import { quantityText as q, type Working } from '../../checks';
import { openCircuitVoltage, resistanceAgeFactor, resistanceTemperatureFactor } from '../../physics/cell';
import { told } from '../../quantities';
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
  if (pack.strings.length > 1) return parallelWorkings(pack);
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
          formula: 'E_usable = E · (charged to − driving stops at)',
          figures: `${q(pack.grossEnergyJ, 'energy')} · ${usableWords(packLimits)}`,
          result: { value: pack.usableEnergyJ, dimension: 'energy' },
        },
      ],
      ['Gross and usable are two things.'],
    ),
    resistanceNewOhm: working(
      [
        {
          formula: 'R = n · (R_cell / parallel + R_link)',
          figures: `${n} · (${q(cellOhm, 'resistance')} / ${parallel} + ${q(linkOhm, 'resistance')})`,
          result: { value: pack.resistanceNewOhm, dimension: 'resistance' },
        },
      ],
      [`New, ${told(25, 'temperature')}, half charged, after seconds`],
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

/** The same for strings in parallel: from the figures of each. */
function parallelWorkings(pack: PackResults): Readonly<Record<PackFigure, Working>> {
  const { strings } = pack;
  const of = (
    formula: string,
    pick: (string: PackResults['strings'][number]) => string,
    value: number | null,
    dimension: 'voltage' | 'energy' | 'resistance' | 'mass',
    source: string,
  ): Working => ({
    lines: [
      { formula, figures: strings.map(pick).join('; '), ...(value === null ? {} : { result: { value, dimension } }) },
    ],
    sources: [source],
    assumed: [],
  });
  const mean = 'V = Σ V_k / R_k / Σ 1 / R_k';
  const parallel = '1 / R = Σ 1 / R_k';
  const parts = 'Cells in series of each string; the cell’s part';
  return {
    fullV: of('V_full = the highest of the strings', (one) => q(one.fullV, 'voltage'), pack.fullV, 'voltage', parts),
    nominalV: of(
      mean,
      (one) => `${q(one.nominalV, 'voltage')} behind ${q(one.resistanceNewOhm, 'resistance')}`,
      pack.nominalV,
      'voltage',
      'Strings in parallel settle at the mean, weighed by conductance',
    ),
    emptyRestV: of(
      mean,
      (one) => `${q(one.emptyRestV, 'voltage')} behind ${q(one.resistanceNewOhm, 'resistance')}`,
      pack.emptyRestV,
      'voltage',
      'Strings in parallel settle at the mean, weighed by conductance',
    ),
    sagV: of(
      'V = the lowest of the strings over all solved cases',
      (one) => `${one.cellsInSeries} cells in series`,
      pack.sagV,
      'voltage',
      'Nodal solution of the circuit',
    ),
    grossEnergyJ: of(
      'E = Σ V_nom · capacity',
      (one) => `${q(one.nominalV, 'voltage')} · ${q(one.capacityAh, 'charge')}`,
      pack.grossEnergyJ,
      'energy',
      'Capacity of the smallest box of each string',
    ),
    usableEnergyJ: of(
      'E_usable = E · (1 − state of charge at which driving stops)',
      (one) => `${q(one.nominalV * one.capacityAh * 3600, 'energy')} of ${q(pack.grossEnergyJ, 'energy')}`,
      pack.usableEnergyJ,
      'energy',
      'Charged to full. Gross and usable are two things.',
    ),
    resistanceNewOhm: of(
      parallel,
      (one) => q(one.resistanceNewOhm, 'resistance'),
      pack.resistanceNewOhm,
      'resistance',
      `New, ${told(25, 'temperature')}, half charged, after seconds`,
    ),
    resistanceColdAgedOhm: of(
      parallel,
      (one) => q(one.resistanceColdAgedOhm, 'resistance'),
      pack.resistanceColdAgedOhm,
      'resistance',
      'Cold and aged, generic factors',
    ),
    massKg: {
      lines: [
        {
          formula: 'm = Σ cells · mass of one',
          figures: pack.boxes.map((box) => `${box.name} ${q(box.massKg, 'mass')}`).join('; '),
          result: { value: pack.massKg, dimension: 'mass' },
        },
      ],
      sources: ['Cells alone, without boxes and busbars'],
      assumed: [],
    },
  };
}
