export { emptyBuild } from './defaults';
export * from './edits';
export type { Problem } from './problem';
export { checkReferences, PART_OF_DEVICE } from './references';
export * from './types';
