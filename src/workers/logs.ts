import { proxy, wrap } from 'comlink';
import type { DriveReview, LogProblem, LogSettings, OpenedLog } from '@/core/logs';
import type { LogsWorker } from './logs.worker';

const start = () => new Worker(new URL('./logs.worker.ts', import.meta.url), { type: 'module' });

/** Asks a worker of its own; a hostile file can at worst stop that worker. `stop` breaks it off at once, and the promise stays open. */
function asked<T>(ask: (remote: ReturnType<typeof wrap<LogsWorker>>) => Promise<T>): {
  readonly answer: Promise<T>;
  readonly stop: () => void;
} {
  const worker = start();
  const answer = new Promise<T>((resolve, reject) => {
    worker.onerror = (event) => reject(new Error(event.message || 'the reader stopped'));
    ask(wrap<LogsWorker>(worker)).then(resolve, reject);
  }).finally(() => worker.terminate());
  return { answer, stop: () => worker.terminate() };
}

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
