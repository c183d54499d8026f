export { Board, type BoardChoice, type BoardView, type RegenLevel, SAG_V, STEP_S } from './board';
export type { BoardFault, Practice } from './board-faults';
export { boardDatabase, boardFrames } from './frames';
export { type SensorCheck, sensorCheck } from './pedal-sensor';
export { type BoardPoint, boardPoints } from './points';
export { hiddenBy, practices } from './practices';
export { METER_OHM, type MeterRange, probe, type Reading, signalV } from './probe';
export { apply, boardFaultOf, replay, runsAsKept, storyEvents } from './timeline';
export type { BoardSource } from './traction';
