import { type Finding, marginAtLeast, marginAtMost, quantityText as q } from '../../checks';
import { BALANCE_LEAST_V, cellExtremes } from '../../physics/cell-care';
import { temperaturesOf } from '../../physics/cell-limits';
import { chargersOf } from '../../simulate';
import { partOf, type SolvedState, solvedStates, terminalVoltage, type Vehicle } from '../../vehicle';
import { corner, packMustDeliver, volts } from '../context';
import { defineRule, type Rule } from '../define';
import { CELLS_REF, cellsOf, electronic, lithiumIn, watches } from './shared';

const told = (vehicle: Vehicle) => vehicle.build.bms ?? {};
const missing = (...what: readonly string[]): Finding => ({
  subject: CELLS_REF,
  missing: what.map((one) => ({ ref: CELLS_REF, what: one })),
});
/** Regulators have a voltage too, but no stop for driving. */
const hasLimits = (vehicle: Vehicle): boolean => lithiumIn(vehicle) && electronic(vehicle);

const over = defineRule({
  id: 'bms.over-voltage',
  endangers: 'fire',
  says: {
    fails: 'Charging stops above what a cell bears',
    holds: 'Charging stops in time',
    line: '{demand} a cell, at most {limit}',
    open: 'Where charging stops',
  },
  comfort: 0,
  sources: ['Highest voltage of a cell by its chemistry (generic; a data sheet wins)'],
  judge: ({ vehicle }) => {
    if (!hasLimits(vehicle)) return [];
    const { overV } = told(vehicle);
    if (overV === undefined) return [missing('the cell voltage at which charging stops')];
    const limit = Math.min(...cellsOf(vehicle).map(({ chemistry }) => cellExtremes(chemistry).mostV));
    return [{ subject: CELLS_REF, demand: volts(overV), limit: volts(limit), margin: marginAtMost(overV, limit) }];
  },
  remedies: [({ vehicle }) => [{ edit: 'setFigure', input: { figure: 'cellOver', value: stopFor(vehicle) } }]],
});

/** Between the charge voltage and what no cell may pass, V. */
function stopFor(vehicle: Vehicle): number {
  const cells = cellsOf(vehicle);
  const most = Math.min(...cells.map(({ chemistry }) => cellExtremes(chemistry).mostV));
  const full = Math.max(...cells.map(({ fullV }) => fullV));
  return Math.round(Math.min(most, full + 0.6 * (most - full)) * 1000) / 1000;
}

const under = defineRule({
  id: 'bms.under-voltage',
  endangers: 'parts',
  says: {
    fails: 'Driving stops below what a cell bears',
    holds: 'Driving stops in time',
    line: '{demand} a cell, at least {limit}',
    open: 'Where driving stops',
  },
  comfort: 0,
  sources: ['Lowest voltage of a cell by its chemistry (generic; a data sheet wins)'],
  judge: ({ vehicle }) => {
    if (!hasLimits(vehicle)) return [];
    const { underV } = told(vehicle);
    if (underV === undefined) return [missing('the cell voltage at which driving stops')];
    const limit = Math.max(...cellsOf(vehicle).map(({ chemistry }) => cellExtremes(chemistry).leastV));
    return [{ subject: CELLS_REF, demand: volts(underV), limit: volts(limit), margin: marginAtLeast(underV, limit) }];
  },
  remedies: [
    ({ vehicle }) => [
      {
        edit: 'setFigure',
        input: { figure: 'cellUnder', value: Math.max(...cellsOf(vehicle).map(({ emptyV }) => emptyV)) },
      },
    ],
  ],
});

