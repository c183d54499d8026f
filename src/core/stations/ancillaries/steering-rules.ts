import { type Finding, marginAtLeast, marginAtMost, quantityText as q } from '../../checks';
import { ROLLING, rackFlow, rimOf } from '../../simulate';
import { lowVoltage, type Vehicle, wheelsOf } from '../../vehicle';
import { amps } from '../context';
import { defineRule, type Rule } from '../define';
import { askedRule, asks, has, loadsFor, partOfSystem, STEERING_REF } from './shared';

const RACK = partOfSystem(STEERING_REF, 'rack', 'Steering rack and pump');
const RELIEF = partOfSystem(STEERING_REF, 'relief', 'Relief valve of the steering pump');
const ORIGINAL = partOfSystem(STEERING_REF, 'original', 'Original electric steering');
const BELT = partOfSystem(STEERING_REF, 'belt', 'Belt that was kept');
const FITTED = partOfSystem(STEERING_REF, 'pump', 'Steering pump in its place');
const SIGNAL = partOfSystem(STEERING_REF, 'signal', 'Speed signal of the steering pump');
const RIM = partOfSystem(STEERING_REF, 'rim', 'Steering without assist');

const flow = defineRule({
  id: 'steering.flow',
  endangers: 'people',
  says: {
    fails: 'Assist vanishes in fast steering',
    holds: 'The pump keeps up in fast steering',
    line: '{demand} asked at {turns} turns a second, the pump gives {limit}',
    open: 'Steering rack and pump',
  },
  comfort: 0.05,
  sources: [
    'Q = piston · travel of a turn · turns a second, and leakage; one and a half turns a second avoid something (reference of the trade)',
    'The pump turns with its voltage: its sheet’s flow times what it gets while it works hardest, over 13 V',
  ],
  judge: ({ vehicle }): Finding<'turns'>[] => {
    if (!has.hydraulic(vehicle)) return [];
    const rack = rackFlow(vehicle);
    const { pistonMm2, travelM, pumpLPerMin } = vehicle.build.steering ?? {};
    if (!rack)
      return [
        asks(
          RACK,
          ...(pistonMm2 === undefined ? ['the piston of the rack'] : []),
          ...(travelM === undefined ? ['the rack’s travel for a turn of the wheel'] : []),
          ...(pumpLPerMin === undefined ? ['the pump’s flow at the pressure that parking asks for'] : []),
        ) as Finding<'turns'>,
      ];
    const fastest = rack.speeds.at(-1)!;
    const l = (value: number) => ({ value, dimension: 'flow' as const });
    return [
      {
        subject: RACK,
        demand: l(fastest.askedLPerMin),
        limit: l(rack.pumpLPerMin),
        margin: marginAtMost(fastest.askedLPerMin, rack.pumpLPerMin),
        figures: { turns: String(fastest.turnsPerS) },
        assumed: rack.assumed,
        lines: () => [
          {
            formula: 'Q = A · s · n + Q_leak',
            figures: rack.speeds
              .map(({ turnsPerS, askedLPerMin }) => `${turnsPerS} turns/s ${q(askedLPerMin, 'flow')}`)
              .join(', '),
            result: l(fastest.askedLPerMin),
            note: `It keeps up to ${rack.keepsUpTo.toFixed(2)} turns a second${rack.atV === null ? '' : `, at the ${q(rack.atV, 'voltage')} that it gets`}.`,
          },
        ],
      },
    ];
  },
  remedies: 'A pump with more flow: pressure does not help where flow is missing.',
});

const pressure = defineRule({
  id: 'steering.pressure',
  endangers: 'people',
  says: {
    fails: 'The relief valve does not suit the rack',
    holds: 'The relief valve suits the rack',
    line: '{detail}',
    open: 'Relief valve of the steering pump',
  },
  sources: ['Above what parking asks for, below what the rack bears: its sheet'],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (!has.hydraulic(vehicle)) return [];
    const { needPa, reliefPa, bearsPa } = vehicle.build.steering ?? {};
    if (needPa === undefined || reliefPa === undefined || bearsPa === undefined)
      return [
        asks(
          RELIEF,
          ...(needPa === undefined ? ['the pressure that parking asks for'] : []),
          ...(reliefPa === undefined ? ['where the pump’s relief valve opens'] : []),
          ...(bearsPa === undefined ? ['the pressure that the rack bears'] : []),
        ) as Finding<'detail'>,
      ];
    const p = (value: number) => q(value, 'hydraulicPressure');
    return [
      {
        subject: RELIEF,
        margin: Math.min(marginAtLeast(reliefPa, needPa), marginAtMost(reliefPa, bearsPa)),
        figures: { detail: `opens at ${p(reliefPa)}; parking asks ${p(needPa)}, the rack bears ${p(bearsPa)}` },
      },
    ];
  },
  comfort: 0,
  remedies: 'A pump with another relief valve, or its valve set by whoever may.',
});

