'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { buildFileName, cablesCsv, spiceExport } from '@/core/formats';
import { useBench } from '@/store/bench';
import { Action, decimalMark, download, FileAction } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Caution, Panel } from '@/ui/panel';
import { useTyped } from '@/ui/use-typed';
import { readCablesFile } from '@/workers/files';
import { exportBuild } from '../shell/export-build';
import { ImportPreviewPanel, type Preview } from '../shell/import-preview';
import { PageHead, useSheet } from '../shell/shell';
import { HandoverPanel } from './handover-panel';
import { Snapshots } from './snapshots';

const PackPanel = dynamic(() => import('./pack-panel').then((panel) => panel.PackPanel), {
  ssr: false,
  loading: () => <div className="h-[220px]" />,
});

export function FilesScreen() {
  return <Sheet assessment={useSheet().assessment} />;
}

function Sheet({ assessment }: { assessment: Assessment }) {
  const { build } = assessment;
  return (
    <>
      <PageHead name="Files and snapshots" about="Take the build with you, bring lists in, keep a moment." />
      <div className="grid gap-3 min-[1080px]:grid-cols-2">
        <Panel title="Build file">
          <p className="mb-3 text-soft">
            Everything that was decided, fitted and measured, with its own copies of the parts: open, readable, enough
            by itself. This browser is the only other place where the build is.
          </p>
          <Action look="strong" onPress={() => exportBuild(build)}>
            Export the build file
          </Action>
        </Panel>
        <PackPanel assessment={assessment} />
        <HandoverPanel build={build} />
        <Snapshots build={build} />
        <CableList assessment={assessment} />
        <Spice assessment={assessment} />
        <Notes notes={build.notes} />
        <Caution>
          What is exported is computed and recorded, not proved. Local code, registration rules and licensed practice
          decide. Prove dead before touching.
        </Caution>
      </div>
    </>
  );
}

function CableList({ assessment }: { assessment: Assessment }) {
  const { build } = assessment;
  const [preview, setPreview] = useState<Preview | null>(null);
  const onFile = async (file: File) => {
    const read = await readCablesFile(file, build).catch((error: Error) => ({
      ok: false as const,
      errors: [{ path: '(file)', reason: `could not be read: ${error.message}.`, remedy: 'Choose an intact copy.' }],
    }));
    setPreview(read.ok ? { file: file.name, ...read } : { file: file.name, errors: read.errors });
  };
  return (
    <Panel title="Cable list" about="CSV for a spreadsheet">
      <p className="mb-3 text-soft">
        Lengths, sizes and names of all conductors. Change it in a spreadsheet and bring it back: what would change is
        shown first.
      </p>
      <div className="flex flex-wrap gap-2">
        <Action
          onPress={() =>
            download(cablesCsv(build, decimalMark()), buildFileName(build.name, '-cables.csv'), 'text/csv')
          }
        >
          Export the cable list
        </Action>
        <FileAction accept=".csv,.txt,text/csv" label="Cable list" onFile={(file) => void onFile(file)}>
          Bring a cable list in
        </FileAction>
      </div>
      {preview && (
        <div className="mt-3">
          <ImportPreviewPanel preview={preview} onDone={() => setPreview(null)} />
        </div>
      )}
    </Panel>
  );
}

function Spice({ assessment }: { assessment: Assessment }) {
  const { vehicle, build } = assessment;
  const cases = vehicle.cases.filter((solved) => solved.point.solvable);
  const [chosen, setChosen] = useState<string | null>(null);
  const solved = cases.find((candidate) => candidate.id === chosen) ?? cases[0];
  return (
    <Panel title="Circuit as a netlist" about="SPICE text, for a second opinion">
      {solved ? (
        <>
          <ChoiceField
            label="Case"
            value={solved.id}
            choices={cases.map((one) => ({ value: one.id, label: `${one.state.name}, ${one.corner.name}` }))}
            onChoose={setChosen}
          />
          <div className="mt-3">
            <Action
              onPress={() =>
                download(
                  spiceExport(vehicle, solved).text,
                  buildFileName(`${build.name} ${solved.id}`, '.cir'),
                  'text/plain',
                )
              }
            >
              Export the netlist
            </Action>
          </div>
        </>
      ) : (
        <p className="text-soft">There is no solved circuit yet: begin with cells in Pack.</p>
      )}
    </Panel>
  );
}

function Notes({ notes }: { notes: string }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const typed = useTyped(notes, (text) => text === notes || dispatch({ edit: 'setNotes', input: { text } }));
  return (
    <Panel title="Notes">
      <textarea
        aria-label="Notes of this build"
        value={typed.text}
        rows={5}
        maxLength={20000}
        onChange={(event) => typed.onType(event.currentTarget.value)}
        onBlur={typed.settle}
        className="w-full rounded-[3px] border border-rule bg-paper p-2"
      />
    </Panel>
  );
}
