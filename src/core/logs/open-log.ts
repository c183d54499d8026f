import { decodeText } from '../formats/decode-text';
import { type CanDatabase, canDatabase } from './can-database';
import { CanLog, canColumns } from './can-log';
import { CsvLog, csvHead } from './csv-log';
import type { DriveReview } from './drive-review';
import type { LogProblem, LogSettings } from './log-types';
import type { LogColumn } from './roles';

/** Bytes at the beginning that a log is recognised by. */
export const HEAD_BYTES = 1 << 18;
const FRAME = /^\s*\(?\d+(?:\.\d+)?\)?\s+\S+\s+[0-9A-Fa-f]{1,9}(?:#|\s+\[)/;

/** What a file is, and what its columns or signals seem to be. */
export type OpenedLog =
  | {
      readonly kind: 'columns' | 'frames';
      readonly columns: readonly LogColumn[];
      readonly problems: readonly LogProblem[];
    }
  | { readonly kind: 'unknown'; readonly problem: LogProblem };

/** Looks at the beginning of a log, and at the database where it is one of frames. */
export function openLog(start: Uint8Array, database: string | null): OpenedLog {
  const first = decodeText(start.subarray(0, 4096))
    .split(/\r\n|\n|\r/)
    .find((line) => line.trim() !== '');
  if (first !== undefined && FRAME.test(first)) {
    if (database === null)
      return {
        kind: 'unknown',
        problem: {
          where: 'the log',
          why: 'It is one of frames: which bytes are cells only a CAN database tells.',
          remedy: 'Choose the database file too.',
        },
      };
    const read = canDatabase(database);
    const columns = canColumns(read);
    return columns.length === 0
      ? {
          kind: 'unknown',
          problem: read.problems[0] ?? {
            where: 'the database',
            why: 'It holds no message with signals.',
            remedy: 'Choose another file.',
          },
        }
      : { kind: 'frames', columns, problems: read.problems };
  }
  const head = csvHead(start);
  return 'why' in head ? { kind: 'unknown', problem: head } : { kind: 'columns', columns: head.columns, problems: [] };
}

export interface LogReader {
  push(bytes: Uint8Array): void;
  end(): { readonly review: DriveReview; readonly problems: readonly LogProblem[] };
}

/** A reader for a log with the columns as the owner has them; the columns must be those of `openLog`. */
export function logReader(
  start: Uint8Array,
  database: string | null,
  { kind, columns }: Extract<OpenedLog, { kind: 'columns' | 'frames' }>,
  settings: LogSettings,
): LogReader {
  if (kind === 'frames') {
    const read: CanDatabase = canDatabase(database ?? '');
    return new CanLog(read, columns, settings);
  }
  const head = csvHead(start);
  if ('why' in head) throw new Error(head.why);
  return new CsvLog({ ...head, columns }, settings);
}
