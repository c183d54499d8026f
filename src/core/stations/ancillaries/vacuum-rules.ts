import { type Finding, marginAtLeast, marginAtMost, quantityText as q } from '../../checks';
import {
  type BrakeVacuum,
  brakeVacuum,
  DESCENT_EVERY_S,
  DESCENT_S,
  NORMAL_STROKE,
  vacuumMissing,
} from '../../simulate';
import type { Vehicle } from '../../vehicle';
import { defineRule, type Proposer, type Rule } from '../define';
import { asks, BRAKES_REF, has, partOfSystem } from './shared';

const pressure = (value: number) => ({ value, dimension: 'pressure' as const });
const time = (value: number) => ({ value, dimension: 'time' as const });
const SWITCH = partOfSystem(BRAKES_REF, 'switch', 'Vacuum switch');
const PUMP = partOfSystem(BRAKES_REF, 'pump', 'Vacuum pump');
const RESERVE = partOfSystem(BRAKES_REF, 'reserve', 'Vacuum in reserve');

/** Judged where there is a vacuum pump and everything that the model needs; what is missing is asked for once, at the switch. */
const modelled = (vehicle: Vehicle): BrakeVacuum | null => (has.vacuum(vehicle) ? brakeVacuum(vehicle) : null);

/** A pump slows down near its end: so far below it a switch still turns it off in time (engineering judgement). */
const BELOW_END = 0.92;
/** From cut-in to cut-out, of the cut-out (usual switches). */
const BAND = 0.75;

const lowerSwitch: Proposer = ({ vehicle }) => {
  const model = brakeVacuum(vehicle);
  if (!model) return [];
  const off = Math.floor((BELOW_END * model.air.highestPa) / 1000) * 1000;
  const on = Math.floor((BAND * off) / 1000) * 1000;
  return [
    { edit: 'setVacuumSwitch', input: { onPa: on, offPa: off } },
    { edit: 'answerAncillary', input: { system: 'brakes', flag: 'switchFollows', is: true } },
  ];
};

const cutOut = defineRule({
  id: 'brakes.cut-out',
  endangers: 'people',
  says: {
    fails: 'The vacuum pump never stops at this altitude',
    holds: 'The vacuum pump reaches its cut-out here',
    line: 'off at {demand}, the pump reaches {limit} here',
    open: 'Vacuum pump and its switch',
  },
  comfort: 0.04,
  sources: [
    'Highest vacuum goes with the ambient pressure (ISO 2533): the pressure ratio of a pump stays; a fixed switch keeps its set point',
  ],
  judge: ({ vehicle }): Finding[] => {
    if (!has.vacuum(vehicle)) return [];
    const missing = vacuumMissing(vehicle);
    if (missing.length > 0) return [asks(SWITCH, ...missing)];
    const model = brakeVacuum(vehicle);
    // Set points the wrong way round have a rule of their own.
    if (!model) return [];
    return [
      {
        subject: SWITCH,
        demand: pressure(model.offPa),
        limit: pressure(model.air.highestPa),
        margin: marginAtMost(model.offPa, model.air.highestPa),
        assumed: model.assumed,
        lines: () => [
          {
            formula: 'v_max = v_max,sea · p_a / p_0',
            figures: `${q(vehicle.build.brakes!.pumpMostPa!, 'pressure')} at sea level, air ${q(model.air.ambientPa, 'pressure')} at ${q(vehicle.build.vehicle.altitudeM, 'length')}`,
            result: pressure(model.air.highestPa),
          },
        ],
      },
    ];
  },
  remedies: [lowerSwitch],
  otherwise: 'A switch that goes with the air, lower set points, or a pump that reaches more.',
});

