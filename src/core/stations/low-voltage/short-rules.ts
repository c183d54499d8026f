import { type Finding, marginAtLeast, marginAtMost, quantityText as q } from '../../checks';
import { type FusePart, SET_VOLTAGES } from '../../parts';
import { breakingAt } from '../../physics/fuse';
import { clearing } from '../../physics/fuse-clearing';
import { SHORT_LIMIT_C, withstandI2t } from '../../physics/withstand';
import * as propose from '../../proposals';
import { lowFault } from '../../simulate';
import {
  Follows,
  HIGHEST_SUPPLY_V,
  type LowWiring,
  lowVoltage,
  lowWiring,
  partOf,
  type ResolvedConductor,
  type Vehicle,
} from '../../vehicle';
import { amps, conductorRef, deviceRef, needsPart, volts } from '../context';
import { defineRule, type Rule } from '../define';
import { returnsOf, wiresBeside } from './behind-fuses';

/** A short is over within this time (reference of the trade for fuses of cables), s. */
const SLOWEST_S = 5;
/** Voltage that drives the arc of a fuse on this side, V. */
const ARC_V = 14;

/** The highest voltage of the 12-volt side: what converters hold, or what charges its battery, V. */
export function highestV(vehicle: Vehicle): number {
  const { battery, converters } = lowVoltage(vehicle);
  const charged = battery?.data ? SET_VOLTAGES[battery.data.chemistry][2] : 0;
  return Math.max(HIGHEST_SUPPLY_V, charged, ...converters.map(({ outputV }) => outputV));
}

interface Faults {
  readonly wires: readonly ResolvedConductor[];
  readonly highestA: number;
  readonly lowestA: number;
}

/**
 * The largest and the smallest fault that a fuse has to end: right behind it, and at the ends of the wires that the battery feeds through
 * it, out and back. Behind means away from the battery, so a converter's fuse has the converter's own wires behind it.
 */
export const faultsBehind = (vehicle: Vehicle, fuseId: string): Faults | null =>
  faultsOf.get(lowWiring(vehicle), () => findFaults(vehicle, fuseId), fuseId);

const faultsOf = new Follows<LowWiring, Faults | null>();

function findFaults(vehicle: Vehicle, fuseId: string): Faults | null {
  const minus = `${lowVoltage(vehicle).battery?.device.id}.minus`;
  const far = (['a', 'b'] as const)
    .flatMap((terminal) => {
      const node = `${fuseId}.${terminal}`;
      const fault = lowFault(vehicle, fuseId, node, minus, 'highest');
      return fault ? [{ terminal, node, throughA: fault.throughA }] : [];
    })
    .sort((p, r) => r.throughA - p.throughA)[0];
  if (!far) return null;
  const feeds = wiresBeside(vehicle, fuseId, far.terminal).filter(({ conductor }) => conductor.kind === 'cable');
  const returns = returnsOf(vehicle, fuseId).filter(({ conductor }) => conductor.kind === 'cable');
  const wires = [...new Set([...feeds, ...returns])];
  const lowest = feeds
    .flatMap(({ nodeA, nodeB }) => [nodeA, nodeB])
    .flatMap((node) => {
      // At a load both its wires are in the loop; elsewhere the fault goes to the battery's minus.
      const back = node.endsWith('.plus') ? `${node.slice(0, -'.plus'.length)}.minus` : minus;
      return lowFault(vehicle, fuseId, node, back, 'lowest')?.throughA ?? [];
    });
  return { wires, highestA: far.throughA, lowestA: Math.min(far.throughA, ...lowest) };
}

