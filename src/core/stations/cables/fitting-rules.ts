import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import { ingressEnough } from '../../physics/ingress';
import * as propose from '../../proposals';
import { isBlock } from '../../vehicle';
import { amps, conductorRef, corner, deviceRef, packMustDeliver, sustainedCases, worstCurrent } from '../context';
import { defineRule, type Rule } from '../define';

/** Plugs on the cables, and cases in their places. */
const connector = defineRule({
  id: 'cable.connector',
  endangers: 'fire',
  says: {
    fails: 'The plug on {subject} carries too much',
    holds: 'Plug on {subject}',
    line: '{demand} of {limit}',
    open: 'Plug on {subject}',
  },
  sources: ['A plug carries what its sheet says, in the worst sustained case'],
  judge: ({ vehicle }) => {
    const waitsFor = packMustDeliver(vehicle, 'sustained');
    const sustained = sustainedCases(vehicle);
    return vehicle.conductors.flatMap((cable): Finding[] => {
      const rated = cable.conductor.connectorA;
      if (rated === undefined) return [];
      const subject = conductorRef(cable);
      if (waitsFor) return [{ subject, waitsFor }];
      const worst = worstCurrent(sustained, cable.id);
      if (!worst) return [];
      const margin = marginAtMost(worst.currentA, rated);
      return [
        {
          subject,
          case: worst.solved.id,
          demand: amps(worst.currentA),
          limit: amps(rated),
          margin,
          lines: () => [
            {
              formula: 'I ≤ I of the plug',
              figures: `${q(worst.currentA, 'current')} ≤ ${q(rated, 'current')}`,
              result: { value: margin, dimension: 'ratio' },
              note: corner(worst.solved),
            },
          ],
        },
      ];
    });
  },
  remedies: [propose.largerPlug],
});

const ingress = defineRule({
  id: 'plan.ingress',
  endangers: 'people',
  says: {
    fails: '{subject} is not tight enough for its place',
    holds: '{subject} is tight enough',
    line: '{has}, {zone} needs {needs}',
    open: '{subject}, protection class',
  },
  sources: ['IEC 60529: solids and water each by itself; dipping (7, 8) does not stand for jets (5, 6, 9)'],
  judge: ({ vehicle }) =>
    vehicle.devices.flatMap((device): Finding<'has' | 'needs' | 'zone'>[] => {
      const { place, insideId, ingress: has } = device.device;
      const zone = place ? vehicle.build.zones[place.zoneId] : undefined;
      // What sits in a box is as tight as the box.
      if (!zone?.ingress || insideId !== undefined || !isBlock(device.device)) return [];
      const subject = deviceRef(device);
      if (has === undefined) return [{ subject, missing: [{ ref: subject, what: 'its protection class' }] }];
      const enough = ingressEnough(has, zone.ingress);
      if (enough === null) return [{ subject, missing: [{ ref: subject, what: 'a protection class such as IP67' }] }];
      return [{ subject, holds: enough, figures: { has, needs: zone.ingress, zone: zone.name } }];
    }),
  remedies: 'Move it to a drier place on the plan, or fit a part that is tight enough.',
});

export const FITTING_RULES: readonly Rule[] = [connector, ingress];