const order = defineRule({
  id: 'bms.limits-agree',
  endangers: 'parts',
  says: {
    fails: 'Limits of the battery management contradict each other',
    holds: 'Limits agree with each other',
    line: '{detail}',
  },
  sources: ['A limit is released on its own side of itself, balancing begins below the stop (practice)'],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (!watches(vehicle) || vehicle.build.bms === undefined) return [];
    const { overV, overReleaseV, underV, underReleaseV, balanceFromV, chargeFromC, chargeToC } = told(vehicle);
    const v = (value: number) => q(value, 'voltage');
    const wrong = [
      ...(overV !== undefined && underV !== undefined && underV >= overV
        ? [`driving stops at ${v(underV)}, above ${v(overV)} where charging stops`]
        : []),
      ...(overV !== undefined && overReleaseV !== undefined && overReleaseV >= overV
        ? [`charging goes on at ${v(overReleaseV)}, not below its stop`]
        : []),
      ...(underV !== undefined && underReleaseV !== undefined && underReleaseV <= underV
        ? [`driving goes on at ${v(underReleaseV)}, not above its stop`]
        : []),
      ...(overReleaseV !== undefined && underV !== undefined && overReleaseV <= underV
        ? [`charging goes on only at ${v(overReleaseV)}, below where driving stops`]
        : []),
      ...(underReleaseV !== undefined && overV !== undefined && underReleaseV >= overV
        ? [`driving goes on only at ${v(underReleaseV)}, above where charging stops`]
        : []),
      ...(overV !== undefined && balanceFromV !== undefined && balanceFromV >= overV
        ? [`balancing begins at ${v(balanceFromV)}, after charging has stopped`]
        : []),
      ...(chargeFromC !== undefined && chargeToC !== undefined && chargeFromC >= chargeToC
        ? ['it charges from a temperature above the one it charges up to']
        : []),
    ];
    return [
      { subject: CELLS_REF, holds: wrong.length === 0, figures: { detail: wrong.join('; ') || 'each on its side' } },
    ];
  },
  remedies: 'Set the figures that are named so that each release lies on the safe side of its stop.',
});

/** Coldest that every cell of the pack may be charged at, °C. */
const coldestC = (vehicle: Vehicle): number =>
  Math.max(...cellsOf(vehicle).map((cell) => temperaturesOf(cell, 'charge')[0]));
/** Hottest that every cell of the pack may be charged or discharged at, °C. */
const hottestC = (vehicle: Vehicle, way: 'charge' | 'discharge'): number =>
  Math.min(...cellsOf(vehicle).map((cell) => temperaturesOf(cell, way)[1]));

const HOT_SOURCES = [
  'Hot cells age fast, gas and end in fire; what they bear by their part, else by their chemistry (battery reference of the trade)',
];

/** A stop in the heat against what the cells bear, by kelvins: ten of them are a whole margin. */
function hotStop(vehicle: Vehicle, way: 'charge' | 'discharge', setC: number | undefined, what: string): Finding[] {
  if (!hasLimits(vehicle)) return [];
  if (setC === undefined) return [missing(what)];
  const limit = hottestC(vehicle, way);
  return [
    {
      subject: CELLS_REF,
      demand: { value: setC, dimension: 'temperature' },
      limit: { value: limit, dimension: 'temperature' },
      margin: (limit - setC) / 10,
    },
  ];
}

const hotCharge = defineRule({
  id: 'bms.hot-charge',
  endangers: 'fire',
  says: {
    fails: 'Charging goes on hotter than the cells bear',
    holds: 'Charging is stopped in the heat',
    line: 'up to {demand}, at most {limit}',
    open: 'Hottest that is charged',
  },
  comfort: 0,
  sources: HOT_SOURCES,
  judge: ({ vehicle }) =>
    hotStop(vehicle, 'charge', told(vehicle).chargeToC, 'the cell temperature up to which it charges'),
  remedies: [
    ({ vehicle }) => [{ edit: 'setFigure', input: { figure: 'cellChargeTo', value: hottestC(vehicle, 'charge') } }],
  ],
});

const hotDrive = defineRule({
  id: 'bms.hot-drive',
  endangers: 'fire',
  says: {
    fails: 'Driving goes on hotter than the cells bear',
    holds: 'Driving is stopped in the heat',
    line: 'up to {demand}, at most {limit}',
    open: 'Hottest that is driven',
  },
  comfort: 0,
  sources: HOT_SOURCES,
  judge: ({ vehicle }) =>
    hotStop(vehicle, 'discharge', told(vehicle).dischargeToC, 'the cell temperature up to which it drives'),
  remedies: [
    ({ vehicle }) => [
      { edit: 'setFigure', input: { figure: 'cellDischargeTo', value: hottestC(vehicle, 'discharge') } },
    ],
  ],
});

