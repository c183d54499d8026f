'use client';
import { liveQuery, type Subscription } from 'dexie';
import { create } from 'zustand';
import { type Assessment, assess } from '@/core/assess';
import { applyEdit, type Build, type Edit, EditRefused } from '@/core/build';
import { RopewayDatabase } from './database';
import { type Loaded, Repository } from './repository';

/** What the interface looks at: one open build, its assessment, and how far it is saved. */
export interface Bench {
  readonly status: 'idle' | 'loading' | 'missing' | 'open';
  readonly build: Build | null;
  readonly assessment: Assessment | null;
  readonly undo: string | null;
  readonly redo: string | null;
  readonly saving: 'saved' | 'saving' | 'failed';
  /** Last refusal or storage trouble, in words; cleared by the next success. */
  readonly trouble: { readonly reason: string; readonly remedy: string } | null;
  open(id: string): void;
  dispatch(edit: Edit): boolean;
  stepBack(): void;
  stepForward(): void;
  dismiss(): void;
}

let database: RopewayDatabase | null = null;
export const repository = (): Repository => {
  database ??= new RopewayDatabase();
  return new Repository(database, () => new Date().toISOString());
};

export const freshId = (): string => `r${crypto.randomUUID().replaceAll('-', '').slice(0, 15)}`;

let revision = 0;
let pending = 0;
let queue: Promise<unknown> = Promise.resolve();
let following: Subscription | null = null;

const storageTrouble = (error: unknown) => ({
  reason: `The browser could not save: ${(error as Error).message ?? 'unknown'}`.slice(0, 200),
  remedy: 'Your work is still here. Free some space or leave private mode, then try again.',
});

export const useBench = create<Bench>()((set, get) => {
  const show = ({ stored, undo, redo }: Loaded) => {
    if (stored.revision < revision) return;
    revision = stored.revision;
    const same = get().build === stored.document;
    set({
      status: 'open',
      build: stored.document,
      undo,
      redo,
      ...(same ? {} : { assessment: assess(stored.document) }),
    });
  };

  /** One write after the other; what is shown follows the last one. */
  const enqueue = (write: (id: string) => Promise<Loaded>) => {
    const id = get().build?.id;
    if (!id) return;
    pending++;
    set({ saving: 'saving' });
    queue = queue.then(async () => {
      try {
        const loaded = await write(id);
        pending--;
        if (pending === 0) show(loaded);
        else revision = Math.max(revision, loaded.stored.revision);
        set({ saving: pending === 0 ? 'saved' : 'saving', trouble: null });
      } catch (error) {
        pending--;
        const refused = error instanceof EditRefused;
        set({
          saving: refused ? 'saved' : 'failed',
          trouble: refused ? { reason: error.message, remedy: error.remedy } : storageTrouble(error),
        });
        const newest = await repository()
          .load(id)
          .catch(() => null);
        if (refused && newest) {
          revision = 0;
          show(newest);
        }
      }
    });
  };

  return {
    status: 'idle',
    build: null,
    assessment: null,
    undo: null,
    redo: null,
    saving: 'saved',
    trouble: null,

    open(id) {
      if (get().build?.id === id) return;
      following?.unsubscribe();
      revision = 0;
      set({ status: 'loading', build: null, assessment: null, undo: null, redo: null, trouble: null });
      following = liveQuery(() => repository().load(id)).subscribe({
        next: (loaded) => {
          if (!loaded) set({ status: 'missing' });
          else if (pending === 0 && loaded.stored.revision > revision) show(loaded);
        },
        error: (error) => set({ status: 'missing', trouble: storageTrouble(error) }),
      });
    },

    dispatch(edit) {
      const { build } = get();
      if (!build) return false;
      try {
        // Shown at once; the store then applies the same edit to the newest document.
        const edited = applyEdit(build, edit);
        set({ build: edited.build, assessment: assess(edited.build), undo: edited.title, redo: null, trouble: null });
      } catch (error) {
        if (!(error instanceof EditRefused)) throw error;
        set({ trouble: { reason: error.message, remedy: error.remedy } });
        return false;
      }
      enqueue((id) => repository().edit(id, edit));
      return true;
    },

    stepBack() {
      if (get().undo) enqueue((id) => repository().undo(id));
    },

    stepForward() {
      if (get().redo) enqueue((id) => repository().redo(id));
    },

    dismiss() {
      set({ trouble: null });
    },
  };
});
