import { expose } from 'comlink';
import type { Build, Problem } from '@/core/build';
import { LARGEST_FILE_BYTES, type ReadBuild, readBuildText, readParts } from '@/core/build/schema';
import {
  decodeText,
  type ImportPreview,
  type PartsPreview,
  previewParts,
  type ReadModules,
  rawParts,
  readCablesCsv,
  readCsv,
  readModulesCsv,
  readTripFile,
  type TripFile,
} from '@/core/formats';

const tooLarge = (bytes: ArrayBuffer): { ok: false; errors: Problem[] } | null =>
  bytes.byteLength > LARGEST_FILE_BYTES
    ? {
        ok: false,
        errors: [
          {
            path: '(file)',
            reason: 'is larger than 20 MB.',
            remedy: 'A build file is far smaller: choose another file.',
          },
        ],
      }
    : null;

const api = {
  build(bytes: ArrayBuffer): ReadBuild {
    return tooLarge(bytes) ?? readBuildText(decodeText(new Uint8Array(bytes)));
  },
  cables(bytes: ArrayBuffer, build: Build): ImportPreview {
    return tooLarge(bytes) ?? readCablesCsv(decodeText(new Uint8Array(bytes)), build);
  },
  parts(bytes: ArrayBuffer, build: Build): PartsPreview {
    const large = tooLarge(bytes);
    if (large) return large;
    const table = readCsv(decodeText(new Uint8Array(bytes)));
    if (!table.ok) return table;
    const read = readParts(rawParts(table.table));
    return read.ok ? previewParts(read.parts, build) : read;
  },
  modules(bytes: ArrayBuffer): ReadModules {
    return tooLarge(bytes) ?? readModulesCsv(decodeText(new Uint8Array(bytes)));
  },
  trip(bytes: ArrayBuffer, name: string): TripFile {
    return tooLarge(bytes) ?? readTripFile(decodeText(new Uint8Array(bytes)), name);
  },
  /** A part made by hand, checked by the same rules as one from a file. */
  part(data: unknown): ReturnType<typeof readParts> {
    return readParts([{ line: 1, data: data as Record<string, unknown> }]);
  },
};

export type FilesWorker = typeof api;
export type { ReadBuild };
export type ReadParts = ReturnType<typeof readParts>;
expose(api);
