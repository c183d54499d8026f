import type { HealthRecord } from '../../build';
import { cellExtremes } from '../../physics/cell-care';
import { HYDROGEN_L_PER_AH, WATER_G_PER_AH } from '../../physics/lead-upkeep';
import {
  type BalanceRun,
  balanceRun,
  type CellsOver,
  coldNight,
  type DriveFindings,
  driveFindings,
  drivesOf,
  type HotCells,
  hotCharge,
  hotClimb,
  latestDrive,
  measuredCellOhm,
  type RowPlace,
  rowPlaces,
  vehicleCharge,
} from '../../simulate';
import { partOf, type Vehicle } from '../../vehicle';
import type { Context } from '../context';
import { healthOf } from './health-rules';
import { cellsOf, electronic, groupsOf, lithiumIn } from './shared';
import { tapsOf } from './tap-rules';

/** Voltages of a cell from what destroys it to what is set, V; null: not told. */
export interface CellWindow {
  readonly chemistry: Parameters<typeof cellExtremes>[0];
  readonly leastV: number;
  readonly mostV: number;
  readonly emptyV: number;
  readonly fullV: number;
  readonly underV: number | null;
  readonly overV: number | null;
  readonly balanceFromV: number | null;
  readonly chargeV: number | null;
}

export interface BmsResults {
  readonly cells: number;
  readonly watched: 'none' | 'regulators' | 'electronics';
  readonly lithium: boolean;
  readonly window: CellWindow | null;
  /** The sense plug as read; null: not read. */
  readonly taps: ReturnType<typeof tapsOf>;
  /** One cell a hundredth lower than all others, evened out; null: no shunt current told. */
  /** Every cell of the row, for whoever reads it with a meter. */
  readonly places: readonly RowPlace[];
  /** Drives that were logged or read, oldest first. */
  readonly drives: readonly DriveFindings[];
  /** Resistance of a cell by the latest of them; null: it does not tell. */
  readonly measured: ReturnType<typeof measuredCellOhm>;
  /** Boxes whose cells have an adopted resistance. */
  readonly adoptedIds: readonly string[];
  /** Records of its health, oldest first. */
  readonly health: readonly HealthRecord[];
  /** What a charge of flooded cells takes; null: none are, or the charge is not told. */
  readonly upkeep: {
    readonly overchargeAh: number;
    /** Of all cells, kg, and of what comes out of them, L at 20 °C. */
    readonly waterKg: number;
    readonly hydrogenL: number;
    /** Null: the water above the plates is not told, or none is lost. */
    readonly chargesToWater: number | null;
  } | null;
  /** Of a group side by side, Ah; 0 without cells. */
  readonly capacityAh: number;
  /** Temperature of the cells over a cold night, a long climb and a charge on the hottest day. */
  readonly warmth: {
    readonly night: CellsOver | null;
    readonly climb: HotCells | null;
    readonly charge: HotCells | null;
  };
  readonly balance: { readonly run: BalanceRun; readonly spread: number; readonly heatW: number } | null;
}

/** So much lower is the one cell whose return is shown. */
const SPREAD = 0.02;
const EVEN = 0.002;

export function bmsResults({ vehicle }: Context): BmsResults {
  const cells = cellsOf(vehicle);
  const [first] = cells;
  const { bms = {}, charging = {}, schools } = vehicle.build;
  const groups = groupsOf(vehicle);
  const latest = latestDrive(vehicle);
  const box = vehicle.devices.find((one) => one.device.kind === 'box' && partOf(one, 'cell') !== null);
  const capacityAh = first ? first.capacityAh * (box?.device.cellsInParallel ?? 1) : 0;
  const balance =
    first && bms.balanceA !== undefined && groups > 1
      ? {
          spread: SPREAD,
          heatW: bms.balanceA * first.fullV,
          run: balanceRun({
            mode: 'bleed-at-rest',
            cells: Array.from({ length: groups }, (_, k) => ({ capacityAh, soc: k === 0 ? 0.5 : 0.5 + SPREAD })),
            balanceCurrentA: bms.balanceA,
            balanceDuty: bms.balanceDuty ?? 1,
            socTolerance: EVEN,
            chargeCurrentA: 0,
            thresholdSoc: 1,
            overLimitSoc: Number.POSITIVE_INFINITY,
          }),
        }
      : null;
  return {
    cells: groups,
    watched: electronic(vehicle) ? 'electronics' : schools.bms === 'shunts' ? 'regulators' : 'none',
    lithium: lithiumIn(vehicle),
    window: first
      ? {
          chemistry: first.chemistry,
          ...cellExtremes(first.chemistry),
          emptyV: first.emptyV,
          fullV: first.fullV,
          underV: bms.underV ?? null,
          overV: bms.overV ?? null,
          balanceFromV: bms.balanceFromV ?? null,
          chargeV: charging.cellV ?? null,
        }
      : null,
    taps: tapsOf(vehicle),
    places: rowPlaces(vehicle),
    drives: drivesOf(vehicle).map(driveFindings),
    measured: latest ? measuredCellOhm(vehicle, latest) : null,
    adoptedIds: Object.values(vehicle.build.adoptions)
      .filter(
        ({ field, subjectId }) => field === 'resistanceOhm' && vehicle.deviceOf.get(subjectId)?.device.kind === 'box',
      )
      .map(({ subjectId }) => subjectId),
    health: healthOf(vehicle),
    upkeep: upkeepOf(vehicle),
    capacityAh,
    warmth: { night: coldNight(vehicle), climb: hotClimb(vehicle), charge: hotCharge(vehicle) },
    balance,
  };
}

/** What is charged beyond full becomes gas. */
function upkeepOf(vehicle: Vehicle): BmsResults['upkeep'] {
  const flooded = cellsOf(vehicle).some(({ chemistry }) => chemistry === 'lead-flooded');
  const charge = vehicleCharge(vehicle);
  if (!flooded || !('run' in charge) || charge.run.end !== 'cut-off') return null;
  const overAh = Math.max(0, charge.run.last.soc - 1) * charge.capacityAh;
  const eachKg = (WATER_G_PER_AH * overAh) / 1000;
  const reserve = vehicle.build.bms?.waterReserveKg;
  return {
    overchargeAh: overAh,
    waterKg: eachKg * charge.cellsInSeries,
    hydrogenL: HYDROGEN_L_PER_AH * overAh * charge.cellsInSeries,
    chargesToWater: reserve === undefined || eachKg === 0 ? null : Math.floor(reserve / 2 / eachKg),
  };
}
