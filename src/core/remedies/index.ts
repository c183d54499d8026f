export { coilLoopEdit, LOOP_DEVICES, loopInsertion } from './coil-candidates';
export { findRemedies, type Remedy, type Worsened } from './find';
export { BRANCH_KINDS, branchEdit, branchKindOf, INSERTABLE, type Insertable, insertionEdit } from './insertion';
export { type StarterChoice, secondStringEdit, starterLayout } from './starter';
