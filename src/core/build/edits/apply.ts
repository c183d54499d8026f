import { applyPatches, type Draft, enablePatches, type Patch, produceWithPatches } from 'immer';
import type { Build } from '../types';
import { EDITS, type Edit, type EditName, type SingleEdit } from './edits';

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

interface Definition {
  readonly title: (build: Build, input: unknown) => string;
  readonly apply: (draft: Draft<Build>, input: unknown) => void;
}
const definitionOf = ({ edit }: SingleEdit) => EDITS[edit as EditName] as unknown as Definition;

/**
 * Applies a serialisable edit; one of several steps is made whole or not at all. Throws EditRefused when it does not fit. The build given
 * stays as it was.
 */
export function applyEdit(build: Build, edit: Edit): Edited {
  const titles: string[] = [];
  const [next, patches, inverse] = produceWithPatches(build, (draft) => {
    for (const step of edit.edit === 'together' ? edit.input.steps : [edit]) {
      const definition = definitionOf(step);
      titles.push(definition.title(draft as Build, step.input));
      definition.apply(draft, step.input);
    }
  });
  return { build: next, patches, inverse, title: titles.join(', and ') };
}

/** Undo and redo: applies stored patches. */
export const patchBuild = (build: Build, patches: readonly Patch[]): Build => applyPatches(build, patches as Patch[]);
export type { Patch };
