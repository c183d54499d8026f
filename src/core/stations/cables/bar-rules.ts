import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import { BAR_LIMIT_C } from '../../physics/bar';
import { told } from '../../quantities';
import { barOf, joinedBy } from '../../vehicle';
import {
  amps,
  assumedAmbient,
  celsius,
  conductorRef,
  corner,
  NEEDS_CELLS,
  packMustDeliver,
  powerFrom,
  sustainedCases,
  worstCurrent,
} from '../context';
import { defineRule, type Rule } from '../define';
import { continuousA, phasesOf } from './phase-rules';

const bar = defineRule({
  id: 'cable.bar',
  endangers: 'fire',
  says: {
    fails: '{subject} carries more than a busbar of its section',
    holds: '{subject} carries its current',
    line: '{demand} of {limit}, {section} in air of {air}',
    open: 'What {subject} carries',
  },
  sources: [
    `Bright copper in still air at ${told(BAR_LIMIT_C, 'temperature')}, as a round rod of its section: a flat busbar has more surface and carries more (heat balance of the cables; DIN 43671)`,
  ],
  judge: ({ vehicle }) => {
    const waitsFor = packMustDeliver(vehicle, 'sustained');
    const isPhase = phasesOf(vehicle);
    return vehicle.conductors.flatMap((one): Finding<'section' | 'air'>[] => {
      const subject = conductorRef(one);
      const { kind, parallel } = one.conductor;
      if (kind !== 'busbar') return [];
      const known = barOf(vehicle, one);
      const missing = [
        ...(known ? [] : [{ ref: subject, what: 'its cross-section' }]),
        ...(one.lengthM === null ? [{ ref: subject, what: 'length' }] : []),
      ];
      if (!known || missing.length > 0) return [{ subject, missing }];
      // What a phase carries no case of the direct current tells.
      const phaseA = isPhase(one) ? continuousA(vehicle, one) : undefined;
      if (phaseA === null) return [{ subject, missing: [{ ref: subject, what: 'the motor that it feeds' }] }];
      if (phaseA === undefined && vehicle.cases.length === 0) return [{ subject, missing: NEEDS_CELLS }];
      if (phaseA === undefined && waitsFor) return [{ subject, waitsFor }];
      const worst = phaseA === undefined ? worstCurrent(sustainedCases(vehicle), one.id) : null;
      const currentA = phaseA ?? worst?.currentA;
      if (currentA === undefined) return [];
      const { sectionMm2, airC, carriesA: limitA } = known;
      const margin = marginAtMost(currentA, limitA);
      return [
        {
          subject,
          ...(worst ? { case: worst.solved.id } : {}),
          demand: amps(currentA),
          limit: amps(limitA),
          margin,
          figures: { section: { value: sectionMm2, dimension: 'area' }, air: celsius(airC) },
          lines: () => [
            {
              formula: 'I² · R(T) = convection + radiation of a round rod, Ø = 2 · √(S/π)',
              figures: `${parallel > 1 ? `${parallel} · ` : ''}${q(sectionMm2, 'area')}, ${q(BAR_LIMIT_C, 'temperature')} in air of ${q(airC, 'temperature')}`,
              result: amps(limitA),
            },
            {
              formula: 'margin = (I_bar − I) / I_bar',
              figures: `(${q(limitA, 'current')} − ${q(currentA, 'current')}) / ${q(limitA, 'current')}`,
              result: { value: margin, dimension: 'ratio' },
              note: worst ? corner(worst.solved) : 'Current of a phase at the motor’s continuous power and base speed.',
            },
          ],
          assumed: [
            ...(worst ? [powerFrom(vehicle)] : []),
            `${one.conductor.name}: bright copper, alone in still air.`,
            ...(one.zone ? [] : joinedBy(vehicle, one).flatMap(assumedAmbient)),
          ],
        },
      ];
    });
  },
  remedies: 'Measure the busbar and enter its section; a thicker one, two side by side, or a cable of a size.',
});

export const BAR_RULES: readonly Rule[] = [bar];
