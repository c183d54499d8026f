import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import { type BrakeVacuum, brakeVacuum } from '../../simulate';
import type { Vehicle } from '../../vehicle';
import { defineRule, type Rule } from '../define';
import { asks, BRAKES_REF, has, loadsFor, partOfSystem } from './shared';

/** What hangs on the vacuum, and what was measured of it. */

const pressure = (value: number) => ({ value, dimension: 'pressure' as const });
const PUMP = partOfSystem(BRAKES_REF, 'pump', 'Vacuum pump');
const WARNING = partOfSystem(BRAKES_REF, 'warning', 'Low-vacuum warning');
const CHECK_VALVE = partOfSystem(BRAKES_REF, 'valve', 'Check valve');
const LEAK = partOfSystem(BRAKES_REF, 'leak', 'Leak test');

const modelled = (vehicle: Vehicle): BrakeVacuum | null => (has.vacuum(vehicle) ? brakeVacuum(vehicle) : null);

const warning = defineRule({
  id: 'brakes.warning',
  endangers: 'people',
  says: {
    fails: 'Nothing warns of low brake vacuum in time',
    holds: 'A lamp warns of low brake vacuum',
    line: '{detail}',
    open: 'Low-vacuum warning',
  },
  sources: [
    'A warning switch on a port and wire of its own: whatever stops the pump must not silence it; between the least vacuum and where the pump starts (practice)',
  ],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (!has.vacuum(vehicle)) return [];
    const { warnPa, warnApart, leastPa, switchOnPa } = vehicle.build.brakes ?? {};
    const missing = [
      ...(warnPa === undefined ? ['where the low-vacuum warning switch closes'] : []),
      ...(warnApart === undefined ? ['whether the warning switch has a port and a wire of its own'] : []),
    ];
    if (warnPa === undefined || warnApart === undefined) return [asks(WARNING, ...missing) as Finding<'detail'>];
    const model = brakeVacuum(vehicle);
    const least = model?.leastPa ?? leastPa ?? 0;
    const on = model?.onPa ?? switchOnPa ?? Number.POSITIVE_INFINITY;
    const wrong = [
      ...(warnApart ? [] : ['it shares the pump’s switch or port']),
      ...(warnPa < least ? [`it closes at ${q(warnPa, 'pressure')}, when assist is gone already`] : []),
      ...(warnPa >= on ? [`it closes at ${q(warnPa, 'pressure')}, before the pump starts: it is always lit`] : []),
    ];
    return [
      {
        subject: WARNING,
        holds: wrong.length === 0,
        figures: { detail: wrong.join('; ') || `at ${q(warnPa, 'pressure')}, on a port of its own` },
      },
    ];
  },
  remedies: 'A second switch in the reservoir, with a lamp or buzzer of its own, set between the two.',
});

const checkValve = defineRule({
  id: 'brakes.check-valve',
  endangers: 'people',
  says: {
    fails: 'Nothing keeps the vacuum when the pump stops',
    holds: 'A check valve keeps the vacuum',
    line: '{detail}',
    open: 'Check valve',
  },
  sources: ['A pump at rest lets air back; the valve sits between pump and reservoir, arrow to the pump (practice)'],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (!has.vacuum(vehicle)) return [];
    const is = vehicle.build.brakes?.checkValve;
    if (is === undefined)
      return [asks(CHECK_VALVE, 'whether a check valve sits between pump and reservoir') as Finding<'detail'>];
    return [{ subject: CHECK_VALVE, holds: is, figures: { detail: is ? 'told so' : 'told that there is none' } }];
  },
  remedies: 'A check valve between pump and reservoir, and the booster’s own one left in place.',
});

/** A tight system loses so much in five minutes (reference of the trade), Pa. */
const TIGHT_PA = 5000;

const leak = defineRule({
  id: 'brakes.leak',
  endangers: 'people',
  says: {
    fails: 'The vacuum leaks away',
    holds: 'The vacuum stays',
    line: '{demand} in five minutes, at most {limit}',
  },
  comfort: 0,
  sources: ['Leak test with the pump off: 0.05 bar in five minutes at most (reference of the trade)'],
  judge: ({ vehicle }): Finding[] => {
    const leakPa = vehicle.build.brakes?.leakPa;
    if (!has.vacuum(vehicle) || leakPa === undefined) return [];
    return [
      {
        subject: LEAK,
        demand: pressure(leakPa),
        limit: pressure(TIGHT_PA),
        margin: marginAtMost(leakPa, TIGHT_PA),
      },
    ];
  },
  remedies: 'Pinch the hoses one after the other: the one that holds the vacuum leads to the leak.',
});

/** Measured against forecast (engineering judgement). */
const FITS = 0.25;

