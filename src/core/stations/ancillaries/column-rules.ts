import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import { columnAssistNm, rimOf } from '../../simulate';
import { defineRule, type Rule } from '../define';
import { asks, has, partOfSystem, STEERING_REF } from './shared';

const COLUMN = partOfSystem(STEERING_REF, 'column', 'Column assist');

const column = defineRule({
  id: 'steering.column-torque',
  endangers: 'comfort',
  says: {
    fails: 'Column assist is too weak for parking',
    holds: 'Column assist is strong enough for parking',
    line: '{demand} at the column, it adds {limit}',
    open: 'Column assist',
  },
  comfort: 0,
  sources: [
    'Torque that turns the standing wheels, at the column, against what the assist adds: its sheet (20 to 40 Nm)',
  ],
  judge: ({ vehicle }): Finding[] => {
    if (!has.column(vehicle)) return [];
    const columnNm = columnAssistNm(vehicle, 0);
    const found = rimOf(vehicle);
    // What the axle lacks is asked by the rim.
    if (columnNm === null) return [asks(COLUMN, 'the torque that the assist adds')];
    if (!found) return [];
    const torque = (value: number) => ({ value, dimension: 'torque' as const });
    return [
      {
        subject: COLUMN,
        demand: torque(found.columnNm),
        limit: torque(columnNm),
        margin: marginAtMost(found.columnNm, columnNm),
        assumed: found.assumed,
      },
    ];
  },
  remedies: 'A stronger unit, more pressure in the front tyres, or steer while rolling.',
});

const signal = defineRule({
  id: 'steering.speed-signal',
  endangers: 'people',
  says: {
    fails: 'Column assist stays light at speed',
    holds: 'Column assist grows heavy with speed',
    line: '{detail}',
    open: 'Speed signal of the column assist',
  },
  sources: [
    'Assist falls to nothing by 50 to 60 km/h; without a signal it has to fall back to little assist (practice)',
  ],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (!has.column(vehicle)) return [];
    const { speedTold, safeDefault } = vehicle.build.steering ?? {};
    if (safeDefault === undefined || speedTold === undefined)
      return [
        asks(
          COLUMN,
          ...(speedTold === undefined ? ['whether it is told the vehicle’s speed'] : []),
          ...(safeDefault === undefined ? ['whether it falls back to little assist without the speed'] : []),
        ) as Finding<'detail'>,
      ];
    const detail = safeDefault
      ? speedTold
        ? 'told the speed; falls back to little assist'
        : 'not told the speed: little assist always'
      : speedTold
        ? 'told the speed; when the signal is lost it is light at any speed'
        : 'not told the speed: light at any speed';
    return [{ subject: COLUMN, holds: safeDefault, figures: { detail } }];
  },
  remedies: 'A unit or setting that falls back to little assist, then a speed signal from the gearbox or a wheel.',
});

/** By this speed nothing of the assist may be left (reference of the trade: 50 to 60 km/h). */
const NONE_BY_MPS = 60 / 3.6;

const curve = defineRule({
  id: 'steering.column-curve',
  endangers: 'people',
  says: {
    fails: 'Column assist does not fade with speed as it should',
    holds: 'Column assist fades with speed',
    line: '{detail}',
    open: 'Assist of the column over speed',
  },
  comfort: 0,
  sources: [
    'All of it while parking, nothing of it by 60 km/h: light steering at speed is dangerous (reference of the trade)',
  ],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (!has.column(vehicle)) return [];
    const { fullToMPerS, noneFromMPerS, speedTold, safeDefault } = vehicle.build.steering ?? {};
    // It follows no speed.
    if (speedTold === false && safeDefault) return [];
    if (fullToMPerS === undefined || noneFromMPerS === undefined)
      return [
        asks(
          COLUMN,
          ...(fullToMPerS === undefined ? ['the speed up to which it adds all of its torque'] : []),
          ...(noneFromMPerS === undefined ? ['the speed from which it adds nothing'] : []),
        ) as Finding<'detail'>,
      ];
    const detail = `all of it up to ${q(fullToMPerS, 'speed')}, nothing from ${q(noneFromMPerS, 'speed')}`;
    if (fullToMPerS >= noneFromMPerS)
      return [{ subject: COLUMN, holds: false, figures: { detail: `${detail}: the wrong way round` } }];
    return [
      {
        subject: COLUMN,
        demand: { value: noneFromMPerS, dimension: 'speed' },
        limit: { value: NONE_BY_MPS, dimension: 'speed' },
        margin: marginAtMost(noneFromMPerS, NONE_BY_MPS),
        figures: { detail },
      },
    ];
  },
  remedies:
    'Set the unit so that its assist is gone by then; a potentiometer in place of the speed signal is no setting.',
});

export const COLUMN_RULES: readonly Rule[] = [column, signal, curve];
