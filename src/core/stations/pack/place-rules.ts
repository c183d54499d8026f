import { aBody } from '../../build';
import { type Finding, marginAtMost, quantityText as q, type Ref } from '../../checks';
import { G_M_PER_S2, lowering } from '../../physics/axles';
import { boltShearN, boltTensionN } from '../../physics/bolts';
import { told } from '../../quantities';
import { BODY_FIGURES, massesOf, partOf, type ResolvedDevice, type Vehicle, wheelsOf } from '../../vehicle';
import { deviceRef, fromRules } from '../context';
import { defineRule, type Rule } from '../define';
import { restraintAsked } from './restraint';

/** What the pack does to the vehicle that carries it: axles, springs, fixings, hands. */
const kg = (value: number) => ({ value, dimension: 'mass' as const });
const metres = (value: number) => ({ value, dimension: 'length' as const });
const AXLES = ['front', 'rear'] as const;
const axleRef = (axle: (typeof AXLES)[number]): Ref => ({
  kind: 'build',
  id: `axle-${axle}`,
  name: axle === 'front' ? 'Front axle' : 'Rear axle',
});

const axleLoad = defineRule({
  id: 'pack.axle-load',
  endangers: 'people',
  says: {
    fails: '{subject} is overloaded',
    holds: '{subject}',
    line: '{demand} of {limit} with a usual load',
    open: '{subject}',
  },
  sources: ['Lever arms: rear = Σ m·x / wheelbase', 'Axle limits: the vehicle’s plate'],
  judge: ({ vehicle }) => {
    const chassis = vehicle.build.chassis ?? {};
    const masses = massesOf(vehicle);
    return AXLES.flatMap((axle): Finding[] => {
      const limit = axle === 'front' ? chassis.frontLimitKg : chassis.rearLimitKg;
      const subject = axleRef(axle);
      if (vehicle.devices.every(({ device }) => device.kind !== 'box')) return [];
      if (limit === undefined || !masses.loaded || !masses.empty)
        return [
          {
            subject,
            missing: [
              ...(limit === undefined ? ['its limit, as on the plate'] : []),
              ...(masses.loaded ? [] : masses.missing),
            ].map((what) => ({ ref: subject, what })),
          },
        ];
      const demand = axle === 'front' ? masses.loaded.frontKg : masses.loaded.rearKg;
      const empty = axle === 'front' ? masses.empty.frontKg : masses.empty.rearKg;
      return [
        {
          subject,
          demand: kg(demand),
          limit: kg(limit),
          margin: marginAtMost(demand, limit),
          assumed: masses.assumed,
          lines: () => [
            {
              formula: axle === 'rear' ? 'm_rear = Σ m · x / L' : 'm_front = Σ m − Σ m · x / L',
              figures: `${q(masses.loaded!.totalKg, 'mass')} with its centre ${q(masses.loaded!.xM, 'length')} behind the front axle, L = ${q(vehicle.build.vehicle.wheelbaseM!, 'length')}`,
              result: kg(demand),
              note: `Empty: ${q(empty, 'mass')}.`,
            },
          ],
        },
      ];
    });
  },
  remedies: 'Move cells towards the other axle on the plan, carry less, or fit fewer cells.',
});

const rideHeight = defineRule({
  id: 'pack.ride-height',
  endangers: 'parts',
  says: {
    fails: '{subject} sits on its bump stops',
    holds: '{subject}, height left',
    line: 'down {demand} of {limit} with a usual load',
    open: '{subject}, height left',
  },
  comfort: 0.3,
  sources: ['Hooke: added load / spring rate, against the way to the bump stop as found'],
  judge: ({ vehicle }) => {
    const chassis = vehicle.build.chassis ?? {};
    const masses = massesOf(vehicle);
    return AXLES.flatMap((axle): Finding[] => {
      const { body } = vehicle.build.vehicle;
      // A shape stands in for what nobody measured once the vehicle was weighed.
      const like =
        body && chassis.foundKg !== undefined && chassis.strippedKg !== undefined ? BODY_FIGURES[body] : null;
      const told = {
        spring: axle === 'front' ? chassis.frontSpringNPerM : chassis.rearSpringNPerM,
        clearance: axle === 'front' ? chassis.frontClearanceM : chassis.rearClearanceM,
      };
      const spring = told.spring ?? (axle === 'front' ? like?.frontSpringNPerM : like?.rearSpringNPerM);
      const clearance = told.clearance ?? like?.clearanceM;
      if (spring === undefined || clearance === undefined) return [];
      const assumed = [
        ...masses.assumed,
        ...(told.spring === undefined
          ? [`Springs of ${q(spring, 'springRate')}, as ${aBody(body ?? 'saloon')}: measure them.`]
          : []),
        ...(told.clearance === undefined
          ? [`${q(clearance, 'length')} to the bump stop, as ${aBody(body ?? 'saloon')}.`]
          : []),
      ];
      const subject = axleRef(axle);
      const { loaded, found } = masses;
      if (!loaded || !found)
        return [
          {
            subject,
            missing: [...masses.missing, ...(found ? [] : ['the mass as found and its share in front'])].map(
              (what) => ({
                ref: subject,
                what,
              }),
            ),
          },
        ];
      const now = axle === 'front' ? loaded.frontKg : loaded.rearKg;
      const before = axle === 'front' ? found.frontKg : found.rearKg;
      const down = lowering(now - before, spring);
      return [
        {
          subject,
          demand: metres(down),
          limit: metres(clearance),
          margin: marginAtMost(down, clearance),
          figures: { left: metres(clearance - down) },
          assumed,
          lines: () => [
            {
              formula: 'Δh = (m_now − m_found) · g / c',
              figures: `(${q(now, 'mass')} − ${q(before, 'mass')}) · ${q(G_M_PER_S2, 'acceleration')} / ${q(spring, 'springRate')}`,
              result: metres(down),
              note: 'Loaded against empty as found, as the way to the bump stop was measured.',
            },
          ],
        },
      ];
    });
  },
  remedies: 'Stiffer springs for that axle, or cells moved towards the other.',
});

