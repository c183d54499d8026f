/** Flooded lead: what overcharge takes, and where its gas goes. */

/** Water that one ampere-hour of overcharge splits in a cell, g (Faraday: 18.015 g/mol over 2·26.8 Ah). */
export const WATER_G_PER_AH = 0.336;
/** Hydrogen of the same, L at 20 °C. */
export const HYDROGEN_L_PER_AH = 0.45;
/** Current that makes gas while a vented cell is charged to its end, mA for each Ah (EN IEC 62485-2, from memory: verify). */
const GAS_MA_PER_AH = 20;

/** Air that keeps hydrogen under 1 % by volume, m³/h: 0.05 · n · I_gas · C · 10⁻³ (EN IEC 62485-2). */
export const airM3PerH = (cells: number, capacityAh: number): number =>
  0.05 * cells * GAS_MA_PER_AH * capacityAh * 1e-3;

/** Openings for it without a fan, mm² each of inlet and outlet: 28 cm² for each m³/h (EN IEC 62485-2). */
export const ventAreaMm2 = (cells: number, capacityAh: number): number => 28 * 100 * airM3PerH(cells, capacityAh);
