import type { Dimension } from '../quantities';
import { told } from '../quantities';

/** Limits that differ by region or are our own judgement, each with its source. A value is a most: less is stricter; `atLeast` ones the other way. */
export interface RuleValue {
  readonly value: number;
  readonly source: string;
}

export interface RuleValues {
  /** DC voltage above which a circuit is class B. */
  readonly classBDcV: RuleValue;
  /** Highest pack voltage of the school that switches one pole only. */
  readonly singlePoleMostV: RuleValue;
  /** Share of the pack voltage that the way to a consumer may lose. */
  readonly hvDropShare: RuleValue;
  readonly prechargeMostS: RuleValue;
  /** From opening to class A through the bleeds, and when told to. */
  readonly passiveDischargeS: RuleValue;
  readonly activeDischargeS: RuleValue;
  /** Charge of the filters to the body that can't hurt. */
  readonly harmlessJ: RuleValue;
  /** Cable between cells and their first fuse. */
  readonly unprotectedM: RuleValue;
  /** Melting at the weakest fault. */
  readonly meltingS: RuleValue;
  /** Insulation to the body per volt of the working voltage, DC and AC on one bus: at least so much. */
  readonly insulationOhmPerV: RuleValue;
  /** Accelerations that a traction battery's fixings hold, in g: at least so much. */
  readonly restraintForwardG: RuleValue;
  readonly restraintSideG: RuleValue;
  readonly restraintUpG: RuleValue;
  /** Braking by the motor without the brake pedal from which the brake lamps have to be lit, m/s². */
  readonly lampFromMPerS2: RuleValue;
}
export type RuleValueName = keyof RuleValues;

export interface RuleSet extends RuleValues {
  readonly id: 'iec' | 'north-america' | 'own';
  readonly name: string;
}

/** Of these a greater value is the stricter one. */
export const AT_LEAST: ReadonlySet<RuleValueName> = new Set<RuleValueName>([
  'insulationOhmPerV',
  'restraintForwardG',
  'restraintSideG',
  'restraintUpG',
]);

const IEC_VALUES: RuleValues = {
  classBDcV: { value: 60, source: 'ISO 6469-3: voltage class B above 60 V DC' },
  singlePoleMostV: { value: 144, source: 'Practice of single-pole switching, 120–144 V (engineering judgement)' },
  hvDropShare: { value: 0.02, source: 'HV drive path 2 % (engineering judgement)' },
  prechargeMostS: { value: 2, source: 'Comfortable precharge 0.2–2 s (engineering judgement)' },
  passiveDischargeS: { value: 120, source: 'Passive discharge within 60–120 s (common practice)' },
  activeDischargeS: { value: 5, source: 'Within 5 s of opening: ISO 6469-4, UN R100 (crash)' },
  harmlessJ: { value: 0.2, source: 'ISO 6469-3: under 0.2 J' },
  unprotectedM: {
    value: 0.2,
    source: `At most ${told(0.2, 'length')} before a fuse, or doubly insulated and guarded (practice; IEC 60364-4-43, 434.2.1 by analogy)`,
  },
  meltingS: { value: 5, source: 'IEC 60364-4-41: 5 s for circuits that feed others' },
  insulationOhmPerV: { value: 500, source: 'UN R100 and ISO 6469-3: 500 Ω/V, DC and AC on one bus' },
  restraintForwardG: {
    value: 20,
    source: 'UN R100, mechanical shock of light vehicles: 20 g along (from memory: verify)',
  },
  restraintSideG: { value: 8, source: 'UN R100, mechanical shock of light vehicles: 8 g across (from memory: verify)' },
  restraintUpG: { value: 5, source: 'Upward 5 g (engineering judgement)' },
  lampFromMPerS2: { value: 1.3, source: 'UN R13-H: brake lamps from 1.3 m/s² (may from 0.7; check local code)' },
};

