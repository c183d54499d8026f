'use client';
import Link from 'next/link';
import { useShallow } from 'zustand/react/shallow';
import type { Build } from '@/core/build';
import { beyondLimits } from '@/core/build/limits/limits';
import { buildText } from '@/core/formats/build-file';
import { inUnits } from '@/core/quantities';
import { useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Fold } from '@/ui/fold';
import { Panel } from '@/ui/panel';
import { Problems } from '@/ui/problems';
import { Snapshots } from '../files/snapshots';
import { exportBuild } from './export-build';

/** So many figures are named; the file has them all. */
const MOST = 8;

/** A build that can’t be judged: its history, its snapshots, its text, and the way out. */
export function HurtBuild({ build, hurt }: { build: Build; hurt: string }) {
  const { undo, redo, stepBack, stepForward, saving, trouble } = useBench(
    useShallow(({ undo, redo, stepBack, stepForward, saving, trouble }) => ({
      undo,
      redo,
      stepBack,
      stepForward,
      saving,
      trouble,
    })),
  );
  // Where it hurts: what no file of today may have.
  const beyond = beyondLimits(build)
    .slice(0, MOST)
    .map((one) => ({
      ...one,
      reason: inUnits(one.reason, build.units),
      remedy: 'Undo it, or correct it in the file.',
    }));
  return (
    <main className="mx-auto max-w-[860px] space-y-3 px-5 py-6">
      <header>
        <h1 className="font-tight text-head font-semibold">{build.name} can’t be judged</h1>
        <p role="alert" className="mt-1">
          It is here with all its history, but a figure of it stops the model:{' '}
          <span className="text-fails">{hurt}</span>. Take back the last step, go back to a snapshot, or export it,
          correct the figure in the file and open that.
        </p>
        {trouble && (
          <p role="status" className="mt-1 text-fails">
            {inUnits(`${trouble.reason} ${trouble.remedy}`, build.units)}
          </p>
        )}
      </header>
      <div className="flex flex-wrap gap-2">
        <Action look="strong" onPress={stepBack} disabled={!undo}>
          {undo ? `Undo: ${undo}` : 'Nothing to undo'}
        </Action>
        <Action onPress={stepForward} disabled={!redo}>
          {redo ? `Redo: ${redo}` : 'Nothing to redo'}
        </Action>
        <Action onPress={() => exportBuild(build)}>Export the build file</Action>
        <Link href="/" className="self-center px-2 underline-offset-4 hover:underline">
          All builds
        </Link>
        <span className="self-center text-soft">{saving === 'saved' ? 'Saved' : 'Not saved yet'}</span>
      </div>
      {beyond.length > 0 && <Problems title="These figures no build can have." problems={beyond} />}
      <Snapshots build={build} />
      <Panel title="Its text">
        <Fold head="As it would be exported">
          <pre className="max-h-[420px] overflow-auto text-note">{buildText(build)}</pre>
        </Fold>
      </Panel>
    </main>
  );
}
