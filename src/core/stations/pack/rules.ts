import { hasTrait } from '../../build';
import { type Finding, marginAtLeast, marginAtMost, quantityText as q } from '../../checks';
import { openCircuitVoltage } from '../../physics/cell';
import * as propose from '../../proposals';
import type { Quantity } from '../../quantities';
import {
  boxSource,
  devicePowerW,
  packStrings,
  partOf,
  type SolvedCase,
  type SolvedState,
  solvedStates,
  terminalVoltage,
  untoldBoxes,
} from '../../vehicle';
import {
  amps,
  type Context,
  corner,
  deviceRef,
  fullOnly,
  NEEDS_CELLS,
  PACK_REF,
  packMustDeliver,
  powerFrom,
  volts,
  watts,
  windows,
  worstCurrent,
} from '../context';
import { defineRule, type Rule } from '../define';
import { coolingAt } from '../thin-air';
import { CELL_RULES } from './cell-rules';
import { PLACE_RULES } from './place-rules';
import { STRING_RULES } from './string-rules';
import { TRAILER_RULES } from './trailer-rules';

const SOLVED = 'Nodal solution of the circuit in every state and corner';

const present = defineRule({
  id: 'pack.present',
  endangers: 'fire',
  says: { fails: 'There are no cells yet', holds: 'Cells are chosen', line: '{detail}', open: 'Cells' },
  sources: ['Cells of every box, as told in Pack'],
  judge: ({ vehicle }) => {
    const boxes = vehicle.devices.filter(({ device }) => device.kind === 'box');
    const bare = untoldBoxes(vehicle);
    if (boxes.length === 0) return [{ subject: PACK_REF, missing: NEEDS_CELLS }];
    return [
      bare.length > 0
        ? { subject: PACK_REF, missing: bare.map((box) => ({ ref: deviceRef(box), what: 'cells' })) }
        : {
            subject: PACK_REF,
            holds: true,
            figures: { detail: `${boxes.length} ${boxes.length === 1 ? 'box' : 'boxes'}` },
          },
    ];
  },
  remedies: 'Choose the cells of every box, and how many, in Pack.',
});

const askedW = (vehicle: Context['vehicle'], solved: SolvedCase): number =>
  vehicle.devices.reduce((sum, device) => sum + Math.max(0, devicePowerW(vehicle, device, solved.state.id)), 0);

const delivers = defineRule({
  id: 'pack.delivers',
  endangers: 'comfort',
  says: {
    fails: '{subject} can’t give the power asked',
    holds: '{subject} gives the power asked',
    line: 'asked {demand}, it can give {limit}',
    open: 'Power of {subject}',
  },
  sources: [SOLVED, 'Greatest power: the load factor at which the operating point vanishes'],
  judge: ({ vehicle }) => {
    const candidates = vehicle.cases.filter((solved) => solved.point.maximumLoadFactor !== null);
    if (candidates.length === 0) return [];
    const solved = candidates.reduce((worst, next) =>
      next.point.maximumLoadFactor! < worst.point.maximumLoadFactor! ? next : worst,
    );
    const factor = solved.point.maximumLoadFactor!;
    const asked = askedW(vehicle, solved);
    return [
      {
        subject: PACK_REF,
        case: solved.id,
        demand: watts(asked),
        limit: watts(asked * factor),
        margin: marginAtMost(asked, asked * factor),
        lines: () => [
          {
            formula: 'P_most = k · P_asked, k where the solution vanishes',
            figures: `${factor.toPrecision(4)} · ${q(asked, 'power')}`,
            result: watts(asked * factor),
            note: corner(solved),
          },
          {
            formula: 'margin = (P_most − P_asked) / P_most',
            figures: `(${q(asked * factor, 'power')} − ${q(asked, 'power')}) / ${q(asked * factor, 'power')}`,
            result: { value: marginAtMost(asked, asked * factor), dimension: 'ratio' },
          },
        ],
        assumed: [powerFrom(vehicle)],
      },
    ];
  },
  remedies: [propose.gentler, propose.stopEarlier],
  otherwise: 'This pack can’t give it: more cells side by side, cells with less resistance, or less power.',
});