/** At these volts the pump pulls its most, V. */
const AT_V = 13;

const peak = defineRule({
  id: 'steering.peak',
  endangers: 'parts',
  says: {
    fails: '{subject} draws more than the 12-volt side reckons with',
    holds: '{subject} draws what the 12-volt side reckons with',
    line: '{demand} when parking, {limit} in the schedule',
  },
  comfort: 0,
  sources: [
    'p · Q / η at 13 V against the peak of the load in the 12-volt schedule, by which fuses and wires are judged',
  ],
  judge: ({ vehicle }): Finding[] => {
    const rack = rackFlow(vehicle);
    if (!rack || rack.electricW === null) return [];
    return loadsFor(vehicle, 'steering-pump').map(({ id, name, load }): Finding => {
      const demand = rack.electricW! / AT_V;
      const most = Math.max(load.rating, load.peakRating ?? 0);
      const limit = load.kind === 'constant-current' ? most : most / AT_V;
      return {
        subject: { kind: 'device', id, name },
        demand: amps(demand),
        limit: amps(limit),
        margin: marginAtMost(demand, limit),
        assumed: rack.assumed,
        lines: () => [{ formula: 'I = p · Q / (η · U)', figures: q(rack.electricW!, 'power'), result: amps(demand) }],
      };
    });
  },
  remedies: 'Enter the peak in the 12-volt schedule: fuse, wire and reserve are judged by it.',
});

/** UN R79 (from memory: verify): force at the rim with the assist intact, and after it has failed, of a car, N. */
const RIM_INTACT_N = 150;
const RIM_FAILED_N = 300;
/** Which force the hands have to bear, and why; null: it is not asked. */
function rimLimit(vehicle: Vehicle): { readonly limitN: number; readonly why: string } | null {
  const choice = vehicle.build.schools.steering;
  if (choice === 'none') return { limitN: RIM_INTACT_N, why: 'without assist' };
  if (choice === 'pump-on-demand') return { limitN: RIM_FAILED_N, why: 'with the assist left off' };
  if (has.hydraulic(vehicle) || has.column(vehicle) || choice === 'original-electric')
    return { limitN: RIM_FAILED_N, why: 'with the assist failed' };
  return null;
}

const rim = defineRule({
  id: 'steering.rim-force',
  endangers: 'people',
  says: {
    fails: 'Too heavy to steer {why}',
    holds: 'It can be steered {why}',
    line: '{demand} at the rim while it rolls, at most {limit}',
    open: 'Steering without assist',
  },
  sources: [
    'Standing wheels: μ·W/3·√(W/p) (estimate of the trade); rolling ones 0.4 of it (engineering judgement); UN R79 limits of a car, from memory: verify',
  ],
  judge: ({ vehicle }): Finding<'why'>[] => {
    const asked = rimLimit(vehicle);
    // A single wheel in front is turned by handlebars: no rack, no ratio.
    if (!asked || wheelsOf(vehicle.build).front === 1) return [];
    const found = rimOf(vehicle);
    const { tyrePa, ratio } = vehicle.build.steering ?? {};
    if (!found)
      return [
        asks(
          RIM,
          ...(tyrePa === undefined ? ['the pressure of the front tyres'] : []),
          ...(ratio === undefined ? ['the steering ratio'] : []),
          ...(tyrePa !== undefined && ratio !== undefined ? ['the load of the front axle, in Pack'] : []),
        ) as Finding<'why'>,
      ];
    const demand = ROLLING * found.forceN;
    return [
      {
        subject: RIM,
        demand: { value: demand, dimension: 'force' },
        limit: { value: asked.limitN, dimension: 'force' },
        margin: marginAtMost(demand, asked.limitN),
        figures: { why: asked.why },
        assumed: found.assumed,
        lines: () => [
          {
            formula: 'T = μ · W / 3 · √(W / p); F = 0.4 · 2·T / (i · η · r)',
            figures: `${q(found.frontKg, 'mass')} on the front axle: ${q(found.kingpinNm, 'torque')} at each wheel standing, ${q(found.forceN, 'force')} at the rim`,
            result: { value: demand, dimension: 'force' },
          },
        ],
      },
    ];
  },
  remedies: 'Assist that is always there, more pressure in the front tyres, a slower ratio, or less load in front.',
});

