import { stockGauges } from './awg';
import {
  DIMENSIONS,
  type Dimension,
  fromCanonical,
  type Quantity,
  toCanonical,
  type Unit,
  type UnitSystem,
  unitNamed,
} from './units';

export interface Formatted {
  readonly number: string;
  readonly unit: string;
  /** Number and unit joined, as shown. */
  readonly text: string;
  /** True when the shown number is not exactly the value. */
  readonly rounded: boolean;
}

const MINUS = '\u2212';
/** Between thousands, and between number and unit: neither breaks. */
const THIN = '\u202f';
const SPACE = '\u00a0';

const make = (number: string, unit: string, rounded: boolean): Formatted => {
  const shown = number.replace('-', MINUS);
  return { number: shown, unit, text: unit === '' ? shown : `${shown}${SPACE}${unit}`, rounded };
};

/** Thousands are parted by a thin space from five digits on: 12 345, but 1234. */
function group(digits: string): string {
  const [whole = '', decimals] = digits.split('.');
  const bare = whole.replace('-', '');
  const parted = bare.length > 4 ? bare.replace(/\B(?=(\d{3})+$)/g, THIN) : bare;
  return `${whole.startsWith('-') ? '-' : ''}${parted}${decimals === undefined ? '' : `.${decimals}`}`;
}

/** The unit of the system's list in which the number is easiest to read: the largest that keeps it at or above 1. */
export function preferredUnit(value: number, dimension: Dimension, system: UnitSystem): Unit {
  const units = DIMENSIONS[dimension].shown[system]
    .map((symbol) => unitNamed(dimension, symbol))
    .sort((p, q) => p.factor - q.factor);
  const canonical = DIMENSIONS[dimension].canonical;
  const fallback = units.find((unit) => unit.symbol === canonical) ?? units[0];
  if (!fallback) throw new Error(`no shown units for ${dimension}`);
  if (value === 0 || !Number.isFinite(value) || units.length === 1) return fallback;
  let best = units[0] ?? fallback;
  for (const unit of units) if (Math.abs(fromCanonical(value, unit)) >= 0.9995) best = unit;
  return best;
}

/**
 * For reading: `significant` digits (3), in the unit that reads best, and whether rounding took something away.
 * Values that are not finite read "∞" or "not known", never a number.
 */
export function formatQuantity(
  q: Quantity,
  system: UnitSystem = 'metric',
  significant = 3,
  unitSymbol?: string,
): Formatted {
  if (Number.isNaN(q.value)) return make('not known', '', true);
  const unit =
    unitSymbol === undefined ? preferredUnit(q.value, q.dimension, system) : unitNamed(q.dimension, unitSymbol);
  if (!Number.isFinite(q.value)) return make(q.value > 0 ? '∞' : '-∞', unit.symbol, false);
  const value = fromCanonical(q.value, unit);
  if (value !== 0 && Math.abs(value) < 1e-6) return make(value.toExponential(significant - 1), unit.symbol, true);
  if (Math.abs(value) >= 1e9) return make(value.toExponential(significant - 1), unit.symbol, true);
  const magnitude = value === 0 ? 0 : Math.floor(Math.log10(Math.abs(value)));
  const decimals = Math.min(12, Math.max(0, significant - 1 - magnitude));
  let digits = value.toFixed(decimals);
  if (decimals > 0) digits = digits.replace(/\.?0+$/, '');
  if (Number(digits) === 0) digits = '0';
  const rounded =
    toCanonical(Number(digits), unit) !== q.value && Math.abs(Number(digits) - value) > 1e-12 * Math.abs(value);
  return make(group(digits), unit.symbol, rounded);
}

function neighbours(value: number): number[] {
  const buffer = new Float64Array([value]);
  const bits = new BigInt64Array(buffer.buffer);
  const out = [value];
  for (const step of [1n, -1n, 2n, -2n, 3n, -3n]) {
    bits[0] = new BigInt64Array(new Float64Array([value]).buffer)[0]! + step;
    out.push(buffer[0]!);
  }
  return out.filter(Number.isFinite);
}

/**
 * For editing and files: digits that parse back to exactly `value`. Uses `unitSymbol` when that is possible in
 * double precision, otherwise the canonical unit.
 */
export function formatExact(
  value: number,
  dimension: Dimension,
  unitSymbol: string = DIMENSIONS[dimension].canonical,
): string {
  const unit = unitNamed(dimension, unitSymbol);
  for (const candidate of neighbours(fromCanonical(value, unit))) {
    if (toCanonical(candidate, unit) === value) return `${candidate}${unit.symbol === '' ? '' : ` ${unit.symbol}`}`;
  }
  const canonical = DIMENSIONS[dimension].canonical;
  return `${value}${canonical === '' ? '' : ` ${canonical}`}`;
}

/** A cross-section for reading; the US system adds the gauge in stock, or the two that it lies between: "35 mm² (2–1 AWG)". */
export function formatArea(areaMm2: number, system: UnitSystem): string {
  const metric = formatQuantity({ value: areaMm2, dimension: 'area' }, system).text;
  if (system === 'metric' || !(areaMm2 > 0)) return metric;
  const gauges = stockGauges(areaMm2);
  return gauges === null ? metric : `${metric} (${gauges})`;
}

/** A margin for reading: −0.754 → "−75 %". */
export function formatMargin(margin: number): string {
  if (!Number.isFinite(margin)) return margin > 0 ? 'ample' : 'none';
  const percent = margin * 100;
  // Ten times as much as is asked: by how many more says nothing.
  if (percent > 999) return `>${SPACE}999${SPACE}%`;
  const shown =
    Math.abs(percent) < 10 && Math.abs(percent - Math.round(percent)) > 0.049 && Math.abs(percent) < 1
      ? percent.toFixed(1)
      : Math.trunc(percent).toString();
  const digits = percent < 0 && Number(shown) === 0 ? '-0.1' : shown;
  return `${digits === '-0' ? '0' : digits}${SPACE}%`.replace('-', MINUS);
}