const sag = defineRule({
  id: 'pack.sag',
  endangers: 'comfort',
  says: {
    fails: '{subject} sags too deep under load',
    holds: '{subject} under load',
    line: '{demand} a cell, at least {limit}',
  },
  comfort: 0.05,
  sources: [SOLVED, 'Lowest cell voltage under load: the cell’s part'],
  judge: ({ vehicle }) => {
    const waitsFor = packMustDeliver(vehicle);
    return vehicle.devices.flatMap((box): Finding[] => {
      const cell = partOf(box, 'cell');
      const series = box.device.cellsInSeries;
      if (box.device.kind !== 'box' || !cell || !series) return [];
      if (waitsFor) return [{ subject: deviceRef(box), waitsFor }];
      const ends = { plus: { deviceId: box.id, terminal: 'plus' }, minus: { deviceId: box.id, terminal: 'minus' } };
      let worst: { solved: SolvedState; v: number } | null = null;
      for (const solved of solvedStates(vehicle)) {
        const v = terminalVoltage(solved, ends.plus, ends.minus);
        if (v !== null && (!worst || v < worst.v)) worst = { solved, v };
      }
      if (!worst) return [];
      const { solved, v } = worst;
      const source = boxSource(box, solved.corner)!;
      const current = Math.abs(solved.point.elementCurrentsA.get(box.id) ?? 0);
      const perCell = v / series;
      return [
        {
          subject: deviceRef(box),
          case: solved.id,
          demand: { value: perCell, dimension: 'voltage' },
          limit: volts(cell.emptyV),
          margin: marginAtLeast(perCell, cell.emptyV),
          lines: () => [
            {
              formula: 'V = V_rest − I · R',
              figures: `${q(source.voltageV, 'voltage')} − ${q(current, 'current')} · ${q(source.resistanceOhm, 'resistance')}`,
              result: volts(v),
              note: corner(solved),
            },
            {
              formula: 'V per cell = V / cells in series',
              figures: `${q(v, 'voltage')} / ${series}`,
              result: volts(perCell),
            },
          ],
          assumed: [
            powerFrom(vehicle),
            `Cells at ${q(solved.corner.cellTemperatureC, 'temperature')}, state of charge ${Math.round(solved.corner.soc * 100)} %, health ${Math.round(solved.corner.health * 100)} %.`,
          ],
        },
      ];
    });
  },
  remedies: [propose.stopEarlier, propose.gentler],
  otherwise: 'Cells with less resistance, more of them side by side, warmer cells, or less power.',
});

/** A device is held to its working voltage where it has work to do: an inverter while driving, a charger while charging. */
function worksIn({ vehicle }: Context, deviceId: string, { state }: SolvedCase): boolean {
  const device = vehicle.deviceOf.get(deviceId);
  return device !== undefined && devicePowerW(vehicle, device, state.id) !== 0;
}

/** Highest terminal voltage of a bus device over all cases, and the lowest over those in which it works. */
function extremes(
  context: Context,
  deviceId: string,
): { high: { v: number; solved: SolvedCase }; low: { v: number; solved: SolvedCase } } | null {
  let high: { v: number; solved: SolvedCase } | null = null;
  let low: { v: number; solved: SolvedCase } | null = null;
  for (const solved of solvedStates(context.vehicle)) {
    const v = terminalVoltage(solved, { deviceId, terminal: 'plus' }, { deviceId, terminal: 'minus' });
    if (v === null) continue;
    if (!high || v > high.v) high = { v, solved };
    if (worksIn(context, deviceId, solved) && (!low || v < low.v)) low = { v, solved };
  }
  // What is joined while it charges only meets the charge voltage at its end, where the case has the cells at rest.
  if (high && high.solved.state.id === 'charging' && high.solved.corner.atChargeVoltage)
    high = { v: high.v * riseToFull(context), solved: high.solved };
  return high && high.v > 0 ? { high, low: low ?? high } : null;
}

