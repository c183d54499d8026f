/** The laws by themselves, without the schemas that guard files and requests: the interface checks its own fields. */
export { type CableInput, calcCable, resolveCable } from './cable';
export { type ContactorInput, calcContactor } from './contactor';
export { calcDischarge, type DischargeInput } from './discharge';
export { calcFuse, calcFuseCurve, type FuseCurveInput, type FuseInput } from './fuse';
export type { Judgement } from './fuse-judgements';
export { calcInsulation, type InsulationInput } from './insulation';
export { calcNetwork, type NetworkInput } from './network';
export { calcPrecharge } from './precharge';
export { LawRefused } from './refused';
export { calcShortCircuit, type ShortCircuitInput } from './short-circuit';
export { calcWithstand, type WithstandInput } from './withstand';
