import type { Remote } from 'comlink';
import type { Build, TraceKind } from '@/core/build';
import type { ImportPreview, PartsPreview, ReadModules, TraceRead, TripFile } from '@/core/formats';
import type { TestsRead } from '@/core/handover/tests-csv';
import { askOnce } from './aside';
import type { FilesWorker, ReadAll, ReadBmsConfig, ReadBuild, ReadParts } from './files.worker';

let started: Worker | null = null;

/** Starts the reader ahead of the file: while a person looks for it, or drags it here. */
export function warmReader(): void {
  if (started) return;
  const worker = new Worker(new URL('./files.worker.ts', import.meta.url), { type: 'module' });
  // One that dies before it is asked reads nothing: the next file gets a fresh one.
  worker.onerror = () => {
    if (started === worker) started = null;
  };
  started = worker;
}

/** Runs one reading in a worker of its own, off the main thread; a hostile file can at worst stop that worker. */
function aside<T>(read: (worker: Remote<FilesWorker>) => Promise<T>): Promise<T> {
  warmReader();
  const worker = started!;
  started = null;
  return askOnce(worker, read, 'the reader').answer;
}

export const readBuildFile = async (file: Blob) => {
  const bytes = await file.arrayBuffer();
  return aside<ReadBuild | ReadAll>((worker) => worker.build(bytes) as Promise<ReadBuild | ReadAll>);
};
export const readCablesFile = async (file: Blob, build: Build) => {
  const bytes = await file.arrayBuffer();
  return aside<ImportPreview>((worker) => worker.cables(bytes, build) as Promise<ImportPreview>);
};
export const readPartsFile = async (file: Blob, build: Build) => {
  const bytes = await file.arrayBuffer();
  return aside<PartsPreview>((worker) => worker.parts(bytes, build) as Promise<PartsPreview>);
};
export const readBmsFile = async (file: Blob) => {
  const bytes = await file.arrayBuffer();
  return aside<ReadBmsConfig>((worker) => worker.bms(bytes) as Promise<ReadBmsConfig>);
};
export const readModulesFile = async (file: Blob) => {
  const bytes = await file.arrayBuffer();
  return aside<ReadModules>((worker) => worker.modules(bytes) as Promise<ReadModules>);
};
export const readTestsFile = async (file: Blob) => {
  const bytes = await file.arrayBuffer();
  return aside<TestsRead>((worker) => worker.tests(bytes) as Promise<TestsRead>);
};
export const checkPart = (data: unknown) => aside<ReadParts>((worker) => worker.part(data) as Promise<ReadParts>);

export const readTrace = async (file: Blob, kind: TraceKind) => {
  const bytes = await file.arrayBuffer();
  return aside<TraceRead>((worker) => worker.trace(bytes, kind) as Promise<TraceRead>);
};

const LARGEST_TRIP_BYTES = 20_000_000;
/** A trip as GPX or CSV; a file that is far too large is refused before it is read. */
export const readTrip = async (file: File): Promise<TripFile> => {
  if (file.size > LARGEST_TRIP_BYTES)
    return {
      ok: false,
      errors: [
        {
          path: '(file)',
          reason: `is ${(file.size / 1e6).toFixed(0)} MB; 20 MB are the most.`,
          remedy: 'A day’s track is a few megabytes: cut out the trip that you mean.',
        },
      ],
    };
  const bytes = await file.arrayBuffer();
  return aside<TripFile>((worker) => worker.trip(bytes, file.name) as Promise<TripFile>);
};
