import type { Id } from '../../build';
import { type Finding, quantityText as q } from '../../checks';
import * as propose from '../../proposals';
import {
  allBut,
  consumersOf,
  everyContactor,
  joinedWhenOpen,
  keyTests,
  liveness,
  type StillFed,
  stillFed,
} from '../../simulate';
import { coilCircuit, partOf, type ResolvedDevice, type Vehicle } from '../../vehicle';
import { type Context, deviceRef, fromRules, NEEDS_CELLS, PACK_REF } from '../context';
import { defineRule, type Rule } from '../define';
import { NEEDS_COILS } from './coil-rules';

const nameOf = (vehicle: Vehicle, id: Id): string =>
  (vehicle.deviceOf.get(id)?.device ?? vehicle.conductorOf.get(id)?.conductor)?.name ?? id;
const listed = (names: readonly string[], most = 4): string =>
  names.length <= most ? names.join(', ') : `${names.slice(0, most).join(', ')} and ${names.length - most} more`;

/** A consumer that stays fed, and by which way. */
const story = (vehicle: Vehicle, { device, voltageV, path }: StillFed): string =>
  `${device.device.name} keeps ${q(voltageV, 'voltage', 3)} ${
    path.length === 0 ? 'straight from the cells' : `by way of ${listed(path.map((id) => nameOf(vehicle, id)))}`
  }`;

const contactorsIn = (vehicle: Vehicle): readonly ResolvedDevice[] =>
  vehicle.devices.filter(({ device }) => device.kind === 'contactor');
const disconnectsIn = (vehicle: Vehicle): readonly ResolvedDevice[] =>
  vehicle.devices.filter(({ device }) => device.kind === 'disconnect');

/** What is still fed with disconnects out, whatever the contactors do. */
const fedPast = (vehicle: Vehicle, disconnects: readonly ResolvedDevice[], safeV: number): readonly StillFed[] =>
  stillFed(vehicle, { open: new Set(disconnects.map(({ id }) => id)), relaysClosed: true }, safeV);

/** Whether a hand gets to a disconnect: out in the open, or through its box as that tells; null: the box does not tell. */
function reached(vehicle: Vehicle, { device }: ResolvedDevice): boolean | null {
  const box = device.insideId === undefined ? undefined : vehicle.deviceOf.get(device.insideId);
  return box === undefined ? true : (box.device.hold?.reachDisconnect ?? null);
}

/** The single-pole school's own terms: low enough, and a disconnect that takes every consumer off. */
const singlePole = ({ vehicle, fullV, rules }: Context): boolean =>
  vehicle.build.schools.contactors === 'single-pole' &&
  fullV !== null &&
  fullV <= rules.singlePoleMostV.value &&
  disconnectsIn(vehicle).length > 0 &&
  fedPast(vehicle, disconnectsIn(vehicle), rules.classBDcV.value).length === 0;

/** Boxes whose cells are not told: what they feed is not known. */
const emptyBoxes = (vehicle: Vehicle): boolean =>
  vehicle.devices.some(
    (box) => box.device.kind === 'box' && (!partOf(box, 'cell') || box.device.cellsInSeries === undefined),
  );

const parked = defineRule({
  id: 'live.parked',
  endangers: 'people',
  says: {
    fails: 'High voltage outside the pack with every contactor open',
    holds: 'Dead outside the pack with every contactor open',
    line: '{detail}',
    open: 'What stays live when parked',
  },
  sources: [
    'With every contactor open the terminals outside the boxes carry no voltage class B (UN R100, ISO 6469-3 intent)',
    'Potentials of the wiring itself, whatever its parts are called',
  ],
  sourcesIn: fromRules('classBDcV'),
  judge: ({ vehicle, fullV, rules }) => {
    if (consumersOf(vehicle).length === 0) return [];
    if (fullV === null || emptyBoxes(vehicle)) return [{ subject: PACK_REF, missing: NEEDS_CELLS }];
    const safeV = rules.classBDcV.value;
    if (fullV <= safeV) return [];
    const open = everyContactor(vehicle);
    const fed = stillFed(vehicle, { open }, safeV);
    if (fed.length > 0)
      return [
        { subject: PACK_REF, holds: false, figures: { detail: fed.map((one) => story(vehicle, one)).join('; ') } },
      ];
    const live = liveness(vehicle, [...open], safeV);
    const cables = vehicle.conductors
      .filter(({ id, conductor }) => conductor.kind === 'cable' && live?.liveOf.get(id) === 'hazardous')
      .map(({ conductor }) => conductor.name);
    return [
      {
        subject: PACK_REF,
        holds: true,
        figures: {
          detail:
            cables.length === 0
              ? 'nothing outside the cells is above class A'
              : `no consumer is fed; ${listed(cables)} stay live: covers that need a tool`,
        },
      },
    ];
  },
  remedies: [propose.contactorAtCells],
  otherwise: 'Move what is named behind the contactors, or put a contactor into its way.',
});

