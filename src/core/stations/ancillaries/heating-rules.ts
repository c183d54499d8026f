import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import { cabinWarmth, SEATS_K } from '../../simulate';
import type { Vehicle } from '../../vehicle';
import { packMustDeliver, watts } from '../context';
import { defineRule, type Rule } from '../define';
import { askedRule, asks, HEATING_REF, loadsFor, partOfSystem, type Question } from './shared';

const BOX = partOfSystem(HEATING_REF, 'box', 'Room in the old heater box');
const SCREEN = partOfSystem(HEATING_REF, 'screen', 'Clear windscreen');

const heated = (vehicle: Vehicle): boolean =>
  vehicle.devices.some(({ device }) => device.kind === 'heater' && device.warmsCells !== true);

const warms = defineRule({
  id: 'heating.warms',
  endangers: 'comfort',
  says: {
    fails: 'The cabin stays cold',
    holds: 'The cabin gets warm',
    line: '{detail}',
  },
  sources: [
    'Walls and fresh air against what the heaters give at the lowest voltage, on the coldest day; with warm seats six kelvin less are wanted (reference of the trade)',
  ],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (!heated(vehicle)) return [];
    const waitsFor = packMustDeliver(vehicle, 'sustained');
    if (waitsFor) return [{ subject: HEATING_REF, waitsFor }];
    const { cabin, settlesC, wantedC, powerW, needsW, timeS, assumed } = cabinWarmth(vehicle);
    const seats = vehicle.build.cabin?.seatsW ? SEATS_K : 0;
    const goal = wantedC - seats;
    const rise = goal - cabin.outsideC;
    if (rise <= 0) return [];
    return [
      {
        subject: HEATING_REF,
        margin: (settlesC - cabin.outsideC - rise) / rise,
        figures: {
          detail: `${q(powerW, 'power')} leads to ${q(settlesC, 'temperature')} at ${q(cabin.outsideC, 'temperature')} outside, ${q(goal, 'temperature')} wanted${timeS === null ? '' : `, after ${q(timeS, 'time')}`}`,
        },
        assumed: [...assumed, ...(seats > 0 ? ['The seats make up for the rest.'] : [])],
        lines: () => [
          {
            formula: 'T∞ = T_out + P / (UA + ṁ · c_p · (1 − r))',
            figures: `${q(powerW, 'power')} of ${q(needsW, 'power')} that hold ${q(wantedC, 'temperature')}`,
            result: { value: settlesC, dimension: 'temperature' },
          },
        ],
      },
    ];
  },
  remedies: 'A stronger heater, more air taken from inside once the screen is clear, or seats first.',
});

/** Within so long it should be warm (engineering judgement), s. */
const WARM_S = 1800;

const warmUp = defineRule({
  id: 'heating.warm-up',
  endangers: 'comfort',
  says: {
    fails: 'The cabin takes too long to get warm',
    holds: 'The cabin is warm soon',
    line: '{demand}, at most {limit}',
  },
  sources: [
    'Cabin, and coolant where the old matrix is kept, as one lump; half an hour at most (engineering judgement)',
  ],
  judge: ({ vehicle }): Finding[] => {
    if (!heated(vehicle) || packMustDeliver(vehicle, 'sustained')) return [];
    const { timeS, powerW, cabin, assumed } = cabinWarmth(vehicle);
    // That it never gets warm is said by its own rule.
    if (timeS === null) return [];
    return [
      {
        subject: HEATING_REF,
        demand: { value: timeS, dimension: 'time' },
        limit: { value: WARM_S, dimension: 'time' },
        margin: marginAtMost(timeS, WARM_S),
        assumed,
        lines: () => [
          {
            formula: 't = C / G · ln((T∞ − T_out) / (T∞ − T))',
            figures: `${q(powerW, 'power')} into ${q(cabin.heatJPerK, 'heatCapacity')} from ${q(cabin.outsideC, 'temperature')}`,
            result: { value: timeS, dimension: 'time' },
          },
        ],
      },
    ];
  },
  remedies: 'A stronger heater, warming up while it is still plugged in, or air taken from inside at first.',
});

