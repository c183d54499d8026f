import { deviceDefinition, type Id } from '../../build';
import type { Finding } from '../../checks';
import { coilCircuit, lowVoltage, type Resolved, type ResolvedDevice, type Vehicle } from '../../vehicle';
import { defineRule, type Rule } from '../define';
import { loadRef } from './shared';

/** What a hand, a crash or a lid opens. */
const STOPS: ReadonlySet<string> = new Set(['emergency-stop', 'inertia-switch', 'interlock-contact', 'disconnect']);

type Joins = ReadonlyMap<string, readonly (readonly [string, Id])[]>;

/** The 12-volt circuit as nodes and what joins them: wires, and what carries current on between two terminals. */
function joinsOf(vehicle: Vehicle, lv: Resolved): Joins {
  const joins = new Map<string, (readonly [string, Id])[]>();
  const join = (a: string, b: string, id: Id) => {
    joins.set(a, [...(joins.get(a) ?? []), [b, id]]);
    joins.set(b, [...(joins.get(b) ?? []), [a, id]]);
  };
  for (const { id, nodeA, nodeB } of lv.conductors) join(nodeA, nodeB, id);
  // A load uses up what comes in: nothing is fed through it.
  const carries = (one: ResolvedDevice) => {
    if (one.device.kind === 'lv-load') return undefined;
    const { through, opens } = deviceDefinition(one.device.kind);
    return through ?? opens ?? (one.device.kind === 'lv-fuse' ? (['a', 'b'] as const) : undefined);
  };
  for (const one of [...lv.devices, ...vehicle.devices]) {
    const way = carries(one);
    if (way) join(`${one.id}.${way[0]}`, `${one.id}.${way[1]}`, one.id);
  }
  // Every earth point is the body.
  for (const { id, device } of lv.devices) if (device.kind === 'earth') join(`${id}.n`, 'body', id);
  return joins;
}

/** Nodes that a source's terminal still reaches with one thing open. */
function reached(joins: Joins, from: readonly string[], open: Id) {
  const seen = new Set(from);
  const queue = [...from];
  for (let head = 0; head < queue.length; head++)
    for (const [next, id] of joins.get(queue[head]!) ?? [])
      if (id !== open && !seen.has(next)) {
        seen.add(next);
        queue.push(next);
      }
  return seen;
}

const stopFeed = defineRule({
  id: 'lv.stop-feed',
  endangers: 'people',
  says: {
    fails: '{subject}: off as soon as the drive is stopped',
    holds: '{subject} when the drive is stopped',
    line: '{detail}',
  },
  sources: [
    'Brakes, steering and lamps outlast an emergency stop, a crash and an opened lid: they are fed around the coils’ loop (engineering judgement, after the intent of UN R13 and R79)',
    'What controls may hang on the loop, but on no coil’s own driver: it would be off until the contactor closes',
  ],
  judge: ({ vehicle }) => {
    const { loads, lv, battery, converters } = lowVoltage(vehicle);
    const circuit = coilCircuit(vehicle);
    if (!circuit || loads.length === 0) return [];
    // What stops the drive opens the contactors, and the converter dies with it: the battery alone is left.
    const plus = battery ? [`${battery.device.id}.plus`] : converters.map(({ id }) => `${id}.lvPlus`);
    const minus = battery ? [`${battery.device.id}.minus`] : converters.map(({ id }) => `${id}.lvMinus`);
    const joins = joinsOf(vehicle, lv);
    const ways = circuit.stops.flatMap(({ id, device }) =>
      STOPS.has(device.kind) || circuit.driverOf.has(id)
        ? [
            {
              name: device.name,
              stop: STOPS.has(device.kind),
              fed: reached(joins, plus, id),
              back: reached(joins, minus, id),
            },
          ]
        : [],
    );
    const all = { fed: reached(joins, plus, ''), back: reached(joins, minus, '') };
    return loads.flatMap(({ id, name, load }): Finding<'detail'>[] => {
      const [a, b] = [`${id}.plus`, `${id}.minus`];
      // What nothing feeds is said elsewhere.
      if (!load.essential || !all.fed.has(a) || !all.back.has(b)) return [];
      const lost = ways.filter(
        ({ fed, back, stop }) => (!stop || load.sort !== 'control') && !(fed.has(a) && back.has(b)),
      );
      return [
        {
          subject: loadRef(id, name),
          holds: lost.length === 0,
          figures: {
            detail:
              lost.length === 0
                ? 'fed around the loop of the coils'
                : `fed through ${lost.map((one) => one.name).join(', ')}`,
          },
        },
      ];
    });
  },
  remedies: 'Feed it from the fuse box by a fuse of its own, and land its earth beside the others.',
});