const welded = defineRule({
  id: 'live.welded',
  endangers: 'people',
  says: {
    fails: '{subject} welded keeps high voltage outside the pack',
    holds: '{subject} welded leaves nothing live',
    line: '{detail}',
    open: '{subject} welded',
  },
  variants: {
    school: {
      fails: '{subject} welded keeps high voltage outside the pack',
      holds: '{subject} welded: pull the disconnect',
      line: 'single-pole switching: {detail} takes it off, prove dead',
    },
  },
  sources: [
    'One contactor welded, every other open: no consumer stays above class B (ISO 6469-3 intent)',
    'Single-pole switching: then the disconnect takes the pack off',
  ],
  sourcesIn: fromRules('classBDcV', 'singlePoleMostV'),
  judge: (context) => {
    const { vehicle, fullV, rules } = context;
    const safeV = rules.classBDcV.value;
    if (consumersOf(vehicle).length === 0 || fullV === null || fullV <= safeV || emptyBoxes(vehicle)) return [];
    const before = new Set(stillFed(vehicle, { open: everyContactor(vehicle) }, safeV).map(({ device }) => device.id));
    const school = singlePole(context);
    return contactorsIn(vehicle).map((device): Finding<'detail', 'school'> => {
      const subject = deviceRef(device);
      // What is fed with all of them open is told there.
      const fed = stillFed(vehicle, allBut(vehicle, [device.id]), safeV).filter((one) => !before.has(one.device.id));
      if (fed.length === 0) return { subject, holds: true, figures: { detail: 'no consumer is fed by it alone' } };
      const detail = fed.map((one) => story(vehicle, one)).join('; ');
      return school
        ? {
            subject,
            holds: true,
            variant: 'school',
            figures: { detail: listed(disconnectsIn(vehicle).map((d) => d.device.name)) },
          }
        : { subject, holds: false, figures: { detail } };
    });
  },
  remedies: [propose.contactorAtCells],
  otherwise: 'A contactor in the other pole, too; each by its own driver.',
});

const disconnectPresent = defineRule({
  id: 'disconnect.present',
  endangers: 'people',
  says: {
    fails: 'The disconnect does not take the pack off',
    holds: 'The disconnect takes the pack off',
    line: '{detail}',
    open: 'What the disconnect takes off',
  },
  variants: {
    none: {
      fails: 'No disconnect: nothing takes a welded pack off',
      holds: 'The disconnect takes the pack off',
      line: 'put one where a hand reaches it',
    },
  },
  sources: [
    'Above class A a disconnect that hands can reach takes every consumer off, even with every contactor welded (UN R100, ISO 6469-3 intent)',
  ],
  sourcesIn: fromRules('classBDcV'),
  judge: ({ vehicle, fullV, rules }) => {
    const safeV = rules.classBDcV.value;
    if (fullV === null || fullV <= safeV || consumersOf(vehicle).length === 0) return [];
    const all = disconnectsIn(vehicle);
    if (all.length === 0) return [{ subject: PACK_REF, holds: false, variant: 'none' }];
    if (emptyBoxes(vehicle)) return [{ subject: PACK_REF, missing: NEEDS_CELLS }];
    const handy = all.filter((device) => reached(vehicle, device) === true);
    if (fedPast(vehicle, handy, safeV).length === 0)
      return [
        {
          subject: PACK_REF,
          holds: true,
          assumed: handy
            .filter(({ device }) => device.insideId === undefined)
            .map(({ device }) => `${device.name} lies in no box: a hand reaches it.`),
          figures: {
            detail:
              handy.length > 0
                ? `${listed(handy.map((d) => d.device.name))}: every consumer is off`
                : 'no consumer is fed',
          },
        },
      ];
    // Those that no hand reaches may stay in: it is the others that count. Of some nobody knows.
    const fed = fedPast(
      vehicle,
      all.filter((device) => reached(vehicle, device) !== false),
      safeV,
    );
    if (fed.length === 0)
      return [
        {
          subject: PACK_REF,
          missing: all
            .filter((device) => reached(vehicle, device) === null)
            .map((device) => ({ ref: deviceRef(device), what: 'whether a hand gets to it in its box' })),
        },
      ];
    const past = fedPast(vehicle, all, safeV);
    const faults =
      past.length > 0
        ? past.map((one) => story(vehicle, one))
        : all
            .filter((device) => reached(vehicle, device) === false)
            .map(({ device }) => `no hand reaches ${device.name} in its box`);
    return [{ subject: PACK_REF, holds: false, figures: { detail: faults.join('; ') } }];
  },
  remedies: [propose.disconnectAtCells],
  otherwise: 'Put a disconnect that a hand reaches into the middle of the pack.',
});

