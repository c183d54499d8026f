'use client';
import { useRouter } from 'next/navigation';
import { type FormEvent, useEffect, useState } from 'react';
import { emptyBuild } from '@/core/build';
import { SAMPLES } from '@/core/build/samples';
import { freshId, repository } from '@/store/bench';
import type { StoredBuild } from '@/store/database';
import { Caution } from '@/ui/panel';
import { restoreTheme, switchTheme } from '../shell/theme';

const day = (iso: string): string => iso.slice(0, 16).replace('T', ' ');

/** The builds of this browser, the samples, and a new build. */
export function Home() {
  const router = useRouter();
  const [builds, setBuilds] = useState<readonly StoredBuild[] | null>(null);
  const [name, setName] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);

  useEffect(() => {
    restoreTheme();
    repository()
      .list()
      .then(setBuilds, (error: Error) => {
        setBuilds([]);
        setTrouble(
          `The builds of this browser can’t be read: ${error.message}. Leave private mode or allow storage for this page.`,
        );
      });
  }, []);

  const start = async (make: (id: string) => ReturnType<typeof emptyBuild>, path: string) => {
    const id = freshId();
    try {
      await repository().create(make(id));
      router.push(`${path}?build=${id}`);
    } catch (error) {
      setTrouble(`The build could not be kept: ${(error as Error).message}. Free some space or leave private mode.`);
    }
  };

  const onNew = (event: FormEvent) => {
    event.preventDefault();
    const trimmed = name.trim();
    if (trimmed === '') {
      setTrouble('Give the new build a name first.');
      return;
    }
    void start((id) => emptyBuild(id, trimmed.slice(0, 120)), '/pack');
  };

  return (
    <div className="mx-auto max-w-[980px] px-6 py-8">
      <header className="flex items-baseline gap-4 border-b border-rule pb-4">
        <h1 className="font-tight text-[34px] font-semibold leading-none">Ropeway</h1>
        <p className="text-soft">Design bench for electric conversions: one build, one live electrical model.</p>
        <button
          type="button"
          onClick={switchTheme}
          className="ml-auto rounded-[3px] border border-rule px-3 py-1 font-tight"
        >
          Light or dark
        </button>
      </header>
      {trouble && (
        <p role="alert" className="mt-4 border-l-[3px] border-fails bg-panel p-3">
          {trouble}
        </p>
      )}
      <div className="mt-6 grid gap-6 md:grid-cols-[1.2fr_1fr]">
        <section aria-labelledby="builds">
          <h2 id="builds" className="mb-2 font-tight text-[21px] font-semibold">
            Builds in this browser
          </h2>
          {builds === null && <p className="text-soft">Looking …</p>}
          {builds?.length === 0 && <FirstSteps />}
          <ul>
            {builds?.map((stored) => (
              <li key={stored.id} className="border-b border-rule">
                <a href={`/pack?build=${stored.id}`} className="flex items-baseline gap-3 py-2.5 hover:bg-panel">
                  <span className="min-w-0 truncate text-[17px] font-semibold">{stored.name}</span>
                  <span className="ml-auto whitespace-nowrap text-[14px] text-soft">
                    changed {day(stored.changedAt)}
                  </span>
                </a>
              </li>
            ))}
          </ul>
        </section>
        <div className="space-y-6">
          <section aria-labelledby="samples">
            <h2 id="samples" className="mb-2 font-tight text-[21px] font-semibold">
              Samples
            </h2>
            {SAMPLES.map((sample) => (
              <div key={sample.key} className="rounded-[3px] border border-rule bg-panel p-4">
                <p className="font-semibold">{sample.name}</p>
                <p className="mt-1 text-[14px] text-soft">{sample.about}</p>
                <button
                  type="button"
                  onClick={() => start(sample.make, '/hv-circuit')}
                  className="mt-3 rounded-[3px] bg-bar px-4 py-2 font-tight text-[16px] font-semibold text-bar-ink"
                >
                  Open {sample.name}
                </button>
              </div>
            ))}
          </section>
          <section aria-labelledby="new">
            <h2 id="new" className="mb-2 font-tight text-[21px] font-semibold">
              New build
            </h2>
            <form onSubmit={onNew} className="flex gap-2">
              <input
                aria-label="Name of the new build"
                placeholder="Name"
                value={name}
                maxLength={120}
                onChange={(event) => setName(event.currentTarget.value)}
                className="min-w-0 flex-1 rounded-[3px] border border-rule bg-panel px-3 py-2"
              />
              <button
                type="submit"
                className="rounded-[3px] border-[1.5px] border-ink px-4 py-2 font-tight text-[16px] font-semibold"
              >
                Start
              </button>
            </form>
          </section>
          <Caution>
            This work can kill. Ropeway computes and records; local code, registration rules and licensed practice
            decide. Isolate, lock out, wait, prove the meter, prove dead, prove the meter again. Never alone.
          </Caution>
        </div>
      </div>
    </div>
  );
}

/** An empty list teaches what there is to do. */
function FirstSteps() {
  return (
    <div className="text-soft">
      <p>None yet.</p>
      <ol className="mt-3 list-decimal space-y-2 pl-5">
        <li>Open the sample: its circuit is solved at once, and the ledger lists every margin, thinnest first.</li>
        <li>
          Press a check for its working and its source; a failing one offers remedies that were tried on the model.
        </li>
        <li>Fit one, undo it, change a cable. Everything stays in this browser.</li>
        <li>Then start your own build: cells and inverter first, a first verdict follows.</li>
      </ol>
    </div>
  );
}
