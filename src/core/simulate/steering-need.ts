import { GRIP, hydraulicW, keepsUpTo, kingpinNm, rackFlowLPerMin, rimNm } from '../physics/steering';
import { lowVoltage, massesOf, solveLow, type Vehicle } from '../vehicle';

/** Steering of a build: the rack’s flow at three speeds of the wheel, the pump’s power, the rim without assist. */

/** Slow parking, quick parking, avoiding something (reference of the trade), turns a second. */
export const WHEEL_SPEEDS = [0.5, 1, 1.5] as const;
/** Leakage, electric to hydraulic, and gear of the steering where nobody told them (reference of the trade). */
export const RACK_LEAK_L = 1;
export const PUMP_EFFICIENCY = 0.5;
const GEAR_EFFICIENCY = 0.8;
const RIM_M = 0.19;
const G = 9.80665;

export interface RackFlow {
  readonly speeds: readonly { readonly turnsPerS: number; readonly askedLPerMin: number; readonly keepsUp: boolean }[];
  /** As it turns at the voltage that it gets. */
  readonly pumpLPerMin: number;
  /** At its terminals while it works hardest, V; null: it stands in no schedule; 0: the circuit can’t give it that. */
  readonly atV: number | null;
  readonly keepsUpTo: number;
  /** At the pressure that parking asks for; null: not told. */
  readonly electricW: number | null;
  readonly assumed: readonly string[];
}

/** Null: piston, travel or the pump’s flow is missing. */
export function rackFlow(vehicle: Vehicle): RackFlow | null {
  const {
    pistonMm2,
    travelM,
    pumpLPerMin: toldLPerMin,
    needPa,
    leakLPerMin,
    efficiency,
  } = vehicle.build.steering ?? {};
  if (pistonMm2 === undefined || travelM === undefined || toldLPerMin === undefined) return null;
  // A pump’s motor turns with its voltage.
  const atV = pumpV(vehicle);
  const pumpLPerMin = toldLPerMin * Math.min(1, (atV ?? SHEET_V) / SHEET_V);
  const leak = leakLPerMin ?? RACK_LEAK_L;
  return {
    speeds: WHEEL_SPEEDS.map((turnsPerS) => {
      const askedLPerMin = rackFlowLPerMin(pistonMm2, travelM, turnsPerS, leak);
      return { turnsPerS, askedLPerMin, keepsUp: askedLPerMin <= pumpLPerMin };
    }),
    pumpLPerMin,
    atV,
    keepsUpTo: keepsUpTo(pistonMm2, travelM, pumpLPerMin, leak),
    electricW: needPa === undefined ? null : hydraulicW(needPa, toldLPerMin) / (efficiency ?? PUMP_EFFICIENCY),
    assumed: [
      ...(leakLPerMin === undefined ? ['The rack leaks as much as such racks do at most.'] : []),
      ...(atV === null ? ['The pump gets the voltage of its sheet: it stands in no schedule.'] : []),
      ...(efficiency === undefined ? ['Half of the electric power becomes hydraulic.'] : []),
    ],
  };
}

/** Sheets of such pumps are stated at this voltage (generic), V. */
const SHEET_V = 13;

/** At the steering pump’s terminals while it works hardest, the converter on, V; 0 where the circuit can’t give it that. */
function pumpV(vehicle: Vehicle): number | null {
  const pump = lowVoltage(vehicle).loads.find(({ load }) => load.job === 'steering-pump');
  if (!pump) return null;
  const one = solveLow(vehicle, {
    running: new Map([[pump.id, pump.load.peakRating === undefined ? 'on' : 'peak']]),
    converters: true,
    socBattery: 0.75,
    batteryC: 25,
    awake: true,
  });
  return one.solved ? Math.abs(one.loadV(pump.id)) : 0;
}

export interface Rim {
  readonly frontKg: number;
  readonly kingpinNm: number;
  /** Standing, without assist: at the column and at the rim. */
  readonly columnNm: number;
  readonly forceN: number;
  readonly assumed: readonly string[];
}

/** What turns the standing front wheels without assist. Null: front axle, tyre pressure or ratio is not known. */
export function rimOf(vehicle: Vehicle): Rim | null {
  const { tyrePa, ratio, rimM } = vehicle.build.steering ?? {};
  const loads = massesOf(vehicle).loaded;
  if (tyrePa === undefined || ratio === undefined || loads === null) return null;
  const kingpin = kingpinNm((loads.frontKg * G) / 2, tyrePa);
  const columnNm = rimNm(kingpin, ratio, GEAR_EFFICIENCY);
  return {
    frontKg: loads.frontKg,
    kingpinNm: kingpin,
    columnNm,
    forceN: columnNm / (rimM ?? RIM_M),
    assumed: [
      `Rubber on a dry road, ${GRIP}; the gear passes ${GEAR_EFFICIENCY * 100} % on.`,
      ...(rimM === undefined ? ['A steering wheel of usual size.'] : []),
    ],
  };
}

/** Rolling wheels ask for so much of what standing ones do (engineering judgement). */
export const ROLLING = 0.4;

/**
 * Torque of the column’s assist at a speed, Nm: all of it up to one speed, falling evenly to nothing at another. Without the speed signal it
 * gives nothing to reckon with where it falls back, and all of it at any speed where it does not. Null: something of it is not told, or the
 * speeds are the wrong way round.
 */
export function columnAssistNm({ build: { steering = {} } }: Vehicle, speedMPerS: number): number | null {
  const { columnNm, fullToMPerS, noneFromMPerS, speedTold, safeDefault } = steering;
  if (speedTold === false && safeDefault === true) return 0;
  if (columnNm === undefined) return null;
  if (speedMPerS === 0 || (speedTold === false && safeDefault === false)) return columnNm;
  if (fullToMPerS === undefined || noneFromMPerS === undefined || fullToMPerS >= noneFromMPerS) return null;
  return columnNm * Math.min(1, Math.max(0, (noneFromMPerS - speedMPerS) / (noneFromMPerS - fullToMPerS)));
}

/** Force at the rim of rolling wheels over speed, N, with the assist and without. Empty: the rim or a figure of the assist is not told. */
export function columnCurve(
  vehicle: Vehicle,
): readonly { readonly speedMPerS: number; readonly withN: number; readonly withoutN: number }[] {
  const { fullToMPerS, noneFromMPerS, rimM } = vehicle.build.steering ?? {};
  const rim = rimOf(vehicle);
  if (!rim || fullToMPerS === undefined || noneFromMPerS === undefined || fullToMPerS >= noneFromMPerS) return [];
  const withoutN = ROLLING * rim.forceN;
  return [0, fullToMPerS, noneFromMPerS, 1.5 * noneFromMPerS].flatMap((speedMPerS) => {
    const assistNm = columnAssistNm(vehicle, speedMPerS);
    return assistNm === null
      ? []
      : [{ speedMPerS, withN: Math.max(0, withoutN - assistNm / (rimM ?? RIM_M)), withoutN }];
  });
}