const bothPoles = defineRule({
  id: 'contactor.both-poles',
  endangers: 'people',
  says: {
    fails: 'A pole stays connected with every contactor open',
    holds: 'Both poles are switched',
    line: '{detail}',
    open: 'Which poles are switched',
  },
  variants: {
    school: {
      fails: 'A pole stays connected with every contactor open',
      holds: 'One pole is switched, a disconnect takes the pack apart',
      line: '{detail}',
      open: 'Which poles are switched',
    },
  },
  sources: [
    'Above class A the terminals outside the box are dead when the circuit is open: each is followed through the wiring to the cells',
    'Single-pole switching: a hand-operated disconnect in the other pole',
  ],
  sourcesIn: fromRules('classBDcV', 'singlePoleMostV'),
  judge: (context) => {
    const { vehicle, fullV, rules } = context;
    if (fullV === null) return [];
    if (fullV <= rules.classBDcV.value)
      return [{ subject: PACK_REF, holds: true, figures: { detail: `${q(fullV, 'voltage')} is class A` } }];
    if (consumersOf(vehicle).length === 0)
      return [{ subject: PACK_REF, missing: [{ ref: PACK_REF, what: 'an inverter or another consumer' }] }];
    const joined = joinedWhenOpen(vehicle);
    if (joined.length === 0)
      return [{ subject: PACK_REF, holds: true, figures: { detail: 'no terminal of a consumer is joined to cells' } }];
    const points = new Set(joined.map(({ island, voltageV }) => `${island} ${voltageV.toFixed(3)}`));
    const poles = new Set(joined.map(({ terminal }) => terminal));
    const where = `${[...poles].join(' and ')} of ${listed([...new Set(joined.map(({ device }) => device.device.name))])}`;
    // One point of the pack only: with more than one there is a voltage between them.
    const school = points.size === 1 && poles.size === 1 && singlePole(context);
    return [
      {
        subject: PACK_REF,
        holds: school,
        ...(school ? { variant: 'school' } : {}),
        figures: {
          detail: school
            ? `single-pole switching with a disconnect: keep covers on, ${[...poles][0]} stays connected`
            : `${where} ${joined.length === 1 ? 'is' : 'are'} joined to the cells with every contactor open`,
        },
      },
    ];
  },
  remedies: [propose.contactorAtCells],
  otherwise: 'Put a contactor into the pole that is named, too.',
});

const KEY = { kind: 'build', id: 'key', name: 'Key' } as const;

const key = defineRule({
  id: 'emergency.key',
  endangers: 'people',
  says: {
    fails: 'The key does not switch it off',
    holds: 'The key switches it off',
    line: '{detail}',
    open: 'The key',
  },
  sources: [
    'Each switch in the feed of the coils is opened by itself; some switch lets every one go, whatever the drivers of the single coils do',
  ],
  judge: ({ vehicle }) => {
    if (contactorsIn(vehicle).length === 0) return [];
    const circuit = coilCircuit(vehicle);
    if (!circuit || circuit.wired.length === 0) return [{ ...NEEDS_COILS, subject: KEY }];
    const tests = keyTests(vehicle);
    const name = (id: Id) => circuit.lv.deviceOf.get(id)?.device.name ?? nameOf(vehicle, id);
    const idle = tests.filter(({ letsGo }) => letsGo.length === 0);
    const whole = tests.filter(({ staysIn, letsGo }) => staysIn.length === 0 && letsGo.length > 0);
    const faults = idle.map(
      ({ id, staysIn }) => `${name(id)} off leaves ${listed(staysIn.map((one) => nameOf(vehicle, one)))} closed`,
    );
    if (whole.length === 0 && faults.length === 0) {
      const best = [...tests].sort((p, r) => p.staysIn.length - r.staysIn.length)[0];
      faults.push(
        best
          ? `${name(best.id)} off leaves ${listed(best.staysIn.map((one) => nameOf(vehicle, one)))} closed`
          : 'no key and no switch stands in the feed of every coil: a driver that sticks keeps its contactor closed',
      );
    }
    return [
      {
        subject: KEY,
        holds: faults.length === 0,
        figures: {
          detail:
            faults.length > 0
              ? faults.join('; ')
              : `${listed(whole.map(({ id }) => name(id)))} lets every contactor go`,
        },
      },
    ];
  },
  remedies: [propose.putIn(['lv-switch'], 'feed')],
});

export const LIVE_RULES: readonly Rule[] = [parked, welded, disconnectPresent, bothPoles, key];
