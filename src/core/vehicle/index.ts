export {
  coldestAssumed,
  coldestDayC,
  hottestAssumed,
  hottestDayC,
  UNKNOWN_AMBIENT_C,
  UNKNOWN_COLDEST_C,
} from './assumed';
export { type Bar, barOf, carriesA, joinedBy } from './bar';
export { BODY_FIGURES, type BodyFigures, massEmptyKg, wheelsOf } from './body-figures';
export {
  type CaseId,
  CORNER_IDS,
  type Corner,
  type CornerId,
  cornersOf,
  type DurationId,
  inverterPowerW,
  STATES,
  type State,
  stateOf,
} from './cases';
export { BAR_M, casesApartM, FACES_M } from './cases-apart';
export {
  type CoilCircuit,
  type CoilPoint,
  coilCircuit,
  coilLimits,
  coilOhm,
  HIGHEST_SUPPLY_V,
  LOWEST_SUPPLY_V,
  meteredOhm,
  solveCoils,
  stillIn,
} from './coils';
export {
  type DrivePoint,
  drivePoint,
  followsVehicle,
  motorOf,
  nominalLinkV,
  type RoadModel,
  roadModel,
  roadModelAt,
  steadyPowerW,
} from './demand';
export { type DriveGap, type DriveTrain, type DriveUnit, driveTrainOf } from './drive-units';
export {
  extentOf,
  isBlock,
  lengthAlong,
  type Outline,
  outletOf,
  outlineOf,
  overlaps,
  runsBeside,
  sizeOf,
  tightestTurn,
  wayPoints,
  zoneAt,
} from './geometry';
export * from './harness';
export { type LoomHeat, type LoomOf, loomHeat, loomOfWire, loomsOf, loomWireAmpacity } from './looms';
export { type Edge, edgesOf, Loops } from './loops';
export { lowProtecting } from './low-protection';
export { type LowPoint, type LowSolved, solveLow } from './low-solve';
export { auxiliaryRestV, batteryOhm, lowFaultElements } from './low-stamp';
export type { Converter, LowLoad, LowSetting, LowVoltage, Running } from './low-types';
export { fusesAtC, HOT_SHARE, type LowWiring, lowVoltage, lowWiring, runningIn } from './low-voltage';
export { type Masses, massesOf, type WeighedDevice } from './masses';
export {
  Follows,
  fromBuild,
  later,
  Memo,
  Memory,
  Recent,
  type Room,
  remembers,
  room,
  settles,
  spelled,
} from './memory';
export { nodeOf } from './node';
export { type PhaseNet, phaseNets } from './phase-nets';
export { protectingFuses } from './protection';
export {
  ASSUMED_LENGTH_M,
  copperMm2,
  partOf,
  type Resolved,
  type ResolvedConductor,
  type ResolvedDevice,
  resolve,
  routedLengthM,
} from './resolve';
export { sizeText } from './size-text';
export { stringsAlone, withStrings } from './stages';
export {
  boxSource,
  capacitorId,
  conductorOhm,
  devicePowerW,
  groundOf,
  perMetre20,
  stamp,
  terminalNode,
  untoldBoxes,
} from './stamp';
export { type PackString, packStrings, packStringsOf } from './strings';
export { chargesApart, closedIn, isPrechargeRelay, type PrechargeBranch, prechargeBranches } from './switching';
export { type UsualPlace, usualPlaces, withoutPlace } from './usual-places';
export {
  conductorAmpacity,
  conductorTemperature,
  currentIn,
  isSolved,
  lowestStringV,
  type SolvedCase,
  type SolvedState,
  solvedStates,
  terminalVoltage,
  unsureFigures,
  type Vehicle,
  vehicleOf,
} from './vehicle';
export { conductorsOf, type Way, wayOf } from './way';
export {
  type FoundWay,
  findWay,
  findWayBetween,
  panelsOf,
  passageNear,
  passagesOf,
  zoneNameOf,
} from './way-finding';
export { type Guarded, waysPast } from './ways-past';
