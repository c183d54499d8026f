import { type Edit, hasTrait } from '../../build';
import { type Finding, marginAtMost, marginOfRise, quantityText as q } from '../../checks';
import * as propose from '../../proposals';
import { told } from '../../quantities';
import { conductorOhm, conductorsOf, type SolvedState, wayOf } from '../../vehicle';
import {
  celsius,
  conductorRef,
  corner,
  deviceRef,
  fromRules,
  hotPlace,
  NEEDS_CELLS,
  packMustDeliver,
  powerFrom,
  sustainedCases,
  volts,
} from '../context';
import { defineRule, type Proposer, type Rule } from '../define';
import { BAR_RULES } from './bar-rules';
import { FITTING_RULES } from './fitting-rules';
import { JOINED_RULES } from './joined-rules';
import { PHASE_RULES, phasesOf } from './phase-rules';
import { cableRows } from './results';
import { ROUTE_RULES } from './route-rules';
import { TERMINAL_RULES } from './terminal-rules';
import { TRIP_RULES } from './trip-rules';

const temperature = defineRule({
  id: 'cable.temperature',
  endangers: 'fire',
  says: { fails: '{subject} gets too hot', holds: '{subject} temperature', line: '{demand} of {limit} in {place}' },
  variants: {
    runaway: {
      fails: '{subject} has no steady temperature',
      holds: '{subject} temperature',
      line: 'at {current} it heats without end in {place}',
    },
  },
  sources: [
    'Heat balance: Churchill and Chu 1975 convection, Stefan–Boltzmann radiation, insulation conductivity',
    'Temperature class: ISO 6722 / ISO 19642, the cable’s part',
  ],
  judge: ({ vehicle }) => {
    const waitsFor = packMustDeliver(vehicle, 'sustained');
    const sustained = sustainedCases(vehicle);
    const isPhase = phasesOf(vehicle);
    return vehicle.conductors.flatMap((conductor): Finding<'current' | 'place', 'runaway'>[] => {
      const subject = conductorRef(conductor);
      const { cable, zone, laid } = conductor;
      // A phase carries the motor's current: it has a rule of its own.
      if (conductor.conductor.kind !== 'cable' || isPhase(conductor)) return [];
      const missing = conductor.missing.filter((what) => what !== 'length');
      if (!cable || !zone || !laid) return [{ subject, missing: missing.map((what) => ({ ref: subject, what })) }];
      if (vehicle.cases.length === 0) return [{ subject, missing: NEEDS_CELLS }];
      if (waitsFor) return [{ subject, waitsFor }];
      let worst: { solved: SolvedState; reached: number | null } | null = null;
      for (const solved of sustained) {
        const reached = solved.temperaturesC.get(conductor.id) ?? null;
        if (!worst || reached === null || (worst.reached !== null && reached > worst.reached))
          worst = { solved, reached };
        if (reached === null) break;
      }
      if (!worst) return [];
      const current = Math.abs(worst.solved.point.elementCurrentsA.get(conductor.id) ?? 0);
      const place = `${zone.name}${laid.conduit ? ', conduit' : ''}`;
      const assumed = [
        powerFrom(vehicle),
        `${zone.name} at ${q(zone.ambientC, 'temperature')} in every corner: the hottest air that stays there.`,
        ...hotPlace(conductor),
      ];
      if (worst.reached === null)
        return [
          {
            subject,
            case: worst.solved.id,
            holds: false,
            variant: 'runaway',
            figures: { current: { value: current, dimension: 'current' }, place },
            lines: () => [
              {
                formula: 'I² R(T) exceeds what the surface gives off at every temperature',
                figures: `${q(current, 'current')} in ${q(cable.areaMm2, 'area')}`,
              },
            ],
            assumed,
          },
        ];
      const { reached, solved } = worst;
      const margin = marginOfRise(reached, cable.temperatureClassC, zone.ambientC);
      return [
        {
          subject,
          case: solved.id,
          demand: celsius(reached),
          limit: celsius(cable.temperatureClassC),
          margin,
          figures: { place },
          lines: () => [
            {
              formula: 'I² · R20 · (1 + α(T − 20)) = heat through the insulation = convection + radiation',
              figures: `${q(current / conductor.conductor.parallel, 'current')}, ${q(cable.resistance20OhmPerM, 'resistancePerLength')}, Ø ${told(cable.outerDiameterMm / 1000, 'length', 3)}, ${q(zone.ambientC, 'temperature')}${laid.conduit ? ', conduit 0.80' : ''}${laid.loadedCircuits > 1 ? `, ${laid.loadedCircuits} circuits` : ''}`,
              result: celsius(reached),
              note: corner(solved),
            },
            {
              formula: 'margin = (T_class − T) / (T_class − T_ambient)',
              figures: `(${cable.temperatureClassC} − ${reached.toFixed(1)}) / (${cable.temperatureClassC} − ${zone.ambientC})`,
              result: { value: margin, dimension: 'ratio' },
            },
          ],
          assumed,
        },
      ];
    });
  },
  remedies: [propose.thickerCable],
  otherwise: 'A thicker cable, two side by side, or a cooler place.',
});

