import { proxy, type Remote } from 'comlink';
import type { DriveReview, LogProblem, LogSettings, OpenedLog } from '@/core/logs';
import { type Asked, askOnce } from './aside';
import type { LogsWorker } from './logs.worker';

/** Asks a worker of its own; a hostile file can at worst stop that worker. */
const asked = <T>(ask: (remote: Remote<LogsWorker>) => Promise<T>): Asked<T> =>
  askOnce(new Worker(new URL('./logs.worker.ts', import.meta.url), { type: 'module' }), ask, 'the reader');

/** What a log seems to be; frames need a database. */
export const openLogFile = (file: Blob, database: string | null): Promise<OpenedLog> =>
  asked((remote) => remote.open(file, database) as Promise<OpenedLog>).answer;

export interface ReadLog {
  readonly review: DriveReview;
  readonly problems: readonly LogProblem[];
}

/** Reads a log through to its end. */
export const readLogFile = (
  file: Blob,
  database: string | null,
  opened: Extract<OpenedLog, { kind: 'columns' | 'frames' }>,
  settings: LogSettings,
  onProgress: (share: number) => void,
) => asked<ReadLog>((remote) => remote.read(file, database, opened, settings, proxy(onProgress)) as Promise<ReadLog>);
