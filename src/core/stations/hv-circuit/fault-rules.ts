import { marginAtMost, quantityText as q, type Rule } from '../../checks';
import { CURVE_TIMES_S } from '../../physics/fuse-curve';
import { amps, type Context, deviceRef, fromRules } from '../context';
import { at, eachFuse, HIGHEST, LOWEST, mostToBreak, SOURCES, seconds } from './fuse-faults';

const breakingCapacity: Rule<Context> = {
  id: 'fuse.breaking-capacity',
  station: 'hv-circuit',
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
};

const minimumBreaking: Rule<Context> = {
  id: 'fuse.minimum-breaking',
  station: 'hv-circuit',
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
};

const meltingTime: Rule<Context> = {
  id: 'fuse.melting-time',
  station: 'hv-circuit',
  sources: [SOURCES.slow, SOURCES.network],
  sourcesIn: fromRules('meltingS'),
  judge: (context) =>
    eachFuse(context, ({ device, fuse, zone: faults }) => {
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
};

export const FAULT_RULES: readonly Rule<Context>[] = [breakingCapacity, minimumBreaking, meltingTime];
