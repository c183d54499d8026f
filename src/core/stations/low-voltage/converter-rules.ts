import { hasTrait } from '../../build';
import { type Finding, marginAtMost, quantityText as q, type Ref } from '../../checks';
import { CHEMISTRY_WORDS, SET_VOLTAGES } from '../../parts';
import * as propose from '../../proposals';
import { HOT_SHARE, lowVoltage, solveLow, type Vehicle } from '../../vehicle';
import { amps, deviceRef, volts, watts } from '../context';
import { defineRule, type Rule } from '../define';
import { hardest, lowResults } from './results';
import { SCENARIO_WHEN } from './shared';

/** In hand over the average, and what charges an emptied battery, as a share of its capacity an hour (reference of the trade). */
const IN_HAND = 1.2;
const RECHARGE_PER_HOUR = 0.1;

const converterSize = defineRule({
  id: 'lv.converter-size',
  endangers: 'parts',
  says: {
    fails: '{subject} is too small for the 12-volt side',
    holds: '{subject} feeds the 12-volt side',
    line: '{demand} of {limit} {scenario}',
    open: '{subject}, 12-volt side',
  },
  sources: ['Average of the hardest scenario and a tenth of C for the battery, with a fifth in hand (practice)'],
  judge: ({ vehicle }) => {
    const low = lowVoltage(vehicle);
    if (low.loads.length === 0) return [];
    const first = low.converters[0];
    const results = lowResults(vehicle);
    if (!first) {
      const device = vehicle.devices.find(({ device: one }) => hasTrait(one.kind, 'feeds-12-v'));
      const subject: Ref = device ? deviceRef(device) : { kind: 'build', id: 'converter', name: 'Converter' };
      return [{ subject, missing: [{ ref: subject, what: 'its output and power on the 12-volt side' }] }];
    }
    const worst = hardest(results);
    const recharge = RECHARGE_PER_HOUR * (low.battery?.data?.capacityAh ?? 0);
    const demand = (IN_HAND * worst.averageA + recharge) * first.outputV;
    const limit = low.converters.reduce((sum, { powerW }) => sum + powerW, 0);
    return [
      {
        subject: { kind: 'device', id: first.id, name: first.device.name },
        demand: watts(demand),
        limit: watts(limit),
        margin: marginAtMost(demand, limit),
        figures: { scenario: SCENARIO_WHEN[worst.id] },
        assumed: low.converters.flatMap(({ device }) =>
          device.converter?.hotShare === undefined
            ? [`${device.name} gives ${Math.round(100 * HOT_SHARE)} % of its rating when it is hot (generic).`]
            : [],
        ),
        lines: () => [
          {
            formula: 'P = (1.2 · I_average + 0.1 · C) · V',
            figures: `(1.2 · ${q(worst.averageA, 'current')} + ${q(recharge, 'current')}) · ${q(first.outputV, 'voltage')}`,
            result: watts(demand),
            note: `Asked most ${SCENARIO_WHEN[worst.id]}. ${first.powerW < first.ratedPowerW ? `${q(first.ratedPowerW, 'power')} rated, ${q(first.powerW, 'power')} left in the heat.` : ''}`,
          },
        ],
      },
    ];
  },
  remedies: [propose.largerConverter],
  otherwise: 'A larger converter, or fewer loads at a time.',
});

const converterVoltage = defineRule({
  id: 'lv.converter-voltage',
  endangers: 'parts',
  says: {
    fails: '{subject} is set wrong for the battery',
    holds: '{subject}, set voltage',
    line: '{demand}, {battery} wants about {limit}',
  },
  sources: ['Set voltage by chemistry: lead 13.8, AGM 14.2, 4S LFP 13.8–14.0 V (reference of the trade)'],
  judge: ({ vehicle }) => {
    const low = lowVoltage(vehicle);
    const data = low.battery?.data;
    if (!data) return [];
    const [least, usual, most] = SET_VOLTAGES[data.chemistry];
    return low.converters.map(({ id, device, outputV }): Finding<'battery'> => {
      const edge = Math.min(outputV - least, most - outputV);
      return {
        subject: { kind: 'device', id, name: device.name },
        demand: volts(outputV),
        limit: volts(usual),
        margin: edge / (most - least),
        figures: { battery: CHEMISTRY_WORDS[data.chemistry] },
        lines: () => [
          {
            formula: 'nearer edge / width of the window',
            figures: `${q(least, 'voltage')} … ${q(most, 'voltage')}`,
            result: { value: edge / (most - least), dimension: 'ratio' },
          },
        ],
      };
    });
  },
  remedies: [propose.setVoltage],
});

/** Drop between converter and battery at its full current, out and back (reference of the trade). */
const TO_BATTERY_V = 0.3;

