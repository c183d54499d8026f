import type { LoadSort } from '../../build';
import { type Finding, marginAtMost, marginOfRise, quantityText as q, type Ref } from '../../checks';
import * as propose from '../../proposals';
import { told } from '../../quantities';
import {
  conductorAmpacity,
  conductorTemperature,
  type LowSolved,
  loomOfWire,
  loomWireAmpacity,
  lowVoltage,
  partOf,
  type Resolved,
  type ResolvedConductor,
  type Vehicle,
} from '../../vehicle';
import { amps, celsius, conductorRef, deviceRef, hotPlace, volts } from '../context';
import { defineRule, type Rule } from '../define';
import { wiresOf } from './behind-fuses';
import { alone, everythingOn, steadyPoint } from './solutions';

/** Wires, fuses and switches of the 12-volt side. */
const DROP_SHARE: Readonly<Record<LoadSort, number>> = {
  lamp: 0.03,
  control: 0.03,
  heater: 0.05,
  other: 0.05,
  motor: 0.05,
};
/** Motors for seconds. */
const PEAK_SHARE = 0.08;
const loadRef = (id: string, name: string): Ref => ({ kind: 'device', id, name });

/** Highest voltage between the feeding points and the battery’s minus: what a load would see without wires, V. */
function feedV(vehicle: Vehicle, one: LowSolved): number {
  const low = lowVoltage(vehicle);
  const converter = low.converters.map(({ id }) => one.betweenV(id, 'lvPlus', 'lvMinus'));
  return Math.max(one.batteryV, ...converter);
}

const drop = defineRule({
  id: 'lv.drop',
  endangers: 'comfort',
  says: {
    fails: '{subject} gets too little voltage',
    holds: '{subject}, drop',
    line: '{demand} of {limit} {how}',
    open: '{subject}',
  },
  sources: ['Out and back, hot: 3 % for lamps and control, 5 % general, 8 % for a motor’s seconds (practice)'],
  judge: ({ vehicle }) => {
    const low = lowVoltage(vehicle);
    return low.loads.flatMap(({ id, name, load }): Finding<'how'>[] => {
      const found = (
        [
          ['on', DROP_SHARE[load.sort]],
          ...(load.peakRating === undefined ? [] : [['peak', PEAK_SHARE] as const]),
        ] as const
      ).map(([how, share]) => {
        const one = alone(vehicle, id, how);
        if (!one.solved) return null;
        const source = feedV(vehicle, one);
        return { how, source, at: one.loadV(id), limit: share * source, demand: source - one.loadV(id) };
      });
      const subject = loadRef(id, name);
      const judged = found.flatMap((one) => one ?? []);
      if (judged.length < found.length || judged.some(({ source, at }) => source < 1 || at < 1))
        return [{ subject, missing: [{ ref: subject, what: 'a way from the battery and back' }] }];
      const worst = judged.reduce((p, r) => (r.demand / r.limit > p.demand / p.limit ? r : p));
      return [
        {
          subject,
          demand: volts(worst.demand),
          limit: volts(worst.limit),
          margin: marginAtMost(worst.demand, worst.limit),
          figures: { how: worst.how === 'peak' ? 'at its hardest' : 'running' },
          lines: () => [
            {
              formula: 'ΔV = V at the source − V at the load, out and back',
              figures: `${q(worst.source, 'voltage')} − ${q(worst.at, 'voltage')}`,
              result: volts(worst.demand),
              note: `By itself, wires at ${told(50, 'temperature')}. At most ${Math.round((worst.limit / worst.source) * 100)} %.`,
            },
          ],
        },
      ];
    });
  },
  remedies: [propose.loadWires],
  otherwise: 'A thicker or shorter way, out and back.',
});

/** A fuse is loaded with four fifths of its rating at most (practice). */
const FUSE_SHARE = 0.8;

