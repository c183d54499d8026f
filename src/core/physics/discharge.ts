/** A capacitor through a resistance. */
export interface Discharge {
  readonly startVoltageV: number;
  readonly capacitanceF: number;
  /** Everything that stays across it in parallel, Ω; null: nothing does. */
  readonly resistanceOhm: number | null;
}

/** Resistances side by side, Ω; null when there is none. */
export function parallelOhm(...ohms: readonly (number | null | undefined)[]): number | null {
  let siemens = 0;
  for (const ohm of ohms) if (ohm !== null && ohm !== undefined) siemens += 1 / ohm;
  return siemens > 0 ? 1 / siemens : null;
}

/** ½·C·V², J. */
export const capacitorEnergyJ = (capacitanceF: number, voltageV: number): number => 0.5 * capacitanceF * voltageV ** 2;

/** Voltage after a time, V: V·e^(−t/RC). */
export const voltageAfter = ({ startVoltageV, capacitanceF, resistanceOhm }: Discharge, timeS: number): number =>
  resistanceOhm === null ? startVoltageV : startVoltageV * Math.exp(-timeS / (resistanceOhm * capacitanceF));

/** Time to a voltage, s: R·C·ln(V/V_target). 0 when it is there already (never negative), null when it never gets there. */
export function timeToVoltage(
  { startVoltageV, capacitanceF, resistanceOhm }: Discharge,
  targetV: number,
): number | null {
  if (startVoltageV <= targetV) return 0;
  if (resistanceOhm === null || targetV <= 0) return null;
  return resistanceOhm * capacitanceF * Math.log(startVoltageV / targetV);
}