const fits = defineRule({
  id: 'brakes.as-measured',
  endangers: 'parts',
  says: {
    fails: 'The vacuum pump is not what its sheet says',
    holds: 'The vacuum pump does what its sheet says',
    line: '{detail}',
  },
  sources: ['Measured pull-down against the model; a quarter off and something is not as told'],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    const model = modelled(vehicle);
    const { pulledToPa, pulledS } = vehicle.build.brakes ?? {};
    if (!model || pulledToPa === undefined || pulledS === undefined) return [];
    const forecast = model.air.timeS(0, pulledToPa);
    if (forecast === null)
      return [
        {
          subject: PUMP,
          holds: false,
          figures: { detail: `${q(pulledToPa, 'pressure')} was reached, and the sheet says never` },
        },
      ];
    return [
      {
        subject: PUMP,
        margin: (FITS - Math.abs(pulledS / forecast - 1)) / FITS,
        figures: {
          detail: `${q(pulledS, 'time')} to ${q(pulledToPa, 'pressure')}, forecast ${q(forecast, 'time')}: ${pulledS > forecast ? 'less flow, more volume or a leak' : 'more flow or less volume than entered'}`,
        },
        lines: () => [
          {
            formula: '|t / t_model − 1| ≤ 25 %',
            figures: `${q(pulledS, 'time')} / ${q(forecast, 'time')}`,
            result: { value: Math.abs(pulledS / forecast - 1), dimension: 'ratio' },
          },
        ],
      },
    ];
  },
  remedies: [
    ({ vehicle }) => {
      const { pulledToPa, pulledS, pumpLPerMin } = vehicle.build.brakes ?? {};
      const forecast = pulledToPa === undefined ? null : (brakeVacuum(vehicle)?.air.timeS(0, pulledToPa) ?? null);
      if (forecast === null || pulledS === undefined || pumpLPerMin === undefined) return [];
      // The time goes with one over the flow.
      const value = Math.round(((pumpLPerMin * forecast) / pulledS) * 100) / 100;
      return [{ edit: 'setFigure', input: { figure: 'vacuumFlow', value } }];
    },
  ],
  otherwise: 'Measure volume and leak, then take the pump’s flow as it was measured.',
});

const essential = defineRule({
  id: 'brakes.pump-essential',
  endangers: 'people',
  says: {
    fails: '{subject} is dropped when the converter dies',
    holds: '{subject} runs on when the converter dies',
    line: '{detail}',
  },
  sources: ['Brake assist outlasts the converter: an essential load of the auxiliary battery (practice)'],
  judge: ({ vehicle }): Finding<'detail'>[] =>
    (['vacuum-pump', 'brake-booster'] as const).flatMap((job) =>
      loadsFor(vehicle, job).map(({ id, name, load }) => ({
        subject: { kind: 'device' as const, id, name },
        holds: load.essential,
        figures: { detail: load.essential ? 'an essential load' : 'not marked essential in the 12-volt schedule' },
      })),
    ),
  remedies: 'Mark it essential in the load schedule, so that the reserve reckons with it.',
});

const noise = defineRule({
  id: 'brakes.pump-noise',
  endangers: 'comfort',
  says: {
    fails: 'The vacuum pump will be heard in the car',
    holds: 'The vacuum pump is kept quiet',
    line: '{detail}',
    open: 'Mounting of the vacuum pump',
  },
  sources: ['On rubber and with a silencer at its outlet it is hardly heard; bolted to the body it drums (practice)'],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    const model = modelled(vehicle);
    if (!model) return [];
    const { pumpRubber, silenced } = vehicle.build.brakes ?? {};
    if (pumpRubber === undefined || silenced === undefined)
      return [
        asks(
          PUMP,
          ...(pumpRubber === undefined ? ['whether the vacuum pump stands on rubber'] : []),
          ...(silenced === undefined ? ['whether it has a silencer'] : []),
        ) as Finding<'detail'>,
      ];
    const { starts, distanceM } = model.trip;
    const often = distanceM > 0 ? `${((1000 * starts) / distanceM).toFixed(1)} starts a kilometre` : `${starts} starts`;
    return [
      {
        subject: PUMP,
        holds: pumpRubber && silenced,
        figures: {
          detail: `${often}; ${pumpRubber ? 'on rubber' : 'bolted to the body'}, ${silenced ? 'silenced' : 'no silencer'}`,
        },
      },
    ];
  },
  remedies: 'Rubber mounts on something heavy, away from the bulkhead, and a silencer at its outlet.',
});

export const VACUUM_FITTING_RULES: readonly Rule[] = [warning, checkValve, leak, fits, essential, noise];
