import { defineStation } from '../define';
import { END_RULES } from './end-rules';
import { chargingResults } from './results';
import { SUPPLY_RULES } from './supply-rules';

/** How, from which supply, how long, to what voltage? */
export const charging = defineStation({
  id: 'charging',
  name: 'Charging',
  question: 'How, from which supply, how long, to what voltage?',
  key: 'g',
  begin: 'put a charger on the bus in HV circuit, and tell the supply',
  rules: [...SUPPLY_RULES, ...END_RULES],
  leaves: () => [
    'The plug’s own signals, cable and breaker of the supply’s side in the car, and fast charging with direct current.',
  ],
  results: chargingResults,
});

export type { ChargingResults } from './results';
