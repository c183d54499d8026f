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
}

export interface JournalEntry {
  readonly buildId: string;
  /** 1, 2, 3 … within the build. */
  readonly number: number;
  readonly title: string;
  readonly patches: readonly Patch[];
  readonly inverse: readonly Patch[];
}

export class RopewayDatabase extends Dexie {
  builds!: EntityTable<StoredBuild, 'id'>;
  journal!: Table<JournalEntry, [string, number]>;

  constructor(name = 'ropeway') {
    super(name);
    this.version(1).stores({ builds: 'id, changedAt', journal: '[buildId+number], buildId' });
  }
}
