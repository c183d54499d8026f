import { applyPatches, type Draft, enablePatches, type Patch, produceWithPatches } from 'immer';
import type { Build } from '../types';
import { EDITS, type Edit, type EditName } from './edits';

enablePatches();

/** An edit that does not fit the build as it is: says why and what to do. Nothing has changed. */
export { EditRefused } from './refused';

export interface Edited {
  readonly build: Build;
  readonly patches: readonly Patch[];
  readonly inverse: readonly Patch[];
  /** In workshop words, for the undo line: "fit 10 mm² to Heater plus". */
  readonly title: string;
}

/** Applies a serialisable edit. Throws EditRefused when it does not fit. The build given stays as it was. */
export function applyEdit(build: Build, edit: Edit): Edited {
  const definition = EDITS[edit.edit as EditName] as unknown as {
    title: (build: Build, input: unknown) => string;
    apply: (draft: Draft<Build>, input: unknown) => void;
  };
  const title = definition.title(build, edit.input);
  const [next, patches, inverse] = produceWithPatches(build, (draft) => {
    definition.apply(draft, edit.input);
  });
  return { build: next, patches, inverse, title };
}

/** Undo and redo: applies stored patches. */
export const patchBuild = (build: Build, patches: readonly Patch[]): Build => applyPatches(build, patches as Patch[]);
export type { Patch };
