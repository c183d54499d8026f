import type { PackLimits } from './types';

/** Share of the charge that is driven: from what it is charged to down to where driving stops, never below 0. */
export const usableShare = ({ socFull = 1, socEmpty }: PackLimits): number => Math.max(0, socFull - socEmpty);

/** The same as a person writes it. */
export const usableWords = ({ socFull = 1, socEmpty }: PackLimits): string => `(${socFull} − ${socEmpty})`;
