import { resistanceAgeFactor } from '../physics/cell';
import { temperaturesOf } from '../physics/cell-limits';
import { lumpAt, warmingTime } from '../physics/warming';
import { coldestDayC, hottestDayC, partOf, solvedStates, type Vehicle } from '../vehicle';
import { spanIn } from './plugged';
import { BOX_W_PER_K, CELL_J_PER_KGK } from './trip';
import { tripPack } from './trip-pack';
import { NIGHT_S, vehicleCharge } from './vehicle-charge';
import { padsW } from './warmed';

/** Cells of all boxes as one lump, over a cold night, a hot climb and a charge on a hot day. */

/** Cells in the evening of a cold day, after the way home (engineering judgement), °C. */
export const EVENING_C = 15;
/** A long climb (engineering judgement), s. */
export const CLIMB_S = 1800;

export interface CellsOver {
  readonly airC: number;
  readonly fromC: number;
  readonly overS: number;
  /** Heat of their own current, and what takes heat away or gives it while it is on, W. */
  readonly heatW: number;
  readonly helpW: number;
  /** At the end: with nothing to help, and with what there is. */
  readonly aloneC: number;
  readonly helpedC: number;
  /** Every so often, s: with and without help, °C. */
  readonly curve: readonly { readonly t: number; readonly alone: number; readonly helped: number }[];
  /** What the help takes out of the pack or the wall, J. */
  readonly helpJ: number;
}

const POINTS = 60;

/** One stretch with constant heat: help never pushes the cells beyond the temperature it holds. */
function over(
  massKg: number,
  {
    airC,
    fromC,
    overS,
    heatW,
    helpW,
    holdC,
  }: Omit<CellsOver, 'aloneC' | 'helpedC' | 'curve' | 'helpJ'> & { readonly holdC: number },
): CellsOver {
  const heatJPerK = massKg * CELL_J_PER_KGK;
  const lump = { heatJPerK, lossWPerK: BOX_W_PER_K, fromC, airC };
  const alone = (t: number) => lumpAt({ ...lump, powerW: heatW }, t);
  const warms = helpW > 0;
  // Until they pass the temperature that is held nothing helps; from there on it holds them, or does what it can.
  const idle = { ...lump, powerW: heatW, toC: holdC };
  const reaches = (warms ? fromC <= holdC : fromC >= holdC) ? 0 : crossing(idle, warms);
  const after = (t: number) => lumpAt({ ...lump, fromC: holdC, powerW: heatW + helpW }, t);
  const from0 = (t: number) => lumpAt({ ...lump, powerW: heatW + helpW }, t);
  const helped = (t: number): number => {
    if (helpW === 0 || reaches === null || t <= reaches) return alone(t);
    const free = reaches === 0 ? from0(t) : after(t - reaches);
    return warms ? Math.min(free, Math.max(holdC, alone(t))) : Math.max(free, Math.min(holdC, alone(t)));
  };
  const curve = Array.from({ length: POINTS + 1 }, (_, k) => {
    const t = (overS * k) / POINTS;
    return { t, alone: alone(t), helped: helped(t) };
  });
  // What it gave is what is in the cells more, and what they lost more to the air meanwhile (trapezoids over the curve).
  const more = curve.map(({ alone: a, helped: h }) => h - a);
  const step = overS / POINTS;
  const lostMore = more.slice(1).reduce((sum, one, k) => sum + ((one + more[k]!) / 2) * step * BOX_W_PER_K, 0);
  const helpJ = Math.abs(more.at(-1)! * heatJPerK + lostMore);
  return { airC, fromC, overS, heatW, helpW, aloneC: alone(overS), helpedC: helped(overS), curve, helpJ };
}

/** When cells that fall or rise by themselves pass a temperature, s; null: never. */
function crossing(idle: Parameters<typeof warmingTime>[0], falling: boolean): number | null {
  // Falling is rising with every temperature the other way round.
  return falling
    ? warmingTime({ ...idle, fromC: -idle.fromC, toC: -idle.toC, airC: -idle.airC, powerW: -idle.powerW })
    : warmingTime(idle);
}

