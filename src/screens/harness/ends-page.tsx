'use client';
import { useCallback, useDeferredValue, useMemo, useState } from 'react';
import type { Assessment } from '@/core/assess';
import { END_STATES, type EndState, type WireSide } from '@/core/build';
import { type HarnessWire, hostsOf, liveEnds } from '@/core/vehicle';
import { newestBuild, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Ask } from '@/ui/ask';
import { LongList } from '@/ui/long-list';
import { Caution, Panel } from '@/ui/panel';
import { Select } from '@/ui/select';
import { EndDrawer } from './end-drawer';
import { ALL, END_WORDS, type EndFilter, filtered, nextState, withState } from './end-words';
import { OldLoomPanel } from './old-loom-panel';
import { PrintEnds } from './print-ends';
import { WireCard } from './wire-card';

const NONE: ReadonlySet<string> = new Set();
const idOf = ({ id }: HarnessWire) => id;
/** Of a card with the gap under it. */
const CARD_PX = 112;
const EVERY: EndFilter = { find: '', loom: ALL, place: ALL, state: 'open' };

/** The wires of the car with both ends side by side, ticked by thumb. */
export function EndsPage({ assessment }: { assessment: Assessment }) {
  const { build, vehicle, results } = assessment;
  const { harness, ends } = results.harness;
  const dispatch = useBench((bench) => bench.dispatch);
  const [filter, setFilter] = useState<EndFilter>(EVERY);
  const [picked, setPicked] = useState<{ id: string; side: WireSide } | null>(null);
  const [bulk, setBulk] = useState<EndState | null>(null);
  const shown = useDeferredValue(filter);
  /** What was ticked here stays where it is until the filter changes: nothing moves under the thumb. */
  const [touched, setTouched] = useState<ReadonlySet<string>>(NONE);
  const list = useMemo(() => filtered(harness.wires, shown, touched), [harness.wires, shown, touched]);
  const live = useMemo(
    () => new Map(liveEnds(vehicle).map((end) => [`${end.wire.id} ${end.side}`, end.source])),
    [vehicle],
  );
  const looms = [...new Set(harness.wires.map(({ loom }) => loom))].sort();
  const places = useMemo(() => {
    const used = new Set(hostsOf(build).map(({ zoneId }) => zoneId));
    return Object.values(build.zones).filter(({ id }) => used.has(id));
  }, [build]);
  const advance = useCallback(
    (wire: HarnessWire, side: WireSide) => {
      setTouched((before) => new Set([...before, wire.id]));
      // Of the newest build: a tick that is still being judged must not be lost by the next.
      const now = newestBuild();
      if (now)
        dispatch({
          edit: 'putInHarness',
          input: { list: 'ends', entries: [withState(now, wire, [side], nextState(wire.ends[side].state))] },
        });
    },
    [dispatch],
  );
  const pick = useCallback((id: string, side: WireSide) => {
    setTouched((before) => new Set([...before, id]));
    setPicked({ id, side });
  }, []);
  const look = (next: EndFilter) => {
    setTouched(NONE);
    setFilter(next);
  };
  const put = (more: Partial<EndFilter>) => look({ ...filter, ...more });
  const chosen = picked && harness.wireOf.get(picked.id);
  if (harness.wires.length === 0)
    return <p className="text-soft">Wires come by themselves with the circuit and the 12-volt side.</p>;
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <p className="font-tight text-title" data-open-ends={ends.open}>
          <b className="font-semibold tabular-nums">{ends.open}</b> of {ends.all} ends open
        </p>
        <p className="flex-1 text-soft max-[500px]:hidden">
          Press an end once it is a step further; its “…” has the other states.
        </p>
      </div>
      {live.size > 0 && (
        <div className="mt-2">
          <Caution>
            {live.size === 1 ? 'A loose end is' : `${live.size} loose ends are`} live: the other end of the wire is on a
            source. Isolate the source, prove the meter, prove dead, prove the meter again; then take that end off, or
            cap and tie back the loose one.
          </Caution>
        </div>
      )}
      <div className="sticky top-0 z-10 -mx-1 mt-2 grid grid-cols-2 gap-x-3 gap-y-1 border-b border-rule bg-paper px-1 py-2 min-[800px]:grid-cols-4 min-[901px]:-top-3.5 min-[901px]:pt-4">
        <input
          type="search"
          aria-label="Find a wire"
          placeholder="W042, pump, yellow …"
          value={filter.find}
          onChange={(event) => put({ find: event.currentTarget.value })}
          className="min-h-11 min-w-0 rounded-[3px] border border-rule bg-panel px-2"
        />
        <Select
          label="Which ends"
          value={filter.state}
          onChoose={(state) => put({ state: state as EndFilter['state'] })}
          className="min-h-11 border border-rule bg-panel px-2"
          choices={[
            { value: 'open', label: 'open ends' },
            { value: ALL, label: 'all wires' },
            { value: 'wrong', label: 'not as designed' },
            ...END_STATES.map((value) => ({ value, label: END_WORDS[value] })),
          ]}
        />
        <Select
          label="Sub-harness"
          value={filter.loom}
          onChoose={(loom) => put({ loom })}
          className="min-h-11 border border-rule bg-panel px-2"
          choices={[{ value: ALL, label: 'every sub-harness' }, ...looms.map((value) => ({ value, label: value }))]}
        />
        <Select
          label="Place"
          value={filter.place}
          onChoose={(place) => put({ place })}
          className="min-h-11 border border-rule bg-panel px-2"
          choices={[
            { value: ALL, label: 'every place' },
            ...places.map(({ id, name }) => ({ value: id, label: name })),
          ]}
        />
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1">
        <p className="flex-1 text-soft">
          {list.length} {list.length === 1 ? 'wire' : 'wires'}
        </p>
        {list.length > 0 && (
          <Select
            label={`Both ends of these ${list.length} are`}
            value={null}
            empty="both ends of all these are …"
            onChoose={(state) => setBulk(state as EndState)}
            choices={END_STATES.map((value) => ({ value, label: END_WORDS[value] }))}
          />
        )}
        {list.length > 0 && <PrintEnds build={build} wires={list} />}
        {filter !== EVERY && (
          <Action look="quiet" onPress={() => look(EVERY)}>
            Clear the filter
          </Action>
        )}
      </div>
      {list.length === 0 ? (
        <p className="mt-3">
          {shown.state === 'open' && shown.find === '' ? 'No end is open here.' : 'No wire is like that.'}
        </p>
      ) : (
        <LongList label="Wires" items={list} idOf={idOf} height={CARD_PX} twoFrom={1180}>
          {(wire) => (
            <WireCard
              wire={wire}
              liveA={live.get(`${wire.id} a`)}
              liveB={live.get(`${wire.id} b`)}
              onNext={advance}
              onPick={pick}
            />
          )}
        </LongList>
      )}
      {harness.gone.length > 0 && (
        <Panel className="mt-3" title="In the car, and in the design no more">
          <ul>
            {harness.gone.map(({ id, name, ends: there }) => (
              <li key={id} data-gone={id} className="flex flex-wrap items-center gap-2 border-t border-rule/70 py-1">
                <span className="flex-1">
                  <b className="font-semibold">{name}</b>
                  <span className="text-soft">
                    {' '}
                    {there.map(({ made }) => `${END_WORDS[made.state]} at ${made.hostName}`).join(', ')}
                  </span>
                </span>
                <Action
                  onPress={() => dispatch({ edit: 'dropFromHarness', input: { list: 'ends', id } })}
                  label={`${name} is out of the car`}
                >
                  It is out
                </Action>
              </li>
            ))}
          </ul>
        </Panel>
      )}
      <OldLoomPanel build={build} />
      {chosen && picked && <EndDrawer build={build} wire={chosen} side={picked.side} onClose={() => setPicked(null)} />}
      <Ask
        open={bulk !== null}
        title={`Both ends of ${list.length} wires: ${bulk ? END_WORDS[bulk] : ''}?`}
        go={`All ${list.length}`}
        stay="Not now"
        onStay={() => setBulk(null)}
        onGo={() => {
          if (bulk)
            dispatch({
              edit: 'putInHarness',
              input: {
                list: 'ends',
                entries: list.map((wire) => withState(newestBuild() ?? build, wire, ['a', 'b'], bulk)),
              },
            });
          setBulk(null);
        }}
      >
        What was ticked of them before is replaced; one undo brings it back.
      </Ask>
    </>
  );
}
