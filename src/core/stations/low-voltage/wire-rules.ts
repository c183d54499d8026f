import type { LoadSort } from '../../build';
import { type Finding, marginAtMost, marginOfRise, quantityText as q, type Ref } from '../../checks';
import * as propose from '../../proposals';
import { told } from '../../quantities';
import { conductorTemperature, type LowSolved, loomOfWire, lowVoltage, type Vehicle } from '../../vehicle';
import { amps, celsius, conductorRef, deviceRef, volts } from '../context';
import { defineRule, type Rule } from '../define';
import { LOW_FUSE_RULES } from './fuse-rules';
import { loadRef } from './shared';
import { alone, everythingOn, steadyPoint } from './solutions';

/** Wires and switches of the 12-volt side. */
const DROP_SHARE: Readonly<Record<LoadSort, number>> = {
  lamp: 0.03,
  control: 0.03,
  heater: 0.05,
  other: 0.05,
  motor: 0.05,
};
/** Motors for seconds. */
const PEAK_SHARE = 0.08;

/** Highest voltage between the feeding points and the battery’s minus: what a load would see without wires, V. */
function feedV(vehicle: Vehicle, one: LowSolved): number {
  const low = lowVoltage(vehicle);
  const converter = low.converters.map(({ id }) => one.betweenV(id, 'lvPlus', 'lvMinus'));
  return Math.max(one.batteryV, ...converter);
}

const drop = defineRule({
  id: 'lv.drop',
  endangers: 'comfort',
  says: {
    fails: '{subject} gets too little voltage',
    holds: '{subject}, drop',
    line: '{demand} of {limit} {how}',
    open: '{subject}',
  },
  sources: ['Out and back, hot: 3 % for lamps and control, 5 % general, 8 % for a motor’s seconds (practice)'],
  judge: ({ vehicle }) => {
    const low = lowVoltage(vehicle);
    return low.loads.flatMap(({ id, name, load }): Finding<'how'>[] => {
      const found = (
        [
          ['on', DROP_SHARE[load.sort]],
          ...(load.peakRating === undefined ? [] : [['peak', PEAK_SHARE] as const]),
        ] as const
      ).map(([how, share]) => {
        const one = alone(vehicle, id, how);
        if (!one.solved) return null;
        const source = feedV(vehicle, one);
        return { how, source, at: one.loadV(id), limit: share * source, demand: source - one.loadV(id) };
      });
      const subject = loadRef(id, name);
      const judged = found.flatMap((one) => one ?? []);
      if (judged.length < found.length || judged.some(({ source, at }) => source < 1 || at < 1))
        return [{ subject, missing: [{ ref: subject, what: 'a way from the battery and back' }] }];
      const worst = judged.reduce((p, r) => (r.demand / r.limit > p.demand / p.limit ? r : p));
      return [
        {
          subject,
          demand: volts(worst.demand),
          limit: volts(worst.limit),
          margin: marginAtMost(worst.demand, worst.limit),
          figures: { how: worst.how === 'peak' ? 'at its hardest' : 'running' },
          lines: () => [
            {
              formula: 'ΔV = V at the source − V at the load, out and back',
              figures: `${q(worst.source, 'voltage')} − ${q(worst.at, 'voltage')}`,
              result: volts(worst.demand),
              note: `By itself, wires at ${told(50, 'temperature')}. At most ${Math.round((worst.limit / worst.source) * 100)} %.`,
            },
          ],
        },
      ];
    });
  },
  remedies: [propose.loadWires],
  otherwise: 'A thicker or shorter way, out and back.',
});

const solves = defineRule({
  id: 'lv.solves',
  endangers: 'parts',
  says: {
    fails: 'The 12-volt side can’t give what is asked',
    holds: 'The 12-volt side is solved',
    line: '{detail}',
    open: 'The 12-volt side',
  },
  sources: ['Nodal solution of the whole 12-volt circuit with everything on: without one no current on it is known'],
  judge: ({ vehicle }) => {
    const low = lowVoltage(vehicle);
    if (low.loads.length === 0) return [];
    const one = everythingOn(vehicle);
    const subject: Ref = { kind: 'build', id: 'low-voltage', name: 'The 12-volt side' };
    if (!one.solved && one.why === 'none')
      return [{ subject, missing: [{ ref: subject, what: 'a battery or a converter that feeds it' }] }];
    return [
      {
        subject,
        holds: one.solved,
        figures: { detail: one.solved ? 'every current on it is known' : one.reason.replace(/\.$/, '') },
      },
    ];
  },
  remedies: 'A stronger converter or battery, or fewer loads at a time.',
});

const temperature = defineRule({
  id: 'lv.wire-temperature',
  endangers: 'fire',
  says: { fails: '{subject} gets too hot', holds: '{subject}', line: '{demand} of {limit} with {current}' },
  variants: {
    runaway: { fails: '{subject} burns', holds: '{subject}', line: 'no steady temperature with {current}' },
  },
  sources: ['Heat balance of the wire in its place with everything on it running'],
  judge: ({ vehicle }) => {
    const low = lowVoltage(vehicle);
    const one = steadyPoint(vehicle);
    if (low.loads.length === 0 || !one) return [];
    return low.lv.conductors.flatMap((conductor): Finding<'current', 'runaway'>[] => {
      const { cable, zone, thermal } = conductor;
      const current = Math.abs(one.currentA(conductor.id));
      // A wire in a loom is judged with it.
      if (conductor.conductor.kind !== 'cable' || current < 0.5 || loomOfWire(vehicle, conductor.id)) return [];
      if (!cable || !zone || !thermal)
        return [
          {
            subject: conductorRef(conductor),
            missing: [{ ref: conductorRef(conductor), what: cable ? 'place' : 'part' }],
          },
        ];
      const reached = conductorTemperature(conductor, current);
      const subject = conductorRef(conductor);
      if (reached === null) return [{ subject, holds: false, variant: 'runaway', figures: { current: amps(current) } }];
      const margin = marginOfRise(reached, cable.temperatureClassC, zone.ambientC);
      return [
        {
          subject,
          demand: celsius(reached),
          limit: celsius(cable.temperatureClassC),
          margin,
          figures: { current: amps(current) },
        },
      ];
    });
  },
  remedies: [propose.thisWire],
});

const contact = defineRule({
  id: 'lv.contact',
  endangers: 'fire',
  says: { fails: '{subject} carries too much', holds: '{subject}, contact', line: '{demand} of {limit}' },
  sources: ['A switch or relay carries what its contact is rated for'],
  judge: ({ vehicle }) => {
    const low = lowVoltage(vehicle);
    const one = steadyPoint(vehicle);
    if (!one) return [];
    return low.lv.devices.flatMap((device): Finding[] => {
      const rated = device.device.ratedA;
      const current = Math.abs(one.currentA(device.id));
      if (rated === undefined)
        return device.device.kind === 'relay' && current > 0.1
          ? [{ subject: deviceRef(device), missing: [{ ref: deviceRef(device), what: 'what its contact carries' }] }]
          : [];
      return [
        { subject: deviceRef(device), demand: amps(current), limit: amps(rated), margin: marginAtMost(current, rated) },
      ];
    });
  },
  remedies: [propose.largerRelay],
});

export const WIRE_RULES: readonly Rule[] = [solves, drop, ...LOW_FUSE_RULES, temperature, contact];
