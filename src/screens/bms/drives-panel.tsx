'use client';
import dynamic from 'next/dynamic';
import type { Assessment } from '@/core/assess';
import type { DriveRecord } from '@/core/build';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import type { DriveFindings } from '@/core/simulate';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { FigureRow } from '@/ui/figure-row';
import { Fold } from '@/ui/fold';
import { Panel } from '@/ui/panel';
import { type Column, DataTable } from '../shell/data-table';
import { recordOf } from './drive-record';
import { ReadByMeter } from './read-by-meter';
import { ReadLogFile } from './read-log';

const TrendChart = dynamic(() => import('./trend-chart'), { ssr: false, loading: () => <div className="h-[230px]" /> });

const today = () => new Date().toISOString().slice(0, 10);
/** So much of the capacity counts as rest, and as a step that tells a resistance, 1/h. */
const REST_RATE = 0.02;
const STEP_RATE = 0.15;

/** After a drive: which cell is weakest, what the joints are like, and how it goes from drive to drive. */
export function DrivesPanel({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const {
    results: { bms },
    build,
  } = assessment;
  const { drives, capacityAh } = bms;
  const latest = drives.at(-1);
  const about = (name: string) => ({ id: freshId(), date: today(), name: name.slice(0, 120) });
  const lowV = bms.window?.underV ?? bms.window?.emptyV ?? null;
  return (
    <Panel title="After a drive" about="a log, or cells read by meter; what was found is kept, the log is not">
      <ReadLogFile
        settings={{ lowV, restA: REST_RATE * capacityAh, stepA: STEP_RATE * capacityAh }}
        onRead={(name, { review }) =>
          dispatch({ edit: 'addDrive', input: { drive: recordOf(review, { ...about(name), lowV }) } })
        }
      />
      <Fold head="Cells read by meter">
        <ReadByMeter
          system={build.units}
          about={() => about('Read by meter')}
          onTyped={(drive: DriveRecord) => dispatch({ edit: 'addDrive', input: { drive } })}
        />
      </Fold>
      {latest && <Latest found={latest} assessment={assessment} />}
      {drives.length > 0 && <History drives={drives} system={build.units} />}
      {drives.length > 2 && <TrendChart drives={drives} system={build.units} />}
    </Panel>
  );
}

function Latest({ found, assessment }: { found: DriveFindings; assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const {
    build,
    results: { bms },
  } = assessment;
  const { drive, weakest, lowestAtRest, restSpreadV, medianOhm, highestOhm, low } = found;
  const { units } = build;
  const warmth = formatQuantity({ value: 25, dimension: 'temperature' }, units, 3).text;
  const cell = (one: { cell: number } | null) => (one ? ` (cell ${one.cell})` : '');
  const { measured, adoptedIds } = bms;
  return (
    <section aria-label={`Drive ${drive.name}`} className="mt-2">
      <h3 className="font-semibold">
        {drive.name}, {drive.date}
      </h3>
      <FigureRow label={`Lowest${cell(weakest)}`} value={weakest?.value ?? null} dimension="voltage" system={units} />
      <FigureRow
        label={`Lowest at rest${cell(lowestAtRest)}`}
        value={lowestAtRest?.value ?? null}
        dimension="voltage"
        system={units}
      />
      <FigureRow label="Apart at rest" value={restSpreadV} dimension="voltage" system={units} />
      <FigureRow label="Resistance, middle" value={medianOhm} dimension="resistance" system={units} />
      <FigureRow
        label={`… highest${cell(highestOhm)}`}
        value={highestOhm?.value ?? null}
        dimension="resistance"
        system={units}
      />
      {low.length > 0 && drive.lowV !== null && (
        <p className="mt-1 border-l-[3px] border-thin pl-3">
          Under {formatQuantity({ value: drive.lowV, dimension: 'voltage' }, units, 3).text}:{' '}
          {low
            .slice(0, 6)
            .map(({ cell: k, value }) => `cell ${k} for ${formatQuantity({ value, dimension: 'time' }, units, 2).text}`)
            .join(', ')}
          {low.length > 6 ? ` and ${low.length - 6} more` : ''}
        </p>
      )}
      <div className="mt-1 flex flex-wrap gap-2">
        {measured && (
          <Action
            onPress={() =>
              dispatch({
                edit: 'adoptMeasured',
                input: {
                  readings: measured.boxIds.map((subjectId) => ({
                    id: freshId(),
                    subjectId,
                    field: 'resistanceOhm',
                    value: measured.ohm,
                    conditions: `${drive.name}; without links, at ${warmth}`,
                    date: drive.date,
                    by: drive.from === 'log' ? 'log' : 'meter',
                  })),
                },
              })
            }
          >
            {`Take ${formatQuantity({ value: measured.ohm, dimension: 'resistance' }, units, 3).text} a cell for true`}
          </Action>
        )}
        {adoptedIds.length > 0 && (
          <Action
            look="quiet"
            onPress={() => dispatch({ edit: 'dropAdopted', input: { subjectIds: adoptedIds, field: 'resistanceOhm' } })}
          >
            The part’s figure again
          </Action>
        )}
        <Action look="quiet" onPress={() => dispatch({ edit: 'dropDrive', input: { id: drive.id } })}>
          Drop this drive
        </Action>
      </div>
      {measured && measured.temperatureC === null && medianOhm !== null && (
        <p className="mt-1 text-note text-soft">No temperature is told: taken as {warmth}.</p>
      )}
    </section>
  );
}

function History({ drives, system }: { drives: readonly DriveFindings[]; system: UnitSystem }) {
  const text = (value: number | null, dimension: 'voltage' | 'resistance') =>
    value === null ? <span className="text-soft">–</span> : formatQuantity({ value, dimension }, system, 3).text;
  const columns: readonly Column<DriveFindings>[] = [
    { id: 'date', head: 'Date', value: ({ drive }) => drive.date, cell: ({ drive }) => drive.date },
    { id: 'name', head: 'Drive', value: ({ drive }) => drive.name, cell: ({ drive }) => drive.name },
    {
      id: 'lowest',
      head: 'Lowest',
      unit: 'V',
      figure: true,
      value: ({ weakest }) => weakest?.value ?? null,
      cell: ({ weakest }) => (
        <>
          {text(weakest?.value ?? null, 'voltage')}
          {weakest && <span className="text-soft"> · {weakest.cell}</span>}
        </>
      ),
    },
    {
      id: 'apart',
      head: 'Apart at rest',
      unit: 'V',
      figure: true,
      spare: true,
      value: ({ restSpreadV }) => restSpreadV,
      cell: ({ restSpreadV }) => text(restSpreadV, 'voltage'),
    },
    {
      id: 'ohm',
      head: 'Resistance',
      unit: 'Ω',
      figure: true,
      value: ({ medianOhm }) => medianOhm,
      cell: ({ medianOhm }) => text(medianOhm, 'resistance'),
    },
  ];
  return (
    <div className="mt-2">
      <DataTable label="Drives" rows={[...drives].reverse()} columns={columns} idOf={({ drive }) => drive.id} />
    </div>
  );
}
