import type { Id, StateId } from '../build';
import {
  type CoilCircuit,
  closedIn,
  coilCircuit,
  type Edge,
  Follows,
  Loops,
  meteredOhm,
  type Resolved,
  solveCoils,
  stateOf,
  stillIn,
} from '../vehicle';

/** What a person or a crash opens. */
export const HANDLES: ReadonlySet<string> = new Set(['emergency-stop']);
export const LOOP_KINDS = ['emergency-stop', 'inertia-switch', 'interlock-contact', 'disconnect'] as const;

/** One thing opened by itself while driving: which contactors let go and which stay in. */
export interface StopTest {
  readonly id: Id;
  readonly letsGo: readonly Id[];
  readonly staysIn: readonly Id[];
}

/** One failure with every handle pressed: what it is, and which contactors it holds in. */
export interface SingleFailure {
  readonly kind: 'bridged' | 'touches-plus';
  /** Device that is bridged, or conductor whose end touches the supply. */
  readonly id: Id;
  readonly staysIn: readonly Id[];
}

/** A place to put the probe: the terminal, what to read with everything closed, and the way from the battery's plus to it. */
export interface TestPoint {
  readonly node: string;
  readonly deviceId: Id;
  readonly expectedV: number;
  /** With the supply off, from the battery's plus terminal, Ω; solved when it is asked for. */
  readonly fromPlusOhm: () => number;
}

/** Contactors that these states ask to be closed and whose coils are wired. */
function askedIn(vehicle: Resolved, circuit: CoilCircuit, states: readonly StateId[]): ReadonlySet<Id> {
  const asked = new Set(states.flatMap((id) => [...closedIn(vehicle, stateOf(id))]));
  return new Set(circuit.wired.filter(({ id }) => asked.has(id)).map(({ id }) => id));
}

/** While driving or charging. */
const driving = (vehicle: Resolved, circuit: CoilCircuit) => askedIn(vehicle, circuit, ['cruise', 'charging']);

/** At any moment: a stop may come while it precharges. */
const ever = (vehicle: Resolved, circuit: CoilCircuit) =>
  askedIn(vehicle, circuit, ['precharge', 'cruise', 'charging']);

/** Opens each stop and each wire of the coil circuit by itself. Empty without a coil circuit. */
export function stopTests(vehicle: Resolved): readonly StopTest[] {
  const circuit = coilCircuit(vehicle);
  if (!circuit) return [];
  const commanded = driving(vehicle, circuit);
  const all = new Set(stillIn(circuit, { commanded }));
  const ids = [...circuit.stops.map(({ id }) => id), ...circuit.lv.conductors.map(({ id }) => id)];
  return ids.map((id) => {
    const staysIn = stillIn(circuit, { commanded, open: new Set([id]) });
    return { id, staysIn, letsGo: [...all].filter((coil) => !staysIn.includes(coil)) };
  });
}

/** Contactors that stay in when these are opened together, whenever that is. */
export function heldWith(vehicle: Resolved, open: readonly Id[]): readonly Id[] {
  const circuit = coilCircuit(vehicle);
  if (!circuit) return [];
  return stillIn(circuit, { commanded: ever(vehicle, circuit), open: new Set(open) });
}

/** Switches in the feed of the coils, drivers apart: what each lets go of. */
export interface KeyTest {
  readonly id: Id;
  /** Contactors that stay in with it open; those that are held with everything closed count. */
  readonly staysIn: readonly Id[];
  readonly letsGo: readonly Id[];
}

/** Each key, hand switch or relay contact on any way from the battery to a coil, opened by itself. Empty without a coil circuit. */
export function keyTests(vehicle: Resolved): readonly KeyTest[] {
  const circuit = coilCircuit(vehicle);
  if (!circuit) return [];
  return keysOf.get(circuit, () => testKeys(vehicle, circuit), commandedKey(vehicle, circuit));
}

const keysOf = new Follows<CoilCircuit, readonly KeyTest[]>();

/** Which coils are commanded hangs on the traction circuit, not on the coils' own: what is kept is kept for just these. */
const commandedKey = (vehicle: Resolved, circuit: CoilCircuit): string => [...ever(vehicle, circuit)].sort().join(' ');

function testKeys(vehicle: Resolved, circuit: CoilCircuit): readonly KeyTest[] {
  const feeds = feedingIds(circuit);
  const all = heldWith(vehicle, []);
  return circuit.stops
    .filter(
      ({ id, device }) =>
        (device.kind === 'lv-switch' || device.kind === 'relay') && feeds.has(id) && !circuit.driverOf.has(id),
    )
    .map(({ id }) => {
      const staysIn = heldWith(vehicle, [id]);
      return { id, staysIn, letsGo: all.filter((coil) => !staysIn.includes(coil)) };
    });
}

/** Everything that lies on some way from the battery's plus to a coil's plus. */
function feedingIds(circuit: CoilCircuit): ReadonlySet<Id> {
  const edges: Edge[] = circuit.lv.conductors.map(({ id, nodeA, nodeB }) => ({
    id,
    a: nodeA,
    b: nodeB,
    source: false,
  }));
  for (const { id, device } of circuit.stops) {
    const [a, b] = PASSES[device.kind] ?? ['a', 'b'];
    edges.push({ id, a: `${id}.${a}`, b: `${id}.${b}`, source: false });
  }
  for (const { id } of circuit.wired)
    edges.push({ id: `${id} coil`, a: circuit.batteryPlus, b: `${id}.coilPlus`, source: true });
  const fed = new Loops(edges).fed();
  return new Set(edges.flatMap((edge, k) => (fed[k] ? [edge.id] : [])));
}

