import type { Id } from '../build';
import { type Element, firstInstant, NetworkError, transient } from '../circuit';
import {
  chargesApart,
  closedIn,
  cornersOf,
  groundOf,
  isPrechargeRelay,
  Loops,
  type PrechargeBranch,
  prechargeBranches,
  Recent,
  room,
  spelled,
  stamp,
  stateOf,
  UNKNOWN_AMBIENT_C,
  type Vehicle,
} from '../vehicle';
import { type Closing, settledCapacitors } from './closing-inrush';
import { inductances } from './fault-network';
import { behindItsOwn } from './fault-transient';
import { isRun, type PrechargeOutcome, prechargeRuns } from './precharge';

/** One contactor closing in the course of start and charge, and what then flows through it. */
export interface ClosingEvent {
  readonly contactorId: Id;
  /** before: as the sequence begins, nothing charged. relay: the precharge relay itself. bridged: after its precharge. onto: onto a bus that is live. */
  readonly when: 'before' | 'relay' | 'bridged' | 'onto';
  readonly closing: Closing;
}

/** A contactor whose closing could not be worked out, and why. */
export interface ClosingUnknown {
  readonly contactorId: Id;
  readonly unknown: string;
}

/** Under this nothing worth a name flows, V. */
const NOTHING_V = 0.5;
const FIRST_MOMENT_S = 0.002;

const known = room(() => new Recent<readonly (ClosingEvent | ClosingUnknown)[]>(8));

/**
 * Every contactor in the order in which it closes (those before precharge, relay, bridged ones, branches; then what charging adds) with the
 * capacitors as they stand by then. Contactors that close without a loop, or with nothing across them, are not listed. Warm, new, full pack.
 */
export function closings(vehicle: Vehicle): readonly (ClosingEvent | ClosingUnknown)[] {
  const ground = groundOf(vehicle);
  if (ground === null) return [];
  const outcomes = prechargeRuns(vehicle);
  const reads = spelled(
    ground,
    stampWith(vehicle, new Set()),
    ['precharge', 'ready', 'charging'].map((id) => [...closedIn(vehicle, stateOf(id as 'ready'))]),
    [...inductances(vehicle)],
    chargesApart(vehicle.build),
    outcomes.map((one) => (isRun(one) ? [one.closing, one.curve.at(-1)?.linkV, one.packV] : one.why)),
  );
  return vehicle.memory.of(known).get(reads, () => follow(vehicle, ground, prechargeBranches(vehicle), outcomes));
}

function stampWith(vehicle: Vehicle, closed: ReadonlySet<Id>): Element[] {
  return stamp(vehicle, {
    state: stateOf('precharge'),
    closed,
    corner: cornersOf(vehicle.build).find((candidate) => candidate.id === 'warm-new-full')!,
    temperatureOf: (id) => vehicle.conductorOf.get(id)?.zone?.ambientC ?? UNKNOWN_AMBIENT_C,
    capacitors: true,
    ohmicShare: 0.5,
    withoutLoads: true,
  });
}

function follow(
  vehicle: Vehicle,
  ground: string,
  branches: readonly PrechargeBranch[],
  outcomes: readonly PrechargeOutcome[],
): (ClosingEvent | ClosingUnknown)[] {
  const events: (ClosingEvent | ClosingUnknown)[] = [];
  const closed = new Set<Id>();
  // What is joined to cells with everything open stands charged already.
  const volts = new Map(settledCapacitors(stampWith(vehicle, closed), ground));
  const rest = () => {
    for (const [id, v] of settledCapacitors(stampWith(vehicle, closed), ground)) volts.set(id, v);
  };
  /** Of two closings of the same contactor the harder one counts. */
  const keep = (event: ClosingEvent | ClosingUnknown) => {
    const at = events.findIndex(({ contactorId }) => contactorId === event.contactorId);
    const before = events[at];
    if (!before) events.push(event);
    else if ('closing' in before && (!('closing' in event) || event.closing.peakCurrentA > before.closing.peakCurrentA))
      events[at] = event;
  };
  const close = (id: Id, when: ClosingEvent['when']) => {
    const found = closeOne(vehicle, ground, closed, volts, id);
    if (found) keep('unknown' in found ? found : { contactorId: id, when, closing: found });
    closed.add(id);
    rest();
  };
  const branchOf = (id: Id) => branches.findIndex(({ bridgedIds }) => bridgedIds.includes(id));
  /** Charges through a branch and closes what it bridges, as its own run has it. */
  const chargeThrough = (at: number) => {
    const branch = branches[at]!;
    const run = outcomes[at]!;
    if (!isRun(run)) return;
    for (const id of branch.relayIds)
      events.push({
        contactorId: id,
        when: 'relay',
        closing: { differenceV: run.packV, peakCurrentA: run.peakCurrentA, i2tA2s: 0 },
      });
    if (run.closing) events.push({ contactorId: run.contactorId, when: 'bridged', closing: run.closing });
  };
  const done = new Set<number>();
  for (const stateId of ['precharge', 'ready', 'charging'] as const) {
    if (stateId === 'charging' && chargesApart(vehicle.build)) {
      // It begins with everything open; what has discharged meanwhile takes its charge again.
      closed.clear();
      volts.clear();
      rest();
    }
    const wanted = [...closedIn(vehicle, stateOf(stateId))].filter(
      (id) => !closed.has(id) && !isPrechargeRelay(vehicle, id),
    );
    // What a precharge bridges goes first: the others close onto a bus that it has charged.
    const bridged = wanted.filter((id) => {
      const outcome = outcomes[branchOf(id)];
      // A resistor that charges nothing bridges nothing: what it stands across closes like any other.
      return outcome && (isRun(outcome) || (outcome.why !== 'charged' && outcome.why !== 'shorted'));
    });
    for (const id of bridged) {
      const at = branchOf(id);
      if (!done.has(at)) chargeThrough(at);
      done.add(at);
      closed.add(id);
    }
    if (bridged.length > 0) rest();
    for (const id of wanted) if (!bridged.includes(id)) close(id, stateId === 'precharge' ? 'before' : 'onto');
  }
  return events;
}

