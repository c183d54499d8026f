/**
 * Insulation resistance by the voltmeter method (UN R100 annex 5A, FMVSS 305): the reading between one pole and the chassis,
 * without and with a known resistor across it. With R0 between minus and chassis, 1/V' − 1/V = R_plus/(V_b·R0): the method gives the
 * resistance of the other side, and the meter's own resistance cancels.
 */
export interface InsulationReadings {
  readonly packVoltageV: number;
  /** Between the pole with the larger reading and chassis, without and with R0 across. */
  readonly readingV: number;
  readonly readingWithR0V: number;
  readonly r0Ohm: number;
}

/** Resistance of the leaking side to chassis, Ω: R0·V_b·(1/V' − 1/V). */
export const insulationResistance = ({ packVoltageV, readingV, readingWithR0V, r0Ohm }: InsulationReadings): number =>
  r0Ohm * packVoltageV * (1 / readingWithR0V - 1 / readingV);

/** Readings that a meter of `meterOhm` (null: ideal) will show on a pack with known leakages, V: the same formula forward. */
export function predictedReadings(
  packVoltageV: number,
  plusOhm: number,
  minusOhm: number,
  r0Ohm: number,
  meterOhm: number | null,
): { readonly minusV: number; readonly plusV: number; readonly withR0V: number; readonly r0Between: 'minus' | 'plus' } {
  const besides = (ohm: number, ...others: (number | null)[]): number =>
    1 / others.reduce<number>((sum, other) => sum + (other === null ? 0 : 1 / other), 1 / ohm);
  const across = (side: number, other: number): number => (packVoltageV * side) / (side + other);
  const minusV = across(besides(minusOhm, meterOhm), plusOhm);
  const plusV = across(besides(plusOhm, meterOhm), minusOhm);
  const r0Between = minusV >= plusV ? 'minus' : 'plus';
  const withR0V =
    r0Between === 'minus'
      ? across(besides(minusOhm, meterOhm, r0Ohm), plusOhm)
      : across(besides(plusOhm, meterOhm, r0Ohm), minusOhm);
  return { minusV, plusV, withR0V, r0Between };
}

/** Ω per volt of the working voltage that DC, and AC or a combined bus without extra protection, must have (UN R100, ISO 6469-3). */
export const OHM_PER_VOLT_DC = 100;
export const OHM_PER_VOLT_AC = 500;
