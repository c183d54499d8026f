import { awgAreaMm2, parseGauge } from './awg';
import { DIMENSIONS, type Dimension, findUnit, toCanonical, type Unit, unitNamed } from './units';

export type Parsed =
  | { readonly ok: true; readonly value: number; readonly unit: Unit | 'awg'; readonly unitTyped: boolean }
  | {
      readonly ok: false;
      readonly reason: string;
      readonly remedy: string;
      /** It could be read once it is known what a comma means. */
      readonly comma?: true;
    };

/** What a comma before three digits means: people differ by where they learnt to write. */
export type Comma = 'thousands' | 'decimal';

const refuse = (reason: string, remedy: string): Parsed => ({ ok: false, reason, remedy });

/** Prefixes for infix notation (IEC 60062): 1k2 = 1.2 k. R stands for the bare unit. */
const INFIX: Readonly<Record<string, number>> = {
  p: 1e-12,
  n: 1e-9,
  u: 1e-6,
  µ: 1e-6,
  μ: 1e-6,
  m: 1e-3,
  R: 1,
  r: 1,
  k: 1e3,
  K: 1e3,
  M: 1e6,
};

/** Units of a side, mm. */
const SIDE_MM: Readonly<Record<string, number>> = { mm: 1, cm: 10, in: 25.4, '″': 25.4, '"': 25.4 };

const TWO_WAYS = 'can be read two ways: as thousands or with a decimal comma';

