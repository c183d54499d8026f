import { type Finding, marginAtMost, quantityText as q, type Rule } from '../../checks';
import type { FusePart } from '../../parts';
import { usableDcVoltage } from '../../physics/fuse';
import { type ClearingFuse, clearing } from '../../physics/fuse-clearing';
import { adiabaticI2t, CURVE_TIMES_S } from '../../physics/fuse-curve';
import { type Fault, type FuseZone, faultBetween, firstToMelt, fuseZones, packPoles } from '../../simulate';
import { isPrechargeRelay, partOf, protectingFuses, type ResolvedDevice, terminalNode } from '../../vehicle';
import { amps, type Context, conductorRef, deviceRef, fromRules, NEEDS_CELLS, needsPart } from '../context';
import { cableWithstand } from './withstand';

const HIGHEST = 'Highest: warm, new, full pack, milliseconds, cold conductors, bolted right at the fuse.';
const LOWEST = 'Lowest: cold, aged, empty pack, hot conductors, an arc of 25 V at the far end, out and back.';
const SOURCES = {
  network: 'Short in the solved network; τ = L/R with 0.5 µH per metre of conductor and 5 µH in the cells (generic)',
  slow: 'Melting on the slow edge of the curve, 1.1 · I_n (generic: ±10 %)',
} as const;
const seconds = (value: number) => ({ value, dimension: 'time' as const });
const i2t = (value: number) => ({ value, dimension: 'i2t' as const });

interface Subject {
  readonly device: ResolvedDevice;
  readonly fuse: FusePart;
  readonly zone: FuseZone;
}

/** Runs a judgement for each fuse that has a part and a zone with currents; what is missing is said. */
function eachFuse(
  context: Context,
  judge: (subject: Subject & { faults: NonNullable<FuseZone['faults']> }) => Finding[],
): Finding[] {
  return fuseZones(context.vehicle).flatMap((zone): Finding[] => {
    const device = context.vehicle.deviceOf.get(zone.fuseId)!;
    const fuse = partOf(device, 'fuse');
    if (!fuse) return [needsPart(device)];
    if (context.fullV === null || !zone.faults) return [{ subject: deviceRef(device), missing: NEEDS_CELLS }];
    return judge({ device, fuse, zone, faults: zone.faults });
  });
}

const at = (fuse: ClearingFuse, fault: Fault, throughA: number) =>
  clearing(fuse, { prospectiveA: throughA, timeConstantS: fault.timeConstantS, voltageV: fault.voltageV });

/** Why a clearing I²t of this fuse means nothing yet; undefined when it is proved to break. */
function notProved(context: Context, { device, fuse, zone }: Subject, alsoLowest: boolean): Finding['waitsFor'] {
  const faults = zone.faults!;
  const ref = deviceRef(device);
  if (fuse.ratedVoltageDcV === null) return [{ ref, what: 'has a DC rating' }];
  const tau = faults.highest?.timeConstantS ?? 0;
  if ((context.fullV ?? 0) > usableDcVoltage({ ...fuse, ratedVoltageDcV: fuse.ratedVoltageDcV }, tau))
    return [{ ref, what: 'can break this voltage' }];
  if (faults.highestA > fuse.breakingCapacityA) return [{ ref, what: 'can break the highest fault current' }];
  if (alsoLowest && faults.lowest && fuse.minimumBreakingMultiple * fuse.ratedCurrentA > faults.lowestA)
    return [{ ref, what: 'breaks the lowest fault current' }];
  return undefined;
}

const breakingCapacity: Rule<Context> = {
  id: 'fuse.breaking-capacity',
  station: 'hv-circuit',
  sources: ['IEC 60269-1: breaking capacity at or above the highest prospective current', SOURCES.network],
  judge: (context) =>
    eachFuse(context, ({ device, fuse, faults }) => {
      if (!faults.highest) return [];
      const { highestA, highest } = faults;
      const margin = marginAtMost(highestA, fuse.breakingCapacityA);
      return [
        {
          subject: deviceRef(device),
          demand: amps(highestA),
          limit: amps(fuse.breakingCapacityA),
          margin,
          assumed: [HIGHEST],
          lines: () => [
            {
              formula: 'I = V / R of the loop',
              figures: `${q(highest.voltageV, 'voltage')} / ${q(highest.voltageV / highest.prospectiveA, 'resistance')}, τ = ${q(highest.timeConstantS, 'time')}`,
              result: amps(highest.prospectiveA),
              note: `Through the fuse ${q(highestA, 'current')}.`,
            },
          ],
        },
      ];
    }),
};

