import type { Exposure } from '../../build';
import { type Finding, marginAtLeast, quantityText as q, type Ref } from '../../checks';
import { told as figureOf } from '../../quantities';
import {
  lowVoltage,
  overlaps,
  panelsOf,
  type ResolvedConductor,
  runsBeside,
  tightestTurn,
  type Vehicle,
  wayPoints,
} from '../../vehicle';
import { type Context, conductorRef, deviceRef } from '../context';
import { defineRule, type Rule } from '../define';

/** What a cable meets on its way: bends, feet, stones, brake lines, panels, signals. */
const metres = (value: number) => ({ value, dimension: 'length' as const });
const highVoltage = ({ fullV, rules }: Context): boolean => (fullV ?? 0) > rules.classBDcV.value;

const routed = (vehicle: Vehicle): ResolvedConductor[] =>
  vehicle.conductors.filter(({ conductor }) => conductor.kind === 'cable' && conductor.routeId !== null);
const routeOf = (vehicle: Vehicle, { conductor }: ResolvedConductor) => vehicle.build.routes[conductor.routeId!]!;

/** Radius over the outer diameter: unshielded, shielded, moving (generic). */
const bendFactor = (shielded: boolean, moves: boolean): number => (moves ? 10 : shielded ? 6 : 4);

const bend = defineRule({
  id: 'cable.bend',
  endangers: 'parts',
  says: { fails: '{subject} is bent too tight', holds: '{subject}, tightest bend', line: '{demand}, at least {limit}' },
  sources: ['Least bend radius 4 × the outer diameter unshielded, 6 × shielded, 10 × where it moves (generic)'],
  judge: ({ vehicle }) =>
    routed(vehicle).flatMap((conductor): Finding[] => {
      const route = routeOf(vehicle, conductor);
      const { cable } = conductor;
      const told = route.facts?.tightestBendM;
      const points = wayPoints(vehicle.build, route, conductor.conductor.a, conductor.conductor.b);
      const radius = told ?? (points ? tightestTurn(points) : null);
      if (!cable || radius === null) return [];
      const factor = bendFactor(cable.shielded, route.facts?.moves === true);
      const limit = (factor * cable.outerDiameterMm) / 1000;
      return [
        {
          subject: conductorRef(conductor),
          demand: metres(radius),
          limit: metres(limit),
          margin: marginAtLeast(radius, limit),
          assumed:
            told === undefined
              ? ['Tightest turn that fits between the points of its way: measure it on the vehicle.']
              : [],
          lines: () => [
            {
              formula: 'r ≥ k · outer diameter',
              figures: `${factor} · ${figureOf(cable.outerDiameterMm / 1000, 'length', 3)}`,
              result: metres(limit),
              note: route.name,
            },
          ],
        },
      ];
    }),
  remedies: 'Move a corner of its way on the plan, or fit a more flexible cable.',
});

/** HV beside a signal wire: nearer than this they are to cross, not to run along (practice). */
const SIGNAL_M = 0.1;

/** Crossing is no running along, m. */
const ALONG_M = 0.3;

/** 12-volt wires whose ways on the plan run along with a cable nearer than they should. */
function wiresBeside({ vehicle }: Context, conductor: ResolvedConductor): readonly string[] {
  const { build } = vehicle;
  const way = wayPoints(build, routeOf(vehicle, conductor), conductor.conductor.a, conductor.conductor.b);
  if (!way) return [];
  return lowVoltage(vehicle).lv.conductors.flatMap(({ conductor: wire }) => {
    const route = wire.routeId === null ? undefined : build.routes[wire.routeId];
    const other = route && wayPoints(build, route, wire.a, wire.b);
    return other && runsBeside(way, other, SIGNAL_M) > ALONG_M ? [wire.name] : [];
  });
}

/** Near heat a cable is of class C at least (practice; ISO 6722). */
const HEAT_CLASS_C = 125;

