import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import { adiabaticI2t } from '../../physics/fuse-curve';
import * as propose from '../../proposals';
import { type Fault, faultBetween, firstToMelt, packPoles } from '../../simulate';
import { isPrechargeRelay, partOf, protectingFuses, terminalNode } from '../../vehicle';
import { amps, deviceRef } from '../context';
import { defineRule, type Rule } from '../define';
import { at, eachFuse, HIGHEST, i2t, notProved, SOURCES } from './fuse-faults';

/** What a fuse lets through, against the fuse and the contactors before it. */

const SELECTIVITY = 0.75;

const selectivity = defineRule({
  id: 'fuse.selectivity',
  endangers: 'fire',
  says: {
    fails: '{subject} takes {upstream} with it',
    holds: '{subject} discriminates',
    line: 'lets through {demand}, {upstream} stands {limit}',
    open: '{subject} discriminates',
  },
  sources: ['Branch goes, main stays: total I²t below 0.75 of the upstream pre-arcing I²t (practice)', SOURCES.slow],
  judge: (context) => {
    const { vehicle } = context;
    const protecting = protectingFuses(vehicle, 'fuse').of;
    return eachFuse(context, (subject): Finding<'upstream'>[] => {
      const { device, fuse, zone } = subject;
      if (!zone.highest) return [];
      // Upstream: fuses that also take this one's conductors off when they open.
      const own = zone.ended.map(({ judgement }) => judgement.conductorId);
      const upstream = [...new Set(own.flatMap((id) => protecting.get(id) ?? []))]
        .filter((id) => id !== device.id)
        .flatMap((id) => {
          const part = partOf(vehicle.deviceOf.get(id), 'fuse');
          return part && part.ratedCurrentA > fuse.ratedCurrentA ? [{ id, part }] : [];
        })
        .sort((p, r) => adiabaticI2t(p.part, p.part.ratedCurrentA) - adiabaticI2t(r.part, r.part.ratedCurrentA))[0];
      if (!upstream) return [];
      const waitsFor = notProved(context, subject, false);
      if (waitsFor) return [{ subject: deviceRef(device), waitsFor }];
      const total = at(fuse, zone.highest, zone.highestA).totalI2tA2s;
      if (total === null) return [];
      const limit = SELECTIVITY * adiabaticI2t(upstream.part, upstream.part.ratedCurrentA);
      const name = vehicle.deviceOf.get(upstream.id)!.device.name;
      return [
        {
          subject: deviceRef(device),
          demand: i2t(total),
          limit: i2t(limit),
          margin: marginAtMost(total, limit),
          figures: { upstream: name },
          assumed: [HIGHEST],
          lines: () => [
            {
              formula: 'I²t_total ≤ 0.75 · m(1 ms)² · 1 ms · I_n² upstream',
              figures: `0.75 · ${upstream.part.multiples[0]}² · 1 ms · (${q(upstream.part.ratedCurrentA, 'current')})²`,
              result: i2t(limit),
              note: `${name} must not melt before ${device.device.name} has cleared.`,
            },
          ],
        },
      ];
    });
  },
  remedies: [propose.smallerFuse, propose.otherFuse],
  otherwise: 'A smaller or faster fuse below, or a larger one above with the cable that it then needs.',
});

const contactorWithstand = defineRule({
  id: 'fuse.contactor-withstand',
  endangers: 'fire',
  says: {
    fails: '{subject} welds or bursts before its fuse acts',
    holds: '{subject} outlasts its fuse',
    line: '{fuse} lets through {demand}, it stands {limit}',
    open: '{subject} in a short circuit',
  },
  sources: [
    'Let-through I²t and peak against the contactor’s short-time rating: its part',
    SOURCES.slow,
    SOURCES.network,
  ],
  judge: (context) => {
    const { vehicle } = context;
    const poles = packPoles(vehicle);
    if (!poles) return [];
    return vehicle.devices.flatMap((device): Finding<'fuse'>[] => {
      const part = partOf(device, 'contactor');
      if (!part || isPrechargeRelay(vehicle, device.id)) return [];
      const subject = deviceRef(device);
      // Bolted right behind it: the short at its own terminals that drives the most through it.
      const fault = ['a', 'b']
        .flatMap((terminal) =>
          [poles.minus, poles.plus].map((pole) =>
            faultBetween(vehicle, terminalNode(device, terminal), pole, 'highest'),
          ),
        )
        .reduce<Fault | null>(
          (most, one) => ((one?.through(device.id) ?? 0) > (most?.through(device.id) ?? 0) ? one : most),
          null,
        );
      if (!fault) return [];
      if (part.shortTimeI2tA2s === undefined || part.shortTimePeakA === undefined)
        return [{ subject, missing: [{ ref: subject, what: 'its short-time rating' }] }];
      const opening = firstToMelt(vehicle, fault);
      const total = opening?.clearing.totalI2tA2s ?? null;
      if (!opening || opening.notProved !== null || total === null)
        return [{ subject, waitsFor: [{ ref: subject, what: 'has a fuse in its loop that is proved to break' }] }];
      const share = fault.through(device.id) / fault.through(opening.deviceId);
      const found = {
        i2t: total * share * share,
        peak: opening.clearing.letThroughA * share,
        fuse: vehicle.deviceOf.get(opening.deviceId)!.device.name,
      };
      const byI2t = marginAtMost(found.i2t, part.shortTimeI2tA2s);
      const byPeak = marginAtMost(found.peak, part.shortTimePeakA);
      const peaks = byPeak <= byI2t;
      return [
        {
          subject,
          demand: peaks ? amps(found.peak) : i2t(found.i2t),
          limit: peaks ? amps(part.shortTimePeakA) : i2t(part.shortTimeI2tA2s),
          margin: Math.min(byI2t, byPeak),
          figures: { fuse: found.fuse },
          assumed: [HIGHEST],
          lines: () => [
            {
              formula: 'peak let through ≤ what it stands closed',
              figures: `${q(found.peak, 'current')} ≤ ${q(part.shortTimePeakA!, 'current')}`,
              result: { value: byPeak, dimension: 'ratio' },
            },
            {
              formula: 'I²t let through ≤ what it stands closed',
              figures: `${q(found.i2t, 'i2t')} ≤ ${q(part.shortTimeI2tA2s!, 'i2t')}`,
              result: { value: byI2t, dimension: 'ratio' },
            },
          ],
        },
      ];
    });
  },
  remedies: [propose.otherContactor],
  otherwise: 'A contactor that stands more, or a fuse that lets less through.',
});

export const LET_THROUGH_RULES: readonly Rule[] = [selectivity, contactorWithstand];
