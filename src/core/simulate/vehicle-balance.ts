import { type Chemistry, openCircuitVoltage, resistanceTemperatureFactor } from '../physics/cell';
import { cellExtremes, isLithium } from '../physics/cell-care';
import type { Vehicle } from '../vehicle';
import { type Evening, type RowCell, type RowCharger, type RowRun, rowRun, seeded } from './balance-run';
import { boxesWithCells, rowOfBoxes } from './cell-row';
import { latestDrive } from './drive-findings';
import { tapFaults } from './tap-readings';
import { tripPack } from './trip-pack';
import { CHARGER_EFFICIENCY, CUTOFF_C_RATE, chargeChain, drawnFrom, runsMeanwhileW } from './vehicle-charge';

/** All that a run of the row reads: made on the page, run beside it. */
export interface BalanceReads {
  readonly chemistry: Chemistry;
  readonly cells: readonly RowCell[];
  readonly charger: RowCharger;
  readonly evening: Evening;
  /** The same with another shunt current; null: none is told. */
  readonly other: Evening | null;
  readonly hours: number;
  /** Cells of each box in the order of the row. */
  readonly boxes: readonly { readonly name: string; readonly cells: number }[];
  /** Where the spread comes from, in words. */
  readonly from: readonly string[];
}

/** Generic: apart by so much as charging begins; capacities and resistances differ by so much either way; loss of a cell in a month. */
export const SPREAD_SOC = 0.02;
const SPREAD_CAPACITY = 0.01;
const SPREAD_OHM = 0.05;
const LOSS_PER_MONTH = 0.02;
const MONTH_S = 30 * 86_400;
const SEED = 12;
const HOURS = 24;
/** Electronics bleed what stands by so much above the lowest, V (generic). */
const DELTA_V = 0.01;
const RELEASE_V = 0.05;

/** The row as it stands when a usual charge begins, and what evens it out; the words of what is missing. */
export function balanceReads(vehicle: Vehicle): BalanceReads | { readonly missing: readonly string[] } {
  const { build } = vehicle;
  const { bms = {}, charging = {}, schools } = build;
  const pack = tripPack(vehicle);
  const drawn = drawnFrom(chargeChain(vehicle));
  const by = schools.bms === 'shunts' ? 'regulators' : schools.bms === 'none' ? 'none' : 'electronics';
  const missing = [
    ...(pack ? [] : ['cells']),
    ...(drawn ? [] : ['a charger and its power']),
    ...(charging.cellV === undefined ? ['the voltage that each cell is charged to'] : []),
    ...(schools.bms === undefined ? ['what watches the cells'] : []),
    ...(by !== 'none' && bms.balanceA === undefined ? ['the shunt current'] : []),
    ...(by !== 'none' && bms.balanceFromV === undefined ? ['the voltage from which it balances'] : []),
  ];
  if (missing.length > 0 || !pack || !drawn || charging.cellV === undefined) return { missing };
  const efficiency = charging.efficiency ?? CHARGER_EFFICIENCY;
  const capacityAh = pack.capacityC / 3600;
  const { cells, from } = rowOf(vehicle, pack, charging.fromSoc ?? build.packLimits.socEmpty);
  const stopV = bms.overV ?? cellExtremes(pack.chemistry).mostV;
  const evening: Evening = {
    by,
    fromV: bms.balanceFromV ?? stopV,
    shuntA: bms.balanceA ?? 0,
    duty: bms.balanceDuty ?? 1,
    deltaV: DELTA_V,
    stopV,
    releaseV: bms.overReleaseV ?? stopV - RELEASE_V,
    atStop: bms.throttlesCharger ? 'throttle' : bms.stopsCharger ? 'stop' : 'nothing',
  };
  return {
    chemistry: pack.chemistry,
    cells,
    charger: {
      powerW: Math.max(0, drawn.acW * efficiency - runsMeanwhileW(vehicle)),
      currentA: charging.outputA ?? 1e6,
      voltageV: pack.cellsInSeries * charging.cellV,
      cutoffA: charging.cutoffA ?? CUTOFF_C_RATE * capacityAh,
    },
    evening,
    other: bms.otherA === undefined || by === 'none' ? null : { ...evening, shuntA: bms.otherA },
    hours: HOURS,
    boxes: (rowOfBoxes(vehicle) ?? boxesWithCells(vehicle)).map(({ device }) => ({
      name: device.name,
      cells: device.cellsInSeries ?? 0,
    })),
    from,
  };
}