/** A relay that lies in every way to a load. */
interface Before {
  readonly name: string;
  /** Nothing else goes off with it. */
  readonly alone: boolean;
  /** Loads without which one can drive, that hang on it with no fuse between: it is theirs. */
  readonly others: readonly string[];
}

/** What hangs together with every relay open is one place, and relays join places: hundreds of them are opened one by one. */
function byRelays(lv: Resolved, joins: Joins) {
  const isRelay = (id: Id) => lv.deviceOf.get(id)?.device.kind === 'relay';
  const split = (relays: boolean): Joins =>
    new Map([...joins].map(([node, list]) => [node, list.filter(([, id]) => isRelay(id) === relays)]));
  const open = split(false);
  const places = new Map<string, string>();
  for (const node of joins.keys())
    if (!places.has(node)) for (const one of reached(open, [node], '')) places.set(one, node);
  const placeOf = (node: string) => places.get(node) ?? node;
  const between = new Map<string, (readonly [string, Id])[]>();
  for (const [node, list] of split(true))
    for (const [next, id] of list)
      between.set(placeOf(node), [...(between.get(placeOf(node)) ?? []), [placeOf(next), id]]);
  return { placeOf, between };
}

function relaysBefore(vehicle: Vehicle): ReadonlyMap<Id, readonly Before[]> {
  const { loads, lv, battery, converters } = lowVoltage(vehicle);
  const sources = (pole: 'plus' | 'minus') => [
    ...(battery ? [`${battery.device.id}.${pole}`] : []),
    ...converters.map(({ id }) => `${id}.${pole === 'plus' ? 'lvPlus' : 'lvMinus'}`),
  ];
  const joins = joinsOf(vehicle, lv);
  const { placeOf, between } = byRelays(lv, joins);
  const fedWithout = (open: Id) => {
    const [fed, back] = (['plus', 'minus'] as const).map((pole) => reached(between, sources(pole).map(placeOf), open));
    return new Set(
      loads
        .filter(({ id }) => fed!.has(placeOf(`${id}.plus`)) && back!.has(placeOf(`${id}.minus`)))
        .map(({ id }) => id),
    );
  };
  const wires = new Map([...joins].map(([node, list]) => [node, list.filter(([, id]) => lv.conductorOf.has(id))]));
  const fed = fedWithout('');
  const before = new Map<Id, Before[]>([...fed].map((id) => [id, []]));
  for (const { id, device } of lv.devices) {
    if (device.kind !== 'relay') continue;
    const still = fedWithout(id);
    const lost = loads.filter((load) => fed.has(load.id) && !still.has(load.id));
    const onIt = reached(wires, [`${id}.a`, `${id}.b`], '');
    const hangs = (load: { readonly id: Id }) => onIt.has(`${load.id}.plus`);
    const its = lost.filter((load) => !load.load.essential && hangs(load)).map(({ name }) => name);
    // What hangs on it itself may share it: a tell-tale beside the lamp.
    for (const load of lost)
      before.get(load.id)!.push({ name: device.name, alone: lost.length === 1, others: hangs(load) ? [] : its });
  }
  return before;
}

const relays = defineRule({
  id: 'lv.relays',
  endangers: 'people',
  says: {
    fails: '{subject} goes on only when two relays do',
    holds: '{subject} behind several relays',
    line: '{detail}',
  },
  sources: [
    'What brakes, steers or lights the road hangs on one relay of its own: a second in a row, perhaps another load’s, is one more that leaves it dead (engineering judgement)',
  ],
  judge: ({ vehicle }) => {
    const before = relaysBefore(vehicle);
    return lowVoltage(vehicle).loads.flatMap(({ id, name, load }): Finding<'detail'>[] => {
      const list = before.get(id) ?? [];
      if (!load.essential || list.length < 2) return [];
      const own = list.filter(({ alone }) => alone);
      const foreign = list.filter(({ others }) => others.length > 0);
      const holds = own.length < 2 && foreign.length === 0;
      return [
        {
          subject: loadRef(id, name),
          holds,
          figures: {
            detail: holds
              ? `${list.map((one) => one.name).join(', ')}: all but its own feed what one needs to drive, or whole fuses`
              : foreign.length > 0
                ? foreign.map((one) => `fed through ${one.name}, the relay of ${one.others.join(', ')}`).join('; ')
                : `fed through ${own.map((one) => one.name).join(' and ')}, which feed nothing else`,
          },
        },
      ];
    });
  },
  remedies: 'Feed it through its own relay from its own fuse; follow the wire from the relay that is not its own.',
});

export const STOP_FEED_RULES: readonly Rule[] = [stopFeed, relays];