/** Charge voltage of a row over its rest voltage when full. */
function riseToFull({ vehicle }: Context): number {
  const [restV, fullV] = (packStrings(vehicle)[0]?.boxIds ?? []).reduce(
    ([rest, full], id) => {
      const box = vehicle.deviceOf.get(id);
      const cell = partOf(box, 'cell');
      const cells = box?.device.cellsInSeries ?? 0;
      return cell ? [rest + cells * openCircuitVoltage(cell.chemistry, 1), full + cells * cell.fullV] : [rest, full];
    },
    [0, 0],
  );
  return restV! > 0 ? fullV! / restV! : 1;
}

/** Devices on the bus without a part: their window can't be judged, and silence would look like holding. */
const unchosen = (context: Context): Finding[] =>
  context.vehicle.devices
    .filter((device) => hasTrait(device.device.kind, 'windowed') && device.part === null)
    .map((device) => ({ subject: deviceRef(device), missing: [{ ref: deviceRef(device), what: 'part' }] }));

/** State of charge whose rest voltage is a string's at a voltage, by halving: where a charger that gives no more ends. */
function reachedAt({ vehicle }: Context, limitV: number): Quantity {
  const restV = (soc: number): number =>
    (packStrings(vehicle)[0]?.boxIds ?? []).reduce((sum, id) => {
      const box = vehicle.deviceOf.get(id);
      const cell = partOf(box, 'cell');
      return sum + (cell ? (box?.device.cellsInSeries ?? 0) * openCircuitVoltage(cell.chemistry, soc) : 0);
    }, 0);
  let [low, high] = [0, 1];
  for (let turn = 0; turn < 40; turn++) {
    const middle = (low + high) / 2;
    if (restV(middle) < limitV) low = middle;
    else high = middle;
  }
  return { value: low, dimension: 'ratio' };
}

const voltageMax = defineRule({
  id: 'device.voltage-max',
  endangers: 'parts',
  says: { fails: 'Too much voltage for {subject}', holds: '{subject} at full charge', line: '{demand} of {limit}' },
  variants: {
    survives: {
      fails: 'Full charge would destroy {subject}',
      holds: '{subject} at full charge',
      line: '{demand}, it survives {limit}',
    },
    charges: {
      fails: '{subject} can’t charge the pack full',
      holds: '{subject} at full charge',
      line: 'gives up to {limit}, full charge is {demand}: it rests near {soc} of the charge',
    },
  },
  comfort: 0.05,
  sources: ['Window of the device: its part', 'Full charge: charge voltage of every cell in series'],
  judge: (context) => [
    ...unchosen(context),
    ...windows(context.vehicle).flatMap(({ device, limits }): Finding<'soc', 'survives' | 'charges'>[] => {
      const found = extremes(context, device.id);
      if (!found) return [];
      const { v, solved } = found.high;
      const destroys = v > limits.absoluteMaxV;
      const limit = destroys ? limits.absoluteMaxV : limits.workingMaxV;
      const width = limits.workingMaxV - limits.workingMinV;
      const charges = hasTrait(device.device.kind, 'charges');
      return [
        {
          subject: deviceRef(device),
          case: solved.id,
          demand: volts(v),
          limit: volts(limit),
          margin: (limit - v) / width,
          assumed: [fullOnly(context.vehicle)],
          ...(destroys ? { variant: 'survives' } : charges && v > limit ? { variant: 'charges' } : {}),
          ...(charges && v > limit ? { figures: { soc: reachedAt(context, limit) } } : {}),
          lines: () => [
            {
              formula: 'margin = (V_limit − V_full) / (V_working max − V_working min)',
              figures: `(${q(limit, 'voltage')} − ${q(v, 'voltage')}) / (${q(limits.workingMaxV, 'voltage')} − ${q(limits.workingMinV, 'voltage')})`,
              result: { value: (limit - v) / width, dimension: 'ratio' },
              note: corner(solved),
            },
          ],
        },
      ];
    }),
  ],
  remedies: [propose.widerDevice, propose.fewerCells],
  otherwise: 'Fewer cells in series, or a device for a higher voltage.',
});

