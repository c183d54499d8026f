import { type Finding, marginAtMost, quantityText as q, type Ref } from '../../checks';
import { carryCurrent, overloadMultiple } from '../../physics/contactor';
import * as propose from '../../proposals';
import { everyContactor, potentials } from '../../simulate';
import {
  isPrechargeRelay,
  partOf,
  type ResolvedDevice,
  type SolvedState,
  solvedStates,
  terminalNode,
  type Vehicle,
} from '../../vehicle';
import {
  amps,
  assumedAmbient,
  type Context,
  corner,
  deviceRef,
  needsPart,
  PACK_REF,
  packMustDeliver,
  powerFrom,
  worstCurrent,
} from '../context';
import { defineRule, type Rule } from '../define';
import { gapAt, noteOf } from '../thin-air';
import { studArea } from './contactor-rules';

/** A long climb, s: what "minutes" stands for. */
const CLIMB_S = 600;
/** A working life, years, and key turns a day where none are told. */
const YEARS = 15;
const STARTS_A_DAY = 6;

const mains = ({ vehicle }: Context) =>
  vehicle.devices.filter(({ id, device }) => device.kind === 'contactor' && !isPrechargeRelay(vehicle, id));

const peak = defineRule({
  id: 'contactor.peak',
  endangers: 'fire',
  says: {
    fails: '{subject} carries too much for a while',
    holds: '{subject} peaks',
    line: '{demand} of {limit} for {time}',
    open: '{subject} peaks',
  },
  sources: [
    'What it carries for a while: the contactor’s part, joined straight over the logarithm of time',
    'Carry current on its studs’ cable at its ambient, as in contactor.carry',
  ],
  judge: (context) => {
    const waitsFor = packMustDeliver(context.vehicle);
    const { hardAccelerationS } = context.vehicle.build.duty;
    return mains(context).flatMap((device): Finding<'time'>[] => {
      const subject = deviceRef(device);
      const part = partOf(device, 'contactor');
      if (!part) return [needsPart(device)];
      if (waitsFor) return [{ subject, waitsFor }];
      const overloads = part.overloads;
      const pulses = (
        [
          ['seconds', hardAccelerationS],
          ['minutes', CLIMB_S],
        ] as const
      ).flatMap(([duration, seconds]) => {
        const worst = worstCurrent(
          solvedStates(context.vehicle).filter((solved) => solved.state.duration === duration),
          device.id,
        );
        return worst && worst.currentA > 0 ? [{ ...worst, seconds }] : [];
      });
      if (pulses.length === 0) return [];
      if (!overloads)
        return [{ subject, missing: [{ ref: subject, what: 'what it carries for seconds and minutes' }] }];
      const stud = studArea(context.vehicle, device.id);
      if (!stud) return [{ subject, missing: [{ ref: subject, what: 'the cable on its studs' }] }];
      const carry = carryCurrent(part.carry, stud.areaMm2, device.ambientC);
      const judged = pulses
        .map((pulse) => {
          const multiple = overloadMultiple(overloads, pulse.seconds);
          return {
            ...pulse,
            multiple,
            limit: carry * multiple,
            margin: marginAtMost(pulse.currentA, carry * multiple),
          };
        })
        .sort((a, b) => a.margin - b.margin)[0]!;
      return [
        {
          subject,
          case: judged.solved.id,
          demand: amps(judged.currentA),
          limit: amps(judged.limit),
          margin: judged.margin,
          figures: { time: { value: judged.seconds, dimension: 'time' } },
          assumed: [powerFrom(context.vehicle), ...assumedAmbient(device)],
          lines: () => [
            {
              formula: 'I_limit = I_carry · m(t)',
              figures: `${q(carry, 'current')} · ${judged.multiple.toFixed(3)} for ${q(judged.seconds, 'time')}`,
              result: amps(judged.limit),
              note: corner(judged.solved),
            },
            {
              formula: 'margin = (I_limit − I) / I_limit',
              figures: `(${q(judged.limit, 'current')} − ${q(judged.currentA, 'current')}) / ${q(judged.limit, 'current')}`,
              result: { value: judged.margin, dimension: 'ratio' },
            },
          ],
        },
      ];
    });
  },
  remedies: [propose.otherContactor],
  otherwise: 'A larger contactor, or less power for those seconds.',
});

