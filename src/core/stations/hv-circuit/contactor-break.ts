import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import * as propose from '../../proposals';
import { isPrechargeRelay, partOf, prechargeBranches, solvedStates } from '../../vehicle';
import {
  amps,
  type Context,
  corner,
  deviceRef,
  NEEDS_CELLS,
  needsPart,
  packMustDeliver,
  powerFrom,
  worstCurrent,
} from '../context';
import { defineRule } from '../define';
import { gapAt } from '../thin-air';

/** A precharge that is broken off as it begins: all of the voltage across the resistor. */
function relayBreaks(context: Context): Finding<never, 'relay'>[] {
  const { vehicle, fullV } = context;
  return prechargeBranches(vehicle).flatMap(({ relayIds, resistorIds }) =>
    relayIds.map((id): Finding<never, 'relay'> => {
      const device = vehicle.deviceOf.get(id)!;
      const subject = deviceRef(device);
      const part = partOf(device, 'contactor');
      if (!part) return needsPart(device);
      if (fullV === null) return { subject, missing: NEEDS_CELLS };
      const ohms = resistorIds.map((one) => partOf(vehicle.deviceOf.get(one), 'resistor')?.resistanceOhm);
      const untold = resistorIds.filter((_, k) => ohms[k] === undefined);
      if (untold.length > 0)
        return {
          subject,
          missing: untold.map((one) => ({ ref: deviceRef(vehicle.deviceOf.get(one)!), what: 'part' })),
        };
      const resistanceOhm = ohms.reduce((sum: number, ohm) => sum + ohm!, 0);
      const currentA = fullV / resistanceOhm;
      const air = gapAt(vehicle, part);
      const breaksA = part.breakCurrentA * air.share;
      return {
        subject,
        variant: 'relay',
        demand: amps(currentA),
        limit: amps(breaksA),
        margin: marginAtMost(currentA, breaksA),
        assumed: air.assumed,
        lines: () => [
          {
            formula: 'I = V_full / R',
            figures: `${q(fullV, 'voltage')} / ${q(resistanceOhm, 'resistance')}`,
            result: amps(currentA),
            note: ['Broken off as it begins: key off, handle pressed, a short at the time-out.', ...air.note].join(' '),
          },
        ],
      };
    }),
  );
}

/** Opening in an emergency: the current of the hardest moment, peaks included. */
export const contactorBreak = defineRule({
  id: 'contactor.break',
  endangers: 'fire',
  says: {
    fails: '{subject} can’t open the hardest current',
    holds: '{subject} opens the hardest current',
    line: '{demand} of {limit}',
    open: '{subject} opening',
  },
  variants: {
    relay: {
      fails: '{subject} can’t open a precharge that has just begun',
      holds: '{subject} opens a precharge that has just begun',
      line: '{demand} of {limit}',
      open: '{subject} opening',
    },
  },
  sources: ['Break rating at voltage: the contactor’s part', 'Emergency opening happens at full current'],
  judge: (context) => {
    const waitsFor = packMustDeliver(context.vehicle);
    const mains = context.vehicle.devices
      .filter(({ id, device }) => device.kind === 'contactor' && !isPrechargeRelay(context.vehicle, id))
      .flatMap((device) => {
        const part = partOf(device, 'contactor');
        if (!part) return [needsPart(device)];
        if (waitsFor) return [{ subject: deviceRef(device), waitsFor }];
        const worst = worstCurrent(solvedStates(context.vehicle), device.id);
        if (!worst || worst.currentA === 0) return [];
        const air = gapAt(context.vehicle, part);
        const breaksA = part.breakCurrentA * air.share;
        const margin = marginAtMost(worst.currentA, breaksA);
        return [
          {
            subject: deviceRef(device),
            case: worst.solved.id,
            demand: amps(worst.currentA),
            limit: amps(breaksA),
            margin,
            assumed: [
              powerFrom(context.vehicle),
              'In normal use the inverter drops its load first and the contactor opens next to nothing.',
              ...air.assumed,
            ],
            lines: () => [
              {
                formula: 'margin = (I_break − I) / I_break',
                figures: `(${q(breaksA, 'current')} − ${q(worst.currentA, 'current')}) / ${q(breaksA, 'current')}`,
                result: { value: margin, dimension: 'ratio' as const },
                note: [
                  `${corner(worst.solved)}. Such an opening wears it: replace it after the number its maker allows.`,
                  ...air.note,
                ].join(' '),
              },
            ],
          },
        ];
      });
    return [...mains, ...relayBreaks(context)];
  },
  remedies: [propose.otherContactor],
  otherwise: 'A contactor that breaks more, or an inverter that is told to drop its load first.',
});
