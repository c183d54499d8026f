'use client';
import type { Assessment } from '@/core/assess';
import { SCENARIOS } from '@/core/build';
import { LOAD_PRESETS, lowLoadOf } from '@/core/parts';
import { formatQuantity } from '@/core/quantities';
import { usualLoads } from '@/core/remedies';
import { fusesAtC, lowVoltage } from '@/core/vehicle';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { VerdictMark } from '@/ui/verdict-mark';
import { type Column, DataTable, RowOpener } from '../shell/data-table';
import { shapeOf } from '../shell/shape';
import { HEADS, LoadFields } from './load-fields';

type Row = Assessment['results']['low-voltage']['schedule']['loads'][number];

/** A row of sums under the scenarios. */
function Sum({
  label,
  strong = false,
  children,
}: {
  label: string;
  strong?: boolean;
  children: readonly (readonly [string, string])[];
}) {
  return (
    <tr className={strong ? 'border-t-2 border-ink font-semibold' : ''}>
      <th scope="row" className={`py-1 text-left ${strong ? '' : 'font-normal'}`}>
        {label}
      </th>
      <td />
      <td />
      {children.map(([id, amps]) => (
        <td key={id} className="px-2 text-right whitespace-nowrap tabular-nums last:pr-0">
          {amps}
        </td>
      ))}
    </tr>
  );
}

/** What every load draws and how much of the time it runs in each scenario. */
export function SchedulePanel({
  assessment,
  opened,
  onOpen,
}: {
  assessment: Assessment;
  opened: string | null;
  onOpen: (id: string | null) => void;
}) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build, vehicle, checks } = assessment;
  const low = lowVoltage(vehicle);
  const results = assessment.results['low-voltage'].schedule;
  const system = build.units;
  const amps = (value: number) => formatQuantity({ value, dimension: 'current' }, system, 2, 'A').text;
  const usual = usualLoads(build, vehicle, 'usual');
  const missing = LOAD_PRESETS.filter(({ name }) => !low.loads.some((one) => one.name === name));
  const worstOf = (id: string) =>
    checks.find((check) => check.subject.id === id && check.station === 'low-voltage' && check.verdict !== 'holds');
  const loadOf = (id: string) => low.loads.find((one) => one.id === id)!.load;
  return (
    <Panel title="Load schedule" about={`at ${results.atV} V; press a load to change it`}>
      <div data-schedule="">
        <DataTable
          label="Loads"
          wide
          columns={[
            {
              id: 'load',
              head: 'Load',
              cell: (row) => {
                const worst = worstOf(row.id);
                return (
                  <RowOpener
                    open={opened === row.id}
                    onOpen={() => onOpen(opened === row.id ? null : row.id)}
                    mark={<VerdictMark shape={worst ? shapeOf(worst.verdict) : 'holds'} size={11} />}
                  >
                    {row.name} {row.essential && <span className="text-note font-normal text-soft">essential</span>}
                  </RowOpener>
                );
              },
              value: ({ name }) => name,
            },
            {
              id: 'draws',
              head: 'draws',
              unit: 'A',
              figure: true,
              cell: ({ onA }) => amps(onA),
              value: ({ onA }) => onA,
            },
            {
              id: 'hardest',
              head: 'hardest',
              unit: 'A',
              figure: true,
              className: 'text-soft',
              cell: ({ id, peakA }) => (loadOf(id).peakRating === undefined ? '' : amps(peakA)),
              value: ({ id, peakA }) => (loadOf(id).peakRating === undefined ? null : peakA),
            },
            ...SCENARIOS.map((scenario): Column<Row> => {
              const runs = ({ id }: Row) => (loadOf(id).use[scenario] ?? 0) > 0;
              return {
                id: scenario,
                head: HEADS[scenario],
                unit: 'A',
                figure: true,
                cell: (row) => (runs(row) ? amps(row.averageA[scenario]) : <span className="text-soft">–</span>),
                value: (row) => (runs(row) ? row.averageA[scenario] : null),
              };
            }),
          ]}
          rows={results.loads}
          idOf={({ id }) => id}
          openId={opened}
          detail={({ id }) => <LoadFields assessment={assessment} id={id} onGone={() => onOpen(null)} />}
          foot={
            <>
              <Sum label="With the coils of the contactors, on average" strong>
                {results.scenarios.map(({ id, averageA }) => [id, amps(averageA)])}
              </Sum>
              <Sum label="Everything at its hardest at once">
                {results.scenarios.map(({ id, peakA }) => [id, amps(peakA)])}
              </Sum>
            </>
          }
        />
      </div>
      {usual.length > 0 && low.loads.length < 4 && (
        <div className="mt-3">
          <Action
            look="strong"
            onPress={() => dispatch({ edit: 'addLowLoads', input: { loads: usualLoads(build, vehicle, freshId()) } })}
          >
            Add the {usual.length} usual ones, and what your schools ask for
          </Action>
        </div>
      )}
      <div className="mt-3 max-w-[480px]">
        <ChoiceField
          label="Add a load"
          value={null}
          empty="lamps, pumps, assist, controls …"
          choices={missing.map(({ id, name }) => ({ value: id, label: name }))}
          onChoose={(id) => {
            const preset = LOAD_PRESETS.find((one) => one.id === id);
            if (preset)
              dispatch({ edit: 'addLowLoad', input: lowLoadOf(preset, freshId(), fusesAtC(assessment.vehicle)) });
          }}
        />
      </div>
    </Panel>
  );
}