const converterDrop = defineRule({
  id: 'lv.converter-drop',
  endangers: 'parts',
  says: {
    fails: 'The way from {subject} to the battery drops too much',
    holds: '{subject} to the battery',
    line: '{demand} of {limit} at {current}',
    open: '{subject} to the battery',
  },
  sources: [
    'Converter to battery at most 0.3 V at full current, out and back: else the battery is never full (practice)',
  ],
  judge: ({ vehicle }) => {
    const low = lowVoltage(vehicle);
    if (!low.battery?.data || low.converters.length === 0) return [];
    const batteryId = low.battery.device.id;
    return low.converters.flatMap((converter): Finding<'current'>[] => {
      const joined = low.lv.conductors.some(({ nodeA, nodeB }) => [nodeA, nodeB].includes(`${converter.id}.lvPlus`));
      const subject: Ref = { kind: 'device', id: converter.id, name: converter.device.name };
      if (!joined) return [{ subject, missing: [{ ref: subject, what: 'its wires to the battery' }] }];
      const fullA = converter.powerW / converter.outputV;
      const ohm = loopOhm(vehicle, converter.id, batteryId);
      if (ohm === null) return [{ subject, missing: [{ ref: subject, what: 'a closed way to the battery and back' }] }];
      const demand = fullA * ohm;
      return [
        {
          subject,
          demand: volts(demand),
          limit: volts(TO_BATTERY_V),
          margin: marginAtMost(demand, TO_BATTERY_V),
          figures: { current: amps(fullA) },
          lines: () => [
            {
              formula: 'ΔV = P / V · R, out and back, hot',
              figures: `${q(converter.powerW, 'power')} / ${q(converter.outputV, 'voltage')} · ${q(ohm, 'resistance')}`,
              result: volts(demand),
            },
          ],
        },
      ];
    });
  },
  remedies: [propose.converterWay],
});

/** Resistance of the way from a converter to the battery and back, Ω: from the network with the battery as the only load. Null: not joined. */
function loopOhm(vehicle: Vehicle, converterId: string, batteryId: string): number | null {
  const setting = {
    running: new Map(),
    converters: true,
    socBattery: 0.5,
    batteryC: 25,
    awake: true,
  } as const;
  const one = solveLow(vehicle, setting);
  if (!one.solved) return null;
  const through = one.converterA.get(converterId) ?? 0;
  if (!(through > 1e-6)) return null;
  const { nodeVoltagesV: v } = one.point;
  const drop =
    (v.get(`${converterId}.lvPlus`) ?? 0) -
    (v.get(`${converterId}.lvMinus`) ?? 0) -
    ((v.get(`${batteryId}.plus`) ?? 0) - (v.get(`${batteryId}.minus`) ?? 0));
  return drop / through;
}

/** What is on while driving: parked and charging are no load of the drive. */
const DRIVING = ['night-rain-cold', 'day', 'parking'] as const;
/** An entered power is an average that somebody estimated: so much above it is taken for the same (engineering judgement). */
const ESTIMATE = 1.25;

/** Range, fuses and cables of the traction side count with what is entered for the converter; this side knows what it asks of it. */
const converterDraw = defineRule({
  id: 'lv.converter-draw',
  endangers: 'parts',
  says: {
    fails: '{subject} is entered with less than its loads draw',
    holds: '{subject}, power entered',
    line: '{demand} from the bus {scenario}, {limit} entered',
  },
  // Above what is entered, though within the estimate, is thin.
  comfort: 1 - 1 / ESTIMATE,
  sources: [
    'P_bus = V · I_average / η of the 12-volt side’s own schedule, driving, within a quarter of what is entered',
  ],
  judge: ({ vehicle }) => {
    const low = lowVoltage(vehicle);
    const [first] = low.converters;
    if (low.loads.length === 0 || !first) return [];
    const entered = low.converters.map(({ id }) => vehicle.deviceOf.get(id)?.device.powersW?.cruise ?? 0);
    // Power that is not entered is asked for where the device is judged.
    if (!entered.every((powerW) => powerW > 0)) return [];
    const worst = hardest(lowResults(vehicle), DRIVING);
    // Which of them gives how much is not told: the poorest efficiency is taken for all.
    const efficiency = Math.min(...low.converters.map((one) => one.efficiency));
    const demand = (worst.averageA * first.outputV) / efficiency;
    const told = entered.reduce((sum, powerW) => sum + powerW, 0);
    return [
      {
        subject: { kind: 'device', id: first.id, name: first.device.name },
        demand: watts(demand),
        limit: watts(told),
        margin: marginAtMost(demand, ESTIMATE * told),
        figures: { scenario: SCENARIO_WHEN[worst.id] },
        lines: () => [
          {
            formula: 'P_bus = V · I_average / η',
            figures: `${q(first.outputV, 'voltage')} · ${q(worst.averageA, 'current')} / ${q(efficiency, 'ratio')}`,
            result: watts(demand),
            note: `Entered for cruise: ${q(told, 'power')}; ${q(ESTIMATE * told, 'power')} is taken for the same.`,
          },
        ],
      },
    ];
  },
  remedies: [propose.enterDraw],
  otherwise: 'Enter what the 12-volt side draws as the converter’s power in cruise.',
});

/** Converters that feed the 12-volt side. */
export const CONVERTER_RULES: readonly Rule[] = [converterSize, converterDraw, converterVoltage, converterDrop];
