export { applyEdit, type Edited, EditRefused, type Patch, patchBuild } from './apply';
export type { Edit, EditName } from './edits';
export { usersOfPart } from './import-edits';
export type { LayOutInput } from './lay-out';
export type { LowBaseInput, LowLoadInput } from './low-voltage-edits';
export { fuseBoxOf } from './low-voltage-edits';
export { SETTABLE, type Settable, type SettableName } from './settable';
export type { BranchInput } from './topology-edits';
export { INGRESS } from './wire-edits';
