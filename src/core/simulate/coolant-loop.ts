import { type LoopTemperatures, pumpMeetsLoop, settled, streamWPerK } from '../physics/coolant';
import { hottestAssumed, hottestDayC, inverterPowerW, partOf, type Vehicle } from '../vehicle';
import { plateHeat } from './plate-heat';

/** The loop of inverter and motor on a long climb on the hottest day. */

/** Losses where no map is told (reference of the trade): inverter 0.94–0.98, motor 0.85–0.95. */
export const INVERTER = 0.96;
export const MOTOR = 0.9;
/** Coolant at the inverter, at most (reference of the trade), °C. */
export const INLET_C = 60;

export interface DriveLoop extends LoopTemperatures {
  /** The first part behind the radiator; and what comes to the inverter, °C. */
  readonly motorFirst: boolean;
  readonly inverterInC: number;
  readonly airC: number;
  readonly limitC: number;
  readonly inverterW: number;
  readonly motorW: number;
  readonly heatW: number;
  readonly flowLPerMin: number;
  readonly streamWPerK: number;
  readonly assumed: readonly string[];
}

/** Flow of the loop: as measured, else where the pump’s curve meets the loop’s drop; null: neither is told. */
export function loopFlow({ build: { cooling = {} } }: Vehicle): number | null {
  const { flowLPerMin, pumpPa, pumpFreeLPerMin, dropPa, dropAtLPerMin } = cooling;
  if (flowLPerMin !== undefined) return flowLPerMin;
  if (pumpPa === undefined || pumpFreeLPerMin === undefined || dropPa === undefined || dropAtLPerMin === undefined)
    return null;
  return pumpMeetsLoop({ shutOffPa: pumpPa, freeLPerMin: pumpFreeLPerMin }, { dropPa, atLPerMin: dropAtLPerMin });
}

/** Null: flow or radiator is not told, or there is no drive. */
export function driveLoop(vehicle: Vehicle): DriveLoop | null {
  const { radiatorWPerK, inletC } = vehicle.build.cooling ?? {};
  const flowLPerMin = loopFlow(vehicle);
  const drive = vehicle.devices.find((one) => one.device.kind === 'inverter' && partOf(one, 'inverter'));
  if (flowLPerMin === null || radiatorWPerK === undefined || !drive) return null;
  const powerW = Math.abs(inverterPowerW(vehicle.build, 'hill'));
  const airC = hottestDayC(vehicle.build);
  const inverterW = powerW * (1 - INVERTER);
  const motorW = powerW * INVERTER * (1 - MOTOR);
  // The stream alone: what lies between part and coolant is the part’s own.
  const part = (name: string, lossW: number) => ({ name, lossW, plateKPerW: 0, limitC: Number.POSITIVE_INFINITY });
  const motorFirst = vehicle.build.cooling?.motorFirst === true;
  const [first, second] = [part('Inverter', inverterW), part('Motor', motorW)];
  const loop = settled(motorFirst ? [second, first] : [first, second], flowLPerMin, radiatorWPerK, airC);
  return {
    ...loop,
    motorFirst,
    inverterInC: motorFirst ? loop.parts[0]!.coolantC : loop.inletC,
    airC,
    limitC: inletC ?? INLET_C,
    inverterW,
    motorW,
    heatW: inverterW + motorW,
    flowLPerMin,
    streamWPerK: streamWPerK(flowLPerMin),
    assumed: [
      ...hottestAssumed(vehicle.build),
      ...(vehicle.build.cooling?.motorFirst === undefined ? ['The coolant comes to the inverter first.'] : []),
      `Inverter ${INVERTER * 100} %, motor ${MOTOR * 100} % efficient.`,
      ...(inletC === undefined ? ['The inverter bears coolant as warm as such inverters do.'] : []),
    ],
  };
}

/**
 * Power that the cooling carries up the hill for as long as it likes, W: losses go with power, so what lies between limit and air is its share.
 * Null: nothing of the cooling is worked out, or the air is as hot as the limit.
 */
export function carriedUpW(vehicle: Vehicle): { readonly carriedW: number; readonly askedW: number } | null {
  const { cooling } = vehicle.build.schools;
  const loop = cooling === 'liquid' || cooling === 'chill-plate' ? driveLoop(vehicle) : null;
  const plate = cooling === 'plate' ? plateHeat(vehicle) : null;
  const [atC, limitC, airC] = loop
    ? [loop.inverterInC, loop.limitC, loop.airC]
    : plate
      ? [plate.baseC, plate.limitC, plate.airC]
      : [0, 0, 0];
  const askedW = Math.abs(inverterPowerW(vehicle.build, 'hill'));
  if ((!loop && !plate) || !(atC > airC) || !(askedW > 0)) return null;
  return { askedW, carriedW: Math.max(0, (askedW * (limitC - airC)) / (atC - airC)) };
}
