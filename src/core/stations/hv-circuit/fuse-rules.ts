import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import { BAR_LIMIT_C } from '../../physics/bar';
import { continuousCurrent, isFullRange, usableDcVoltage } from '../../physics/fuse';
import * as propose from '../../proposals';
import { fuseZones, shorts } from '../../simulate';
import {
  barOf,
  carriesA,
  copperMm2,
  partOf,
  protectingFuses,
  type ResolvedConductor,
  type ResolvedDevice,
  type Vehicle,
} from '../../vehicle';
import {
  amps,
  assumedAmbient,
  type Context,
  celsius,
  conductorRef,
  corner,
  deviceRef,
  fullOnly,
  hotPlace,
  NEEDS_CELLS,
  needsPart,
  packMustDeliver,
  powerFrom,
  sustainedCases,
  volts,
  worstCurrent,
} from '../context';
import { defineRule, type Rule } from '../define';

const fusesOf = ({ vehicle }: Context): ResolvedDevice[] =>
  vehicle.devices.filter(({ device }) => device.kind === 'fuse');

const dcRating = defineRule({
  id: 'fuse.dc-rating',
  endangers: 'fire',
  says: {
    fails: '{subject} has no DC rating',
    holds: '{subject} has a DC rating',
    line: '{detail}',
    open: '{subject} DC rating',
  },
  sources: [
    'IEC 60269-1: a fuse breaks DC only up to a stated DC voltage; with no current zero the arc does not end by itself',
  ],
  judge: (context) =>
    fusesOf(context).map((device) => {
      const fuse = partOf(device, 'fuse');
      if (!fuse) return needsPart(device);
      const stated = fuse.ratedVoltageDcV !== null;
      return {
        subject: deviceRef(device),
        holds: stated,
        figures: { detail: stated ? `${fuse.ratedVoltageDcV} V DC stated` : 'an AC rating says nothing about DC' },
      };
    }),
  remedies: [propose.higherVoltage],
  otherwise: 'A fuse with a stated DC voltage: one for alternating current has no zero crossing here to end its arc.',
});

const dcVoltage = defineRule({
  id: 'fuse.dc-voltage',
  endangers: 'fire',
  says: {
    fails: '{subject} can’t break this voltage',
    holds: '{subject} voltage',
    line: '{demand} full charge, breaks {limit}',
  },
  sources: [
    'IEC 60269-1: rated DC voltage at or above the highest voltage of the circuit',
    'Full charge: charge voltage of every cell in series',
  ],
  judge: (context) =>
    fusesOf(context).map((device) => {
      const fuse = partOf(device, 'fuse');
      if (!fuse) return needsPart(device);
      const { fullV } = context;
      if (fullV === null) return { subject: deviceRef(device), missing: NEEDS_CELLS };
      if (fuse.ratedVoltageDcV === null)
        return { subject: deviceRef(device), waitsFor: [{ ref: deviceRef(device), what: 'has a DC rating' }] };
      const tau = fuseZones(context.vehicle).find((zone) => zone.fuseId === device.id)?.highest?.timeConstantS ?? 0;
      const limit = usableDcVoltage({ ...fuse, ratedVoltageDcV: fuse.ratedVoltageDcV }, tau);
      const margin = marginAtMost(fullV, limit);
      return {
        subject: deviceRef(device),
        demand: volts(fullV),
        limit: volts(limit),
        margin,
        lines: () => [
          {
            formula: 'U = U_dc · min(1, (τ_proved/τ)^0.3)',
            figures: `${q(fuse.ratedVoltageDcV!, 'voltage')} · min(1, (${q(fuse.ratedTimeConstantS, 'time')} / ${q(tau, 'time')})^0.3)`,
            result: volts(limit),
          },
          {
            formula: 'margin = (U − V_full) / U',
            figures: `(${q(limit, 'voltage')} − ${q(fullV, 'voltage')}) / ${q(limit, 'voltage')}`,
            result: { value: margin, dimension: 'ratio' },
            note: 'The whole string counts, also for a fuse in the middle of it.',
          },
        ],
        assumed: [fullOnly(context.vehicle)],
      };
    }),
  remedies: [propose.higherVoltage],
  otherwise: 'A fuse for more volts DC, of whatever rating fits the cable behind it.',
});

