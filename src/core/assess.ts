import type { Build } from './build';
import { type Check, checksOf, sortLedger } from './checks';
import {
  type RunId,
  type Runs,
  runsDue,
  type TripHeat,
  type TripRuns,
  tripHeatKey,
  tripRunsKey,
  withRuns,
} from './simulate';
import { type SequenceSearch, sequenceKey } from './simulate/sequence';
import { type Reservations, type Results, reservationsOf, resultsOf, STATIONS, type StationId } from './stations';
import { type Context, fullVoltage } from './stations/context';
import { hear, steadyPrecharges, steadyRules, watchContext } from './stations/watched';
import { Memory, type Vehicle, vehicleOf } from './vehicle';

export interface StationState {
  readonly checks: readonly Check[];
  /** What fails or is thin, else the smallest margin; null when none has one. A rule of no comfort may hold with less than one that is thin. */
  readonly thinnest: Check | null;
  /** Checks that fail or are undecided. */
  readonly open: number;
}

export interface Assessment {
  readonly build: Build;
  readonly vehicle: Vehicle;
  /** Whole vehicle, thinnest first. */
  readonly checks: readonly Check[];
  readonly stations: Readonly<Record<StationId, StationState>>;
  /** What every station judged. */
  readonly context: Context;
  /** What is not judged, and what is assumed. */
  readonly reservations: Reservations;
  /** What each station shows. */
  readonly results: Results;
  /** The usual trip, driven with just these figures; null while that is still to be done. */
  readonly trip: TripRuns | null;
  /** Null: something that the trip needs is missing. */
  readonly tripKey: string | null;
  /** Conductors heated on that trip; null while that is still to be done. */
  readonly heat: TripHeat | null;
  /** The sequence searched with just these answers; null while that is still to be done, or there is none. */
  readonly sequence: SequenceSearch | null;
  /** Runs that are still to be made, with the key of what each would read. */
  readonly due: Readonly<Partial<Record<RunId, string>>>;
  /** fails: something fails; undecided: nothing fails but something could not be judged; holds: all hold or are thin. */
  readonly outcome: 'holds' | 'fails' | 'undecided';
}

function stationState(checks: readonly Check[]): StationState {
  const thinnest =
    checks.find((check) => check.verdict === 'fails') ??
    checks.find((check) => check.verdict === 'thin') ??
    checks.filter((check) => check.margin !== undefined).sort((p, q) => p.margin! - q.margin!)[0] ??
    null;
  return {
    checks,
    thinnest,
    open: checks.filter((check) => check.verdict !== 'holds' && check.verdict !== 'thin').length,
  };
}

/** What an assessment is given beside the build: nothing of it changes an answer but runs that were made. */
export interface Given {
  /** Its owner's; a new one when none is handed in. */
  readonly memory?: Memory;
  readonly runs?: Runs;
}

/**
 * With every run that it needs made first: for whoever can wait, like the command line. Runs of another build serve again where this one
 * reads the same.
 */
export function assessWithRuns(build: Build, { memory = new Memory(), runs: known = {} }: Given = {}): Assessment {
  return assess(build, { memory, runs: withRuns(vehicleOf(build, memory), known) });
}

/** A build goes in, an assessment comes out: pure and quick. */
export function assess(build: Build, given: Given = {}): Assessment {
  const steps = assessing(build, given);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** A piece that can't be worked out is the business of the rule that reads it: it says so. */
function* quietly(pieces: Iterable<unknown>): Generator<void, void> {
  try {
    for (const _ of pieces) yield;
  } catch {}
}

/** The same a step at a time, a rule being one: for whoever must do other things between, like a page. */
export function* assessing(
  build: Build,
  { memory = new Memory(), runs = {} }: Given = {},
): Generator<void, Assessment, void> {
  const vehicle = vehicleOf(build, memory);
  yield;
  const precharges = steadyPrecharges(vehicle);
  const tripKey = tripRunsKey(vehicle);
  const trip = runs.trip && runs.trip.key === tripKey ? runs.trip : null;
  const heatKey = tripHeatKey(vehicle, tripKey);
  const heat = trip && trip.heat.key === heatKey ? trip.heat : null;
  const { context, slots } = watchContext({
    vehicle,
    rules: steadyRules(vehicle),
    precharges,
    fullV: fullVoltage(vehicle),
    trip,
    tripKey,
    heat,
    sequence: runs.sequence && runs.sequence.key === sequenceKey(vehicle) ? runs.sequence : null,
  });

  yield;
  const judged: Check[] = [];
  for (const { id, rules, ahead } of STATIONS) {
    if (ahead) yield* quietly(ahead(context));
    for (const rule of rules) {
      judged.push(...checksOf(id, rule, hear(rule, context, slots)));
      yield;
    }
  }
  const checks = sortLedger(judged);

  const stations = Object.fromEntries(
    STATIONS.map(({ id }) => [id, stationState(checks.filter(({ station }) => station === id))]),
  ) as Record<StationId, StationState>;
  const outcome = checks.some((check) => check.verdict === 'fails')
    ? 'fails'
    : checks.length === 0 || checks.some((check) => check.verdict !== 'holds' && check.verdict !== 'thin')
      ? 'undecided'
      : 'holds';
  const reservations = reservationsOf(context, STATIONS, checks);
  yield;
  const results = resultsOf(context);
  yield;
  return {
    build,
    vehicle,
    checks,
    stations,
    context,
    reservations,
    results,
    trip,
    tripKey,
    heat,
    sequence: context.sequence,
    due: runsDue(vehicle, runs),
    outcome,
  };
}
