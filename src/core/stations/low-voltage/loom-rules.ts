import { type Finding, marginOfRise, type Ref } from '../../checks';
import { BUNDLE_W_PER_MK } from '../../physics/loom';
import * as propose from '../../proposals';
import { told } from '../../quantities';
import { type LoomOf, loomHeat, loomsOf } from '../../vehicle';
import { celsius, conductorRef } from '../context';
import { defineRule, type Rule } from '../define';
import { SCENARIO_WHEN } from './shared';

const loomRef = ({ route }: LoomOf): Ref => ({ kind: 'build', id: route.id, name: route.name });

/** Wires that lie together warm each other: one heat balance for the loom. */
const loomHeatRule = defineRule({
  id: 'lv.loom',
  endangers: 'fire',
  says: {
    fails: '{subject} gets too hot',
    holds: '{subject}, {across} of wires',
    line: '{wire}: {demand} of {limit}, {when}',
    open: '{subject}',
  },
  variants: {
    runaway: { fails: '{subject} burns', holds: '{subject}', line: 'no steady temperature, {when}', open: '{subject}' },
  },
  sources: [
    'One heat balance for the loom: round, 1.15 · √ΣD², 0.3 W/mK inside, air around it as for a cable (generic)',
    'Every scenario with all that runs in it, for good',
  ],
  judge: ({ vehicle }) =>
    loomsOf(vehicle).flatMap((loom): Finding<'across' | 'when' | 'wire', 'runaway'>[] => {
      const subject = loomRef(loom);
      const open = loom.wires.filter(({ thermal }) => thermal === null);
      if (open.length > 0)
        return [{ subject, missing: open.map((wire) => ({ ref: conductorRef(wire), what: 'part' })) }];
      const heat = loomHeat(vehicle, loom);
      if (!heat || !loom.place) return [{ subject, missing: [{ ref: subject, what: 'what runs on its wires' }] }];
      const when = SCENARIO_WHEN[heat.scenario];
      if (!heat.loom) return [{ subject, holds: false, variant: 'runaway', figures: { when } }];
      const { place } = loom;
      const { surfaceC, coreC, heatWPerM, diameterMm, wiresC } = heat.loom;
      let at = 0;
      const worst = loom.wires
        .map((wire) => {
          const reachedC = wiresC[at]!;
          at += wire.conductor.parallel;
          const limitC = wire.cable!.temperatureClassC;
          return { wire, reachedC, limitC, margin: marginOfRise(reachedC, limitC, place.ambientC) };
        })
        .reduce((p, r) => (r.margin < p.margin ? r : p));
      return [
        {
          subject,
          demand: celsius(worst.reachedC),
          limit: celsius(worst.limitC),
          margin: worst.margin,
          figures: { wire: worst.wire.conductor.name, when, across: { value: diameterMm / 1000, dimension: 'length' } },
          lines: () => [
            {
              formula: 'Q = Σ I² · R(T), leaving a round surface of 1.15 · √ΣD²',
              figures: `${heatWPerM.toFixed(2)} W/m from ${told(diameterMm / 1000, 'length', 3)} at ${told(surfaceC, 'temperature', 3)}, air ${told(place.ambientC, 'temperature', 3)}`,
              result: celsius(surfaceC),
            },
            {
              formula: 'T_middle = T_surface + Q / (4π · k)',
              figures: `${told(surfaceC, 'temperature', 3)} + ${heatWPerM.toFixed(2)} / (4π · ${BUNDLE_W_PER_MK})`,
              result: celsius(coreC),
              note: `The wire’s own heat comes out of the middle, through its insulation: ${told(worst.reachedC, 'temperature', 3)}. ${loom.wires.length} wires.`,
            },
          ],
          assumed: ['Every wire lies in the middle; no air moves.'],
        },
      ];
    }),
  remedies: [propose.coolerLoom],
});

export const LOOM_RULES: readonly Rule[] = [loomHeatRule];
