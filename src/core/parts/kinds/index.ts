import { busDevice } from './bus-device';
import { cable } from './cable';
import { cell } from './cell';
import { contactor } from './contactor';
import { disconnect } from './disconnect';
import { fuse } from './fuse';
import { inverter } from './inverter';
import { motor } from './motor';
import { resistor } from './resistor';
import { sensor } from './sensor';

/**
 * Every kind of part. A new kind is its file and a line here: type, schema, table columns and editor follow; whatever else it needs does not
 * compile without it.
 */
export const PART_KINDS = [
  cell,
  cable,
  fuse,
  contactor,
  resistor,
  disconnect,
  inverter,
  busDevice,
  motor,
  sensor,
] as const;

export type { PartDefinition } from './definition';
