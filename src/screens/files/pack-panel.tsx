'use client';
import { useRef, useState } from 'react';
import type { Assessment } from '@/core/assess';
import { buildFileName } from '@/core/formats';
import { chaptersOf, imprintOf, openFiles, pagesOf } from '@/core/handover';
import { Action, decimalMark, offer } from '@/ui/action';
import { Panel } from '@/ui/panel';
import { pdfOf, zipOf } from '@/workers/pack';
import { drawingsOf, PackDrawings } from '../shell/pack-drawings';

type Wanted = 'all' | 'owner' | 'rescue' | 'tests' | 'zip';
const NAMES: Readonly<Record<Exclude<Wanted, 'zip'>, string>> = {
  all: '-build-pack.pdf',
  owner: '-owner.pdf',
  rescue: '-emergency-card.pdf',
  tests: '-test-sheets.pdf',
};

/** What is handed over: one PDF, the open files in one zip, and the two sheets that stay in the car. */
export function PackPanel({ assessment }: { assessment: Assessment }) {
  const { build } = assessment;
  const place = useRef<HTMLElement | null>(null);
  const [busy, setBusy] = useState<Wanted | null>(null);
  const [share, setShare] = useState(0);
  const [said, setSaid] = useState<{ readonly text: string; readonly bad: boolean } | null>(null);
  const make = async (wanted: Wanted) => {
    setBusy(wanted);
    setShare(0);
    setSaid(null);
    try {
      const begun = performance.now();
      const date = new Date().toLocaleDateString('sv-SE');
      const imprint = imprintOf(assessment, date);
      const chapters = chaptersOf(assessment, date);
      const drawings = place.current ? drawingsOf(place.current, build.name) : {};
      const shown = wanted === 'all' || wanted === 'zip' ? chapters : chapters.filter(({ id }) => id === wanted);
      const pdf = await pdfOf(pagesOf(shown, imprint, drawings), setShare);
      if (wanted === 'zip') {
        const files = openFiles(assessment, chapters, imprint, {
          mark: decimalMark(),
          stamp: new Date().toISOString(),
        });
        const zip = await zipOf({
          ...files,
          'build-pack.pdf': pdf,
          ...Object.fromEntries(Object.entries(drawings).map(([id, svg]) => [`drawings/${id}.svg`, svg])),
        });
        offer(new Blob([zip as BlobPart], { type: 'application/zip' }), buildFileName(build.name, '-build-pack.zip'));
      } else offer(new Blob([pdf as BlobPart], { type: 'application/pdf' }), buildFileName(build.name, NAMES[wanted]));
      setSaid({
        text: `Made in ${((performance.now() - begun) / 1000).toFixed(1)} s, for ${imprint.digest}.`,
        bad: false,
      });
    } catch (error) {
      setSaid({
        text: `It could not be made: ${error instanceof Error ? error.message : String(error)}. Close other tabs and try again; the build file itself is exported below.`,
        bad: true,
      });
    }
    setBusy(null);
  };
  const due = Object.keys(assessment.due).length > 0;
  return (
    <Panel title="Build pack" about="what is handed over">
      <p className="mb-3 text-soft">
        Circuit, plan, wire tables, fuse-box and tap card, sequence sheet, settings, test sheets, open points, parts
        with prices, every check with its working; on each page the build, its digest, the day and who decides. Made
        here, without a network.
      </p>
      <div className="flex flex-wrap gap-2">
        <Action look="strong" disabled={busy !== null} onPress={() => void make('all')}>
          Make the PDF
        </Action>
        <Action look="outline" disabled={busy !== null} onPress={() => void make('zip')}>
          All files as zip
        </Action>
      </div>
      <p className="mt-2 flex flex-wrap gap-2">
        <Action disabled={busy !== null} onPress={() => void make('owner')}>
          Owner’s sheet
        </Action>
        <Action disabled={busy !== null} onPress={() => void make('rescue')}>
          Emergency card
        </Action>
        <Action disabled={busy !== null} onPress={() => void make('tests')}>
          Test sheets
        </Action>
      </p>
      {busy && (
        <p className="mt-2">
          <progress aria-label="Pages" max={1} value={share} className="w-full accent-ink" />
        </p>
      )}
      <p aria-live="polite" className={said?.bad ? 'mt-2 text-fails' : 'mt-2 text-soft'}>
        {busy
          ? 'Being made …'
          : (said?.text ?? (due ? 'A run is still going: wait for it, or its figures are left out.' : ''))}
      </p>
      <PackDrawings
        assessment={assessment}
        onPlace={(element) => {
          place.current = element;
        }}
      />
    </Panel>
  );
}