const cold = defineRule({
  id: 'bms.cold-charge',
  endangers: 'fire',
  says: {
    fails: 'Charging is let in below what the cells bear',
    holds: 'Charging is stopped in the cold',
    line: 'from {demand}, at least {limit}',
    open: 'Coldest that is charged',
  },
  comfort: 0,
  sources: [
    'Lithium cells plate metal when they are charged too cold (LTO excepted): the cell’s part, else its chemistry',
  ],
  judge: ({ vehicle }) => {
    if (!hasLimits(vehicle)) return [];
    const { chargeFromC } = told(vehicle);
    if (chargeFromC === undefined) return [missing('the cell temperature from which it charges')];
    const limit = coldestC(vehicle);
    return [
      {
        subject: CELLS_REF,
        demand: { value: chargeFromC, dimension: 'temperature' },
        limit: { value: limit, dimension: 'temperature' },
        // Temperatures by kelvins: ten of them are a whole margin.
        margin: (chargeFromC - limit) / 10,
      },
    ];
  },
  remedies: [
    ({ vehicle }) => [
      {
        edit: 'setFigure',
        input: {
          figure: 'cellChargeFrom',
          value: coldestC(vehicle),
        },
      },
    ],
  ],
});

const chargeEnd = defineRule({
  id: 'bms.charge-end',
  endangers: 'comfort',
  says: {
    fails: 'The first full cell stops each charge',
    holds: 'The charge ends before a cell is stopped',
    line: '{demand} a cell, stopped at {limit}',
  },
  comfort: 0.005,
  sources: ['What the charger is set to for each cell against the stop of the battery management'],
  judge: ({ vehicle }) => {
    const { overV } = told(vehicle);
    const set = vehicle.build.charging?.cellV;
    if (!watches(vehicle) || overV === undefined || set === undefined || chargersOf(vehicle).length === 0) return [];
    return [
      {
        subject: CELLS_REF,
        demand: volts(set),
        limit: volts(overV),
        margin: marginAtMost(set, overV),
        lines: () => [
          { formula: 'U_set / N < U_stop', figures: `${q(set, 'voltage')} against ${q(overV, 'voltage')}` },
        ],
      },
    ];
  },
  remedies: 'Charge each cell a little lower, or a later stop that the cells bear.',
});

const balanceStart = defineRule({
  id: 'bms.balance-start',
  endangers: 'parts',
  says: {
    fails: 'Balancing never begins',
    holds: 'Balancing begins before the charge ends',
    line: 'from {demand}, charged to {limit}',
    open: 'Where balancing begins',
  },
  variants: {
    flat: {
      fails: 'Balancing begins where the curve is flat',
      holds: 'Balancing begins where the curve is steep',
      line: 'from {demand}, not below {limit}',
    },
  },
  comfort: 0,
  sources: [
    'Shunts work above their voltage: a charge that ends below it never balances',
    'LFP looks balanced at rest and is not: voltages tell cells apart near full only',
  ],
  judge: ({ vehicle }): Finding<never, 'flat'>[] => {
    if (!watches(vehicle) || !lithiumIn(vehicle) || vehicle.build.schools.balance === 'bottom') return [];
    const { balanceFromV } = told(vehicle);
    if (balanceFromV === undefined)
      return [missing('the cell voltage from which it balances') as Finding<never, 'flat'>];
    const least = Math.max(0, ...cellsOf(vehicle).map(({ chemistry }) => BALANCE_LEAST_V[chemistry] ?? 0));
    if (balanceFromV < least)
      return [
        {
          subject: CELLS_REF,
          variant: 'flat',
          demand: volts(balanceFromV),
          limit: volts(least),
          margin: marginAtLeast(balanceFromV, least),
        },
      ];
    const set = vehicle.build.charging?.cellV;
    if (set === undefined) return [];
    return [
      { subject: CELLS_REF, demand: volts(balanceFromV), limit: volts(set), margin: marginAtMost(balanceFromV, set) },
    ];
  },
  remedies: 'Balance from a little below the charge voltage; for LFP from about 3.4 V upward.',
});

