export type { DriveReview } from './drive-review';
export type { LogProblem, LogSettings } from './log-types';
export { HEAD_BYTES, type LogReader, logReader, type OpenedLog, openLog } from './open-log';
export type { LogColumn, LogRole } from './roles';
