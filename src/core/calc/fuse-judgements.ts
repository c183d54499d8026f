import { marginAtMost, type Verdict, verdictOf } from '../checks';
import { type CurrentFor, continuousCurrent, isFullRange, pulseCurrent, usableDcVoltage } from '../physics/fuse';
import type { Clearing } from '../physics/fuse-clearing';

/** A fuse as data; null: not stated. */
export interface FuseData {
  readonly ratedCurrentA: number;
  readonly ratedVoltageDcV: number | null;
  readonly ratedVoltageAcV?: number | null;
  readonly breakingCapacityA?: number | null;
  readonly minimumBreakingMultiple?: number | null;
  readonly multiples: readonly number[];
  readonly fusingMultiple: number;
  readonly nonFusingMultiple?: number | null;
  readonly ratedTimeConstantS: number;
  readonly totalOverPreArcing: number;
  readonly dropAtRatedV: number;
  readonly temperatureLimitC: number;
  readonly continuousFactor: number;
}

/** One fuse in its zone; null or absent: not known. */
export interface FuseCase {
  readonly fuse: FuseData;
  readonly systemMaxVoltageV?: number | null;
  readonly prospectiveMaxA?: number | null;
  readonly prospectiveMinA?: number | null;
  readonly loopTimeConstantS?: number | null;
  readonly profile?: readonly CurrentFor[] | null;
  readonly lifeCycles?: number | null;
  readonly ambientC?: number | null;
  readonly cable?: { readonly k2s2A2s?: number | null; readonly continuousA?: number | null } | null;
  readonly unprotectedLengthM?: number | null;
  readonly atSourceEnd?: boolean | null;
  readonly otherOverloadProtection?: boolean | null;
  readonly contactor?: { readonly withstandI2tA2s?: number | null; readonly peakA?: number | null } | null;
  readonly upstreamPreArcingI2tA2s?: number | null;
  readonly parallelStrings?: number | null;
  readonly rmsCurrentA: number | null;
  /** On the slow edge, at the highest and at the lowest prospective current. */
  readonly atMax: Clearing | null;
  readonly atMin: Clearing | null;
}

export interface Judgement {
  readonly verdict: Verdict;
  readonly demand: number | null;
  readonly limit: number | null;
  readonly margin: number | null;
}

const open = (verdict: 'needs-data' | 'waits'): Judgement => ({ verdict, demand: null, limit: null, margin: null });
const NEEDS = open('needs-data');
const WAITS = open('waits');
const yesNo = (holds: boolean, demand: number | null = null, limit: number | null = null): Judgement => ({
  verdict: holds ? 'holds' : 'fails',
  demand,
  limit,
  margin: null,
});
const atMost = (demand: number, limit: number): Judgement => {
  const margin = marginAtMost(demand, limit);
  return { verdict: verdictOf(margin), demand, limit, margin: Number.isFinite(margin) ? margin : null };
};
/** Of several conditions the one with the least margin. */
const worst = (...all: readonly Judgement[]): Judgement =>
  all.reduce((p, q) => ((q.margin ?? Number.NEGATIVE_INFINITY) < (p.margin ?? Number.NEGATIVE_INFINITY) ? q : p));

type Judge = (subject: FuseCase, before: Readonly<Record<string, Judgement>>) => Judgement;

/** Longest time in which the lowest fault current has to melt it, s (IEC 60364-4-41: 5 s for circuits that feed others). */
const LONGEST_MELT_S = 5;
/** Cable between source terminal and fuse, m (generic). */
const UNPROTECTED_M = 0.2;
/** Downstream total against upstream pre-arcing I²t. */
const SELECTIVITY = 0.75;

/** A clearing I²t means something only when the fuse is proved to break: what its proofs say together. */
function proof(
  before: Readonly<Record<string, Judgement>>,
  ...ids: readonly string[]
): 'proved' | 'open' | 'not-proved' {
  const verdicts = ids.map((id) => before[id]!.verdict);
  if (verdicts.some((verdict) => verdict === 'fails' || verdict === 'waits')) return 'not-proved';
  return verdicts.includes('needs-data') ? 'open' : 'proved';
}
const AT_MAX = ['fuse.dc-rating', 'fuse.dc-voltage', 'fuse.breaking-capacity'] as const;

