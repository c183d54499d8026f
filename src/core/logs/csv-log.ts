import { decodeText } from '../formats/decode-text';
import { type DriveReview, DriveReviewer } from './drive-review';
import { LineCutter } from './lines';
import type { LogProblem, LogSettings } from './log-types';
import { numberIn } from './number-in-bytes';
import { guessRoles, type LogColumn } from './roles';

const QUOTE = 34;
const MINUS = 45;
const ZERO = 48;
/** So many digits are certain in a double. */
const SURE = 15;
const POWERS = Array.from({ length: 17 }, (_, k) => 10 ** k);
const COLON = 58;
export const MOST_COLUMNS = 4000;
const MOST_PROBLEMS = 20;

export interface CsvHead {
  readonly columns: readonly LogColumn[];
  readonly separator: ',' | ';' | '\t';
  readonly point: '.' | ',';
  /** Lines before the one with the names, that one included. */
  readonly headLines: number;
}

const decode = (bytes: Uint8Array, from: number, to: number): string => decodeText(bytes.subarray(from, to));

/** Splits a line of names; quotes keep separators. */
function splitNames(line: string, separator: string): string[] {
  const names: string[] = [];
  let [text, quoted] = ['', false];
  for (const letter of line) {
    if (letter === '"') quoted = !quoted;
    else if (letter === separator && !quoted) {
      names.push(text.trim());
      text = '';
    } else text += letter;
  }
  return [...names, text.trim()];
}

/** Finds the line of names among the first lines of a file; a problem when there is none. */
export function csvHead(start: Uint8Array): CsvHead | LogProblem {
  const cutter = new LineCutter();
  const lines: string[] = [];
  cutter.push(start, (bytes, from, to) => {
    if (lines.length < 40) lines.push(decode(bytes, from, to));
  });
  const rest = cutter.end();
  if (rest && lines.length < 40) lines.push(decode(rest, 0, rest.length));
  if (lines[0] !== undefined) lines[0] = lines[0].replace(/^\uFEFF/, '');
  const best = (['\t', ';', ','] as const)
    .flatMap((separator) =>
      lines.map((line, k) => {
        const names = splitNames(line, separator);
        const roles = guessRoles(names);
        const score = roles.filter(({ role }) => role.is !== 'skip').length;
        return { separator, names, roles, k, score };
      }),
    )
    .filter(({ names }) => names.length > 1 && names.length <= MOST_COLUMNS)
    .sort((p, q) => q.score - p.score || q.names.length - p.names.length || p.k - q.k)[0];
  if (!best || best.score === 0)
    return {
      where: 'the first 40 lines',
      why: 'No line names columns such as time, current or cell 1.',
      remedy: 'Add a first line with a name for each column, separated by commas, semicolons or tabs.',
    };
  const row = lines.slice(best.k + 1).find((line) => line.trim() !== '') ?? '';
  // A comma is a decimal point only where it separates nothing.
  const point = best.separator !== ',' && /\d,\d/.test(row) ? ',' : '.';
  return { columns: best.roles, separator: best.separator, point, headLines: best.k + 1 };
}

/** Reads a log of columns as it streams by. */
export class CsvLog {
  readonly #cutter = new LineCutter();
  readonly #reviewer: DriveReviewer;
  readonly #head: CsvHead;
  readonly #kind: Uint8Array;
  readonly #slot: Int32Array;
  readonly #factor: Float64Array;
  readonly #cells: Float64Array;
  readonly #temperatures: Float64Array;
  readonly #now = new Float64Array(3);
  readonly #separator: number;
  readonly #point: number;
  readonly problems: LogProblem[] = [];
  #more = 0;
  #line = 0;
  #width = 0;

  constructor(head: CsvHead, settings: LogSettings) {
    this.#head = head;
    const most = (is: 'cell' | 'temperature') =>
      head.columns.reduce((sum, { role }) => (role.is === is ? Math.max(sum, role.number) : sum), 0);
    const cells = Math.min(MOST_COLUMNS, most('cell'));
    const temperatures = Math.min(MOST_COLUMNS, most('temperature'));
    this.#cells = new Float64Array(cells);
    this.#temperatures = new Float64Array(temperatures);
    this.#reviewer = new DriveReviewer({ ...settings, cells, temperatures });
    const kinds = ['skip', 'time', 'current', 'voltage', 'cell', 'temperature'];
    this.#kind = Uint8Array.from(head.columns, ({ role }) => kinds.indexOf(role.is));
    this.#slot = Int32Array.from(head.columns, ({ role }) => ('number' in role ? role.number - 1 : 0));
    this.#factor = Float64Array.from(head.columns, ({ factor }) => factor);
    this.#separator = head.separator.charCodeAt(0);
    this.#point = head.point.charCodeAt(0);
  }

  push(bytes: Uint8Array): void {
    this.#cutter.push(bytes, (all, from, to) => this.#row(all, from, to));
  }

