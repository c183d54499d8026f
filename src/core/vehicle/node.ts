import type { End } from '../build';
import type { NodeName } from '../circuit';

/** Every terminal is a node of the network. */
export const nodeOf = (end: End): NodeName => `${end.deviceId}.${end.terminal}`;
