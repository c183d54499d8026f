import type { LogProblem } from './log-types';

/** One figure inside a message. */
export interface CanSignal {
  readonly name: string;
  readonly startBit: number;
  readonly length: number;
  readonly littleEndian: boolean;
  readonly signed: boolean;
  readonly factor: number;
  readonly offset: number;
  readonly unit: string;
  /** Only there while the message’s chooser has this value; -1: it is the chooser; null: always. */
  readonly chosenBy: number | null;
}

export interface CanMessage {
  readonly id: number;
  readonly name: string;
  readonly bytes: number;
  readonly signals: readonly CanSignal[];
}

export interface CanDatabase {
  readonly messages: readonly CanMessage[];
  readonly problems: readonly LogProblem[];
}

const MOST_MESSAGES = 5000;
const MOST_SIGNALS = 40_000;
const MOST_CHARACTERS = 20_000_000;
const MOST_PROBLEMS = 20;
/** Bit 31 marks an extended identifier in a database; identifiers themselves have 29 bits. */
const EXTENDED = 0x80000000;
const MOST_ID = 0x1fffffff;
/** Longest frame, bytes. */
const MOST_BYTES = 64;

const MESSAGE = /^BO_ +(\d{1,12}) +([A-Za-z_]\w{0,127}) *: *(\d{1,3})\b/;
const SIGNAL =
  /^SG_ +([A-Za-z_]\w{0,127}) *(M|m\d{1,5}|) *: *(\d{1,4})\|(\d{1,3})@([01])([+-]) *\(([^,()]{1,40}),([^,()]{1,40})\) *\[[^\]]{0,80}\] *"([^"]{0,40})"/;

/** Messages and signals of a CAN database file; what does not fit is named by its line and left out. */
export function canDatabase(text: string): CanDatabase {
  const problems: LogProblem[] = [];
  const complain = (line: number, why: string) => {
    if (problems.length < MOST_PROBLEMS)
      problems.push({ where: `line ${line}`, why, remedy: 'That line is left out; mend it in the database file.' });
  };
  if (text.length > MOST_CHARACTERS)
    return {
      messages: [],
      problems: [
        {
          where: 'the file',
          why: 'It is longer than 20 million characters.',
          remedy: 'Take the part with the messages that you need.',
        },
      ],
    };
  const messages = new Map<number, { id: number; name: string; bytes: number; signals: CanSignal[] }>();
  let open: { id: number; name: string; bytes: number; signals: CanSignal[] } | null = null;
  let count = 0;
  /** What is wrong with a line; null: nothing. */
  const read = (raw: string): string | null => {
    const line = raw.trim();
    if (line.startsWith('BO_ ')) {
      open = null;
      const found = MESSAGE.exec(line);
      if (!found) return 'This message is not written as one.';
      const given = Number(found[1]);
      const id = given >= EXTENDED ? given - EXTENDED : given;
      // Some files keep signals without a message under this number.
      if (given === 0xc0000000) return null;
      if (id > MOST_ID || given >= 2 * EXTENDED) return `The identifier ${found[1]} has more than 29 bits.`;
      const bytes = Number(found[3]);
      if (bytes > MOST_BYTES) return `A message of ${bytes} bytes is longer than any frame.`;
      if (messages.has(id)) return `The identifier ${found[1]} was there before; the first one counts.`;
      if (messages.size >= MOST_MESSAGES) return `More than ${MOST_MESSAGES} messages.`;
      open = { id, name: found[2]!, bytes, signals: [] };
      messages.set(id, open);
    } else if (line.startsWith('SG_ ')) {
      if (!open) return null;
      const found = SIGNAL.exec(line);
      if (!found) return 'This signal is not written as one.';
      const [, name, chooser, start, length, order, sign, factor, offset, unit] = found;
      const signal: CanSignal = {
        name: name!,
        startBit: Number(start),
        length: Number(length),
        littleEndian: order === '1',
        signed: sign === '-',
        factor: Number(factor),
        offset: Number(offset),
        unit: unit!,
        chosenBy: chooser === '' ? null : chooser === 'M' ? -1 : Number(chooser!.slice(1)),
      };
      if (!Number.isFinite(signal.factor) || !Number.isFinite(signal.offset)) return 'Factor or offset is no number.';
      if (!(signal.length >= 1 && signal.length <= 32)) return `A signal of ${length} bits can’t be read: 1 to 32.`;
      if (!fitsIn(signal, open.bytes)) return `It lies outside the ${open.bytes} bytes of ${open.name}.`;
      if (++count > MOST_SIGNALS) return `More than ${MOST_SIGNALS} signals.`;
      open.signals.push(signal);
    }
    return null;
  };
  for (const [k, raw] of text.split(/\r\n|\n|\r/).entries()) {
    const wrong = read(raw);
    if (wrong !== null) complain(k + 1, wrong);
  }
  return { messages: [...messages.values()], problems };
}

/** Bits of a signal, most significant first, as [byte, bit]. */
function bitsOf({ startBit, length, littleEndian }: CanSignal): [number, number][] {
  const bits: [number, number][] = [];
  if (littleEndian) {
    for (let k = length - 1; k >= 0; k--) bits.push([(startBit + k) >> 3, (startBit + k) & 7]);
    return bits;
  }
  let [byte, bit] = [startBit >> 3, startBit & 7];
  for (let k = 0; k < length; k++) {
    bits.push([byte, bit]);
    if (bit === 0) [byte, bit] = [byte + 1, 7];
    else bit--;
  }
  return bits;
}

const fitsIn = (signal: CanSignal, bytes: number): boolean => bitsOf(signal).every(([byte]) => byte < bytes);

/** A reader of one signal; NaN where the frame is too short for it. */
export function signalReader(signal: CanSignal): (data: Uint8Array, length: number) => number {
  const { length: width, signed, factor, offset } = signal;
  const top = 2 ** (width - 1);
  const all = 2 ** width;
  const finish = (raw: number) => (signed && raw >= top ? raw - all : raw) * factor + offset;
  const bits = bitsOf(signal);
  const last = Math.max(...bits.map(([byte]) => byte));
  // Whole bytes, as nearly all signals of logs are.
  const whole = width % 8 === 0 && (signal.littleEndian ? signal.startBit % 8 === 0 : signal.startBit % 8 === 7);
  if (whole) {
    const bytes = bits.filter((_, k) => k % 8 === 0).map(([byte]) => byte);
    return (data, length) => {
      if (last >= length) return Number.NaN;
      let raw = 0;
      for (const byte of bytes) raw = raw * 256 + data[byte]!;
      return finish(raw);
    };
  }
  return (data, length) => {
    if (last >= length) return Number.NaN;
    let raw = 0;
    for (const [byte, bit] of bits) raw = raw * 2 + ((data[byte]! >> bit) & 1);
    return finish(raw);
  };
}
