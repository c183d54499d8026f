'use client';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { type DragEvent, useCallback, useEffect, useState } from 'react';
import type { Build, Problem } from '@/core/build';
import { SAMPLE_CARDS, type SampleCard } from '@/core/build/samples/cards';
import { collectionText } from '@/core/formats/collection';
import type { StoredBuild } from '@/store/database';
import { freshId, repository, storageTrouble, tellUnsaved, type Unsaved, unsavedWork } from '@/store/tab';
import { Action, download, FileAction } from '@/ui/action';
import { Caution } from '@/ui/panel';
import { Problems } from '@/ui/problems';
import { readBuildFile, warmReader } from '@/workers/files';
import { restoreTheme, switchTheme } from '../shell/theme';
import type { Again } from './again-question';
import { BuildRow, DeletedBuilds } from './build-rows';
import { FirstSteps } from './first-steps';
import { NewBuild } from './new-build';
import { StorageState } from './storage-state';
import { UnsavedQuestion } from './unsaved-question';

const TakeOver = dynamic(() => import('./take-over'), { ssr: false });
const AgainQuestion = dynamic(() => import('./again-question').then((page) => page.AgainQuestion), { ssr: false });

/** A file that was read, and the build of the same id that is here. */
interface Asked {
  readonly file: string;
  readonly here: StoredBuild;
  readonly read: Build;
}

interface Refusal {
  readonly title: string;
  readonly problems: readonly Problem[];
}

