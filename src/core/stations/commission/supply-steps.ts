import { quantityText as q } from '../../checks';
import { CHARGER_EFFICIENCY, chargersOf, coilsA, vehicleCharge } from '../../simulate';
import { lowVoltage } from '../../vehicle';
import type { Context } from '../context';
import { atMost, LIVE, look, measure, type Step, stepId, unknown, within } from './step';

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
