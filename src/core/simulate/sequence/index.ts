export * from './bits';
export { eventsOf, possibleFaults, type SearchEvent, withInput } from './events';
export { Machine } from './machine';
export { allAre, PROPERTIES, type Property, type Seen, seenOf, signalIs, unknownSignals } from './properties';
export { type SearchResult, search, type Verdict } from './search';
export {
  type Answer,
  askedFlags,
  contactorSorts,
  isDesign,
  type NoSequence,
  type SequenceDesign,
  sequenceDesign,
  toldWell,
  untoldOf,
} from './sequence-design';
export { type SequenceSearch, sequenceKey, sequenceSearch } from './sequence-run';
export { BIT_OF, commandsOf, fittedInputs, type Guard, maskOf, type Step, stepsOf } from './steps';
