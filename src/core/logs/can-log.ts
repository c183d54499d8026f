import { type CanDatabase, type CanMessage, signalReader } from './can-database';
import { type DriveReview, DriveReviewer } from './drive-review';
import { LineCutter } from './lines';
import type { LogProblem, LogSettings } from './log-types';
import { guessRoles, type LogColumn } from './roles';

const MOST_PROBLEMS = 20;
const MOST_ID = 0x1fffffff;
/** Rows are made no closer than that, s: what came in the meantime is joined. */
const ROW_S = 0.1;
const [OPEN, CLOSE, HASH, SPACE, BRACKET, BRACKET_END, DOT, R] = [40, 41, 35, 32, 91, 93, 46, 82];

/** Signals of a database as the columns that they may be: cells by their number, units from the database. */
export function canColumns(database: CanDatabase): readonly LogColumn[] {
  const signals = database.messages.flatMap(({ signals }) => signals);
  const guesses = guessRoles(signals.map(({ name, unit }) => (unit ? `${name} (${unit})` : name)));
  return guesses.map((guess, k) => ({ ...guess, name: signals[k]!.name }));
}

interface Reader {
  readonly read: (data: Uint8Array, length: number) => number;
  readonly kind: number;
  readonly slot: number;
  readonly factor: number;
  readonly chosenBy: number | null;
}

interface Message {
  readonly chooser: ((data: Uint8Array, length: number) => number) | null;
  readonly readers: readonly Reader[];
}

const KINDS = ['skip', 'time', 'current', 'voltage', 'cell', 'temperature'];

/** Reads frames as text, "(time) bus id#data" or "time bus id [n] bytes", by a database, as they stream by. */
export class CanLog {
  readonly #cutter = new LineCutter();
  readonly #reviewer: DriveReviewer;
  readonly #messages = new Map<number, Message>();
  readonly #cells: Float64Array;
  readonly #temperatures: Float64Array;
  readonly #now = [Number.NaN, Number.NaN, Number.NaN];
  readonly #data = new Uint8Array(64);
  readonly problems: LogProblem[] = [];
  #rowS = Number.NEGATIVE_INFINITY;
  #line = 0;
  #more = 0;
  #changed = false;
  #timeS = Number.NaN;
  /** Frames read, and those among them that the database knows. */
  frames = 0;
  known = 0;

  constructor(database: CanDatabase, columns: readonly LogColumn[], settings: LogSettings) {
    const most = (is: 'cell' | 'temperature') =>
      columns.reduce((sum, { role }) => (role.is === is ? Math.max(sum, role.number) : sum), 0);
    const cells = Math.min(4000, most('cell'));
    const temperatures = Math.min(4000, most('temperature'));
    this.#cells = new Float64Array(cells).fill(Number.NaN);
    this.#temperatures = new Float64Array(temperatures).fill(Number.NaN);
    this.#reviewer = new DriveReviewer({ ...settings, cells, temperatures });
    let column = 0;
    for (const message of database.messages) {
      const readers = message.signals.flatMap((signal): Reader[] => {
        const { role, factor } = columns[column++] ?? { role: { is: 'skip' as const }, factor: 1 };
        if (role.is === 'skip' || role.is === 'time') return [];
        const slot = 'number' in role ? role.number - 1 : 0;
        return [{ read: signalReader(signal), kind: KINDS.indexOf(role.is), slot, factor, chosenBy: signal.chosenBy }];
      });
      if (readers.length > 0) this.#messages.set(message.id, { chooser: chooserOf(message), readers });
    }
  }

  push(bytes: Uint8Array): void {
    this.#cutter.push(bytes, (all, from, to) => this.#frame(all, from, to));
  }