const minimumBreaking: Rule<Context> = {
  id: 'fuse.minimum-breaking',
  station: 'hv-circuit',
  sources: ['IEC 60269-4: below its smallest breaking current an aR element melts and burns on', SOURCES.network],
  judge: (context) =>
    eachFuse(context, ({ device, fuse, faults }) => {
      if (!faults.lowest) return [];
      const demand = fuse.minimumBreakingMultiple * fuse.ratedCurrentA;
      return [
        {
          subject: deviceRef(device),
          demand: amps(demand),
          limit: amps(faults.lowestA),
          margin: marginAtMost(demand, faults.lowestA),
          assumed: [LOWEST],
          lines: () => [
            {
              formula: 'multiple · I_n ≤ I_lowest',
              figures: `${fuse.minimumBreakingMultiple} · ${q(fuse.ratedCurrentA, 'current')} ≤ ${q(faults.lowestA, 'current')}`,
              result: { value: marginAtMost(demand, faults.lowestA), dimension: 'ratio' },
              note: `At ${faults.lowest!.a}: ${q(faults.lowest!.voltageV, 'voltage')} after the arc.`,
            },
          ],
        },
      ];
    }),
};

const meltingTime: Rule<Context> = {
  id: 'fuse.melting-time',
  station: 'hv-circuit',
  sources: [SOURCES.slow, SOURCES.network],
  sourcesIn: fromRules('meltingS'),
  judge: (context) =>
    eachFuse(context, ({ device, fuse, faults }) => {
      if (!faults.lowest) return [];
      const { meltTimeS } = at(fuse, faults.lowest, faults.lowestA);
      if (meltTimeS === null)
        return [
          {
            subject: deviceRef(device),
            holds: false,
            variant: 'never',
            demand: amps(faults.lowestA),
            assumed: [LOWEST],
          },
        ];
      return [
        {
          subject: deviceRef(device),
          demand: seconds(meltTimeS),
          limit: seconds(context.rules.meltingS.value),
          margin: marginAtMost(meltTimeS, context.rules.meltingS.value),
          figures: { current: amps(faults.lowestA) },
          assumed: [LOWEST],
          lines: () => [
            {
              formula: '∫ dt / t_pre(i / 1.1·I_n) = 1',
              figures: `${q(faults.lowestA, 'current')} through ${q(fuse.ratedCurrentA, 'current')}, τ = ${q(faults.lowest!.timeConstantS, 'time')}`,
              result: seconds(meltTimeS),
              note: `Multiples ${fuse.multiples.join(' ')} at ${CURVE_TIMES_S.join(' ')} s.`,
            },
          ],
        },
      ];
    }),
};

