import type { Vehicle } from '../vehicle';
import { type SequenceSearch, sequenceKey, sequenceSearch } from './sequence';
import { tripHeatKey } from './trip-heat';
import { type TripRuns, tripRuns, tripRunsKey } from './trip-runs';

/** Something over time that takes longer than a frame: made beside, handed in, and good as long as nothing that it read has changed. */
export interface RunDefinition<Id extends string = string, Result = unknown> {
  readonly id: Id;
  /** Said of a check that rests on it while it is made: "being driven …". */
  readonly pendingWords: string;
  /** Of everything that it reads; null: something is missing, there is none to be made. */
  readonly key: (vehicle: Vehicle) => string | null;
  /** The key that a result was made with. */
  readonly keyOf: (result: Result) => string;
  /** Progress is told as a share of 1. Null: it could not be made after all. */
  readonly make: (vehicle: Vehicle, progress: (share: number) => void) => Result | null;
}

export const defineRun = <const Id extends string, Result>(run: RunDefinition<Id, Result>): RunDefinition<Id, Result> =>
  run;

/** The usual trip, new and mild, aged and cold, with the conductors that it heats. */
export const tripRun = defineRun({
  id: 'trip',
  pendingWords: 'being driven …',
  key: (vehicle) => tripHeatKey(vehicle, tripRunsKey(vehicle)),
  keyOf: ({ heat }: TripRuns) => heat.key,
  make: tripRuns,
});

/** Every state that the sequence can reach, with every single fault. */
export const sequenceRun = defineRun({
  id: 'sequence',
  pendingWords: 'being searched …',
  key: sequenceKey,
  keyOf: ({ key }: SequenceSearch) => key,
  make: sequenceSearch,
});

/** Every run. One line here gives it a place in the context, a worker and a slot at the bench. */
export const RUNS = [tripRun, sequenceRun] as const;

type AnyRun = (typeof RUNS)[number];
export type RunId = AnyRun['id'];
type ResultOf<Id extends RunId> = NonNullable<ReturnType<Extract<AnyRun, { readonly id: Id }>['make']>>;
/** What was made so far; what is not here, or was made of other figures, is still to be made. */
export type Runs = { readonly [Id in RunId]?: ResultOf<Id> | null };

const runOf = (id: RunId): RunDefinition<RunId, never> =>
  RUNS.find((run) => run.id === id) as unknown as RunDefinition<RunId, never>;

/** One run of a vehicle, made now. */
export const makeRun = <Id extends RunId>(
  id: Id,
  vehicle: Vehicle,
  progress: (share: number) => void = () => {},
): Runs[Id] => runOf(id).make(vehicle, progress) as Runs[Id];

/** Runs that this vehicle wants and that were not made of its figures, with the key that each would have. */
export function runsDue(vehicle: Vehicle, made: Runs): Readonly<Partial<Record<RunId, string>>> {
  const due: Partial<Record<RunId, string>> = {};
  for (const { id, key } of RUNS) {
    const wanted = key(vehicle);
    const result = made[id];
    if (wanted !== null && !(result && runOf(id).keyOf(result as never) === wanted)) due[id] = wanted;
  }
  return due;
}

/** What serves of before, and the rest made now: for whoever can wait. */
export function withRuns(vehicle: Vehicle, made: Runs): Runs {
  const due = Object.keys(runsDue(vehicle, made)) as RunId[];
  return { ...made, ...Object.fromEntries(due.map((id) => [id, makeRun(id, vehicle)])) };
}
