import type { Build, Edit } from '@/core/build';
import type { JournalEntry, RopewayDatabase, Snapshot, StoredBuild } from './database';

const editing = () => import('./editing');

/** The build was deleted or never was here: no trouble with the storage. */
export class BuildGone extends Error {
  override readonly name = 'BuildGone';
  readonly remedy = 'Bring it back on the page of all builds, or export it now: it is still in this tab.';
  constructor() {
    super('This build was deleted in this browser.');
  }
}

/** Revision of a build that was just created. */
export const FIRST_REVISION = 1;
/** Edits that change much at a press: what was there before is kept by itself. */
const BIG: ReadonlySet<Edit['edit']> = new Set<Edit['edit']>([
  'importParts',
  'importCables',
  'restore',
  'mergeRecords',
  'fitCables',
  'setOwnTrip',
]);
/** After so long a time of work a moment is kept by itself, and so many of these are. */
const EVERY_MS = 3_600_000;
const MOST_AUTO = 12;

/** How long a deleted build can be brought back. */
const KEPT_DAYS = 30;

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

  /** Builds, newest first; deleted ones apart. Those deleted a month ago go for good. */
  async list(): Promise<{ builds: StoredBuild[]; deleted: StoredBuild[] }> {
    const all = (await this.database.builds.orderBy('changedAt').toArray()).reverse();
    const oldest = new Date(Date.parse(this.now()) - KEPT_DAYS * 86_400_000).toISOString();
    for (const stored of all) if (stored.deletedAt && stored.deletedAt < oldest) await this.purge(stored.id);
    return {
      builds: all.filter((stored) => !stored.deletedAt),
      deleted: all.filter((stored) => stored.deletedAt && stored.deletedAt >= oldest),
    };
  }

  /** Deletes so that it can be brought back. */
  async remove(id: string): Promise<void> {
    await this.database.builds.update(id, { deletedAt: this.now() });
  }

  async bringBack(id: string): Promise<void> {
    await this.database.builds
      .where('id')
      .equals(id)
      .modify((stored: { deletedAt?: string }) => {
        delete stored.deletedAt;
      });
  }

  /** For good, with journal and snapshots. */
  async purge(id: string): Promise<void> {
    const { builds, journal, snapshots } = this.database;
    await this.database.transaction('rw', builds, journal, snapshots, async () => {
      await builds.delete(id);
      await journal.where('buildId').equals(id).delete();
      await snapshots.where('buildId').equals(id).delete();
    });
  }

  /**
   * Takes in a build from a file. Under its own id when that is free, else as a copy under `otherId`: what is here, deleted or not, keeps
   * its id, its history and its snapshots.
   */
  async takeIn(document: Build, otherId: string): Promise<{ id: string; copy: boolean }> {
    const { builds } = this.database;
    return this.database.transaction('rw', builds, async () => {
      const copy = (await builds.get(document.id)) !== undefined;
      await this.create(copy ? { ...document, id: otherId } : document);
      return { id: copy ? otherId : document.id, copy };
    });
  }

  /** The build that is here under an id; null: none, or deleted. */
  async here(id: string): Promise<StoredBuild | null> {
    const stored = await this.database.builds.get(id);
    return stored && !stored.deletedAt ? stored : null;
  }

  /** Every build that is not deleted, with what was kept of it. */
  async collect(): Promise<{ document: Build; snapshots: Snapshot[] }[]> {
    const { builds, snapshots } = this.database;
    return this.database.transaction('r', builds, snapshots, async () => {
      const all = (await builds.orderBy('changedAt').toArray()).filter((stored) => !stored.deletedAt);
      return Promise.all(
        all.map(async ({ id, document }) => ({
          document,
          snapshots: await snapshots.where('buildId').equals(id).toArray(),
        })),
      );
    });
  }

  /** Takes in several builds with their snapshots, all or none; those whose id is taken become copies. */
  async takeInAll(
    all: readonly { readonly document: Build; readonly snapshots: readonly Omit<Snapshot, 'number' | 'buildId'>[] }[],
    otherId: () => string,
  ): Promise<{ taken: number; copies: number }> {
    const { builds, snapshots } = this.database;
    return this.database.transaction('rw', builds, snapshots, async () => {
      let copies = 0;
      for (const { document, snapshots: kept } of all) {
        const { id, copy } = await this.takeIn(document, otherId());
        if (copy) copies++;
        await snapshots.bulkAdd(
          kept.map(({ name, takenAt, document: then, auto }) => ({
            buildId: id,
            name,
            takenAt,
            document: { ...then, id },
            ...(auto ? { auto } : {}),
          })) as Snapshot[],
        );
      }
      return { taken: all.length, copies };
    });
  }

  /** A second build with the same content. */
  async duplicate(id: string, newId: string): Promise<void> {
    const stored = await this.database.builds.get(id);
    if (!stored || stored.deletedAt) throw new BuildGone();
    await this.create({ ...stored.document, id: newId, name: `${stored.name.slice(0, 112)} (copy)` });
  }

  async snapshots(buildId: string): Promise<Snapshot[]> {
    return (await this.database.snapshots.where('buildId').equals(buildId).toArray()).reverse();
  }

  /** Keeps the stored document as it is now. */
  async keepSnapshot(buildId: string, name: string): Promise<void> {
    await this.database.transaction('rw', this.database.builds, this.database.snapshots, async () => {
      const stored = await this.database.builds.get(buildId);
      if (!stored || stored.deletedAt) throw new BuildGone();
      const { document } = stored;
      await this.database.snapshots.add({ buildId, name, takenAt: this.now(), document } as Snapshot);
    });
  }

  async dropSnapshot(number: number): Promise<void> {
    await this.database.snapshots.delete(number);
  }

  async create(document: Build): Promise<void> {
    await this.database.builds.add({
      id: document.id,
      name: document.name,
      changedAt: this.now(),
      revision: FIRST_REVISION,
      applied: 0,
      document,
    });
  }

  async load(id: string): Promise<Loaded | null> {
    return this.database.transaction('r', this.database.builds, this.database.journal, async () => {
      const stored = await this.database.builds.get(id);
      return stored && !stored.deletedAt ? this.withTitles(stored) : null;
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

  /** Keeps what is about to be changed: once an hour of work, and before every big edit. Inside the transaction of the change. */
  private async keepByItself({ id, document, keptAt }: StoredBuild, { edit }: Edit, title: string): Promise<boolean> {
    const { snapshots } = this.database;
    if (!this.isNewHour(keptAt) && !BIG.has(edit)) return false;
    const own = (await snapshots.where('buildId').equals(id).toArray()).filter(({ auto }) => auto);
    const name = BIG.has(edit) ? `Before: ${title}`.slice(0, 120) : 'By itself, hourly';
    await snapshots.add({ buildId: id, name, takenAt: this.now(), document, auto: true } as Snapshot);
    for (const { number } of own.slice(0, Math.max(0, own.length + 1 - MOST_AUTO))) await snapshots.delete(number);
    return true;
  }

  private isNewHour(keptAt: string | undefined): boolean {
    return keptAt === undefined || Date.parse(this.now()) - Date.parse(keptAt) >= EVERY_MS;
  }

  private change(
    id: string,
    make: (stored: StoredBuild) => Promise<{ document: Build; applied: number; kept?: boolean }>,
  ): Promise<Loaded> {
    const { builds, journal, snapshots } = this.database;
    return this.database.transaction('rw', builds, journal, snapshots, async () => {
      const stored = await this.database.builds.get(id);
      if (!stored || stored.deletedAt) throw new BuildGone();
      const { document, applied, kept } = await make(stored);
      const keptAt = kept ? this.now() : stored.keptAt;
      const hours = (stored.unexportedH ?? 0) + (kept && this.isNewHour(stored.keptAt) ? 1 : 0);
      const next: StoredBuild = {
        id,
        name: document.name,
        changedAt: this.now(),
        revision: stored.revision + 1,
        applied,
        document,
        ...(keptAt === undefined ? {} : { keptAt }),
        ...(hours === 0 ? {} : { unexportedH: hours }),
      };
      await this.database.builds.put(next);
      return this.withTitles(next);
    });
  }

  /** It was written to a file: the hours of work that are only here begin anew. */
  async exported(id: string): Promise<void> {
    await this.database.builds.update(id, { unexportedH: 0 });
  }

  /** Applies an edit to the newest stored document, also when another tab has changed it meanwhile. Throws EditRefused when it no longer fits. */
  async edit(id: string, edit: Edit): Promise<Loaded> {
    // Before the transaction begins: it would not outlive a wait for anything but the database.
    const { applyEdit } = await editing();
    return this.change(id, async (stored) => {
      const { build, patches, inverse, title } = applyEdit(stored.document, edit);
      const number = stored.applied + 1;
      const kept = await this.keepByItself(stored, edit, title);
      await this.database.journal
        .where('[buildId+number]')
        .between([id, number], [id, Number.MAX_SAFE_INTEGER], true, true)
        .delete();
      const entry: JournalEntry = { buildId: id, number, title, patches, inverse };
      await this.database.journal.put(entry);
      return { document: build, applied: number, kept };
    });
  }

  async undo(id: string): Promise<Loaded> {
    const { patchBuild } = await editing();
    return this.change(id, async (stored) => {
      const entry = await this.database.journal.get([id, stored.applied]);
      if (!entry) return { document: stored.document, applied: stored.applied };
      return { document: patchBuild(stored.document, entry.inverse), applied: stored.applied - 1 };
    });
  }

  async redo(id: string): Promise<Loaded> {
    const { patchBuild } = await editing();
    return this.change(id, async (stored) => {
      const entry = await this.database.journal.get([id, stored.applied + 1]);
      if (!entry) return { document: stored.document, applied: stored.applied };
      return { document: patchBuild(stored.document, entry.patches), applied: stored.applied + 1 };
    });
  }
}
