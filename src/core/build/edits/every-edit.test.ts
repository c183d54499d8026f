import { describe, expect, test } from 'vitest';
import { EXAMPLES, type Example } from '../../testing/edit-examples';
import { firn9 } from '../samples';
import { readBuild } from '../schema';
import { applyEdit, EditRefused, patchBuild } from './apply';
import { EDITS, type Edit, type EditName } from './edits';

const firn = firn9();
const lvEarth = Object.values(firn.circuits.lv.conductors).find(({ name }) => name === 'Radio earth')!;

const NAMES = Object.keys(EDITS) as EditName[];

describe('every edit', () => {
  test('has an example here, and no example is of an edit that is gone', () => {
    expect(Object.keys(EXAMPLES).sort()).toEqual([...NAMES].sort());
  });

  test.each(NAMES)('%s does what it says, leaves a file that can be read, and is undone to the letter', (name) => {
    const { on: before = firn, input, leaves } = EXAMPLES[name] as Example<'renameBuild'>;
    const frozen = JSON.stringify(before);
    const { build, patches, inverse, title } = applyEdit(before, { edit: name, input } as Edit);
    leaves(build, before);
    expect(title.trim()).not.toBe('');
    expect(title).not.toMatch(/undefined|null|NaN|\[object/);
    const read = readBuild(JSON.parse(JSON.stringify(build)));
    expect(read.ok ? [] : read.errors).toEqual([]);
    expect(patchBuild(build, inverse)).toEqual(JSON.parse(frozen));
    expect(patchBuild(before, patches)).toEqual(build);
    // The build that was given stays as it was.
    expect(JSON.stringify(before)).toBe(frozen);
  });

  test('what names something that is not there is refused with a remedy, never half done', () => {
    const gone: Edit[] = [
      { edit: 'renameDevice', input: { deviceId: 'nobody', name: 'X' } },
      { edit: 'setConductor', input: { conductorId: 'nobody', lengthM: 1 } },
      { edit: 'setRoute', input: { routeId: 'nobody' } },
      { edit: 'setZone', input: { zoneId: 'constructor', ambientC: 20 } },
      { edit: 'decideOldPart', input: { id: '__proto__', fate: 'keep' } },
      { edit: 'landEarth', input: { conductorId: lvEarth.id, earthId: 'toString' } },
    ];
    for (const edit of gone) {
      const refused = (() => {
        try {
          applyEdit(firn, edit);
          return null;
        } catch (error) {
          return error;
        }
      })();
      expect(refused, edit.edit).toBeInstanceOf(EditRefused);
      expect((refused as EditRefused).remedy).not.toBe('');
    }
  });
});