/** States in which power flows towards the pack. */
const TOWARDS_PACK: ReadonlySet<string> = new Set(['regeneration', 'charging']);

/** Strongest current of these cases, with its sign, A. */
const strongest = (cases: readonly SolvedState[], deviceId: string): number =>
  cases
    .map((solved) => solved.point.elementCurrentsA.get(deviceId) ?? 0)
    .reduce((most, current) => (Math.abs(current) > Math.abs(most) ? current : most), 0);

const driving = (cases: readonly SolvedState[]): readonly SolvedState[] =>
  cases.filter(({ state }) => !TOWARDS_PACK.has(state.id));

/**
 * Largest current through a device against its mark, A. Its mark suits discharging unless it sits the wrong way round; what carries
 * nothing then (a charge contactor) knows one direction only, the strongest of all.
 */
function worstReverse(
  cases: readonly SolvedState[],
  deviceId: string,
  turned: boolean,
): { solved: SolvedState; currentA: number } | null {
  const discharging = strongest(driving(cases), deviceId);
  const forward =
    Math.abs(discharging) > 0.5 ? (turned ? -1 : 1) * Math.sign(discharging) : Math.sign(strongest(cases, deviceId));
  if (forward === 0) return null;
  let worst: { solved: SolvedState; currentA: number } | null = null;
  for (const solved of cases) {
    const currentA = -forward * (solved.point.elementCurrentsA.get(deviceId) ?? 0);
    if (currentA > 0.5 && (!worst || currentA > worst.currentA)) worst = { solved, currentA };
  }
  return worst;
}

/** Terminal b at the cells and a away from them; within a string, where both sides are cells, neither is wrong. */
function turnedRound(vehicle: Vehicle, device: ResolvedDevice): boolean {
  for (const open of [everyContactor(vehicle), new Set([device.id])]) {
    const at = potentials(vehicle, { open, throughBleeds: false });
    const [a, b] = (['a', 'b'] as const).map((end) => at.withCells.has(at.islandOf(terminalNode(device, end))));
    if (a !== b) return b === true;
  }
  return false;
}

const polarity = defineRule({
  id: 'contactor.polarity',
  endangers: 'fire',
  says: {
    fails: '{subject} can’t break the current when it reverses',
    holds: '{subject} when the current reverses',
    line: '{demand} of {limit} in {state}',
    open: '{subject} when the current reverses',
  },
  variants: {
    turned: {
      fails: '{subject} sits the wrong way round',
      holds: '{subject} sits the wrong way round and breaks it even so',
      line: 'against its mark {demand} of {limit} in {state}: terminal a belongs to the cells',
    },
    'both-ways': { fails: '{subject} direction', holds: '{subject} direction', line: 'breaks either way' },
    'one-way': { fails: '{subject} direction', holds: '{subject} direction', line: 'the current never reverses' },
  },
  sources: [
    'A polarised contactor blows its arc out in one direction of the current: the contactor’s part',
    'Terminal a is the one that its sheet wants towards the cells in that pole; the wiring tells on which side they are',
  ],
  judge: (context) => {
    const waitsFor = packMustDeliver(context.vehicle);
    return mains(context).flatMap((device): Finding<'state', 'turned' | 'both-ways' | 'one-way'>[] => {
      const subject = deviceRef(device);
      const part = partOf(device, 'contactor');
      if (!part) return [needsPart(device)];
      if (!part.polarised) return [{ subject, holds: true, variant: 'both-ways' }];
      if (waitsFor) return [{ subject, waitsFor }];
      const turned = turnedRound(context.vehicle, device);
      const worst = worstReverse(solvedStates(context.vehicle), device.id, turned);
      if (!worst) return [{ subject, holds: true, variant: 'one-way' }];
      const limit = part.reverseBreakCurrentA;
      if (limit === undefined)
        return [{ subject, missing: [{ ref: subject, what: 'what it breaks against its mark' }] }];
      const margin = marginAtMost(worst.currentA, limit);
      return [
        {
          subject,
          ...(turned ? { variant: 'turned' } : {}),
          case: worst.solved.id,
          demand: amps(worst.currentA),
          limit: amps(limit),
          margin,
          figures: { state: worst.solved.state.name.toLowerCase() },
          assumed: [powerFrom(context.vehicle)],
          lines: () => [
            {
              formula: 'margin = (I_reverse − I) / I_reverse',
              figures: `(${q(limit, 'current')} − ${q(worst.currentA, 'current')}) / ${q(limit, 'current')}`,
              result: { value: margin, dimension: 'ratio' },
              note: corner(worst.solved),
            },
          ],
        },
      ];
    });
  },
  remedies: [propose.otherContactor],
  otherwise: 'Turn it, or fit one without direction where current flows both ways.',
});

