import {
  type Reads,
  reading,
  type Slots,
  sameRead,
  slot,
  slotsBehind,
  standsFor,
  standsIn,
  watcher,
} from '../build/reads';
import { type Heard, heardAgain, hearRule } from '../checks';
import { type RuleSet, ruleSetOf } from '../rules';
import { type PrechargeOutcome, prechargeRuns } from '../simulate';
import { room, unsureFigures, type Vehicle } from '../vehicle';
import type { Context } from './context';
import type { Rule } from './define';

const watch = watcher<Context>({
  vehicle: null,
  rules: slot('rules'),
  precharges: slot('precharges'),
  fullV: slot('fullV'),
  trip: slot('trip'),
  tripKey: slot('tripKey'),
  heat: slot('heat'),
  sequence: slot('sequence'),
});

/** A context that marks what is read of it, and what stands in its slots, vehicle and build included. */
export function watchContext(context: Context): { readonly context: Context; readonly slots: Slots } {
  const slots = [...(slotsBehind(context.vehicle) ?? [])];
  const watched = watch(context, slots);
  standsIn(watched, slots);
  standsFor(slots, context.vehicle);
  return { context: watched, slots };
}

const same = <T>(p: readonly T[], q: readonly T[]): boolean =>
  p.length === q.length && p.every((one, k) => one === q[k]);
const lastRuns = room((): { list: readonly PrechargeOutcome[] } => ({ list: [] }));

/** Precharge of every branch; the same list while every run is the one before. */
export function steadyPrecharges(vehicle: Vehicle): readonly PrechargeOutcome[] {
  const last = vehicle.memory.of(lastRuns);
  const list = prechargeRuns(vehicle);
  if (!same(list, last.list)) last.list = list;
  return last.list;
}

const lastRules = room((): { own: Vehicle['build']['ownLimits']; rules: RuleSet | null } => ({
  own: undefined,
  rules: null,
}));

/** What the build is judged by; the same while its own limits are. */
export function steadyRules({ build, memory }: Vehicle): RuleSet {
  const last = memory.of(lastRules);
  if (last.rules?.id !== build.ruleSet || last.own !== build.ownLimits || !last.rules) {
    last.rules = ruleSetOf(build.ruleSet, build.ownLimits);
    last.own = build.ownLimits;
  }
  return last.rules;
}

interface Remembered {
  readonly heard: Heard;
  readonly reads: Reads;
  readonly slots: Slots;
}
const judged = room(() => new Map<Rule, Remembered>());

/** What a rule says of a context: as before while all that it read then still stands, found out by reading. */
export function hear(rule: Rule, context: Context, slots: Slots): Heard {
  const known = context.vehicle.memory.of(judged);
  const last = known.get(rule);
  if (last && sameRead(last.reads, last.slots, slots)) {
    const heard = last.slots === slots ? last.heard : heardAgain(last.heard, rule, context);
    known.set(rule, { heard, reads: last.reads, slots });
    return heard;
  }
  const { value: heard, reads } = reading(() =>
    hearRule(rule, context, (subject) => unsureFigures(context.vehicle, subject)),
  );
  known.set(rule, { heard, reads, slots });
  return heard;
}
