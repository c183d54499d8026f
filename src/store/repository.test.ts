import { IDBFactory, IDBKeyRange } from 'fake-indexeddb';
import { beforeEach, expect, test } from 'vitest';
import { EditRefused } from '@/core/build';
import { firn9 } from '@/core/build/samples';
import { RopewayDatabase } from './database';
import { BuildGone, Repository } from './repository';

let repository: Repository;
let factory: IDBFactory;
let clock = 0;
const open = () => {
  const database = new RopewayDatabase('test');
  return new Repository(database, () => new Date(Date.UTC(2026, 0, 1, 0, 0, clock++)).toISOString());
};

beforeEach(async () => {
  factory = new IDBFactory();
  const { default: Dexie } = await import('dexie');
  Dexie.dependencies.indexedDB = factory;
  Dexie.dependencies.IDBKeyRange = IDBKeyRange;
  repository = open();
  await repository.create(firn9('b'));
});

const cruise = (value: number) => ({ edit: 'setFigure', input: { figure: 'cruisePower', value } }) as const;
const power = async () => (await repository.load('b'))!.stored.document.duty.cruisePowerW;

test('edits, undo and redo are there again when the browser is opened anew', async () => {
  await repository.edit('b', cruise(30000));
  await repository.edit('b', cruise(31000));
  repository = open();
  expect(await power()).toBe(31000);
  expect((await repository.undo('b')).stored.document.duty.cruisePowerW).toBe(30000);
  repository = open();
  const loaded = (await repository.load('b'))!;
  expect(loaded.redo).toContain('cruise power');
  expect((await repository.redo('b')).stored.document.duty.cruisePowerW).toBe(31000);
});

test('undoing everything gives back the very document', async () => {
  await repository.edit('b', cruise(30000));
  await repository.edit('b', { edit: 'removeDevice', input: { deviceId: 'heater' } });
  await repository.undo('b');
  const { stored, undo } = await repository.undo('b');
  expect(stored.document).toEqual(firn9('b'));
  expect(undo).toBeNull();
  expect((await repository.undo('b')).stored.document).toEqual(firn9('b'));
});

test('a new edit after undo ends what could be redone', async () => {
  await repository.edit('b', cruise(30000));
  await repository.undo('b');
  const { redo } = await repository.edit('b', cruise(20000));
  expect(redo).toBeNull();
  expect((await repository.redo('b')).stored.document.duty.cruisePowerW).toBe(20000);
});

test('an edit from a second tab is applied on the newest document, or refused with nothing changed', async () => {
  const other = open();
  await other.edit('b', { edit: 'removeDevice', input: { deviceId: 'heater' } });
  await repository.edit('b', cruise(25000));
  expect(await power()).toBe(25000);
  expect((await repository.load('b'))!.stored.document.circuits.hv.devices.heater).toBeUndefined();
  await expect(
    repository.edit('b', { edit: 'renameDevice', input: { deviceId: 'heater', name: 'x' } }),
  ).rejects.toThrow(EditRefused);
  expect((await repository.load('b'))!.stored.revision).toBe(3);
});

test('builds are listed newest first', async () => {
  await repository.create(firn9('c'));
  await repository.edit('b', cruise(1000));
  expect((await repository.list()).builds.map((stored) => stored.id)).toEqual(['b', 'c']);
});

test('a deleted build is out of sight, takes no edits, and comes back with its undo history', async () => {
  await repository.edit('b', cruise(30000));
  await repository.remove('b');
  expect(await repository.load('b')).toBeNull();
  await expect(repository.edit('b', cruise(1))).rejects.toThrow(BuildGone);
  const { builds, deleted } = await repository.list();
  expect([builds.length, deleted.map((stored) => stored.id)]).toEqual([0, ['b']]);
  await repository.bringBack('b');
  expect((await repository.undo('b')).stored.document).toEqual(firn9('b'));
});

test('a build deleted more than thirty days ago goes for good, with its snapshots', async () => {
  await repository.keepSnapshot('b', 'before');
  await repository.remove('b');
  clock += 31 * 86400;
  expect((await repository.list()).deleted).toEqual([]);
  expect(await repository.snapshots('b')).toEqual([]);
  await repository.bringBack('b');
  expect(await repository.load('b')).toBeNull();
});

test('a file takes its own id when that is free, and becomes a copy beside a build of that id, deleted or not', async () => {
  expect(await repository.takeIn(firn9('b'), 'other')).toEqual({ id: 'other', copy: true });
  expect((await repository.load('other'))!.stored.document).toEqual(firn9('other'));
  await repository.edit('b', cruise(30000));
  await repository.remove('b');
  // An older copy of a deleted build must not cost the newer one that can still be brought back.
  expect(await repository.takeIn(firn9('b'), 'third')).toEqual({ id: 'third', copy: true });
  await repository.bringBack('b');
  const loaded = (await repository.load('b'))!;
  expect(loaded.stored.document.duty.cruisePowerW).toBe(30000);
  expect(loaded.undo).toContain('cruise power');
  expect(await repository.takeIn(firn9('fresh'), 'fourth')).toEqual({ id: 'fresh', copy: false });
});

test('a snapshot keeps the document of its moment, and going back to it is one edit that can be undone', async () => {
  await repository.keepSnapshot('b', 'as bought');
  await repository.edit('b', { edit: 'removeDevice', input: { deviceId: 'heater' } });
  await repository.edit('b', cruise(12345));
  const snapshot = (await repository.snapshots('b')).find(({ auto }) => !auto);
  expect(snapshot).toMatchObject({ name: 'as bought', document: firn9('b') });
  await repository.edit('b', { edit: 'restore', input: { document: snapshot!.document, from: snapshot!.name } });
  expect((await repository.load('b'))!.stored.document).toEqual(firn9('b'));
  expect((await repository.undo('b')).stored.document.duty.cruisePowerW).toBe(12345);
  await repository.dropSnapshot(snapshot!.number);
  expect((await repository.snapshots('b')).filter(({ auto }) => !auto)).toEqual([]);
});

test('a duplicate has its own id and name and the same content', async () => {
  await repository.duplicate('b', 'twin');
  const { document } = (await repository.load('twin'))!.stored;
  expect(document).toEqual({ ...firn9('twin'), name: 'Firn 9 (copy)' });
});

test('what was there is kept by itself: before big edits, and once an hour of work, the newest dozen', async () => {
  await repository.edit('b', cruise(20000));
  // The first edit of a build keeps how it came.
  expect(
    (await repository.snapshots('b')).map(({ name, auto, document }) => [name, auto, document.duty.cruisePowerW]),
  ).toEqual([['By itself, hourly', true, firn9('b').duty.cruisePowerW]]);
  for (let k = 0; k < 5; k++) await repository.edit('b', cruise(20001 + k));
  expect(await repository.snapshots('b')).toHaveLength(1);
  await repository.keepSnapshot('b', 'mine');
  for (let k = 0; k < 15; k++)
    await repository.edit('b', { edit: 'restore', input: { document: firn9('b'), from: `moment ${k}` } });
  const kept = await repository.snapshots('b');
  expect(kept.filter(({ auto }) => auto)).toHaveLength(12);
  expect(kept[0]!.name).toMatch(/^Before: .*moment 14/);
  // What a person kept stays.
  expect(kept.map(({ name }) => name)).toContain('mine');
  clock += 4000;
  await repository.edit('b', cruise(30000));
  expect((await repository.snapshots('b'))[0]).toMatchObject({ name: 'By itself, hourly', auto: true });
});
