export { type CaseId, type Corner, type CornerId, CORNER_IDS, cornersOf, type DurationId, inverterPowerW, type State, STATES, stateOf } from './cases';
export { Memo } from './memo';
export { protectingFuses } from './protection';
export { ASSUMED_LENGTH_M, partOf, type Resolved, resolve, type ResolvedConductor, type ResolvedDevice } from './resolve';
export { boxSource, capacitorId, conductorOhm, devicePowerW, groundOf, nodeOf, stamp, terminalNode } from './stamp';
export { conductorAmpacity, conductorTemperature, type SolvedCase, terminalVoltage, type Vehicle, vehicleOf } from './vehicle';
