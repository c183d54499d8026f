'use client';
import type { Assessment } from '@/core/assess';
import { LOAD_JOBS, type LoadJob, loadCircuit, SCENARIOS, type ScenarioId } from '@/core/build';
import { JOB_WORDS } from '@/core/stations/survey';
import { lowVoltage, partOf } from '@/core/vehicle';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { QuantityField } from '@/ui/quantity-field';

/** Scenarios as the schedule heads them. */
export const HEADS: Readonly<Record<ScenarioId, string>> = {
  'night-rain-cold': 'night, rain, cold',
  day: 'day',
  parking: 'parking',
  charging: 'charging',
  parked: 'parked',
};

/** Everything about one load: what it draws, when it runs, its fuse and its wires. */
export function LoadFields({ assessment, id, onGone }: { assessment: Assessment; id: string; onGone: () => void }) {
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
        {load.peakRating !== undefined && (
          <QuantityField
            label="For"
            value={load.peakS ?? null}
            dimension="time"
            system={system}
            empty="2 s, assumed"
            onCommit={(peakS) => set({ peakS })}
          />
        )}
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
        <ChoiceField
          label="It serves as"
          value={load.job ?? 'none'}
          choices={[
            { value: 'none', label: 'nothing in particular' },
            ...LOAD_JOBS.map((job) => ({ value: job, label: JOB_WORDS[job] })),
          ]}
          onChoose={(value) => {
            const { job: _, ...rest } = load;
            const next = value === 'none' ? rest : { ...rest, job: value as LoadJob };
            dispatch({ edit: 'setLowLoad', input: { deviceId: id, load: next } });
          }}
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
        <Shares assessment={assessment} id={id} />
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

/** On whose fuse, and whose relay, a load hangs. */
function Shares({ assessment, id }: { assessment: Assessment; id: string }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build, vehicle } = assessment;
  const { loads, lv } = lowVoltage(vehicle);
  const own = loadCircuit(build, id);
  if (own.fuseId === null) return null;
  const others = loads.filter((one) => one.id !== id);
  const sharing = others.filter((one) => loadCircuit(build, one.id).fuseId === own.fuseId);
  const choices = others.flatMap(({ id: other, name }) => {
    const { fuseId, relayId } = loadCircuit(build, other);
    if (fuseId === null || fuseId === own.fuseId) return [];
    return [
      { value: `fuse ${other}`, label: `the one of ${name}` },
      ...(relayId === null ? [] : [{ value: `relay ${other}`, label: `the one of ${name}, behind its relay` }]),
    ];
  });
  const part = partOf(lv.deviceOf.get(own.fuseId), 'fuse');
  return (
    <ChoiceField
      label="Fuse"
      value="now"
      choices={[
        {
          value: 'now',
          label: sharing.length > 0 ? `shared with ${sharing.map(({ name }) => name).join(', ')}` : 'its own',
        },
        ...(sharing.length > 0 ? [{ value: 'own', label: 'one of its own' }] : []),
        ...choices,
      ]}
      onChoose={(value) => {
        const [how, withId] = value.split(' ');
        if (value === 'own' && part)
          dispatch({ edit: 'ungroupLoad', input: { loadId: id, seed: freshId(), fuse: part } });
        else if (withId) dispatch({ edit: 'groupLoad', input: { loadId: id, withId, relay: how === 'relay' } });
      }}
    />
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
