'use client';
import type { Assessment } from '@/core/assess';
import { SCENARIOS, type ScenarioId } from '@/core/build';
import { LOAD_PRESETS, lowLoadOf } from '@/core/parts';
import { formatQuantity } from '@/core/quantities';
import { lowResults } from '@/core/stations/low-voltage';
import { lowVoltage } from '@/core/vehicle';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { VerdictMark } from '@/ui/verdict-mark';
import { shapeOf } from '../shell/shape';

const HEADS: Readonly<Record<ScenarioId, string>> = {
  'night-rain-cold': 'night, rain, cold',
  day: 'day',
  parking: 'parking',
  charging: 'charging',
  parked: 'parked',
};

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
  const results = lowResults(vehicle);
  const system = build.units;
  const amps = (value: number) => formatQuantity({ value, dimension: 'current' }, system, 2, 'A').text;
  const missing = LOAD_PRESETS.filter(({ name }) => !low.loads.some((one) => one.name === name));
  const worstOf = (id: string) =>
    checks.find((check) => check.subject.id === id && check.station === 'low-voltage' && check.verdict !== 'holds');
  return (
    <Panel title="Load schedule" about={`at ${results.atV} V; press a load to change it`}>
      <div className="overflow-x-auto">
        <table className="w-full min-w-[640px] text-right text-[14px] tabular-nums" data-schedule="">
          <thead className="text-[13px] text-soft">
            <tr>
              <th className="py-1 text-left font-normal">Load</th>
              <th className="font-normal">draws</th>
              <th className="font-normal">hardest</th>
              {SCENARIOS.map((id) => (
                <th key={id} className="pl-3 font-normal">
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
                <tr key={row.id} className={`border-t border-rule/70 ${opened === row.id ? 'bg-well' : ''}`}>
                  <td className="py-1 text-left">
                    <button
                      type="button"
                      aria-expanded={opened === row.id}
                      onClick={() => onOpen(opened === row.id ? null : row.id)}
                      className="flex items-center gap-2 text-left font-semibold underline-offset-4 hover:underline"
                    >
                      <VerdictMark shape={worst ? shapeOf(worst.verdict) : 'holds'} size={11} />
                      {row.name}
                      {row.essential && <span className="text-[12px] font-normal text-soft">essential</span>}
                    </button>
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
      {opened && low.loads.some(({ id }) => id === opened) && (
        <LoadFields assessment={assessment} id={opened} onGone={() => onOpen(null)} />
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

function LoadFields({ assessment, id, onGone }: { assessment: Assessment; id: string; onGone: () => void }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const entry = lowVoltage(assessment.vehicle).loads.find((one) => one.id === id)!;
  const { load } = entry;
  const system = assessment.build.units;
  const set = (part: Partial<typeof load>) =>
    dispatch({ edit: 'setLowLoad', input: { deviceId: id, load: { ...load, ...part } } });
  const dimension = load.kind === 'constant-current' ? 'current' : 'power';
  return (
    <div className="mt-2 grid gap-x-8 border-l-[3px] border-rule bg-well p-3 min-[700px]:grid-cols-2">
      <div>
        <p className="font-semibold">{entry.name}</p>
        <QuantityField
          label="Draws"
          value={load.rating}
          dimension={dimension}
          system={system}
          onCommit={(rating) => set({ rating })}
        />
        <QuantityField
          label="At its hardest"
          value={load.peakRating ?? null}
          dimension={dimension}
          system={system}
          empty="the same"
          onCommit={(peakRating) => set({ peakRating })}
        />
        <QuantityField
          label="Works down to"
          value={load.minimumV ?? null}
          dimension="voltage"
          system={system}
          onCommit={(minimumV) => set({ minimumV })}
        />
        <ChoiceField
          label="Essential when the converter dies"
          value={load.essential ? 'yes' : 'no'}
          choices={[
            { value: 'yes', label: 'yes' },
            { value: 'no', label: 'no' },
          ]}
          onChoose={(value) => set({ essential: value === 'yes' })}
        />
      </div>
      <div>
        {SCENARIOS.map((scenario) => (
          <QuantityField
            key={scenario}
            label={`Runs, ${HEADS[scenario]}`}
            value={load.use[scenario] ?? 0}
            dimension="ratio"
            unit="%"
            system={system}
            onCommit={(value) => set({ use: { ...load.use, [scenario]: Math.min(1, Math.max(0, value)) } })}
          />
        ))}
        <Wires assessment={assessment} id={id} />
        <div className="mt-2">
          <Action look="quiet" onPress={() => dispatch({ edit: 'dropLowLoad', input: { deviceId: id } }) && onGone()}>
            Take it away with its fuse and wires
          </Action>
        </div>
      </div>
    </div>
  );
}

/** Feed and earth of a load: how long, where they lie and among how many. */
function Wires({ assessment, id }: { assessment: Assessment; id: string }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { lv } = lowVoltage(assessment.vehicle);
  const { build } = assessment;
  const feed = lv.conductors.find(({ conductor: { b } }) => b.deviceId === id && b.terminal === 'plus');
  const earth = lv.conductors.find(({ conductor: { a } }) => a.deviceId === id && a.terminal === 'minus');
  const relay = feed && lv.deviceOf.get(feed.conductor.a.deviceId);
  if (!feed) return null;
  const both = [feed, ...(earth ? [earth] : [])];
  return (
    <>
      {both.map(({ id: wire, lengthM }, k) => (
        <QuantityField
          key={wire}
          label={k === 0 ? 'Feed, length' : 'Earth, length'}
          value={lengthM}
          dimension="length"
          system={build.units}
          onCommit={(value) => dispatch({ edit: 'setConductor', input: { conductorId: wire, lengthM: value } })}
        />
      ))}
      <ChoiceField
        label="They lie in"
        value={feed.laid?.zoneId ?? null}
        choices={Object.values(build.zones).map((zone) => ({ value: zone.id, label: zone.name }))}
        onChoose={(zoneId) => {
          for (const { id: wire, laid } of both)
            if (laid) dispatch({ edit: 'setConductor', input: { conductorId: wire, laid: { ...laid, zoneId } } });
        }}
      />
      <QuantityField
        label="Loaded wires in the same bundle"
        value={feed.laid?.loadedCircuits ?? 1}
        dimension="count"
        system={build.units}
        onCommit={(count) => {
          const loadedCircuits = Math.min(50, Math.max(1, Math.round(count)));
          for (const { id: wire, laid } of both)
            if (laid)
              dispatch({ edit: 'setConductor', input: { conductorId: wire, laid: { ...laid, loadedCircuits } } });
        }}
      />
      {relay?.device.kind === 'relay' && (
        <ChoiceField
          label="Its relay carries"
          value={String(relay.device.ratedA ?? '')}
          choices={[...new Set([20, 30, 40, 70, 100, 200, relay.device.ratedA ?? 30])]
            .sort((p, q) => p - q)
            .map((amps) => ({ value: String(amps), label: `${amps} A` }))}
          onChoose={(amps) =>
            dispatch({ edit: 'setContactRating', input: { deviceId: relay.id, ratedA: Number(amps) } })
          }
        />
      )}
    </>
  );
}
