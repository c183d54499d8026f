/** Limits that differ by region or are our own judgement, each with its source. */
export interface RuleSet {
  readonly id: 'iec' | 'north-america';
  readonly name: string;
  /** DC voltage above which a circuit is class B. */
  readonly classBDcV: { readonly value: number; readonly source: string };
  /** Highest pack voltage of the school that switches one pole only. */
  readonly singlePoleMostV: { readonly value: number; readonly source: string };
  /** Share of the pack voltage that the way to a consumer may lose. */
  readonly hvDropShare: { readonly value: number; readonly source: string };
  readonly prechargeMostS: { readonly value: number; readonly source: string };
}

const IEC: RuleSet = {
  id: 'iec',
  name: 'IEC practice',
  classBDcV: { value: 60, source: 'ISO 6469-3, voltage class B above 60 V DC' },
  singlePoleMostV: { value: 144, source: 'Practice of the single-pole school, 120–144 V (engineering judgement)' },
  hvDropShare: { value: 0.02, source: 'HV drive path 2 % (engineering judgement)' },
  prechargeMostS: { value: 2, source: 'Comfortable precharge 0.2–2 s (engineering judgement)' },
};

/** North America: no values of its own for these yet, so the same known ones are used and the source says so. */
const NORTH_AMERICA: RuleSet = {
  ...IEC,
  id: 'north-america',
  name: 'North America',
  classBDcV: { value: 60, source: 'FMVSS 305 high voltage source above 60 V DC' },
};

export const RULE_SETS: Readonly<Record<RuleSet['id'], RuleSet>> = { iec: IEC, 'north-america': NORTH_AMERICA };
