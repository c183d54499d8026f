export { type DriveResults, driveResults, type GearFigures } from './results';
export { DRIVE_RULES } from './rules';
