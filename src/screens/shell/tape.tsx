'use client';
import Link from 'next/link';
import { useShallow } from 'zustand/react/shallow';
import type { Assessment } from '@/core/assess';
import { marginText, say } from '@/core/checks';
import { buildFileName, buildText } from '@/core/formats/build-file';
import { formatQuantity } from '@/core/quantities';
import { useBench } from '@/store/bench';
import { download } from '@/ui/action';

const SAVED = { saved: 'Saved', saving: 'Saving …', failed: 'Not saved' } as const;

/** Along the bottom: what is open, its headline figures, and how far back and forward one can step. */
export function Tape({ assessment, onCommands }: { assessment: Assessment; onCommands: () => void }) {
  const { undo, redo, saving, stepBack, stepForward, trouble, dismiss, retry } = useBench(
    useShallow(({ undo, redo, saving, stepBack, stepForward, trouble, dismiss, retry }) => ({
      undo,
      redo,
      saving,
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
  const worst = checks.find((check) => check.margin !== undefined || check.verdict === 'fails');
  const rangeM = assessment.trip?.rangeWinterM ?? null;
  const range =
    assessment.tripKey === null
      ? null
      : rangeM === null
        ? assessment.trip
          ? null
          : '…'
        : formatQuantity({ value: rangeM, dimension: 'distance' }, build.units, 3).text;
  const step = 'rounded-[3px] border border-bar-soft/50 px-2.5 py-0.5 font-tight disabled:opacity-40';
  return (
    <footer className="no-print bg-bar text-[14px] text-bar-ink">
      {trouble && (
        <div role="alert" className="flex items-center gap-3 border-b border-bar-soft/40 px-5 py-2">
          <span className="flex-1">
            {trouble.reason} {trouble.remedy}
          </span>
          {saving === 'failed' && (
            <>
              <button
                type="button"
                onClick={() =>
                  download(buildText(build), buildFileName(build.name, '.ropeway.json'), 'application/json')
                }
                className={step}
              >
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
      <div className="flex min-h-[42px] flex-wrap items-center gap-x-5 gap-y-1 px-5 py-1.5">
        <Link
          href="/"
          className="max-w-[180px] truncate font-semibold underline-offset-4 hover:underline"
          title="All builds"
        >
          {build.name}
        </Link>
        {pack && (
          <span className="whitespace-nowrap">
            <span className="text-bar-soft">Pack</span>{' '}
            {formatQuantity({ value: pack.nominalV, dimension: 'voltage' }).text} ·{' '}
            {formatQuantity({ value: pack.grossEnergyJ, dimension: 'energy' }).text} gross
          </span>
        )}
        {range !== null && (
          <span className="whitespace-nowrap">
            <span className="text-bar-soft">Range, winter</span> {range}
          </span>
        )}
        <Link
          href={`/files?build=${encodeURIComponent(build.id)}`}
          prefetch={false}
          className="underline-offset-4 hover:underline"
          title="Files and snapshots (F)"
        >
          Files
        </Link>
        <Link
          href={`/parts?build=${encodeURIComponent(build.id)}`}
          prefetch={false}
          className="underline-offset-4 hover:underline"
          title="Parts of this build (O)"
        >
          Parts
        </Link>
        {worst && (
          <span className="min-w-0 truncate">
            <span className="text-bar-soft">Thinnest</span> {marginText(worst)} {say(worst, build.units).title}
          </span>
        )}
        <span className="ml-auto flex items-center gap-2">
          <button
            type="button"
            onClick={stepBack}
            disabled={!undo}
            title={undo ? `Undo: ${undo} (U)` : 'Nothing to undo'}
            className={`${step} max-w-[300px] truncate`}
          >
            Undo{undo ? ` ${undo}` : ''}
          </button>
          <button
            type="button"
            onClick={stepForward}
            disabled={!redo}
            title={redo ? `Redo: ${redo} (R)` : 'Nothing to redo'}
            className={step}
          >
            Redo
          </button>
          <button type="button" onClick={onCommands} className={step} title="Command list (K)">
            Commands
          </button>
          <span
            role="status"
            className={`w-[68px] text-right ${saving === 'failed' ? 'font-semibold' : 'text-bar-soft'}`}
          >
            {SAVED[saving]}
          </span>
        </span>
      </div>
    </footer>
  );
}
