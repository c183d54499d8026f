import Dexie, { type EntityTable, type Table } from 'dexie';
import type { Build, Patch } from '@/core/build';

/** One build in this browser. `applied` counts the journal entries that are in the document; later ones can be redone. */
export interface StoredBuild {
  readonly id: string;
  readonly name: string;
  readonly changedAt: string;
  /** Rises with every change of the document, undo and redo included. */
  readonly revision: number;
  readonly applied: number;
  readonly document: Build;
  /** When a moment of it was last kept by the program. */
  readonly keptAt?: string;
  /** Hours in which it was worked on since it was last exported; absent: none. */
  readonly unexportedH?: number;
  /** Set when it was deleted; it can be brought back for a while. */
  readonly deletedAt?: string;
}

export interface JournalEntry {
  readonly buildId: string;
  /** 1, 2, 3 … within the build. */
  readonly number: number;
  readonly title: string;
  readonly patches: readonly Patch[];
  readonly inverse: readonly Patch[];
}

/** A build as it was at a moment that somebody wanted to keep. */
export interface Snapshot {
  readonly number: number;
  readonly buildId: string;
  readonly name: string;
  readonly takenAt: string;
  readonly document: Build;
  /** Kept by the program: the oldest of these make room for new ones. */
  readonly auto?: true;
}

export class RopewayDatabase extends Dexie {
  builds!: EntityTable<StoredBuild, 'id'>;
  journal!: Table<JournalEntry, [string, number]>;
  snapshots!: EntityTable<Snapshot, 'number'>;

  constructor(name = 'ropeway') {
    // Strict: a write counts when it is on the disk, not when the browser has taken note of it.
    super(name, { chromeTransactionDurability: 'strict' });
    this.version(1).stores({ builds: 'id, changedAt', journal: '[buildId+number], buildId' });
    this.version(2).stores({ snapshots: '++number, buildId' });
  }
}
