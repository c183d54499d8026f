'use client';
import Link from 'next/link';
import { useRouter, useSearchParams, useSelectedLayoutSegment } from 'next/navigation';
import { createContext, type ReactNode, Suspense, useContext, useEffect, useState } from 'react';
import { useShallow } from 'zustand/react/shallow';
import type { Assessment } from '@/core/assess';
import { checkKey } from '@/core/checks';
import { isStation, STATIONS, type StationId } from '@/core/stations';
import { useBench } from '@/store/bench';
import { Drawer } from '@/ui/drawer';
import { Hints } from '@/ui/hint';
import { Refusals } from '@/ui/refusal';
import { NARROW, useMedia } from '@/ui/use-media';
import { type Command, CommandList } from './commands';
import { inOrder } from './derive-ledger';
import { Fence } from './fence';
import { HurtBuild } from './hurt-build';
import { keepUnits } from './kept-units';
import { Ledger } from './ledger';
import { Line } from './line';
import { NextLine } from './next-line';
import { stationHref } from './stations';
import { Tape } from './tape';
import { restoreTheme, switchTheme } from './theme';
import { VerdictBar } from './verdict-bar';
import { workCounts } from './work-counts';

const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'SELECT', 'TEXTAREA'].includes(target.tagName));

interface Sheet {
  readonly assessment: Assessment;
  /** Opens a check in the ledger, by its key. */
  readonly openCheck: (key: string) => void;
}

/** What the bench refuses is said at the field that gave it; only the rest of its troubles stand in the tape. */
const BENCH = { last: () => useBench.getState().trouble, said: () => useBench.getState().dismiss() };

const SheetContext = createContext<Sheet | null>(null);

/** What a screen inside the shell shows. */
export function useSheet(): Sheet {
  const sheet = useContext(SheetContext);
  if (!sheet) throw new Error('a screen stands in the shell');
  return sheet;
}

/** The line, the sheet, the ledger and the tape of the open build: mounted once, whichever station is shown in it. */
export function Shell({ children }: { children: ReactNode }) {
  return (
    <Suspense fallback={<p className="p-8 text-soft">Opening …</p>}>
      <Hints>
        <OpenShell>{children}</OpenShell>
      </Hints>
    </Suspense>
  );
}

function OpenShell({ children }: { children: ReactNode }) {
  const page = useSelectedLayoutSegment();
  const station: StationId | null = page !== null && isStation(page) ? page : null;
  const buildId = useSearchParams().get('build') ?? '';
  const router = useRouter();
  const { status, build, assessment, hurt, open, undo, redo, saving, stepBack, stepForward, dispatch } = useBench(
    useShallow(({ status, build, assessment, hurt, open, undo, redo, saving, stepBack, stepForward, dispatch }) => ({
      status,
      build,
      assessment,
      hurt,
      open,
      undo,
      redo,
      saving,
      stepBack,
      stepForward,
      dispatch,
    })),
  );
  const ofStation = station === null ? undefined : assessment?.stations[station];
  const [whole, setWhole] = useState(false);
  const narrow = useMedia(NARROW);
  /** Beside the sheet it is there until it is folded; over the sheet it is away until it is called. */
  const [folded, setFolded] = useState<boolean | null>(null);
  const away = folded ?? narrow;
  const [opened, setOpened] = useState<string | null>(null);
  const [commandsOpen, setCommandsOpen] = useState(false);

  useEffect(restoreTheme, []);
  const units = assessment?.build.units;
  useEffect(() => {
    if (units) keepUnits(units);
  }, [units]);
  useEffect(() => {
    if (buildId !== '') open(buildId);
  }, [buildId, open]);

  // What is not stored yet must not go with a careless press.
  useEffect(() => {
    if (saving === 'saved') return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [saving]);

  const commands: Command[] = [
    { name: 'All builds', key: 'b', run: () => router.push('/') },
    ...STATIONS.map(({ id, name, key }) => ({
      name: `Go to ${name}`,
      key,
      run: () => router.push(stationHref(id, buildId)),
    })),
    { name: 'Files and snapshots', key: 'f', run: () => router.push(`/files?build=${encodeURIComponent(buildId)}`) },
    { name: 'Parts of this build', key: 'o', run: () => router.push(`/parts?build=${encodeURIComponent(buildId)}`) },
    { name: 'Quick sums', key: 'q', run: () => router.push('/sums') },
    { name: 'Undo', key: 'u', run: stepBack, disabled: !undo },
    { name: 'Redo', key: 'r', run: stepForward, disabled: !redo },
    { name: whole ? 'Ledger of this station' : 'Ledger of the whole vehicle', key: 'w', run: () => setWhole(!whole) },
    { name: away ? 'Unfold the ledger' : 'Fold the ledger', key: 'l', run: () => setFolded(!away) },
    { name: 'Open the worst finding', key: 'm', run: () => openWorst() },
    { name: 'Light or dark', key: 't', run: switchTheme },
    {
      name: assessment?.build.units === 'us' ? 'Metric units' : 'US units',
      run: () => dispatch({ edit: 'setUnits', input: { units: assessment?.build.units === 'us' ? 'metric' : 'us' } }),
    },
  ];

  const openCheck = (key: string) => {
    setFolded(false);
    if (assessment && !ofStation?.checks.some((check) => checkKey(check) === key)) setWhole(true);
    setOpened(key);
  };
  const openWorst = () => {
    const [first] = inOrder((whole || station === null ? assessment?.checks : ofStation?.checks) ?? []);
    if (first) openCheck(checkKey(first));
  };

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.defaultPrevented || typing(event.target)) return;
      const command = event.ctrlKey || event.metaKey;
      const key = event.key.toLowerCase();
      if (command && key === 'z') {
        event.preventDefault();
        if (event.shiftKey) stepForward();
        else stepBack();
        return;
      }
      if (command || event.altKey || commandsOpen || covered(event.target)) return;
      if (key === 'k' || key === '?') {
        event.preventDefault();
        setCommandsOpen(true);
        return;
      }
      const found = commands.find((candidate) => candidate.key === key && !candidate.disabled);
      if (found) {
        event.preventDefault();
        found.run();
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });

  if (buildId === '' || status === 'missing') return <Missing />;
  if (build && hurt !== null) return <HurtBuild build={build} hurt={hurt} />;
  if (!assessment) return <p className="p-8 text-soft">Opening …</p>;
  const ledger = (
    <Ledger
      checks={assessment.checks}
      reservations={assessment.reservations}
      station={station}
      system={assessment.build.units}
      whole={whole}
      onWhole={setWhole}
      opened={opened}
      onOpen={setOpened}
    />
  );
  return (
    <div className="flex h-dvh flex-col max-[900px]:h-auto max-[900px]:min-h-dvh">
      <SkipLinks onLedger={() => setFolded(false)} />
      <Line buildId={buildId} current={station} stations={assessment.stations} counts={workCounts(assessment)} />
      <div className="flex min-h-0 flex-1">
        <main
          key={page}
          id="sheet"
          tabIndex={-1}
          className="min-w-0 flex-1 overflow-y-auto px-5 pt-3.5 pb-5 outline-none max-[900px]:overflow-visible max-[900px]:px-3"
        >
          <SheetContext value={{ assessment, openCheck }}>
            <Fence key={page}>
              {station !== null && <NextLine assessment={assessment} />}
              <Refusals value={BENCH}>{children}</Refusals>
            </Fence>
          </SheetContext>
        </main>
        {!narrow &&
          (away ? (
            <button
              type="button"
              onClick={() => setFolded(false)}
              className="no-print border-l border-rule bg-panel px-2 py-4 font-tight [writing-mode:vertical-rl]"
            >
              Ledger
            </button>
          ) : (
            <aside className="flex min-h-0 w-[330px] shrink-0 flex-col border-l border-rule bg-panel">{ledger}</aside>
          ))}
      </div>
      <div className="no-print max-[900px]:sticky max-[900px]:bottom-0 max-[900px]:z-30">
        {narrow && (
          <>
            <VerdictBar assessment={assessment} station={station} whole={whole} onOpen={() => setFolded(false)} />
            <Drawer open={!away} onOpen={(open) => setFolded(!open)} name="Ledger">
              {ledger}
            </Drawer>
          </>
        )}
        <Tape assessment={assessment} onCommands={() => setCommandsOpen(true)} />
      </div>
      <CommandList open={commandsOpen} onOpenChange={setCommandsOpen} commands={commands} />
    </div>
  );
}

