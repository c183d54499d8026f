import { type Finding, marginAtMost, quantityText as q, type Ref } from '../../checks';
import { openCircuitVoltage } from '../../physics/cell';
import { carryCurrent } from '../../physics/contactor';
import { continuousCurrent } from '../../physics/fuse';
import * as propose from '../../proposals';
import {
  boxSource,
  carriesA,
  conductorAmpacity,
  copperMm2,
  type PackString,
  packStrings,
  partOf,
  stringsAlone,
  type Vehicle,
} from '../../vehicle';
import {
  amps,
  type Context,
  conductorRef,
  corner,
  deviceRef,
  powerFrom,
  sustainedCases,
  worstCurrent,
} from '../context';
import { defineRule, type Rule } from '../define';

/** A string is told by its first box. */
const stringRef = (vehicle: Vehicle, string: PackString): Ref => {
  const [first, ...more] = string.boxIds.map((id) => deviceRef(vehicle.deviceOf.get(id)!));
  return more.length === 0 ? first! : { ...first!, name: `String of ${first!.name}` };
};

const strings = (vehicle: Vehicle): readonly PackString[] => {
  const found = packStrings(vehicle);
  return found.length > 1 ? found : [];
};

/** Whether each string has a device of this kind of its own. */
const ownDevice =
  (kind: 'fuse' | 'contactor') =>
  ({ vehicle }: Context) =>
    strings(vehicle).map((string): Finding<'detail'> => {
      const own = [...string.ids].flatMap((one) => {
        const device = vehicle.deviceOf.get(one)?.device;
        return device?.kind === kind ? [device.name] : [];
      });
      return {
        subject: stringRef(vehicle, string),
        holds: own.length > 0,
        figures: {
          detail: own.length > 0 ? own.join(', ') : 'a fault or a service of this string takes the others along',
        },
      };
    });

const ownFuse = defineRule({
  id: 'pack.string-fuse',
  endangers: 'fire',
  says: { fails: '{subject} has no fuse of its own', holds: '{subject} has its own fuse', line: '{detail}' },
  sources: ['Strings in parallel feed a fault in one of them: a fuse in each (IEC 60364-4-43, 434)'],
  judge: ownDevice('fuse'),
  remedies: [propose.ownFuse],
});

const ownContactor = defineRule({
  id: 'pack.string-contactor',
  endangers: 'people',
  says: {
    fails: '{subject} can’t be switched off by itself',
    holds: '{subject} has its own contactor',
    line: '{detail}',
  },
  sources: ['Each string is joined and taken off by itself: engineering practice'],
  judge: ownDevice('contactor'),
  remedies: [propose.ownContactor],
});

/** A tenth of the capacity an hour is gentle (practice). */
const GENTLE_PER_HOUR = 0.1;
const FRESH = { soc: 0.5, cellTemperatureC: 25, health: 1, atChargeVoltage: false };

interface Source {
  readonly ref: Ref;
  readonly voltageV: (soc: number) => number;
  readonly ohm: number;
  readonly ah: number;
}

function sourceOf(vehicle: Vehicle, string: PackString): Source | null {
  const boxes = string.boxIds.map((id) => vehicle.deviceOf.get(id)!);
  const cells = boxes.map((box) => ({ box, cell: partOf(box, 'cell'), source: boxSource(box, FRESH) }));
  if (cells.some(({ cell, source }) => !cell || !source)) return null;
  return {
    ref: stringRef(vehicle, string),
    voltageV: (soc) =>
      cells.reduce(
        (sum, { box, cell }) => sum + (box.device.cellsInSeries ?? 0) * openCircuitVoltage(cell!.chemistry, soc),
        0,
      ),
    ohm: cells.reduce((sum, { source }) => sum + source!.resistanceOhm, 0),
    ah: Math.min(...cells.map(({ box, cell }) => cell!.capacityAh * (box.device.cellsInParallel ?? 1))),
  };
}

const STEPS = [0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9] as const;

const match = defineRule({
  id: 'pack.string-match',
  endangers: 'fire',
  says: {
    fails: '{subject} and {other} don’t rest at the same voltage',
    holds: '{subject} and {other} rest together',
    line: '{demand} flow between them, {limit} are gentle',
  },
  sources: [
    'Strings in parallel settle at one voltage: ΔV/(R1 + R2) at equal state of charge, a tenth of C an hour (practice)',
  ],
  judge: ({ vehicle }) => {
    const [first, ...others] = strings(vehicle).map((string) => sourceOf(vehicle, string));
    if (!first) return [];
    return others.flatMap((other): Finding<'other'>[] => {
      if (!other) return [];
      const worst = STEPS.map((soc) => ({ soc, dv: other.voltageV(soc) - first.voltageV(soc) })).reduce((p, r) =>
        Math.abs(r.dv) > Math.abs(p.dv) ? r : p,
      );
      const current = Math.abs(worst.dv) / (first.ohm + other.ohm);
      const limit = GENTLE_PER_HOUR * Math.min(first.ah, other.ah);
      return [
        {
          subject: other.ref,
          demand: amps(current),
          limit: amps(limit),
          margin: marginAtMost(current, limit),
          figures: { other: first.ref.name },
          lines: () => [
            {
              formula: 'I = |V_2 − V_1| / (R_1 + R_2), both charged alike',
              figures: `|${q(other.voltageV(worst.soc), 'voltage')} − ${q(first.voltageV(worst.soc), 'voltage')}| / (${q(first.ohm, 'resistance')} + ${q(other.ohm, 'resistance')})`,
              result: amps(current),
              note: `At ${Math.round(worst.soc * 100)} % state of charge, the worst of nine.`,
            },
          ],
          assumed: ['Rest-voltage curves are the generic ones of each chemistry.'],
        },
      ];
    });
  },
  remedies: 'Bring both to the same voltage before they are joined; see Pack, joining.',
});

