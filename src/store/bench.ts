'use client';
import { liveQuery, type Subscription } from 'dexie';
import { create } from 'zustand';
import type { Assessment } from '@/core/assess';
import { applyEdit, type Build, type Edit, EditRefused } from '@/core/build';
import type { RunId, Runs } from '@/core/simulate';
import { Memory } from '@/core/vehicle';
import { breakOffRun, makeRunAside } from '@/workers/runs';
import { FIRST_REVISION, type Loaded } from './repository';
import { RunsAtHand } from './runs-at-hand';
import { Judge } from './slices';
import { freshId, repository, storageTrouble, type Trouble, tellUnsaved } from './tab';

export { freshId, repository, storageTrouble, type Trouble };

/** How a run stands: going, with the share that is done; broken off by hand until asked again; failed, in words. */
export type Running =
  | { readonly state: 'going'; readonly share: number }
  | { readonly state: 'stopped' }
  | { readonly state: 'failed'; readonly reason: string };

/** What the interface looks at: one open build, its assessment, and how far it is saved. */
export interface Bench {
  readonly status: 'idle' | 'loading' | 'missing' | 'open';
  readonly build: Build | null;
  readonly assessment: Assessment | null;
  /** Why the open build can’t be judged, in words; then there is no assessment. */
  readonly hurt: string | null;
  /** A later state of the build is being judged; what is shown is the last one that was. */
  readonly renewing: boolean;
  /** Hours of work since it was last exported. */
  readonly unexportedH: number;
  readonly undo: string | null;
  readonly redo: string | null;
  /** failed: the browser does not store; the work is in this tab's memory only. */
  readonly saving: 'saved' | 'saving' | 'failed';
  /** Runs that are under way, were broken off by hand or failed; absent: nothing to say of it. */
  readonly running: Readonly<Partial<Record<RunId, Running>>>;
  /** Last refusal or storage trouble, in words; cleared by the next success. */
  readonly trouble: Trouble | null;
  open(id: string): void;
  /** Opens a build that was stored a moment ago and is at hand: no need to read it back. */
  openFresh(build: Build): void;
  /** Works on a build that the browser would not store. */
  openInMemory(build: Build, error: unknown): void;
  dispatch(edit: Edit): boolean;
  stepBack(): void;
  stepForward(): void;
  /** Tries again to store what is only in memory. */
  retry(): void;
  dismiss(): void;
  /** Breaks a run off; what rests on it stays pending. */
  stopRun(id: RunId): void;
  /** Makes a run again that was broken off or failed. */
  startRun(id: RunId): void;
}

/** Something still to be written: an edit with what was shown before it, or a step along the journal. */
interface EditOp {
  readonly kind: 'edit';
  readonly edit: Edit;
  readonly title: string;
  readonly before: Build;
}
type Op = EditOp | { readonly kind: 'undo' } | { readonly kind: 'redo' };

/** Why an edit was not made. */
const refusalOf = (error: unknown): Trouble =>
  error instanceof EditRefused
    ? { reason: error.message, remedy: error.remedy }
    : {
        reason: `With this nothing could be judged (${error instanceof Error ? error.message : String(error)}).`,
        remedy: 'Nothing was changed. Type another value; undo is not needed.',
      };

let revision = 0;
let stored = true;
let flushing = false;
let waiting: Op[] = [];
/** Edits that were stepped back over before they were stored: the journal does not know them. */
let undone: Pick<EditOp, 'edit' | 'title'>[] = [];
let following: Subscription | null = null;

const runs = new RunsAtHand();
/** For whoever works beside the bench: once none is being made. Each is held against its key before it serves. */
export const runsSoon = (): Promise<Runs> => runs.soon();
/** What each run was last asked for. */
const asked: Partial<Record<RunId, string>> = {};
const judge = new Judge();
/** What is being judged in slices, with the edits that led to it and are put in line once it is. */
let coming: { readonly build: Build; readonly edits: readonly EditOp[]; readonly shown: Partial<Bench> } | null = null;
/** What the bench remembers of the build at hand; what is tried on it remembers aside. */
const memory = new Memory();