/** To clear a screen the air has to be so much warmer than outside (engineering judgement): power for it, W. */
const DEMIST_W = 1000;

const screen = defineRule({
  id: 'heating.screen',
  endangers: 'people',
  says: {
    fails: 'Nothing clears the windscreen',
    holds: 'Something clears the windscreen',
    line: '{detail}',
    open: 'Clear windscreen',
  },
  sources: [
    'Warm air to the screen, or a heated one: seats clear nothing; law asks for it in most places (check local code)',
  ],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (loadsFor(vehicle, 'screen-heat').some(({ load }) => load.rating > 0 && (load.use['night-rain-cold'] ?? 0) > 0))
      return [{ subject: SCREEN, holds: true, figures: { detail: 'a heated screen' } }];
    if (!heated(vehicle)) {
      if (vehicle.build.schools.heating === undefined) return [];
      return [{ subject: SCREEN, holds: false, figures: { detail: 'no heater and no heated screen' } }];
    }
    const is = vehicle.build.cabin?.airToScreen;
    if (is === undefined) return [asks(SCREEN, 'whether warm air reaches the windscreen') as Finding<'detail'>];
    const waitsFor = packMustDeliver(vehicle, 'sustained');
    if (waitsFor) return [{ subject: SCREEN, waitsFor }];
    const { powerW } = cabinWarmth(vehicle);
    return [
      {
        subject: SCREEN,
        holds: is && powerW >= DEMIST_W,
        figures: {
          detail: is ? `${q(powerW, 'power')} of warm air, at least ${q(DEMIST_W, 'power')}` : 'no warm air reaches it',
        },
      },
    ];
  },
  remedies: 'Air from the heater to the screen, or a heated screen.',
});

const element = defineRule({
  id: 'heating.element',
  endangers: 'comfort',
  says: {
    fails: '{subject} gives a fraction of what it is rated',
    holds: '{subject} gives what it is rated',
    line: '{band} at {volts}, rated at {own}',
  },
  comfort: 0,
  sources: [
    'A plain resistance gives the square of the voltage; an element whose resistance rises stays cold below its knee and may give up to its inrush times that: the band',
  ],
  judge: ({ vehicle }): Finding<'band' | 'volts' | 'own'>[] =>
    cabinWarmth(vehicle).heaters.flatMap(({ id, name, band, ownV, atV }): Finding<'band' | 'volts' | 'own'>[] => {
      if (!band || ownV === null || atV >= ownV) return [];
      const rated = vehicle.deviceOf.get(id)?.device.powersW?.heating ?? 0;
      if (rated <= 0) return [];
      const [low, high] = band;
      return [
        {
          subject: { kind: 'device', id, name },
          margin: (low - rated / 2) / rated,
          demand: watts(low),
          limit: watts(rated / 2),
          figures: {
            band: `${q(low, 'power')} to ${q(high, 'power')}`,
            volts: q(atV, 'voltage'),
            own: q(ownV, 'voltage'),
          },
          lines: () => [
            {
              formula: 'P = P_rated · (U / U_rated)²; up to the cold inrush times that',
              figures: `${q(rated, 'power')} · (${q(atV, 'voltage')} / ${q(ownV, 'voltage')})²`,
              result: watts(low),
            },
          ],
        },
      ];
    }),
  remedies: 'An element for this pack’s voltage, or several of them side by side.',
});

/** Heating elements are tested with so much of their rated power (IEC 60335-1, clause 11, from memory: verify). */
const OVER = 1.15;

const overrated = defineRule({
  id: 'heating.element-over',
  endangers: 'fire',
  says: {
    fails: '{subject} gives more than its element bears',
    holds: '{subject}, power of its element',
    line: '{demand} at full charge, its part bears {limit}',
  },
  comfort: 0,
  sources: [
    'P_rated · (U / U_rated)² at the charge voltage of all cells against 1.15 of the part’s rated power (IEC 60335-1, from memory: verify)',
  ],
  judge: ({ vehicle, fullV }): Finding[] =>
    cabinWarmth(vehicle).heaters.flatMap(({ id, name, ownV, ratedW }): Finding[] => {
      const asked = vehicle.deviceOf.get(id)?.device.powersW?.heating ?? 0;
      if (ownV === null || fullV === null || asked <= 0) return [];
      const demand = asked * (fullV / ownV) ** 2;
      const limit = OVER * ratedW;
      return [
        {
          subject: { kind: 'device', id, name },
          demand: watts(demand),
          limit: watts(limit),
          margin: marginAtMost(demand, limit),
        },
      ];
    }),
  remedies: 'Elements in series, or one for this pack’s voltage.',
});

