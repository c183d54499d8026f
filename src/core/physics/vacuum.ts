import { airPressurePa } from './air';

/**
 * A volume pumped empty: isothermal ideal gas. Vacuum is ambient minus absolute pressure, Pa. A pump’s flow falls straight from its
 * free flow to nothing at its highest vacuum, which goes with the ambient pressure (the pressure ratio stays).
 */
export const SEA_LEVEL_PA = airPressurePa(0);

/** free-air: flow as a volume at ambient pressure (the usual data sheet). inlet: as a volume at the pump’s inlet. */
export type FlowBasis = 'free-air' | 'inlet';

export interface VacuumPump {
  /** At no vacuum, m³/s. */
  readonly flowM3PerS: number;
  /** Highest vacuum at sea level, Pa. */
  readonly highestSeaPa: number;
  readonly basis: FlowBasis;
}

export interface Evacuated {
  readonly ambientPa: number;
  /** Highest vacuum that the pump reaches here, Pa. */
  readonly highestPa: number;
  /** Seconds with the pump running from one vacuum to a higher one; null: never. */
  readonly timeS: (fromPa: number, toPa: number) => number | null;
  /** Vacuum after so many seconds with the pump running, Pa. */
  readonly after: (fromPa: number, timeS: number) => number;
  /** dv/dt with the pump running, Pa/s. */
  readonly rate: (vacuumPa: number) => number;
}

/** A pump on a volume, m³, at an altitude, m; all closed forms. */
export function evacuated(pump: VacuumPump, volumeM3: number, altitudeM: number): Evacuated {
  const ambientPa = airPressurePa(altitudeM);
  const highestPa = (pump.highestSeaPa * ambientPa) / SEA_LEVEL_PA;
  const { flowM3PerS: flow, basis } = pump;
  if (basis === 'free-air') {
    const tau = (volumeM3 * highestPa) / (ambientPa * flow);
    return {
      ambientPa,
      highestPa,
      timeS: (from, to) =>
        to <= from ? 0 : to >= highestPa ? null : tau * Math.log((highestPa - from) / (highestPa - to)),
      after: (from, timeS) => highestPa - (highestPa - from) * Math.exp(-timeS / tau),
      rate: (v) => (highestPa - v) / tau,
    };
  }
  // dv/dt = (p_a − v)·(1 − v/v_max)·Q0/V: by partial fractions.
  const k = (flow * (ambientPa - highestPa)) / (volumeM3 * highestPa);
  const ratio = (v: number) => (ambientPa - v) / (highestPa - v);
  return {
    ambientPa,
    highestPa,
    timeS: (from, to) => (to <= from ? 0 : to >= highestPa ? null : Math.log(ratio(to) / ratio(from)) / k),
    after: (from, timeS) => {
      if (from >= highestPa) return from;
      const r = ratio(from) * Math.exp(k * timeS);
      // Far on, the ratio is beyond all numbers: the pump is at its end.
      return Number.isFinite(r) ? (r * highestPa - ambientPa) / (r - 1) : highestPa;
    },
    rate: (v) => ((ambientPa - v) * (1 - v / highestPa) * flow) / volumeM3,
  };
}

/** Applications that begin, or that leave, at or above a least vacuum, each taking the same, with nothing pumped meanwhile. */
export function assistedStops(
  fromPa: number,
  leastPa: number,
  eachPa: number,
): { readonly begun: number; readonly leaving: number } {
  // A rounding error is no stop.
  const leaving = Math.max(0, Math.floor((fromPa - leastPa) / eachPa + 1e-9));
  return { begun: fromPa >= leastPa ? leaving + 1 : 0, leaving };
}

export interface CyclicInput {
  readonly evacuated: Evacuated;
  readonly onPa: number;
  readonly offPa: number;
  /** Lost with each application, and seconds from one to the next. */
  readonly eachPa: number;
  readonly everyS: number;
}

/** Applications that are counted, after as many to settle. */
const COUNTED = 4000;

/** Share of the time that the pump runs and how often it starts, when applications come evenly for long. */
export function cyclic({ evacuated: e, onPa, offPa, eachPa, everyS }: CyclicInput): {
  readonly duty: number;
  readonly startsPerHour: number;
} {
  let [v, on, ran, starts] = [Math.min(offPa, e.highestPa), offPa >= e.highestPa, 0, 0];
  for (let k = 0; k < 2 * COUNTED; k++) {
    if (k === COUNTED) [ran, starts] = [0, 0];
    v = Math.max(0, v - eachPa);
    if (!on && v <= onPa) {
      on = true;
      starts++;
    }
    if (!on) continue;
    const full = e.timeS(v, offPa);
    if (full !== null && full <= everyS) {
      ran += full;
      v = offPa;
      on = false;
    } else {
      ran += everyS;
      v = e.after(v, everyS);
    }
  }
  const whole = COUNTED * everyS;
  return { duty: ran / whole, startsPerHour: (starts / whole) * 3600 };
}
