import type { WorkingLine } from '../checks';
import { quantityText as q } from '../checks';
import { type PrechargeLawInput, prechargeLaw } from '../simulate';
import { notFollowed } from './refused';

/** Precharge and closing of the main contactor, with whatever hangs on the bus. */
export function calcPrecharge(input: PrechargeLawInput): { result: unknown; working: readonly WorkingLine[] } {
  const result = prechargeLaw(input);
  if ('converged' in result) throw notFollowed('The precharge', result);
  const { prechargeResistanceOhm: r, linkCapacitanceF: c, packOcvV: v, closeAtFraction: p = 0.95 } = input;
  return {
    result,
    working: [
      {
        formula: 'plain RC for comparison: t = −R · C · ln(1 − p)',
        figures: `−${q(r, 'resistance')} · ${q(c, 'capacitance')} · ln(1 − ${p})`,
        result: { value: -r * c * Math.log(1 - p), dimension: 'time' },
      },
      {
        formula: 'plain RC: E = ½ · C · V²',
        figures: `½ · ${q(c, 'capacitance')} · (${q(v, 'voltage')})²`,
        result: { value: 0.5 * c * v * v, dimension: 'energy' },
      },
      ...(result.closeAtS === null
        ? []
        : [
            {
              formula: 'by transient of the whole circuit: closing level reached',
              figures: `${p} · ${q(v, 'voltage')}`,
              result: { value: result.closeAtS, dimension: 'time' as const },
            },
          ]),
    ],
  };
}