const order = defineRule({
  id: 'brakes.switch-order',
  endangers: 'people',
  says: {
    fails: 'The vacuum switch turns off below where it turns on',
    holds: 'Set points of the vacuum switch',
    line: 'on at {demand}, off at {limit}',
  },
  comfort: 0,
  sources: ['Vacuum is positive: more of it turns the pump off'],
  judge: ({ vehicle }): Finding[] => {
    const { switchOnPa, switchOffPa } = vehicle.build.brakes ?? {};
    if (!has.vacuum(vehicle) || switchOnPa === undefined || switchOffPa === undefined) return [];
    return [
      {
        subject: SWITCH,
        demand: pressure(switchOnPa),
        limit: pressure(switchOffPa),
        margin: switchOnPa === switchOffPa ? -1 : marginAtMost(switchOnPa, switchOffPa),
      },
    ];
  },
  remedies: 'Swap the two set points: it turns the pump on at the lower vacuum, off at the higher one.',
});

/** From the key to assisted brakes (engineering judgement), s. */
const PULL_DOWN_S = 20;

const pullDown = defineRule({
  id: 'brakes.pull-down',
  endangers: 'people',
  says: {
    fails: 'It takes too long until the brakes are assisted',
    holds: 'Brakes are assisted soon after the key',
    line: '{detail}',
  },
  sources: ['From no vacuum to the least with which the brakes are assisted, 20 s at most (engineering judgement)'],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    const model = modelled(vehicle);
    if (!model) return [];
    const { toLeastS, leastPa, assumed } = model;
    if (toLeastS === null)
      return [{ subject: PUMP, holds: false, figures: { detail: `${q(leastPa, 'pressure')} is never reached` } }];
    return [
      {
        subject: PUMP,
        margin: marginAtMost(toLeastS, PULL_DOWN_S),
        figures: { detail: `${q(toLeastS, 'time')} to ${q(leastPa, 'pressure')}, at most ${q(PULL_DOWN_S, 'time')}` },
        assumed,
        lines: () => [
          {
            formula:
              vehicle.build.brakes?.flowBasis === 'inlet'
                ? 't = V / Q0 · v_max / (p_a − v_max) · ln((p_a − v) · v_max / ((v_max − v) · p_a)), flow at the inlet'
                : 't = V · v_max / (p_a · Q0) · ln(v_max / (v_max − v)), flow as free air',
            figures: `${q(model.volumeL, 'volume')}, to ${q(leastPa, 'pressure')}`,
            result: time(toLeastS),
          },
        ],
      },
    ];
  },
  remedies: 'A pump with more flow, or a smaller reservoir; wait for the lamp to go out before driving off.',
});

const descent = defineRule({
  id: 'brakes.descent',
  endangers: 'people',
  says: {
    fails: 'Brake assist runs out on a descent',
    holds: 'Brake assist lasts on a descent',
    line: 'down to {demand}, at least {limit}',
  },
  sources: [
    `A normal stop every ${DESCENT_EVERY_S} s for ${DESCENT_S / 60} min, from cut-out, the pump running by its switch (engineering judgement)`,
  ],
  judge: ({ vehicle }): Finding[] => {
    const model = modelled(vehicle);
    if (!model) return [];
    return [
      {
        subject: PUMP,
        demand: pressure(model.descent.lowestPa),
        limit: pressure(model.leastPa),
        margin: marginAtLeast(model.descent.lowestPa, model.leastPa),
        assumed: model.assumed,
        lines: () => [
          {
            formula: 'Δv = p_a · x · V_air / V each time, between them the pump',
            figures: `${q(model.eachPa, 'pressure')} with ${NORMAL_STROKE} of the stroke, ${model.descent.applications} times`,
            result: pressure(model.descent.lowestPa),
          },
        ],
      },
    ];
  },
  remedies: [
    ({ vehicle }) => {
      const model = brakeVacuum(vehicle);
      const swept = vehicle.build.brakes?.sweptL;
      if (!model || swept === undefined || model.onPa >= model.air.highestPa) return [];
      // What a stop lets in has to be out again before the next one, at the vacuum where the pump starts.
      const litres = (NORMAL_STROKE * swept * 60) / DESCENT_EVERY_S / (1 - model.onPa / model.air.highestPa);
      return [{ edit: 'setFigure', input: { figure: 'vacuumFlow', value: Math.ceil(litres) } }];
    },
  ],
  otherwise: 'A pump with more flow, a larger reservoir, or more braking by the motor.',
});

