import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import type { ResistorPart } from '../../parts';
import { coolingTimeConstant, heatAfterPulses, waitForNextPulse } from '../../physics/pulse-heat';
import * as propose from '../../proposals';
import { isRun, type PrechargeOutcome, type PrechargeRun } from '../../simulate';
import { partOf, type ResolvedDevice } from '../../vehicle';
import { type Context, deviceRef, fromRules, volts } from '../context';
import { defineRule, type Rule } from '../define';

const TRANSIENT = 'Transient of the precharge circuit as wired, warm, new, full pack';

type Unknown = Exclude<PrechargeOutcome, PrechargeRun>;

/** What is wrong with a branch that has no run. */
const MISSING: Readonly<Record<Exclude<Unknown['why'], 'charged' | 'shorted'>, string>> = {
  part: 'part',
  cells: 'cells',
  way: 'a closed way from the pack through it to a link capacitor',
  failed: 'a precharge that can be followed',
};

/** For each precharge branch: its run, or why there is none. A resistor that precharges nothing fails once, in precharge.reaches. */
function eachRun<Found extends Finding<string, string>>(
  context: Context,
  judge: (run: PrechargeRun, resistor: ResolvedDevice) => readonly Found[],
  useless: (resistor: ResolvedDevice, why: 'charged' | 'shorted', reason: string) => Found | Finding = (resistor) => ({
    subject: deviceRef(resistor),
    waitsFor: waits(resistor),
  }),
): (Found | Finding)[] {
  return context.precharges.flatMap((outcome): readonly (Found | Finding)[] => {
    const resistor = context.vehicle.deviceOf.get(outcome.resistorId)!;
    if (isRun(outcome)) return judge(outcome, resistor);
    const { why, reason } = outcome;
    if (why === 'charged' || why === 'shorted') return [useless(resistor, why, reason)];
    const what = why === 'failed' ? `${MISSING[why]}: ${reason}` : MISSING[why];
    return [{ subject: deviceRef(resistor), missing: [{ ref: deviceRef(resistor), what }] }];
  });
}

/** The same for each resistor of a branch by itself: those in series share voltage and heat. */
function eachResistor<Found extends Finding<string, string>>(
  context: Context,
  judge: (
    run: PrechargeRun,
    one: {
      readonly resistor: ResolvedDevice;
      readonly part: ResistorPart;
      readonly energyJ: number;
      readonly share: number;
    },
  ) => Found,
): (Found | Finding)[] {
  return eachRun(context, (run) =>
    run.resistors.map(({ id, ohm, energyJ }) => {
      const resistor = context.vehicle.deviceOf.get(id)!;
      return judge(run, { resistor, part: partOf(resistor, 'resistor')!, energyJ, share: ohm / run.resistanceOhm });
    }),
  );
}

const reaches = defineRule({
  id: 'precharge.reaches',
  endangers: 'parts',
  says: {
    fails: 'The link never charges: {subject} would wait without end',
    holds: 'The link charges through {subject}',
    line: '{detail}',
    open: 'Charging the link through {subject}',
  },
  variants: {
    charged: {
      fails: '{subject} precharges nothing: the link is live before it',
      holds: 'The link charges through {subject}',
      line: '{detail}',
    },
    shorted: {
      fails: '{subject} precharges nothing: it is bridged',
      holds: 'The link charges through {subject}',
      line: '{detail}',
    },
  },
  sources: [TRANSIENT],
  judge: (context) =>
    eachRun(
      context,
      (run, resistor): Finding<'detail', 'charged' | 'shorted'>[] => {
        const hangs = run.wakes.map(
          (wake) =>
            `${context.vehicle.deviceOf.get(wake.deviceId)?.device.name ?? 'a load'} wakes at ${q(wake.atS, 'time', 2)}${wake.times > 1 ? ` and cycles ${wake.times} times` : ''}`,
        );
        const end = run.curve.at(-1)?.linkV ?? 0;
        return [
          {
            subject: deviceRef(resistor),
            holds: run.closeAtS !== null,
            figures: {
              detail:
                run.closeAtS !== null
                  ? `at ${q(run.closeAtS, 'time', 3)}`
                  : `stays at ${q(end, 'voltage', 3)}${hangs.length > 0 ? `: ${hangs.join(', ')}` : ''}`,
            },
            lines: () => [
              {
                formula: 'V_link ≥ fraction · V_pack before the time-out',
                figures: `${run.closeFraction} · ${q(run.packV, 'voltage')} = ${q(run.closeFraction * run.packV, 'voltage')} within ${q(run.timeoutS, 'time')}`,
                result: volts(end),
                ...(hangs.length > 0 ? { note: hangs.join('; ') } : {}),
              },
            ],
          },
        ];
      },
      (resistor, why, reason) => ({
        subject: deviceRef(resistor),
        holds: false,
        variant: why,
        figures: { detail: reason },
      }),
    ),
  remedies: [propose.heldOff, propose.resistor],
  otherwise: 'Hold off whatever draws from the link until it is charged.',
});