const fits = defineRule({
  id: 'heating.fits',
  endangers: 'comfort',
  says: {
    fails: '{subject} is too large for the old box',
    holds: '{subject} fits the old box',
    line: '{own}, room for {room}',
    open: 'Room in the old heater box',
  },
  comfort: 0,
  sources: [
    'The three measures of the element against those of the room that the old matrix leaves, longest to longest',
  ],
  judge: ({ vehicle }): Finding<'own' | 'room'>[] => {
    if (vehicle.build.schools.heating !== 'air-heater' || !heated(vehicle)) return [];
    const { boxLengthM, boxWidthM, boxDepthM } = vehicle.build.cabin ?? {};
    if (boxLengthM === undefined || boxWidthM === undefined || boxDepthM === undefined)
      return [asks(BOX, 'the room that the old matrix leaves: along, across and through') as Finding<'own' | 'room'>];
    const sorted = (...sides: readonly number[]) => sides.toSorted((a, b) => b - a);
    const words = (sides: readonly number[]) => sides.map((side) => q(side, 'length')).join(' × ');
    const room = sorted(boxLengthM, boxWidthM, boxDepthM);
    return vehicle.devices
      .filter(({ device }) => device.kind === 'heater' && device.warmsCells !== true)
      .map(({ id, device: { name, sizeM } }): Finding<'own' | 'room'> => {
        const subject = { kind: 'device' as const, id, name };
        if (!sizeM) return { subject, missing: [{ ref: subject, what: 'how long, wide and high the element is' }] };
        const own = sorted(sizeM.lengthM, sizeM.widthM, sizeM.heightM);
        return {
          subject,
          margin: Math.min(...own.map((side, k) => marginAtMost(side, room[k]!))),
          figures: { own: words(own), room: words(room) },
        };
      });
  },
  remedies: 'A smaller element, two of them in two places, or a box of its own.',
});

const GUARDS: readonly Question<'cabin'>[] = [
  {
    id: 'heating.no-air',
    endangers: 'fire',
    flag: 'blowerLocked',
    fails: 'The element can heat without air or coolant moving',
    holds: 'No heat without air or coolant moving',
    asked: 'whether the element is locked to its blower or pump',
    source: 'Without a stream the element reaches its end temperature, and what is around it too (practice)',
    cure: 'The heater’s command through a contact of the blower or pump, or its flow switch.',
  },
  {
    id: 'heating.cut-out',
    endangers: 'fire',
    flag: 'cutOut',
    fails: 'Nothing cuts an overheated element off',
    holds: 'A thermal cut-out guards the element',
    asked: 'whether a thermal cut-out and a thermal fuse stand in series',
    source: 'A cut-out that resets and a fuse that does not, in series, right at the element (practice)',
    cure: 'Both at the element, in the wire of its contactor’s coil or in its own feed if they are rated for it.',
  },
  {
    id: 'heating.dc-switch',
    endangers: 'fire',
    flag: 'dcSwitch',
    fails: 'The element is switched by a contact that can’t break it',
    holds: 'The element is switched by what breaks direct current',
    asked: 'whether relay or electronics that switch the element are rated for direct current at this voltage',
    source: 'A 12-volt relay on high direct voltage draws an arc that never goes out (practice)',
    cure: 'A relay rated for direct current at the pack’s voltage, or a solid-state switch.',
  },
];

export const HEATING_RULES: readonly Rule[] = [
  warms,
  warmUp,
  screen,
  element,
  overrated,
  fits,
  ...GUARDS.map((question) => askedRule('cabin', HEATING_REF, heated, question)),
];
