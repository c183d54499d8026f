import { marginAtMost, quantityText as q, type Rule } from '../../checks';
import { isPrechargeRelay, partOf, solvedStates } from '../../vehicle';
import { amps, type Context, corner, deviceRef, needsPart, packMustDeliver, powerFrom, worstCurrent } from '../context';

/** Opening in an emergency: the current of the hardest moment, peaks included. */
export const contactorBreak: Rule<Context> = {
  id: 'contactor.break',
  station: 'hv-circuit',
  sources: ['Break rating at voltage: the contactor’s part', 'Emergency opening happens at full current'],
  judge: (context) => {
    const waitsFor = packMustDeliver(context.vehicle);
    return context.vehicle.devices
      .filter(({ id, device }) => device.kind === 'contactor' && !isPrechargeRelay(context.vehicle, id))
      .flatMap((device) => {
        const part = partOf(device, 'contactor');
        if (!part) return [needsPart(device)];
        if (waitsFor) return [{ subject: deviceRef(device), waitsFor }];
        const worst = worstCurrent(solvedStates(context.vehicle), device.id);
        if (!worst || worst.currentA === 0) return [];
        const margin = marginAtMost(worst.currentA, part.breakCurrentA);
        return [
          {
            subject: deviceRef(device),
            case: worst.solved.id,
            demand: amps(worst.currentA),
            limit: amps(part.breakCurrentA),
            margin,
            assumed: [
              powerFrom(context.vehicle),
              'In normal use the inverter lets go first and it opens next to nothing.',
            ],
            lines: () => [
              {
                formula: 'margin = (I_break − I) / I_break',
                figures: `(${q(part.breakCurrentA, 'current')} − ${q(worst.currentA, 'current')}) / ${q(part.breakCurrentA, 'current')}`,
                result: { value: margin, dimension: 'ratio' as const },
                note: `${corner(worst.solved)}. Such an opening wears it: replace it after the number its maker allows.`,
              },
            ],
          },
        ];
      });
  },
};
