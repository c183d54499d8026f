import { type Id, own, type WireSide } from '../../build';
import { fromBuild } from '../memory';
import { type Host, hostOf, hostPlace } from './hosts';
import { type HarnessWire, harnessOf, type Wiring } from './wires';

export interface PlugPin {
  readonly no: number;
  readonly wires: readonly { readonly wire: HarnessWire; readonly side: WireSide }[];
}

/** The connector of a device or fitting with what is in each pin. */
export interface PlugView {
  readonly id: Id;
  readonly host: Host;
  readonly place: string;
  /** As it is at hand; null: not told. */
  readonly ways: number | null;
  readonly keyed: boolean | null;
  readonly sealed: boolean | null;
  readonly pins: readonly PlugPin[];
  /** Pins that hold more than one wire; and those beyond its ways. */
  readonly clashes: readonly PlugPin[];
  readonly beyond: readonly PlugPin[];
}

/** Connectors of the 12-volt side and of the signals, by place and name. */
export const plugsOf = fromBuild((vehicle: Wiring): readonly PlugView[] => {
  const { build } = vehicle;
  const pins = new Map<Id, Map<number, { wire: HarnessWire; side: WireSide }[]>>();
  for (const wire of harnessOf(vehicle).wires)
    for (const side of ['a', 'b'] as const) {
      const { pin, hostId } = wire.ends[side];
      if (pin === null) continue;
      const ofHost = pins.get(hostId) ?? new Map<number, { wire: HarnessWire; side: WireSide }[]>();
      pins.set(hostId, ofHost);
      ofHost.set(pin, [...(ofHost.get(pin) ?? []), { wire, side }]);
    }
  const views = [...pins].flatMap(([id, ofHost]): PlugView[] => {
    const host = hostOf(build, id);
    if (!host) return [];
    const plug = own(build.harness?.plugs ?? {}, id);
    const list = [...ofHost].map(([no, wires]) => ({ no, wires })).sort((p, q) => p.no - q.no);
    return [
      {
        id,
        host,
        place: hostPlace(build, host),
        ways: plug?.ways ?? null,
        keyed: plug?.keyed ?? null,
        sealed: plug?.sealed ?? null,
        pins: list,
        clashes: list.filter(({ wires }) => wires.length > 1),
        beyond: plug?.ways === undefined ? [] : list.filter(({ no }) => no > plug.ways!),
      },
    ];
  });
  return views.sort((p, q) => p.place.localeCompare(q.place) || p.host.name.localeCompare(q.host.name));
});

/** A traction terminal with the cables that land on it: one lug, or several stacked. */
export interface HvTerminal {
  readonly terminal: string;
  readonly at: string;
  readonly ends: readonly { readonly wire: HarnessWire; readonly side: WireSide }[];
}
export interface HvHost {
  readonly id: Id;
  readonly host: Host;
  readonly place: string;
  readonly terminals: readonly HvTerminal[];
}

/** Traction terminals, by place and name: what pins are to a connector. */
export const hvTerminalsOf = fromBuild((vehicle: Wiring): readonly HvHost[] => {
  const { build } = vehicle;
  const hosts = new Map<Id, Map<string, HvTerminal & { ends: { wire: HarnessWire; side: WireSide }[] }>>();
  for (const wire of harnessOf(vehicle).wires)
    if (wire.circuit === 'hv')
      for (const side of ['a', 'b'] as const) {
        const { hostId, terminal, at } = wire.ends[side];
        const ofHost = hosts.get(hostId) ?? new Map();
        hosts.set(hostId, ofHost);
        const known = ofHost.get(terminal) ?? { terminal, at, ends: [] };
        known.ends.push({ wire, side });
        ofHost.set(terminal, known);
      }
  return [...hosts]
    .flatMap(([id, terminals]): HvHost[] => {
      const host = hostOf(build, id);
      return host
        ? [
            {
              id,
              host,
              place: hostPlace(build, host),
              terminals: [...terminals.values()].sort((p, q) => p.at.localeCompare(q.at)),
            },
          ]
        : [];
    })
    .sort((p, q) => p.place.localeCompare(q.place) || p.host.name.localeCompare(q.host.name));
});