/** Openings until worn at a current: arcs wear with its square, never more than the mechanism lasts (engineering judgement). */
export function lifeAt(currentA: number, breakA: number, electricalLife: number, mechanicalLife: number): number {
  if (currentA <= 0) return mechanicalLife;
  return Math.min(mechanicalLife, electricalLife * (breakA / currentA) ** 2);
}

const life = defineRule({
  id: 'contactor.life',
  endangers: 'parts',
  says: {
    fails: '{subject} wears out too soon',
    holds: '{subject} life',
    line: '{demand} openings of {limit}, at {current}',
    open: '{subject} life',
  },
  sources: [
    'Electrical and mechanical life: the contactor’s part; arcs wear with the square of the current (engineering judgement)',
    'Fifteen years of key turns; opened at what the bus still draws in Ready',
  ],
  judge: (context) => {
    const starts = context.vehicle.build.duty.startsPerDay;
    const demand = (starts ?? STARTS_A_DAY) * 365 * YEARS;
    return mains(context).flatMap((device): Finding<'current'>[] => {
      const subject = deviceRef(device);
      const part = partOf(device, 'contactor');
      if (!part) return [needsPart(device)];
      if (part.electricalLife === undefined || part.mechanicalLife === undefined)
        return [{ subject, missing: [{ ref: subject, what: 'its life' }] }];
      const worst = worstCurrent(
        solvedStates(context.vehicle).filter(({ state }) => state.id === 'ready'),
        device.id,
      );
      // Without a solved Ready nothing is known of what it opens.
      if (!worst) return [{ subject, waitsFor: [{ ref: PACK_REF, what: 'gives the power asked' }] }];
      const openedA = worst.currentA;
      const air = gapAt(context.vehicle, part);
      const breaksA = part.breakCurrentA * air.share;
      const limit = lifeAt(openedA, breaksA, part.electricalLife, part.mechanicalLife);
      const margin = marginAtMost(demand, limit);
      return [
        {
          subject,
          case: worst.solved.id,
          demand: { value: demand, dimension: 'count' },
          limit: { value: limit, dimension: 'count' },
          margin,
          figures: { current: amps(openedA) },
          assumed: [...(starts === undefined ? [`${STARTS_A_DAY} key turns a day: not entered.`] : []), ...air.assumed],
          lines: () => [
            {
              formula: 'n = starts a day · 365 · years',
              figures: `${starts ?? STARTS_A_DAY} · 365 · ${YEARS}`,
              result: { value: demand, dimension: 'count' },
            },
            {
              formula: 'n_life = min(n_mech, n_el · (I_break / I)²)',
              figures: `min(${part.mechanicalLife}, ${part.electricalLife} · (${q(breaksA, 'current')} / ${q(openedA, 'current')})²)`,
              result: { value: limit, dimension: 'count' },
              ...noteOf(air),
            },
          ],
        },
      ];
    });
  },
  remedies: [propose.fewerStarts],
});

const SEQUENCE: Ref = { kind: 'build', id: 'sequence', name: 'Closing sequence' };

const weldedTest = defineRule({
  id: 'contactor.welded-test',
  endangers: 'people',
  says: {
    fails: 'Nothing finds a welded contactor',
    holds: 'A welded contactor is found',
    line: 'the bus is checked for zero volts at each key-on',
    open: 'Finding a welded contactor',
  },
  sources: [
    'A welded contactor shows as a live link with every contactor open: proved at each key-on (practice; ISO 6469-3 intent)',
  ],
  judge: (context) => {
    if (mains(context).length === 0) return [];
    const { provesDead } = context.vehicle.build.precharge;
    if (provesDead === undefined)
      return [{ subject: SEQUENCE, missing: [{ ref: SEQUENCE, what: 'whether it proves the link dead' }] }];
    return [{ subject: SEQUENCE, holds: provesDead }];
  },
  remedies: [propose.proveDead],
});

export const CONTACTOR_WEAR_RULES: readonly Rule[] = [peak, polarity, life, weldedTest];