const duty = defineRule({
  id: 'brakes.pump-duty',
  endangers: 'parts',
  says: {
    fails: 'The vacuum pump runs more than it may',
    holds: 'The vacuum pump rests between its runs',
    line: '{demand} of the usual trip, it may {limit}',
    open: 'How much the vacuum pump may run',
  },
  sources: [
    'Share of the usual trip that the pump runs, with its stops; intermittent pumps may run 30 to 50 %: its sheet',
  ],
  judge: ({ vehicle }): Finding[] => {
    const model = modelled(vehicle);
    if (!model) return [];
    const may = vehicle.build.brakes?.pumpDuty;
    if (may === undefined) return [asks(PUMP, 'for how much of the time the vacuum pump may run')];
    return [
      {
        subject: PUMP,
        demand: { value: model.trip.duty, dimension: 'ratio' },
        limit: { value: may, dimension: 'ratio' },
        margin: marginAtMost(model.trip.duty, may),
        assumed: model.assumed,
        lines: () => [
          {
            formula: 'time with the pump running / time of the trip',
            figures: `${model.trip.applications} stops, ${model.trip.starts} starts in ${q(model.trip.distanceM, 'distance')}`,
            result: { value: model.trip.duty, dimension: 'ratio' },
          },
        ],
      },
    ];
  },
  remedies: 'A larger reservoir, a lower cut-out, a pump for continuous duty, or find the leak.',
});

/** Normal stops that are assisted once the pump is dead (engineering judgement; type approval asks for several full strokes: check local code). */
const RESERVE_STOPS = 4;

const reserve = defineRule({
  id: 'brakes.reserve',
  endangers: 'people',
  says: {
    fails: 'Too few assisted stops are left when the pump dies',
    holds: 'Assisted stops left when the pump dies',
    line: '{detail}',
  },
  comfort: 0,
  sources: [
    'Normal stops that begin at or above the least vacuum, from where the switch would have turned the pump on; four are asked for (engineering judgement: check local code)',
  ],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    const model = modelled(vehicle);
    if (!model) return [];
    const { begun, leaving } = model.fromOn;
    return [
      {
        subject: RESERVE,
        margin: (begun - RESERVE_STOPS) / RESERVE_STOPS,
        figures: { detail: `${begun} begin with assist, ${leaving} end with it, at least ${RESERVE_STOPS} to begin` },
        assumed: model.assumed,
        lines: () => [
          {
            formula: 'n = floor((v_on − v_least) / Δv) + 1',
            figures: `(${q(model.onPa, 'pressure')} − ${q(model.leastPa, 'pressure')}) / ${q(model.eachPa, 'pressure')}`,
            result: { value: begun, dimension: 'count' },
          },
        ],
      },
    ];
  },
  remedies: [
    ({ vehicle }) => {
      const model = brakeVacuum(vehicle);
      const { reservoirL = 0 } = vehicle.build.brakes ?? {};
      const room = model ? Math.min(model.onPa, model.air.highestPa) - model.leastPa : 0;
      if (!model || room <= 0) return [];
      // Δv falls with the volume: as much of it as leaves one stop fewer than are asked to end above the least.
      const volumeL = ((RESERVE_STOPS - 1) * model.eachPa * model.volumeL) / room;
      const value = Math.ceil(2 * (reservoirL + volumeL - model.volumeL)) / 2;
      return value > 0 ? [{ edit: 'setFigure', input: { figure: 'reservoirVolume', value } }] : [];
    },
  ],
  otherwise: 'A larger reservoir, or a switch that turns the pump on earlier.',
});

export const VACUUM_RULES: readonly Rule[] = [cutOut, order, pullDown, descent, duty, reserve];
