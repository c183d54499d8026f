import { defineStation } from '../define';
import { pullResults } from './pull';
import { DRIVE_RULES } from './rules';

/** Will this motor move it, how far, at what current? */
export const drive = defineStation({
  id: 'drive',
  name: 'Drive',
  question: 'Will this motor move it, how far, at what current?',
  key: 'd',
  begin: 'choose a motor; mass and tyres come from Survey',
  rules: DRIVE_RULES,
  leaves: () => ['Stability, gear selection and what the driver does: the trips are driven by the clock.'],
  results: pullResults,
});

export { type PresetFigures, presetFigures } from './preset';
export type { PullResults } from './pull';
export { type DriveResults, driveResults, type GearFigures, type RoadLine, roadLines } from './results';
export { stageLoads } from './stage-rules';
