import { quantityText as q, type WorkingLine } from '../checks';
import { insulationResistance, OHM_PER_VOLT_AC, OHM_PER_VOLT_DC } from '../physics/insulation';
import { LawRefused } from './refused';

export interface InsulationInput {
  readonly packVoltageV: number;
  readonly workingVoltageV: number;
  readonly v1V: number;
  readonly v2V: number;
  readonly r0Ohm: number;
  readonly vPrimeV: number;
}

/** Readings that differ by less than this share mean that both sides leak alike. */
const ALIKE = 0.1;

/** Insulation resistance from three readings of a voltmeter. */
export function calcInsulation(input: InsulationInput): { result: unknown; working: readonly WorkingLine[] } {
  const { packVoltageV, workingVoltageV, v1V, v2V, r0Ohm, vPrimeV } = input;
  const r0Between = v1V >= v2V ? 'minus' : 'plus';
  const readingV = Math.max(v1V, v2V);
  if (!(readingV > 0))
    throw new LawRefused(
      'v1V',
      'and v2V are both zero.',
      'Measure with the pack connected; check the meter on a known source.',
    );
  if (vPrimeV > readingV)
    throw new LawRefused(
      'vPrimeV',
      `is above the reading without the resistor, ${readingV} V: a resistor across can only lower it.`,
      `Put the resistor between ${r0Between} and chassis, where the reading is larger, and read that side again.`,
    );
  const insulationOhm = insulationResistance({ packVoltageV, readingV, readingWithR0V: vPrimeV, r0Ohm });
  const ohmPerVolt = insulationOhm / workingVoltageV;
  const alike = Math.min(v1V, v2V) >= (1 - ALIKE) * readingV;
  return {
    result: {
      insulationOhm,
      ohmPerVolt,
      meets100: ohmPerVolt >= OHM_PER_VOLT_DC,
      meets500: ohmPerVolt >= OHM_PER_VOLT_AC,
      r0Between,
      leakingSide: alike ? 'both' : r0Between === 'minus' ? 'plus' : 'minus',
    },
    working: [
      {
        formula: 'R_i = R_0 · V_b · (1/V′ − 1/V)',
        figures: `${q(r0Ohm, 'resistance')} · ${q(packVoltageV, 'voltage')} · (1/${vPrimeV} − 1/${readingV})`,
        result: { value: insulationOhm, dimension: 'resistance' },
        note: 'UN R100 annex 5A. Isolate, lock out; rated gloves; the meter rated for the full voltage.',
      },
      {
        formula: 'R_i / V_working ≥ 100 Ω/V (DC), 500 Ω/V (AC or combined)',
        figures: `${q(insulationOhm, 'resistance')} / ${q(workingVoltageV, 'voltage')} = ${ohmPerVolt.toPrecision(4)} Ω/V`,
      },
    ],
  };
}
