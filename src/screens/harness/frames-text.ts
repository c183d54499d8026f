import type { BusFrame } from '@/core/build';

export const hex = (identifier: number): string => `0x${identifier.toString(16).toUpperCase()}`;

const HEX = /^(?:0x)?([0-9a-f]{1,8})(x?)$/i;
const parts = (text: string): string[] =>
  text
    .split(/[;\n]/)
    .map((one) => one.trim())
    .filter(Boolean);

function identifierOf(text: string): { readonly identifier: number; readonly extended: boolean } | null {
  const match = text.match(HEX);
  if (!match) return null;
  const identifier = Number.parseInt(match[1]!, 16);
  return identifier <= 0x1fffffff ? { identifier, extended: identifier > 0x7ff || match[1]!.length > 3 } : null;
}

/** Messages as one types them: "3C0 8 10; 18FF50E5 8 100": identifier in hexadecimal, bytes, milliseconds. */
export const framesText = (frames: readonly BusFrame[]): string =>
  frames
    .map(({ identifier, extended, bytes, periodS }) => {
      const digits = identifier.toString(16).toUpperCase();
      return `${extended && identifier <= 0x7ff ? digits.padStart(8, '0') : digits} ${bytes} ${Number((periodS * 1000).toPrecision(6))}`;
    })
    .join('; ');

export function readFrames(text: string): { readonly frames: readonly BusFrame[] } | { readonly why: string } {
  const frames: BusFrame[] = [];
  for (const part of parts(text)) {
    const [id = '', bytes = '', period = ''] = part.split(/[\s,]+/);
    const read = identifierOf(id);
    if (!read) return { why: `“${part.slice(0, 30)}” begins with no identifier: 3C0, or eight digits for 29 bits.` };
    const [n, ms] = [Number(bytes), Number(period)];
    if (bytes === '' || !(Number.isInteger(n) && n >= 0 && n <= 8))
      return { why: `“${part.slice(0, 30)}” has no number of bytes from 0 to 8.` };
    if (period === '' || !(ms >= 0.5 && ms <= 3.6e6))
      return { why: `“${part.slice(0, 30)}” has no period in milliseconds.` };
    frames.push({
      identifier: read.identifier,
      ...(read.extended ? { extended: true } : {}),
      bytes: n,
      periodS: ms / 1000,
    });
  }
  return { frames };
}

/** Null: one of them is none. */
export function readIdentifiers(text: string): readonly number[] | null {
  const read = text
    .split(/[;,\s]+/)
    .filter(Boolean)
    .map((one) => identifierOf(one));
  return read.some((one) => one === null) ? null : read.map((one) => one!.identifier);
}