const solves = defineRule({
  id: 'lv.solves',
  endangers: 'parts',
  says: {
    fails: 'The 12-volt side can’t give what is asked',
    holds: 'The 12-volt side is solved',
    line: '{detail}',
    open: 'The 12-volt side',
  },
  sources: ['Nodal solution of the whole 12-volt circuit with everything on: without one no current on it is known'],
  judge: ({ vehicle }) => {
    const low = lowVoltage(vehicle);
    if (low.loads.length === 0) return [];
    const one = everythingOn(vehicle);
    const subject: Ref = { kind: 'build', id: 'low-voltage', name: 'The 12-volt side' };
    if (!one.solved && one.why === 'none')
      return [{ subject, missing: [{ ref: subject, what: 'a battery or a converter that feeds it' }] }];
    return [
      {
        subject,
        holds: one.solved,
        figures: { detail: one.solved ? 'every current on it is known' : one.reason.replace(/\.$/, '') },
      },
    ];
  },
  remedies: 'A stronger converter or battery, or fewer loads at a time.',
});

const fuseLoad = defineRule({
  id: 'lv.fuse-load',
  endangers: 'fire',
  says: { fails: '{subject} is too small for its load', holds: '{subject}, load', line: '{demand} of {limit}' },
  sources: ['I_load / 0.8 ≤ I_n (practice; ISO 8820-3)'],
  judge: ({ vehicle }) => {
    const one = steadyPoint(vehicle);
    if (lowVoltage(vehicle).loads.length === 0 || !one) return [];
    return lowVoltage(vehicle).lv.devices.flatMap((device): Finding[] => {
      const fuse = partOf(device, 'fuse');
      if (!fuse || device.device.kind !== 'lv-fuse') return [];
      const current = Math.abs(one.currentA(device.id));
      if (current < 1e-3) return [];
      const demand = current / FUSE_SHARE;
      return [
        {
          subject: deviceRef(device),
          demand: amps(demand),
          limit: amps(fuse.ratedCurrentA),
          margin: marginAtMost(demand, fuse.ratedCurrentA),
          lines: () => [
            {
              formula: 'I / 0.8 ≤ I_n',
              figures: `${q(current, 'current')} / 0.8`,
              result: amps(demand),
              note: 'Everything on it running at once.',
            },
          ],
        },
      ];
    });
  },
  remedies: [propose.largerFuse],
});

const fuseWire = defineRule({
  id: 'lv.fuse-wire',
  endangers: 'fire',
  says: {
    fails: '{subject} does not protect its wire',
    holds: '{subject}, its wire',
    line: '{demand}, {wire} carries {limit}',
    open: '{subject}, its wire',
  },
  sources: ['The fuse protects the wire: I_n ≤ what the wire carries in its place (IEC 60364-4-43, 433.1)'],
  judge: ({ vehicle }) => {
    const low = lowVoltage(vehicle);
    if (low.loads.length === 0) return [];
    const behind = wiresOf(vehicle);
    return low.lv.devices.flatMap((device): Finding<'wire'>[] => {
      const fuse = partOf(device, 'fuse');
      if (!fuse || device.device.kind !== 'lv-fuse') return [];
      const wires = behind.get(device.id) ?? [];
      const unknown = wires.filter((wire) => wire.conductor.kind === 'cable' && (!wire.cable || !wire.thermal));
      const subject = deviceRef(device);
      if (unknown.length > 0)
        return [{ subject, missing: unknown.map((wire) => ({ ref: conductorRef(wire), what: 'part' })) }];
      const carried = wires.flatMap((wire) => {
        if (wire.conductor.kind !== 'cable') return [];
        const loom = loomOfWire(vehicle, wire.id);
        return [{ wire, carriesA: loom ? loomWireAmpacity(vehicle, loom, wire.id) : conductorAmpacity(wire) }];
      });
      const cold = carried.filter(({ carriesA }) => carriesA === null);
      if (cold.length > 0)
        return [
          { subject, missing: cold.map(({ wire }) => ({ ref: conductorRef(wire), what: 'what runs beside it' })) },
        ];
      const weakest = carried
        .flatMap(({ wire, carriesA }) => (carriesA === null ? [] : [{ wire, carriesA }]))
        .sort((p, r) => p.carriesA - r.carriesA)[0];
      if (!weakest) return [];
      return [
        {
          subject,
          demand: amps(fuse.ratedCurrentA),
          limit: amps(weakest.carriesA),
          margin: marginAtMost(fuse.ratedCurrentA, weakest.carriesA),
          figures: { wire: q(weakest.wire.cable!.areaMm2, 'area') },
          assumed: hotPlace(weakest.wire),
          lines: () => [
            {
              formula: 'I_n ≤ I_z',
              figures: `${q(fuse.ratedCurrentA, 'current')} ≤ ${q(weakest.carriesA, 'current')}`,
              result: { value: marginAtMost(fuse.ratedCurrentA, weakest.carriesA), dimension: 'ratio' },
              note: weakest.wire.conductor.name,
            },
          ],
        },
      ];
    });
  },
  remedies: [propose.guardWire],
});

