import { expose } from 'comlink';
import type { Build, Problem, TraceKind } from '@/core/build';
import {
  LARGEST_FILE_BYTES,
  parseFile,
  type ReadBmsConfig,
  type ReadBuild,
  type ReadCollection,
  readBmsConfig,
  readBuildText,
  readCollection,
  readParts,
} from '@/core/build/schema';
import {
  COLLECTION_FORMAT,
  decodeText,
  type ImportPreview,
  type PartsPreview,
  previewParts,
  type ReadModules,
  rawParts,
  readCablesCsv,
  readCsv,
  readModulesCsv,
  readTraceCsv,
  type TraceRead,
  type TripFile,
} from '@/core/formats';
import { readTripFile } from '@/core/formats/trip-file';
import { readTestsCsv, type TestsRead } from '@/core/handover/tests-csv';

export type { ReadBmsConfig };
/** Several builds read from one file. */
export type ReadAll = Extract<ReadCollection, { ok: true }> & { readonly all: true };
const LARGEST_COLLECTION_BYTES = 200_000_000;

const tooLarge = (bytes: ArrayBuffer, most = LARGEST_FILE_BYTES): { ok: false; errors: Problem[] } | null =>
  bytes.byteLength > most
    ? {
        ok: false,
        errors: [
          {
            path: '(file)',
            reason: `is larger than ${most / 1e6} MB.`,
            remedy: 'A build file is far smaller: choose another file.',
          },
        ],
      }
    : null;

const api = {
  /** A build, or all builds of a browser. */
  build(bytes: ArrayBuffer): ReadBuild | ReadAll {
    const large = tooLarge(bytes, LARGEST_COLLECTION_BYTES);
    if (large) return large;
    const text = decodeText(new Uint8Array(bytes));
    if (!text.slice(0, 200).includes(COLLECTION_FORMAT)) return tooLarge(bytes) ?? readBuildText(text);
    const data = parseFile(text, LARGEST_COLLECTION_BYTES);
    if (!data.ok) return data;
    const read = readCollection(data.data);
    return read.ok ? { ...read, all: true } : read;
  },
  bms(bytes: ArrayBuffer): ReadBmsConfig {
    return tooLarge(bytes) ?? readBmsConfig(decodeText(new Uint8Array(bytes)));
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
  tests(bytes: ArrayBuffer): TestsRead {
    return tooLarge(bytes) ?? readTestsCsv(decodeText(new Uint8Array(bytes)));
  },
  modules(bytes: ArrayBuffer): ReadModules {
    return tooLarge(bytes) ?? readModulesCsv(decodeText(new Uint8Array(bytes)));
  },
  trip(bytes: ArrayBuffer, name: string): TripFile {
    return tooLarge(bytes) ?? readTripFile(decodeText(new Uint8Array(bytes)), name);
  },
  trace(bytes: ArrayBuffer, kind: TraceKind): TraceRead {
    return tooLarge(bytes) ?? readTraceCsv(decodeText(new Uint8Array(bytes)), kind);
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
