import { type Finding, marginAtLeast, marginAtMost, quantityText as q } from '../../checks';
import { chargersOf, NIGHT_S, vehicleCharge } from '../../simulate';
import { partOf } from '../../vehicle';
import { deviceRef, volts } from '../context';
import type { Proposer } from '../define';
import { defineRule, type Rule } from '../define';
import { CHARGE_REF, chargeFor, isCharge } from './shared';

const lowestFull: Proposer = ({ vehicle }) => {
  const full = fullOfCells(vehicle);
  return full === null ? [] : [{ edit: 'setFigure', input: { figure: 'chargeCellV', value: full } }];
};

/** Lowest charge voltage of the cells that are fitted, V. */
function fullOfCells(vehicle: Parameters<typeof chargersOf>[0]): number | null {
  const all = vehicle.devices.flatMap((box) => partOf(box, 'cell')?.fullV ?? []);
  return all.length === 0 ? null : Math.min(...all);
}

const cellVoltage = defineRule({
  id: 'charging.cell-voltage',
  endangers: 'fire',
  says: {
    fails: 'The charger is set above what the cells bear',
    holds: 'Voltage that the charger is set to',
    line: '{demand} a cell, at most {limit}',
    open: 'Voltage that the charger is set to',
  },
  comfort: 0,
  sources: ['Charge voltage of the cell’s part: its sheet'],
  judge: ({ vehicle }) => {
    const full = fullOfCells(vehicle);
    if (chargersOf(vehicle).length === 0 || full === null) return [];
    const set = vehicle.build.charging?.cellV;
    if (set === undefined)
      return [
        { subject: CHARGE_REF, missing: [{ ref: CHARGE_REF, what: 'the voltage that each cell is charged to' }] },
      ];
    return [
      {
        subject: CHARGE_REF,
        demand: volts(set),
        limit: volts(full),
        margin: marginAtMost(set, full),
        lines: () => [
          {
            formula: 'U_set / N ≤ U_cell,full',
            figures: `${q(set, 'voltage')} ≤ ${q(full, 'voltage')}`,
            result: volts(set),
          },
        ],
      },
    ];
  },
  remedies: [lowestFull],
});

const reaches = defineRule({
  id: 'charging.reaches',
  endangers: 'comfort',
  says: {
    fails: '{subject} can’t reach the pack’s charge voltage',
    holds: '{subject} reaches the charge voltage',
    line: '{demand}, it gives up to {limit}',
    open: '{subject}: the voltage it has to reach',
  },
  comfort: 0,
  sources: ['Window of the charger’s part against cells in series times their charge voltage'],
  judge: ({ vehicle }) => {
    const charge = chargeFor(vehicle);
    return chargersOf(vehicle).flatMap((charger): Finding[] => {
      const part = partOf(charger, 'bus-device');
      if (!part || !isCharge(charge)) return [];
      const demand = charge.cellsInSeries * vehicle.build.charging!.cellV!;
      return [
        {
          subject: deviceRef(charger),
          demand: volts(demand),
          limit: volts(part.window.workingMaxV),
          margin: marginAtMost(demand, part.window.workingMaxV),
          lines: () => [
            {
              formula: 'N · U_cell ≤ U_charger,max',
              figures: `${charge.cellsInSeries} · ${q(vehicle.build.charging!.cellV!, 'voltage')}`,
              result: volts(demand),
            },
          ],
        },
      ];
    });
  },
  remedies: 'A charger of the pack’s voltage class; or charge lower, and say what that leaves of the range.',
});

const ends = defineRule({
  id: 'charging.ends',
  endangers: 'fire',
  says: {
    fails: 'The charge never ends by itself',
    holds: 'The charge ends by itself',
    line: '{detail}',
    open: 'The end of the charge',
  },
  sources: [
    'Constant power or current, then constant voltage with the pack’s resistance, until the current is down to the cut-off',
  ],
  judge: ({ vehicle }) => {
    if (chargersOf(vehicle).length === 0) return [];
    const charge = chargeFor(vehicle);
    if (!isCharge(charge))
      return [{ subject: CHARGE_REF, missing: charge.missing.map((what) => ({ ref: CHARGE_REF, what })) }];
    const { run } = charge;
    const reached = q(run.last.soc, 'ratio');
    const loads = run.last.chargerA - run.last.packA;
    return [
      {
        subject: CHARGE_REF,
        holds: run.end === 'cut-off',
        figures: {
          detail:
            run.end === 'cut-off'
              ? `at ${reached} after ${q(run.last.timeS, 'time')}`
              : run.end === 'full'
                ? `the cells are beyond full before the current falls`
                : loads > 0.01
                  ? `the charger still gives ${q(loads, 'current')} to what runs beside it`
                  : `the pack stops filling at ${reached}`,
        },
        assumed: charge.assumed,
        lines: () => [
          {
            formula: 'I ≤ I_cut-off at constant voltage',
            figures: `ends at ${q(run.last.packA, 'current')} into the pack, ${q(run.last.chargerA, 'current')} from the charger`,
            result: { value: run.last.timeS, dimension: 'time' as const },
          },
        ],
      },
    ];
  },
  remedies:
    'Judge the end by the current into the pack, not by the charger’s output; or a timer and an ampere-hour limit that end it.',
});

