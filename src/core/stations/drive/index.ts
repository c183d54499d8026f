export { type PresetFigures, presetFigures } from './preset';
export { type DriveResults, driveResults, type GearFigures, type RoadLine, roadLines } from './results';
export { DRIVE_RULES } from './rules';
export { stageLoads } from './stage-rules';