const shortRule = defineRule({
  id: 'lv.wire-short',
  endangers: 'fire',
  says: {
    fails: '{subject} lets a short circuit burn its wire',
    holds: '{subject} protects its wire (short circuit)',
    line: 'lets through {demand}, {wire} stands {limit}',
    open: '{subject} against a short in its wire',
  },
  variants: {
    slow: {
      fails: '{subject} is slow in a short circuit',
      holds: '{subject} ends a short circuit',
      line: '{demand} of {limit} with {current} at the far end',
    },
    weak: {
      fails: '{subject} can’t break a weak short circuit',
      holds: '{subject} breaks a weak short circuit',
      line: '{demand} at the far end, it breaks from {limit}',
    },
    never: {
      fails: '{subject} never ends a short circuit',
      holds: '{subject} ends a short circuit',
      line: '{current} at the far end does not melt it',
    },
  },
  sources: [
    'IEC 60364-4-43, 434.5.2: clearing I²t at the highest and at the lowest fault within what the wire stands from its class temperature',
    'Minimum breaking multiple: the fuse’s part (IEC 60269-4: a partial-range fuse breaks from there only)',
    'Nodal solution of the 12-volt circuit with its battery, out and back',
  ],
  judge: ({ vehicle }) => {
    const low = lowVoltage(vehicle);
    if (!low.battery?.data || low.loads.length === 0) return [];
    return low.lv.devices.flatMap((device): Finding<'current' | 'wire', 'slow' | 'weak' | 'never'>[] => {
      const fuse = partOf(device, 'fuse');
      if (!fuse || device.device.kind !== 'lv-fuse') return [];
      const subject = deviceRef(device);
      const faults = faultsBehind(vehicle, device.id);
      if (!faults) return [{ subject, missing: [{ ref: subject, what: 'a way from the battery and back' }] }];
      const { wires } = faults;
      if (wires.length === 0) return [];
      const open = wires.filter(({ cable, lengthM }) => !cable || lengthM === null);
      if (open.length > 0)
        return [
          { subject, missing: open.map((wire) => ({ ref: conductorRef(wire), what: wire.cable ? 'length' : 'part' })) },
        ];
      return [judged(fuse, subject, faults)];
    });
  },
  remedies: [propose.guardWire],
});

function judged(
  fuse: FusePart,
  subject: Finding['subject'],
  { wires, highestA, lowestA }: Faults,
): Finding<'current' | 'wire', 'slow' | 'weak' | 'never'> {
  const clear = (prospectiveA: number) => clearing(fuse, { prospectiveA, timeConstantS: 0, voltageV: ARC_V });
  const [most, least] = [clear(highestA), clear(lowestA)];
  const melts = least.meltTimeS;
  if (melts === null) return { subject, variant: 'never', holds: false, figures: { current: amps(lowestA) } };
  if (melts > SLOWEST_S)
    return {
      subject,
      variant: 'slow',
      demand: { value: melts, dimension: 'time' },
      limit: { value: SLOWEST_S, dimension: 'time' },
      margin: marginAtMost(melts, SLOWEST_S),
      figures: { current: amps(lowestA) },
      lines: () => [
        {
          formula: 't_melting at the lowest fault ≤ 5 s',
          figures: `${q(lowestA, 'current')} through ${q(fuse.ratedCurrentA, 'current')}`,
          result: { value: melts, dimension: 'time' },
        },
      ],
    };
  // A fuse for short circuits alone melts below this and burns on.
  const fromA = fuse.minimumBreakingMultiple * fuse.ratedCurrentA;
  if (lowestA < fromA)
    return {
      subject,
      variant: 'weak',
      demand: amps(lowestA),
      limit: amps(fromA),
      margin: marginAtLeast(lowestA, fromA),
      lines: () => [
        {
          formula: 'I_fault ≥ k_min · I_n',
          figures: `${q(lowestA, 'current')} ≥ ${fuse.minimumBreakingMultiple} · ${q(fuse.ratedCurrentA, 'current')}`,
          result: amps(fromA),
        },
      ],
    };
  const stands = wires
    .map((wire) => {
      // As hot as it may be: what lies in a loom, or carries what nobody has solved, is never taken as cooler than it is.
      const startC = wire.cable!.temperatureClassC;
      const n = wire.conductor.parallel;
      const i2t =
        n ** 2 * withstandI2t(wire.cable!.metal, wire.cable!.areaMm2, startC, SHORT_LIMIT_C[wire.cable!.insulation]);
      return { wire, startC, i2t };
    })
    .sort((p, r) => p.i2t - r.i2t)[0]!;
  if (most.totalI2tA2s === null || least.totalI2tA2s === null)
    return { subject, missing: [{ ref: subject, what: 'its DC rating' }] };
  const demand = Math.max(most.totalI2tA2s, least.totalI2tA2s);
  return {
    subject,
    demand: { value: demand, dimension: 'i2t' },
    limit: { value: stands.i2t, dimension: 'i2t' },
    margin: marginAtMost(demand, stands.i2t),
    figures: { wire: q(stands.wire.cable!.areaMm2, 'area'), current: amps(highestA) },
    lines: () => [
      {
        formula: 'I²t_clearing ≤ k²·S²',
        figures: `${q(highestA, 'current')} right behind it, ${q(lowestA, 'current')} at its far end`,
        result: { value: demand, dimension: 'i2t' },
      },
      {
        formula: 'k = 226·√ln((234.5 + T_f)/(234.5 + T_i))',
        figures: `${stands.wire.conductor.name}: ${q(stands.wire.cable!.areaMm2, 'area')} from ${q(stands.startC, 'temperature')}`,
        result: { value: stands.i2t, dimension: 'i2t' },
        note: `The lowest fault melts it in ${q(melts, 'time')}.`,
      },
    ],
  };
}

