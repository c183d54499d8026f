import { type Finding, marginAtMost, quantityText as q, type Ref } from '../../checks';
import type { ContactorPart } from '../../parts';
import { carryCurrent } from '../../physics/contactor';
import * as propose from '../../proposals';
import { told } from '../../quantities';
import { type ClosingEvent, closings, isRun, type PrechargeRun } from '../../simulate';
import {
  copperMm2,
  groundOf,
  isPrechargeRelay,
  partOf,
  prechargeBranches,
  type ResolvedDevice,
  type Vehicle,
} from '../../vehicle';
import {
  amps,
  assumedAmbient,
  type Context,
  corner,
  deviceRef,
  fullOnly,
  NEEDS_CELLS,
  needsPart,
  packMustDeliver,
  powerFrom,
  sustainedCases,
  volts,
  worstCurrent,
} from '../context';
import { defineRule, type Rule } from '../define';
import { gapAt, noteOf } from '../thin-air';

const contactorsIn = (vehicle: Vehicle): ResolvedDevice[] =>
  vehicle.devices.filter(({ device }) => device.kind === 'contactor');
const contactorsOf = (context: Context): ResolvedDevice[] => contactorsIn(context.vehicle);

const voltage = defineRule({
  id: 'contactor.voltage',
  endangers: 'fire',
  says: {
    fails: '{subject} is not made for this voltage',
    holds: '{subject} voltage',
    line: '{demand} full charge, rated {limit}',
  },
  sources: ['Rated DC voltage: the contactor’s part', 'Full charge: charge voltage of every cell in series'],
  judge: (context) =>
    contactorsOf(context).map((device) => {
      const part = partOf(device, 'contactor');
      if (!part) return needsPart(device);
      const { fullV } = context;
      if (fullV === null) return { subject: deviceRef(device), missing: NEEDS_CELLS };
      const air = gapAt(context.vehicle, part);
      const ratedV = part.ratedVoltageV * air.share;
      const margin = marginAtMost(fullV, ratedV);
      return {
        subject: deviceRef(device),
        demand: volts(fullV),
        assumed: [fullOnly(context.vehicle), ...air.assumed],
        limit: volts(ratedV),
        margin,
        lines: () => [
          {
            formula: 'margin = (U − V_full) / U',
            figures: `(${q(ratedV, 'voltage')} − ${q(fullV, 'voltage')}) / ${q(ratedV, 'voltage')}`,
            result: { value: margin, dimension: 'ratio' },
            ...noteOf(air),
          },
        ],
      };
    }),
  remedies: [propose.otherContactor],
  otherwise: 'A contactor for more volts DC.',
});

/** A terminal with all whose faces are bolted to it: they share the copper on them. */
function boltedTo(vehicle: Vehicle, node: string): ReadonlySet<string> {
  const stud = new Set([node]);
  for (const one of stud)
    for (const { conductor, nodeA, nodeB } of vehicle.conductors)
      if (conductor.kind === 'bolted' && (nodeA === one || nodeB === one)) stud.add(nodeA).add(nodeB);
  return stud;
}

/**
 * Smallest copper on the studs of a device, mm²: of each stud the thickest that is on it, or on what it is bolted to. Null when a stud has
 * none of known size: a bar that nobody measured is no heat sink.
 */
export function studArea(vehicle: Vehicle, deviceId: string): { areaMm2: number; name: string } | null {
  const nodes = new Set(
    vehicle.conductors.flatMap(({ conductor: { a, b }, nodeA, nodeB }) => [
      ...(a.deviceId === deviceId ? [nodeA] : []),
      ...(b.deviceId === deviceId ? [nodeB] : []),
    ]),
  );
  const studs = [...nodes].map((node) => {
    const stud = boltedTo(vehicle, node);
    const sizes = vehicle.conductors.flatMap((one) => {
      const areaMm2 = stud.has(one.nodeA) || stud.has(one.nodeB) ? copperMm2(one) : null;
      return areaMm2 === null ? [] : [{ areaMm2, name: one.conductor.name }];
    });
    return sizes.sort((p, r) => r.areaMm2 - p.areaMm2)[0] ?? null;
  });
  if (studs.length < 2 || studs.includes(null)) return null;
  return studs.sort((p, r) => p!.areaMm2 - r!.areaMm2)[0]!;
}

