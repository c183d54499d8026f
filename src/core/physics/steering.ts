/** Hydraulic and plain steering: what the rack asks for, what the pump gives, and what the hands feel. */

/** Flow of a rack, l/min: piston area (mm²) · travel of a turn (m) · turns a second, and its leakage. */
export const rackFlowLPerMin = (pistonMm2: number, travelM: number, turnsPerS: number, leakLPerMin: number): number =>
  pistonMm2 * 1e-6 * travelM * turnsPerS * 60000 + leakLPerMin;

/** The wheel’s speed up to which a pump’s flow keeps up, turns a second; 0 where its leakage takes all. */
export const keepsUpTo = (pistonMm2: number, travelM: number, flowLPerMin: number, leakLPerMin: number): number =>
  Math.max(0, (flowLPerMin - leakLPerMin) / (pistonMm2 * 1e-6 * travelM * 60000));

/** Hydraulic power, W: pressure (Pa) · flow (l/min). */
export const hydraulicW = (pressurePa: number, flowLPerMin: number): number => (pressurePa * flowLPerMin) / 60000;

/** Rubber on a dry road (reference of the trade). */
export const GRIP = 0.7;

/**
 * Torque about the kingpin to turn one standing wheel, Nm: T = μ·W/3·√(W/p), load W in N, tyre pressure p in Pa (estimate of the trade).
 */
export const kingpinNm = (loadN: number, tyrePa: number, grip = GRIP): number =>
  ((grip * loadN) / 3) * Math.sqrt(loadN / tyrePa);

/** At the steering wheel for both front wheels, Nm: 2·T / (ratio · η). */
export const rimNm = (kingpin: number, ratio: number, efficiency: number): number =>
  (2 * kingpin) / (ratio * efficiency);