/** Left and right should not differ by more (practice). */
const SIDE_SHARE = 0.05;

const sides = defineRule({
  id: 'pack.sides',
  endangers: 'people',
  says: { fails: 'It leans to one side', holds: 'Left and right', line: '{demand} between them, {limit} at most' },
  sources: ['Left and right within a twentieth of the whole (practice)', 'Lever arms across'],
  judge: ({ vehicle }): Finding[] => {
    const { empty } = massesOf(vehicle);
    const subject: Ref = { kind: 'build', id: 'sides', name: 'Left and right' };
    const wheels = wheelsOf(vehicle.build);
    // On one track the rider balances it.
    if (!empty || (wheels.front === 1 && wheels.rear === 1)) return [];
    if (vehicle.build.chassis?.trackM === undefined)
      return [{ subject, missing: [{ ref: subject, what: 'the track' }] }];
    const demand = Math.abs(empty.leftKg - empty.rightKg);
    const limit = SIDE_SHARE * empty.totalKg;
    return [
      {
        subject,
        demand: kg(demand),
        limit: kg(limit),
        margin: marginAtMost(demand, limit),
        lines: () => [
          {
            formula: 'm_left = Σ m · (½ + y / track)',
            figures: `left ${q(empty.leftKg, 'mass')}, right ${q(empty.rightKg, 'mass')}`,
            result: kg(demand),
          },
        ],
      },
    ];
  },
  remedies: 'Move boxes towards the light side on the plan.',
});

const boxesOf = (vehicle: Vehicle): ResolvedDevice[] => vehicle.devices.filter(({ device }) => device.kind === 'box');

const restraint = defineRule({
  id: 'pack.restraint',
  endangers: 'people',
  says: {
    fails: '{subject} can tear loose',
    holds: '{subject} is held',
    line: '{detail}',
    open: '{subject}, its fixings',
  },
  sources: [
    'Accelerations by the vehicle’s category: UN R100, annex 9D (from memory: verify)',
    'F = m · a against the fixings; bolts after EN 1993-1-8, 3.6.1 (0.6 or 0.5 · f_ub · A_s / 1.25 in shear, 0.9 in tension)',
    'The sheet or frame that they pull at is not counted: a licensed person inspects it',
  ],
  sourcesIn: fromRules('restraintForwardG', 'restraintSideG', 'restraintUpG'),
  judge: ({ vehicle, rules }) =>
    boxesOf(vehicle).flatMap((box): Finding<'detail'>[] => {
      const subject = deviceRef(box);
      const { fixings, bolt, boltClass } = box.device.hold ?? {};
      const weighed = massesOf(vehicle).devices.find(({ id }) => id === box.id);
      const missing = [
        ...(fixings === undefined ? ['the number of its fixings'] : []),
        ...(bolt === undefined ? ['their size'] : []),
        ...(weighed ? [] : ['its cells']),
      ];
      if (fixings === undefined || bolt === undefined || !weighed)
        return [{ subject, missing: missing.map((what) => ({ ref: subject, what })) }];
      const grade = boltClass ?? '8.8';
      const { category } = vehicle.build.vehicle;
      const own = vehicle.build.restraint ?? {};
      const { forwardG, sideG, upG } = restraintAsked(vehicle.build, rules);
      const ways = [
        { way: 'forward', g: forwardG, holds: boltShearN(bolt, grade) },
        { way: 'sideways', g: sideG, holds: boltShearN(bolt, grade) },
        { way: 'up', g: upG, holds: boltTensionN(bolt, grade) },
      ].map((one) => ({
        ...one,
        demandN: weighed.massKg * one.g * G_M_PER_S2,
        limitN: fixings * one.holds,
      }));
      const worst = ways.reduce((p, r) => (r.demandN / r.limitN > p.demandN / p.limitN ? r : p));
      const margin = marginAtMost(worst.demandN, worst.limitN);
      const newtons = (n: number) => told(n, 'force', 3);
      return [
        {
          subject,
          margin,
          figures: {
            detail: `${newtons(worst.demandN)} ${worst.way} at ${worst.g} g, ${fixings} × ${bolt} ${grade} hold ${newtons(worst.limitN)}`,
          },
          assumed: [
            ...(weighed.from === 'weighed' ? [] : ['Mass of the box: its cells and a quarter more for the rest.']),
            ...(boltClass === undefined ? ['Bolts of class 8.8.'] : []),
            ...(category === undefined && (own.forwardG === undefined || own.sideG === undefined)
              ? [`${forwardG} g forward and ${sideG} g sideways, the most that any category asks: tell the vehicle’s.`]
              : []),
            'Every fixing takes its share; thread in the shear plane.',
          ],
          lines: () =>
            ways.map((one) => ({
              formula: 'm · a ≤ n · F of one fixing',
              figures: `${one.way}: ${q(weighed.massKg, 'mass')} · ${one.g} · ${q(G_M_PER_S2, 'acceleration')} = ${newtons(one.demandN)} ≤ ${fixings} · ${newtons(one.holds)}`,
              result: { value: marginAtMost(one.demandN, one.limitN), dimension: 'ratio' as const },
            })),
        },
      ];
    }),
  remedies: 'More or larger bolts, a stronger class, or plates under them; then tell it at the box.',
});

