import type { Build, BusFrame, BusNode, Id } from '../../build';
import { canFrameBits, canMostStubM, canMostTrunkM } from '../../physics/can';
import { fromBuild } from '../memory';
import { hostOf } from './hosts';
import { type HarnessWire, harnessOf, type Wiring } from './wires';

/** A device on a CAN bus. */
export interface LineNode {
  readonly hostId: Id;
  readonly port: string;
  readonly name: string;
  readonly node: BusNode | null;
  /** It joins wires and says nothing itself. */
  readonly passes: boolean;
  /** Off the way between the two ends, m; null: a length on the way is not known. */
  readonly stubM: number | null;
}

export interface DataLine {
  /** Of its first node. */
  readonly id: string;
  readonly nodes: readonly LineNode[];
  readonly wires: readonly HarnessWire[];
  /** Nodes that only one of the two wires reaches, and wires with H at one end and L at the other. */
  readonly oneSided: readonly string[];
  readonly crossed: readonly HarnessWire[];
  /** Wires that close a ring. */
  readonly ring: boolean;
  readonly terminators: readonly LineNode[];
  /** Nodes of which nobody told whether they terminate. */
  readonly untold: readonly LineNode[];
  /** Between H and L with everything off, Ω; null: none terminates, the line is open. */
  readonly ohm: number | null;
  /** Between the ends, m; null: a length is not known. */
  readonly trunkM: number | null;
  /** The same for all; null: not told, or not the same. */
  readonly bitRateBps: number | null;
  readonly rates: readonly number[];
  readonly twice: readonly { readonly identifier: number; readonly names: readonly string[] }[];
  /** Ports that are told twice, otherwise each time. */
  readonly doubled: readonly string[];
  /** Asked for by a node and sent by none. */
  readonly unsent: readonly { readonly identifier: number; readonly name: string }[];
  /** Of all its time, with the most stuffing; null: not told. */
  readonly load: number | null;
  readonly mostTrunkM: number | null;
  readonly mostStubM: number | null;
}

/** High or low at the end of a pin’s name, as a word or behind CAN or a number: a “signal” ends in no L. */
const HIGH_LOW = /(?<=^|[\s_-]|can|\d)[\s_-]*(high|low|h|l)$/i;
/** A port of a device: what is left of a pin’s name without high and low. */
export const portOf = (pin: string): string => pin.trim().replace(HIGH_LOW, '').trim().toUpperCase();
const sideOfPin = (pin: string): 'can-high' | 'can-low' | null => {
  const found = pin.trim().match(HIGH_LOW)?.[1]?.toLowerCase();
  return found === undefined ? null : found.startsWith('h') ? 'can-high' : 'can-low';
};

interface Edge {
  readonly a: string;
  readonly b: string;
  readonly wire: HarnessWire;
}

/** Shortest ways from a node along the wires, m; unknown lengths make unknown ways (NaN). */
function waysFrom(
  start: string,
  edges: readonly Edge[],
): Map<string, { readonly m: number; readonly by: string | null }> {
  const found = new Map<string, { m: number; by: string | null }>([[start, { m: 0, by: null }]]);
  const queue = [start];
  for (let here = queue.shift(); here !== undefined; here = queue.shift())
    for (const { a, b, wire } of edges) {
      if (a !== here && b !== here) continue;
      const other = a === here ? b : a;
      if (found.has(other)) continue;
      found.set(other, { m: found.get(here)!.m + (wire.lengthM ?? Number.NaN), by: here });
      queue.push(other);
    }
  return found;
}

function between(
  start: string,
  end: string,
  edges: readonly Edge[],
): { readonly keys: readonly string[]; readonly m: number } {
  const ways = waysFrom(start, edges);
  const keys: string[] = [];
  for (let at: string | null = end; at !== null; at = ways.get(at)?.by ?? null) keys.push(at);
  return { keys, m: ways.get(end)?.m ?? Number.NaN };
}

const known = (m: number): number | null => (Number.isFinite(m) ? m : null);

/** Identifiers of 11 and of 29 bits are different ones. */
const frameKey = ({ identifier, extended }: Pick<BusFrame, 'identifier' | 'extended'>): number =>
  extended || identifier > 0x7ff ? identifier + 0x20000000 : identifier;