const carry = defineRule({
  id: 'contactor.carry',
  endangers: 'fire',
  says: {
    fails: '{subject} exceeds its thermal rating',
    holds: '{subject} carry',
    line: '{demand} of {limit} on {cable}',
  },
  sources: [
    'Carry current against the cable on the studs: the contactor’s part',
    `Derating above ${told(40, 'temperature')} by √((125 − T_a)/85) (generic)`,
  ],
  judge: (context) => {
    const waitsFor = packMustDeliver(context.vehicle, 'sustained');
    return contactorsOf(context).flatMap((device): Finding<'cable'>[] => {
      const part = partOf(device, 'contactor');
      if (!part) return [needsPart(device)];
      if (waitsFor) return [{ subject: deviceRef(device), waitsFor }];
      const worst = worstCurrent(sustainedCases(context.vehicle), device.id);
      if (!worst || worst.currentA === 0) return [];
      const stud = studArea(context.vehicle, device.id);
      if (!stud)
        return [{ subject: deviceRef(device), missing: [{ ref: deviceRef(device), what: 'the cable on its studs' }] }];
      const limit = carryCurrent(part.carry, stud.areaMm2, device.ambientC);
      const margin = marginAtMost(worst.currentA, limit);
      return [
        {
          subject: deviceRef(device),
          case: worst.solved.id,
          demand: amps(worst.currentA),
          limit: amps(limit),
          margin,
          figures: { cable: q(stud.areaMm2, 'area') },
          lines: () => [
            {
              formula: 'I_carry(area) · √((125 − max(T_a, 40))/85)',
              figures: `${part.carry.map((point) => `${q(point.currentA, 'current')} on ${q(point.areaMm2, 'area')}`).join(', ')}; ${q(stud.areaMm2, 'area')} at ${q(device.ambientC, 'temperature')}`,
              result: amps(limit),
              note: `Thinnest on its studs: ${stud.name}`,
            },
            {
              formula: 'margin = (I_carry − I) / I_carry',
              figures: `(${q(limit, 'current')} − ${q(worst.currentA, 'current')}) / ${q(limit, 'current')}`,
              result: { value: margin, dimension: 'ratio' },
              note: corner(worst.solved),
            },
          ],
          assumed: [powerFrom(context.vehicle), ...assumedAmbient(device)],
        },
      ];
    });
  },
  remedies: [propose.otherContactor],
  otherwise: 'A larger contactor, a thicker cable on its studs, or less power.',
});

const PRECHARGE: Ref = { kind: 'build', id: 'precharge', name: 'Precharge' };

const CLOSES: Readonly<Record<ClosingEvent['when'], 'before' | 'relay' | 'onto' | null>> = {
  before: 'before',
  relay: 'relay',
  bridged: null,
  onto: 'onto',
};

const make = defineRule({
  id: 'contactor.make',
  endangers: 'fire',
  says: {
    fails: '{subject} closes on too much current',
    holds: '{subject} closing',
    line: '{demand} of {limit}, {difference} across it',
  },
  variants: {
    before: {
      fails: '{subject} closes on an empty link',
      holds: '{subject} closing',
      line: '{demand} of {limit}: nothing precharges what it joins',
    },
    onto: {
      fails: '{subject} joins an empty capacitor to a live bus',
      holds: '{subject} closing',
      line: '{demand} of {limit}, {difference} across it: nothing precharges what it joins',
    },
    relay: {
      fails: '{subject} closes on more than it makes',
      holds: '{subject} closing',
      line: '{demand} of {limit} through the resistor',
    },
  },
  sources: [
    'Transient of the closing loop: pack, cables, loop inductance (0.5 µH/m and 5 µH in the cells, generic), link capacitors',
    'Every contactor in the order in which it closes, with the capacitors as they stand by then',
    'Make limit: the contactor’s part',
  ],
  judge: ({ vehicle, precharges }) => {
    if (groundOf(vehicle) === null)
      return contactorsIn(vehicle).flatMap((device) =>
        isPrechargeRelay(vehicle, device.id) ? [] : [{ subject: deviceRef(device), missing: NEEDS_CELLS }],
      );
    const branches = prechargeBranches(vehicle);
    // While a precharge is not known nobody can say on what its contactor closes.
    const open = new Set(
      branches.flatMap(({ bridgedIds }, k) => {
        const outcome = precharges[k];
        return outcome && !isRun(outcome) && outcome.why !== 'charged' && outcome.why !== 'shorted' ? bridgedIds : [];
      }),
    );
    return [
      ...[...open].map(
        (id): Finding<'difference', 'before' | 'onto' | 'relay'> => ({
          subject: deviceRef(vehicle.deviceOf.get(id)!),
          waitsFor: [{ ref: PRECHARGE, what: 'has resistor, relay and link' }],
        }),
      ),
      ...closings(vehicle).flatMap((event): Finding<'difference', 'before' | 'onto' | 'relay'>[] => {
        const device = vehicle.deviceOf.get(event.contactorId)!;
        if (open.has(device.id)) return [];
        const subject = deviceRef(device);
        if ('unknown' in event)
          return [{ subject, missing: [{ ref: subject, what: `a closing that can be followed: ${event.unknown}` }] }];
        const part = partOf(device, 'contactor');
        if (!part) return [needsPart(device)];
        const run = precharges.find((one) => isRun(one) && one.contactorId === device.id);
        return [closingFinding(subject, part, event, run && isRun(run) ? run : null)];
      }),
    ];
  },
  remedies: [propose.closeLater, propose.otherContactor],
  otherwise: 'Precharge before it closes, up to a higher share of the pack’s voltage.',
});

