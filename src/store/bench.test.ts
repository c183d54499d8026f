import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { firn9 } from '@/core/build/samples';
import { inUnits } from '@/core/quantities';
import { freshId, repository, useBench } from './bench';
import { Repository } from './repository';

const bench = () => useBench.getState();
/** Waits until what is on the bench fits. */
async function until(fits: () => boolean): Promise<void> {
  for (let turn = 0; turn < 400; turn++) {
    if (fits()) return;
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
  throw new Error('it did not come to that');
}
const cruise = (value: number) => ({ edit: 'setFigure', input: { figure: 'cruisePower', value } }) as const;

let id = '';
beforeEach(async () => {
  // However slow the machine: small builds are judged at once.
  vi.spyOn(performance, 'now').mockReturnValue(0);
  id = freshId();
  await repository().create(firn9(id));
  bench().open(id);
  await until(() => bench().build?.id === id);
});

describe('the bench', () => {
  test('opens a build with its assessment, nothing to undo', () => {
    expect(bench()).toMatchObject({ status: 'open', undo: null, redo: null, saving: 'saved' });
    expect(bench().assessment?.outcome).toBe('fails');
  });

  test('shows an edit at once, says saving, and saved only when the database has it', async () => {
    expect(bench().dispatch(cruise(20000))).toBe(true);
    expect(bench().build?.duty.cruisePowerW).toBe(20000);
    expect(bench().saving).toBe('saving');
    await until(() => bench().saving === 'saved');
    expect((await repository().load(id))?.stored.document.duty.cruisePowerW).toBe(20000);
    expect(bench().undo).toContain('cruise power');
  });

  test('quick edits one after the other all arrive, in order, and can be undone one by one', async () => {
    for (const value of [21000, 22000, 23000]) bench().dispatch(cruise(value));
    await until(() => bench().saving === 'saved');
    expect(bench().build?.duty.cruisePowerW).toBe(23000);
    bench().stepBack();
    await until(() => bench().build?.duty.cruisePowerW === 22000);
    bench().stepBack();
    await until(() => bench().build?.duty.cruisePowerW === 21000);
    bench().stepForward();
    await until(() => bench().build?.duty.cruisePowerW === 22000);
    expect(bench().assessment?.build.duty.cruisePowerW).toBe(22000);
  });

  test('an edit that does not fit changes nothing and says why and what to do', () => {
    expect(bench().dispatch({ edit: 'setCells', input: { deviceId: 'box-rear', cellsInSeries: -3 } })).toBe(false);
    expect(bench().build?.circuits.hv.devices['box-rear']?.cellsInSeries).toBe(54);
    expect(bench().trouble?.reason).toContain('whole number');
    bench().dismiss();
    expect(bench().trouble).toBeNull();
  });

  test('follows what another tab writes, and an edit on the old state is applied to the new one', async () => {
    await repository().edit(id, { edit: 'renameBuild', input: { name: 'From elsewhere' } });
    await until(() => bench().build?.name === 'From elsewhere');
    bench().dispatch(cruise(18000));
    await until(() => bench().saving === 'saved');
    expect((await repository().load(id))?.stored.document).toMatchObject({
      name: 'From elsewhere',
      duty: { cruisePowerW: 18000 },
    });
  });

  test('an edit of something that another tab has just removed is refused in words, and the newest state is shown', async () => {
    const removed = repository().edit(id, { edit: 'removeDevice', input: { deviceId: 'heater' } });
    bench().dispatch({ edit: 'renameDevice', input: { deviceId: 'heater', name: 'Old heater' } });
    await removed;
    await until(() => bench().trouble !== null && bench().build?.circuits.hv.devices.heater === undefined);
    expect(bench().trouble?.reason).toContain('no longer in the build');
    expect(bench().saving).toBe('saved');
  });

  test('a build that is not there is missing, not empty', async () => {
    bench().open('nowhere');
    await until(() => bench().status === 'missing');
    expect(bench().build).toBeNull();
  });

  describe('when the browser does not store', () => {
    const full = () =>
      vi.spyOn(Repository.prototype, 'edit').mockImplementation(() => {
        throw Object.assign(new Error('no room'), { name: 'QuotaExceededError' });
      });
    afterEach(() => void vi.restoreAllMocks());

    test('edits stay in memory in order, can be stepped back and forward, and are stored on the next try', async () => {
      full();
      bench().dispatch(cruise(21000));
      await until(() => bench().saving === 'failed');
      expect(bench().trouble?.reason).toContain('storage is full');
      bench().dispatch(cruise(22000));
      bench().dispatch(cruise(23000));
      await until(() => bench().saving === 'failed');
      bench().stepBack();
      expect(bench().build?.duty.cruisePowerW).toBe(22000);
      expect(bench().redo).toContain('cruise power');
      bench().stepForward();
      await until(() => bench().saving === 'failed');
      expect(bench().build?.duty.cruisePowerW).toBe(23000);
      vi.restoreAllMocks();
      bench().retry();
      await until(() => bench().saving === 'saved');
      expect((await repository().load(id))?.stored).toMatchObject({
        applied: 3,
        document: { duty: { cruisePowerW: 23000 } },
      });
      expect(bench().trouble).toBeNull();
    });

    test('a build that could not even be created lives in memory and is created with the first try that works', async () => {
      const other = freshId();
      bench().openInMemory(firn9(other), new Error('blocked'));
      await until(() => bench().status === 'open');
      expect(bench()).toMatchObject({ status: 'open', saving: 'failed' });
      const create = vi.spyOn(Repository.prototype, 'create').mockRejectedValue(new Error('blocked'));
      bench().dispatch(cruise(24000));
      await until(() => create.mock.calls.length > 0 && bench().saving === 'failed');
      expect(bench().build?.duty.cruisePowerW).toBe(24000);
      vi.restoreAllMocks();
      bench().retry();
      await until(() => bench().saving === 'saved');
      expect((await repository().load(other))?.stored).toMatchObject({
        applied: 1,
        document: { duty: { cruisePowerW: 24000 } },
      });
    });
  });

  test('a figure that no file could hold is refused before it is shown, in words, and nothing is stored', async () => {
    const converter = Object.values(bench().build!.circuits.hv.devices).find((device) => device.converter)!;
    const before = bench().build;
    for (const outputV of [0, -7, 150]) {
      expect(
        bench().dispatch({
          edit: 'setConverter',
          input: { deviceId: converter.id, converter: { ...converter.converter!, outputV } },
        }),
      ).toBe(false);
      expect(inUnits(bench().trouble!.reason, 'metric')).toMatch(/^It has to be above 0\sV and at most 60\sV\.$/);
    }
    expect(bench().build).toBe(before);
    expect(bench().saving).toBe('saved');
    expect((await repository().load(id))?.stored.revision).toBe(1);
  });
});

describe('a build that can’t be judged', () => {
  /** A fuse of no rating: no file reads it, but one written before the limits were may be stored. */
  const broken = (name: string) => {
    const firn = firn9(name);
    const fuse = Object.values(firn.parts).find((part) => part.id === 'fuse-traction-500-300')!;
    return { ...firn, parts: { ...firn.parts, [fuse.id]: { ...fuse, ratedCurrentA: 0 } } } as typeof firn;
  };

  test('opens all the same, says why, and a snapshot of better days brings it back', async () => {
    const hurt = freshId();
    await repository().create(broken(hurt));
    bench().open(hurt);
    await until(() => bench().build?.id === hurt);
    expect(bench()).toMatchObject({ status: 'open', assessment: null });
    expect(bench().hurt).toMatch(/\S/);
    // What leaves it as it is, is refused in words and not put in line.
    expect(bench().dispatch(cruise(20000))).toBe(false);
    expect(bench().trouble?.reason).toContain('nothing could be judged');
    expect((await repository().load(hurt))?.stored.revision).toBe(1);
    expect(bench().dispatch({ edit: 'restore', input: { document: firn9(hurt), from: 'as bought' } })).toBe(true);
    expect(bench().hurt).toBeNull();
    expect(bench().assessment?.outcome).toBe('fails');
    await until(() => bench().saving === 'saved');
    bench().stepBack();
    await until(() => bench().hurt !== null);
    expect(bench().assessment).toBeNull();
    bench().stepForward();
    await until(() => bench().assessment !== null);
  });
});
