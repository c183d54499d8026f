import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import { FADE_C } from '../../physics/brake-heat';
import { brakeDescent } from '../../simulate';
import { hottestAssumed, hottestDayC, type Vehicle } from '../../vehicle';
import { celsius } from '../context';
import { defineRule, type Rule } from '../define';
import { asks, BRAKES_REF, has, partOfSystem } from './shared';

const PEDAL = partOfSystem(BRAKES_REF, 'pedal', 'Brake pedal');
const HEAT = partOfSystem(BRAKES_REF, 'heat', 'Discs and drums');

/** UN R13-H (from memory: verify): pedal force at most, and the deceleration asked with the assist failed and with brakes whole, m/s². */
const MOST_N = 500;
const FAILED_MPS2 = 2.44;
const WHOLE_MPS2 = 6.43;
/** A firm stop, as it is measured: half of the weight, m/s². */
const FIRM_MPS2 = 4.9;
/** Boosters multiply by three to five (reference of the trade). */
const BOOST = 5;

const braked = (vehicle: Vehicle): boolean =>
  vehicle.build.schools.brakes !== undefined || has.vacuum(vehicle) || has.booster(vehicle);

const force = defineRule({
  id: 'brakes.pedal-force',
  endangers: 'people',
  says: {
    fails: 'The pedal is too heavy {why}',
    holds: 'The brakes can be pressed {why}',
    line: '{demand} for {deceleration}, at most {limit}',
    open: 'Brake pedal',
  },
  sources: [
    'Pedal force goes with the deceleration; UN R13-H: 500 N for 2.44 m/s² with the assist failed, for 6.43 m/s² with brakes whole, of a car (from memory: verify)',
  ],
  judge: ({ vehicle }): Finding<'why' | 'deceleration'>[] => {
    if (!braked(vehicle)) return [];
    const { pedalN, boostRatio } = vehicle.build.brakes ?? {};
    if (pedalN === undefined)
      return [asks(PEDAL, 'the force at the pedal for a firm stop, measured') as Finding<'why' | 'deceleration'>];
    const assisted = has.vacuum(vehicle) || has.booster(vehicle);
    const by = assisted ? FAILED_MPS2 : WHOLE_MPS2;
    const demand = ((pedalN * by) / FIRM_MPS2) * (assisted ? (boostRatio ?? BOOST) : 1);
    return [
      {
        subject: PEDAL,
        demand: { value: demand, dimension: 'force' },
        limit: { value: MOST_N, dimension: 'force' },
        margin: marginAtMost(demand, MOST_N),
        figures: {
          why: assisted ? 'without assist' : 'as they are',
          deceleration: { value: by, dimension: 'acceleration' },
        },
        assumed: assisted && boostRatio === undefined ? [`The booster multiplies by ${BOOST}.`] : [],
        lines: () => [
          {
            formula: assisted ? 'F = F_firm · i_boost · a / a_firm' : 'F = F_firm · a / a_firm',
            figures: `${q(pedalN, 'force')} at ${q(FIRM_MPS2, 'acceleration')}${assisted ? `, times ${boostRatio ?? BOOST}` : ''}`,
            result: { value: demand, dimension: 'force' },
          },
        ],
      },
    ];
  },
  remedies: 'A larger pedal ratio or a smaller bore, softer pads, or assist. A licensed person signs what is changed.',
});

const heat = defineRule({
  id: 'brakes.heat',
  endangers: 'people',
  says: {
    fails: 'The brakes fade on a long descent',
    holds: 'The brakes stay cool enough on a long descent',
    line: '{demand} after {time}, at most {limit}',
    open: 'Discs and drums',
  },
  sources: [
    'The steepest climb driven down with a full pack, so the motor brakes nothing: weight less rolling and air, into the iron, cooled by moving air (generic); pads fade and old fluid boils from 350 °C (reference of the trade)',
  ],
  judge: ({ vehicle }): Finding<'time'>[] => {
    if (vehicle.build.duty.hillGrade === undefined) return [];
    if (vehicle.build.brakes?.discKg === undefined)
      return [asks(HEAT, 'the iron of all discs and drums') as Finding<'time'>];
    const found = brakeDescent(vehicle);
    if (!found) return [];
    const airC = hottestDayC(vehicle.build);
    return [
      {
        subject: HEAT,
        demand: celsius(found.endC),
        limit: celsius(FADE_C),
        margin: (FADE_C - found.endC) / (FADE_C - airC),
        figures: { time: { value: found.overS, dimension: 'time' } },
        assumed: [...hottestAssumed(vehicle.build), 'The pack is full: the motor brakes nothing.'],
        lines: () => [
          {
            formula: 'T = T_air + P / G · (1 − e^(−t/τ)), P = (m·g·sin α − F_roll − F_air) · v',
            figures: `${q(found.powerW, 'power')} into ${q(vehicle.build.brakes!.discKg!, 'mass')} of iron`,
            result: celsius(found.endC),
          },
        ],
      },
    ];
  },
  remedies:
    'Go down more slowly, stop charging below full before a descent so that the motor can brake, or larger brakes.',
});

const pedal = defineRule({
  id: 'brakes.pedal-switches',
  endangers: 'people',
  says: {
    fails: 'The controller does not know of the brake pedal',
    holds: 'The controller knows of the brake pedal',
    line: '{detail}',
    open: 'Switches of the brake pedal',
  },
  sources: [
    'Torque ends when the brake is pressed, and a stop of its own keeps the pedal off its switch’s end (practice)',
  ],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (!braked(vehicle)) return [];
    const { pedalTold, pedalStop } = vehicle.build.brakes ?? {};
    if (pedalTold === undefined || pedalStop === undefined)
      return [
        asks(
          PEDAL,
          ...(pedalTold === undefined ? ['whether the controller is told that the brake is pressed'] : []),
          ...(pedalStop === undefined ? ['whether the pedals have stops of their own'] : []),
        ) as Finding<'detail'>,
      ];
    const lacks = [
      ...(pedalTold ? [] : ['it is not told']),
      ...(pedalStop ? [] : ['no stop: the switch bears the foot']),
    ];
    return [
      {
        subject: PEDAL,
        holds: lacks.length === 0,
        figures: { detail: lacks.join(', ') || 'told by a switch, with a stop of its own' },
      },
    ];
  },
  remedies: 'A switch at the pedal into the controller’s brake input, and a stop screw that bears the foot.',
});

export const PEDAL_RULES: readonly Rule[] = [force, heat, pedal];