/** One look at a route: what is wrong with it there. */
function faultsOf(context: Context, conductor: ResolvedConductor): { wrong: string[]; open: string[] } {
  const route = routeOf(context.vehicle, conductor);
  const facts = route.facts ?? {};
  const exposure: ReadonlySet<Exposure> = new Set(conductor.zone?.exposure ?? []);
  const wrong: string[] = [];
  const open: string[] = [];
  const under = conductor.zone?.id === 'zone-underbody' || exposure.has('stones');
  if (facts.overBrakeLine) wrong.push('it runs over a brake line');
  if (facts.overBrakeLine === undefined) open.push('whether it runs over a brake line');
  // Its passages tell what nobody ticked off.
  const panels = panelsOf(context.vehicle.build, route);
  const throughPanel = facts.throughPanel ?? panels?.through;
  const grommet = facts.grommet ?? (panels ? panels.bare.length === 0 : undefined);
  for (const { name } of panels?.bare ?? []) if (facts.grommet === undefined) wrong.push(`${name} has no grommet`);
  if (throughPanel === undefined) open.push('whether it goes through a panel');
  if (facts.signalDistanceM === undefined && conductor.cable?.shielded !== true)
    open.push('how near signal wires run beside it');
  if (exposure.has('heat') && (conductor.cable?.temperatureClassC ?? 0) < HEAT_CLASS_C)
    wrong.push(
      `it lies near heat and ${conductor.cable ? `bears ${figureOf(conductor.cable.temperatureClassC, 'temperature')} only` : 'nobody knows what it bears'}`,
    );
  if (throughPanel && facts.grommet === false) wrong.push('it goes through a panel without a grommet');
  if (throughPanel && grommet === undefined) open.push('whether there is a grommet in the panel');
  if (under && conductor.laid?.conduit !== true) wrong.push('it lies under the floor without a conduit');
  else if (under && facts.cover === false) wrong.push('its conduit has no cover against stones');
  else if (under && facts.cover === undefined) open.push('whether a cover shields it under the floor');
  if (exposure.has('feet') && conductor.laid?.conduit !== true) wrong.push('feet can step on it');
  if (exposure.has('cargo') && conductor.laid?.conduit !== true) wrong.push('cargo can crush it');
  if (exposure.has('side-impact')) wrong.push('it lies where a side impact crushes it');
  if (facts.signalDistanceM !== undefined && facts.signalDistanceM < SIGNAL_M && conductor.cable?.shielded !== true)
    wrong.push(`signal wires run ${q(facts.signalDistanceM, 'length')} beside it and it has no shield`);
  if (conductor.cable?.shielded !== true) {
    const beside = wiresBeside(context, conductor);
    if (beside.length > 0)
      wrong.push(`${beside[0]} runs along with it on the plan, nearer than ${q(SIGNAL_M, 'length')}`);
  }
  return { wrong, open };
}

const way = defineRule({
  id: 'cable.route',
  endangers: 'people',
  says: { fails: '{subject}: not there', holds: '{subject}, its way', line: '{detail}', open: '{subject}, its way' },
  sources: [
    'Not over brake lines, not bare under the floor, through panels with a grommet, away from signals (practice; ISO 6469-3)',
  ],
  judge: (context) => {
    const { vehicle } = context;
    const seen = new Map<string, Finding>();
    for (const conductor of routed(vehicle)) {
      const route = routeOf(vehicle, conductor);
      const { wrong, open } = faultsOf(context, conductor);
      const subject: Ref = { kind: 'build', id: route.id, name: route.name };
      const finding: Finding<'detail'> =
        wrong.length > 0
          ? { subject, holds: false, figures: { detail: wrong.join('; ') } }
          : open.length > 0
            ? { subject, missing: open.map((what) => ({ ref: subject, what })) }
            : { subject, holds: true, figures: { detail: 'nothing on its way harms it, as told' } };
      const before = seen.get(route.id);
      if (!before || (before.holds !== false && wrong.length > 0)) seen.set(route.id, finding);
    }
    return [...seen.values()];
  },
  remedies: 'Move its way on the plan, or give it the guard or grommet that is named.',
});

const shield = defineRule({
  id: 'cable.shield',
  endangers: 'people',
  says: { fails: 'Shield of {subject} does not shield', holds: 'Shield of {subject}', line: '{detail}' },
  sources: ['Shields of HV power cables earthed at both ends (EMC practice; ISO 6469-3)'],
  judge: (context) => {
    const { vehicle } = context;
    if (!highVoltage(context)) return [];
    return routed(vehicle).flatMap((conductor): Finding<'detail'>[] => {
      const earthed = routeOf(vehicle, conductor).facts?.shieldEarthed;
      if (!conductor.cable?.shielded) return [];
      if (earthed === undefined)
        return [
          {
            subject: conductorRef(conductor),
            missing: [{ ref: conductorRef(conductor), what: 'where its shield is earthed' }],
          },
        ];
      return [
        {
          subject: conductorRef(conductor),
          holds: earthed === 'both',
          figures: {
            detail:
              earthed === 'both'
                ? 'both ends earthed'
                : earthed === 'one'
                  ? 'earthed at one end only'
                  : 'earthed nowhere',
          },
        },
      ];
    });
  },
  remedies: 'Earth its shield at both ends, or as its device’s sheet asks, and tell it in the cable’s own fields.',
});

const overlap = defineRule({
  id: 'plan.overlap',
  endangers: 'parts',
  says: { fails: '{subject} and {other} stand in one place', holds: '{subject}', line: 'with {other}' },
  sources: ['Two things can’t stand in one place: outer measures as told, else generic'],
  judge: ({ vehicle }) =>
    overlaps(vehicle.build).map(([p, other]): Finding<'other'> => {
      const device = vehicle.deviceOf.get(p.id);
      return {
        subject: device ? deviceRef(device) : { kind: 'device', id: p.id, name: p.name },
        holds: false,
        figures: { other: other.name },
      };
    }),
  remedies: 'Move one of the two on the plan.',
});

export const ROUTE_RULES: readonly Rule[] = [bend, way, shield, overlap];