const cableShort: Rule<Context> = {
  id: 'fuse.cable-short',
  station: 'hv-circuit',
  sources: [
    'IEC 60949, IEC 60364-4-43: clearing I²t ≤ k²S², from the loaded temperature',
    SOURCES.slow,
    'Arcing (ratio − 1) · (U/U_n)^1.5 of the adiabatic I²t (generic)',
  ],
  judge: (context) =>
    eachFuse(context, (subject) => {
      const { device, fuse, zone, faults } = subject;
      const { vehicle } = context;
      const cables = zone.conductorIds.flatMap((id) => {
        const conductor = vehicle.conductorOf.get(id)!;
        return conductor.conductor.kind === 'cable' ? [conductor] : [];
      });
      if (cables.length === 0 || !faults.highest) return [];
      const ref = deviceRef(device);
      const unknown = cables.filter((conductor) => !conductor.cable);
      if (unknown.length > 0)
        return [
          { subject: ref, missing: unknown.map((conductor) => ({ ref: conductorRef(conductor), what: 'part' })) },
        ];
      const waitsFor = notProved(context, subject, true);
      if (waitsFor) return [{ subject: ref, waitsFor }];
      const clearings = [
        { fault: faults.highest, throughA: faults.highestA },
        ...(faults.lowest ? [{ fault: faults.lowest, throughA: faults.lowestA }] : []),
      ].map(({ fault, throughA }) => ({
        throughA,
        total: at(fuse, fault, throughA).totalI2tA2s,
        // What several strings feed together flows through the cable: the fuse sees its share only.
        times: Math.max(1, fault.prospectiveA / throughA),
      }));
      const times = Math.max(...clearings.map((one) => one.times));
      const endless = clearings.find(({ total }) => total === null);
      const worst = clearings.reduce((p, r) => ((r.total ?? 0) > (p.total ?? 0) ? r : p));
      const stands = cables.map((conductor) => {
        const stand = cableWithstand(vehicle, conductor)!;
        const share = zone.jointIds.has(conductor.id) ? times : 1;
        return { conductor, share, ...stand, limitA2s: stand.limitA2s / share ** 2 };
      });
      const weakest = stands.reduce((p, r) => (r.limitA2s < p.limitA2s ? r : p));
      if (endless)
        return [
          {
            subject: ref,
            holds: false,
            variant: 'never',
            demand: amps(endless.throughA),
            figures: { cable: weakest.conductor.conductor.name },
          },
        ];
      const total = worst.total!;
      return [
        {
          subject: ref,
          demand: i2t(total),
          limit: i2t(weakest.limitA2s),
          margin: marginAtMost(total, weakest.limitA2s),
          figures: { cable: q(weakest.areaMm2, 'area') },
          assumed: [HIGHEST, LOWEST, 'Crimped ends; a soldered one stands 160 °C only.'],
          lines: () => [
            {
              formula: 'I²t_clear at the highest and at the lowest current',
              figures: clearings.map((one) => `${q(one.throughA, 'current')}: ${q(one.total!, 'i2t')}`).join('; '),
              result: i2t(total),
            },
            {
              formula: weakest.share > 1.01 ? 'k² · S² / (I of all strings / I of this fuse)²' : 'k² · S²',
              figures: `${weakest.k.toPrecision(4)}² · ${weakest.areaMm2}²${weakest.share > 1.01 ? ` / ${weakest.share.toPrecision(3)}²` : ''}, from ${q(weakest.startC, 'temperature')} to ${q(weakest.finalC, 'temperature')}`,
              result: i2t(weakest.limitA2s),
              note: `Weakest in its zone: ${weakest.conductor.conductor.name}`,
            },
          ],
        },
      ];
    }),
};

const SELECTIVITY = 0.75;

const selectivity: Rule<Context> = {
  id: 'fuse.selectivity',
  station: 'hv-circuit',
  sources: ['Branch goes, main stays: total I²t below 0.75 of the upstream pre-arcing I²t (practice)', SOURCES.slow],
  judge: (context) => {
    const { vehicle } = context;
    const protecting = protectingFuses(vehicle, 'fuse').of;
    return eachFuse(context, (subject) => {
      const { device, fuse, zone, faults } = subject;
      if (!faults.highest) return [];
      // Upstream: fuses that also take this one's conductors off when they open.
      const upstream = [...new Set(zone.conductorIds.flatMap((id) => protecting.get(id) ?? []))]
        .filter((id) => id !== device.id)
        .flatMap((id) => {
          const part = partOf(vehicle.deviceOf.get(id), 'fuse');
          return part && part.ratedCurrentA > fuse.ratedCurrentA ? [{ id, part }] : [];
        })
        .sort((p, r) => adiabaticI2t(p.part, p.part.ratedCurrentA) - adiabaticI2t(r.part, r.part.ratedCurrentA))[0];
      if (!upstream) return [];
      const waitsFor = notProved(context, subject, false);
      if (waitsFor) return [{ subject: deviceRef(device), waitsFor }];
      const total = at(fuse, faults.highest, faults.highestA).totalI2tA2s;
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
};

const contactorWithstand: Rule<Context> = {
  id: 'fuse.contactor-withstand',
  station: 'hv-circuit',
  sources: [
    'Let-through I²t and peak against the contactor’s short-time rating: its part',
    SOURCES.slow,
    SOURCES.network,
  ],
  judge: (context) => {
    const { vehicle } = context;
    const poles = packPoles(vehicle);
    if (!poles) return [];
    return vehicle.devices.flatMap((device): Finding[] => {
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
};

export const FAULT_RULES: readonly Rule<Context>[] = [
  breakingCapacity,
  minimumBreaking,
  meltingTime,
  cableShort,
  selectivity,
  contactorWithstand,
];
