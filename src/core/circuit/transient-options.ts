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

export interface TransientOptions {
  readonly stopS: number;
  readonly initial: 'rest' | 'operating-point';
  readonly events?: readonly SwitchEvent[];
  readonly thresholds?: readonly Threshold[];
  /** Instants at which `onSample` is called, ascending, within [0, stopS]. */
  readonly sampleTimesS?: readonly number[];
  readonly onSample?: (timeS: number, probe: Probe) => void;
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
}

export interface TransientResult {
  /** False when the tolerance could not be kept; `reason` says why and where. */
  readonly converged: boolean;
  readonly reason?: string;
  readonly steps: number;
  readonly elements: ReadonlyMap<string, ElementRecord>;
  /** Times at which each threshold was passed. */
  readonly crossingsS: ReadonlyMap<string, readonly number[]>;
  readonly loadSwitchings: readonly LoadSwitching[];
}
