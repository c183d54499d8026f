import type { LoadJob } from '../../build';
import type { Finding } from '../../checks';
import { lowVoltage } from '../../vehicle';
import { deviceRef } from '../context';
import { defineRule, type Rule } from '../define';
import { nightLamps } from './night-lamp-rules';
import { STOP_FEED_RULES } from './stop-feed-rules';

const told = defineRule({
  id: 'lv.load-told',
  endangers: 'parts',
  says: { fails: '{subject} is not entered', holds: '{subject} is entered', line: '{detail}', open: '{subject}' },
  sources: ['What a load draws and when stands in the schedule'],
  judge: ({ vehicle }) => {
    const { lv } = lowVoltage(vehicle);
    return lv.devices.flatMap((device): Finding<'detail'>[] => {
      if (device.device.kind !== 'lv-load') return [];
      const subject = deviceRef(device);
      const { load } = device.device;
      if (!load) return [{ subject, missing: [{ ref: subject, what: 'what it draws' }] }];
      if (Object.values(load.use).every((share) => !(share > 0)))
        return [{ subject, missing: [{ ref: subject, what: 'when it runs' }] }];
      // What has to work on a cold night in rain is judged on such a night.
      if (load.essential && !((load.use['night-rain-cold'] ?? 0) > 0))
        return [{ subject, missing: [{ ref: subject, what: 'how much it runs on a cold night in rain' }] }];
      return [
        {
          subject,
          holds: true,
          figures: { detail: load.essential ? 'essential' : 'not essential' },
          assumed:
            load.sort === 'motor' && load.peakRating === undefined
              ? [`${device.device.name} starts or stalls with three times its current (generic).`]
              : [],
        },
      ];
    });
  },
  remedies: 'Tell in Loads what it draws, at what voltage, and how much of the time.',
});

/** Without these the car can’t be stopped or steered as the driver knows it. */
const ASSISTS: ReadonlySet<LoadJob> = new Set(['vacuum-pump', 'brake-booster', 'steering-pump', 'column-assist']);

const essential = defineRule({
  id: 'lv.essential',
  endangers: 'people',
  says: {
    fails: '{subject} is counted as not essential',
    holds: '{subject} is essential',
    line: '{detail}',
  },
  sources: ['Brake and steering assist, and the lamps of a night, have to last when the converter dies'],
  judge: ({ vehicle }) =>
    lowVoltage(vehicle).loads.flatMap(({ id, name, load }): Finding<'detail'>[] => {
      const assist = load.job !== undefined && ASSISTS.has(load.job);
      // A lamp that burns all night in rain lights the road or the car.
      const lights = load.sort === 'lamp' && (load.use['night-rain-cold'] ?? 0) >= 0.9;
      const inside = load.job === 'cabin-lamp';
      if (!assist && !lights) return [];
      return [
        {
          subject: { kind: 'device', id, name },
          holds: load.essential || inside,
          assumed: inside && !load.essential ? [`${name} is a lamp for the inside, as told.`] : [],
          figures: {
            detail: load.essential
              ? 'it counts in hold-up'
              : inside
                ? 'it lights the inside only, as told'
                : assist
                  ? 'brake or steering assist: it has to last without the converter'
                  : 'it burns all night: it has to last without the converter',
          },
        },
      ];
    }),
  remedies:
    'Tick it as essential in Loads; hold-up is reckoned with it then. A lamp for the inside: say under “It serves as” that it is one.',
});

export const LOAD_RULES: readonly Rule[] = [told, essential, nightLamps, ...STOP_FEED_RULES];
