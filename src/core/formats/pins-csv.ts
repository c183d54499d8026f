import { MOST_PIN_ROWS, type PinRow, type Problem } from '../build';
import { pinsTwice } from '../vehicle';
import { type DecimalMark, readCsv, writeCsv } from './csv';

export type ReadPins =
  | { readonly ok: true; readonly rows: readonly PinRow[] }
  | { readonly ok: false; readonly errors: readonly Problem[] };

/** Headings that people write, by what they mean. */
const HEADS: Readonly<Record<keyof PinRow, RegExp>> = {
  pin: /^(pin|pins|cavity|terminal|no\.?|nr\.?|number|way)$/,
  signal: /^(signal|function|name|what|description|circuit)$/,
  colour: /^(colour|color|wire colour|wire color|wire)$/,
};

/** A pin table: pin; signal; colour (which may be left out), one line each. All or none are taken. */
export function readPinsCsv(text: string): ReadPins {
  const read = readCsv(text);
  if (!read.ok) return read;
  const { columns, rows } = read.table;
  const column = (of: keyof PinRow) => columns.find((head) => HEADS[of].test(head.trim()));
  const [pin, signal, colour] = [column('pin'), column('signal'), column('colour')];
  if (pin === undefined || signal === undefined)
    return {
      ok: false,
      errors: [
        {
          path: 'line 1',
          reason: `lacks the ${pin === undefined ? 'pins' : 'signals'}.`,
          remedy: 'The heading is pin; signal; colour, divided by semicolons, commas or tabs.',
        },
      ],
    };
  if (rows.length === 0 || rows.length > MOST_PIN_ROWS)
    return {
      ok: false,
      errors: [
        {
          path: '(file)',
          reason: rows.length === 0 ? 'has no pins.' : `has more than ${MOST_PIN_ROWS} pins.`,
          remedy: 'Write a line for each pin of one connector.',
        },
      ],
    };
  const made = rows.map(
    ({ fields }): PinRow => ({
      pin: (fields.get(pin) ?? '').slice(0, 20),
      signal: (fields.get(signal) ?? '').slice(0, 80),
      colour: (colour === undefined ? '' : (fields.get(colour) ?? '')).slice(0, 20),
    }),
  );
  const errors: Problem[] = rows.flatMap(({ line }, k) =>
    made[k]!.pin === '' ? [{ path: `line ${line}`, reason: 'has no pin.', remedy: 'Write its number or letter.' }] : [],
  );
  for (const twice of pinsTwice(made))
    errors.push({
      path: '(file)',
      reason: `names the pin "${twice}" twice.`,
      remedy: 'A pin holds one wire: correct one of the two lines.',
    });
  return errors.length > 0 ? { ok: false, errors: errors.slice(0, 20) } : { ok: true, rows: made };
}

export const pinsCsv = (rows: readonly PinRow[], mark: DecimalMark = '.'): string =>
  writeCsv([['pin', 'signal', 'colour'], ...rows.map(({ pin, signal, colour }) => [pin, signal, colour])], mark);
