import { expect, test } from 'vitest';
import { firn9 } from '@/core/build/samples';
import { catalogueOf, cataloguePart, PART_KINDS } from '@/core/parts';
import { cableLabel, groupOfPart, partsToChoose } from './part-choices';

test('no two cables of a group read alike, in either system of units', () => {
  for (const system of ['metric', 'us'] as const) {
    const read = catalogueOf('cable').map((part) => `${groupOfPart(part)}: ${cableLabel(part, system)}`);
    expect(read.filter((one, k) => read.indexOf(one) !== k)).toEqual([]);
  }
});

test('own parts come first, and the catalogue follows whole', () => {
  const own = { ...cataloguePart('cable-plain-35', 'cable'), id: 'own-35', name: 'From the old truck' };
  const build = { ...firn9(), parts: { ...firn9().parts, [own.id]: own } };
  const [first, ...rest] = partsToChoose('cable', build);
  expect(first).toEqual({ part: own, group: 'Of this build' });
  expect(rest.map(({ part }) => part.id)).toEqual(catalogueOf('cable').map(({ id }) => id));
});

test('what the build holds under a catalogue’s id stands in its place', () => {
  const held = { ...cataloguePart('fuse-blade-58-10', 'fuse'), ratedCurrentA: 11 };
  const build = { ...firn9(), parts: { ...firn9().parts, [held.id]: held } };
  const found = partsToChoose('fuse', build).filter(({ part }) => part.id === held.id);
  expect(found.map(({ part }) => part.ratedCurrentA)).toEqual([11]);
});

test('every kind of part can be chosen from its list, and cables and fuses stand under headings', () => {
  for (const { kind } of PART_KINDS) {
    const list = partsToChoose(kind, firn9());
    expect(new Set(list.map(({ part }) => part.id)).size, kind).toBe(list.length);
    if (kind === 'cable' || kind === 'fuse') expect(list.every(({ group }) => group !== undefined)).toBe(true);
  }
});
