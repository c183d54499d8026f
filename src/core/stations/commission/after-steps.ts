import { quantityText as q } from '../../checks';
import { brakeVacuum, CHARGER_EFFICIENCY, chargersOf, coilsA, rackFlow, vehicleCharge } from '../../simulate';
import { lowVoltage, partOf } from '../../vehicle';
import type { Context } from '../context';
import { atMost, LIVE, look, measure, type Step, stepId, unknown, within } from './step';

export function spinSteps({ vehicle }: Context): readonly Step[] {
  const motors = vehicle.devices.filter(({ device }) => device.kind === 'motor');
  if (motors.length === 0) return [];
  const sheet = 'spin' as const;
  const free = 'wheels free on rated stands, torque limit low, nobody near wheels and shafts';
  return [
    look({
      id: stepId('stands'),
      sheet,
      name: 'Driven wheels free, car on rated stands, chocked',
      where: 'under the car',
      switches: 'key off',
      ifNot: 'Do not go on.',
      two: true,
    }),
    ...motors.flatMap(({ id, device }): Step[] => [
      look({
        id: stepId('direction', id),
        sheet,
        name: `${device.name} turns the way of the lever`,
        where: 'at the wheels, forward then reverse',
        switches: free,
        ifNot: 'Two phases or the encoder’s direction are swapped: swap one of them, not both.',
        two: true,
        subjectId: id,
        caution: 'It can start at full torque when the encoder is wrong: thumb on the emergency stop.',
      }),
      look({
        id: stepId('smooth', id),
        sheet,
        name: `${device.name} runs smooth and stops when let go`,
        where: 'ear, hand on the mount',
        switches: free,
        ifNot: 'Rough: phase order, encoder offset. Runs on: pedal track or settings.',
        two: true,
        subjectId: id,
      }),
    ]),
    look({
      id: stepId('plugged'),
      sheet,
      name: 'With the charge plug in, no torque whatever is pressed',
      where: 'wheels free; then the proximity wire pulled off: still none',
      switches: free,
      ifNot: 'It could drive away plugged in: the block has to work without software too.',
      two: true,
    }),
    look({
      id: stepId('stop-turning'),
      sheet,
      name: 'Emergency stop takes the torque away while it turns',
      where: 'pressed at low speed',
      switches: free,
      ifNot: 'Do not drive.',
      two: true,
    }),
  ];
}

/** What a converter may be off its set point by, and what may be lost on the way to the battery, V. */
const SET_V = 0.3;
const WAY_V = 0.3;

export function converterSteps(context: Context): readonly Step[] {
  const { vehicle } = context;
  const low = lowVoltage(vehicle);
  const sheet = 'converter' as const;
  const steps: Step[] = [];
  for (const { id, device, outputV } of low.converters) {
    steps.push(
      measure({
        id: stepId('set-point', id),
        sheet,
        name: `${device.name}: output`,
        where: 'its own output terminals',
        switches: 'ready, lamps and blower on',
        dimension: 'voltage',
        expected: outputV,
        low: outputV - SET_V,
        high: outputV + SET_V,
        from: `its set point, ± ${q(SET_V, 'voltage')}`,
        ifLow: 'Not enabled, or at its limit: look at the current.',
        ifHigh: 'It cooks the battery: set it lower.',
        endangers: 'fire',
        subjectId: id,
      }),
    );
    if (low.battery)
      steps.push(
        measure({
          id: stepId('converter-drop', id),
          sheet,
          name: `${device.name} to ${low.battery.device.name}: drop, out and back`,
          where: 'plus to plus, and minus to minus, added',
          switches: 'ready, lamps and blower on',
          dimension: 'voltage',
          ...atMost(WAY_V),
          from: `under ${q(WAY_V, 'voltage')}, or the battery is never full (engineering judgement)`,
          ifHigh: 'Thin wire or a bad joint: feel which end is warm.',
          endangers: 'fire',
          subjectId: id,
        }),
      );
  }
  if (low.converters.length > 0)
    steps.push(
      look({
        id: stepId('awake'),
        sheet,
        name: 'Everything on at once: 12 V stays up, nothing resets',
        where: 'battery poles; coils hold',
        switches: `ready, all loads on (coils take ${q(coilsA(vehicle, 13.8), 'current')})`,
        ifNot: 'Contactors that drop out under load arc: mend the feed.',
        endangers: 'parts',
      }),
    );
  return steps;
}

/** Voltage of a charger’s end, and what cells may differ by there (practice). */
const END_SHARE = 0.01;
const SPREAD_V = 0.03;
const POWER_SHARE = 0.15;

