import { describe, expect, test } from 'vitest';
import { EXAMPLES, type Example } from '../../testing/edit-examples';
import { leavesOf, valueAt, withValue } from '../../testing/places';
import { firn9 } from '../samples';
import { readBuild } from '../schema';
import { applyEdit, EditRefused } from './apply';
import { EDITS, type Edit, type EditName } from './edits';
import { SETTABLE, type SettableName } from './settable';

const firn = firn9();
const NUMBERS = [0, -7, 5e-324, 1e-9, 120, 1e6, 1e12, 1e308, Number.NaN, Number.POSITIVE_INFINITY];
const TEXTS = ['', ' ', '=1+1', 'ä\u0000\u202E', 'x'.repeat(25_000)];
/** What the types keep out: there the program may say that it stumbled, but nothing is changed and nothing is thrown. */
const NONSENSE = ['__proto__', 'constructor', 12, null, undefined, {}, []];

/** Inputs with so many places carry a build. */
const WHOLE_BUILD = 1000;

/** Refused in words, or made and read back to the letter. */
function refusedOrReadable(edit: Edit, before = firn, mayStumble = false): void {
  let after: ReturnType<typeof applyEdit>;
  try {
    after = applyEdit(before, edit);
  } catch (error) {
    if (!(error instanceof EditRefused) || (mayStumble ? false : error.cause !== undefined))
      throw new Error(`${JSON.stringify(edit).slice(0, 300)} threw ${(error as Error).stack}`);
    expect(error.message.length).toBeGreaterThan(5);
    expect(error.remedy.length).toBeGreaterThan(5);
    return;
  }
  const read = readBuild(JSON.parse(JSON.stringify(after.build)));
  expect({ edit: JSON.stringify(edit).slice(0, 300), errors: read.ok ? [] : read.errors }).toEqual({
    edit: JSON.stringify(edit).slice(0, 300),
    errors: [],
  });
}

describe('what no file can hold is refused before it is shown', () => {
  test.each(Object.keys(SETTABLE) as SettableName[])('figure %s', (figure) => {
    for (const value of NUMBERS) refusedOrReadable({ edit: 'setFigure', input: { figure, value: value as number } });
  });

  test.each(Object.keys(EDITS) as EditName[])('edit %s', (name) => {
    const { on: before = firn, input } = EXAMPLES[name] as Example<'renameBuild'>;
    // What comes from a file goes through its reader first; a few of its places stand for all, of a whole build fewer still.
    const leaves = leavesOf(input);
    const every = Math.max(1, Math.floor(leaves.length / (leaves.length > WHOLE_BUILD ? 5 : 16)));
    for (const way of leaves.filter((_, k) => k % every === 0)) {
      if (way.length === 0) continue;
      const put = typeof valueAt(input, way) === 'number' ? NUMBERS : TEXTS;
      // Of these the types know every word.
      const chosen = ['kind', 'figure'].includes(way.at(-1)!);
      for (const value of put)
        refusedOrReadable({ edit: name, input: withValue(input, way, value) } as Edit, before, chosen);
      for (const value of NONSENSE)
        refusedOrReadable({ edit: name, input: withValue(input, way, value) } as Edit, before, true);
    }
  });
});