/** In the order in which one rests on another. Ids as in the ledger. */
export const FUSE_JUDGEMENTS: Readonly<Record<string, Judge>> = {
  'fuse.dc-rating': ({ fuse }) => yesNo(fuse.ratedVoltageDcV !== null),

  'fuse.dc-voltage': ({ fuse, systemMaxVoltageV, loopTimeConstantS }) => {
    const { ratedVoltageDcV } = fuse;
    if (ratedVoltageDcV === null) return WAITS;
    if (systemMaxVoltageV == null || loopTimeConstantS == null) return NEEDS;
    return atMost(systemMaxVoltageV, usableDcVoltage({ ...fuse, ratedVoltageDcV }, loopTimeConstantS));
  },

  // A fault inside one of n strings side by side is fed through its fuse by the other n − 1.
  'fuse.breaking-capacity': ({ fuse, prospectiveMaxA, parallelStrings }) =>
    prospectiveMaxA == null || fuse.breakingCapacityA == null
      ? NEEDS
      : atMost(prospectiveMaxA * Math.max(1, (parallelStrings ?? 1) - 1), fuse.breakingCapacityA),

  'fuse.minimum-breaking': ({ fuse, prospectiveMinA }) =>
    prospectiveMinA == null || fuse.minimumBreakingMultiple == null
      ? NEEDS
      : atMost(fuse.minimumBreakingMultiple * fuse.ratedCurrentA, prospectiveMinA),

  'fuse.continuous': ({ fuse, rmsCurrentA, ambientC }) =>
    rmsCurrentA === null || ambientC == null ? NEEDS : atMost(rmsCurrentA, continuousCurrent(fuse, ambientC)),

  'fuse.cyclic': ({ fuse, profile, lifeCycles }) =>
    profile == null || profile.length === 0 || lifeCycles == null
      ? NEEDS
      : worst(
          ...profile.map(({ currentA, durationS }) =>
            atMost(Math.abs(currentA), pulseCurrent(fuse, durationS, lifeCycles)),
          ),
        ),

  'fuse.cable-overload': ({ fuse, cable, otherOverloadProtection }) => {
    const carriesA = cable?.continuousA;
    if (otherOverloadProtection === true) return yesNo(true, fuse.ratedCurrentA, carriesA ?? null);
    if (fuse.minimumBreakingMultiple == null) return NEEDS;
    if (!isFullRange(fuse.minimumBreakingMultiple))
      return otherOverloadProtection == null ? NEEDS : yesNo(false, fuse.ratedCurrentA, carriesA ?? null);
    if (carriesA == null) return NEEDS;
    return worst(
      atMost(fuse.ratedCurrentA, carriesA),
      atMost(fuse.fusingMultiple * fuse.ratedCurrentA, 1.45 * carriesA),
    );
  },

  'fuse.cable-short': ({ cable, atMax, atMin }, before) => {
    const proved = proof(before, ...AT_MAX, 'fuse.minimum-breaking');
    if (proved === 'not-proved') return WAITS;
    const limit = cable?.k2s2A2s;
    if (proved === 'open' || limit == null || !atMax || !atMin) return NEEDS;
    // Proved to break, and yet it never melts on its slow edge: the cable takes the current for ever.
    if (atMax.totalI2tA2s === null || atMin.totalI2tA2s === null) return yesNo(false, null, limit);
    return atMost(Math.max(atMax.totalI2tA2s, atMin.totalI2tA2s), limit);
  },

  'fuse.melting-time': ({ atMin }) => {
    if (!atMin) return NEEDS;
    return atMin.meltTimeS === null ? yesNo(false, null, LONGEST_MELT_S) : atMost(atMin.meltTimeS, LONGEST_MELT_S);
  },

  'fuse.unprotected-length': ({ unprotectedLengthM, atSourceEnd }) => {
    if (atSourceEnd === false) return yesNo(false, unprotectedLengthM ?? null, UNPROTECTED_M);
    return unprotectedLengthM == null || atSourceEnd == null ? NEEDS : atMost(unprotectedLengthM, UNPROTECTED_M);
  },

  'fuse.selectivity': ({ upstreamPreArcingI2tA2s, atMax }, before) => {
    if (upstreamPreArcingI2tA2s == null) return NEEDS;
    const proved = proof(before, ...AT_MAX);
    if (proved === 'not-proved') return WAITS;
    if (proved === 'open' || !atMax) return NEEDS;
    const limit = SELECTIVITY * upstreamPreArcingI2tA2s;
    return atMax.totalI2tA2s === null ? yesNo(false, null, limit) : atMost(atMax.totalI2tA2s, limit);
  },

  'fuse.contactor-withstand': ({ contactor, atMax }, before) => {
    if (contactor?.withstandI2tA2s == null || contactor.peakA == null) return NEEDS;
    const proved = proof(before, ...AT_MAX);
    if (proved === 'not-proved') return WAITS;
    if (proved === 'open' || !atMax) return NEEDS;
    if (atMax.totalI2tA2s === null) return yesNo(false, null, contactor.withstandI2tA2s);
    return worst(atMost(atMax.totalI2tA2s, contactor.withstandI2tA2s), atMost(atMax.letThroughA, contactor.peakA));
  },

  // One fuse by itself says nothing of the branches behind it: the build does.
  'fuse.branch': () => NEEDS,
};