/** State of charge that a rest voltage tells, by halves: the curve only rises. */
/** State of charge of a cell that rests at this voltage, by its chemistry’s curve. */
export function socAt(chemistry: Chemistry, v: number): number {
  let [low, high] = [0, 1];
  for (let k = 0; k < 40; k++) {
    const middle = (low + high) / 2;
    if (openCircuitVoltage(chemistry, middle) < v) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Measured where something was read, a seeded spread else. LFP’s rest voltage tells no charge on its flat stretch. */
function rowOf(
  vehicle: Vehicle,
  pack: NonNullable<ReturnType<typeof tripPack>>,
  fromSoc: number,
): { readonly cells: readonly RowCell[]; readonly from: readonly string[] } {
  const { bms = {} } = vehicle.build;
  const n = pack.cellsInSeries;
  const capacityAh = pack.capacityC / 3600;
  const random = seeded(SEED);
  const taps = bms.tapsV ?? [];
  const { leastV, mostV } = cellExtremes(pack.chemistry);
  const read =
    pack.chemistry !== 'lfp' && taps.length === n && tapFaults(taps, { cells: n, leastV, mostV }).length === 0
      ? taps.map((v) => socAt(pack.chemistry, v))
      : null;
  const mean = read ? read.reduce((sum, soc) => sum + soc, 0) / n : 0;
  const drive = latestDrive(vehicle);
  const ohms = drive && drive.cells.length === n ? drive.cells.map(({ resistanceOhm }) => resistanceOhm) : null;
  const warm = drive?.hottestC === null || drive === null ? 1 : resistanceTemperatureFactor(drive.hottestC);
  const ohm = (pack.cellsOhm + pack.otherOhm) / n;
  const spread = bms.spreadSoc ?? SPREAD_SOC;
  const leaksA = isLithium(pack.chemistry) ? (LOSS_PER_MONTH * capacityAh * 3600) / MONTH_S : 0;
  const socs = Array.from({ length: n }, (_, k) => (read ? read[k]! - mean : (spread / 2) * random()));
  // A seeded spread is as wide as it is told: its ends are put where they belong.
  const [low, high] = [Math.min(...socs), Math.max(...socs)];
  const cells = socs.map((offset, k): RowCell => {
    const at = read || high === low ? offset : ((offset - low) / (high - low) - 0.5) * spread;
    const measured = ohms?.[k];
    return {
      capacityAh: capacityAh * (1 + SPREAD_CAPACITY * random()),
      resistanceOhm:
        measured !== null && measured !== undefined && measured > 0
          ? measured / warm
          : ohm * (1 + SPREAD_OHM * random()),
      soc: Math.min(1, Math.max(0, fromSoc + at)),
      leaksA,
    };
  });
  return {
    cells,
    from: [
      read
        ? 'Charge of each cell by its tap.'
        : `Cells apart by ${Math.round(spread * 1000) / 10} %, spread by chance${pack.chemistry === 'lfp' ? ' (LFP at rest tells no charge)' : ''}.`,
      ohms ? 'Resistance of each cell by the last drive.' : 'Resistances differ by 5 %, capacities by 1 %, by chance.',
    ],
  };
}

export interface BalanceResult {
  readonly told: RowRun;
  readonly other: RowRun | null;
}

export const balanceOf = (reads: BalanceReads): BalanceResult => {
  const run = (evening: Evening) => rowRun(reads.chemistry, reads.cells, reads.charger, evening, reads.hours);
  return { told: run(reads.evening), other: reads.other ? run(reads.other) : null };
};

/** Heat of each box over the whole run, J, and its most at once while every cell of it bleeds, W. */
export function boxHeat(
  reads: BalanceReads,
  run: RowRun,
): readonly { readonly name: string; readonly heatJ: number; readonly mostW: number }[] {
  let first = 0;
  return reads.boxes.map(({ name, cells }) => {
    const heatJ = run.heatJ.slice(first, first + cells).reduce((sum, joule) => sum + joule, 0);
    first += cells;
    return { name, heatJ, mostW: cells * reads.evening.shuntA * reads.evening.duty * reads.evening.fromV };
  });
}
