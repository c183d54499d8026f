import { formatArea, formatQuantity } from './format';
import { DIMENSIONS, type Dimension, type UnitSystem } from './units';

/**
 * A figure inside a sentence that is written before anybody knows in which units it will be read: `told` puts it in, `inUnits` spells it
 * out. Between the two it stands as value, dimension and digits between two characters that no keyboard types.
 */
const OPEN = '\uE0F0';
const SHUT = '\uE0F1';
const TOLD = new RegExp(`${OPEN}([^${OPEN}${SHUT}|]+)\\|([A-Za-z0-9]+)\\|(\\d+)${SHUT}`, 'g');

/** A figure for a sentence, to be spelled out by `inUnits`; `significant` digits (4). */
export const told = (value: number, dimension: Dimension, significant = 4): string =>
  `${OPEN}${value}|${dimension}|${significant}${SHUT}`;

/** The sentence with every figure in the reader’s units; an area in US units has the nearest gauge beside it. */
export function inUnits(text: string, system: UnitSystem = 'metric'): string {
  if (!text.includes(OPEN)) return text;
  return text.replace(TOLD, (whole, value: string, dimension: string, significant: string) => {
    if (!Object.hasOwn(DIMENSIONS, dimension)) return whole;
    const number = Number(value);
    return dimension === 'area'
      ? formatArea(number, system)
      : formatQuantity({ value: number, dimension: dimension as Dimension }, system, Number(significant)).text;
  });
}
