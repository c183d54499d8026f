import { type Finding, quantityText as q } from '../../checks';
import { chargeCoolant, driveLoop, INLET_C, loopFlow, plateHeat } from '../../simulate';
import { hottestAssumed, hottestDayC, type Vehicle } from '../../vehicle';
import { celsius } from '../context';
import { defineRule, type Rule } from '../define';
import { asks, COOLING_REF, loadsFor, partOfSystem } from './shared';

const LOOP = partOfSystem(COOLING_REF, 'loop', 'Coolant of inverter and motor');
const PUMPS = partOfSystem(COOLING_REF, 'pumps', 'Coolant pumps');
const LOGGED = partOfSystem(COOLING_REF, 'logged', 'Temperature that was logged');

const looped = ({ build: { schools } }: Vehicle): boolean =>
  schools.cooling === 'liquid' || schools.cooling === 'chill-plate';

const inlet = defineRule({
  id: 'cooling.inlet',
  endangers: 'comfort',
  says: {
    fails: 'Coolant is too warm for the inverter on a long climb',
    holds: 'Coolant is cool enough for the inverter on a long climb',
    line: '{demand} into the inverter on the hottest day, at most {limit}',
    open: 'Coolant of inverter and motor',
  },
  sources: [
    'Losses of the hill into the stream, the radiator by 1 − e^(−UA/ṁc), air in plenty; inverters bear 60 to 65 °C coolant (reference of the trade)',
  ],
  judge: ({ vehicle }): Finding[] => {
    if (!looped(vehicle)) return [];
    const { radiatorWPerK } = vehicle.build.cooling ?? {};
    const flowLPerMin = loopFlow(vehicle);
    if (flowLPerMin === null || radiatorWPerK === undefined)
      return [
        asks(
          LOOP,
          ...(flowLPerMin === null ? ['the flow of the coolant, or the curves of pump and loop'] : []),
          ...(radiatorWPerK === undefined ? ['what the radiator takes a kelvin'] : []),
        ),
      ];
    const loop = driveLoop(vehicle);
    if (!loop) return [];
    return [
      {
        subject: LOOP,
        demand: celsius(loop.inverterInC),
        limit: celsius(loop.limitC),
        margin: loop.limitC > loop.airC ? (loop.limitC - loop.inverterInC) / (loop.limitC - loop.airC) : -1,
        assumed: loop.assumed,
        lines: () => [
          {
            formula: 'T_in = T_air + P / (ε · ṁc) − P / ṁc',
            figures: `${q(loop.heatW, 'power')} into ${q(loop.streamWPerK, 'heatLoss')}, air ${q(loop.airC, 'temperature')}`,
            result: celsius(loop.inletC),
          },
          ...(loop.motorFirst
            ? [
                {
                  formula: 'T_inverter = T_in + P_motor / ṁc',
                  figures: q(loop.motorW, 'power'),
                  result: celsius(loop.inverterInC),
                },
              ]
            : []),
        ],
      },
    ];
  },
  remedies: 'The inverter before the motor, a larger radiator or its fan, more flow, or less power on the hill.',
});

const fill = defineRule({
  id: 'cooling.bleeds',
  endangers: 'parts',
  says: {
    fails: 'Air stays in the coolant',
    holds: 'Air gets out of the coolant',
    line: '{detail}',
    open: 'Header tank and bleed points',
  },
  sources: [
    'Filled and bled from the highest point, a header tank above everything; a pump with air in it moves nothing (practice)',
  ],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (!looped(vehicle)) return [];
    const { header, bleeds } = vehicle.build.cooling ?? {};
    if (header === undefined || bleeds === undefined)
      return [
        asks(
          LOOP,
          ...(header === undefined ? ['whether a header tank is the highest point'] : []),
          ...(bleeds === undefined ? ['whether every high point can be bled'] : []),
        ) as Finding<'detail'>,
      ];
    const lacks = [...(header ? [] : ['no header tank']), ...(bleeds ? [] : ['no bleed points'])];
    return [
      {
        subject: LOOP,
        holds: lacks.length === 0,
        figures: { detail: lacks.join(', ') || 'header tank on top, high points can be bled' },
      },
    ];
  },
  remedies: 'A header tank above the highest part, a bleed screw wherever the hose goes down again.',
});

const PLATE = partOfSystem(COOLING_REF, 'plate', 'Plate of the controller');
const CHARGER = partOfSystem(COOLING_REF, 'charging', 'Coolant while it charges');

const plate = defineRule({
  id: 'cooling.plate',
  endangers: 'comfort',
  says: {
    fails: 'The controller’s plate gets too hot on a long climb',
    holds: 'The controller’s plate is large enough',
    line: '{demand} on the hottest day, at most {limit}',
    open: 'Plate of the controller',
  },
  sources: ['Loss of the hill through grease and plate to moving air, 30 W/(m²·K) (reference of the trade: 25 to 60)'],
  judge: ({ vehicle }): Finding[] => {
    if (vehicle.build.schools.cooling !== 'plate') return [];
    if (vehicle.build.cooling?.plateM2 === undefined) return [asks(PLATE, 'the area of the plate that air touches')];
    const heat = plateHeat(vehicle);
    if (!heat) return [];
    return [
      {
        subject: PLATE,
        demand: celsius(heat.baseC),
        limit: celsius(heat.limitC),
        margin: heat.limitC > heat.airC ? (heat.limitC - heat.baseC) / (heat.limitC - heat.airC) : -1,
        assumed: heat.assumed,
        lines: () => [
          {
            formula: 'T = T_air + P · (1 / (h · A) + R_grease)',
            figures: `${q(heat.lossW, 'power')}, air ${q(heat.airC, 'temperature')}`,
            result: celsius(heat.baseC),
          },
        ],
      },
    ];
  },
  remedies: 'A larger plate or fins where air passes, a fan, or a chill plate with coolant.',
});

