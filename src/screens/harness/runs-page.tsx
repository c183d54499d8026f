'use client';
import { useMemo, useState } from 'react';
import type { Assessment } from '@/core/assess';
import { formatQuantity } from '@/core/quantities';
import { endWords, type HarnessWire, type Host, middleOf, type Run, runsOf } from '@/core/vehicle';
import { newestBuild, useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { Select } from '@/ui/select';
import { RunsDrawing, runName } from '../shell/runs-drawing';
import { ALL } from './end-words';
import { colourWords, Swatch } from './swatch';

/** Which way the wires of a sub-harness go through the vehicle. */
export function RunsPage({ assessment }: { assessment: Assessment }) {
  const { build, results } = assessment;
  const { wires } = results.harness.harness;
  const dispatch = useBench((bench) => bench.dispatch);
  const looms = [...new Set(wires.map(({ loom }) => loom))].sort();
  const [loom, setLoom] = useState<string | null>(null);
  const [pickedId, setPickedId] = useState<string | null>(null);
  // All at once is a tangle: one sub-harness first.
  const chosen = loom === ALL || looms.includes(loom ?? '') ? loom! : (looms[0] ?? ALL);
  const runs = useMemo(
    () =>
      runsOf(
        build,
        wires.filter((wire) => wire.circuit !== 'hv' && (chosen === ALL || wire.loom === chosen)),
      ),
    [build, wires, chosen],
  );
  const picked = runs.runs.find(({ id }) => id === pickedId) ?? null;
  const metres = (m: number | null) =>
    m === null ? 'no length known' : formatQuantity({ value: m, dimension: 'length' }, build.units, 3).text;
  const zones = Object.values(build.zones).filter(({ id }) => middleOf(build, id) !== null);
  const put = (host: Host, zoneId: string) => {
    const at = middleOf(build, zoneId);
    const fitting = (newestBuild() ?? build).harness?.fittings?.[host.id];
    if (fitting) dispatch({ edit: 'putInHarness', input: { list: 'fittings', entries: [{ ...fitting, zoneId }] } });
    // The middle of a zone is a guess, and goes on being told as one until it is dragged.
    else if (at) dispatch({ edit: 'placeDevices', input: { places: [{ deviceId: host.id, ...at, zoneId }] } });
  };
  const press = (id: string) => setPickedId((before) => (before === id ? null : id));
  return (
    <div data-print className="grid gap-3">
      <Panel title="Runs" about="dashed: no way is laid, drawn straight">
        <div className="no-print mb-1 flex flex-wrap items-center gap-3">
          <Select
            label="Sub-harness"
            value={chosen}
            onChoose={(next) => {
              setLoom(next);
              setPickedId(null);
            }}
            className="min-h-11"
            choices={[...looms.map((value) => ({ value, label: value })), { value: ALL, label: 'every sub-harness' }]}
          />
        </div>
        {runs.runs.length === 0 ? (
          <p className="text-soft">
            No wire of it goes from one place to another: enter places in Cables, or of fittings on the page of wires.
          </p>
        ) : (
          <div className="overflow-x-auto">
            <RunsDrawing assessment={assessment} runs={runs} pickedId={picked?.id ?? null} onPick={press} />
          </div>
        )}
        <ul aria-label="Runs">
          {runs.runs.map((run) => (
            <li key={run.id} className="border-t border-dotted border-rule">
              <button
                type="button"
                aria-pressed={run.id === picked?.id}
                onClick={() => press(run.id)}
                className="flex min-h-10 w-full flex-wrap items-baseline gap-x-3 text-left aria-pressed:font-semibold"
              >
                <span className="min-w-0 flex-1">{runName(run)}</span>
                <span className="text-small text-soft tabular-nums">{lengths(run, metres)}</span>
              </button>
              {run.id === picked?.id && <Wires wires={run.wires} metres={metres} />}
            </li>
          ))}
        </ul>
      </Panel>
      {runs.unplaced.length > 0 && (
        <Panel title="Not on the plan" about={`${runs.unplaced.length}`}>
          <p className="text-soft">
            An end of each is at something whose place nobody entered. Tell the zone: it stands in the middle of it
            until it is dragged to its true place, in Cables.
          </p>
          <div className="no-print grid gap-x-8 min-[700px]:grid-cols-2">
            {runs.homeless.map((host) => (
              <ChoiceField
                key={host.id}
                label={host.name}
                value={null}
                empty="not entered"
                choices={zones.map(({ id, name }) => ({ value: id, label: name }))}
                onChoose={(zoneId) => put(host, zoneId)}
              />
            ))}
          </div>
          <Wires wires={runs.unplaced} metres={metres} />
        </Panel>
      )}
      {runs.within.length > 0 && (
        <p className="text-small text-soft">
          {runs.within.length} {runs.within.length === 1 ? 'wire stays' : 'wires stay'} at one place.
        </p>
      )}
    </div>
  );
}

const lengths = ({ longestM, unmeasured, wires }: Run, metres: (m: number | null) => string): string =>
  longestM === null
    ? 'no length known'
    : `longest cut ${metres(longestM)}${unmeasured > 0 ? `, ${unmeasured} of ${wires.length} without a length` : ''}`;

function Wires({ wires, metres }: { wires: readonly HarnessWire[]; metres: (m: number | null) => string }) {
  return (
    <ul className="pb-2">
      {wires.map((wire) => (
        <li key={wire.id} className="flex flex-wrap items-center gap-x-2 py-0.5 text-small">
          <b className="font-semibold tabular-nums">{wire.label}</b>
          <Swatch colour={wire.colour} stripe={wire.stripe} />
          <span className="text-soft">{colourWords(wire.colour, wire.stripe)}</span>
          <span className="min-w-0 flex-1">
            {wire.name}: {endWords(wire, 'a')} to {endWords(wire, 'b')}
          </span>
          <span className="tabular-nums text-soft">{metres(wire.cutM)}</span>
        </li>
      ))}
    </ul>
  );
}