/** What flows through one contactor as it closes; null: nothing. */
function closeOne(
  vehicle: Vehicle,
  ground: string,
  closed: ReadonlySet<Id>,
  volts: ReadonlyMap<string, number>,
  contactorId: Id,
): Closing | ClosingUnknown | null {
  const joined = stampWith(vehicle, new Set([...closed, contactorId]));
  const conducts = joined.filter((element) => element.kind !== 'switch' || element.closed);
  const loops = new Loops(
    conducts.map(({ id, a, b, kind }) => ({ id, a, b, source: kind === 'source' || kind === 'capacitor' })),
  );
  const number = conducts.findIndex(({ id }) => id === contactorId);
  const fed = loops.fed();
  if (number < 0 || !fed[number]) return null;
  const still = loops.fed([number]);
  const block = conducts.filter((_, k) => fed[k]);
  const withCharge = block.map((element) =>
    element.kind === 'capacitor' ? { ...element, initialVoltageV: volts.get(element.id) ?? 0 } : element,
  );
  // Without a capacitor in its loop, or anything that it completes, it closes on what the pack drives at rest: nothing.
  if (!withCharge.some(({ kind }) => kind === 'capacitor')) return null;
  try {
    const open = withCharge.filter(({ id }) => id !== contactorId);
    const { a, b } = joined.find(({ id }) => id === contactorId)!;
    const nodes = new Set(open.flatMap((element) => [element.a, element.b]));
    const reference = nodes.has(ground) ? ground : [...nodes][0]!;
    // Another closed way beside it: it joins what is joined.
    const differenceV = Math.abs(openVoltage(open, reference, a, b));
    if (!(differenceV > NOTHING_V) || (still.length > 0 && differenceV < NOTHING_V)) return null;
    const henry = inductances(vehicle);
    const spread = withCharge.flatMap((element): Element[] => {
      if (element.kind === 'capacitor') return behindItsOwn(element);
      const inductanceH = henry.get(element.id) ?? 0;
      if (!(inductanceH > 0)) return [element];
      const between = `${element.id}~`;
      return [
        { ...element, b: between },
        { id: `${element.id}~L`, kind: 'inductor', a: between, b: element.b, inductanceH },
      ];
    });
    const result = transient(
      { elements: spread, ground: reference },
      { stopS: FIRST_MOMENT_S, initial: 'rest', watch: [contactorId], tolerance: 1e-4 },
    );
    if (!result.converged) return { contactorId, unknown: result.reason };
    const record = result.elements.get(contactorId)!;
    return { differenceV, peakCurrentA: Math.abs(record.peakCurrentA), i2tA2s: record.i2tA2s };
  } catch (error) {
    if (error instanceof NetworkError) return { contactorId, unknown: error.message };
    throw error;
  }
}

/** Voltage between two nodes with the contactor open and every capacitor at its charge; islands that only capacitors tie count as tied. */
function openVoltage(elements: readonly Element[], ground: string, a: string, b: string): number {
  return firstInstant({
    elements: [...elements, { id: 'meter', kind: 'resistor', a, b, resistanceOhm: 1e9 }],
    ground,
  }).voltage(a, b);
}