/** The conductor that loses most, or all of its size, in the next sizes. */
const thickerWay: Proposer = ({ vehicle }) => {
  const rows = cableRows(vehicle)
    .filter((row) => row.resolved.cable && (row.lossW ?? 0) > 0)
    .sort((p, q) => (q.lossW ?? 0) - (p.lossW ?? 0));
  const worst = rows[0]?.resolved.cable;
  if (!worst) return [];
  const same = rows.filter((row) => row.resolved.cable!.areaMm2 === worst.areaMm2);
  return propose
    .thicker(worst)
    .slice(0, 4)
    .flatMap((part): Edit[] => [
      { edit: 'fitCable', input: { conductorIds: [rows[0]!.id], part } },
      { edit: 'fitCable', input: { conductorIds: same.map((row) => row.id), part } },
    ]);
};

const drop = defineRule({
  id: 'cable.drop',
  endangers: 'comfort',
  says: { fails: '{subject} drops too much', holds: '{subject} drop', line: '{demand} of {limit} allowed' },
  sources: ['Drop out and back with the hot resistance, joints, fuses and contactors included'],
  sourcesIn: fromRules('hvDropShare'),
  judge: ({ vehicle, rules }) => {
    const waitsFor = packMustDeliver(vehicle, 'sustained');
    return vehicle.devices
      .filter(({ device }) => hasTrait(device.kind, 'consumer'))
      .flatMap((device): Finding[] => {
        const way = wayOf(vehicle, device);
        if (!way) return [];
        const conductors = conductorsOf(vehicle, way);
        const unknown = conductors.filter(
          (conductor) => conductor.missing.includes('length') || conductor.missing.includes('part'),
        );
        const subject = deviceRef(device);
        if (unknown.length > 0)
          return [
            {
              subject,
              missing: unknown.flatMap((conductor) =>
                conductor.missing
                  .filter((what) => what !== 'place')
                  .map((what) => ({ ref: conductorRef(conductor), what })),
              ),
            },
          ];
        if (waitsFor) return [{ subject, waitsFor }];
        let worst: { solved: SolvedState; drop: number; pack: number; own: number } | null = null;
        for (const solved of sustainedCases(vehicle)) {
          if (!((solved.point.elementCurrentsA.get(device.id) ?? 0) > 0)) continue;
          const across = (id: string) =>
            Math.abs((solved.point.elementPowersW.get(id) ?? 0) / (solved.point.elementCurrentsA.get(id) || 1));
          const dropV = way.seriesIds.reduce((sum, id) => sum + across(id), 0);
          const pack = way.boxIds.reduce((sum, id) => sum + across(id), 0);
          const own = conductors.reduce((sum, conductor) => sum + across(conductor.id), 0);
          if (!worst || dropV / pack > worst.drop / worst.pack) worst = { solved, drop: dropV, pack, own };
        }
        if (!worst) return [];
        const limit = rules.hvDropShare.value * worst.pack;
        const margin = marginAtMost(worst.drop, limit);
        const longest = [...conductors].sort((p, r) => (r.lengthM ?? 0) - (p.lengthM ?? 0))[0];
        return [
          {
            subject,
            case: worst.solved.id,
            demand: volts(worst.drop),
            limit: volts(limit),
            margin,
            lines: () => [
              {
                formula: 'ΔV = Σ I · R(T) over the way out and back',
                figures: `${conductors.length} conductors ${q(worst.own, 'voltage')}, fuses, contactors and shunts ${q(worst.drop - worst.own, 'voltage')}`,
                result: volts(worst.drop),
                note: longest
                  ? `Longest: ${longest.conductor.name}, ${q(longest.lengthM ?? 0, 'length')}, ${q(conductorOhm(longest, worst.solved.temperaturesC.get(longest.id) ?? 20), 'resistance')} hot. ${corner(worst.solved)}`
                  : corner(worst.solved),
              },
              {
                formula: `limit = ${(rules.hvDropShare.value * 100).toPrecision(3).replace(/\.?0+$/, '')} % of the pack under load`,
                figures: `${rules.hvDropShare.value} · ${q(worst.pack, 'voltage')}`,
                result: volts(limit),
              },
            ],
            assumed: [powerFrom(vehicle)],
          },
        ];
      });
  },
  remedies: [thickerWay],
  otherwise: 'Shorter ways or thicker cables, out and back.',
});

const voltage = defineRule({
  id: 'cable.voltage',
  endangers: 'people',
  says: {
    fails: '{subject} insulation is too weak',
    holds: '{subject} insulation',
    line: '{demand} full charge, rated {limit}',
  },
  sources: ['Rated voltage: the cable’s part', 'Full charge: charge voltage of every cell in series'],
  judge: ({ vehicle, fullV }) =>
    vehicle.conductors.flatMap((conductor): Finding[] => {
      const { cable } = conductor;
      if (conductor.conductor.kind !== 'cable' || !cable || fullV === null) return [];
      const margin = marginAtMost(fullV, cable.ratedVoltageV);
      return [
        {
          subject: conductorRef(conductor),
          demand: volts(fullV),
          limit: volts(cable.ratedVoltageV),
          margin,
          lines: () => [
            {
              formula: 'margin = (U − V_full) / U',
              figures: `(${q(cable.ratedVoltageV, 'voltage')} − ${q(fullV, 'voltage')}) / ${q(cable.ratedVoltageV, 'voltage')}`,
              result: { value: margin, dimension: 'ratio' },
            },
          ],
        },
      ];
    }),
  remedies: [propose.strongerInsulation],
  otherwise: 'A cable with insulation for more volts.',
});

export const CABLE_RULES: readonly Rule[] = [
  temperature,
  drop,
  voltage,
  ...TRIP_RULES,
  ...ROUTE_RULES,
  ...PHASE_RULES,
  ...FITTING_RULES,
  ...JOINED_RULES,
  ...BAR_RULES,
  ...TERMINAL_RULES,
];