const breaking = defineRule({
  id: 'lv.fuse-breaking',
  endangers: 'fire',
  says: {
    fails: '{subject} can’t break a short right behind it',
    holds: '{subject} breaks a short right behind it',
    line: '{demand} of {limit}',
    open: '{subject} against a short right behind it',
  },
  sources: [
    'ISO 8820-1, IEC 60269-1: breaking capacity at or above the highest prospective current, bolted right behind it',
    'Below half of its rated voltage in proportion more: I_cn · U_n / 2U (generic, the energy of the arc; its sheet wins)',
    'Nodal solution of the 12-volt circuit with its full, warm battery; converters add what they are rated for',
  ],
  judge: ({ vehicle }) => {
    const low = lowVoltage(vehicle);
    if (!low.battery?.data) return [];
    return low.lv.devices.flatMap((device): Finding[] => {
      const fuse = partOf(device, 'fuse');
      if (!fuse || device.device.kind !== 'lv-fuse') return [];
      const subject = deviceRef(device);
      const faults = faultsBehind(vehicle, device.id);
      if (!faults) return [{ subject, missing: [{ ref: subject, what: 'a way from the battery and back' }] }];
      if (fuse.ratedVoltageDcV === null) return [{ subject, waitsFor: [{ ref: subject, what: 'has a DC rating' }] }];
      const supplyV = highestV(vehicle);
      const limit = breakingAt({ ...fuse, ratedVoltageDcV: fuse.ratedVoltageDcV }, supplyV);
      const { highestA } = faults;
      return [
        {
          subject,
          demand: amps(highestA),
          limit: amps(limit),
          margin: marginAtMost(highestA, limit),
          lines: () => [
            {
              formula: 'I right behind it ≤ I_cn · max(1, U_n / 2U)',
              figures: `${q(highestA, 'current')} ≤ ${q(fuse.breakingCapacityA, 'current')} · max(1, ${q(fuse.ratedVoltageDcV!, 'voltage')} / (2 · ${q(supplyV, 'voltage')}))`,
              result: amps(limit),
              note: 'Above it the arc may go on: fire in the fuse box.',
            },
          ],
        },
      ];
    });
  },
  remedies: [propose.strongerFuse],
});

const voltage = defineRule({
  id: 'lv.fuse-voltage',
  endangers: 'fire',
  says: {
    fails: '{subject} is not made for this voltage',
    holds: '{subject} voltage',
    line: '{demand} while charging, breaks {limit}',
  },
  variants: {
    none: {
      fails: '{subject} has no DC rating',
      holds: '{subject} voltage',
      line: 'an AC rating says nothing about DC',
    },
  },
  comfort: 0,
  sources: ['ISO 8820-1: rated DC voltage at or above the highest of the circuit, charging included'],
  judge: ({ vehicle }) => {
    const low = lowVoltage(vehicle);
    if (!low.battery && low.converters.length === 0) return [];
    const supplyV = highestV(vehicle);
    return low.lv.devices.flatMap((device): Finding<never, 'none'>[] => {
      if (device.device.kind !== 'lv-fuse') return [];
      const fuse = partOf(device, 'fuse');
      const subject = deviceRef(device);
      if (!fuse) return [needsPart(device)];
      if (fuse.ratedVoltageDcV === null) return [{ subject, holds: false, variant: 'none' }];
      return [
        {
          subject,
          demand: volts(supplyV),
          limit: volts(fuse.ratedVoltageDcV),
          margin: marginAtMost(supplyV, fuse.ratedVoltageDcV),
        },
      ];
    });
  },
  remedies: [propose.strongerFuse],
});

export const SHORT_RULES: readonly Rule[] = [shortRule, breaking, voltage];