export function chargeSteps({ vehicle }: Context): readonly Step[] {
  if (chargersOf(vehicle).length === 0) return [];
  const { charging = {}, supply = {} } = vehicle.build;
  const charge = vehicleCharge(vehicle);
  const sheet = 'charge' as const;
  const steps: Step[] = [
    look({
      id: stepId('inlet'),
      sheet,
      name: 'Pilot, current limit and earth of the inlet are as they should be',
      where: 'inlet, before anything is plugged in',
      ifNot: 'Pilot diode missing or earth open: no charging.',
      endangers: 'people',
    }),
    look({
      id: stepId('low-first'),
      sheet,
      name: 'Starts at low current, nothing gets warm in half an hour',
      where: 'hand on plug, cable, charger, boxes',
      ifNot: 'Stop: a high joint. Find it cold, with the meter.',
      endangers: 'fire',
    }),
    look({
      id: stepId('stops'),
      sheet,
      name: 'It stops by itself: management, unplugged, door',
      where: 'each of the three once',
      ifNot: 'A charge that the management can’t end is never left alone.',
      endangers: 'fire',
      caution: 'The first charge to the full is attended.',
    }),
  ];
  if ('run' in charge) {
    const { acW, cellsInSeries } = charge;
    if (supply.voltageV !== undefined)
      steps.push(
        measure({
          id: stepId('mains-current'),
          sheet,
          name: 'Current out of the mains, each phase',
          where: 'clamp around one conductor of the cable',
          switches: 'charging at full, half an hour in',
          dimension: 'current',
          ...within(acW / (supply.voltageV * (supply.phases ?? 1)), POWER_SHARE),
          from: `${q(acW, 'power')} from ${q(supply.voltageV, 'voltage')}, ± 15 %, without reactive current`,
          ifLow: 'Something limits: supply, cable code, heat, the management.',
          ifHigh: 'It takes more than the cable’s code says, or reactive current: check cable and breaker.',
          endangers: 'fire',
        }),
        measure({
          id: stepId('mains-energy-share'),
          sheet,
          name: 'Power into the pack over power out of the mains',
          where: 'management’s own current times voltage, over the energy meter',
          switches: 'charging at full',
          dimension: 'ratio',
          expected: charging.efficiency ?? CHARGER_EFFICIENCY,
          low: (charging.efficiency ?? CHARGER_EFFICIENCY) * 0.93,
          high: 1,
          from: `${charging.efficiency === undefined ? 'usual' : 'as entered'}, down to seven hundredths less`,
          ifLow: 'Pumps and fans draw too, or the charger runs hot.',
          ifHigh: 'More out than in: one of the two meters is off.',
          endangers: 'comfort',
          adopts: {
            subjectId: 'build',
            field: 'chargerEfficiency',
            value: (read) => (read > 0 && read <= 1 ? read : null),
          },
        }),
      );
    if (charging.cellV !== undefined)
      steps.push(
        measure({
          id: stepId('end-voltage'),
          sheet,
          name: 'Voltage at the end of the charge',
          where: 'pack plus to minus at the charger',
          switches: 'as it ends',
          dimension: 'voltage',
          ...within(charging.cellV * cellsInSeries, END_SHARE),
          from: `${cellsInSeries} cells · ${q(charging.cellV, 'voltage')}, ± 1 %`,
          ifLow: 'It ends early: one cell is full before the others.',
          ifHigh: 'Set too high: stop. Cells are overcharged.',
          endangers: 'fire',
          caution: LIVE,
        }),
      );
    steps.push(
      measure({
        id: stepId('spread-full'),
        sheet,
        name: 'Spread of the cells, full',
        where: 'management’s highest less its lowest cell',
        switches: 'an hour after the end',
        dimension: 'voltage',
        ...atMost(SPREAD_V),
        from: `under ${q(SPREAD_V, 'voltage')} when balanced (practice)`,
        ifHigh: 'Let it balance longer; the same cell again: read it by meter.',
        endangers: 'parts',
      }),
      measure({
        id: stepId('charge-time'),
        sheet,
        name: `Charge from ${Math.round(charge.fromSoc * 100)} %: time`,
        where: 'clock',
        switches: 'usual supply',
        dimension: 'time',
        ...within(charge.run.last.timeS, 0.2),
        from: 'charge worked out to its end, ± 20 %',
        ifLow: 'It was fuller than it says, or it ended early.',
        ifHigh: 'Something limits: see what holds it, in Charging.',
        endangers: 'comfort',
      }),
    );
  } else
    steps.push(
      unknown({
        id: stepId('end-voltage'),
        sheet,
        name: 'Voltage at the end of the charge',
        where: 'pack plus to minus at the charger',
        dimension: 'voltage',
        lacks: charge.missing.join(', '),
        caution: LIVE,
        endangers: 'fire',
      }),
    );
  return steps;
}

