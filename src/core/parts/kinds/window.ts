import { nonNegative, positive } from '../fields';

/** Voltages between which a device on the bus works, and what it survives. */
export const WINDOW = {
  workingMinV: nonNegative(2000),
  workingMaxV: positive(2000),
  absoluteMaxV: positive(2000),
} as const;