const taper = defineRule({
  id: 'bms.taper',
  endangers: 'fire',
  says: {
    fails: 'The charger gives more than the shunts take',
    holds: 'The charger falls to what the shunts take',
    line: '{demand} at the end, shunts {limit}',
    open: 'Charger and shunts at the end of charge',
  },
  comfort: 0,
  sources: [
    'Regulators alone: a full cell rises with what its shunt does not take, until the charger is down to the shunt current',
  ],
  judge: ({ vehicle }) => {
    // Where a full cell ends the charge, shunts need not hold it.
    if (vehicle.build.schools.bms !== 'shunts' || chargersOf(vehicle).length === 0 || !lithiumIn(vehicle)) return [];
    const { balanceA, throttlesCharger, stopsCharger } = told(vehicle);
    // Where a full cell ends the charge it need not be held: `bms.stops-charger` says that it does.
    if (stopsCharger === true && throttlesCharger !== true) return [];
    const set = vehicle.build.charging?.cutoffA;
    const held = throttlesCharger === true;
    const open = [
      ...(balanceA === undefined ? ['the shunt current'] : []),
      ...(set === undefined && !held ? ['the current at which the charger ends'] : []),
    ];
    if (balanceA === undefined || (set === undefined && !held)) return [missing(...open)];
    const end = held ? Math.min(set ?? balanceA, balanceA) : set!;
    return [
      {
        subject: CELLS_REF,
        demand: { value: end, dimension: 'current' },
        limit: { value: balanceA, dimension: 'current' },
        margin: marginAtMost(end, balanceA),
        assumed: held ? ['The regulators hold the charger down to what they take, as told.'] : [],
      },
    ];
  },
  remedies:
    'A link from the regulators to the charger, a charger that tapers to the shunt current, or stronger shunts.',
});

const stopsWhileDriving = defineRule({
  id: 'bms.stops-driving',
  endangers: 'people',
  says: {
    fails: 'Battery management stops the car under load',
    holds: 'No cell is stopped under load',
    line: '{demand} a cell in {state}, stopped at {limit}',
  },
  comfort: 0.05,
  sources: ['Operating points of all states and corners against the stop of the battery management'],
  judge: ({ vehicle }): Finding<'state'>[] => {
    const { underV } = told(vehicle);
    if (!hasLimits(vehicle) || underV === undefined) return [];
    const waitsFor = packMustDeliver(vehicle);
    if (waitsFor) return [{ subject: CELLS_REF, waitsFor }];
    let worst: { readonly v: number; readonly solved: SolvedState } | null = null;
    for (const box of vehicle.devices) {
      const series = box.device.cellsInSeries;
      if (box.device.kind !== 'box' || !series || !partOf(box, 'cell')) continue;
      for (const solved of solvedStates(vehicle)) {
        const v = terminalVoltage(
          solved,
          { deviceId: box.id, terminal: 'plus' },
          { deviceId: box.id, terminal: 'minus' },
        );
        if (v !== null && (!worst || v / series < worst.v)) worst = { v: v / series, solved };
      }
    }
    if (!worst) return [];
    return [
      {
        subject: CELLS_REF,
        case: worst.solved.id,
        demand: volts(worst.v),
        limit: volts(underV),
        margin: marginAtLeast(worst.v, underV),
        figures: { state: corner(worst.solved) },
      },
    ];
  },
  remedies:
    'Stop driving earlier by charge, a lower stop that the cells bear, less power in the cold, or stronger cells.',
});

export const LIMIT_RULES: readonly Rule[] = [
  over,
  under,
  order,
  cold,
  hotCharge,
  hotDrive,
  chargeEnd,
  balanceStart,
  taper,
  stopsWhileDriving,
];
