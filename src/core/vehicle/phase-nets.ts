import { deviceDefinition, type End, type Id, PHASES, TERMINALS } from '../build';
import type { Wired } from './loops';
import { nodeOf } from './node';

/** What one phase leads to, through wires, joints and whatever carries current on between two terminals, open or closed. */
export interface PhaseNet {
  /** Phases of motors and inverters that meet here. */
  readonly phases: readonly End[];
  /** Devices beyond them that it meets: cells, what hangs on the bus, the body. Phases belong to none of these. */
  readonly strangerIds: readonly Id[];
  /** A contact stands in it: what it leads to may change. */
  readonly switched: boolean;
}

/** The nets of all phases that a wire leads to; a phase at which nothing is landed has none. */
export function phaseNets({ devices, conductors }: Wired): PhaseNet[] {
  if (!conductors.some(({ conductor: { a, b } }) => PHASES.has(a.terminal) || PHASES.has(b.terminal))) return [];
  const next = new Map<string, string[]>();
  const join = (a: string, b: string) => {
    for (const [from, to] of [
      [a, b],
      [b, a],
    ] as const) {
      const list = next.get(from);
      if (list) list.push(to);
      else next.set(from, [to]);
    }
  };
  const at = new Map<string, End>();
  const deviceOf = new Map(devices.map(({ id, device }) => [id, device] as const));
  for (const { id, device } of devices) {
    const terminals = Object.keys(TERMINALS[device.kind]).filter(
      (terminal) => (TERMINALS[device.kind] as Readonly<Record<string, string>>)[terminal] === 'hv',
    );
    const ends = terminals.map((terminal): End => ({ deviceId: id, terminal }));
    for (const end of ends) at.set(nodeOf(end), end);
    const { stands } = deviceDefinition(device.kind);
    if ((stands === 'switch' || stands === 'series') && ends.length >= 2) join(nodeOf(ends[0]!), nodeOf(ends[1]!));
  }
  for (const { conductor } of conductors) join(nodeOf(conductor.a), nodeOf(conductor.b));
  const seen = new Set<string>();
  return [...at].flatMap(([start, { terminal }]): PhaseNet[] => {
    if (!PHASES.has(terminal) || seen.has(start) || !next.has(start)) return [];
    const net = new Set([start]);
    for (const node of net) for (const other of next.get(node) ?? []) net.add(other);
    for (const node of net) seen.add(node);
    const ends = [...net].flatMap((node) => at.get(node) ?? []);
    const strangers = ends.filter(({ deviceId, terminal: at }) => {
      const { kind } = deviceOf.get(deviceId)!;
      const { stands } = deviceDefinition(kind);
      return !PHASES.has(at) && kind !== 'junction' && stands !== 'switch' && stands !== 'series';
    });
    return [
      {
        phases: ends.filter(({ terminal: at }) => PHASES.has(at)),
        strangerIds: [...new Set(strangers.map(({ deviceId }) => deviceId))],
        switched: ends.some(({ deviceId }) => deviceDefinition(deviceOf.get(deviceId)!.kind).stands === 'switch'),
      },
    ];
  });
}
