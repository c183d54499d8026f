import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import * as propose from '../../proposals';
import { told } from '../../quantities';
import type { ShortJudgement } from '../../simulate';
import type { ResolvedConductor, Vehicle } from '../../vehicle';
import { amps, conductorRef, deviceRef } from '../context';
import { defineRule } from '../define';
import { eachFuse, HIGHEST, i2t, LOWEST, notProved, SOURCES } from './fuse-faults';

/** Every conductor, shorted at its far end, against what the fuse that ends it lets through: taps before a fuse and returns behind none, too. */
export const cableShort = defineRule({
  id: 'fuse.cable-short',
  endangers: 'fire',
  says: {
    fails: '{subject} lets a short circuit burn its cable',
    holds: '{subject} protects its cable (short circuit)',
    line: 'lets through {demand}, {cable} stands {limit}',
    open: '{subject} against a short in its cable',
  },
  variants: {
    never: {
      fails: '{subject} lets a minimum fault current burn its cable',
      holds: '{subject} protects its cable (short circuit)',
      line: 'at {demand} it never melts, and {cable} burns',
    },
  },
  sources: [
    'IEC 60949, IEC 60364-4-43: clearing I²t ≤ k²S², from the loaded temperature',
    SOURCES.slow,
    'Arcing (ratio − 1) · (U/U_n)^1.5 of the adiabatic I²t (generic)',
  ],
  judge: (context) =>
    eachFuse(context, (subject): Finding<'cable', 'never'>[] => {
      const { device, zone } = subject;
      const { vehicle } = context;
      const ref = deviceRef(device);
      const cables = zone.ended.filter(
        ({ judgement }) => judgement.withstand !== null || conductorOf(vehicle, judgement).conductor.kind === 'cable',
      );
      if (cables.length === 0) return [];
      const unknown = cables.filter(({ judgement }) => judgement.withstand === null);
      const waitsFor = notProved(context, subject, true);
      if (waitsFor) return [{ subject: ref, waitsFor }];
      const known = cables.flatMap(({ judgement, short }) =>
        judgement.withstand
          ? [{ conductor: conductorOf(vehicle, judgement), withstand: judgement.withstand, short }]
          : [],
      );
      const marginOf = ({ short, withstand }: (typeof known)[number]) =>
        short.i2tA2s === null ? Number.NEGATIVE_INFINITY : marginAtMost(short.i2tA2s, withstand.limitA2s);
      const worst = known.reduce<(typeof known)[number] | null>(
        (p, r) => (p === null || marginOf(r) < marginOf(p) ? r : p),
        null,
      );
      const missing = unknown.map(({ judgement }) => ({
        ref: conductorRef(conductorOf(vehicle, judgement)),
        what: 'part',
      }));
      // One that is known to burn fails whatever the others are; otherwise one that nobody knows leaves it open.
      if (!worst || (marginOf(worst) >= 0 && missing.length > 0)) return [{ subject: ref, missing }];
      const { conductor, withstand, short } = worst;
      const name = conductor.conductor.name;
      if (short.i2tA2s === null)
        return [
          {
            subject: ref,
            holds: false,
            variant: 'never',
            demand: amps(short.story.fault.prospectiveA),
            figures: { cable: name },
          },
        ];
      const burning = known.filter((one) => marginOf(one) < 0).map((one) => one.conductor.conductor.name);
      const { fault } = short.story;
      const throughA = fault.through(device.id);
      const feedsA2s = short.story.feeds.i2tOf(conductor.id, short.story.clearedAtS ?? 0);
      return [
        {
          subject: ref,
          demand: i2t(short.i2tA2s),
          limit: i2t(withstand.limitA2s),
          margin: marginOf(worst),
          figures: { cable: `${q(withstand.areaMm2, 'area')} of ${name}` },
          assumed: [HIGHEST, LOWEST, `Crimped ends; a soldered one stands ${told(160, 'temperature')} only.`],
          lines: () => [
            {
              formula: 'I²t through the cable until its short is over',
              figures: `${fault.corner === 'highest' ? 'bolted, full pack' : 'with an arc, empty pack'}: ${q(throughA, 'current')} through the fuse, ${q(fault.through(conductor.id), 'current')} through the cable, over after ${q(short.story.clearedAtS!, 'time')}${feedsA2s > 1 ? `; capacitors and motor add ${q(feedsA2s, 'i2t')}` : ''}`,
              result: i2t(short.i2tA2s!),
            },
            {
              formula: 'k² · S²',
              figures: `${withstand.k.toPrecision(4)}² · ${withstand.areaMm2}², from ${q(withstand.startC, 'temperature')} to ${q(withstand.finalC, 'temperature')}`,
              result: i2t(withstand.limitA2s),
              note:
                burning.length > 1
                  ? `Does not save: ${burning.join(', ')}.`
                  : `Weakest of the ${known.length} cables whose shorts it ends: ${name}.`,
            },
          ],
        },
      ];
    }),
  remedies: [propose.smallerFuse, propose.otherFuse, propose.thickerShorted],
  otherwise:
    'No fuse both carries this current and saves these cables: thicker cables, or two fuses with a shorter way each.',
});

const conductorOf = (vehicle: Vehicle, { conductorId }: ShortJudgement): ResolvedConductor =>
  vehicle.conductorOf.get(conductorId)!;
