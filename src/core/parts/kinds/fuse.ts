import { atLeast, choice, nullable, optional, positive, row } from '../fields';
import { definePart } from './definition';

/** Fuse link. */
export const fuse = definePart({
  kind: 'fuse',
  words: 'Fuses',
  fields: {
    family: choice('ar', 'traction', 'strip', 'blade', 'blade-large'),
    ratedCurrentA: positive(100000),
    /** Null: no DC voltage is stated. */
    ratedVoltageDcV: nullable(positive(2000)),
    ratedVoltageAcV: nullable(positive(2000)),
    breakingCapacityA: positive(1e6),
    minimumBreakingMultiple: positive(100),
    multiples: row(7, positive(1000)),
    fusingMultiple: positive(100),
    nonFusingMultiple: positive(100),
    ratedTimeConstantS: positive(10),
    totalOverPreArcing: positive(100),
    dropAtRatedV: positive(10),
    temperatureLimitC: atLeast(50, 300),
    continuousFactor: positive(1),
    /** Its terminals bear so much, °C; absent: not stated. */
    terminalC: optional(atLeast(40, 300)),
  },
});
