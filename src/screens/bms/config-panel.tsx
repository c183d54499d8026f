'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import type { Problem } from '@/core/build';
import { bmsConfigRows, bmsConfigText, bmsDatabase, buildFileName, writeCsv } from '@/core/formats';
import { useBench } from '@/store/bench';
import { Action, decimalMark, download, FileAction } from '@/ui/action';
import { Panel } from '@/ui/panel';
import { Problems } from '@/ui/problems';
import { readBmsFile } from '@/workers/files';

/** Settings out of the build and into it, and what it says on the bus. */
export function ConfigPanel({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [told, setTold] = useState<string | null>(null);
  const {
    build,
    results: { bms },
  } = assessment;
  const name = (end: string) => buildFileName(build.name, end);
  const take = (file: File) =>
    readBmsFile(file).then(
      (read) => {
        setTold(null);
        setProblems(read.ok ? [] : read.errors);
        if (!read.ok) return;
        if (!dispatch({ edit: 'setBmsConfig', input: { settings: read.settings } })) return;
        setTold(
          read.cells === bms.cells
            ? 'Taken. Undo brings back what was set.'
            : `Taken. It was made for ${read.cells} cells, here are ${bms.cells}: look at every limit of current.`,
        );
      },
      (error: Error) =>
        setProblems([
          { path: '(file)', reason: `could not be read: ${error.message}.`, remedy: 'Choose an intact copy.' },
        ]),
    );
  return (
    <Panel title="Configuration" about="out as a file, in from a file; the open format is in the docs">
      <div className="flex flex-wrap gap-2">
        <Action onPress={() => download(bmsConfigText(build.bms, bms.cells), name('-bms.json'), 'application/json')}>
          Save as JSON
        </Action>
        <Action
          look="quiet"
          onPress={() => download(writeCsv(bmsConfigRows(build.bms), decimalMark()), name('-bms.csv'), 'text/csv')}
        >
          As a table
        </Action>
        <Action look="quiet" onPress={() => download(bmsDatabase(bms.cells), name('-bms.dbc'), 'text/plain')}>
          CAN database
        </Action>
        <FileAction look="quiet" accept=".json" label="Configuration file" onFile={take}>
          Take settings from a file
        </FileAction>
      </div>
      {told && (
        <p className="mt-1" aria-live="polite">
          {told}
        </p>
      )}
      {problems.length > 0 && <Problems title="These settings can’t be taken" problems={problems} />}
    </Panel>
  );
}
