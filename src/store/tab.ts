import type { Build } from '@/core/build';
import { RopewayDatabase } from './database';
import { BuildGone, Repository } from './repository';

/** What every page of a tab needs of the storage, without the model: the first page is light. */
export interface Trouble {
  readonly reason: string;
  readonly remedy: string;
}

let database: RopewayDatabase | null = null;
export const repository = (): Repository => {
  database ??= new RopewayDatabase();
  return new Repository(database, () => new Date().toISOString());
};

/** Work that is in this tab’s memory only. */
export interface Unsaved {
  readonly document: Build;
}
let unsaved: Unsaved | null = null;
/** What would be lost if another build were opened; null: nothing. */
export const unsavedWork = (): Unsaved | null => unsaved;
export const tellUnsaved = (work: Unsaved | null): void => {
  unsaved = work;
};

/** Sixty random bits; made so that it works under an address of the local network too, where a browser has no `randomUUID`. */
export const freshId = (): string =>
  `r${[...crypto.getRandomValues(new Uint8Array(8))]
    .map((byte) => byte.toString(16).padStart(2, '0'))
    .join('')
    .slice(0, 15)}`;

/** What is wrong with the browser's storage, in words that tell what to do. */
export function storageTrouble(error: unknown): Trouble {
  const { name = '', message = 'unknown' } = (error ?? {}) as Error;
  const inner = (error as { inner?: Error } | null)?.inner?.name ?? '';
  if (error instanceof BuildGone) return { reason: error.message, remedy: error.remedy };
  if (`${name} ${inner} ${message}`.includes('QuotaExceeded'))
    return {
      reason: 'The browser’s storage is full: this work is in memory only.',
      remedy: 'Export the build file now, free some space, then try again.',
    };
  return {
    reason: `The browser does not store here (${`${name || 'error'}: ${message}`.slice(0, 120)}): this work is in memory only.`,
    remedy: 'Export the build file before you close this tab; leave private mode or allow storage, then try again.',
  };
}
