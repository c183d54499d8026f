export { BRANCH_KINDS, branchEdit, branchKindOf } from './branch';
export { findRemedies, type Remedy, type RemedySearch, searchRemedies, type Worsened } from './find';
export { type ModulesPack, modulesPack } from './modules-pack';
export { type NextFigure, nextFigure } from './next-figure';
export { planStarter, type StarterPlan } from './plan-starter';
export { secondDriveEdit } from './second-drive';
export { type SizeChoice, type SizeOptions, type SizeResult, type SizeTry, sizeCables } from './size-cables';
export { type SecondPack, type StarterChoice, secondStringEdit, starterLayout } from './starter';
export {
  livesWith,
  type Ranked,
  rankParts,
  type TrialOfPart,
  type Tried,
  tryEdit,
  type Way,
  waysToTake,
} from './try-part';
export { usualLoads } from './usual-loads';
