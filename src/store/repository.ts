import { applyEdit, type Build, type Edit, patchBuild } from '@/core/build';
import type { JournalEntry, RopewayDatabase, StoredBuild } from './database';

export interface Loaded {
  readonly stored: StoredBuild;
  readonly undo: string | null;
  readonly redo: string | null;
}

/** Everything that is written goes through one transaction each: a document and its journal never disagree. */
export class Repository {
  constructor(
    private readonly database: RopewayDatabase,
    private readonly now: () => string,
  ) {}

  async list(): Promise<StoredBuild[]> {
    return (await this.database.builds.orderBy('changedAt').toArray()).reverse();
  }

  async create(document: Build): Promise<void> {
    await this.database.builds.add({
      id: document.id,
      name: document.name,
      changedAt: this.now(),
      revision: 1,
      applied: 0,
      document,
    });
  }

  async load(id: string): Promise<Loaded | null> {
    return this.database.transaction('r', this.database.builds, this.database.journal, async () => {
      const stored = await this.database.builds.get(id);
      return stored ? this.withTitles(stored) : null;
    });
  }

  private async withTitles(stored: StoredBuild): Promise<Loaded> {
    const title = async (number: number) => (await this.database.journal.get([stored.id, number]))?.title ?? null;
    return {
      stored,
      undo: stored.applied > 0 ? await title(stored.applied) : null,
      redo: await title(stored.applied + 1),
    };
  }

  private change(
    id: string,
    make: (stored: StoredBuild) => Promise<{ document: Build; applied: number }>,
  ): Promise<Loaded> {
    return this.database.transaction('rw', this.database.builds, this.database.journal, async () => {
      const stored = await this.database.builds.get(id);
      if (!stored) throw new Error('This build is no longer in the browser.');
      const { document, applied } = await make(stored);
      const next: StoredBuild = {
        id,
        name: document.name,
        changedAt: this.now(),
        revision: stored.revision + 1,
        applied,
        document,
      };
      await this.database.builds.put(next);
      return this.withTitles(next);
    });
  }

  /** Applies an edit to the newest stored document, also when another tab has changed it meanwhile. Throws EditRefused when it no longer fits. */
  edit(id: string, edit: Edit): Promise<Loaded> {
    return this.change(id, async (stored) => {
      const { build, patches, inverse, title } = applyEdit(stored.document, edit);
      const number = stored.applied + 1;
      await this.database.journal
        .where('[buildId+number]')
        .between([id, number], [id, Number.MAX_SAFE_INTEGER], true, true)
        .delete();
      const entry: JournalEntry = { buildId: id, number, title, patches, inverse };
      await this.database.journal.put(entry);
      return { document: build, applied: number };
    });
  }

  undo(id: string): Promise<Loaded> {
    return this.change(id, async (stored) => {
      const entry = await this.database.journal.get([id, stored.applied]);
      if (!entry) return { document: stored.document, applied: stored.applied };
      return { document: patchBuild(stored.document, entry.inverse), applied: stored.applied - 1 };
    });
  }

  redo(id: string): Promise<Loaded> {
    return this.change(id, async (stored) => {
      const entry = await this.database.journal.get([id, stored.applied + 1]);
      if (!entry) return { document: stored.document, applied: stored.applied };
      return { document: patchBuild(stored.document, entry.patches), applied: stored.applied + 1 };
    });
  }
}
