import type { ElementRecord } from './meters';
import type { NodeName } from './netlist';

export interface SwitchEvent {
  readonly atS: number;
  readonly id: string;
  readonly closed: boolean;
}

/** Records when the voltage from a to b passes a level (rising, or falling). */
export interface Threshold {
  readonly id: string;
  readonly a: NodeName;
  readonly b: NodeName;
  readonly voltageV: number;
  readonly direction: 'rising' | 'falling';
}

export interface TransientOptions<S = never> {
  readonly stopS: number;
  readonly initial: 'rest' | 'operating-point';
  readonly events?: readonly SwitchEvent[];
  readonly thresholds?: readonly Threshold[];
  /** Instants at which `sample` is called, ascending, within [0, stopS]; what it answers is in the result. */
  readonly sampleTimesS?: readonly number[];
  readonly sample?: (timeS: number, probe: Probe) => S;
  /** Elements whose peaks and integrals are wanted; all when absent. */
  readonly watch?: readonly string[];
  /** Relative tolerance per step (1e-6). */
  readonly tolerance?: number;
  readonly mostSteps?: number;
  /** Ends the run when this threshold is passed. */
  readonly endAtThreshold?: string;
}

export interface Probe {
  /** Against the reference of the node's island. */
  nodeVoltage(node: NodeName): number;
  voltage(a: NodeName, b: NodeName): number;
  current(elementId: string): number;
}

export interface LoadSwitching {
  readonly atS: number;
  readonly id: string;
  readonly on: boolean;
  /** It switched so many times more, in the same rhythm, before the next entry of this load. */
  readonly again?: number;
}

/** The run was followed to its end. */
export interface Followed<S = never> {
  readonly converged: true;
  readonly steps: number;
  readonly samples: readonly S[];
  readonly elements: ReadonlyMap<string, ElementRecord>;
  /** Times at which each threshold was passed. */
  readonly crossingsS: ReadonlyMap<string, readonly number[]>;
  readonly loadSwitchings: readonly LoadSwitching[];
}

/** The run could not be followed to its end: there is no figure to be read, only how far it came and why not further. */
export interface NotFollowed {
  readonly converged: false;
  readonly reason: string;
  readonly steps: number;
  readonly reachedS: number;
}

export type TransientResult<S = never> = Followed<S> | NotFollowed;
