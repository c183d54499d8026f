import type { Finding } from '../../checks';
import { deviceRef } from '../context';
import { defineRule } from '../define';

/** Motors and inverters beside the first: nothing of the drive is reckoned with them yet, and that has to be seen. */
export const several = defineRule({
  id: 'drive.several',
  endangers: 'people',
  says: {
    fails: '{subject} is not reckoned with',
    holds: '{subject} does all the work',
    line: '{detail}',
    open: '{subject} is not reckoned with',
  },
  sources: ['One motor and one inverter are the model of Drive: range, hill, currents, faults and heat'],
  judge: ({ vehicle }): Finding<'detail'>[] =>
    (['motor', 'inverter'] as const).flatMap((kind): Finding<'detail'>[] => {
      const all = vehicle.devices.filter(({ device }) => device.kind === kind);
      const [first, ...more] = all.map(deviceRef);
      if (!first) return [];
      if (more.length === 0)
        return kind === 'motor' ? [{ subject: first, holds: true, figures: { detail: 'one motor' } }] : [];
      return more.map(
        (subject): Finding<'detail'> => ({
          subject,
          missing: [
            {
              ref: subject,
              what: `its share of the work: range, hill, currents and heat are those of ${first.name} alone`,
            },
          ],
        }),
      );
    }),
  remedies:
    'Reckon the whole drive as one motor of both their torques and powers, and judge the wiring of the second by hand.',
});