const charging = defineRule({
  id: 'cooling.charging',
  endangers: 'comfort',
  says: {
    fails: 'Coolant gets too warm while it charges at standstill',
    holds: 'Coolant stays cool while it charges at standstill',
    line: '{demand} on the hottest day, at most {limit}',
    open: 'Coolant while it charges',
  },
  sources: ['The charger’s loss into the radiator at standstill, its fan running'],
  judge: ({ vehicle }): Finding[] => {
    const heat = looped(vehicle) ? chargeCoolant(vehicle) : null;
    if (!heat) return [];
    const { coolantC, lossW } = heat;
    if (coolantC === null || lossW === null)
      return [
        asks(
          CHARGER,
          ...(lossW === null ? ['what the charger gives'] : []),
          ...(vehicle.build.cooling?.stillWPerK === undefined
            ? ['what the radiator takes at standstill, its fan running']
            : []),
        ),
      ];
    const airC = hottestDayC(vehicle.build);
    const limit = vehicle.build.cooling?.inletC ?? INLET_C;
    return [
      {
        subject: CHARGER,
        demand: celsius(coolantC),
        limit: celsius(limit),
        margin: limit > airC ? (limit - coolantC) / (limit - airC) : -1,
        assumed: [
          ...heat.assumed,
          ...(vehicle.build.cooling?.inletC === undefined
            ? ['The charger bears coolant as warm as inverters do.']
            : []),
        ],
        lines: () => [
          {
            formula: 'T = T_air + P_AC·(1 − η) / UA_still',
            figures: q(lossW, 'power'),
            result: celsius(coolantC),
          },
        ],
      },
    ];
  },
  remedies: 'A fan that runs while it charges, or a slower charge on hot days.',
});

const pumps = defineRule({
  id: 'cooling.pumps',
  endangers: 'parts',
  says: {
    fails: 'One pump has to serve two loops',
    holds: 'Each loop has its pump',
    line: '{detail}',
    open: 'Coolant pumps',
  },
  sources: ['Cooling wants cold coolant all year, heating hot coolant in winter: one stream can’t be both (practice)'],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    const loops = (looped(vehicle) ? 1 : 0) + (vehicle.build.schools.heating === 'coolant-heater' ? 1 : 0);
    const there = loadsFor(vehicle, 'coolant-pump').length;
    // That a loop has none at all is asked in Survey.
    if (loops === 0 || there === 0) return [];
    const shared = vehicle.build.cooling?.shared;
    if (there < loops && shared === undefined)
      return [asks(PUMPS, 'whether the one coolant pump serves cooling and heating together') as Finding<'detail'>];
    return [
      {
        subject: PUMPS,
        holds: there >= loops,
        figures: { detail: `${there} for ${loops === 1 ? 'one loop' : 'cooling and heating'}` },
      },
    ];
  },
  remedies: 'A second pump with a loop of its own for the heater.',
});

const logged = defineRule({
  id: 'cooling.logged',
  endangers: 'parts',
  says: {
    fails: 'What was tested without cooling needs it',
    holds: 'What was tested without cooling stays cool enough',
    line: '{demand} on the hottest day by what was logged, act from {limit}',
    open: 'Test first, add later',
  },
  sources: ['What was logged, carried to the hottest day: its rise over the air stays (cooling is proportional)'],
  judge: ({ vehicle }): Finding[] => {
    const { loggedC, loggedAirC, actC } = vehicle.build.cooling ?? {};
    if (loggedC === undefined && actC === undefined) return [];
    if (loggedC === undefined || loggedAirC === undefined || actC === undefined)
      return [
        asks(
          LOGGED,
          ...(loggedC === undefined ? ['the hottest that was logged on the road'] : []),
          ...(loggedAirC === undefined ? ['the air on the day that it was logged'] : []),
          ...(actC === undefined ? ['the temperature from which one acts'] : []),
        ),
      ];
    const airC = hottestDayC(vehicle.build);
    const demand = loggedC + airC - loggedAirC;
    return [
      {
        subject: LOGGED,
        demand: celsius(demand),
        limit: celsius(actC),
        margin: actC > airC ? (actC - demand) / (actC - airC) : -1,
        assumed: hottestAssumed(vehicle.build),
        lines: () => [
          {
            formula: 'T = T_logged + T_hottest day − T_that day',
            figures: `${q(loggedC, 'temperature')}, ${q(airC, 'temperature')}, ${q(loggedAirC, 'temperature')}`,
            result: celsius(demand),
          },
        ],
      },
    ];
  },
  remedies: 'Add the plate or loop that was left for later, then log the same hill again.',
});

export const COOLING_RULES: readonly Rule[] = [inlet, fill, plate, charging, pumps, logged];
