export { type BalanceRun, balanceRun } from './balance-law';
export type { RowRun } from './balance-run';
export { type BrakeDescent, brakeDescent } from './brake-descent';
export {
  type BrakeVacuum,
  brakeVacuum,
  DESCENT_EVERY_S,
  DESCENT_S,
  LEAST_PA,
  NORMAL_STROKE,
  type VacuumPoint,
  type VacuumRun,
  vacuumMissing,
} from './brake-vacuum';
export { type Braking, mostBrakingN, REGEN_FROM_MPS, regenerated } from './braking';
export { type CabinWarmth, cabinWarmth, type HeaterAtWork, INRUSH, SEATS_K } from './cabin-warmth';
export { type CellBears, type CurrentLasts, type CurrentWay, cellBears, packBears } from './cell-bears';
export { boxesWithCells, type RowPlace, rowPlaces } from './cell-row';
export { type CellsOver, CLIMB_S, coldNight, EVENING_C, type HotCells, hotCharge, hotClimb } from './cell-warmth';
export { type BindingLimit, type ChargePoint, type ChargeRun, chargeMoment, chargeRun } from './charge-run';
export type { Closing } from './closing-inrush';
export { type ClosingEvent, type ClosingUnknown, closings } from './closings';
export { carriedUpW, type DriveLoop, driveLoop, INLET_C, loopFlow } from './coolant-loop';
export { type CoolantTrip, coolantTrip } from './coolant-trip';
export { type Departure, departure } from './departure';
export {
  type DriveFindings,
  driveFindings,
  drivesOf,
  drivesThatCount,
  latestDrive,
  measuredCellOhm,
  type NamedCell,
  unreadCells,
} from './drive-findings';
export { CannotGive, type DriveLawInput, type DriveLawResult, driveLaw } from './drive-law';
export {
  coilFeed,
  coilReturn,
  HANDLES,
  heldWith,
  type KeyTest,
  keyTests,
  LOOP_KINDS,
  type SingleFailure,
  type StopTest,
  singleFailures,
  stopTests,
  type TestPoint,
  testPoints,
} from './emergency';
export { Fault, faultBetween, packPoles } from './fault';
export { type FaultFeeds, faultFeeds, turningMotorA } from './fault-feeds';
export { ARC_V, CONDUCTOR_H_PER_M, type FaultCorner, faultNetwork } from './fault-network';
export { type FirstMoment, firstMoment, type MomentUnknown } from './fault-transient';
export {
  FaultStory,
  type FuseFaults,
  faultStory,
  firstToMelt,
  fuseFaults,
  notProvedToBreak,
  type Opening,
} from './faults';
export { type Ended, type FuseZone, fuseZones } from './fuse-zones';
export { type JoinInput, type JoinResult, joinPacks } from './join-packs';
export {
  allBut,
  consumersOf,
  everyContactor,
  type JoinedTerminal,
  joinedWhenOpen,
  type StillFed,
  stillFed,
} from './left-live';
export {
  ASSUMED_LEAK_OHM,
  type LinkDischarge,
  leakageOhm,
  linkDischarge,
  linkDischarges,
} from './link-discharge';
export { type Coverage, coverage, type Live, type Liveness, type LivePart, liveness } from './liveness';
export { type LowFault, type LowFaultCorner, lowFault } from './low-faults';
export { coldFactor, type HoldUpOptions, type HoldUpRun, lowHoldUp, PEUKERT } from './low-hold-up';
export { chargingA, coilsA, parkedA, SCHEDULE_V, scheduled } from './low-schedule';
export { type LowTimeline, type LowTimelineOptions, lowTimeline, SCENARIO_S } from './low-timeline';
export { type Match, type MatchedGroup, matchModules } from './match-modules';
export { motorCooling, WINDING_LIMIT_C } from './motor-heat';
export { type Piece, type Pieces, piecesOf } from './pieces';
export { chargeCoolant, type PlateHeat, plateHeat } from './plate-heat';
export { closedOnTheWay, spanIn } from './plugged';
export { BODY, type Closed, type Potentials, potentials } from './potentials';
export {
  chargesIn,
  isRun,
  type PrechargeOutcome,
  type PrechargeRun,
  type PrechargeUnknown,
  prechargeRun,
  prechargeRuns,
} from './precharge';
export { type PrechargeLawInput, type PrechargeLawResult, prechargeLaw } from './precharge-law';
export {
  type PrechargeChoice,
  type PrechargeFault,
  type PrechargeSign,
  prechargeChoice,
  prechargeSigns,
  prechargeWith,
  type SignUnknown,
} from './precharge-study';
export { cellVoltages, type LampRun, lampOver, rechargeLamp } from './recharge-lamp';
export {
  defineRun,
  makeRun,
  RUNS,
  type RunDefinition,
  type RunId,
  type Runs,
  runsDue,
  sequenceRun,
  tripRun,
  withRuns,
} from './runs';
export { type Segment, tripOfSegments } from './segments';
export * as sequence from './sequence';
export { type ConductorShort, endedBy, type ShortJudgement, shorts, worstEndedBy } from './shorts';
export { type StandIn, type StandInSays, standIn } from './stand-in';
export {
  columnAssistNm,
  columnCurve,
  type RackFlow,
  type Rim,
  ROLLING,
  rackFlow,
  rimOf,
  WHEEL_SPEEDS,
} from './steering-need';
export { type TapFault, type TypedTaps, tapFaults, tapSpread, tapWords, typedTaps } from './tap-readings';
export {
  BOX_W_PER_K,
  CELL_J_PER_KGK,
  simulateTrip,
  type TripOptions,
  type TripResult,
  WINDOWS_S,
  worstWindow,
} from './trip';
export { packCurrentA, type TripHeat, tripHeatKey } from './trip-heat';
export { type TripPack, tripPack } from './trip-pack';
export { brakingOf, type TripRuns, traceOf, tripMissing, tripRuns, tripRunsKey } from './trip-runs';
export { builtInTrip, stopsPerKmOf, type Trace, tripName, withStops } from './trips';
export { type BalanceReads, type BalanceResult, balanceOf, balanceReads, boxHeat, socAt } from './vehicle-balance';
export {
  acCableA,
  CHARGER_EFFICIENCY,
  type ChainId,
  type ChainLink,
  type ChargeElsewhere,
  chargeChain,
  chargerOutputW,
  chargersOf,
  chargesElsewhere,
  drawnFrom,
  NIGHT_S,
  supplyOf,
  usualChargers,
  type VehicleCharge,
  vehicleCharge,
} from './vehicle-charge';
export { type Warmed, warmedBy } from './warmed';
export { type CableWithstand, cableWithstand } from './withstand';