const noFuse = defineRule({
  id: 'lv.load-fuse',
  endangers: 'fire',
  says: { fails: '{subject} has no fuse', holds: '{subject}', line: '{detail}' },
  sources: ['Each load behind a fuse of its circuit (practice; ISO 8820-3)'],
  judge: ({ vehicle }) => {
    const low = lowVoltage(vehicle);
    const protectedLoads = new Set<string>();
    for (const wires of wiresOf(vehicle).values())
      for (const { conductor } of wires)
        for (const { deviceId } of [conductor.a, conductor.b]) protectedLoads.add(deviceId);
    return low.loads
      .filter(({ id }) => !protectedLoads.has(id))
      .map(
        ({ id, name }): Finding<'detail'> => ({
          subject: loadRef(id, name),
          holds: false,
          figures: { detail: 'no fuse stands before it' },
        }),
      );
  },
  remedies: 'Feed it by a way of the fuse box.',
});

/** Wire between a source and its fuse (practice), m. */
const SOURCE_M = 0.3;

const sourceFuse = defineRule({
  id: 'lv.source-fuse',
  endangers: 'fire',
  says: { fails: '{subject} has no fuse at its terminal', holds: '{subject}, fuse at the source', line: '{detail}' },
  sources: ['A fuse at each source that can feed a fault: at the battery and at the converter (practice)'],
  judge: ({ vehicle }) => {
    const low = lowVoltage(vehicle);
    if (low.loads.length === 0) return [];
    const sources: (readonly [string, Ref])[] = [
      ...(low.battery
        ? [[`${low.battery.device.id}.plus`, loadRef(low.battery.device.id, low.battery.device.name)] as const]
        : []),
      ...low.converters.map(({ id, device }) => [`${id}.lvPlus`, loadRef(id, device.name)] as const),
    ];
    return sources.flatMap(([node, subject]): Finding<'detail'>[] => {
      const { wires, bare } = beforeAnyFuse(low.lv, node);
      if (wires.length === 0) return [];
      return [
        {
          subject,
          holds: bare.length === 0,
          figures: {
            detail:
              bare.length === 0
                ? `a fuse within ${told(0.3, 'length')} of every wire that leaves it`
                : `no fuse near it on ${bare.map(({ conductor }) => conductor.name).join(', ')}`,
          },
        },
      ];
    });
  },
  remedies: 'Put a fuse into the wire next to that terminal.',
});

/**
 * Wires at a source's potential with nothing between, and those of them that do not end at a fuse soon: too long a way to it, an end on
 * something else, or a fuse that a wire leads around.
 */