function lineOf(build: Build, id: string, keys: readonly string[], edges: readonly Edge[]): DataLine {
  const nodes = Object.values(build.harness?.nodes ?? {});
  const bare = keys.map((key) => {
    const [hostId = '', port = ''] = key.split('\0');
    const host = hostOf(build, hostId);
    return {
      key,
      hostId,
      port,
      name: host?.name ?? 'nothing that is in the build',
      passes: host?.passes ?? false,
      node: nodes.find((one) => one.hostId === hostId && portOf(one.port) === port) ?? null,
    };
  });
  const talk = bare.filter(({ passes }) => !passes);
  const ends = bare.filter(({ node }) => node?.terminates === true);
  const high = edges.filter(({ wire }) => wire.signal === 'can-high');
  const low = edges.filter(({ wire }) => wire.signal === 'can-low');
  // Along the high wire; where it reaches less, along the low one.
  const along = high.length >= low.length ? high : low;
  let trunk: { keys: readonly string[]; m: number };
  if (ends.length === 2) trunk = between(ends[0]!.key, ends[1]!.key, along);
  else {
    const far = (from: string) =>
      [...waysFrom(from, along)].reduce((best, one) => ((one[1].m || 0) > (best[1].m || 0) ? one : best))[0];
    const start = far(keys[0]!);
    trunk = between(start, far(start), along);
  }
  const stub = (key: string): number | null => {
    const ways = waysFrom(key, along);
    const lengths = trunk.keys.map((one) => ways.get(one)?.m ?? Number.NaN);
    return lengths.some((m) => Number.isNaN(m)) ? null : Math.min(...lengths);
  };
  const view = bare.map(({ key, ...node }): LineNode => ({ ...node, stubM: stub(key) }));
  const reached = (list: readonly Edge[]) => new Set(list.flatMap(({ a, b }) => [a, b]));
  const [onHigh, onLow] = [reached(high), reached(low)];
  const rates = [...new Set(talk.flatMap(({ node }) => (node?.bitRateBps === undefined ? [] : [node.bitRateBps])))];
  const ratesTold = talk.every(({ node }) => node?.bitRateBps !== undefined);
  const bitRateBps = ratesTold && rates.length === 1 ? rates[0]! : null;
  const senders = new Map<number, { identifier: number; names: string[] }>();
  for (const { node, name } of talk)
    for (const frame of node?.sends ?? []) {
      const entry = senders.get(frameKey(frame)) ?? { identifier: frame.identifier, names: [] };
      entry.names.push(name);
      senders.set(frameKey(frame), entry);
    }
  const framesTold = talk.every(({ node }) => node?.sends !== undefined);
  const bits = talk
    .flatMap(({ node }) => node?.sends ?? [])
    .reduce((sum, frame) => sum + canFrameBits(frame.bytes, frameKey(frame) > 0x1fffffff).most / frame.periodS, 0);
  return {
    id,
    nodes: view,
    wires: edges.map(({ wire }) => wire),
    oneSided: bare.filter(({ key }) => onHigh.has(key) !== onLow.has(key)).map(({ name }) => name),
    crossed: edges.flatMap(({ wire }) =>
      [wire.ends.a, wire.ends.b].some(({ terminal }) => {
        const side = sideOfPin(terminal);
        return side !== null && side !== wire.signal;
      })
        ? [wire]
        : [],
    ),
    ring: [high, low].some((list) => list.length > 0 && list.length >= reached(list).size),
    terminators: view.filter(({ node }) => node?.terminates === true),
    untold: view.filter(({ node, passes }) => !passes && node?.terminates === undefined),
    ohm: ends.length === 0 ? null : 120 / ends.length,
    trunkM: known(trunk.m),
    bitRateBps,
    rates,
    twice: [...senders.values()].filter(({ names }) => names.length > 1),
    doubled: bare.flatMap(({ hostId, port, name }) =>
      nodes.filter((one) => one.hostId === hostId && portOf(one.port) === port).length > 1 ? [name] : [],
    ),
    unsent: talk.flatMap(({ node, name }) =>
      (node?.hears ?? []).flatMap((identifier) =>
        senders.has(frameKey({ identifier })) ? [] : [{ identifier, name }],
      ),
    ),
    load: framesTold && bitRateBps !== null ? bits / bitRateBps : null,
    mostTrunkM: bitRateBps === null ? null : canMostTrunkM(bitRateBps),
    mostStubM: bitRateBps === null ? null : canMostStubM(bitRateBps),
  };
}

/** CAN buses as they are wired: a port of a device belongs to the line that its wires lead to, whatever it is called. */
export const dataLines = fromBuild((vehicle: Wiring): readonly DataLine[] => {
  const { build } = vehicle;
  const edges: Edge[] = harnessOf(vehicle).wires.flatMap((wire) => {
    if (wire.signal !== 'can-high' && wire.signal !== 'can-low') return [];
    const key = ({ hostId, terminal }: { hostId: Id; terminal: string }) =>
      `${hostId}\0${hostOf(build, hostId)?.passes ? '' : portOf(terminal)}`;
    return [{ a: key(wire.ends.a), b: key(wire.ends.b), wire }];
  });
  const left = new Set(edges.flatMap(({ a, b }) => [a, b]));
  const lines: DataLine[] = [];
  for (const start of left) {
    const keys = [...waysFrom(start, edges).keys()];
    for (const key of keys) left.delete(key);
    lines.push(
      lineOf(
        build,
        start.split('\0')[0]!,
        keys,
        edges.filter(({ a }) => keys.includes(a)),
      ),
    );
  }
  return lines;
});
