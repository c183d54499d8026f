import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { applyEdit } from './edits';
import { apart, plainBuild, readAgain, reading, sameRead, slotsRead, watchBuild, wholeBuild } from './reads';
import { firn9, teasel } from './samples';

const firn = firn9();
const watched = () => watchBuild(firn, []);
const readIn = (make: () => unknown) => slotsRead(reading(make).reads);

describe('what is read of a watched build', () => {
  test('is the slices that were asked for, of the circuits devices and conductors each for itself', () => {
    const build = watched();
    expect(readIn(() => build.duty)).toEqual(['duty']);
    expect(readIn(() => build.circuits.lv.devices)).toEqual(['circuits.lv.devices']);
    expect(readIn(() => build.circuits.hv)).toEqual([]);
    expect(readIn(() => 1)).toEqual([]);
  });

  test('is also a slice that is not there, asked for or copied along', () => {
    const small = watchBuild(teasel(), []);
    expect(teasel().secondPack).toBeUndefined();
    expect(Object.keys(small)).not.toContain('secondPack');
    expect(readIn(() => small.secondPack)).toEqual(['secondPack']);
    expect(readIn(() => ({ ...small }))).toContain('secondPack');
    expect(readIn(() => wholeBuild(small))).toEqual(
      expect.arrayContaining(['secondPack', 'duty', 'circuits.hv.devices']),
    );
  });

  test('counts for all who asked, and for nobody where it is worked out apart', () => {
    const build = watched();
    let inner: string[] = [];
    const outer = readIn(() => {
      inner = readIn(() => build.brakes);
      return build.duty;
    });
    expect(inner).toEqual(['brakes']);
    expect(outer.sort()).toEqual(['brakes', 'duty']);
    expect(readIn(() => apart(() => build.brakes))).toEqual([]);
    const { reads } = reading(() => build.cooling);
    expect(readIn(() => readAgain(reads))).toEqual(['cooling']);
  });

  test('counts where the work ended in an error as well', () => {
    const build = watched();
    const failing = () => {
      reading(() => {
        void build.steering;
        throw new Error('no figure');
      });
    };
    expect(readIn(() => expect(failing).toThrow('no figure'))).toEqual(['steering']);
  });
});

test('a watched build says what the document says, and is edited into a plain one', () => {
  const build = watched();
  expect(JSON.parse(JSON.stringify(build))).toEqual(JSON.parse(JSON.stringify(firn)));
  expect(structuredClone({ ...build }).duty).toEqual(firn.duty);
  expect(plainBuild(build)).toBe(firn);
  const { build: edited } = applyEdit(build, { edit: 'renameBuild', input: { name: 'Another' } });
  const { build: wanted } = applyEdit(firn, { edit: 'renameBuild', input: { name: 'Another' } });
  expect(plainBuild(edited)).toBe(edited);
  expect(JSON.parse(JSON.stringify(edited))).toEqual(JSON.parse(JSON.stringify(wanted)));
});

test('two states are the same to a reader just where everything that was read is the same', () => {
  const keys = Object.keys(firn).filter((key) => key !== 'circuits') as (keyof typeof firn)[];
  fc.assert(
    fc.property(fc.subarray(keys), fc.subarray(keys), (read, changed) => {
      const then: unknown[] = [];
      const now: unknown[] = [];
      const build = watchBuild(firn, then);
      watchBuild({ ...firn, ...Object.fromEntries(changed.map((key) => [key, { other: true }])) } as typeof firn, now);
      const { reads } = reading(() => read.map((key) => build[key]));
      expect(sameRead(reads, then, now)).toBe(!read.some((key) => changed.includes(key)));
    }),
    { numRuns: 300 },
  );
});