/** What North American texts set themselves; the rest they leave open. */
const NORTH_AMERICAN_VALUES: Partial<RuleValues> = {
  classBDcV: { value: 60, source: 'FMVSS 305: high voltage source above 60 V DC' },
  insulationOhmPerV: { value: 500, source: 'FMVSS 305: 500 Ω/V where AC and DC are joined' },
  harmlessJ: { value: 0.2, source: 'FMVSS 305: under 0.2 J' },
};

/** A set's own values; where it has none, the stricter one known, and the source says so. */
export function withOwn(own: Partial<RuleValues>, known: readonly RuleValues[], setName: string): RuleValues {
  const names = Object.keys(known[0]!) as RuleValueName[];
  const values = names.map((name): [RuleValueName, RuleValue] => {
    const ours = own[name];
    if (ours) return [name, ours];
    const strict = known
      .map((values) => values[name])
      .sort((p, q) => (AT_LEAST.has(name) ? q.value - p.value : p.value - q.value))[0]!;
    return [
      name,
      {
        value: strict.value,
        source: `${strict.source}. ${setName} has no value of its own: the stricter known one is used`,
      },
    ];
  });
  return Object.fromEntries(values) as unknown as RuleValues;
}

const IEC: RuleSet = { id: 'iec', name: 'IEC practice', ...IEC_VALUES };
const NORTH_AMERICA: RuleSet = {
  id: 'north-america',
  name: 'North America',
  ...withOwn(NORTH_AMERICAN_VALUES, [IEC_VALUES], 'North America'),
};

export const RULE_SETS: Readonly<Record<'iec' | 'north-america', RuleSet>> = {
  iec: IEC,
  'north-america': NORTH_AMERICA,
};

/** Limits in words, in the order in which they are asked; a unit where the value is not plain. */
export const LIMIT_WORDS: Readonly<Record<RuleValueName, { readonly label: string; readonly dimension: Dimension }>> = {
  classBDcV: { label: 'High voltage from', dimension: 'voltage' },
  singlePoleMostV: { label: 'One pole switched, up to', dimension: 'voltage' },
  hvDropShare: { label: 'Voltage lost on the way', dimension: 'ratio' },
  prechargeMostS: { label: 'Precharge within', dimension: 'time' },
  passiveDischargeS: { label: 'Discharged by its bleeds within', dimension: 'time' },
  activeDischargeS: { label: 'Discharged when told within', dimension: 'time' },
  harmlessJ: { label: 'Harmless energy of the filters', dimension: 'energy' },
  unprotectedM: { label: 'Cable before its fuse', dimension: 'length' },
  meltingS: { label: 'Weakest fault cleared within', dimension: 'time' },
  insulationOhmPerV: { label: 'Insulation, Ω a volt', dimension: 'count' },
  restraintForwardG: { label: 'Boxes held forward, g', dimension: 'count' },
  restraintSideG: { label: 'Boxes held sideways, g', dimension: 'count' },
  restraintUpG: { label: 'Boxes held up, g', dimension: 'count' },
  lampFromMPerS2: { label: 'Brake lamps lit from, m/s²', dimension: 'count' },
};

/** The set that a build follows; `own` has the limits that its owner states and the strictest known ones for the rest. */
export function ruleSetOf(
  id: RuleSet['id'],
  ownLimits: Readonly<Partial<Record<RuleValueName, number>>> = {},
): RuleSet {
  if (id !== 'own') return RULE_SETS[id];
  const stated = (Object.keys(IEC_VALUES) as RuleValueName[]).flatMap((name): [RuleValueName, RuleValue][] => {
    const value = Object.hasOwn(ownLimits, name) ? ownLimits[name] : undefined;
    return value === undefined ? [] : [[name, { value, source: 'Own limit, stated in Survey' }]];
  });
  return {
    id: 'own',
    name: 'Own limits',
    ...withOwn(Object.fromEntries(stated), [IEC, NORTH_AMERICA], 'The own set'),
  };
}