const night = defineRule({
  id: 'charging.night',
  endangers: 'comfort',
  says: {
    fails: 'The pack is not full in the time there is',
    holds: 'The pack is full in the time there is',
    line: '{demand} of {limit}',
    open: 'Time to full',
  },
  sources: ['The charge worked out from where it usually begins to its end'],
  judge: ({ vehicle }) => {
    if (chargersOf(vehicle).length === 0) return [];
    const charge = chargeFor(vehicle);
    // Its own rule says why there is no end.
    if (!isCharge(charge) || charge.run.end !== 'cut-off') return [];
    const limit = vehicle.build.charging?.nightS ?? NIGHT_S;
    const { timeS } = charge.run.last;
    return [
      {
        subject: CHARGE_REF,
        demand: { value: timeS, dimension: 'time' },
        limit: { value: limit, dimension: 'time' },
        margin: marginAtMost(timeS, limit),
        assumed: [
          ...charge.assumed,
          ...(vehicle.build.charging?.nightS === undefined ? ['A night of ten hours.'] : []),
        ],
        lines: () => [
          {
            formula: 't = ∫ Q dSoC / I',
            figures: `from ${q(charge.fromSoc, 'ratio')} to ${q(charge.run.last.soc, 'ratio')}, ${q(charge.acW, 'power')} from the supply`,
            result: { value: timeS, dimension: 'time' },
            note: `held there by: ${charge.binds.name}`,
          },
        ],
      },
    ];
  },
  remedies: 'A stronger supply or charger, a longer night, or a charge that is ended earlier.',
});

/** So much short of what the range counts on is within what the voltage curve of a chemistry is worth (engineering judgement). */
const SHORT = 0.1;

const fills = defineRule({
  id: 'charging.fills',
  endangers: 'comfort',
  says: {
    fails: 'The charge ends before the pack is as full as the range counts on',
    holds: 'The charge fills the pack as the range counts on',
    line: 'ends at {demand}, {limit} at least',
    open: 'How full the charge leaves the pack',
  },
  comfort: 0.05,
  sources: [
    'Range and energy count from the charge that the pack is charged to; the charge worked out says where its voltage and its last current end it',
    'A tenth less is within what the voltage curve of a chemistry is worth (engineering judgement)',
  ],
  judge: ({ vehicle }) => {
    if (chargersOf(vehicle).length === 0) return [];
    const charge = chargeFor(vehicle);
    if (!isCharge(charge) || charge.run.end !== 'cut-off') return [];
    const { soc } = charge.run.last;
    const full = vehicle.build.packLimits.socFull ?? 1;
    const limit = full * (1 - SHORT);
    return [
      {
        subject: CHARGE_REF,
        demand: { value: soc, dimension: 'ratio' },
        limit: { value: limit, dimension: 'ratio' },
        margin: marginAtLeast(soc, limit),
        assumed: charge.assumed,
        lines: () => [
          {
            formula: 'SoC_end ≥ 0.9 · SoC_full',
            figures: `the last current at the set voltage leaves ${q(soc, 'ratio')}, the range counts on ${q(full, 'ratio')}`,
            result: { value: soc, dimension: 'ratio' },
          },
        ],
      },
    ];
  },
  remedies: [
    ({ vehicle }) => {
      const charge = chargeFor(vehicle);
      if (!isCharge(charge) || charge.run.last.soc < 0.3) return [];
      return [{ edit: 'setFigure', input: { figure: 'socFull', value: Math.min(1, charge.run.last.soc) } }];
    },
  ],
});

/** A guard that lets twice a charge through guards nothing. */
const TWICE = 2;