interface Bound {
  readonly name: string;
  readonly currentA: number;
  readonly limitA: number;
  readonly where: string;
}

/** The thinnest copper on a device's studs, mm²: its heat sink. A bar that nobody measured is asked for elsewhere. */
const thinnestAt = (vehicle: Vehicle, id: string): number =>
  Math.min(
    1000,
    ...vehicle.conductors.flatMap((one) =>
      one.conductor.a.deviceId === id || one.conductor.b.deviceId === id ? (copperMm2(one) ?? []) : [],
    ),
  );

/** What stands in a string's own way, with what it carries when the string is alone. */
function bounds(alone: Vehicle, string: PackString): Bound[] {
  const sustained = sustainedCases(alone);
  return [...string.ids].flatMap((id): Bound[] => {
    const device = alone.deviceOf.get(id);
    const conductor = alone.conductorOf.get(id);
    const fuse = partOf(device, 'fuse');
    const contactor = partOf(device, 'contactor');
    const limitA = fuse
      ? continuousCurrent(fuse, device!.ambientC)
      : contactor
        ? carryCurrent(contactor.carry, thinnestAt(alone, id), device!.ambientC)
        : conductor
          ? carriesA(alone, conductor)
          : null;
    const worst = worstCurrent(sustained, id);
    if (limitA === null || !worst) return [];
    return [
      {
        name: device?.device.name ?? conductor!.conductor.name,
        currentA: worst.currentA,
        limitA,
        where: corner(worst.solved),
      },
    ];
  });
}

const stringAlone = defineRule({
  id: 'pack.string-alone',
  endangers: 'fire',
  says: {
    fails: '{subject} can’t carry the vehicle alone',
    holds: '{subject} alone',
    line: '{part}: {demand} of {limit} when the other strings are off',
    open: '{subject} alone',
  },
  variants: {
    gives: {
      fails: '{subject} can’t carry the vehicle alone',
      holds: '{subject} alone',
      line: 'it can’t give the power of {state}',
    },
  },
  sources: [
    'The other strings may open: each fuse, contactor and cable of a string carries everything then',
    'Nodal solution without them',
  ],
  judge: ({ vehicle }) => {
    const found = stringsAlone(vehicle);
    return strings(vehicle).flatMap((string, index): Finding<'part' | 'state', 'gives'>[] => {
      const alone = found.get(index);
      const subject = stringRef(vehicle, string);
      if (!alone || alone.unsolved !== null)
        return [{ subject, missing: [{ ref: subject, what: 'a circuit that can be solved without the others' }] }];
      const unknown = [...string.ids].flatMap((id) => {
        const device = alone.deviceOf.get(id);
        const conductor = alone.conductorOf.get(id);
        if (device && (device.device.kind === 'fuse' || device.device.kind === 'contactor') && device.part === null)
          return [{ ref: deviceRef(device), what: 'part' }];
        if (conductor?.conductor.kind === 'cable' && conductorAmpacity(conductor) === null)
          return [{ ref: conductorRef(conductor), what: 'part' }];
        return [];
      });
      const missing = alone.cases.find(({ state, point }) => state.duration === 'sustained' && !point.solvable);
      if (missing) return [{ subject, holds: false, variant: 'gives', figures: { state: corner(missing) } }];
      const weakest = bounds(alone, string).sort(
        (p, r) => marginAtMost(p.currentA, p.limitA) - marginAtMost(r.currentA, r.limitA),
      )[0];
      if (!weakest) return [];
      const margin = marginAtMost(weakest.currentA, weakest.limitA);
      if (margin >= 0 && unknown.length > 0) return [{ subject, missing: unknown }];
      return [
        {
          subject,
          demand: amps(weakest.currentA),
          limit: amps(weakest.limitA),
          margin,
          figures: { part: weakest.name },
          assumed: [powerFrom(vehicle)],
          lines: () => [
            {
              formula: 'I with this string alone ≤ I continuous',
              figures: `${q(weakest.currentA, 'current')} ≤ ${q(weakest.limitA, 'current')}`,
              result: { value: margin, dimension: 'ratio' },
              note: `${weakest.name}, ${weakest.where}`,
            },
          ],
        },
      ];
    });
  },
  remedies: 'Let the strings switch together only, or make the part that is named stronger.',
});

export const STRING_RULES: readonly Rule[] = [ownFuse, ownContactor, match, stringAlone];
