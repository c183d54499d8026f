import { defineStation } from '../define';
import { AIR_RULES } from './air-rules';
import { BOOSTER_RULES } from './booster-rules';
import { COLUMN_RULES } from './column-rules';
import { COOLING_RULES } from './cooling-rules';
import { GAUGE_RULES } from './gauge-rules';
import { HEATING_RULES } from './heating-rules';
import { PEDAL_RULES } from './pedal-rules';
import { ancillariesResults } from './results';
import { STEERING_RULES } from './steering-rules';
import { VACUUM_FITTING_RULES } from './vacuum-fitting-rules';
import { VACUUM_RULES } from './vacuum-rules';

/** How are braking, steering, heating and cooling replaced? */
export const ancillaries = defineStation({
  id: 'ancillaries',
  name: 'Ancillaries',
  question: 'How are braking, steering, heating and cooling replaced?',
  key: 'n',
  begin: 'choose in Survey how brakes, steering, heating and cooling are replaced',
  rules: [
    ...VACUUM_RULES,
    ...VACUUM_FITTING_RULES,
    ...BOOSTER_RULES,
    ...PEDAL_RULES,
    ...STEERING_RULES,
    ...COLUMN_RULES,
    ...HEATING_RULES,
    ...AIR_RULES,
    ...COOLING_RULES,
    ...GAUGE_RULES,
  ],
  leaves: ({ vehicle: { build, devices } }) => [
    ...(build.schools.brakes === undefined ? ['Brakes: how they are assisted is not entered.'] : []),
    ...(build.schools.steering === undefined ? ['Steering: how it is assisted is not entered.'] : []),
    ...(build.gauges === undefined ? ['Gauges and warning lamps: nothing of them is entered.'] : []),
    ...(devices.some(({ device }) => device.kind === 'heater')
      ? ['The cold inrush of a heating element against its fuse: its sheet says how much and for how long.']
      : []),
    'What a compressor does to the range, and how cold it gets; where the brakes are shared between front and rear.',
    'Brakes and steering: a licensed person inspects and signs them.',
  ],
  results: ancillariesResults,
});

export type { AncillariesResults } from './results';