/**
 * With every handle pressed, one failure more: a contact of the circuit bridged, or either end of a wire touching the supply's plus.
 * Lists those that hold a contactor in. A failed driver alone holds nothing in: the handle is before it.
 */
export function singleFailures(vehicle: Resolved): readonly SingleFailure[] {
  const circuit = coilCircuit(vehicle);
  if (!circuit) return [];
  return failuresOf.get(circuit, () => findFailures(vehicle, circuit), commandedKey(vehicle, circuit));
}

const failuresOf = new Follows<CoilCircuit, readonly SingleFailure[]>();

function findFailures(vehicle: Resolved, circuit: CoilCircuit): readonly SingleFailure[] {
  const commanded = ever(vehicle, circuit);
  const open = new Set(circuit.stops.filter(({ device }) => HANDLES.has(device.kind)).map(({ id }) => id));
  if (open.size === 0) return [];
  const failures: SingleFailure[] = [];
  for (const { id } of circuit.stops) {
    const staysIn = stillIn(circuit, { commanded, open, bridged: new Set([id]) });
    if (staysIn.length > 0) failures.push({ kind: 'bridged', id, staysIn });
  }
  for (const { id, nodeA, nodeB } of circuit.lv.conductors) {
    const held = new Set([nodeA, nodeB].flatMap((node) => stillIn(circuit, { commanded, open, touchesPlus: node })));
    if (held.size > 0) failures.push({ kind: 'touches-plus', id, staysIn: [...held] });
  }
  return failures;
}

/** Devices and conductors from the battery's plus to a coil's plus, in order, everything closed; null when nothing feeds it. */
export function coilFeed(circuit: CoilCircuit, contactorId: Id): readonly Id[] | null {
  return walk(circuit, circuit.batteryPlus, `${contactorId}.coilPlus`);
}
/** The way back from a coil's minus to the battery's minus. */
export function coilReturn(circuit: CoilCircuit, contactorId: Id): readonly Id[] | null {
  return walk(circuit, `${contactorId}.coilMinus`, circuit.ground);
}

const PASSES: Readonly<Record<string, readonly [string, string]>> = { disconnect: ['auxA', 'auxB'] };

function walk(circuit: CoilCircuit, from: string, to: string): readonly Id[] | null {
  const links = new Map<string, { readonly to: string; readonly id: Id }[]>();
  const link = (a: string, b: string, id: Id) => {
    links.set(a, [...(links.get(a) ?? []), { to: b, id }]);
    links.set(b, [...(links.get(b) ?? []), { to: a, id }]);
  };
  for (const { id, nodeA, nodeB } of circuit.lv.conductors) link(nodeA, nodeB, id);
  for (const { id, device } of circuit.stops) {
    const [a, b] = PASSES[device.kind] ?? ['a', 'b'];
    link(`${id}.${a}`, `${id}.${b}`, id);
  }
  const earths = circuit.lv.devices.filter(({ device }) => device.kind === 'earth');
  for (const { id } of earths.slice(1)) link(`${earths[0]!.id}.n`, `${id}.n`, id);
  const by = new Map<string, { from: string; id: Id } | null>([[from, null]]);
  const queue = [from];
  for (let head = 0; head < queue.length && !by.has(to); head++)
    for (const { to: next, id } of links.get(queue[head]!) ?? []) {
      if (by.has(next)) continue;
      by.set(next, { from: queue[head]!, id });
      queue.push(next);
    }
  if (!by.has(to)) return null;
  const path: Id[] = [];
  for (let step = by.get(to); step; step = by.get(step.from)) path.unshift(step.id);
  return path;
}

/** The other terminal of a wire or a contact. */
function otherEnd(circuit: CoilCircuit, id: Id, node: string): string {
  const wire = circuit.lv.conductorOf.get(id);
  if (wire) return wire.nodeA === node ? wire.nodeB : wire.nodeA;
  const [a, b] = PASSES[circuit.stops.find((stop) => stop.id === id)?.device.kind ?? ''] ?? ['a', 'b'];
  return node === `${id}.${a}` ? `${id}.${b}` : `${id}.${a}`;
}

/** Rest voltage of a sound auxiliary battery, V. */
const REST_V = 12.6;

/** Terminals along the loop in order, from the battery to the coils, with the readings to expect while driving on the battery alone. */
export function testPoints(vehicle: Resolved): readonly TestPoint[] {
  const circuit = coilCircuit(vehicle);
  if (!circuit) return [];
  const commanded = driving(vehicle, circuit);
  const point = solveCoils(circuit, { supplyV: REST_V, commanded });
  const found = new Map<string, TestPoint>();
  for (const coil of circuit.wired.filter(({ id }) => commanded.has(id))) {
    const path = coilFeed(circuit, coil.id);
    if (!path) continue;
    let node = circuit.batteryPlus;
    for (const id of path) {
      node = otherEnd(circuit, id, node);
      const at = node;
      if (!found.has(at))
        found.set(at, {
          node,
          deviceId: node.slice(0, node.lastIndexOf('.')),
          expectedV: point.nodeV(node),
          fromPlusOhm: () => meteredOhm(circuit, commanded, at),
        });
    }
  }
  return [...found.values()];
}
