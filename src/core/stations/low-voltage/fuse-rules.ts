import { type Finding, marginAtMost, quantityText as q, type Ref } from '../../checks';
import { continuousCurrent } from '../../physics/fuse';
import * as propose from '../../proposals';
import { told } from '../../quantities';
import {
  conductorAmpacity,
  loomOfWire,
  loomWireAmpacity,
  lowVoltage,
  partOf,
  type Resolved,
  type ResolvedConductor,
} from '../../vehicle';
import { amps, assumedAmbient, celsius, conductorRef, deviceRef, hotPlace } from '../context';
import { defineRule, type Rule } from '../define';
import { wiresOf } from './behind-fuses';
import { loadRef } from './shared';
import { steadyPoint } from './solutions';

/** A fuse is loaded with four fifths of its rating at most (practice). */
const FUSE_SHARE = 0.8;

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

/** What it lasts by its own factor, in the warmth of its place: ISO 8820-3 blades and strips are rated at 23 °C in free air. */
const fuseContinuous = defineRule({
  id: 'lv.fuse-continuous',
  endangers: 'fire',
  says: {
    fails: '{subject} carries more than it lasts',
    holds: '{subject}, continuous',
    line: '{demand} of {limit} at {ambient}',
  },
  sources: ['Continuous factor and element limit: the fuse’s part', 'I_cont = I_n · k · √((θ_max − T_a)/(θ_max − 25))'],
  judge: ({ vehicle }) => {
    const one = steadyPoint(vehicle);
    if (lowVoltage(vehicle).loads.length === 0 || !one) return [];
    return lowVoltage(vehicle).lv.devices.flatMap((device): Finding<'ambient'>[] => {
      const fuse = partOf(device, 'fuse');
      if (!fuse || device.device.kind !== 'lv-fuse') return [];
      const current = Math.abs(one.currentA(device.id));
      if (current < 1e-3) return [];
      const limit = continuousCurrent(fuse, device.ambientC);
      return [
        {
          subject: deviceRef(device),
          demand: amps(current),
          limit: amps(limit),
          margin: marginAtMost(current, limit),
          figures: { ambient: celsius(device.ambientC) },
          lines: () => [
            {
              formula: 'I_cont = I_n · k · √((θ_max − T_a)/(θ_max − 25))',
              figures: `${q(fuse.ratedCurrentA, 'current')} · ${fuse.continuousFactor} · √((${fuse.temperatureLimitC} − ${device.ambientC})/(${fuse.temperatureLimitC} − 25))`,
              result: amps(limit),
              note: `Everything on it running at once: ${q(current, 'current')}.`,
            },
          ],
          assumed: assumedAmbient(device),
        },
      ];
    });
  },
  remedies: [propose.largerFuse],
  otherwise: 'A larger fuse with the wire that it then needs, or a cooler place.',
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

/** Fuses of the 12-volt side: their load, their wire, and that there is one. */
export const LOW_FUSE_RULES: readonly Rule[] = [fuseLoad, fuseContinuous, fuseWire, noFuse, sourceFuse];