const timer = defineRule({
  id: 'charging.timer',
  endangers: 'comfort',
  says: {
    fails: 'The charger’s own {what} ends the charge too early',
    holds: 'The charger’s own {what} guards the charge',
    line: '{demand} wanted, it ends at {limit}',
  },
  variants: {
    late: {
      fails: 'The charger’s own {what} ends a runaway charge too late',
      holds: 'The charger’s own {what} guards the charge',
      line: '{demand} wanted, it ends at {limit} only',
    },
  },
  comfort: 0,
  sources: [
    'Timer and ampere-hour limit of a programmed charger: beyond the usual charge, within twice of it (practice)',
  ],
  judge: ({ vehicle }): Finding<'what', 'late'>[] => {
    const { timeLimitS, chargeLimitAh } = vehicle.build.charging ?? {};
    const charge = chargeFor(vehicle);
    if (!isCharge(charge) || charge.run.end !== 'cut-off') return [];
    const { last } = charge.run;
    const ampereHours = (last.soc - charge.fromSoc) * charge.capacityAh;
    const guards = [
      ['timer', 'time', last.timeS, timeLimitS],
      ['ampere-hour limit', 'charge', ampereHours, chargeLimitAh],
    ] as const;
    return guards.flatMap(([what, dimension, demand, limit]): Finding<'what', 'late'>[] => {
      if (limit === undefined) return [];
      const late = limit > TWICE * demand;
      return [
        {
          subject: { ...CHARGE_REF, id: `charging-${dimension}`, name: `Charger’s ${what}` },
          demand: { value: demand, dimension },
          limit: { value: limit, dimension },
          holds: demand <= limit && !late,
          figures: { what },
          ...(late ? { variant: 'late' as const } : {}),
          assumed: charge.assumed,
        },
      ];
    });
  },
  remedies: 'Set it a quarter beyond the longest usual charge.',
});

/** Forecast and meter differ by no more than this share. */
const AGREES = 0.15;

const measured = defineRule({
  id: 'charging.measured',
  endangers: 'parts',
  says: {
    fails: 'A measured charge contradicts what is assumed',
    holds: 'A measured charge agrees with the forecast',
    line: '{detail}',
    open: 'A measured charge',
  },
  sources: ['The meter at the wall against the same charge worked out (within 15 %: engineering judgement)'],
  judge: ({ vehicle }) => {
    const { charging } = vehicle.build;
    if (
      !charging ||
      charging.measuredS === undefined ||
      charging.measuredFromSoc === undefined ||
      charging.measuredToSoc === undefined
    )
      return [];
    // The same charge from where the measured one began.
    const charge = vehicleCharge(vehicle, {
      ...vehicle.build,
      charging: { ...charging, fromSoc: charging.measuredFromSoc },
    });
    if (!isCharge(charge)) return [];
    const to = charge.run.at(charging.measuredToSoc);
    if (!to || !(to.timeS > 0))
      return [
        {
          subject: CHARGE_REF,
          missing: [
            { ref: CHARGE_REF, what: 'a measured charge that this charger can make: from low to high, below its end' },
          ],
        },
      ];
    const ratio = charging.measuredS / to.timeS;
    const metered = charging.measuredJ === undefined ? null : charging.measuredJ / charging.measuredS;
    const detail = `${q(charging.measuredS, 'time')} measured, ${q(to.timeS, 'time')} worked out${cause(ratio, metered, charge.acW)}`;
    return [
      {
        subject: CHARGE_REF,
        margin: (AGREES - Math.abs(ratio - 1)) / AGREES,
        figures: { detail },
        lines: () => [
          {
            formula: 't_measured / t_worked out within 15 %',
            figures: `${q(charging.measuredS!, 'time')} / ${q(to.timeS, 'time')}`,
            result: { value: ratio, dimension: 'ratio' },
            ...(metered === null
              ? {}
              : { note: `at the wall ${q(metered, 'power')} on average, ${q(charge.acW, 'power')} assumed` }),
          },
        ],
      },
    ];
  },
  remedies:
    'Look at the figure that is named: the power at the wall, the pack’s capacity, or the charge that it really began with.',
});

/** The likely wrong assumption: power that differs is the supply’s or the charger’s, power that fits leaves the capacity. */
function cause(ratio: number, metered: number | null, assumedW: number): string {
  if (Math.abs(ratio - 1) <= AGREES) return '';
  if (metered === null) return '; read the energy at the wall too, to tell power from capacity';
  if (Math.abs(metered / assumedW - 1) > AGREES)
    return `: the supply gives ${q(metered, 'power')}, not ${q(assumedW, 'power')}`;
  return ratio > 1
    ? ': the power fits, so the pack takes more, or began lower'
    : ': the power fits, so the pack takes less, or began higher';
}

export const END_RULES: readonly Rule[] = [cellVoltage, reaches, ends, night, fills, timer, measured];
