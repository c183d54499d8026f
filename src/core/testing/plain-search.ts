import { type Faults, only } from '../simulate/sequence/apart';
import { FAULT, FAULTS, type FaultName, WORLD } from '../simulate/sequence/bits';
import { eventsOf, type SearchEvent, withInput } from '../simulate/sequence/events';
import { Machine } from '../simulate/sequence/machine';
import { type Seen, seenOf } from '../simulate/sequence/properties';
import type { SequenceDesign } from '../simulate/sequence/sequence-design';
import { watchesOf } from '../simulate/sequence/watches';

interface State {
  readonly word: number;
  readonly mode: number;
  readonly fault: number;
  /** Steps of its shortest story, waiting not counted. */
  readonly steps: number;
}

export interface PlainResult {
  readonly states: number;
  readonly transitions: number;
  /** Of each property that is broken: under which faults, and after how many steps the first time; waiting is none. */
  readonly broken: ReadonlyMap<string, { readonly faults: readonly FaultName[]; readonly steps: number }>;
}

/**
 * The question of the search, answered in the plainest way: one state after the other under one fault after the other, breadth first, each
 * followed step by step. What the search does for many faults at once is held against it. Without properties of one’s own that look back.
 */
export function plainSearch(design: SequenceDesign): PlainResult {
  const machine = new Machine(design);
  const events = eventsOf(design);
  const faults = events.flatMap((one) => (one.kind === 'fault' ? [FAULT[one.fault]] : []));
  const watches = watchesOf(
    design,
    faults.reduce((all: Faults, fault) => all | only(fault), 1),
  );
  const bears = new Map(watches.map(({ id, open }) => [id, open]));
  const found = new Map<string, Map<number, number>>();
  const breaks = (id: string, fault: number, steps: number) => {
    if (!(bears.get(id)! & only(fault))) return;
    if (!found.has(id)) found.set(id, new Map());
    const at = found.get(id)!;
    at.set(fault, Math.min(steps, at.get(fault) ?? Number.POSITIVE_INFINITY));
  };
  const met = new Set<number>();
  const queue: State[] = [];
  let transitions = 0;
  const stand = ({ word, mode, fault }: State) => Object.assign(machine, { word, mode, fault });
  const meet = (fault: number, steps: number) => {
    for (;;) {
      const { word, mode } = machine;
      const key = (mode * 32 + fault) * 2 ** 24 + word;
      if (met.has(key)) return;
      met.add(key);
      queue.push({ word, mode, fault, steps });
      machine.tick();
    }
  };
  const happened = (fault: number, steps: number) => {
    transitions += 1;
    for (const { id, edge } of watches) if (edge & machine.seen) breaks(id, fault, steps);
  };
  const attempt = (from: State, event: SearchEvent): void => {
    stand(from);
    if (event.kind === 'input') {
      const after = withInput(from.word, event.input, event.is);
      if (after === from.word) return;
      machine.word = after;
      machine.settle(from.word);
    } else if (event.kind === 'fault') {
      if (from.fault !== 0 || !mayFail(event.fault, from.mode, machine.actual(from.word, from.mode, 0))) return;
      machine.fault = FAULT[event.fault];
      machine.settle(from.word, 0);
    } else return;
    const { fault } = machine;
    happened(fault, from.steps + 1);
    meet(fault, from.steps + 1);
  };
  machine.word = WORLD.linkDead;
  meet(0, 0);
  for (let k = 0; k < queue.length; k++) {
    const state = queue[k]!;
    const { word, mode, fault, steps } = state;
    const seen: Seen = seenOf(machine, word, mode, fault);
    for (const { id, never, stuck } of watches) if (!stuck && never?.(seen)) breaks(id, fault, steps);
    stand(state);
    machine.tick();
    happened(fault, steps);
    if (machine.word === word && machine.mode === mode)
      for (const { id, never, stuck } of watches) if (stuck && never?.(seen)) breaks(id, fault, steps);
    for (const event of events) attempt(state, event);
  }
  return {
    states: met.size,
    transitions,
    broken: new Map(
      [...found].map(([id, at]) => [
        id,
        {
          faults: [...at.keys()].sort((p, q) => p - q).map((fault) => FAULTS[fault]!),
          // A story without a fault is told before one with one.
          steps: at.get(0) ?? Math.min(...at.values()),
        },
      ]),
    ),
  };
}

const SORTS: Partial<Record<FaultName, number>> = {
  'main-welded': 4,
  'minus-welded': 1,
  'relay-welded': 2,
  'charge-welded': 8,
};

/** Only what is closed welds, or it has welded while all was off; a false reading does not begin within precharge. */
function mayFail(fault: FaultName, mode: number, closed: number): boolean {
  const sort = SORTS[fault];
  if (sort !== undefined) return mode === 0 || (closed & sort) !== 0;
  return fault !== 'link-reads-up' || (mode !== 2 && mode !== 9);
}