export function ancillarySteps({ vehicle }: Context): readonly Step[] {
  const { brakes = {}, schools, cooling = {} } = vehicle.build;
  const sheet = 'ancillaries' as const;
  const steps: Step[] = [];
  const vacuum = brakeVacuum(vehicle);
  if (vacuum) {
    const to = vacuum.toCutOutS !== null ? vacuum.fullPa : vacuum.toLeastS !== null ? vacuum.leastPa : null;
    const seconds = vacuum.toCutOutS ?? vacuum.toLeastS;
    if (to !== null && seconds !== null)
      steps.push(
        measure({
          id: stepId('pull-down'),
          sheet,
          name: 'Vacuum from nothing to where the pump ends',
          where: `gauge at the booster, to ${q(to, 'pressure')}`,
          switches: 'reservoir emptied by the pedal; key on, stop watch',
          dimension: 'time',
          ...within(seconds, 0.3),
          from: 'pump, volume and altitude, ± 30 %',
          ifLow: 'Less volume than entered, or the pump is stronger.',
          ifHigh: 'A leak, a weak pump, more hose; high up the pump gives less.',
        }),
      );
    steps.push(
      measure({
        id: stepId('vacuum-leak'),
        sheet,
        name: 'Vacuum lost in five minutes, pump off',
        where: 'gauge at the booster',
        switches: 'pump’s fuse out, pedal not touched',
        dimension: 'pressure',
        ...atMost(Math.max(brakes.leakPa ?? 0, 3000), brakes.leakPa ?? null),
        from: `as entered, never over ${q(3000, 'pressure')} (practice)`,
        ifHigh: 'Hose, clamp, check valve reversed, diaphragm: spray soap water and listen.',
        adopts: { subjectId: 'build', field: 'vacuumLeak', value: (read) => (read >= 0 ? read : null) },
      }),
      measure({
        id: stepId('dead-stops'),
        sheet,
        name: 'Assisted stops with the pump off',
        where: 'pedal, standing still',
        switches: 'pump’s fuse out, from full vacuum',
        dimension: 'count',
        expected: vacuum.fromFull.begun,
        low: Math.max(1, vacuum.fromFull.begun - 1),
        high: null,
        from: 'booster and reservoir: one less is still right',
        ifLow: 'Reservoir not joined, check valve reversed, a leak.',
      }),
    );
  } else if (schools.brakes === 'vacuum-pump')
    steps.push(
      unknown({
        id: stepId('pull-down'),
        sheet,
        name: 'Vacuum from nothing',
        where: 'gauge at the booster',
        dimension: 'time',
        lacks: 'the booster’s and the pump’s figures, in Ancillaries',
      }),
    );
  steps.push(
    look({
      id: stepId('brakes-cold'),
      sheet,
      name: 'Brakes hold without any help',
      where: 'pedal pressed hard, key out, no vacuum left',
      ifNot: 'Brakes are looked at by a licensed person before the road.',
    }),
    look({
      id: stepId('steering'),
      sheet,
      name: 'Steering from lock to lock, standing, as light as it should be',
      where: 'on the ground, tyres at their pressure',
      ifNot: 'Pump not enabled, rack dry, relief valve stuck: not on the road.',
    }),
  );
  const rack = rackFlow(vehicle);
  if (rack)
    steps.push(
      look({
        id: stepId('steering-off'),
        sheet,
        name: 'It can be steered with the help off',
        where: 'fuse of the pump out, rolling at walking pace',
        ifNot: 'It must still steer when the help fails.',
      }),
    );
  for (const heater of vehicle.devices) {
    if (heater.device.kind !== 'heater') continue;
    const part = partOf(heater, 'bus-device');
    const at = {
      id: stepId('heater', heater.id),
      sheet,
      name: `${heater.device.name}: power`,
      where: 'traction current times voltage, heater on less heater off',
      switches: 'ready, heating at full',
      dimension: 'power' as const,
      subjectId: heater.id,
      endangers: 'fire' as const,
    };
    steps.push(
      part
        ? measure({
            ...at,
            ...within(part.ratedPowerW, 0.25),
            from: 'its part, ± 25 %',
            ifLow: 'Cut-out open, an element dead, or low pack voltage.',
            ifHigh: 'Another element than was entered: fuse and cable were sized for less.',
            adopts: { subjectId: heater.id, field: 'ratedPowerW', value: (read) => (read > 0 ? read : null) },
          })
        : unknown({ ...at, lacks: 'its part' }),
      look({
        id: stepId('heater-cut-out', heater.id),
        sheet,
        name: `${heater.device.name}: cut-out opens it`,
        where: 'air or coolant held back, watched',
        ifNot: 'A heater that nothing stops burns the car.',
        caution: 'Extinguisher at hand.',
        endangers: 'fire',
        subjectId: heater.id,
      }),
    );
  }
  if (schools.cooling === 'liquid' || schools.cooling === 'chill-plate' || schools.heating === 'coolant-heater') {
    steps.push(
      look({
        id: stepId('bleed'),
        sheet,
        name: 'Coolant filled and bled, no air comes any more',
        where: 'header and bleeds, pump running',
        ifNot: 'Air in the loop cooks the inverter: bleed again at another angle.',
        endangers: 'parts',
      }),
    );
    if (cooling.flowLPerMin !== undefined)
      steps.push(
        measure({
          id: stepId('flow'),
          sheet,
          name: 'Coolant flow',
          where: 'bucket and watch at the return, or a flow meter',
          switches: 'pump as it runs',
          dimension: 'flow',
          ...within(cooling.flowLPerMin, 0.25),
          from: 'as entered in Ancillaries, ± 25 %',
          ifLow: 'Air, a kink, the pump the wrong way round.',
          ifHigh: 'A short cut past a part.',
          endangers: 'parts',
          adopts: { subjectId: 'build', field: 'coolantFlow', value: (read) => (read > 0 ? read : null) },
        }),
      );
  }
  return steps;
}

