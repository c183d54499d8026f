export { emptyBuild } from './defaults';
export {
  DEVICE_KINDS,
  DEVICES,
  type DeviceDefinition,
  deviceDefinition,
  hasTrait,
  PHASES,
  type Trait,
} from './devices';
export * from './edits';
export {
  asMeasured,
  canRead,
  countedReading,
  designedValue,
  isOfPart,
  type Measurable,
  measurableOf,
  measurablesOf,
  oddTimes,
  WHOLE,
} from './measurable';
export { type Merge, mergeRecords, mergeWords } from './merge';
export { usableShare, usableWords } from './pack-limits';
export type { Problem } from './problem';
export { checkReferences } from './references';
export { SAFEGUARDS, type SafeguardId, type Safeguards } from './safeguards';
export * from './types';