const original = defineRule({
  id: 'steering.messages',
  endangers: 'people',
  says: {
    fails: 'The original electric steering misses its messages',
    holds: 'The original electric steering gets its messages',
    line: '{detail}',
    open: 'Original electric steering',
  },
  sources: [
    'It waits for “engine running” and the speed; without them it switches itself off, or stays light (practice)',
  ],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (vehicle.build.schools.steering !== 'original-electric') return [];
    const { messages } = vehicle.build.steering ?? {};
    if (messages === undefined)
      return [asks(ORIGINAL, 'whether it gets speed and “engine running”') as Finding<'detail'>];
    return [
      {
        subject: ORIGINAL,
        holds: messages,
        figures: {
          detail: messages ? 'speed and “engine running” are sent' : 'nothing sends speed and “engine running”',
        },
      },
    ];
  },
  remedies: 'A stand-in on its bus that sends both, at the old rate.',
});

const reserve = defineRule({
  id: 'steering.reserve',
  endangers: 'people',
  says: {
    fails: 'Steering assist dies with the converter',
    holds: 'Steering assist has a battery behind it',
    line: '{detail}',
  },
  sources: ['Assist that goes in a bend is worse than none: its peak is more than a converter gives alone (practice)'],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (!has.hydraulic(vehicle) && !has.column(vehicle) && vehicle.build.schools.steering !== 'original-electric')
      return [];
    const { battery } = lowVoltage(vehicle);
    return [
      {
        subject: STEERING_REF,
        holds: battery !== null,
        figures: { detail: battery ? `${battery.device.name} stands behind it` : 'no auxiliary battery' },
      },
    ];
  },
  remedies: 'Keep an auxiliary battery.',
});

const belt = defineRule({
  id: 'steering.belt-idles',
  endangers: 'people',
  says: {
    fails: 'The belt stands when the car stands, and so does the assist',
    holds: 'The belt turns while the car stands',
    line: '{detail}',
    open: 'Belt that was kept',
  },
  sources: [
    'A pump on the old belt has no flow while the traction motor stands: parking is done without assist (practice)',
  ],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (vehicle.build.schools.ancillaries !== 'belt') return [];
    const { idles, beltW } = vehicle.build.steering ?? {};
    if (idles === undefined || (idles && beltW === undefined))
      return [
        asks(
          BELT,
          ...(idles === undefined ? ['whether the motor idles while the car stands'] : []),
          ...(beltW === undefined ? ['the power that the belt takes all the while'] : []),
        ) as Finding<'detail'>,
      ];
    return [
      {
        subject: BELT,
        holds: idles,
        figures: {
          detail: idles
            ? `the motor idles, clutch open; the belt takes ${q(beltW!, 'power')}, and the trip counts it`
            : 'the motor stands with the car',
        },
      },
    ];
  },
  remedies: 'A clutch and an idle speed for the motor, or a pump of its own.',
});

const pumpFits = askedRule('steering', FITTED, has.hydraulic, {
  id: 'steering.pump-fits',
  flag: 'pumpFits',
  endangers: 'people',
  fails: 'The steering pump is not made to fit',
  holds: 'The steering pump is made to fit',
  asked: 'whether its bracket, plug and hoses are made for this car',
  source:
    'A pump of another car has another bracket, plug and hose ends; a hose that is clamped where it was crimped comes off at relief pressure (practice)',
  cure: 'A bracket on rubber, crimped hoses for the relief pressure, the plug of the pump with its pins.',
});

const pumpSignal = askedRule('steering', SIGNAL, ({ build }) => build.schools.steering === 'pump-by-speed', {
  id: 'steering.pump-signal',
  flag: 'pumpsOn',
  endangers: 'people',
  fails: 'The steering pump stops when the speed signal is lost',
  holds: 'The steering pump goes on when the speed signal is lost',
  asked: 'whether it goes on pumping without the speed signal',
  source: 'Assist that goes in a bend is worse than none: without its signal the pump has to run in full (practice)',
  cure: 'A controller that runs the pump in full when its signal is missing, or the pump always on.',
});

export const STEERING_RULES: readonly Rule[] = [
  flow,
  pressure,
  peak,
  rim,
  original,
  reserve,
  belt,
  pumpFits,
  pumpSignal,
];
