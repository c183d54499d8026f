'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { buildFileName, endLabels, labelsCsv } from '@/core/formats';
import { Action, decimalMark, download } from '@/ui/action';
import { Select } from '@/ui/select';
import { ALL } from './end-words';

/** Labels for both ends of each wire, on a sheet of three columns that prints on A4 and on Letter. */
export function LabelsPage({ assessment }: { assessment: Assessment }) {
  const { build, results } = assessment;
  const { wires } = results.harness.harness;
  const [loom, setLoom] = useState(ALL);
  const looms = [...new Set(wires.map((wire) => wire.loom))].sort();
  const chosen = wires.filter((wire) => loom === ALL || wire.loom === loom);
  const labels = endLabels(chosen);
  return (
    <div data-print>
      <div className="mb-2 flex flex-wrap items-center gap-3">
        <p className="flex-1 text-soft">
          {build.name}: {labels.length} labels, two a wire; each says where its own end goes.
        </p>
        <span className="no-print flex flex-wrap items-center gap-2">
          <Select
            label="Sub-harness"
            value={loom}
            onChoose={setLoom}
            choices={[{ value: ALL, label: 'every sub-harness' }, ...looms.map((value) => ({ value, label: value }))]}
          />
          <Action onPress={() => window.print()}>Print the labels</Action>
          <Action
            look="quiet"
            onPress={() =>
              download(labelsCsv(chosen, decimalMark()), buildFileName(build.name, '-labels.csv'), 'text/csv')
            }
          >
            Save as CSV
          </Action>
        </span>
      </div>
      <ul aria-label="Labels" className="grid grid-cols-2 gap-1 min-[700px]:grid-cols-3 print:grid-cols-3 print:gap-0">
        {labels.map(({ id, label, goes, colour }) => (
          <li
            key={id}
            data-label={id}
            className="h-[58px] break-inside-avoid overflow-hidden border border-dashed border-rule bg-panel px-2 py-1 [contain-intrinsic-size:auto_58px] [content-visibility:auto] print:h-[16mm] print:text-[9pt] print:[content-visibility:visible]"
          >
            <b className="font-tight text-lead font-semibold leading-tight tabular-nums">{label}</b>
            <span className="ml-2 text-note text-soft">{colour}</span>
            <span className="line-clamp-2 block text-note leading-tight">{goes}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}
