import type { Id, StateId } from '../../build';
import { type Finding, marginAtLeast, marginAtMost, quantityText as q, type Ref } from '../../checks';
import * as propose from '../../proposals';
import { told } from '../../quantities';
import {
  type CoilCircuit,
  closedIn,
  coilCircuit,
  coilLimits,
  coilOhm,
  isPrechargeRelay,
  LOWEST_SUPPLY_V,
  partOf,
  STATES,
  solveCoils,
  stillIn,
} from '../../vehicle';
import { type Context, deviceRef, needsPart, volts } from '../context';
import { defineRule, type Rule } from '../define';

export const COILS: Ref = { kind: 'build', id: 'coils', name: 'Coil circuit' };
export const NEEDS_COILS: Finding = { subject: COILS, missing: [{ ref: COILS, what: 'coil circuit' }] };

interface WorstCoil {
  readonly coilV: number;
  readonly stateName: string;
  readonly together: number;
}

/** At the lowest supply with hot coils: for each contactor the least voltage over the states that want it closed. */
function worstCoils(circuit: CoilCircuit, context: Context): Map<string, WorstCoil> {
  const worst = new Map<string, WorstCoil>();
  const tried = new Set<string>();
  for (const state of STATES) {
    const commanded = closedIn(context.vehicle, state);
    const key = [...commanded].join();
    if (commanded.size === 0 || tried.has(key)) continue;
    tried.add(key);
    const point = solveCoils(circuit, { supplyV: LOWEST_SUPPLY_V, hot: true, commanded });
    for (const id of commanded) {
      const coilV = point.coilV.get(id);
      if (coilV === undefined) continue;
      const known = worst.get(id);
      if (!known || coilV < known.coilV) worst.set(id, { coilV, stateName: state.name, together: commanded.size });
    }
  }
  return worst;
}

const coil = defineRule({
  id: 'contactor.coil',
  endangers: 'fire',
  says: {
    fails: '{subject} may not pull in on a weak battery',
    holds: '{subject} coil',
    line: '{demand} at its coil, pulls in from {limit}',
    open: '{subject} coil',
  },
  variants: {
    unwired: { fails: '{subject} has no wires at its coil', holds: '{subject} coil', line: 'nothing can close it' },
    unused: { fails: '{subject} coil', holds: '{subject} coil', line: 'no state closes it' },
  },
  sources: [
    'Pick-up voltage of the hot coil: the contactor’s part',
    'Lowest supply 10.5 V: the auxiliary battery alone under a pump’s start (generic)',
    'The coil circuit solved with its wires, contacts and every coil that pulls in at the same time',
  ],
  judge: (context) => {
    const contactors = context.vehicle.devices.filter(({ device }) => device.kind === 'contactor');
    if (contactors.length === 0) return [];
    const circuit = coilCircuit(context.vehicle);
    if (!circuit || circuit.wired.length === 0) return [NEEDS_COILS];
    const worst = worstCoils(circuit, context);
    return contactors.map((device): Finding<never, 'unwired' | 'unused'> => {
      const subject = deviceRef(device);
      if (!partOf(device, 'contactor')) return needsPart(device);
      if (circuit.unwired.some(({ id }) => id === device.id)) return { subject, holds: false, variant: 'unwired' };
      const found = worst.get(device.id);
      if (!found) return { subject, holds: true, variant: 'unused' };
      const { pickUpV, assumed } = coilLimits(device);
      const { coilV, stateName, together } = found;
      const margin = marginAtLeast(coilV, pickUpV);
      return {
        subject,
        demand: volts(coilV),
        limit: volts(pickUpV),
        margin,
        lines: () => [
          {
            formula: 'U_coil = U_supply − I·(R_feed + R_contacts + R_return)',
            figures: `${q(LOWEST_SUPPLY_V, 'voltage')} at the battery, coil ${q(coilOhm(device, true), 'resistance')} hot, ${together} commanded in ${stateName.toLowerCase()}`,
            result: volts(coilV),
          },
          {
            formula: 'margin = (U_coil − U_pick-up) / U_pick-up',
            figures: `(${q(coilV, 'voltage')} − ${q(pickUpV, 'voltage')}) / ${q(pickUpV, 'voltage')}`,
            result: { value: margin, dimension: 'ratio' },
          },
        ],
        assumed: [
          ...(assumed ? ['Pick-up at three quarters of the rated coil voltage: the part does not state it.'] : []),
          `Contacts 20 mΩ each, battery 8 mΩ, wires at ${told(40, 'temperature')} (generic).`,
        ],
      };
    });
  },
  remedies: [propose.thickerLoop],
});

