import { defineStation } from '../define';
import { COLD_RULES } from './cold-rules';
import { END_RULES } from './end-rules';
import { HOT_RULES } from './hot-rules';
import { MAINS_RULES } from './mains-rules';
import { MEANWHILE_RULES } from './meanwhile-rules';
import { PLUG_RULES } from './plug-rules';
import { chargingResults } from './results';
import { SUPPLY_RULES } from './supply-rules';

/** How, from which supply, how long, to what voltage? */
export const charging = defineStation({
  id: 'charging',
  name: 'Charging',
  question: 'How, from which supply, how long, to what voltage?',
  key: 'g',
  begin: 'put a charger on the bus in HV circuit, and tell the supply',
  rules: [
    ...PLUG_RULES,
    ...SUPPLY_RULES,
    ...MAINS_RULES,
    ...END_RULES,
    ...COLD_RULES,
    ...HOT_RULES,
    ...MEANWHILE_RULES,
  ],
  leaves: () => ['The plug’s own signals (a quick sum works them out), and fast charging with direct current.'],
  results: chargingResults,
});

export type { ChargingResults } from './results';