/** Keys of the sheet are off while a list or a dialog other than the ledger has the hand. */
const covered = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest('[role="listbox"], [role="tooltip"], [cmdk-root]') !== null;

/** For who comes with the keyboard: past the stations in one step. */
function SkipLinks({ onLedger }: { onLedger: () => void }) {
  const look =
    'sr-only focus:not-sr-only focus:absolute focus:top-1 focus:left-1 focus:z-50 focus:rounded-[3px] focus:bg-strong focus:px-4 focus:py-2 focus:text-strong-ink';
  const go = (id: string) => document.getElementById(id)?.focus();
  return (
    <>
      <button type="button" className={look} onClick={() => go('sheet')}>
        To the sheet
      </button>
      <button
        type="button"
        className={look}
        onClick={() => {
          onLedger();
          // It may have been folded away until now.
          requestAnimationFrame(() => go('ledger'));
        }}
      >
        To the ledger
      </button>
    </>
  );
}

function Missing() {
  return (
    <div className="mx-auto max-w-lg p-10">
      <h1 className="font-tight text-head font-semibold">This build is not in this browser</h1>
      <p className="mt-2 text-soft">
        The address names a build that was deleted here or belongs to another browser. Nothing was lost by opening it.
      </p>
      <Link href="/" className="mt-4 inline-block rounded-[3px] bg-strong px-4 py-2 text-strong-ink">
        All builds
      </Link>
    </div>
  );
}

/** Head of a page that is no station. */
export function PageHead({ name, about }: { name: string; about: string }) {
  return (
    <header className="mb-3 flex flex-wrap items-baseline gap-x-3">
      <h1 className="font-tight text-head font-semibold">{name}</h1>
      <p className="text-soft">{about}</p>
    </header>
  );
}

/** Head of a station's sheet: the station and the question that it answers. */
export function SheetHead({ station, children }: { station: StationId; children?: ReactNode }) {
  const info = STATIONS.find((candidate) => candidate.id === station)!;
  return (
    <header className="mb-3 flex flex-wrap items-baseline gap-x-3">
      <h1 className="font-tight text-head font-semibold">{info.name}</h1>
      <p className="text-soft">{info.question}</p>
      <div className="ml-auto">{children}</div>
    </header>
  );
}
