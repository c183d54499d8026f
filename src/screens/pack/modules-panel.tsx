'use client';
import { useMemo, useState } from 'react';
import type { Assessment } from '@/core/assess';
import { buildFileName, modulesCsv, type ReadModules, readModulesTyped } from '@/core/formats';
import { formatQuantity } from '@/core/quantities';
import { modulesPack } from '@/core/remedies';
import { matchModules } from '@/core/simulate';
import { freshId, useBench } from '@/store/bench';
import { Action, decimalMark, download, FileAction } from '@/ui/action';
import { Fold } from '@/ui/fold';
import { Panel } from '@/ui/panel';
import { Problems } from '@/ui/problems';
import { QuantityField } from '@/ui/quantity-field';
import { readModulesFile, warmReader } from '@/workers/files';

const EXAMPLE = [
  { id: 'M01', voltageV: 7.52, capacityAh: 58.1, resistanceOhm: 0.0021 },
  { id: 'M02', voltageV: 7.51, capacityAh: 61.4, resistanceOhm: 0.0019 },
];

/** Modules out of another vehicle: measured, compared, and shared out so that the weakest group holds the most. */
export function ModulesPanel({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build } = assessment;
  const modules = useMemo(() => Object.values(build.modules ?? {}), [build.modules]);
  const [read, setRead] = useState<ReadModules | null>(null);
  const [typed, setTyped] = useState('');
  const [perGroup, setPerGroup] = useState(2);
  const series = Math.max(1, Math.floor(modules.length / perGroup));
  const match = useMemo(
    () => (modules.length >= 2 ? matchModules(modules, series, perGroup) : null),
    [modules, series, perGroup],
  );
  const [seed] = useState(freshId);
  const pack = match ? modulesPack(build, modules, match, seed) : null;
  const take = (file: File) =>
    readModulesFile(file).then(
      (found) => {
        setRead(found.ok ? null : found);
        if (found.ok) dispatch({ edit: 'setModules', input: { modules: found.modules } });
      },
      (error: Error) =>
        setRead({
          ok: false,
          errors: [
            { path: '(file)', reason: `could not be read: ${error.message}.`, remedy: 'Choose an intact copy.' },
          ],
        }),
    );
  return (
    <Panel title="Salvaged modules" about="voltage at rest, capacity and resistance as you measured each">
      <div className="flex flex-wrap items-center gap-2">
        <FileAction accept=".csv,.txt" label="Modules file" onFile={take} onAsk={warmReader}>
          Read a table (CSV)
        </FileAction>
        <Action
          look="quiet"
          onPress={() =>
            download(
              modulesCsv(modules.length > 0 ? modules : EXAMPLE, decimalMark()),
              buildFileName(build.name, '-modules.csv'),
              'text/csv',
            )
          }
        >
          {modules.length > 0 ? 'Save the table' : 'Save an example'}
        </Action>
        {modules.length > 0 && (
          <Action look="quiet" onPress={() => dispatch({ edit: 'setModules', input: { modules: [] } })}>
            Forget them
          </Action>
        )}
      </div>
      <Fold className="mt-1" head="Type or paste them">
        <textarea
          aria-label="Modules, a line each"
          placeholder={'name; volts at rest; ampere-hours; milliohms\nM01; 7.52; 58.1; 2.1 …'}
          rows={6}
          value={typed}
          onChange={(event) => setTyped(event.currentTarget.value)}
          className="w-full rounded-[3px] border border-rule bg-panel p-2 tabular-nums"
        />
        <Action
          disabled={typed.trim() === ''}
          onPress={() => {
            const found = readModulesTyped(typed);
            setRead(found.ok ? null : found);
            if (found.ok && dispatch({ edit: 'setModules', input: { modules: found.modules } })) setTyped('');
          }}
        >
          Take these modules
        </Action>
      </Fold>
      {read?.ok === false && <Problems title="These modules can’t be taken" problems={read.errors} />}
      {match && (
        <div className="mt-2">
          <div className="grid gap-x-8 min-[700px]:grid-cols-2">
            <QuantityField
              label="Modules in parallel"
              value={perGroup}
              dimension="count"
              system={build.units}
              onCommit={(value) => setPerGroup(Math.max(1, Math.min(modules.length, Math.round(value))))}
            />
            <p className="self-center text-soft">
              {modules.length} modules: {match.groups.length} groups in series
              {match.spare.length > 0 ? `, ${match.spare.length} spare (${match.spare.slice(0, 4).join(', ')})` : ''}
            </p>
          </div>
          <p className="mt-1 text-lead" data-match="">
            Weakest group <b className="font-semibold">{match.weakestAh.toFixed(1)} Ah</b>, in the order of the list{' '}
            {match.listedWeakestAh.toFixed(1)} Ah:{' '}
            <b className="font-semibold">
              {((match.weakestAh / match.listedWeakestAh - 1) * 100).toFixed(1)} % more from the same modules
            </b>
            . No sharing beats {match.boundAh.toFixed(1)} Ah.
          </p>
          {pack ? (
            <p className="mt-2 flex flex-wrap items-center gap-3">
              <Action onPress={() => dispatch(pack.edit)}>Make them the pack</Action>
              <span className="text-soft">
                {pack.cellsInSeries} cells in series, {pack.capacityAh.toFixed(1)} Ah,{' '}
                {formatQuantity({ value: pack.resistanceOhm, dimension: 'resistance' }, build.units, 3).text} in all;
                what is spare stays on this list
              </span>
            </p>
          ) : (
            <p className="mt-2 text-soft">
              Lay out boxes with cells of their chemistry first, one group for each at least: these then take their
              place.
            </p>
          )}
          <ol className="mt-1 columns-2 text-small tabular-nums min-[900px]:columns-3">
            {match.groups.map((group, k) => (
              <li key={group.ids.join()} className="break-inside-avoid border-b border-rule/70 py-0.5">
                {k + 1}. {group.ids.join(' + ')} <span className="text-soft">{group.capacityAh.toFixed(1)} Ah</span>
              </li>
            ))}
          </ol>
        </div>
      )}
    </Panel>
  );
}