const waits = (resistor: ResolvedDevice) => [{ ref: deviceRef(resistor), what: 'charges the link' }];

const time = defineRule({
  id: 'precharge.time',
  endangers: 'parts',
  says: {
    fails: '{subject} charges the link too slowly',
    holds: '{subject} time',
    line: '{demand} to {fraction}, {limit} at most',
  },
  sources: [TRANSIENT],
  sourcesIn: fromRules('prechargeMostS'),
  judge: (context) =>
    eachRun(context, (run, resistor): Finding<'fraction'>[] => {
      const { closeAtS } = run;
      if (closeAtS === null) return [{ subject: deviceRef(resistor), waitsFor: waits(resistor) }];
      const limit = Math.min(run.timeoutS, context.rules.prechargeMostS.value);
      const margin = marginAtMost(closeAtS, limit);
      return [
        {
          subject: deviceRef(resistor),
          demand: { value: closeAtS, dimension: 'time' },
          limit: { value: limit, dimension: 'time' },
          margin,
          figures: { fraction: { value: run.closeFraction, dimension: 'ratio' } },
          lines: () => [
            {
              formula: 'by transient; for a plain RC: t = −R · C · ln(1 − p)',
              figures: `−${q(run.resistanceOhm, 'resistance')} · ${q(run.linkCapacitanceF, 'capacitance')} · ln(1 − ${run.closeFraction}) = ${q(-run.resistanceOhm * run.linkCapacitanceF * Math.log(1 - run.closeFraction), 'time')}`,
              result: { value: closeAtS, dimension: 'time' },
            },
            {
              formula: 'limit = min(time-out, longest wait)',
              figures: `min(${q(run.timeoutS, 'time')}, ${q(context.rules.prechargeMostS.value, 'time')})`,
              result: { value: limit, dimension: 'time' },
            },
          ],
        },
      ];
    }),
  remedies: [propose.resistor],
  otherwise: 'A smaller resistance with more pulse energy.',
});

/** Somebody who turns the key again and again (engineering judgement). */
const STARTS = 6;
const EVERY_S = 5;

const repeats = defineRule({
  id: 'precharge.repeats',
  endangers: 'parts',
  says: {
    fails: '{subject} overheats when the key is turned again and again',
    holds: '{subject} in six starts in a row',
    line: '{demand} of {limit}',
  },
  sources: [
    TRANSIENT,
    'Heat adds up: six starts, one every 5 s or as soon as the last is over; the resistor cools with pulse energy over rated power (generic)',
  ],
  judge: (context) =>
    eachResistor(context, (run, { resistor, part, energyJ }) => {
      // Nobody can try again before a try is over: one that never charges lasts to the time-out that is set.
      const everyS = Math.max(EVERY_S, run.closeAtS ?? run.timeoutS);
      const heatJ = heatAfterPulses(part, energyJ, STARTS, everyS);
      const waitS = waitForNextPulse(part, energyJ, heatJ);
      return {
        subject: deviceRef(resistor),
        demand: { value: heatJ, dimension: 'energy' },
        limit: { value: part.pulseEnergyJ, dimension: 'energy' },
        margin: marginAtMost(heatJ, part.pulseEnergyJ),
        lines: () => [
          {
            formula: 'E_6 = E · Σ e^(−k·Δt/τ), τ = E_pulse / P_rated',
            figures: `${q(energyJ, 'energy')} every ${q(everyS, 'time')}, τ = ${q(part.pulseEnergyJ, 'energy')} / ${q(part.ratedPowerW, 'power')} = ${q(coolingTimeConstant(part), 'time')}`,
            result: { value: heatJ, dimension: 'energy' },
            note:
              waitS === null
                ? 'One start alone is too much for it.'
                : waitS === 0
                  ? 'Another start fits at once.'
                  : `Another start fits ${q(waitS, 'time')} later.`,
          },
        ],
      };
    }),
  remedies: [propose.resistor],
  otherwise: 'A resistor with more mass, or fewer tries in a row.',
});

