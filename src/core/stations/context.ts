import type { Id } from '../build';
import { type Finding, quantityText as q, type Ref } from '../checks';
import { told } from '../quantities';
import type { RuleSet, RuleValueName } from '../rules';
import type { PrechargeOutcome, TripHeat, TripRuns } from '../simulate';
import type { SequenceSearch } from '../simulate/sequence';
import {
  followsVehicle,
  inverterPowerW,
  partOf,
  type ResolvedConductor,
  type ResolvedDevice,
  roadModel,
  type SolvedCase,
  type SolvedState,
  solvedStates,
  type Vehicle,
} from '../vehicle';

/** What every station judges: the same solved vehicle and the same runs. */
export interface Context {
  readonly vehicle: Vehicle;
  readonly rules: RuleSet;
  /** Precharge of every branch with a resistor. */
  readonly precharges: readonly PrechargeOutcome[];
  /** The usual trip as driven with just these figures; null while it is not driven yet, or can't be. */
  readonly trip: TripRuns | null;
  /** What it would read; null: something that it needs is missing. */
  readonly tripKey: string | null;
  /** Conductors heated on the usual trip; null while that is not done yet. */
  readonly heat: TripHeat | null;
  /** The sequence searched with just these answers; null while that is still to be done, or there is none. */
  readonly sequence: SequenceSearch | null;
  /** Highest voltage between any two points of the circuit with the pack full, V; null while unsolved. */
  readonly fullV: number | null;
}

/** Whether there is a pack or a device in the circuit yet: an empty build is asked for these first, and for nothing else. */
export const begun = ({ vehicle }: Pick<Context, 'vehicle'>): boolean => vehicle.devices.length > 0;

/** Sources of the values that a rule takes from the rule set that the build follows. */
export const fromRules =
  (...names: readonly RuleValueName[]) =>
  ({ rules }: Context): readonly string[] =>
    names.map((name) => rules[name].source);

export const PACK_REF: Ref = { kind: 'pack', id: 'pack', name: 'Pack' };
export const deviceRef = (device: ResolvedDevice): Ref => ({ kind: 'device', id: device.id, name: device.device.name });
export const conductorRef = (conductor: ResolvedConductor): Ref => ({
  kind: 'conductor',
  id: conductor.id,
  name: conductor.conductor.name,
});

/** Where the inverter's power comes from, said wherever a current rests on it. */
export const powerFrom = ({ build }: Vehicle): string => {
  if (!followsVehicle(build)) return 'Inverter power is typed, not computed from the vehicle.';
  const assumed = roadModel(build)?.assumed ?? [];
  return `Cruise and hill power follow from the vehicle and its speeds; hard acceleration is the inverter’s limit.${
    assumed.length > 0 ? ` Assumed for them: ${assumed.join('; ')}.` : ''
  }`;
};

export const sustainedCases = (vehicle: Vehicle): SolvedState[] =>
  solvedStates(vehicle).filter((solved) => solved.state.duration === 'sustained');

/** A device whose part is not chosen can't be judged. */
export const needsPart = (device: ResolvedDevice): Finding => ({
  subject: deviceRef(device),
  missing: [{ ref: deviceRef(device), what: 'part' }],
});

/** Said wherever a device's ambient is used while its place is not known. */
export const assumedAmbient = (device: ResolvedDevice): readonly string[] =>
  device.device.place === null ? [`${told(device.ambientC, 'temperature', 3)} around it: its place is not known.`] : [];

/** Said wherever full charge is the demand. */
export function fullOnly({ build }: Vehicle): string {
  const powerW = -inverterPowerW(build, 'regeneration');
  const assumed =
    build.duty.regenerationPowerW === undefined && build.states.regeneration?.inverterPowerW === undefined;
  return `${
    powerW > 0
      ? `With regeneration of ${q(powerW, 'power')}${assumed ? ', which nobody told,' : ''} into the full pack`
      : 'Without regeneration'
  }; the charger’s own highest voltage is not counted yet.`;
}

/** From this ambient on the heat balance reads about a tenth above the constants of IEC 60287. */
const HOT_PLACE_C = 80;
export const hotPlace = (conductor: ResolvedConductor): readonly string[] =>
  (conductor.zone?.ambientC ?? 0) >= HOT_PLACE_C
    ? ['So hot a place: the heat balance reads about 10 % above the IEC 60287 constants there. Keep 10 % more in hand.']
    : [];

/** The case in which |current| through an element is largest. */
export function worstCurrent(
  cases: readonly SolvedState[],
  elementId: Id,
): { solved: SolvedState; currentA: number } | null {
  let worst: { solved: SolvedState; currentA: number } | null = null;
  for (const solved of cases) {
    const currentA = Math.abs(solved.point.elementCurrentsA.get(elementId) ?? 0);
    if (!worst || currentA > worst.currentA) worst = { solved, currentA };
  }
  return worst;
}

/**
 * Checks that need a case without an operating point wait until the pack can give the power. Steady checks read sustained
 * cases only, so a peak that can't be given does not hold them up.
 */
export const packMustDeliver = (vehicle: Vehicle, duration: 'sustained' | 'any' = 'any') =>
  vehicle.cases.some(
    (solved) => !solved.point.solvable && (duration === 'any' || solved.state.duration === 'sustained'),
  )
    ? [{ ref: PACK_REF, what: 'gives the power asked' }]
    : undefined;

export const NEEDS_CELLS = [{ ref: PACK_REF, what: 'cells' }];

/** Devices on the bus with the window of voltage that they live with. */
export const windows = ({ devices }: Vehicle) =>
  devices.flatMap((device) => {
    const limits = partOf(device, 'inverter')?.window ?? partOf(device, 'bus-device')?.window;
    return limits ? [{ device, limits }] : [];
  });

/** Largest difference between nodes of one island over the cases at full charge, V. */
export function fullVoltage(vehicle: Vehicle): number | null {
  let highest: number | null = null;
  for (const { corner, point } of vehicle.cases) {
    if (corner.id !== 'warm-new-full' || !point.solvable) continue;
    const range = new Map<string, { low: number; high: number }>();
    for (const [node, v] of point.nodeVoltagesV) {
      const island = point.referenceOf.get(node)!;
      const seen = range.get(island) ?? { low: v, high: v };
      range.set(island, { low: Math.min(seen.low, v), high: Math.max(seen.high, v) });
    }
    for (const { low, high } of range.values()) highest = Math.max(highest ?? 0, high - low);
  }
  // A solution that is made anew moves in its last digits.
  return highest === null ? null : Math.round(highest * 1e9) / 1e9;
}

export const corner = (solved: SolvedCase): string => `${solved.state.name}, ${solved.corner.name}`;
export const amps = (value: number) => ({ value, dimension: 'current' as const });
export const volts = (value: number) => ({ value, dimension: 'voltage' as const });
export const watts = (value: number) => ({ value, dimension: 'power' as const });
export const celsius = (value: number) => ({ value, dimension: 'temperature' as const });