/** A plain diode keeps the coil's current going: three to five times the release time. */
const DIODE_FACTOR = 4;
/** What a sequence may reckon with: twice the stated time. */
const SLOWEST = 2;

const release = defineRule({
  id: 'contactor.release',
  endangers: 'people',
  says: {
    fails: '{subject} drops out too slowly',
    holds: '{subject} drops out',
    line: '{demand} with {suppression}, {limit} at most',
    open: '{subject} letting go',
  },
  variants: {
    bare: {
      fails: 'Nothing takes the coil’s kick at {subject}',
      holds: '{subject} drops out',
      line: 'its driver and its contacts burn',
    },
  },
  sources: [
    'Release time with zener or TVS: the contactor’s part',
    'A plain diode across the coil takes three to five times as long (practice; four is used): slow contacts burn and weld',
    'At most twice the stated time (engineering judgement)',
  ],
  judge: ({ vehicle }) =>
    vehicle.devices
      .filter(({ id, device }) => device.kind === 'contactor' && !isPrechargeRelay(vehicle, id))
      .map((device): Finding<'suppression', 'bare'> => {
        const subject = deviceRef(device);
        const part = partOf(device, 'contactor');
        if (!part) return needsPart(device);
        const suppression = device.device.coilSuppression ?? part.coilSuppression;
        if (suppression === undefined)
          return { subject, missing: [{ ref: subject, what: 'the suppression at its coil' }] };
        if (suppression === 'none') return { subject, holds: false, variant: 'bare' };
        if (part.releaseTimeS === undefined) return { subject, missing: [{ ref: subject, what: 'its release time' }] };
        const factor = suppression === 'plain-diode' ? DIODE_FACTOR : 1;
        const demand = factor * part.releaseTimeS;
        const limit = SLOWEST * part.releaseTimeS;
        const margin = marginAtMost(demand, limit);
        return {
          subject,
          demand: { value: demand, dimension: 'time' },
          limit: { value: limit, dimension: 'time' },
          margin,
          figures: { suppression: suppression === 'zener' ? 'a zener or TVS' : 'a plain diode' },
          lines: () => [
            {
              formula: 't = t_release · k',
              figures: `${q(part.releaseTimeS!, 'time')} · ${factor}`,
              result: { value: demand, dimension: 'time' },
              note: suppression === 'zener' ? 'zener or TVS: as stated' : 'plain diode: 3 to 5 times',
            },
          ],
        };
      }),
  remedies: [propose.quickRelease],
});

/** With the key on: what the sequence closes here, and nothing else. */
const KEY_ON: readonly StateId[] = [
  'precharge',
  'ready',
  'cruise',
  'hard-acceleration',
  'hill',
  'regeneration',
  'heating',
];

const commanded = defineRule({
  id: 'contactor.commanded',
  endangers: 'people',
  says: {
    fails: '{subject} closes without a command',
    holds: '{subject} closes on command only',
    line: '{detail}',
  },
  sources: [
    'Solution of the coil circuit with what each state commands: a coil fed past its driver keeps the cells connected when the sequence or the battery electronics lets go',
  ],
  judge: ({ vehicle }) => {
    const circuit = coilCircuit(vehicle);
    if (!circuit) return [];
    const settings = STATES.flatMap((state) => {
      const asked = KEY_ON.includes(state.id) ? closedIn(vehicle, state) : new Set<Id>();
      return asked.size > 0 ? [{ state, asked, closed: new Set(stillIn(circuit, { commanded: asked })) }] : [];
    });
    return circuit.wired.flatMap((device): Finding<'detail'>[] => {
      const open = settings.filter(({ asked }) => !asked.has(device.id));
      if (open.length === 0) return [];
      const wrong = open.filter(({ closed }) => closed.has(device.id)).map(({ state }) => state.name.toLowerCase());
      return [
        {
          subject: deviceRef(device),
          holds: wrong.length === 0,
          figures: {
            detail:
              wrong.length === 0
                ? `open in ${open.map(({ state }) => state.name.toLowerCase()).join(', ')}`
                : `nothing commands it in ${wrong.join(', ')}, and its coil is fed`,
          },
        },
      ];
    });
  },
  remedies: 'A driver of its own in the feed of its coil, and no wire around it.',
});

export const COIL_RULES: readonly Rule[] = [coil, commanded, release];
