import { beforeEach, expect, test, vi } from 'vitest';
import { applyEdit, type Build, type Edit } from '@/core/build';
import { firn9 } from '@/core/build/samples';

/** A store in memory that answers like the real one: a copy of the document with every edit made on its own newest state. */
const held = vi.hoisted(() => ({ document: null as unknown, revision: 1, assessed: 0 }));

vi.mock('dexie', () => ({ liveQuery: () => ({ subscribe: () => ({ unsubscribe: () => {} }) }) }));
vi.mock('@/workers/runs', () => ({ breakOffRun: () => {}, makeRunAside: () => Promise.resolve(null) }));
vi.mock('@/core/assess', async (real) => {
  const module = await real<typeof import('@/core/assess')>();
  return {
    ...module,
    assess: (...given: Parameters<typeof module.assess>) => {
      held.assessed++;
      return module.assess(...given);
    },
  };
});
vi.mock('./tab', () => ({
  freshId: () => 'x',
  tellUnsaved: () => {},
  storageTrouble: () => ({ reason: 'no', remedy: 'none' }),
  repository: () => ({
    load: async () => loaded(),
    edit: async (_: string, edit: Edit) => {
      held.document = structuredClone(applyEdit(held.document as Build, edit).build);
      held.revision++;
      return loaded();
    },
  }),
}));

const loaded = () => ({
  stored: { id: 'firn', document: held.document as Build, revision: held.revision },
  undo: 'undo',
  redo: null,
});

const { useBench } = await import('./bench');
const speed = (value: number): Edit => ({ edit: 'setFigure', input: { figure: 'cruiseSpeed', value } });
const settled = () => vi.waitFor(() => expect(useBench.getState().saving).toBe('saved'), { timeout: 20000 });

beforeEach(async () => {
  // However slow the machine: small builds are judged at once.
  vi.spyOn(performance, 'now').mockReturnValue(0);
  const build = firn9('firn');
  held.document = structuredClone(build);
  held.revision = 1;
  useBench.getState().openFresh(build);
  await vi.waitFor(() => expect(useBench.getState().status).toBe('open'), { timeout: 20000 });
  held.assessed = 0;
});

test('an edit is judged once: what comes back from the store is what is shown', async () => {
  useBench.getState().dispatch(speed(23));
  const { build, assessment } = useBench.getState();
  await settled();
  expect(held.assessed).toBe(1);
  expect(useBench.getState().build).toBe(build);
  expect(useBench.getState().assessment).toBe(assessment);
  expect(useBench.getState().undo).toBe('undo');
});

test('two edits in a row are judged twice, and both are stored', async () => {
  useBench.getState().dispatch(speed(23));
  useBench.getState().dispatch(speed(24));
  await settled();
  expect(held.assessed).toBe(2);
  expect((held.document as Build).duty.cruiseSpeedMPerS).toBe(24);
  expect(useBench.getState().build!.duty.cruiseSpeedMPerS).toBe(24);
});

test('what another tab wrote in between is shown, and judged', async () => {
  held.document = applyEdit(held.document as Build, { edit: 'renameBuild', input: { name: 'From elsewhere' } }).build;
  held.revision++;
  useBench.getState().dispatch(speed(23));
  await settled();
  expect(useBench.getState().build!.name).toBe('From elsewhere');
  expect(useBench.getState().assessment!.build.name).toBe('From elsewhere');
  expect(useBench.getState().build!.duty.cruiseSpeedMPerS).toBe(23);
  expect(held.assessed).toBe(2);
});
