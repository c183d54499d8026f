'use client';
import { Fragment } from 'react';
import type { Assessment } from '@/core/assess';
import { SCENARIOS } from '@/core/build';
import { LOAD_PRESETS, lowLoadOf } from '@/core/parts';
import { formatQuantity } from '@/core/quantities';
import { usualLoads } from '@/core/remedies';
import { lowVoltage } from '@/core/vehicle';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { VerdictMark } from '@/ui/verdict-mark';
import { RowOpener } from '../shell/data-table';
import { shapeOf } from '../shell/shape';
import { HEADS, LoadFields } from './load-fields';

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
  return (
    <Panel title="Load schedule" about={`at ${results.atV} V; press a load to change it`}>
      <div className="overflow-x-auto">
        <table className="w-full min-w-[640px] text-right text-small tabular-nums" data-schedule="">
          <thead className="text-note text-soft">
            <tr>
              <th scope="col" className="py-1 text-left font-normal">
                Load
              </th>
              <th scope="col" className="pl-3 font-normal">
                draws
              </th>
              <th scope="col" className="pl-3 font-normal">
                hardest
              </th>
              {SCENARIOS.map((id) => (
                <th scope="col" key={id} className="pl-3 font-normal">
                  {HEADS[id]}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {results.loads.map((row) => {
              const entry = low.loads.find(({ id }) => id === row.id)!;
              const worst = worstOf(row.id);
              return (
                <Fragment key={row.id}>
                  <tr className={`border-t border-rule/70 ${opened === row.id ? 'bg-well' : ''}`}>
                    <td className="py-1 text-left">
                      <RowOpener
                        open={opened === row.id}
                        onOpen={() => onOpen(opened === row.id ? null : row.id)}
                        mark={<VerdictMark shape={worst ? shapeOf(worst.verdict) : 'holds'} size={11} />}
                      >
                        {row.name} {row.essential && <span className="text-note font-normal text-soft">essential</span>}
                      </RowOpener>
                    </td>
                    <td className="whitespace-nowrap">{amps(row.onA)}</td>
                    <td className="whitespace-nowrap text-soft">
                      {entry.load.peakRating === undefined ? '' : amps(row.peakA)}
                    </td>
                    {SCENARIOS.map((id) => (
                      <td key={id} className="pl-3 whitespace-nowrap">
                        {(entry.load.use[id] ?? 0) > 0 ? amps(row.averageA[id]) : <span className="text-soft">–</span>}
                      </td>
                    ))}
                  </tr>
                  {opened === row.id && (
                    <tr className="bg-well">
                      <td colSpan={SCENARIOS.length + 3} className="pb-2 text-left">
                        <LoadFields assessment={assessment} id={row.id} onGone={() => onOpen(null)} />
                      </td>
                    </tr>
                  )}
                </Fragment>
              );
            })}
            <tr className="border-t-2 border-ink font-semibold">
              <td className="py-1 text-left">With the coils of the contactors, on average</td>
              <td />
              <td />
              {results.scenarios.map(({ id, averageA }) => (
                <td key={id} className="pl-3 whitespace-nowrap">
                  {amps(averageA)}
                </td>
              ))}
            </tr>
            <tr>
              <td className="py-1 text-left">Everything at its hardest at once</td>
              <td />
              <td />
              {results.scenarios.map(({ id, peakA }) => (
                <td key={id} className="pl-3 whitespace-nowrap">
                  {amps(peakA)}
                </td>
              ))}
            </tr>
          </tbody>
        </table>
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
            if (preset) dispatch({ edit: 'addLowLoad', input: lowLoadOf(preset, freshId()) });
          }}
        />
      </div>
    </Panel>
  );
}
