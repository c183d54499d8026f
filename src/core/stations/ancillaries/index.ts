import { defineStation } from '../define';
import { BOOSTER_RULES } from './booster-rules';
import { COOLING_RULES } from './cooling-rules';
import { HEATING_RULES } from './heating-rules';
import { ancillariesResults } from './results';
import { STEERING_RULES } from './steering-rules';
import { VACUUM_RULES } from './vacuum-rules';

/** How are braking, steering, heating and cooling replaced? */
export const ancillaries = defineStation({
  id: 'ancillaries',
  name: 'Ancillaries',
  question: 'How are braking, steering, heating and cooling replaced?',
  key: 'n',
  begin: 'choose in Survey how brakes, steering, heating and cooling are replaced',
  rules: [...VACUUM_RULES, ...BOOSTER_RULES, ...STEERING_RULES, ...HEATING_RULES, ...COOLING_RULES],
  leaves: () => [
    'Heat and fade of the brakes with the new mass, pedal force, air conditioning, gauges and their senders.',
    'Brakes and steering: a licensed person inspects and signs them.',
  ],
  results: ancillariesResults,
});

export type { AncillariesResults } from './results';