const continuous = defineRule({
  id: 'fuse.continuous',
  endangers: 'fire',
  says: {
    fails: '{subject} carries more than it lasts',
    holds: '{subject} continuous',
    line: '{demand} of {limit} at {ambient}',
  },
  sources: ['Continuous factor and element limit: the fuse’s part', 'I_cont = I_n · k · √((θ_max − T_a)/(θ_max − 25))'],
  judge: (context) => {
    const waitsFor = packMustDeliver(context.vehicle, 'sustained');
    return fusesOf(context).flatMap((device): Finding<'ambient'>[] => {
      const fuse = partOf(device, 'fuse');
      if (!fuse) return [needsPart(device)];
      if (waitsFor) return [{ subject: deviceRef(device), waitsFor }];
      const worst = worstCurrent(sustainedCases(context.vehicle), device.id);
      if (!worst) return [];
      const limit = continuousCurrent(fuse, device.ambientC);
      const margin = marginAtMost(worst.currentA, limit);
      return [
        {
          subject: deviceRef(device),
          case: worst.solved.id,
          demand: amps(worst.currentA),
          limit: amps(limit),
          margin,
          figures: { ambient: celsius(device.ambientC) },
          lines: () => [
            {
              formula: 'I_cont = I_n · k · √((θ_max − T_a)/(θ_max − 25))',
              figures: `${q(fuse.ratedCurrentA, 'current')} · ${fuse.continuousFactor} · √((${fuse.temperatureLimitC} − ${device.ambientC})/(${fuse.temperatureLimitC} − 25))`,
              result: amps(limit),
            },
            {
              formula: 'margin = (I_cont − I) / I_cont',
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
  remedies: [propose.biggerFuse],
  otherwise: 'A larger fuse with the cable that it then needs, or a cooler place.',
});

interface Carrying {
  readonly conductor: ResolvedConductor;
  readonly carriesA: number;
  /** Ratings of the fuses that only together protect it, over this one's own: 1 when it protects alone. */
  readonly share: number;
}

interface Behind {
  readonly weakest: Carrying | null;
  /** Cables whose size or place is not known: any of them could be weaker. */
  readonly unknown: readonly ResolvedConductor[];
}

/** For each fuse the cables whose smallest fuse it is, alone or with others, and whose current no series resistor limits. */
function cablesBehind(context: Context): Map<string, Behind> {
  const { vehicle } = context;
  const { of, jointly } = protectingFuses(vehicle, 'fuse');
  const resistors = protectingFuses(vehicle, 'precharge-resistor').of;
  const rated = (ids: readonly string[]) =>
    ids.flatMap((id) => {
      const fuse = partOf(vehicle.deviceOf.get(id), 'fuse');
      return fuse ? [{ id, ratedCurrentA: fuse.ratedCurrentA }] : [];
    });
  const behind = new Map<string, Behind>();
  for (const conductor of vehicle.conductors) {
    const isCable = conductor.conductor.kind === 'cable';
    // A bar that nobody measured is asked for by its own rule; what is bolted has nothing to carry along.
    if ((!isCable && !barOf(vehicle, conductor)) || (resistors.get(conductor.id) ?? []).length > 0) continue;
    const nearest = rated(of.get(conductor.id) ?? []).sort((p, r) => p.ratedCurrentA - r.ratedCurrentA)[0];
    const fuses = nearest ? [nearest] : rated(jointly.get(conductor.id) ?? []);
    const togetherA = fuses.reduce((sum, fuse) => sum + fuse.ratedCurrentA, 0);
    const throughA = carriesA(vehicle, conductor);
    for (const fuse of fuses) {
      const known = behind.get(fuse.id) ?? { weakest: null, unknown: [] };
      const share = togetherA / fuse.ratedCurrentA;
      if (throughA === null) behind.set(fuse.id, { ...known, unknown: [...known.unknown, conductor] });
      else if (!known.weakest || throughA / share < known.weakest.carriesA / known.weakest.share)
        behind.set(fuse.id, { ...known, weakest: { conductor, carriesA: throughA, share } });
    }
  }
  return behind;
}

/** What a conductor’s current rests on, in words. */
function placeWords(vehicle: Vehicle, conductor: ResolvedConductor): string {
  const bar = barOf(vehicle, conductor);
  if (bar) return `a busbar at ${q(BAR_LIMIT_C, 'temperature')} in air of ${q(bar.airC, 'temperature')}`;
  const { cable, zone, laid } = conductor;
  const lies = `${laid!.conduit ? ', in conduit' : ''}${laid!.arrangement === 'touching-pair' ? ', touching pair' : ''}`;
  return `${q(cable!.temperatureClassC, 'temperature')} class, ${zone!.name} at ${q(zone!.ambientC, 'temperature')}${lies}`;
}

const cableOverload = defineRule({
  id: 'fuse.cable-overload',
  endangers: 'fire',
  says: {
    fails: '{subject} does not protect its cable',
    holds: '{subject} protects its cable (overload)',
    line: '{demand} fuse, {cable} carries {limit}',
    open: '{subject} against its cable',
  },
  variants: {
    shared: {
      fails: '{subject} and its neighbours don’t protect their cable',
      holds: '{subject} and its neighbours protect their cable',
      line: '{demand} fuse, its share of {cable} {limit}: strings in parallel feed it together',
    },
    partial: {
      fails: '{subject} is no overload protection',
      holds: '{subject} protects its cable (overload)',
      line: 'it breaks short circuits only, from {demand} upward',
    },
  },
  sources: [
    'IEC 60364-4-43, 433.1: I_n ≤ I_z and I_2 ≤ 1.45 · I_z',
    'I_z: heat balance of the cable in its place, free-air correlations',
  ],
  judge: (context) => {
    const cables = cablesBehind(context);
    const { vehicle } = context;
    return fusesOf(context).flatMap((device): Finding<'cable', 'shared' | 'partial'>[] => {
      const fuse = partOf(device, 'fuse');
      if (!fuse) return [needsPart(device)];
      const behind = cables.get(device.id);
      if (!behind) return [];
      const missing = behind.unknown.flatMap((cable) =>
        cable.missing.filter((what) => what !== 'length').map((what) => ({ ref: conductorRef(cable), what })),
      );
      if (!behind.weakest) return [{ subject: deviceRef(device), missing }];
      const { conductor, share } = behind.weakest;
      // Of a cable that several fuses protect together each may fill its share only.
      const mostA = behind.weakest.carriesA / share;
      const area = copperMm2(conductor)! / conductor.conductor.parallel;
      if (!isFullRange(fuse.minimumBreakingMultiple)) {
        return [
          {
            subject: deviceRef(device),
            holds: false,
            variant: 'partial',
            demand: amps(fuse.minimumBreakingMultiple * fuse.ratedCurrentA),
            limit: amps(mostA),
            figures: { cable: conductor.conductor.name },
            lines: () => [
              {
                formula: 'I_min break = multiple · I_n',
                figures: `${fuse.minimumBreakingMultiple} · ${q(fuse.ratedCurrentA, 'current')}`,
                result: amps(fuse.minimumBreakingMultiple * fuse.ratedCurrentA),
                note: 'Below this it melts without breaking. Another overload protection must be named.',
              },
            ],
          },
        ];
      }
      const fusing = fuse.fusingMultiple * fuse.ratedCurrentA;
      const margin = Math.min(marginAtMost(fuse.ratedCurrentA, mostA), marginAtMost(fusing, 1.45 * mostA));
      // A known cable that is too weak fails whatever the others are; otherwise an unknown one leaves it open.
      if (margin >= 0 && missing.length > 0) return [{ subject: deviceRef(device), missing }];
      return [
        {
          subject: deviceRef(device),
          demand: amps(fuse.ratedCurrentA),
          limit: amps(mostA),
          margin,
          assumed: hotPlace(conductor),
          ...(share > 1.0001 ? { variant: 'shared' } : {}),
          figures: { cable: q(area, 'area') },
          lines: () => [
            {
              formula: 'I_n ≤ I_z',
              figures: `${q(fuse.ratedCurrentA, 'current')} ≤ ${q(mostA, 'current')}`,
              result: { value: marginAtMost(fuse.ratedCurrentA, mostA), dimension: 'ratio' },
              note: `Weakest cable behind it: ${conductor.conductor.name}, ${conductor.conductor.parallel > 1 ? `${conductor.conductor.parallel} × ` : ''}${q(area, 'area')}, ${placeWords(vehicle, conductor)}.${share > 1.0001 ? ` It carries ${q(behind.weakest!.carriesA, 'current')} in all; fuses of strings in parallel feed it together.` : ''}`,
            },
            {
              formula: 'I_2 = fusing multiple · I_n ≤ 1.45 · I_z',
              figures: `${fuse.fusingMultiple} · ${q(fuse.ratedCurrentA, 'current')} = ${q(fusing, 'current')} ≤ ${q(1.45 * mostA, 'current')}`,
              result: { value: marginAtMost(fusing, 1.45 * mostA), dimension: 'ratio' },
            },
          ],
        },
      ];
    });
  },
  remedies: [propose.protectCable],
  otherwise: 'A thicker cable behind it, or a fuse of its own for the thin part.',
});

const present = defineRule({
  id: 'fuse.present',
  endangers: 'fire',
  says: { fails: 'No fuse protects {subject}', holds: '{subject} has a fuse', line: '{detail}' },
  sources: [
    'IEC 60364-4-43, 434: every live conductor has protection against short circuit',
    'A fuse further down the line protects nothing before itself, a series resistor neither',
  ],
  judge: ({ vehicle, fullV }) => {
    if (fullV === null) return [];
    const { of, jointly, unfed } = protectingFuses(vehicle, 'fuse');
    return [...shorts(vehicle).values()].flatMap(({ conductorId, all, verdict }): Finding<'detail'>[] => {
      const subject = conductorRef(vehicle.conductorOf.get(conductorId)!);
      const none = !unfed.has(conductorId) && !jointly.has(conductorId) && (of.get(conductorId) ?? []).length === 0;
      // A short that meets no fuse at all, though cells alone do not join its two ends.
      const bare = all.find(({ openerId }) => openerId === null);
      if (!(none && verdict !== 'idle') && !bare) return [];
      const flows = bare ? `${q(bare.story.fault.prospectiveA, 'current')} flow, and ` : '';
      return [{ subject, holds: false, figures: { detail: `${flows}no fuse opens when it is shorted` } }];
    });
  },
  remedies: [propose.fuseHere],
  otherwise: 'Press the wire nearest to the cells in HV circuit and put a fuse into it.',
});

export const FUSE_RULES: readonly Rule[] = [dcRating, dcVoltage, continuous, cableOverload, present];