/** Consumption on a real road against the trip (engineering judgement). */
const ROAD_SHARE = 0.25;

export function roadSteps({ trip, tripKey }: Context): readonly Step[] {
  const sheet = 'road' as const;
  const steps: Step[] = [
    look({
      id: stepId('road-brakes'),
      sheet,
      name: 'Brakes first: straight, from walking pace, then faster',
      where: 'private ground, low power',
      ifNot: 'Back to the stands.',
    }),
    look({
      id: stepId('road-let-go'),
      sheet,
      name: 'Accelerator let go: it slows down, lamps as they should be',
      where: 'private ground',
      ifNot: 'Regeneration or pedal ends are set wrong.',
    }),
    look({
      id: stepId('road-feel'),
      sheet,
      name: 'After the first drive no lug, plug or fuse is hotter than its neighbours',
      where: 'thermometer gun at every joint, contactor, fuse',
      switches: 'covers off only after the dead-working routine',
      ifNot: 'A hot joint is a loose one: torque it dead.',
      dead: true,
      endangers: 'fire',
    }),
  ];
  const perKm = trip?.mild.energyPerKmWh ?? null;
  if (perKm !== null)
    steps.push(
      measure({
        id: stepId('consumption'),
        sheet,
        name: 'Consumption of the range run',
        where: 'energy out of the pack over the distance',
        switches: 'usual trip, from full',
        dimension: 'consumption',
        ...within(perKm, ROAD_SHARE),
        from: 'the usual trip as driven by the model on a mild day, ± 25 %',
        ifLow: 'Downhill, wind from behind; a good sign.',
        ifHigh: 'Brakes that drag, tyres soft, wind; or mass and drag are more than entered.',
        endangers: 'comfort',
      }),
    );
  else
    steps.push(
      unknown({
        id: stepId('consumption'),
        sheet,
        name: 'Consumption of the range run',
        where: 'energy out of the pack over the distance',
        dimension: 'consumption',
        lacks: tripKey === null ? 'the usual trip, in Drive' : 'the usual trip, which is being driven',
        pending: tripKey !== null,
        endangers: 'comfort',
      }),
    );
  steps.push(
    look({
      id: stepId('torque-100'),
      sheet,
      name: 'Torque list again after the first days',
      where: `every bolted joint of the traction circuit, after ${q(100000, 'distance')}`,
      switches: 'dead',
      ifNot: 'Tighten, mark, and look again after as much.',
      dead: true,
      endangers: 'fire',
    }),
    look({
      id: stepId('recheck-1000'),
      sheet,
      name: 'Everything looked over again',
      where: `cables, clamps, hoses, mounts, insulation, after ${q(1000000, 'distance')}`,
      switches: 'dead',
      ifNot: 'Mend it, and write it in the logbook.',
      dead: true,
      endangers: 'fire',
    }),
  );
  return steps;
}

export const handOverSteps = (): readonly Step[] => [
  look({
    id: stepId('licensed-brakes'),
    sheet: 'hand-over',
    name: 'Brakes and steering looked at by a licensed person',
    where: 'as local rules ask',
    ifNot: 'Not on the road before.',
  }),
  look({
    id: stepId('licensed-electric'),
    sheet: 'hand-over',
    name: 'Traction system looked at by whoever local rules ask for',
    where: 'with these sheets and the build pack',
    ifNot: 'Not handed over before.',
  }),
  look({
    id: stepId('owner-told'),
    sheet: 'hand-over',
    name: 'Owner knows how to charge, what the lamps mean, where to isolate',
    where: 'owner’s sheet and emergency card in the car',
    ifNot: 'Go through them together.',
    endangers: 'comfort',
  }),
];
