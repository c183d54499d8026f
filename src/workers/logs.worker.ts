import { expose } from 'comlink';
import { HEAD_BYTES, type LogSettings, logReader, type OpenedLog, openLog } from '@/core/logs';

const startOf = async (file: Blob) => new Uint8Array(await file.slice(0, HEAD_BYTES).arrayBuffer());

const api = {
  async open(file: Blob, database: string | null): Promise<OpenedLog> {
    return openLog(await startOf(file), database);
  },
  /** Streams the file through: only a piece of it is in memory at a time. Progress is told as a share of 1. */
  async read(
    file: Blob,
    database: string | null,
    opened: Extract<OpenedLog, { kind: 'columns' | 'frames' }>,
    settings: LogSettings,
    onProgress: (share: number) => void,
  ) {
    const log = logReader(await startOf(file), database, opened, settings);
    const reader = file.stream().getReader();
    let done = 0;
    let told = 0;
    for (let piece = await reader.read(); !piece.done; piece = await reader.read()) {
      log.push(piece.value);
      done += piece.value.byteLength;
      if (done / file.size - told > 0.02) {
        told = done / file.size;
        onProgress(told);
      }
    }
    return log.end();
  },
};

export type LogsWorker = typeof api;
expose(api);