/** What takes heat out of the cells in a state, W: compressors that are told to and joined then. */
const chillersW = (vehicle: Vehicle, state: 'hill' | 'charging'): number =>
  vehicle.devices.reduce(
    (sum, one) =>
      one.device.kind === 'compressor' && (one.device.powersW?.[state] ?? 0) > 0 && spanIn(vehicle, state, one) > 0
        ? sum + (one.device.coolsCellsW ?? 0)
        : sum,
    0,
  );

/** Lowest of what the cells of all boxes bear, °C. */
function bears(vehicle: Vehicle, way: 'charge' | 'discharge'): number | null {
  const all = vehicle.devices.flatMap((box) => partOf(box, 'cell') ?? []);
  return all.length === 0 ? null : Math.min(...all.map((cell) => temperaturesOf(cell, way)[1]));
}

/** Cells stand through a cold night, plugged in. Null: no cells. */
export function coldNight(vehicle: Vehicle): CellsOver | null {
  const pack = tripPack(vehicle);
  if (!pack) return null;
  const { bms, charging } = vehicle.build;
  const warmest = Math.max(
    ...vehicle.devices.flatMap((box) => {
      const cell = partOf(box, 'cell');
      return cell ? [temperaturesOf(cell, 'charge')[0]] : [];
    }),
  );
  return over(pack.massKg, {
    airC: coldestDayC(vehicle.build),
    fromC: EVENING_C,
    overS: charging?.nightS ?? NIGHT_S,
    heatW: 0,
    helpW: padsW(vehicle),
    holdC: Math.max(warmest, bms?.chargeFromC ?? warmest),
  });
}

export interface HotCells extends CellsOver {
  readonly limitC: number;
}

/** A long climb that begins with cells as hot as the hottest day. Null: no cells, or the hill has no operating point. */
export function hotClimb(vehicle: Vehicle): HotCells | null {
  const pack = tripPack(vehicle);
  const limit = bears(vehicle, 'discharge');
  if (!pack || limit === null) return null;
  const hill = solvedStates(vehicle).filter(({ state }) => state.id === 'hill');
  const currentA = hill.reduce((most, { point }) => {
    const boxes = vehicle.devices.filter(({ device }) => device.kind === 'box');
    return Math.max(most, ...boxes.map(({ id }) => Math.abs(point.elementCurrentsA.get(id) ?? 0)));
  }, 0);
  if (hill.length === 0) return null;
  const airC = hottestDayC(vehicle.build);
  const limitC = Math.min(limit, vehicle.build.bms?.dischargeToC ?? limit);
  return {
    ...over(pack.massKg, {
      airC,
      fromC: airC,
      overS: CLIMB_S,
      heatW: heatOf(vehicle, currentA),
      helpW: 0 - chillersW(vehicle, 'hill'),
      holdC: airC,
    }),
    limitC,
  };
}

/** A charge at standstill on the hottest day. Null: no cells, or the charge is not told. */
export function hotCharge(vehicle: Vehicle): HotCells | null {
  const pack = tripPack(vehicle);
  const limit = bears(vehicle, 'charge');
  const charge = vehicleCharge(vehicle);
  if (!pack || limit === null || !('run' in charge)) return null;
  const airC = hottestDayC(vehicle.build);
  const [first] = charge.run.curve;
  return {
    ...over(pack.massKg, {
      airC,
      fromC: airC,
      // Its whole time with its first current: the taper only makes less heat.
      overS: charge.run.last.timeS,
      heatW: first ? first.packA ** 2 * pack.cellsOhm * aged(vehicle) : 0,
      helpW: 0 - chillersW(vehicle, 'charging'),
      holdC: airC,
    }),
    limitC: Math.min(limit, vehicle.build.bms?.chargeToC ?? limit),
  };
}

/** Old cells resist more, and are what has to last. */
const aged = ({ build }: Vehicle): number => resistanceAgeFactor(build.packLimits.agedHealth);

/** Heat of the cells with the current of one string, W. */
function heatOf(vehicle: Vehicle, stringA: number): number {
  return vehicle.devices.reduce((sum, box) => {
    const cell = partOf(box, 'cell');
    const { cellsInSeries = 0, cellsInParallel = 1 } = box.device;
    return cell ? sum + (stringA ** 2 * cell.resistanceOhm * cellsInSeries * aged(vehicle)) / cellsInParallel : sum;
  }, 0);
}
