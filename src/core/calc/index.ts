/** The laws by themselves, without the schemas that guard files and requests: the interface checks its own fields. */

export {
  calcDcDc,
  calcHoldUp,
  calcParked,
  type DcDcInput,
  type HoldUpInput,
  type LoadInput,
  type ParkedInput,
} from './auxiliary';
export { type Backwards, backwards, nextResistors } from './backwards';
export { type BalanceInput, calcBalance } from './balance';
export { type CabinHeatInput, calcCabinHeat } from './cabin-heat';
export { type CableInput, calcCable, resolveCable } from './cable';
export { type CableTransientInput, calcCableTransient } from './cable-transient';
export { type ChargeInput, calcCharge } from './charge';
export { type ContactorInput, calcContactor } from './contactor';
export { type CoolantInput, calcCoolant } from './coolant';
export { calcDischarge, type DischargeInput } from './discharge';
export { calcDrive, type DriveInput } from './drive';
export { calcFuse, calcFuseCurve, type FuseCurveInput, type FuseInput } from './fuse';
export type { Judgement } from './fuse-judgements';
export { calcInsulation, type InsulationInput } from './insulation';
export { calcJoinPacks, type JoinPacksInput } from './join-packs';
export { calcMotorVoltage, type MotorVoltageInput } from './motor-voltage';
export { calcNetwork, type NetworkInput } from './network';
export { calcPilot, calcProximity, type PilotInput, type ProximityInput } from './pilot';
export { calcPrecharge } from './precharge';
export { LawRefused } from './refused';
export { calcShortCircuit, type ShortCircuitInput } from './short-circuit';
export { calcSteering, type SteeringInput } from './steering';
export { calcVacuum, type VacuumInput } from './vacuum';
export { calcWithstand, type WithstandInput } from './withstand';