export const useBench = create<Bench>()((set, get) => {
  const ask = (assessment: Assessment): Assessment => {
    for (const [id, key] of Object.entries(assessment.due) as [RunId, string][]) makeAside(id, assessment.build, key);
    return assessment;
  };
  const judged = (build: Build): Assessment => ask(judge.now(build, { memory, runs: runs.made }));

  /** A build that can’t be judged opens all the same: its text, its history and its snapshots are there. */
  const hurtBy = (error: unknown) => ({
    assessment: null,
    hurt: error instanceof Error ? error.message : String(error),
  });

  const settle = (): Pick<Bench, 'renewing'> => {
    judge.breakOff();
    coming = null;
    return { renewing: false };
  };

  /** Shows a build with its assessment: at once where that is quick, else when it was judged; what it rests on goes on being shown until then. */
  const present = (build: Build, shown: Partial<Bench>, edits: readonly EditOp[] = [], nobodyWaits = false): void => {
    const other = get().build?.id !== build.id;
    // The first judgement is the longest: nothing is remembered yet. Nobody waits for what a run brings.
    if (edits.length === 0 && !other && !nobodyWaits && !judge.isLong(build)) {
      let looked: Pick<Bench, 'assessment' | 'hurt'>;
      try {
        looked = { assessment: judged(build), hurt: null };
      } catch (error) {
        looked = hurtBy(error);
      }
      set({ ...settle(), ...shown, build, ...looked });
      return;
    }
    coming = { build, edits, shown };
    set({ renewing: true, ...(other ? { status: 'loading', build: null, assessment: null, hurt: null } : {}) });
    const finish = (looked: Pick<Bench, 'assessment' | 'hurt'>) => {
      waiting.push(...edits);
      set({ ...settle(), ...shown, build, ...looked });
      if (edits.length > 0) void flush();
    };
    judge.inSlices(
      build,
      { memory, runs: runs.made },
      (assessment) => finish({ assessment: ask(assessment), hurt: null }),
      (error) => {
        const last = edits.at(-1);
        if (!last) finish(hurtBy(error));
        // Only what could be judged is put in line: the last edit is not made, those before it are judged without it.
        else {
          set({ trouble: refusalOf(error) });
          stepAside(last);
        }
      },
    );
  };

  /** What is being judged without its last edit. */
  const stepAside = (last: EditOp) => {
    set({ redo: undone.at(-1)?.title ?? null });
    const edits = coming?.edits.slice(0, -1) ?? [];
    const before = edits.at(-1);
    if (before) present(last.before, { undo: before.title, redo: undone.at(-1)?.title ?? null }, edits);
    else set({ ...settle(), ...(get().saving === 'saving' && !flushing ? { saving: 'saved' } : {}) });
  };

  const tell = (id: RunId, state: Running | null) => {
    const { [id]: _, ...others } = get()?.running ?? {};
    set({ running: state === null ? others : { ...others, [id]: state } });
  };

  /** Makes a run off the main thread; what comes back after another edit is not taken. */
  const makeAside = (id: RunId, build: Build, key: string) => {
    if (asked[id] === key) return;
    asked[id] = key;
    runs.begin(id);
    // Another question than the one that was broken off or failed.
    if (get()?.running[id] !== undefined) tell(id, null);
    const told = (share: number) => {
      if (asked[id] === key && get().running[id]?.state !== 'stopped') tell(id, { state: 'going', share });
    };
    const ended = () => asked[id] === key && runs.end(id);
    makeRunAside(id, build, told).then(
      (result) => {
        if (asked[id] === key) tell(id, null);
        if (result) runs.take(id, result);
        ended();
        // Where there are no workers, or it can't be made, the same question is not asked again.
        if (!result) return;
        const now = get().build;
        // What is being judged was begun without it.
        if (coming) present(coming.build, coming.shown, coming.edits);
        else if (now) present(now, {}, [], true);
      },
      (error: unknown) => {
        ended();
        if (asked[id] === key)
          tell(id, { state: 'failed', reason: error instanceof Error ? error.message : String(error) });
      },
    );
  };

  const show = (loaded: Loaded) => {
    if (loaded.stored.revision < revision) return;
    revision = loaded.stored.revision;
    const { document } = loaded.stored;
    const shown = {
      status: 'open',
      unexportedH: loaded.stored.unexportedH ?? 0,
      undo: loaded.undo,
      redo: undone.at(-1)?.title ?? loaded.redo,
    } as const;
    if (get().build === document) set(shown);
    else present(document, shown);
  };

  /** What was stored is what is shown. */
  const keep = ({ stored: { revision: now, unexportedH = 0 }, undo, redo }: Loaded) => {
    revision = now;
    set({ unexportedH, undo, redo: undone.at(-1)?.title ?? redo });
  };

  const follow = (id: string) => {
    following?.unsubscribe();
    following = liveQuery(() => repository().load(id)).subscribe({
      next: (loaded) => {
        if (waiting.length > 0 || flushing || (coming && coming.edits.length > 0)) return;
        if (!loaded) {
          if (stored && get().saving !== 'failed') set({ status: 'missing' });
        } else if (loaded.stored.revision > revision) show(loaded);
        else set({ unexportedH: loaded.stored.unexportedH ?? 0 });
      },
      error: (error) => {
        if (get().build === null) set({ status: 'missing', trouble: storageTrouble(error) });
      },
    });
  };

  const write = (id: string, op: Op): Promise<Loaded> => {
    if (op.kind === 'edit') return repository().edit(id, op.edit);
    return op.kind === 'undo' ? repository().undo(id) : repository().redo(id);
  };

  /** One write after the other. A refused edit is dropped in words; trouble with the storage keeps everything in line. */
  const flush = async () => {
    const id = get().build?.id;
    if (flushing || !id) return;
    flushing = true;
    // What is in line is written to its own build, also when another one is opened meanwhile; then nothing of it is shown any more.
    const line = waiting;
    const isHere = () => waiting === line;
    set({ saving: 'saving' });
    let last: Loaded | null = null;
    let refused: Trouble | null = null;
    // As long as nothing but our own edits was written on what is shown, that is what is stored: it need not be judged again.
    let ours = stored && revision > 0;
    let written = revision;
    try {
      if (!stored) {
        const first = line.find((op) => op.kind === 'edit');
        await repository().create(first?.kind === 'edit' ? first.before : get().build!);
        if (isHere()) {
          stored = true;
          follow(id);
        }
      }
      while (line.length > 0) {
        try {
          last = await write(id, line[0]!);
          written++;
          ours &&= line[0]?.kind === 'edit' && last.stored.revision === written;
        } catch (error) {
          if (!(error instanceof EditRefused)) throw error;
          refused = { reason: error.message, remedy: error.remedy };
          last = await repository().load(id);
          if (isHere()) revision = 0;
          ours = false;
        }
        line.shift();
      }
      if (isHere()) {
        // What is still being judged is not stored yet: leaving has to ask.
        set({ saving: coming && coming.edits.length > 0 ? 'saving' : 'saved', trouble: refused });
        if (last && ours) keep(last);
        else if (last) show(last);
      }
    } catch (error) {
      // A step along the journal that can't be read is no work that could be lost.
      line.splice(0, line.length, ...line.filter((op) => op.kind === 'edit'));
      if (isHere()) set({ saving: 'failed', trouble: storageTrouble(error) });
    } finally {
      flushing = false;
      if (!isHere() && waiting.length > 0) void flush();
    }
  };

  const enqueue = (op: Op) => {
    if (!get().build) return;
    waiting.push(op);
    void flush();
  };

  const begin = (): void => {
    // Edits that are still being judged were taken: they are stored, whatever comes of the judging.
    if (coming && coming.edits.length > 0 && stored && get().saving !== 'failed') {
      waiting.push(...coming.edits);
      void flush();
    }
    following?.unsubscribe();
    following = null;
    revision = 0;
    waiting = [];
    undone = [];
    stored = true;
    coming = null;
    judge.forget();
  };

  const opened = { status: 'open', undo: null, redo: null } as const;

  return {
    status: 'idle',
    build: null,
    assessment: null,
    hurt: null,
    renewing: false,
    unexportedH: 0,
    undo: null,
    redo: null,
    saving: 'saved',
    running: {},
    trouble: null,

    open(id) {
      if ((coming?.build ?? get().build)?.id === id) return;
      begin();
      set({
        status: 'loading',
        build: null,
        assessment: null,
        hurt: null,
        renewing: false,
        unexportedH: 0,
        undo: null,
        redo: null,
        saving: 'saved',
        trouble: null,
      });
      follow(id);
    },

    openFresh(build) {
      begin();
      revision = FIRST_REVISION;
      present(build, { ...opened, saving: 'saved', trouble: null });
      follow(build.id);
    },

    openInMemory(build, error) {
      begin();
      stored = false;
      present(build, { ...opened, saving: 'failed', trouble: storageTrouble(error) });
    },

    dispatch(edit) {
      const build = coming?.build ?? get().build;
      if (!build) return false;
      try {
        // Shown at once; the store then applies the same edit to the newest document. Only what could be judged is put in line.
        const edited = applyEdit(build, edit);
        const op: EditOp = { kind: 'edit', edit, title: edited.title, before: build };
        const shown = { undo: edited.title, redo: null } as const;
        if (coming || judge.isLong(edited.build)) {
          undone = [];
          set({ saving: get().saving === 'failed' ? 'failed' : 'saving' });
          present(edited.build, { ...coming?.shown, ...shown }, [...(coming?.edits ?? []), op]);
          return true;
        }
        const assessment = judged(edited.build);
        waiting.push(op);
        undone = [];
        set({ build: edited.build, assessment, hurt: null, ...shown });
      } catch (error) {
        set({ trouble: refusalOf(error) });
        return false;
      }
      void flush();
      return true;
    },

    stepBack() {
      const judging = coming?.edits.at(-1);
      const last = waiting.at(-1);
      if (judging) {
        undone.push(judging);
        stepAside(judging);
      } else if (get().saving === 'failed' && last?.kind === 'edit') {
        waiting.pop();
        undone.push(last);
        const before = waiting.at(-1);
        present(last.before, { undo: before?.kind === 'edit' ? before.title : null, redo: last.title });
      } else if (get().undo) {
        undone = [];
        enqueue({ kind: 'undo' });
      }
    },

    stepForward() {
      const next = undone.pop();
      if (next) {
        const rest = undone;
        get().dispatch(next.edit);
        undone = rest;
        set({ redo: rest.at(-1)?.title ?? null });
      } else if (get().redo) enqueue({ kind: 'redo' });
    },

    retry() {
      void flush();
    },

    dismiss() {
      set({ trouble: null });
    },

    stopRun(id) {
      breakOffRun(id);
      runs.end(id);
      tell(id, { state: 'stopped' });
    },

    startRun(id) {
      const { build } = get();
      delete asked[id];
      tell(id, null);
      if (build) present(coming?.build ?? build, coming?.shown ?? {}, coming?.edits);
    },
  };
});

useBench.subscribe(({ saving, build }) => tellUnsaved(saving === 'failed' && build ? { document: build } : null));

/** The build with all edits, also while the last ones are still being judged: what the next edit starts from. */
export const newestBuild = (): Build | null => coming?.build ?? useBench.getState().build;