  end(): { readonly review: DriveReview; readonly problems: readonly LogProblem[] } {
    const rest = this.#cutter.end();
    if (rest) {
      // Without an end of line the last row may be cut in the middle of a figure.
      this.#line++;
      if (fieldsOf(rest, this.#separator) < this.#width)
        this.#complain(
          'The file ends in the middle of a line; that line is left out.',
          'Nothing to do, if the logger was switched off.',
        );
      else {
        this.#line--;
        this.#row(rest, 0, rest.length);
      }
    }
    if (this.#more > 0)
      this.problems.push({
        where: 'further on',
        why: `${this.#more} more lines like these.`,
        remedy: 'See the first of them.',
      });
    if (this.#cutter.tooLong > 0)
      this.problems.push({
        where: 'some lines',
        why: `${this.#cutter.tooLong} lines are longer than any row of a log; they are left out.`,
        remedy: 'Look whether the file is one of text.',
      });
    return { review: this.#reviewer.end(), problems: this.problems };
  }

  #row(bytes: Uint8Array, from: number, to: number): void {
    this.#line++;
    if (this.#line <= this.#head.headLines || from === to) return;
    const columns = this.#kind.length;
    this.#cells.fill(Number.NaN);
    this.#temperatures.fill(Number.NaN);
    this.#now.fill(Number.NaN);
    let column = 0;
    let bad = 0;
    const separator = this.#separator;
    const point = this.#point;
    for (let k = from; k <= to; column++) {
      const start = k;
      const kind = column < columns ? this.#kind[column]! : 0;
      let value = Number.NaN;
      // Nearly every field is digits and a point, and ends with its separator: read in one go.
      if (kind !== 0) {
        const negative = bytes[k] === MINUS;
        if (negative) k++;
        const digitsFrom = k;
        let whole = 0;
        let places = -1;
        for (; k < to; k++) {
          const digit = bytes[k]! - ZERO;
          if (digit >= 0 && digit <= 9) {
            whole = whole * 10 + digit;
            if (places >= 0) places++;
          } else if (bytes[k] === point && places < 0) places = 0;
          else break;
        }
        const read =
          k > digitsFrom + (places >= 0 ? 1 : 0) &&
          k - digitsFrom <= SURE + (places >= 0 ? 1 : 0) &&
          (k === to || bytes[k] === separator);
        if (read) {
          const size = places > 0 ? whole / POWERS[places]! : whole;
          value = negative ? -size : size;
        } else k = start;
      }
      if (Number.isNaN(value)) {
        let quoted = false;
        while (k < to && (quoted || bytes[k] !== separator)) {
          if (bytes[k] === QUOTE) quoted = !quoted;
          k++;
        }
        if (kind !== 0) {
          value = kind === 1 ? timeIn(bytes, start, k, point) : numberIn(bytes, start, k, point);
          if (Number.isNaN(value) && k > start) bad++;
        }
      }
      if (kind !== 0) {
        const told = value * this.#factor[column]!;
        if (kind === 4) this.#cells[this.#slot[column]!] = told;
        else if (kind === 5) this.#temperatures[this.#slot[column]!] = told;
        else this.#now[kind - 1] = told;
      }
      k++;
    }
    this.#width = Math.max(this.#width, Math.min(column, columns));
    if (bad > 0)
      this.#complain(
        `${bad} ${bad === 1 ? 'value is' : 'values are'} no number; taken as missing.`,
        'Look at that line, or choose other columns.',
      );
    else if (column < columns && column > 1)
      this.#complain(`It has ${column} of ${columns} columns.`, 'What is there is taken; the rest counts as missing.');
    this.#reviewer.row(this.#now[0]!, this.#now[1]!, this.#now[2]!, this.#cells, this.#temperatures);
  }

  #complain(why: string, remedy: string): void {
    if (this.problems.length < MOST_PROBLEMS) this.problems.push({ where: `line ${this.#line}`, why, remedy });
    else this.#more++;
  }
}

function fieldsOf(bytes: Uint8Array, separator: number): number {
  let fields = 1;
  for (const byte of bytes) if (byte === separator) fields++;
  return fields;
}

/** Seconds as a number, or as h:mm:ss with a date before it or not; NaN: neither. */
function timeIn(bytes: Uint8Array, from: number, to: number, point: number): number {
  let colons = 0;
  for (let k = from; k < to; k++) if (bytes[k] === COLON) colons++;
  if (colons === 0) return numberIn(bytes, from, to, point);
  const text = decode(bytes, from, to);
  const clock = /(\d{1,2}):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?/.exec(text);
  if (!clock) return Number.NaN;
  const day = /(\d{4})-(\d{2})-(\d{2})/.exec(text);
  const days = day ? daysOf(Number(day[1]), Number(day[2]), Number(day[3])) : 0;
  return days * 86_400 + Number(clock[1]) * 3600 + Number(clock[2]) * 60 + Number((clock[3] ?? '0').replace(',', '.'));
}

/** Days since 1970 in the Gregorian calendar (Fliegel and van Flandern 1968). */
function daysOf(year: number, month: number, day: number): number {
  const a = Math.trunc((month - 14) / 12);
  return (
    Math.trunc((1461 * (year + 4800 + a)) / 4) +
    Math.trunc((367 * (month - 2 - 12 * a)) / 12) -
    Math.trunc((3 * Math.trunc((year + 4900 + a) / 100)) / 4) +
    day -
    32075 -
    2_440_588
  );
}
