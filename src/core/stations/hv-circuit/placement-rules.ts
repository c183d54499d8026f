import { type Build, own } from '../../build';
import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import { continuousCurrent, lastingCurrent, pulseCurrent } from '../../physics/fuse';
import { meltingMultiple } from '../../physics/fuse-curve';
import * as propose from '../../proposals';
import { told } from '../../quantities';
import { type Piece, piecesOf } from '../../simulate';
import { partOf, type ResolvedConductor, solvedStates, wayOf } from '../../vehicle';
import {
  amps,
  assumedAmbient,
  conductorRef,
  corner,
  deviceRef,
  fromRules,
  packMustDeliver,
  powerFrom,
  worstCurrent,
} from '../context';
import { defineRule, type Rule } from '../define';

/** What gets at a cable that only a conduit guards; under the floor a cover stands before it. */
const ROUGH: ReadonlySet<string> = new Set(['stones', 'feet', 'cargo', 'side-impact']);
/** Even doubly insulated and guarded no more than this may lie before a fuse (IEC 60364-4-43, 434.2.1 by analogy), m. */
const GUARDED_M = 3;

/**
 * Doubly insulated and mechanically guarded: sheathed over a shield, in a conduit, and where stones, feet, cargo or a crash get at it under
 * a cover as well. Beside a cable of another unfused stretch a conduit guards nothing: what crushes it shorts the two.
 */
export function guarded(
  { cable, laid, zone, conductor }: ResolvedConductor,
  build: Build,
  beside: readonly ResolvedConductor[],
): boolean {
  if (!cable?.shielded || !laid?.conduit || !zone) return false;
  const paired = ({ laid: there }: ResolvedConductor) =>
    there?.arrangement === 'touching-pair' && there.zoneId === laid.zoneId;
  if (laid.arrangement === 'touching-pair' && beside.some(paired)) return false;
  const rough = (zone.exposure ?? []).some((one) => ROUGH.has(one));
  return !rough || own(build.routes, conductor.routeId)?.facts?.cover === true;
}

interface Stretch {
  readonly open: readonly ResolvedConductor[];
  /** What counts: unguarded cable, and guarded cable beyond what a guard may bear. */
  readonly lengthM: number;
  readonly guardedM: number;
}

function stretchOf({ conductors }: Piece, build: Build, others: readonly Piece[]): Stretch {
  const beside = others.flatMap((other) => other.conductors);
  const cables = conductors.filter(({ conductor }) => conductor.kind === 'cable');
  const sum = (list: readonly ResolvedConductor[]) => list.reduce((total, { lengthM }) => total + (lengthM ?? 0), 0);
  const safe = cables.filter((one) => guarded(one, build, beside));
  const guardedM = sum(safe);
  const open = cables.filter((one) => !safe.includes(one));
  return guardedM > GUARDED_M
    ? { open: cables, lengthM: sum(cables), guardedM }
    : { open, lengthM: sum(open), guardedM };
}