/** `text` as a plain number: decimal point or comma, thousands by space or apostrophe, fractions, mixed fractions. */
function parseNumber(text: string, comma?: Comma): number | string {
  const t = text
    .replace(/[\u2212\u2013]/g, '-')
    .replace(/[\u00a0\u202f\u2009']/g, ' ')
    .trim();
  const sign = t.startsWith('-') ? -1 : 1;
  const body = t.replace(/^[+-]\s*/, '');
  const fraction = /^(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+)$/.exec(body);
  if (fraction) {
    const below = Number(fraction[3]);
    if (below === 0) return 'divides by zero';
    return sign * (Number(fraction[1] ?? 0) + Number(fraction[2]) / below);
  }
  // Two groups or a point behind them leave one way to read it.
  if (/^[1-9]\d{0,2}(,\d{3}){2,}(?:\.\d+)?$|^[1-9]\d{0,2},\d{3}\.\d+$/.test(body))
    return sign * Number(body.replace(/,/g, ''));
  if (/^[1-9]\d{0,2},\d{3}$/.test(body)) {
    if (!comma) return TWO_WAYS;
    return sign * Number(body.replace(',', comma === 'thousands' ? '' : '.'));
  }
  const grouped = /^\d{1,3}( \d{3})+(?:[.,]\d+)?$/.test(body) ? body.replace(/ /g, '') : body;
  const plain = /^\d+,\d+$/.test(grouped) ? grouped.replace(',', '.') : grouped;
  if (!/^(\d+\.?\d*|\.\d+)(e[+-]?\d{1,3})?$/i.test(plain)) return 'is not a number';
  const value = Number(plain) * sign;
  return Number.isFinite(value) ? value : 'is too large';
}

function examples(dimension: Dimension): string {
  const symbols = DIMENSIONS[dimension].units.map((unit) => unit.symbol).filter(Boolean);
  return symbols.length > 0
    ? `Units understood here: ${symbols.join(', ')}${dimension === 'area' ? ', AWG (2/0, 4 AWG)' : ''}.`
    : 'Write a plain number.';
}

/**
 * Understands what people type into a field of `dimension` and returns it in the canonical unit.
 * `defaultUnit` (a symbol of the dimension) is meant when no unit is typed; `comma` says how "1,150" is meant, which is refused otherwise. Unknown text is refused with a reason, never guessed.
 */
export function parseQuantity(
  text: string,
  dimension: Dimension,
  defaultUnit: string = DIMENSIONS[dimension].canonical,
  comma?: Comma,
): Parsed {
  const trimmed = text.replace(/[\u2212\u2013]/g, '-').trim();
  if (trimmed === '') return refuse('Nothing is typed.', examples(dimension));
  if (trimmed.length > 60) return refuse('That is too long for a figure.', examples(dimension));

  if (dimension === 'area' && /awg|ga(uge)?\.?$|^#|^[1-4]\s*\/\s*0$|^0{2,4}$/i.test(trimmed)) {
    const gauge = parseGauge(trimmed);
    if (gauge === undefined)
      return refuse(`"${trimmed}" is not a wire gauge.`, 'Gauges run from 40 to 1, then 1/0 to 4/0. Or type mm².');
    return { ok: true, value: awgAreaMm2(gauge), unit: 'awg', unitTyped: true };
  }

  const feetInches =
    dimension === 'length' ? /^(-?)(\d+(?:\.\d+)?)\s*(?:'|ft)\s*(.+?)\s*(?:"|in)$/.exec(trimmed) : null;
  if (feetInches) {
    const inches = parseNumber(feetInches[3] ?? '');
    if (typeof inches === 'string' || inches < 0)
      return refuse(`"${trimmed}" is not feet and inches.`, 'Write 5\' 3/8" or 1.6 m.');
    const metres = Number(feetInches[2]) * 0.3048 + inches * 0.0254;
    return { ok: true, value: feetInches[1] ? -metres : metres, unit: unitNamed('length', 'ft'), unitTyped: true };
  }

  const split =
    /^([+-]?\s*(?:\d[\d\s.,'\u00a0\u202f\u2009]*(?:\/\s*\d+)?(?:e[+-]?\d+)?|\.\d+(?:e[+-]?\d+)?))\s*(.*)$/i.exec(
      trimmed,
    );
  if (!split) return refuse(`"${trimmed}" does not start with a number.`, examples(dimension));
  const head = (split[1] ?? '').trim();
  const tail = (split[2] ?? '').trim();

  if (DIMENSIONS[dimension].infix && /^[+-]?\d+$/.test(head)) {
    const infix = /^([pnuµμmRrkKM])(\d+)\s*(.*)$/.exec(tail);
    if (infix) {
      const base = unitNamed(dimension, DIMENSIONS[dimension].canonical);
      const suffix = infix[3] ?? '';
      if (suffix !== '' && findUnit(dimension, suffix) !== base)
        return refuse(`"${suffix}" does not go with ${head}${infix[1]}${infix[2]}.`, examples(dimension));
      const value = Number(`${head}.${infix[2]}`) * (INFIX[infix[1] ?? ''] ?? Number.NaN);
      return { ok: true, value, unit: base, unitTyped: true };
    }
  }

  const value = parseNumber(head, comma);
  if (value === TWO_WAYS)
    return {
      ok: false,
      reason: `"${head}" ${value}.`,
      remedy: 'Say which, or write digits with a point.',
      comma: true,
    };
  if (typeof value === 'string')
    return refuse(`"${head}" ${value}.`, 'Write digits with a point, such as 1500 or 1.5.');
  const unit = tail === '' ? unitNamed(dimension, defaultUnit) : findUnit(dimension, tail);
  if (!unit) return refuse(`"${tail}" is not a unit of ${words(dimension)}.`, examples(dimension));
  const canonical = toCanonical(value, unit);
  if (!Number.isFinite(canonical)) return refuse(`"${trimmed}" is too large.`, examples(dimension));
  if (dimension === 'temperature' && canonical < -273.15)
    return refuse(`"${trimmed}" is below absolute zero.`, 'Check the sign and the unit.');
  return { ok: true, value: canonical, unit, unitTyped: tail !== '' };
}

/**
 * The section of a bar as it is measured: "30 x 5", "1 x 1/8 in", mm², millimetres where no unit is typed. Null: it is not of this form. For
 * fields of bars alone: at a cable "3 x 2.5" are three cores.
 */
export function parseSides(text: string): Parsed | null {
  const sides = text.split(/[x×*]/i);
  if (sides.length < 2 || text.length > 60) return null;
  const read = sides.map((side) => /^(.*?)(mm|cm|in|″|")?$/i.exec(side.trim())!);
  const [wide, thick] = read.map(([, figure]) => parseNumber(figure ?? ''));
  const [first, last] = read.map(([, , unit]) => unit?.toLowerCase());
  if (sides.length > 2 || typeof wide !== 'number' || typeof thick !== 'number' || !(wide > 0 && thick > 0))
    return refuse(`"${text.trim()}" is not width by thickness.`, 'Write 30 x 5 for millimetres, or 1 x 1/8 in.');
  // A unit that only one side has is meant for both.
  const value = wide * SIDE_MM[first ?? last ?? 'mm']! * thick * SIDE_MM[last ?? first ?? 'mm']!;
  if (!Number.isFinite(value)) return refuse(`"${text.trim()}" is too large.`, 'Write 30 x 5 for millimetres.');
  return { ok: true, value, unit: unitNamed('area', 'mm²'), unitTyped: true };
}

/** "resistancePerLength" → "resistance per length". */
export const words = (dimension: Dimension): string =>
  dimension.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);
