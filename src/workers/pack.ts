import { proxy, type Remote } from 'comlink';
import type { PageDefinition } from '@/core/handover';
import { askOnce } from './aside';
import type { PackWorker } from './pack.worker';

/** Runs one making in a worker of its own, off the main thread. */
const aside = <T>(make: (worker: Remote<PackWorker>) => Promise<T>): Promise<T> =>
  askOnce(new Worker(new URL('./pack.worker.ts', import.meta.url), { type: 'module' }), make, 'the page maker').answer;

/** Pages as a PDF; `progress` hears how far it is, 0–1. */
export const pdfOf = (definition: PageDefinition, progress: (share: number) => void): Promise<Uint8Array> =>
  aside<Uint8Array>((worker) => worker.pdf(definition, proxy(progress)) as Promise<Uint8Array>);

export const zipOf = (files: Readonly<Record<string, string | Uint8Array>>): Promise<Uint8Array> =>
  aside<Uint8Array>((worker) => worker.zip(files) as Promise<Uint8Array>);
