export { emptyBuild } from './defaults';
export * from './edits';
export { usableShare, usableWords } from './pack-limits';
export type { Problem } from './problem';
export { checkReferences, PART_OF_DEVICE } from './references';
export * from './types';