/** The builds of this browser, the samples, files, and a new build. */
export function Home() {
  const router = useRouter();
  const [lists, setLists] = useState<{ builds: readonly StoredBuild[]; deleted: readonly StoredBuild[] } | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [gone, setGone] = useState<StoredBuild | null>(null);
  const [dragging, setDragging] = useState(false);
  const [taken, setTaken] = useState<string | null>(null);
  const [again, setAgain] = useState<Asked | null>(null);
  /** What was asked for while work of this tab is stored nowhere: it would be dropped. */
  const [held, setHeld] = useState<{ readonly go: () => void; readonly work: Unsaved } | null>(null);
  /** Goes on at once, or after a question. */
  const leaving = (go: () => void) => {
    const work = unsavedWork();
    if (work) setHeld({ go, work });
    else go();
  };

  const refresh = useCallback(() => {
    repository()
      .list()
      .then(setLists, (error: unknown) => {
        setLists({ builds: [], deleted: [] });
        const { reason } = storageTrouble(error);
        setTrouble(`${reason} What you open now works, and can be exported; it is gone when the tab closes.`);
      });
  }, []);
  useEffect(() => {
    restoreTheme();
    refresh();
    window.addEventListener('focus', refresh);
    return () => window.removeEventListener('focus', refresh);
  }, [refresh]);

  /** Opens a build that was just made; when the browser does not store it, in memory. */
  const openFresh = async (make: () => Promise<Build>, build: Build, path: string) => {
    let opened = build;
    // The model comes with the first build that is opened, not with the list of builds.
    const { useBench } = await import('@/store/bench');
    try {
      opened = await make();
      useBench.getState().openFresh(opened);
      void navigator.storage?.persist?.();
    } catch (error) {
      useBench.getState().openInMemory(build, error);
    }
    router.push(`${path}?build=${opened.id}`);
  };
  const start = async (make: (id: string) => Build | Promise<Build>, path: string) => {
    const build = await make(freshId());
    return openFresh(
      async () => {
        await repository().create(build);
        return build;
      },
      build,
      path,
    );
  };

  const openCopy = (build: Build) =>
    openFresh(
      async () => {
        const { id } = await repository().takeIn(build, freshId());
        return { ...build, id };
      },
      build,
      '/hv-circuit',
    );

  /** The file’s build is here already: what was decided about it. */
  const onAgain = async (answer: Again, { file, here, read }: Asked) => {
    setAgain(null);
    try {
      if (answer === 'copy') return await openCopy(read);
      const input = { document: read, from: file };
      if (answer === 'replace') await repository().edit(here.id, { edit: 'restore', input });
      if (answer === 'merge') await repository().edit(here.id, { edit: 'mergeRecords', input });
      router.push(`/hv-circuit?build=${here.id}`);
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : 'It could not be taken in. Nothing was changed.');
    }
  };

  const onFile = async (file: File) => {
    setRefusal(null);
    const title = `${file.name.slice(0, 80)} was not opened. Nothing was changed.`;
    try {
      const read = await readBuildFile(file);
      if (!read.ok) {
        setRefusal({ title, problems: read.errors });
        return;
      }
      if ('all' in read) {
        const { taken, copies } = await repository().takeInAll(read.builds, freshId);
        setTaken(
          `Took in ${taken} build${taken === 1 ? '' : 's'}${copies > 0 ? `, ${copies} as a copy beside what is here` : ''}.`,
        );
        if (read.left.length > 0) setRefusal({ title: 'Some of it could not be read.', problems: read.left });
        refresh();
        return;
      }
      const here = await repository()
        .here(read.build.id)
        .catch(() => null);
      if (here) setAgain({ file: file.name.slice(0, 80), here, read: read.build });
      else await openCopy(read.build);
    } catch (error) {
      setRefusal({
        title,
        problems: [
          {
            path: '(file)',
            reason: `could not be read: ${(error as Error).message.slice(0, 120)}.`,
            remedy: 'Choose an intact copy.',
          },
        ],
      });
    }
  };
  /** What will be needed for a file, made ready while it is looked for. */
  const expectFile = () => {
    warmReader();
    router.prefetch('/hv-circuit');
    // A solver that has run once runs faster.
    void Promise.all([import('@/core/assess'), import('@/core/build/samples')]).then(([{ assess }, { firn9 }]) =>
      assess(firn9('warm')),
    );
  };
  /** A sample is made, and its page readied, while the hand is on its button. */
  const expectSample = () => {
    void import('@/core/build/samples');
    void import('@/store/bench');
    router.prefetch('/hv-circuit');
  };
  const sampleOf = async (key: SampleCard['key'], id: string): Promise<Build> => {
    const { SAMPLES } = await import('@/core/build/samples');
    return SAMPLES.find((sample) => sample.key === key)!.make(id);
  };
  const onDrop = (event: DragEvent) => {
    event.preventDefault();
    setDragging(false);
    const file = event.dataTransfer.files[0];
    if (file) leaving(() => void onFile(file));
  };

  /** Everything of this browser in one file, snapshots included: to keep it safe, or to take it to another address or machine. */
  const exportAll = async () => {
    try {
      const all = await repository().collect();
      download(collectionText(all), `ropeway-all-${new Date().toISOString().slice(0, 10)}.json`, 'application/json');
      await Promise.all(all.map(({ document }) => repository().exported(document.id)));
      refresh();
    } catch (error) {
      const { reason, remedy } = storageTrouble(error);
      setTrouble(`${reason} ${remedy}`);
    }
  };

  const remove = async (stored: StoredBuild) => {
    await repository().remove(stored.id);
    setGone(stored);
    refresh();
  };
  const bringBack = async (id: string) => {
    await repository().bringBack(id);
    setGone(null);
    refresh();
  };

  return (
    <main
      onDragOver={(event) => {
        event.preventDefault();
        if (!dragging) expectFile();
        setDragging(true);
      }}
      onDragLeave={(event) => event.currentTarget === event.target && setDragging(false)}
      onDrop={onDrop}
      className={`min-h-dvh ${dragging ? 'outline-[3px] -outline-offset-8 outline-dashed outline-pick' : ''}`}
    >
      <div className="mx-auto max-w-[980px] px-6 py-8">
        <header className="flex flex-wrap items-baseline gap-x-4 gap-y-2 border-b border-rule pb-4">
          <h1 className="font-tight text-headline font-semibold leading-none">Ropeway</h1>
          <p className="text-soft">Design bench for electric conversions: one build, one live electrical model.</p>
          <span className="ml-auto flex gap-2">
            <Link href="/sums" prefetch={false} className="rounded-[3px] border border-rule px-3 py-1.5 font-tight">
              Quick sums
            </Link>
            <Action onPress={switchTheme}>Light or dark</Action>
          </span>
        </header>
        {trouble && (
          <p role="alert" className="mt-4 border-l-[3px] border-fails bg-panel p-3">
            {trouble}
          </p>
        )}
        {refusal && (
          <div className="mt-4">
            <Problems {...refusal} />
          </div>
        )}
        {taken && (
          <p role="status" className="mt-4 border-l-[3px] border-ink bg-panel p-3">
            {taken}
          </p>
        )}
        {again && (
          <AgainQuestion {...again} onAnswer={(answer) => void onAgain(answer, again)} onStay={() => setAgain(null)} />
        )}
        {held && (
          <UnsavedQuestion
            work={held.work}
            onStay={() => setHeld(null)}
            onGo={() => {
              tellUnsaved(null);
              setHeld(null);
              held.go();
            }}
          />
        )}
        {gone && (
          <p role="status" className="mt-4 flex items-center gap-3 border-l-[3px] border-ink bg-panel p-3">
            <span className="min-w-0 truncate">Deleted {gone.name}, with its undo history and snapshots.</span>
            <Action onPress={() => void bringBack(gone.id)}>Undo</Action>
          </p>
        )}
        <div className="mt-6 grid gap-6 md:grid-cols-[1.2fr_1fr]">
          <section aria-labelledby="builds">
            <div className="mb-2 flex items-baseline gap-3">
              <h2 id="builds" className="font-tight text-title font-semibold">
                Builds in this browser
              </h2>
              <span className="ml-auto">
                <FileAction
                  accept=".json,application/json"
                  label="Build file"
                  onAsk={expectFile}
                  onFile={(file) => leaving(() => void onFile(file))}
                >
                  Open a build file
                </FileAction>
              </span>
            </div>
            {lists === null && <p className="text-soft">Looking …</p>}
            {lists?.builds.length === 0 && <FirstSteps />}
            <ul>
              {lists?.builds.map((stored) => (
                <BuildRow
                  key={stored.id}
                  stored={stored}
                  onChanged={refresh}
                  onDelete={() => void remove(stored)}
                  onOpen={(event, href) => {
                    if (!unsavedWork()) return;
                    event.preventDefault();
                    leaving(() => router.push(href));
                  }}
                />
              ))}
            </ul>
            <p className="mt-3 flex flex-wrap items-center gap-x-3 text-small text-soft">
              A build file can also be dropped anywhere on this page.
              {(lists?.builds.length ?? 0) > 0 && (
                <Action look="quiet" onPress={() => void exportAll()}>
                  Export all builds
                </Action>
              )}
            </p>
            {lists && <StorageState empty={lists.builds.length === 0} />}
            <DeletedBuilds
              deleted={lists?.deleted ?? []}
              onBringBack={(id) => void bringBack(id)}
              onPurge={async (id) => {
                await repository().purge(id);
                if (gone?.id === id) setGone(null);
                refresh();
              }}
            />
          </section>
          <div className="space-y-6">
            <section aria-labelledby="samples">
              <h2 id="samples" className="mb-2 font-tight text-title font-semibold">
                Samples
              </h2>
              <div className="space-y-2">
                {SAMPLE_CARDS.map((sample, i) => (
                  <div key={sample.key} className="rounded-[3px] border border-rule bg-panel px-4 py-3">
                    <div className="flex items-center justify-between gap-3">
                      <p className="text-lead font-semibold">{sample.name}</p>
                      <Action
                        look={i === 0 ? 'strong' : 'outline'}
                        onAsk={expectSample}
                        onPress={() => leaving(() => void start((id) => sampleOf(sample.key, id), '/hv-circuit'))}
                      >
                        Open {sample.name}
                      </Action>
                    </div>
                    <p className="mt-1 text-small text-soft">{sample.about}</p>
                  </div>
                ))}
              </div>
            </section>
            <NewBuild
              onStart={(make, path) => leaving(() => void start(make, path))}
              onAsk={() => router.push('/sums')}
            />
            <TakeOver onFile={(file) => leaving(() => void onFile(file))} />
            <Caution>
              This work can kill. Ropeway computes and records; local code, registration rules and licensed practice
              decide. Isolate, lock out, wait, prove the meter, prove dead, prove the meter again. Never alone.
            </Caution>
          </div>
        </div>
      </div>
    </main>
  );
}
