import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import { partOf } from '../../vehicle';
import { deviceRef, needsPart, watts } from '../context';
import { defineRule, type Rule } from '../define';
import { SENSOR_RULES } from './sensor-rules';

const bleed = defineRule({
  id: 'discharge.resistor',
  endangers: 'fire',
  says: {
    fails: '{subject} can’t stand the full pack for good',
    holds: '{subject} stands the full pack',
    line: '{demand} of {limit}',
    open: '{subject}',
  },
  variants: {
    loose: { fails: '{subject} is wired to nothing', holds: '{subject} is wired', line: 'an end of it is open' },
    voltage: {
      fails: '{subject} is for less voltage',
      holds: '{subject} voltage',
      line: '{voltage} full, rated {rated}',
    },
  },
  sources: ['P = V² / R with a contactor that has welded; rated power and voltage: the resistor’s part'],
  judge: ({ vehicle, fullV }) =>
    vehicle.devices.flatMap((device): Finding<'voltage' | 'rated', 'loose' | 'voltage'>[] => {
      if (device.device.kind !== 'discharge-resistor') return [];
      const subject = deviceRef(device);
      const part = partOf(device, 'resistor');
      if (!part) return [needsPart(device)];
      const ends = new Set(vehicle.conductors.flatMap(({ nodeA, nodeB }) => [nodeA, nodeB]));
      if (!ends.has(`${device.id}.a`) || !ends.has(`${device.id}.b`))
        return [{ subject, holds: false, variant: 'loose' }];
      if (fullV === null) return [{ subject, missing: [{ ref: subject, what: 'cells' }] }];
      if (fullV > part.ratedVoltageV)
        return [
          {
            subject,
            holds: false,
            variant: 'voltage',
            figures: { voltage: q(fullV, 'voltage'), rated: q(part.ratedVoltageV, 'voltage') },
          },
        ];
      const powerW = fullV ** 2 / part.resistanceOhm;
      return [
        {
          subject,
          demand: watts(powerW),
          limit: watts(part.ratedPowerW),
          margin: marginAtMost(powerW, part.ratedPowerW),
          lines: () => [
            {
              formula: 'P = V_full² / R',
              figures: `(${q(fullV, 'voltage')})² / ${q(part.resistanceOhm, 'resistance')}`,
              result: watts(powerW),
            },
          ],
        },
      ];
    }),
  remedies: 'A resistor of more ohms or more watts, across both poles behind the contactors.',
});

export const SERIES_RULES: readonly Rule[] = [...SENSOR_RULES, bleed];
