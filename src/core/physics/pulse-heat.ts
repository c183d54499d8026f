/** A resistor between pulses: what it can take at once, and what it gives off for ever. */
export interface PulseResistor {
  /** Energy that brings it from cold to its limit, J. */
  readonly pulseEnergyJ: number;
  readonly ratedPowerW: number;
}

/** Its thermal time constant, s: at the rated power the heat that it holds is that of one full pulse. */
export const coolingTimeConstant = ({ pulseEnergyJ, ratedPowerW }: PulseResistor): number => pulseEnergyJ / ratedPowerW;

/** Heat in it right after the last of `count` equal pulses `everyS` apart, J: E·Σ e^(−k·Δt/τ), one exponential (generic). */
export function heatAfterPulses(resistor: PulseResistor, energyJ: number, count: number, everyS: number): number {
  const left = Math.exp(-everyS / coolingTimeConstant(resistor));
  return left === 1 ? count * energyJ : (energyJ * (1 - left ** count)) / (1 - left);
}

/** Time after such a series until one more pulse fits, s; null: one pulse alone is too much. */
export function waitForNextPulse(resistor: PulseResistor, energyJ: number, heatJ: number): number | null {
  const room = resistor.pulseEnergyJ - energyJ;
  if (room < 0) return null;
  if (heatJ <= room) return 0;
  return room === 0 ? Number.POSITIVE_INFINITY : coolingTimeConstant(resistor) * Math.log(heatJ / room);
}