const voltageMin = defineRule({
  id: 'device.voltage-min',
  endangers: 'parts',
  says: {
    fails: '{subject} loses its working voltage',
    holds: '{subject} at the lowest voltage',
    line: '{demand}, needs {limit}',
  },
  comfort: 0.05,
  sources: ['Window of the device: its part', SOLVED],
  judge: (context) => {
    const waitsFor = packMustDeliver(context.vehicle);
    return windows(context.vehicle).flatMap(({ device, limits }): Finding[] => {
      if (waitsFor) return [{ subject: deviceRef(device), waitsFor }];
      const found = extremes(context, device.id);
      if (!found) return [];
      const { v, solved } = found.low;
      const width = limits.workingMaxV - limits.workingMinV;
      return [
        {
          subject: deviceRef(device),
          case: solved.id,
          demand: volts(v),
          limit: volts(limits.workingMinV),
          margin: (v - limits.workingMinV) / width,
          lines: () => [
            {
              formula: 'margin = (V_lowest − V_working min) / (V_working max − V_working min)',
              figures: `(${q(v, 'voltage')} − ${q(limits.workingMinV, 'voltage')}) / (${q(limits.workingMaxV, 'voltage')} − ${q(limits.workingMinV, 'voltage')})`,
              result: { value: (v - limits.workingMinV) / width, dimension: 'ratio' },
              note: corner(solved),
            },
          ],
          assumed: [powerFrom(context.vehicle)],
        },
      ];
    });
  },
  remedies: [propose.stopEarlier, propose.gentler, propose.widerDevice],
  otherwise: 'More cells in series, a device for a lower voltage, or driving that stops earlier.',
});

const inverterCurrent = defineRule({
  id: 'inverter.current',
  endangers: 'parts',
  says: {
    fails: 'More battery current than {subject} takes',
    holds: '{subject} battery current',
    line: '{demand} of {limit}',
  },
  sources: ['Battery current of the inverter: its part', SOLVED],
  judge: ({ vehicle }) => {
    const waitsFor = packMustDeliver(vehicle);
    return vehicle.devices.flatMap((device): Finding[] => {
      const inverter = partOf(device, 'inverter');
      if (!inverter) return [];
      if (waitsFor) return [{ subject: deviceRef(device), waitsFor }];
      const worst = worstCurrent(solvedStates(vehicle), device.id);
      if (!worst || worst.currentA === 0) return [];
      const air = coolingAt(vehicle, inverter.cooling);
      const limit = inverter.maxBatteryCurrentA * air.share;
      return [
        {
          subject: deviceRef(device),
          case: worst.solved.id,
          demand: amps(worst.currentA),
          limit: amps(limit),
          margin: marginAtMost(worst.currentA, limit),
          lines: () => [
            {
              formula: 'margin = (I_max − I) / I_max',
              figures: `(${q(limit, 'current')} − ${q(worst.currentA, 'current')}) / ${q(limit, 'current')}`,
              result: { value: marginAtMost(worst.currentA, limit), dimension: 'ratio' },
              note: [corner(worst.solved), ...air.note].join('. '),
            },
          ],
          assumed: [powerFrom(vehicle), ...air.assumed],
        },
      ];
    });
  },
  remedies: [propose.gentler],
  otherwise: 'A higher pack voltage, an inverter for more current, or less power.',
});

export const PACK_RULES: readonly Rule[] = [
  present,
  delivers,
  sag,
  voltageMax,
  voltageMin,
  inverterCurrent,
  ...CELL_RULES,
  ...STRING_RULES,
  ...PLACE_RULES,
  ...TRAILER_RULES,
];