function closingFinding(
  subject: Ref,
  part: ContactorPart,
  { when, closing }: ClosingEvent,
  run: PrechargeRun | null,
): Finding<'difference', 'before' | 'relay' | 'onto'> {
  const margin = marginAtMost(closing.peakCurrentA, part.makeCurrentA);
  const variant = CLOSES[when];
  const bridged = when === 'bridged' && run ? run : null;
  return {
    subject,
    demand: amps(closing.peakCurrentA),
    limit: amps(part.makeCurrentA),
    margin,
    figures: { difference: volts(closing.differenceV) },
    ...(variant === null ? {} : { variant }),
    lines: () => [
      {
        formula: when === 'relay' ? 'ΔV = V_pack' : 'ΔV = V_pack − V_link',
        figures: bridged
          ? `${q(bridged.packV, 'voltage')} − ${q(bridged.packV - closing.differenceV, 'voltage')}`
          : `${q(closing.differenceV, 'voltage')} across it as it closes`,
        result: volts(closing.differenceV),
      },
      {
        formula: when === 'relay' ? 'I = ΔV / R' : 'peak of the transient i(t) in the loop',
        figures: when === 'relay' ? 'through the precharge resistor' : 'R, L and C of the loop; not ΔV/R',
        result: amps(closing.peakCurrentA),
        note: 'Cells count with half their slow resistance in the first milliseconds (generic).',
      },
    ],
    ...(bridged && bridged.closeAtS === null
      ? {
          assumed: [
            'The link never reaches the closing level: shown is a closing at the time-out, which a sound sequence refuses.',
          ],
        }
      : {}),
  };
}

const disconnect = defineRule({
  id: 'disconnect.rating',
  endangers: 'people',
  says: { fails: '{subject} is not made for this', holds: '{subject} rating', line: '{demand} of {limit}' },
  sources: ['Rated voltage and current: the disconnect’s part'],
  judge: (context) => {
    const waitsFor = packMustDeliver(context.vehicle, 'sustained');
    return context.vehicle.devices
      .filter(({ device }) => device.kind === 'disconnect')
      .flatMap((device): Finding[] => {
        const part = partOf(device, 'disconnect');
        if (!part) return [needsPart(device)];
        const { fullV } = context;
        if (fullV === null) return [{ subject: deviceRef(device), missing: NEEDS_CELLS }];
        if (waitsFor) return [{ subject: deviceRef(device), waitsFor }];
        const worst = worstCurrent(sustainedCases(context.vehicle), device.id);
        const air = gapAt(context.vehicle, part);
        const ratedV = part.ratedVoltageV * air.share;
        const byVoltage = marginAtMost(fullV, ratedV);
        const byCurrent = marginAtMost(worst?.currentA ?? 0, part.ratedCurrentA);
        const voltageBinds = byVoltage <= byCurrent;
        return [
          {
            subject: deviceRef(device),
            demand: voltageBinds ? volts(fullV) : amps(worst?.currentA ?? 0),
            limit: voltageBinds ? volts(ratedV) : amps(part.ratedCurrentA),
            margin: Math.min(byVoltage, byCurrent),
            lines: () => [
              {
                formula: 'by voltage: (U − V_full) / U',
                figures: `(${q(ratedV, 'voltage')} − ${q(fullV, 'voltage')}) / ${q(ratedV, 'voltage')}`,
                result: { value: byVoltage, dimension: 'ratio' },
                ...noteOf(air),
              },
              {
                formula: 'by current: (I_n − I) / I_n',
                figures: `(${q(part.ratedCurrentA, 'current')} − ${q(worst?.currentA ?? 0, 'current')}) / ${q(part.ratedCurrentA, 'current')}`,
                result: { value: byCurrent, dimension: 'ratio' },
              },
            ],
            assumed: [powerFrom(context.vehicle), ...air.assumed],
          },
        ];
      });
  },
  remedies: [propose.otherDisconnect],
  otherwise: 'A disconnect for more volts or amperes.',
});

export const CONTACTOR_RULES: readonly Rule[] = [voltage, carry, make, disconnect];