const REACHES = [
  ['reachCells', 'a hand to its cells'],
  ['reachFuse', 'a hand to its fuse'],
  ['reachDisconnect', 'a hand to its disconnect'],
  ['vent', 'a vent to the outside'],
  ['drain', 'a drain'],
] as const;

const access = defineRule({
  id: 'pack.access',
  endangers: 'people',
  says: {
    fails: '{subject} can’t be got at',
    holds: '{subject} can be got at',
    line: '{detail}',
    open: '{subject}, access',
  },
  sources: ['Hand access to cells, fuse and disconnect; vent and drain (practice; EN IEC 62485-2 for lead)'],
  judge: ({ vehicle }) =>
    boxesOf(vehicle).flatMap((box): Finding<'detail'>[] => {
      const hold = box.device.hold ?? {};
      const told = REACHES.filter(([key]) => hold[key] !== undefined);
      const lead = partOf(box, 'cell')?.chemistry.startsWith('lead') === true;
      const without = told.filter(([key]) => hold[key] === false).map(([, words]) => words);
      const untold = [
        ...(hold.reachCells === undefined ? ['whether a hand gets to its cells'] : []),
        ...(hold.vent === undefined
          ? [
              lead
                ? 'whether it vents to the outside: lead gives hydrogen'
                : 'whether it vents to the outside: cells that fail give off gas',
            ]
          : []),
      ];
      if (without.length === 0 && untold.length > 0)
        return [{ subject: deviceRef(box), missing: untold.map((what) => ({ ref: deviceRef(box), what })) }];
      return [
        {
          subject: deviceRef(box),
          holds: without.length === 0,
          figures: {
            detail: without.length === 0 ? 'reached, vented, drained as told' : `lacks ${without.join(', ')}`,
          },
        },
      ];
    }),
  remedies: 'Turn or move the box so that a hand gets in, or tell how it comes out.',
});

/** Spread at rest that modules of one string may have, V, and of their capacities (reference of the trade, NMC). */
const SPREAD_V = 0.02;
const SPREAD_AH = 0.05;
const MODULES: Ref = { kind: 'build', id: 'modules', name: 'Salvaged modules' };

const modules = defineRule({
  id: 'pack.modules',
  endangers: 'parts',
  says: {
    fails: '{subject} don’t match',
    holds: '{subject} match',
    line: '{demand} between them at rest, {limit} at most',
  },
  variants: {
    capacity: {
      fails: '{subject} don’t match',
      holds: '{subject} match',
      line: '{demand} between the capacities, {limit} at most',
    },
  },
  sources: ['Salvaged modules within 20 mV at rest and 5 % of capacity (practice)'],
  judge: ({ vehicle }) => {
    const list = Object.values(vehicle.build.modules ?? {});
    if (list.length < 2) return [];
    const volts = list.map(({ voltageV }) => voltageV);
    const ah = list.map(({ capacityAh }) => capacityAh);
    const spreadV = Math.max(...volts) - Math.min(...volts);
    const spreadAh = 1 - Math.min(...ah) / Math.max(...ah);
    const byV = marginAtMost(spreadV, SPREAD_V);
    const byAh = marginAtMost(spreadAh, SPREAD_AH);
    return [
      byV <= byAh
        ? {
            subject: MODULES,
            demand: { value: spreadV, dimension: 'voltage' },
            limit: { value: SPREAD_V, dimension: 'voltage' },
            margin: byV,
          }
        : {
            subject: MODULES,
            variant: 'capacity',
            demand: { value: spreadAh, dimension: 'ratio' },
            limit: { value: SPREAD_AH, dimension: 'ratio' },
            margin: byAh,
          },
    ];
  },
  remedies: 'Match the modules anew in Pack: the ones that differ most out first, the rest charged to one voltage.',
});

export const PLACE_RULES: readonly Rule[] = [axleLoad, rideHeight, sides, restraint, access, modules];
