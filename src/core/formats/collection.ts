import type { Build } from '../build';

export const COLLECTION_FORMAT = 'ropeway-collection';

/** One build with the moments that were kept of it. */
export interface Collected {
  readonly document: Build;
  readonly snapshots: readonly {
    readonly name: string;
    readonly takenAt: string;
    readonly document: Build;
    readonly auto?: true;
  }[];
}

/** Every build of a browser in one file: to keep it safe, and to move from one address or machine to another. */
export const collectionText = (builds: readonly Collected[]): string =>
  `${JSON.stringify({ format: COLLECTION_FORMAT, version: 1, builds }, null, 1)}\n`;
