import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import { CURVE_TIMES_S } from '../../physics/fuse-curve';
import * as propose from '../../proposals';
import { amps, deviceRef, fromRules } from '../context';
import { defineRule, type Rule } from '../define';
import { at, eachFuse, HIGHEST, LOWEST, mostToBreak, SOURCES, seconds } from './fuse-faults';

const breakingCapacity = defineRule({
  id: 'fuse.breaking-capacity',
  endangers: 'fire',
  says: {
    fails: '{subject} can’t break the highest fault',
    holds: '{subject} breaks the highest fault',
    line: '{demand} of {limit}',
    open: '{subject} breaking capacity',
  },
  sources: [
    'IEC 60269-1: breaking capacity at or above the highest prospective current',
    SOURCES.network,
    'Link capacitors: peak of the series R, L and C; a permanent-magnet motor: 3·√2/π of its greatest phase current (generic)',
  ],
  judge: (context) =>
    eachFuse(context, ({ device, fuse, zone }) => {
      const { highest } = zone;
      const most = mostToBreak(context.vehicle, zone);
      if (!highest || !most) return [];
      const { cellsA, motorA, capacitorA, demandA } = most;
      const margin = marginAtMost(demandA, fuse.breakingCapacityA);
      return [
        {
          subject: deviceRef(device),
          demand: amps(demandA),
          limit: amps(fuse.breakingCapacityA),
          margin,
          assumed: [HIGHEST],
          lines: () => [
            {
              formula: 'I = V / R of the loop',
              figures: `${q(highest.voltageV, 'voltage')} / ${q(highest.voltageV / highest.prospectiveA, 'resistance')}, τ = ${q(highest.timeConstantS, 'time')}`,
              result: amps(highest.prospectiveA),
              note: `Through the fuse ${q(cellsA, 'current')}.`,
            },
            ...(motorA > 1
              ? [
                  {
                    formula: 'I_cells + I_motor, turning',
                    figures: `${q(cellsA, 'current')} + ${q(motorA, 'current')}`,
                    result: amps(cellsA + motorA),
                  },
                ]
              : []),
            ...(capacitorA > 1
              ? [
                  {
                    formula: 'peak of the link capacitors through it',
                    figures: 'R, L and C of their loop, before the cells’ current has risen',
                    result: amps(capacitorA),
                  },
                ]
              : []),
          ],
        },
      ];
    }),
  remedies: [propose.otherFuse],
  otherwise: 'A fuse that breaks more, or one of another family before it.',
});

const minimumBreaking = defineRule({
  id: 'fuse.minimum-breaking',
  endangers: 'fire',
  says: {
    fails: '{subject} melts but does not break at minimum fault current',
    holds: '{subject} breaks the weakest fault',
    line: 'breaks from {demand}, the weakest fault is {limit}',
    open: '{subject} weakest fault',
  },
  sources: ['IEC 60269-4: below its smallest breaking current an aR element melts and burns on', SOURCES.network],
  judge: (context) =>
    eachFuse(context, ({ device, fuse, zone: faults }) => {
      if (!faults.lowest) return [];
      const demand = fuse.minimumBreakingMultiple * fuse.ratedCurrentA;
      return [
        {
          subject: deviceRef(device),
          demand: amps(demand),
          limit: amps(faults.lowestA),
          margin: marginAtMost(demand, faults.lowestA),
          assumed: [LOWEST],
          lines: () => [
            {
              formula: 'multiple · I_n ≤ I_lowest',
              figures: `${fuse.minimumBreakingMultiple} · ${q(fuse.ratedCurrentA, 'current')} ≤ ${q(faults.lowestA, 'current')}`,
              result: { value: marginAtMost(demand, faults.lowestA), dimension: 'ratio' },
              note: `At ${faults.lowest!.a}: ${q(faults.lowest!.voltageV, 'voltage')} after the arc.`,
            },
          ],
        },
      ];
    }),
  remedies: [propose.smallerFuse, propose.otherFuse],
  otherwise: 'A full-range fuse: this one melts at minimum fault current and burns on.',
});

const meltingTime = defineRule({
  id: 'fuse.melting-time',
  endangers: 'fire',
  says: {
    fails: '{subject} melts too late at minimum fault current',
    holds: '{subject} melts in time',
    line: '{demand} at {current}, {limit} at most',
    open: '{subject} melting time',
  },
  variants: {
    never: {
      fails: '{subject} never melts at minimum fault current',
      holds: '{subject} melts in time',
      line: 'only {demand} flows: the fault burns on',
    },
  },
  sources: [SOURCES.slow, SOURCES.network],
  sourcesIn: fromRules('meltingS'),
  judge: (context) =>
    eachFuse(context, ({ device, fuse, zone: faults }): Finding<'current', 'never'>[] => {
      if (!faults.lowest) return [];
      const { meltTimeS } = at(fuse, faults.lowest, faults.lowestA);
      if (meltTimeS === null)
        return [
          {
            subject: deviceRef(device),
            holds: false,
            variant: 'never',
            demand: amps(faults.lowestA),
            assumed: [LOWEST],
          },
        ];
      return [
        {
          subject: deviceRef(device),
          demand: seconds(meltTimeS),
          limit: seconds(context.rules.meltingS.value),
          margin: marginAtMost(meltTimeS, context.rules.meltingS.value),
          figures: { current: amps(faults.lowestA) },
          assumed: [LOWEST],
          lines: () => [
            {
              formula: '∫ dt / t_pre(i / 1.1·I_n) = 1',
              figures: `${q(faults.lowestA, 'current')} through ${q(fuse.ratedCurrentA, 'current')}, τ = ${q(faults.lowest!.timeConstantS, 'time')}`,
              result: seconds(meltTimeS),
              note: `Multiples ${fuse.multiples.join(' ')} at ${CURVE_TIMES_S.join(' ')} s.`,
            },
          ],
        },
      ];
    }),
  remedies: [propose.smallerFuse, propose.otherFuse],
  otherwise:
    'No fuse both carries this current and melts in time at the weakest fault: a thicker or shorter way, or cells with less resistance.',
});

export const FAULT_RULES: readonly Rule[] = [breakingCapacity, minimumBreaking, meltingTime];