  end(): { readonly review: DriveReview; readonly problems: readonly LogProblem[] } {
    const rest = this.#cutter.end();
    if (rest) this.#frame(rest, 0, rest.length);
    this.#row();
    if (this.#more > 0)
      this.problems.push({
        where: 'further on',
        why: `${this.#more} more lines like these.`,
        remedy: 'See the first of them.',
      });
    if (this.frames > 0 && this.known === 0)
      this.problems.push({
        where: 'the whole log',
        why: 'None of its identifiers is in the database, or none of their signals was chosen.',
        remedy: 'Choose the database of this car, and say which signals are cells, current and voltage.',
      });
    return { review: this.#reviewer.end(), problems: this.problems };
  }

  #frame(bytes: Uint8Array, from: number, to: number): void {
    this.#line++;
    let k = from;
    while (k < to && bytes[k] === SPACE) k++;
    if (k === to) return;
    // Time, in brackets or not.
    if (bytes[k] === OPEN) k++;
    let seconds = 0;
    let scale = 0;
    const timeFrom = k;
    for (; k < to; k++) {
      const byte = bytes[k]!;
      if (byte >= 48 && byte <= 57) {
        seconds = seconds * 10 + (byte - 48);
        if (scale > 0) scale *= 10;
      } else if (byte === DOT && scale === 0) scale = 1;
      else break;
    }
    if (k === timeFrom || k - timeFrom > 24) {
      this.#complain('It does not begin with a time.');
      return;
    }
    if (scale > 1) seconds /= scale;
    if (bytes[k] === CLOSE) k++;
    // The name of the bus.
    while (k < to && bytes[k] === SPACE) k++;
    while (k < to && bytes[k] !== SPACE) k++;
    while (k < to && bytes[k] === SPACE) k++;
    // Identifier in hexadecimal digits.
    let id = 0;
    const idFrom = k;
    for (; k < to; k++) {
      const digit = HEX[bytes[k]!]!;
      if (digit === NONE) break;
      id = id * 16 + digit;
    }
    if (k === idFrom || id > MOST_ID || k - idFrom > 8) {
      this.#complain('Its identifier is no number of 29 bits.');
      return;
    }
    let length = 0;
    if (bytes[k] === HASH) {
      k++;
      // A second # begins a frame of up to 64 bytes, with a digit of flags.
      if (bytes[k] === HASH) k += 2;
      if (bytes[k] === R) return;
    } else {
      while (k < to && bytes[k] === SPACE) k++;
      if (bytes[k] !== BRACKET) {
        this.#complain('After the identifier neither # nor [ follows.');
        return;
      }
      while (k < to && bytes[k] !== BRACKET_END) k++;
      k++;
    }
    while (k < to && length < 64) {
      if (bytes[k] === SPACE || bytes[k] === DOT) {
        k++;
        continue;
      }
      const [high, low] = [HEX[bytes[k]!]!, k + 1 < to ? HEX[bytes[k + 1]!]! : NONE];
      if (high === NONE || low === NONE) {
        // What candump adds after the bytes, quoted, is not data; half a byte at the end is a cut line.
        if (high === NONE) break;
        this.#complain('It ends in the middle of a byte; it is left out.');
        return;
      }
      this.#data[length++] = high * 16 + low;
      k += 2;
    }
    this.frames++;
    this.#take(id, length, seconds);
  }

  #take(id: number, length: number, seconds: number): void {
    const message = this.#messages.get(id);
    if (!message) return;
    this.known++;
    if (seconds - this.#rowS >= ROW_S || seconds < this.#rowS) {
      this.#row();
      this.#rowS = seconds;
    }
    this.#timeS = seconds;
    const chosen = message.chooser ? message.chooser(this.#data, length) : 0;
    for (const { read, kind, slot, factor, chosenBy } of message.readers) {
      if (chosenBy !== null && chosenBy >= 0 && chosenBy !== chosen) continue;
      const value = read(this.#data, length) * factor;
      if (kind === 4) this.#cells[slot] = value;
      else if (kind === 5) this.#temperatures[slot] = value;
      else this.#now[kind - 1] = value;
    }
    this.#changed = true;
  }

  /** What is known by now, as a row: each signal as it was last heard. */
  #row(): void {
    if (!this.#changed) return;
    this.#reviewer.row(this.#timeS, this.#now[1]!, this.#now[2]!, this.#cells, this.#temperatures);
    this.#changed = false;
  }

  #complain(why: string): void {
    const problem = { where: `line ${this.#line}`, why, remedy: 'That line is left out.' };
    if (this.problems.length < MOST_PROBLEMS) this.problems.push(problem);
    else this.#more++;
  }
}

const NONE = 255;
const HEX = new Uint8Array(256).fill(NONE);
for (let k = 0; k < 10; k++) HEX[48 + k] = k;
for (let k = 0; k < 6; k++) {
  HEX[65 + k] = 10 + k;
  HEX[97 + k] = 10 + k;
}

const chooserOf = ({ signals }: CanMessage) => {
  const chooser = signals.find(({ chosenBy }) => chosenBy === -1);
  return chooser ? signalReader(chooser) : null;
};
