'use client';
import { Command, Redo2, Undo2 } from 'lucide-react';
import Link from 'next/link';
import { useShallow } from 'zustand/react/shallow';
import type { Assessment } from '@/core/assess';
import { marginText, say } from '@/core/checks';
import { formatQuantity, inUnits } from '@/core/quantities';
import { useBench } from '@/store/bench';
import { Hint } from '@/ui/hint';
import { DAY_OF_WORK_H, exportBuild } from './export-build';

const SAVED = { saved: 'Saved', saving: 'Saving …', failed: 'Not saved' } as const;

/** Along the bottom: what is open, its headline figures, and how far back and forward one can step. */
export function Tape({ assessment, onCommands }: { assessment: Assessment; onCommands: () => void }) {
  const { undo, redo, saving, renewing, unexportedH, stepBack, stepForward, trouble, dismiss, retry } = useBench(
    useShallow(({ undo, redo, saving, renewing, unexportedH, stepBack, stepForward, trouble, dismiss, retry }) => ({
      undo,
      redo,
      saving,
      renewing,
      unexportedH,
      stepBack,
      stepForward,
      trouble,
      dismiss,
      retry,
    })),
  );
  const {
    results: { pack },
    build,
    checks,
  } = assessment;
  // Work at the car is said on the line; the tape speaks of the design.
  const worst = checks.find((check) => !check.work && (check.margin !== undefined || check.verdict === 'fails'));
  const rangeM = assessment.trip?.rangeWinterM ?? null;
  const range =
    assessment.tripKey === null
      ? null
      : rangeM === null
        ? assessment.trip
          ? null
          : '…'
        : formatQuantity({ value: rangeM, dimension: 'distance' }, build.units, 3).text;
  const step =
    'inline-flex min-h-8 items-center justify-center gap-1.5 rounded-[3px] border border-bar-soft/50 px-2.5 font-tight disabled:opacity-40';
  return (
    <footer className="no-print border-t border-bar-edge bg-bar text-small text-bar-ink">
      {trouble && (
        <div role="alert" className="flex items-center gap-3 border-b border-bar-soft/40 px-5 py-2">
          <span className="flex-1">{inUnits(`${trouble.reason} ${trouble.remedy}`, assessment.build.units)}</span>
          {saving === 'failed' && (
            <>
              <button type="button" onClick={() => exportBuild(build)} className={step}>
                Export the build file
              </button>
              <button type="button" onClick={retry} className={step}>
                Try again
              </button>
            </>
          )}
          <button type="button" onClick={dismiss} className={step}>
            Close
          </button>
        </div>
      )}
      <div className="flex min-h-[42px] flex-wrap items-center gap-x-5 gap-y-1 px-5 py-1.5 max-[900px]:flex-nowrap max-[900px]:gap-x-3 max-[900px]:px-3">
        <Hint text="All builds (B)">
          <Link
            href="/"
            prefetch={false}
            className="inline-flex min-h-8 max-w-[280px] min-w-0 items-center font-semibold underline-offset-4 hover:underline"
          >
            <span className="truncate">{build.name}</span>
          </Link>
        </Hint>
        {pack && (
          <span className="whitespace-nowrap max-[900px]:hidden">
            <span className="text-bar-soft">Pack</span>{' '}
            {formatQuantity({ value: pack.nominalV, dimension: 'voltage' }).text},{' '}
            {formatQuantity({ value: pack.grossEnergyJ, dimension: 'energy' }).text} gross
          </span>
        )}
        {range !== null && (
          <span className="whitespace-nowrap max-[900px]:hidden">
            <span className="text-bar-soft">Range, winter</span> {range}
          </span>
        )}
        <Hint text="Files and snapshots (F)">
          <Link
            href={`/files?build=${encodeURIComponent(build.id)}`}
            prefetch={false}
            className="inline-flex min-h-8 items-center underline-offset-4 hover:underline max-[500px]:hidden"
          >
            Files
          </Link>
        </Hint>
        <Hint text="Parts of this build (O)">
          <Link
            href={`/parts?build=${encodeURIComponent(build.id)}`}
            prefetch={false}
            className="inline-flex min-h-8 items-center underline-offset-4 hover:underline max-[500px]:hidden"
          >
            Parts
          </Link>
        </Hint>
        {unexportedH >= DAY_OF_WORK_H && (
          <Link
            href={`/files?build=${encodeURIComponent(build.id)}`}
            prefetch={false}
            className="min-w-0 truncate text-bar-soft underline underline-offset-4 max-[900px]:hidden"
          >
            Not exported for {unexportedH} hours of work
          </Link>
        )}
        {worst && (
          <span className="min-w-0 truncate max-[900px]:hidden">
            <span className="text-bar-soft">Thinnest</span> {marginText(worst)} {say(worst, build.units).title}
          </span>
        )}
        <span className="ml-auto flex items-center gap-2">
          <Hint text={undo ? `Undo: ${undo} (U)` : 'Nothing to undo'}>
            <button type="button" onClick={stepBack} disabled={!undo} className={`${step} max-w-[300px]`}>
              <Undo2 size={16} aria-hidden="true" className="shrink-0" />
              <span className="truncate max-[900px]:sr-only">Undo{undo ? ` ${undo}` : ''}</span>
            </button>
          </Hint>
          <Hint text={redo ? `Redo: ${redo} (R)` : 'Nothing to redo'}>
            <button type="button" onClick={stepForward} disabled={!redo} className={step}>
              <Redo2 size={16} aria-hidden="true" className="shrink-0" />
              <span className="max-[900px]:sr-only">Redo</span>
            </button>
          </Hint>
          <Hint text="Command list (K)">
            <button type="button" onClick={onCommands} className={step}>
              <Command size={16} aria-hidden="true" className="shrink-0" />
              <span className="max-[900px]:sr-only">Commands</span>
            </button>
          </Hint>
          <span
            role="status"
            className={`min-w-[68px] text-right max-[500px]:min-w-0 ${saving === 'failed' ? 'font-semibold' : 'text-bar-soft'}`}
          >
            {renewing && saving !== 'failed' ? 'Judging …' : SAVED[saving]}
          </span>
        </span>
      </div>
    </footer>
  );
}