const unprotectedLength = defineRule({
  id: 'fuse.unprotected-length',
  endangers: 'fire',
  says: {
    fails: 'Too much cable at {subject} before any fuse',
    holds: 'Cable at {subject} before any fuse',
    line: '{demand} of {limit}: {cables}',
    open: 'Cable at {subject} before any fuse',
  },
  sources: [
    'A fault needs two stretches with cells and no fuse between them: the second longest counts',
    `Guarded: sheathed over a shield, in a conduit, covered where stones, feet, cargo or a crash get at it; at most ${told(3, 'length')} (IEC 60364-4-43, 434.2.1 by analogy)`,
  ],
  sourcesIn: fromRules('unprotectedM'),
  judge: ({ vehicle, fullV, rules }) => {
    if (fullV === null) return [];
    return piecesOf(vehicle).groups.flatMap(({ boxIds, pieces }): Finding<'cables'>[] => {
      const subject = deviceRef(vehicle.deviceOf.get(boxIds[0]!)!);
      const stretches = pieces
        .map((piece) =>
          stretchOf(
            piece,
            vehicle.build,
            pieces.filter((other) => other !== piece),
          ),
        )
        .sort((p, r) => r.lengthM - p.lengthM);
      const unknown = stretches.flatMap(({ open }) => open).filter(({ lengthM }) => lengthM === null);
      const second = stretches[1];
      if (!second) return [];
      const margin = marginAtMost(second.lengthM, rules.unprotectedM.value);
      if (margin >= 0 && unknown.length > 0)
        return [{ subject, missing: unknown.map((conductor) => ({ ref: conductorRef(conductor), what: 'length' })) }];
      const names = second.open.map(({ conductor }) => conductor.name);
      return [
        {
          subject,
          demand: { value: second.lengthM, dimension: 'length' },
          limit: { value: rules.unprotectedM.value, dimension: 'length' },
          margin,
          figures: { cables: names.length > 0 ? names.slice(0, 2).join(', ') : 'nothing in the open' },
          lines: () => [
            {
              formula: 'Σ length of unguarded cable on each side of the cells, up to the first fuse',
              figures: stretches
                .map(
                  ({ open, lengthM, guardedM }) =>
                    `${q(lengthM, 'length')} (${open.map(({ conductor }) => conductor.name).join(', ') || 'none'})${guardedM > 0 ? `, ${q(guardedM, 'length')} guarded` : ''}`,
                )
                .join('; '),
              result: { value: second.lengthM, dimension: 'length' },
              note: 'The shorter side bounds it: without a second stretch there is no loop.',
            },
          ],
        },
      ];
    });
  },
  remedies: [propose.fuseAtCells],
  otherwise: 'Put a fuse nearer to the cells, or guard the cable up to it.',
});

/** Hard accelerations in the life of the vehicle (engineering judgement: twenty a day for fourteen years). */
const PULSES = 1e5;

const cyclic = defineRule({
  id: 'fuse.cyclic',
  endangers: 'fire',
  says: { fails: '{subject} tires of the pulses', holds: '{subject} pulses', line: '{demand} of {limit}' },
  sources: ['k_life · m(t) · I_n, 0.6 for up to 10⁵ pulses (generic)', 'Nominal time-current curve of the fuse’s part'],
  judge: ({ vehicle }) => {
    const waitsFor = packMustDeliver(vehicle);
    return vehicle.devices
      .filter(({ device }) => device.kind === 'fuse')
      .flatMap((device): Finding[] => {
        const fuse = partOf(device, 'fuse');
        if (!fuse) return [];
        if (waitsFor) return [{ subject: deviceRef(device), waitsFor }];
        const peaks = solvedStates(vehicle).filter(
          ({ state }) => state.duration === 'seconds' && state.id !== 'precharge',
        );
        const worst = worstCurrent(peaks, device.id);
        if (!worst || worst.currentA < 0.1) return [];
        const timeS = vehicle.build.duty.hardAccelerationS;
        const limit = pulseCurrent(fuse, timeS, PULSES);
        return [
          {
            subject: deviceRef(device),
            case: worst.solved.id,
            demand: amps(worst.currentA),
            limit: amps(limit),
            margin: marginAtMost(worst.currentA, limit),
            assumed: [powerFrom(vehicle), '100 000 such pulses in its life.'],
            lines: () => [
              {
                formula: 'I ≤ k_life · m(t) · I_n',
                figures: `0.6 · m(${q(timeS, 'time')}) · ${q(fuse.ratedCurrentA, 'current')}`,
                result: amps(limit),
                note: `${corner(worst.solved)}. The rms may be fine while the element tires.`,
              },
            ],
          },
        ];
      });
  },
  remedies: [propose.biggerFuse],
  otherwise: 'A larger fuse with the cable that it then needs, or a gentler pedal.',
});

/** Long climbs in the life of the vehicle (engineering judgement: two a day for fourteen years), and how long one lasts, s. */
const CLIMBS = 1e4;
const CLIMB_S = 600;

