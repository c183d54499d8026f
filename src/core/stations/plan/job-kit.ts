import type { Build, EndState, Id, InHand, JobMark, Stage } from '../../build';
import { fromBuild, type HarnessWire, harnessOf, type Wiring } from '../../vehicle';

/** One piece of work: from the design, or somebody’s own. */
export interface Job {
  readonly id: string;
  readonly name: string;
  readonly stage: Stage;
  /** Usual time, or as it was told, h. */
  readonly hours: number;
  readonly told: boolean;
  readonly zoneId: Id | null;
  readonly hv: boolean;
  readonly two: boolean;
  /** Jobs that come first; all of them are in the list. */
  readonly after: readonly string[];
  /** It is done: as ticked, or by what parts, ends and sheets say. */
  readonly done: boolean;
  /** Share of it that parts and ends say is done, 0–1. */
  readonly share: number;
  /** By what it is known to be done; null: it is ticked here. */
  readonly by: 'parts' | 'ends' | 'survey' | 'readings' | 'sheets' | null;
  readonly mark: JobMark | null;
  readonly own: boolean;
}

export type Draft = Omit<Job, 'done' | 'share' | 'mark' | 'own' | 'told' | 'by'> & {
  /** Null: nothing but a tick tells. */
  readonly known: { readonly share: number; readonly by: NonNullable<Job['by']> } | null;
};

/** Things big enough to be fetched, tried and mounted by themselves; hours of mounting (engineering judgement). */
export const BIG: Readonly<Record<string, number>> = {
  box: 8,
  motor: 8,
  inverter: 4,
  'charger-converter': 3,
  charger: 3,
  converter: 2,
  heater: 3,
  compressor: 3,
  'auxiliary-battery': 1,
};
export const SMALL: ReadonlySet<string> = new Set([
  'contactor',
  'fuse',
  'disconnect',
  'precharge-resistor',
  'discharge-resistor',
  'sensor',
  'junction',
  'capacitor',
  'emergency-stop',
  'inertia-switch',
  'interlock-contact',
]);
/** At the car, two do it: it is lifted. */
export const HEAVY: ReadonlySet<string> = new Set(['box', 'motor']);

export const HERE: ReadonlySet<string> = new Set([
  'here',
  'tested',
  'fitted',
  'made',
  'painted',
  'trial-fit',
  'replaced',
]);
export const FITTED: ReadonlySet<string> = new Set(['fitted']);

/** Ids of the document are 60 letters at most. */
export const jobId = (kind: string, id: string): string =>
  `${kind}.${id}`.replace(/[^A-Za-z0-9._-]+/g, '-').slice(0, 60);

export const listed = (build: Build, deviceId: Id): InHand | undefined =>
  Object.values(build.inHand ?? {}).find((one) => one.deviceId === deviceId);

/** Nobody knows it better. */
export const tenths = (hours: number): number => Math.round(hours * 10) / 10;

/** Ends of wires that are at least so far. */
export const AT_LEAST: Readonly<Record<'made' | 'routed' | 'landed' | 'tested', ReadonlySet<EndState>>> = {
  made: new Set(['crimped', 'routed', 'left-long', 'parked', 'landed', 'tested']),
  routed: new Set(['routed', 'left-long', 'parked', 'landed', 'tested']),
  landed: new Set(['landed', 'tested']),
  tested: new Set(['tested']),
};
export const shareOf = (wires: readonly HarnessWire[], far: keyof typeof AT_LEAST): number => {
  const ends = wires.flatMap(({ ends: { a, b } }) => [a, b]);
  return ends.length === 0
    ? 1
    : ends.filter(({ state, wrong }) => wrong === null && AT_LEAST[far].has(state)).length / ends.length;
};

/** Traction cables are made and landed by themselves, last of all. */
export const TRACTION = 'Traction cables';
export const loomName = ({ circuit, loom }: HarnessWire): string => (circuit === 'hv' ? TRACTION : loom);

/** Wires of each loom that is made and landed by itself. */
export const byLoom = fromBuild((vehicle: Wiring): ReadonlyMap<string, readonly HarnessWire[]> => {
  const looms = new Map<string, HarnessWire[]>();
  for (const wire of harnessOf(vehicle).wires) {
    const known = looms.get(loomName(wire));
    if (known) known.push(wire);
    else looms.set(loomName(wire), [wire]);
  }
  return looms;
});
