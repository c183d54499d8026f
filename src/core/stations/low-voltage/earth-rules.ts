import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import * as propose from '../../proposals';
import { type LowSolved, lowVoltage, type Vehicle } from '../../vehicle';
import { amps, conductorRef, volts } from '../context';
import { defineRule, type Rule } from '../define';
import { steadyPoint } from './solutions';

/** Plugs and earths of the 12-volt side. */
const connector = defineRule({
  id: 'lv.connector',
  endangers: 'fire',
  says: {
    fails: 'The plug on {subject} carries too much',
    holds: 'Plug on {subject}',
    line: '{demand} of {limit}',
    open: 'Plug on {subject}',
  },
  sources: ['A plug carries what its sheet says, with everything on its wire running'],
  judge: ({ vehicle }) => {
    const one = steadyPoint(vehicle);
    return lowVoltage(vehicle).lv.conductors.flatMap((wire): Finding[] => {
      const rated = wire.conductor.connectorA;
      if (rated === undefined) return [];
      const subject = conductorRef(wire);
      if (!one) return [{ subject, missing: [{ ref: subject, what: 'a 12-volt circuit that can be solved' }] }];
      const current = Math.abs(one.currentA(wire.id));
      return [{ subject, demand: amps(current), limit: amps(rated), margin: marginAtMost(current, rated) }];
    });
  },
  remedies: [propose.largerPlug],
});

/** From here on a joint in the body matters, A, and so much it may have, Ω (practice). */
const BIG_A = 20;
const JOINT_OHM = 0.001;
const ohms = (value: number) => ({ value, dimension: 'resistance' as const });

const joint = defineRule({
  id: 'lv.earth-joint',
  endangers: 'fire',
  says: { fails: '{subject}: joint too poor', holds: '{subject}', line: '{demand} of {limit} with {current}' },
  comfort: 0,
  sources: ['Return through the body: 1 mΩ with its joints at most for big loads (practice)'],
  judge: ({ vehicle }) => {
    const one = steadyPoint(vehicle);
    const { lv } = lowVoltage(vehicle);
    if (!one) return [];
    const isEarth = (id: string) => lv.deviceOf.get(id)?.device.kind === 'earth';
    return lv.conductors.flatMap((way): Finding<'current'>[] => {
      const { a, b, kind } = way.conductor;
      if (kind !== 'bolted' || !isEarth(a.deviceId) || !isEarth(b.deviceId)) return [];
      const current = Math.abs(one.currentA(way.id));
      if (current < BIG_A) return [];
      return [
        {
          subject: conductorRef(way),
          demand: ohms(way.jointOhm),
          limit: ohms(JOINT_OHM),
          margin: marginAtMost(way.jointOhm, JOINT_OHM),
          figures: { current: amps(current) },
        },
      ];
    });
  },
  remedies:
    'Clean to bare metal, a serrated washer, grease over it; measure again. Or a wire of its own to the battery.',
});

/** A signal of 5 V is read two per cent wrong (engineering judgement), V. */
const SHIFT_V = 0.1;

/** Voltage of an earth terminal over the battery's minus, V; null: it hangs in the air. */
function shiftOf(vehicle: Vehicle, one: LowSolved, id: string): number | null {
  const { battery, converters } = lowVoltage(vehicle);
  const zero = battery ? `${battery.device.id}.minus` : `${converters[0]?.id}.lvMinus`;
  const [at, from] = [one.point.nodeVoltagesV.get(`${id}.minus`), one.point.nodeVoltagesV.get(zero)];
  return at === undefined || from === undefined ? null : Math.abs(at - from);
}

const shift = defineRule({
  id: 'lv.earth-shift',
  endangers: 'comfort',
  says: {
    fails: 'The earth of {subject} is lifted',
    holds: 'Earth of {subject}',
    line: '{demand} of {limit} with everything running',
  },
  sources: [
    'Earth of controls and sensors against the battery’s minus, everything running: 0.1 V, 2 % of a 5 V signal',
  ],
  judge: ({ vehicle }) => {
    const low = lowVoltage(vehicle);
    const one = steadyPoint(vehicle);
    if (!one) return [];
    return low.loads.flatMap(({ id, name, load }): Finding[] => {
      if (load.sort !== 'control') return [];
      const shifted = shiftOf(vehicle, one, id);
      if (shifted === null) return [];
      return [
        {
          subject: { kind: 'device', id, name },
          demand: volts(shifted),
          limit: volts(SHIFT_V),
          margin: marginAtMost(shifted, SHIFT_V),
          lines: () => [
            {
              formula: 'ΔV = V at its earth terminal − V at the battery’s minus',
              figures: `with everything running: ${q(shifted, 'voltage')}`,
              result: volts(shifted),
              note: 'Pumps and lamps on the same earth wire lift it: give controls an earth point of their own.',
            },
          ],
        },
      ];
    });
  },
  remedies: [propose.thickerEarth],
});

export const EARTH_RULES: readonly Rule[] = [connector, joint, shift];