/** What flows for minutes lies between what a fuse bears for ever and what it bears for seconds. */
const minutes = defineRule({
  id: 'fuse.minutes',
  endangers: 'fire',
  says: {
    fails: '{subject} melts on a long climb',
    holds: '{subject} on a long climb',
    line: '{demand} of {limit} for {time}',
  },
  sources: [
    'k_life · m(t) · I_n, 0.7 for up to 10⁴ climbs of ten minutes (generic), never less than its continuous rating',
    'Nominal time-current curve of the fuse’s part',
  ],
  judge: ({ vehicle }) => {
    const waitsFor = packMustDeliver(vehicle);
    return vehicle.devices
      .filter(({ device }) => device.kind === 'fuse')
      .flatMap((device): Finding<'time'>[] => {
        const fuse = partOf(device, 'fuse');
        if (!fuse) return [];
        if (waitsFor) return [{ subject: deviceRef(device), waitsFor }];
        const worst = worstCurrent(
          solvedStates(vehicle).filter(({ state }) => state.duration === 'minutes'),
          device.id,
        );
        if (!worst || worst.currentA < 0.1) return [];
        const limit = lastingCurrent(fuse, device.ambientC, CLIMB_S, CLIMBS);
        return [
          {
            subject: deviceRef(device),
            case: worst.solved.id,
            demand: amps(worst.currentA),
            limit: amps(limit),
            margin: marginAtMost(worst.currentA, limit),
            figures: { time: { value: CLIMB_S, dimension: 'time' } },
            assumed: [powerFrom(vehicle), ...assumedAmbient(device)],
            lines: () => [
              {
                formula: 'I ≤ max(I_cont, k_life · m(t) · I_n)',
                figures: `max(${q(continuousCurrent(fuse, device.ambientC), 'current')}, 0.7 · ${meltingMultiple(fuse, CLIMB_S).toPrecision(3)} · ${q(fuse.ratedCurrentA, 'current')}), warm surroundings counted`,
                result: amps(limit),
                note: `${corner(worst.solved)}, for ${q(CLIMB_S, 'time')}.`,
              },
            ],
          },
        ];
      });
  },
  remedies: [propose.biggerFuse],
  otherwise: 'A larger fuse with the cable that it then needs, or a slower climb.',
});

const branch = defineRule({
  id: 'fuse.branch',
  endangers: 'fire',
  says: { fails: '{subject} has no fuse of its own', holds: '{subject} has a fuse of its own', line: '{detail}' },
  sources: [
    'A thin branch behind the main fuse is not protected by it: a fuse of its own at the tap (IEC 60364-4-43, 433.2)',
  ],
  judge: ({ vehicle }) => {
    const fusesOn = (id: string): Set<string> =>
      new Set(
        (wayOf(vehicle, vehicle.deviceOf.get(id)!)?.seriesIds ?? []).filter(
          (one) => vehicle.deviceOf.get(one)?.device.kind === 'fuse',
        ),
      );
    const inverter = vehicle.devices.find(({ device }) => device.kind === 'inverter');
    if (!inverter) return [];
    const trunk = fusesOn(inverter.id);
    return vehicle.devices
      .filter(({ device, part }) => part?.kind === 'bus-device' && device.kind !== 'inverter')
      .flatMap((device): Finding<'detail'>[] => {
        if (!wayOf(vehicle, device)) return [];
        const own = [...fusesOn(device.id)].filter((id) => !trunk.has(id));
        const name = own.map((id) => vehicle.deviceOf.get(id)!.device.name).join(', ');
        return [
          {
            subject: deviceRef(device),
            holds: own.length > 0,
            figures: { detail: own.length > 0 ? name : 'only the main fuse stands before it' },
          },
        ];
      });
  },
  remedies: 'Press its wire next to the bus and put a fuse into it.',
});

export const PLACEMENT_RULES: readonly Rule[] = [unprotectedLength, cyclic, minutes, branch];
