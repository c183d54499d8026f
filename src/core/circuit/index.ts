export { collapseChains } from './collapse';
export { FaultNetwork, type FaultPoint } from './fault';
export type { ElementRecord } from './meters';
export type { Capacitor, Element, Inductor, Network, NodeName, PowerLoad, Resistor, Source, Switch } from './netlist';
export { NetworkError } from './netlist';
export {
  type OperatingPoint,
  OperatingPointSolver,
  operatingPoint,
  type SolvedPoint,
  type UnsolvedPoint,
} from './operating-point';
export { Sets } from './topology';
export {
  type Followed,
  firstInstant,
  type NotFollowed,
  type Probe,
  type SwitchEvent,
  type Threshold,
  type TransientOptions,
  type TransientResult,
  transient,
} from './transient';