const energy = defineRule({
  id: 'precharge.energy',
  endangers: 'fire',
  says: { fails: '{subject} overheats in one start', holds: '{subject} pulse', line: '{demand} of {limit}' },
  sources: [TRANSIENT, 'Pulse energy: the resistor’s part (generic wire-wound: 15 J per rated watt)'],
  judge: (context) =>
    eachResistor(context, (run, { resistor, part, energyJ, share }) => {
      const margin = marginAtMost(energyJ, part.pulseEnergyJ);
      return {
        subject: deviceRef(resistor),
        demand: { value: energyJ, dimension: 'energy' },
        limit: { value: part.pulseEnergyJ, dimension: 'energy' },
        margin,
        lines: () => [
          {
            formula: 'E = ∫ I² R dt; for a plain RC about ½ · C · V²',
            figures: `½ · ${q(run.linkCapacitanceF, 'capacitance')} · (${q(run.packV, 'voltage')})² = ${q(0.5 * run.linkCapacitanceF * run.packV ** 2, 'energy')}`,
            result: { value: energyJ, dimension: 'energy' },
            note: `${share < 0.999 ? `${(share * 100).toFixed(0)} % of it in this resistor. ` : ''}Peak ${q(run.peakPowerW, 'power')}, ${q(run.peakCurrentA, 'current')}.`,
          },
        ],
      };
    }),
  remedies: [propose.resistor],
  otherwise: 'A resistor with more mass: wire-wound, for more joules a pulse.',
});

const voltage = defineRule({
  id: 'precharge.voltage',
  endangers: 'parts',
  says: { fails: '{subject} is not made for this voltage', holds: '{subject} voltage', line: '{demand} of {limit}' },
  sources: ['Rated voltage: the resistor’s part'],
  judge: (context) =>
    eachResistor(context, (run, { resistor, part, share }) => {
      const acrossV = run.packV * share;
      const margin = marginAtMost(acrossV, part.ratedVoltageV);
      return {
        subject: deviceRef(resistor),
        demand: volts(acrossV),
        limit: volts(part.ratedVoltageV),
        margin,
        lines: () => [
          {
            formula: 'margin = (U − V_full) / U',
            figures: `(${q(part.ratedVoltageV, 'voltage')} − ${q(acrossV, 'voltage')}) / ${q(part.ratedVoltageV, 'voltage')}`,
            result: { value: margin, dimension: 'ratio' },
          },
        ],
      };
    }),
  remedies: [propose.resistor],
  otherwise: 'A resistor for more volts, or two in series.',
});

const fault = defineRule({
  id: 'precharge.fault',
  endangers: 'fire',
  says: {
    fails: '{subject} burns on a shorted bus before the time-out',
    holds: '{subject} on a shorted bus',
    line: '{demand} until the time-out, lasts {limit}',
  },
  sources: ['A shorted bus puts V²/R into the resistor until the time-out', 'Pulse energy: the resistor’s part'],
  judge: (context) =>
    eachResistor(context, (run, { resistor, part, share }) => {
      const powerW = (share * run.packV ** 2) / run.resistanceOhm;
      const energyJ = powerW * run.timeoutS;
      const margin = marginAtMost(energyJ, part.pulseEnergyJ);
      return {
        subject: deviceRef(resistor),
        demand: { value: energyJ, dimension: 'energy' },
        limit: { value: part.pulseEnergyJ, dimension: 'energy' },
        margin,
        lines: () => [
          {
            formula: share < 0.999 ? 'E = share · V² / R · time-out' : 'E = V² / R · time-out',
            figures: `(${q(run.packV, 'voltage')})² / ${q(run.resistanceOhm, 'resistance')} · ${q(run.timeoutS, 'time')}`,
            result: { value: energyJ, dimension: 'energy' },
            ...(context.vehicle.build.precharge.timeoutS === null
              ? { note: 'Time-out: twice the expected time to the closing level.' }
              : {}),
          },
        ],
      };
    }),
  remedies: [propose.shorterTimeout, propose.resistor],
  otherwise: 'A shorter time-out, or a resistor with more mass.',
});

export const PRECHARGE_RULES: readonly Rule[] = [reaches, time, energy, repeats, voltage, fault];
