import type { Proposer as Proposes, Ref } from '../checks';
import type { PrechargeOutcome } from '../simulate';
import type { ResolvedDevice, Vehicle } from '../vehicle';

/** What a proposal reads: part of what a rule judges. */
export interface Setting {
  readonly vehicle: Vehicle;
  /** Highest voltage between two points of the circuit with the pack full, V; null while unsolved. */
  readonly fullV: number | null;
  readonly precharges: readonly PrechargeOutcome[];
}

/** Edits worth trying, smallest change first. They prove nothing: the model does. */
export type Proposer = Proposes<Setting>;

export const deviceOf = ({ vehicle }: Setting, { subject }: { readonly subject: Ref }): ResolvedDevice | undefined =>
  vehicle.deviceOf.get(subject.id);