function beforeAnyFuse(
  lv: Resolved,
  source: string,
): { readonly wires: readonly ResolvedConductor[]; readonly bare: readonly ResolvedConductor[] } {
  const distance = new Map([[source, 0]]);
  const queue = [source];
  const wires = new Set<ResolvedConductor>();
  for (let head = 0; head < queue.length; head++) {
    const here = queue[head]!;
    for (const wire of lv.conductors) {
      if (wire.nodeA !== here && wire.nodeB !== here) continue;
      wires.add(wire);
      const far = wire.nodeA === here ? wire.nodeB : wire.nodeA;
      if (distance.has(far)) continue;
      distance.set(far, distance.get(here)! + (wire.lengthM ?? 1));
      queue.push(far);
    }
  }
  const ends = (node: string): boolean => {
    if (node === source) return true;
    const at = node.lastIndexOf('.');
    const id = node.slice(0, at);
    const kind = lv.deviceOf.get(id)?.device.kind;
    if (distance.get(node)! > SOURCE_M) return false;
    if (kind === 'lv-junction') return true;
    return kind === 'lv-fuse' && !distance.has(`${id}.${node.slice(at + 1) === 'a' ? 'b' : 'a'}`);
  };
  return { wires: [...wires], bare: [...wires].filter(({ nodeA, nodeB }) => !ends(nodeA) || !ends(nodeB)) };
}

const temperature = defineRule({
  id: 'lv.wire-temperature',
  endangers: 'fire',
  says: { fails: '{subject} gets too hot', holds: '{subject}', line: '{demand} of {limit} with {current}' },
  variants: {
    runaway: { fails: '{subject} burns', holds: '{subject}', line: 'no steady temperature with {current}' },
  },
  sources: ['Heat balance of the wire in its place with everything on it running'],
  judge: ({ vehicle }) => {
    const low = lowVoltage(vehicle);
    const one = steadyPoint(vehicle);
    if (low.loads.length === 0 || !one) return [];
    return low.lv.conductors.flatMap((conductor): Finding<'current', 'runaway'>[] => {
      const { cable, zone, thermal } = conductor;
      const current = Math.abs(one.currentA(conductor.id));
      // A wire in a loom is judged with it.
      if (conductor.conductor.kind !== 'cable' || current < 0.5 || loomOfWire(vehicle, conductor.id)) return [];
      if (!cable || !zone || !thermal)
        return [
          {
            subject: conductorRef(conductor),
            missing: [{ ref: conductorRef(conductor), what: cable ? 'place' : 'part' }],
          },
        ];
      const reached = conductorTemperature(conductor, current);
      const subject = conductorRef(conductor);
      if (reached === null) return [{ subject, holds: false, variant: 'runaway', figures: { current: amps(current) } }];
      const margin = marginOfRise(reached, cable.temperatureClassC, zone.ambientC);
      return [
        {
          subject,
          demand: celsius(reached),
          limit: celsius(cable.temperatureClassC),
          margin,
          figures: { current: amps(current) },
        },
      ];
    });
  },
  remedies: [propose.thisWire],
});

const contact = defineRule({
  id: 'lv.contact',
  endangers: 'fire',
  says: { fails: '{subject} carries too much', holds: '{subject}, contact', line: '{demand} of {limit}' },
  sources: ['A switch or relay carries what its contact is rated for'],
  judge: ({ vehicle }) => {
    const low = lowVoltage(vehicle);
    const one = steadyPoint(vehicle);
    if (!one) return [];
    return low.lv.devices.flatMap((device): Finding[] => {
      const rated = device.device.ratedA;
      const current = Math.abs(one.currentA(device.id));
      if (rated === undefined)
        return device.device.kind === 'relay' && current > 0.1
          ? [{ subject: deviceRef(device), missing: [{ ref: deviceRef(device), what: 'what its contact carries' }] }]
          : [];
      return [
        { subject: deviceRef(device), demand: amps(current), limit: amps(rated), margin: marginAtMost(current, rated) },
      ];
    });
  },
  remedies: [propose.largerRelay],
});

export const WIRE_RULES: readonly Rule[] = [solves, drop, fuseLoad, fuseWire, noFuse, sourceFuse, temperature, contact];
