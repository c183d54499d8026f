import type { Finding } from '../../checks';
import { figuresFrom, unsureOf } from '../../parts';
import { conductorRef, deviceRef } from '../context';
import { defineRule } from '../define';

/** Figures of a fitted part that nobody knows: a generic one stands in their place, and nothing that rests on it counts as proved. */
export const unknownFigures = defineRule({
  id: 'part.unknown',
  endangers: 'people',
  says: {
    fails: '{subject}: figures that nobody knows',
    holds: '{subject}: none of its figures is unknown',
    line: '{detail}',
    open: '{subject}: figures that nobody knows',
  },
  sources: ['A figure is read off a plate or sheet, measured, or told by somebody: else it is unknown'],
  judge: ({ vehicle }): Finding<'detail'>[] =>
    [
      ...vehicle.devices.map((one) => ({ subject: deviceRef(one), part: one.part })),
      ...vehicle.conductors.map((one) => ({ subject: conductorRef(one), part: one.cable })),
    ].flatMap(({ subject, part }): Finding<'detail'>[] => {
      if (!part?.origins) return [];
      const unknown = figuresFrom(part, 'unknown');
      return unknown.length > 0
        ? [{ subject, missing: unknown.map((what) => ({ ref: subject, what })) }]
        : [
            {
              subject,
              holds: true,
              figures: { detail: unsureOf(part).join(' ') || 'each was read, measured or told' },
            },
          ];
    }),
  remedies: 'Read its plate, ask whoever sold it, or measure it; then change the part in Parts.',
});
