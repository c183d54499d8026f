import { marginAtMost, quantityText as q, type WorkingLine } from '../checks';
import { METALS, type Metal } from '../physics/conductor';
import { ADIABATIC_LIMIT_S, temperatureAfterI2t, withstandFactor } from '../physics/withstand';
import { told } from '../quantities';
import { LawRefused } from './refused';

export interface WithstandInput {
  readonly areaMm2: number;
  readonly material: Metal;
  readonly startTemperatureC: number;
  readonly finalTemperatureC: number;
  readonly i2tA2s?: number | null;
  readonly currentA?: number | null;
  readonly durationS?: number | null;
}

/** What a conductor stands in a short circuit, and what a given one does to it. */
export function calcWithstand(input: WithstandInput): { result: unknown; working: readonly WorkingLine[] } {
  const { areaMm2, material, startTemperatureC: startC, finalTemperatureC: finalC } = input;
  if (finalC <= startC)
    throw new LawRefused(
      'finalTemperatureC',
      'is not above the start temperature: nothing more can be let in.',
      'Give the start temperature of the loaded conductor and the higher limit of its insulation or ends.',
    );
  const { currentA, durationS } = input;
  const timed = currentA != null && durationS != null;
  const i2t = input.i2tA2s ?? (timed ? currentA ** 2 * durationS : null);
  const k = withstandFactor(material, startC, finalC);
  const limit = (k * areaMm2) ** 2;
  const reached = i2t === null ? null : temperatureAfterI2t(material, areaMm2, startC, i2t);
  const constant = material === 'copper' ? '226 · √ln((234.5' : '148 · √ln((228';
  const beta = material === 'copper' ? '234.5' : '228';
  return {
    result: {
      kAs05PerMm2: k,
      k2s2A2s: limit,
      // Far beyond vapour the formula tells nothing.
      finalTemperatureReachedC: reached !== null && reached < 1e6 ? reached : null,
      holds: i2t === null ? null : i2t <= limit,
      minimumAreaMm2: i2t === null ? null : Math.sqrt(i2t) / k,
      melts: reached === null ? null : reached > METALS[material].meltingC,
      adiabatic: timed ? durationS <= ADIABATIC_LIMIT_S : null,
    },
    working: [
      {
        formula: `k = ${constant} + T_f)/(${beta} + T_i))`,
        figures: `T_i = ${told(startC, 'temperature', 3)}, T_f = ${told(finalC, 'temperature', 3)}: k = ${k.toPrecision(5)} A·s½/mm²`,
        note: `IEC 60949, IEC 60364-5-54. The start is the loaded temperature; a soldered end limits T_f to about ${told(160, 'temperature')}.`,
      },
      {
        formula: 'k² · S²',
        figures: `${k.toPrecision(5)}² · ${areaMm2}²`,
        result: { value: limit, dimension: 'i2t' },
      },
      ...(i2t === null
        ? []
        : [
            {
              formula: 'margin = (k²S² − I²t) / k²S²',
              figures: `(${q(limit, 'i2t')} − ${q(i2t, 'i2t')}) / ${q(limit, 'i2t')}`,
              result: { value: marginAtMost(i2t, limit), dimension: 'ratio' as const },
              ...(timed && durationS > ADIABATIC_LIMIT_S
                ? { note: 'Longer than 5 s: heat leaves, the sum reads too hot.' }
                : {}),
            },
          ]),
    ],
  };
}
