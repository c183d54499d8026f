/**
 * Where a figure of a part comes from. `generic`: left as the part had it that this one was made like; `unknown`: nobody knows it, a generic
 * figure stands in its place meanwhile and what rests on it stays undecided.
 */
export const ORIGINS = ['plate', 'sheet', 'measured', 'seller', 'guess', 'generic', 'unknown'] as const;
export type Origin = (typeof ORIGINS)[number];
export type Origins = Readonly<Record<string, Origin>>;
