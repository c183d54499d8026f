const MINUS = 45;
const PLUS = 43;
const ZERO = 48;
const NINE = 57;
const SPACE = 32;
const TAB = 9;
const QUOTE = 34;
const EXPONENT = 101;
const EXPONENT_UPPER = 69;
const POWERS = Array.from({ length: 23 }, (_, k) => 10 ** k);
/** Digits that a double holds for certain. */
const SURE_DIGITS = 15;

/** The number between two places of the bytes, spaces and quotes around it ignored; NaN: something else stands there, or nothing. */
export function numberIn(bytes: Uint8Array, from: number, to: number, point: number): number {
  let k = from;
  let end = to;
  while (k < end && isBlank(bytes[k]!)) k++;
  while (end > k && isBlank(bytes[end - 1]!)) end--;
  if (k === end) return Number.NaN;
  const start = k;
  let negative = false;
  if (bytes[k] === MINUS || bytes[k] === PLUS) negative = bytes[k++] === MINUS;
  let value = 0;
  let digits = 0;
  let kept = 0;
  let after = -1;
  for (; k < end; k++) {
    const byte = bytes[k]!;
    if (byte >= ZERO && byte <= NINE) {
      digits++;
      if (value !== 0 || byte !== ZERO) kept++;
      value = value * 10 + (byte - ZERO);
      if (after >= 0) after++;
    } else if (byte === point && after < 0) after = 0;
    else break;
  }
  if (digits === 0) return Number.NaN;
  if (k < end || kept > SURE_DIGITS || after > 22) return slow(bytes, start, end, point);
  if (after > 0) value /= POWERS[after]!;
  return negative ? -value : value;
}

const isBlank = (byte: number): boolean => byte === SPACE || byte === TAB || byte === QUOTE;

/** Exponents, and more digits than a double holds. */
function slow(bytes: Uint8Array, from: number, to: number, point: number): number {
  let text = '';
  for (let k = from; k < to; k++) {
    const byte = bytes[k]!;
    const plain =
      (byte >= ZERO && byte <= NINE) ||
      byte === MINUS ||
      byte === PLUS ||
      byte === EXPONENT ||
      byte === EXPONENT_UPPER ||
      byte === point;
    if (!plain) return Number.NaN;
    text += byte === point ? '.' : String.fromCharCode(byte);
  }
  return Number(text);
}
