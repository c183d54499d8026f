import { calcBalance, calcCharge, calcPilot, calcProximity } from '@/core/calc';
import { type Chemistry, chargePoints } from '@/core/physics/cell';
import { CHEMISTRIES, figure, needed, type Sum } from './sum-types';

type Answer = ReturnType<Sum['run']>;
/** What a question does not ask about is null. */
const whole = (keys: readonly string[], { result, working }: Answer): Answer => ({
  result: { ...Object.fromEntries(keys.map((key) => [key, null])), ...(result as object) },
  working,
});

/** Pocket tools of charging: a charge, cells out of step, and what the plug’s contacts say. */
export const CHARGING_SUMS: readonly Sum[] = [
  {
    name: 'charge',
    title: 'Charge',
    about: 'From a socket into the pack: what binds, how long, and what the meter counts.',
    fields: [
      { key: 'chemistry', label: 'Cells', choices: CHEMISTRIES },
      figure('cellsInSeries', 'In series', 'count', needed),
      figure('capacityAh', 'Pack', 'charge', needed),
      figure('packResistanceOhm', 'Pack inside', 'resistance', needed),
      figure('socStart', 'Begins at', 'ratio', { needed: true, unit: '%' }),
      figure('acVoltageV', 'Supply, to neutral', 'voltage', needed),
      figure('acCurrentLimitA', 'Supply gives', 'current', needed),
      figure('acPhases', 'Phases', 'count'),
      figure('chargerMaxPowerW', 'Charger’s output', 'power', needed),
      figure('chargerMaxCurrentA', 'Charger’s current', 'current', needed),
      figure('chargerEfficiency', 'Charger’s efficiency', 'ratio', { needed: true, unit: '%' }),
      figure('chargeVoltagePerCellV', 'Ends at, per cell', 'voltage', needed),
      figure('cutoffCurrentA', 'Ends below', 'current', needed),
      {
        key: 'cutoffMeasuredAt',
        label: '… measured',
        choices: [
          ['pack', 'into the pack'],
          ['charger', 'out of the charger'],
        ],
      },
      figure('auxiliaryPowerW', 'Runs meanwhile', 'power'),
    ],
    start: {
      chemistry: 'lfp',
      cellsInSeries: 40,
      capacityAh: 180,
      packResistanceOhm: 0.03,
      socStart: 0.2,
      acVoltageV: 230,
      acCurrentLimitA: 10,
      acPhases: 1,
      chargerMaxPowerW: 3000,
      chargerMaxCurrentA: 25,
      chargerEfficiency: 0.93,
      chargeVoltagePerCellV: 3.55,
      cutoffCurrentA: 9,
      cutoffMeasuredAt: 'pack',
      auxiliaryPowerW: 60,
    },
    figures: [
      { key: 'initialPackCurrentA', label: 'Into the pack at first', dimension: 'current' },
      { key: 'initialLimit', label: 'Held back by' },
      { key: 'timeTo80PercentS', label: 'To 80 %', dimension: 'time', never: 'never' },
      { key: 'timeToConstantVoltageS', label: 'Taper begins after', dimension: 'time', never: 'never' },
      {
        key: 'timeToCutoffS',
        label: 'Ends after',
        dimension: 'time',
        never: 'never: it has to be ended by hand or by a timer',
      },
      { key: 'acEnergyToCutoffJ', label: 'From the wall', dimension: 'energy', never: '–' },
    ],
    run: ({ chemistry, ...values }) =>
      calcCharge({
        ...(values as never as Parameters<typeof calcCharge>[0]),
        ocvCurve: chargePoints(chemistry as Chemistry),
      }),
    caution:
      'A long charge loads a socket as nothing else does: feel the plug after half an hour, and charge on a circuit of its own.',
  },
  {
    name: 'balance',
    title: 'Cells out of step',
    about: 'One cell is lower than the rest: how long shunts take to even them out.',
    fields: [
      {
        key: 'mode',
        label: 'How',
        choices: [
          ['bleed-at-rest', 'bled at rest'],
          ['top-throttled', 'at the top, charger falls'],
          ['top-unthrottled', 'at the top, charger goes on'],
        ],
      },
      figure('count', 'Cells in the string', 'count', needed),
      figure('capacityAh', 'Each', 'charge', needed),
      figure('soc', 'They stand at', 'ratio', { needed: true, unit: '%' }),
      figure('lowSoc', 'The low one at', 'ratio', { needed: true, unit: '%' }),
      figure('balanceCurrentA', 'Shunt', 'current', needed),
      figure('balanceDuty', '… works', 'ratio', { unit: '%' }),
      figure('socTolerance', 'Even within', 'ratio', { unit: '%' }),
      figure('chargeCurrentA', 'Charger', 'current'),
      figure('cellVoltageLimitV', 'No cell above', 'voltage'),
      figure('ocvAtFullV', 'A full cell stands at', 'voltage'),
      figure('ocvSlopeAboveFullVPerSoc', '… and rises by, per full charge', 'voltage'),
    ],
    start: {
      mode: 'top-unthrottled',
      count: 40,
      capacityAh: 180,
      soc: 0.99,
      lowSoc: 0.97,
      balanceCurrentA: 0.5,
      balanceDuty: 1,
      socTolerance: 0.005,
      chargeCurrentA: 5,
      cellVoltageLimitV: 3.8,
      ocvAtFullV: 3.4,
      ocvSlopeAboveFullVPerSoc: 40,
    },
    figures: [
      { key: 'timeToBalancedS', label: 'Even after', dimension: 'time', never: 'never' },
      { key: 'timeUntilAllFullS', label: 'All full after', dimension: 'time', never: 'never' },
      { key: 'timeUntilFirstOverLimitS', label: 'First over its limit after', dimension: 'time', never: 'never' },
      { key: 'lowestSocThen', label: 'The low one then at', dimension: 'ratio' },
      { key: 'largestSafeChargeCurrentA', label: 'Safe up to', dimension: 'current', never: 'any current' },
    ],
    run: ({ count, capacityAh, soc, lowSoc, ...values }) =>
      calcBalance({
        ...(values as never as Parameters<typeof calcBalance>[0]),
        cells: Array.from({ length: Math.max(1, Math.min(2000, Math.round(Number(count)))) }, (_, k) => ({
          capacityAh: Number(capacityAh),
          soc: Number(k === 0 ? lowSoc : soc),
        })),
      }),
    caution:
      'A charger that does not fall to the shunt current overcharges the first full cell: it must obey the cells.',
  },
  {
    name: 'pilot',
    title: 'Control pilot',
    about: 'What the pilot of a charging cable says, from its duty or its circuit.',
    fields: [
      {
        key: 'asked',
        label: 'Known is',
        choices: [
          ['duty', 'its duty'],
          ['voltage', 'its voltage'],
          ['circuit', 'its circuit'],
        ],
      },
      figure('dutyPercent', 'Duty, in per cent', 'count'),
      figure('voltageV', 'Positive half, measured', 'voltage'),
      figure('supplyVoltageV', 'Generator, plus and minus', 'voltage'),
      figure('sourceResistanceOhm', '… behind', 'resistance'),
      figure('vehicleResistanceOhm', 'In the vehicle', 'resistance'),
      figure('diodeDropV', 'Its diode drops', 'voltage', { note: 'empty: there is none' }),
    ],
    start: {
      asked: 'circuit',
      dutyPercent: 25,
      voltageV: 6,
      supplyVoltageV: 12,
      sourceResistanceOhm: 1000,
      vehicleResistanceOhm: 882,
      diodeDropV: 0.7,
    },
    figures: [
      { key: 'currentA', label: 'Allows', dimension: 'current', never: '–' },
      { key: 'state', label: 'State', never: '–' },
      { key: 'highV', label: 'Positive half', dimension: 'voltage', never: '–' },
      { key: 'lowV', label: 'Negative half', dimension: 'voltage', never: '–' },
      { key: 'faulty', label: 'A fault', never: '–' },
    ],
    run: ({ asked, dutyPercent, voltageV, ...circuit }) =>
      whole(
        ['currentA', 'state', 'highV', 'lowV', 'faulty'],
        calcPilot(
          asked === 'duty'
            ? { dutyPercent: dutyPercent as number }
            : asked === 'voltage'
              ? { voltageV: voltageV as number }
              : (circuit as Parameters<typeof calcPilot>[0]),
        ),
      ),
  },
  {
    name: 'proximity',
    title: 'Proximity contact',
    about: 'What the plug says of its latch, or of its cable.',
    fields: [
      {
        key: 'system',
        label: 'Plug',
        choices: [
          ['type2', 'type 2'],
          ['j1772', 'type 1 (J1772)'],
        ],
      },
      figure('resistanceOhm', 'Proximity to earth', 'resistance', { note: 'empty: nothing is plugged in' }),
    ],
    start: { system: 'type2', resistanceOhm: 220 },
    figures: [
      { key: 'meaning', label: 'Says' },
      { key: 'currentA', label: 'Cable carries', dimension: 'current', never: 'it does not say' },
      { key: 'voltageV', label: 'At the vehicle', dimension: 'voltage', never: '–' },
    ],
    run: (values) => whole(['voltageV'], calcProximity(values as never as Parameters<typeof calcProximity>[0])),
  },
];
