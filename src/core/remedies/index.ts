export { coilLoopEdit, LOOP_DEVICES, loopInsertion } from './coil-candidates';
export { findRemedies, type Remedy, type Worsened } from './find';
export { BRANCH_KINDS, branchEdit, branchKindOf, INSERTABLE, type Insertable, insertionEdit } from './insertion';
export { type SizeChoice, type SizeOptions, type SizeResult, type SizeTry, sizeCables } from './size-cables';
export { type StarterChoice, secondStringEdit, starterLayout } from './starter';
export { usualLoads } from './usual-loads';
