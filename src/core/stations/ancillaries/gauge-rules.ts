import { OLD_GAUGES } from '../../build';
import { type Finding, marginAtMost, quantityText as q, type Ref } from '../../checks';
import { rechargeLamp, tripRun } from '../../simulate';
import { motorOf } from '../../vehicle';
import { defineRule, type Rule } from '../define';
import { asks } from './shared';

const GAUGES_REF: Ref = { kind: 'build', id: 'gauges', name: 'Gauges' };
const LAMPS: Ref = { kind: 'build', id: 'gauges-lamps', name: 'Warning lamps' };
const RECHARGE: Ref = { kind: 'build', id: 'gauges-recharge', name: 'Recharge lamp' };
const SHIFT: Ref = { kind: 'build', id: 'gauges-shift', name: 'Shift lamp' };
/** Whoever drives needs a moment. */
const FOOT = 0.9;

const old = defineRule({
  id: 'gauges.old',
  endangers: 'comfort',
  says: {
    fails: 'An old gauge shows nothing',
    holds: 'Each old gauge shows something',
    line: '{detail}',
    open: 'Old gauges',
  },
  sources: [
    'A gauge that stays in the dash shows what is true, or is covered: a dead one is taken for a reading (practice)',
  ],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (vehicle.build.losses?.gauges !== 'had') return [];
    const shows = vehicle.build.gauges?.shows ?? {};
    const untold = OLD_GAUGES.filter((gauge) => shows[gauge] === undefined);
    if (untold.length > 0) return [asks(GAUGES_REF, `what these show now: ${untold.join(', ')}`) as Finding<'detail'>];
    const blank = OLD_GAUGES.filter((gauge) => shows[gauge] === 'blank');
    const there = OLD_GAUGES.filter((gauge) => shows[gauge] !== 'none');
    return [
      {
        subject: GAUGES_REF,
        holds: blank.length === 0,
        figures: { detail: blank.length > 0 ? `${blank.join(', ')}: blank` : `${there.length} of the dash are fed` },
      },
    ];
  },
  remedies: 'Play its sender from the battery management or the controller, fit a gauge of its own, or cover it.',
});

const lamps = defineRule({
  id: 'gauges.warnings',
  endangers: 'people',
  says: {
    fails: 'The driver is not warned',
    holds: 'The driver is warned',
    line: '{detail}',
    open: 'Warning lamps',
  },
  sources: [
    'A falling 12-volt side takes lamps, assist and contactors along; a leak to the body is felt by whoever touches it next (practice)',
  ],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    // A build that says nothing of its dash is asked where the old gauges are asked.
    if (vehicle.build.gauges === undefined) return [];
    const { lowTwelve, insulationLamp } = vehicle.build.gauges;
    if (lowTwelve === undefined || insulationLamp === undefined)
      return [
        asks(
          LAMPS,
          ...(lowTwelve === undefined ? ['whether a lamp shows that the 12-volt side is low'] : []),
          ...(insulationLamp === undefined ? ['whether a lamp shows that the insulation is low'] : []),
        ) as Finding<'detail'>,
      ];
    const lacks = [...(lowTwelve ? [] : ['none for low 12 volt']), ...(insulationLamp ? [] : ['none for insulation'])];
    return [
      {
        subject: LAMPS,
        holds: lacks.length === 0,
        figures: { detail: lacks.join(', ') || 'low 12 volt and insulation' },
      },
    ];
  },
  remedies: 'A lamp by the converter’s or the auxiliary battery’s voltage, and one at the insulation monitor’s output.',
});

const recharge = defineRule({
  id: 'gauges.recharge',
  endangers: 'comfort',
  says: {
    fails: 'The recharge lamp cries wolf',
    holds: 'The recharge lamp lights when it should',
    line: '{detail}',
    open: 'Recharge lamp',
  },
  sources: [
    'The lamp’s set points over the cells’ voltage on the usual trip in winter, aged: it may light once, and stays lit',
  ],
  judge: ({ vehicle, trip, tripKey }): Finding<'detail'>[] => {
    const { lampOnV, lampOffV, lampHoldS } = vehicle.build.gauges ?? {};
    if (lampOnV === undefined && lampOffV === undefined) return [];
    if (lampOnV === undefined || lampOffV === undefined)
      return [asks(RECHARGE, lampOnV === undefined ? 'where it lights' : 'where it goes out') as Finding<'detail'>];
    if (lampOffV <= lampOnV)
      return [{ subject: RECHARGE, holds: false, figures: { detail: 'it goes out where it lights: it flickers' } }];
    if (tripKey === null) return [];
    if (!trip) return [{ subject: RECHARGE, pending: tripRun.pendingWords }];
    const run = rechargeLamp(vehicle, trip);
    if (!run) return [];
    const first = run.litAt[0];
    return [
      {
        subject: RECHARGE,
        holds: run.wolf === 0,
        figures: {
          detail:
            first === undefined
              ? 'it stays dark on the usual trip'
              : run.wolf > 0
                ? `it lights at ${q(first, 'ratio')} and goes out again, ${run.wolf} times`
                : `it lights at ${q(first, 'ratio')} and stays lit`,
        },
        assumed: lampHoldS === undefined ? ['It lights at once: no time to wait is entered.'] : [],
      },
    ];
  },
  remedies:
    'A lower set point, a longer wait before it lights, or more between lighting and going out; or light it by counted charge.',
});

const shift = defineRule({
  id: 'gauges.shift',
  endangers: 'parts',
  says: {
    fails: 'The shift lamp lights too late',
    holds: 'The shift lamp lights in time',
    line: '{at}/min, the motor bears {most}/min',
    open: 'Shift lamp',
  },
  sources: [
    'Set point of the lamp against the most turns of the motor’s part; a tenth for the foot (engineering judgement)',
  ],
  judge: ({ vehicle: { build } }): Finding<'at' | 'most'>[] => {
    const at = build.gauges?.shiftRpm;
    if (at === undefined) return [];
    const part = motorOf(build)?.part;
    if (!part) return [asks(SHIFT, 'a motor, in Drive') as Finding<'at' | 'most'>];
    const most = part.maximumSpeedRpm;
    return [
      {
        subject: SHIFT,
        margin: marginAtMost(at, FOOT * most),
        figures: { at: at.toFixed(0), most: most.toFixed(0) },
      },
    ];
  },
  comfort: 0,
  remedies: 'Set the lamp a tenth below what the motor bears.',
});

export const GAUGE_RULES: readonly Rule[] = [old, lamps, recharge, shift];
