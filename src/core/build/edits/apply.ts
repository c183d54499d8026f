import { applyPatches, type Draft, enablePatches, type Patch, produceWithPatches } from 'immer';
import { beyondLimits } from '../limits/limits';
import { checkReferences } from '../references';
import type { Build } from '../types';
import { EDITS, type Edit, type EditName, type SingleEdit } from './edits';
import { EditRefused } from './refused';

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
  try {
    const [next, patches, inverse] = produceWithPatches(build, (draft) => {
      for (const step of edit.edit === 'together' ? edit.input.steps : [edit]) {
        const definition = definitionOf(step);
        titles.push(definition.title(draft as Build, step.input));
        definition.apply(draft, step.input);
      }
    });
    refuseWhatNoFileHolds(next, build);
    return { build: next, patches, inverse, title: titles.join(', and ') };
  } catch (error) {
    if (error instanceof EditRefused) throw error;
    throw new EditRefused(
      `This could not be done (${error instanceof Error ? error.message : String(error)}).`,
      'Nothing was changed. It is a fault of the program: export the build and report it.',
      { cause: error },
    );
  }
}

/** What could be stored and then not be read again is not made: out of the schema's limits, or naming what is not there. */
function refuseWhatNoFileHolds(next: Build, before: Build): void {
  if (next === before) return;
  const [beyond] = beyondLimits(next, before);
  if (beyond) throw new EditRefused(beyond.reason, beyond.remedy);
  const dangling = checkReferences(next);
  if (dangling.length === 0) return;
  const known = new Set(checkReferences(before).map(({ path, reason }) => `${path} ${reason}`));
  const fresh = dangling.find(({ path, reason }) => !known.has(`${path} ${reason}`));
  if (fresh) throw new EditRefused(`${fresh.path} ${fresh.reason}`, fresh.remedy);
}

/** Undo and redo: applies stored patches. */
export const patchBuild = (build: Build, patches: readonly Patch[]): Build => applyPatches(build, patches as Patch[]);
export type { Patch };
