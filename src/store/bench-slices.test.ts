import 'fake-indexeddb/auto';
import { beforeEach, expect, test, vi } from 'vitest';
import { assess } from '@/core/assess';
import { applyEdit, type Build } from '@/core/build';
import { firn9 } from '@/core/build/samples';
import { LOAD_PRESETS, lowLoadOf } from '@/core/parts';
import { freshId, repository, useBench } from './bench';

const bench = () => useBench.getState();
const settled = () =>
  vi.waitFor(() => expect([bench().renewing, bench().saving]).toEqual([false, 'saved']), { timeout: 20000 });
const power = (value: number) => ({ edit: 'setFigure', input: { figure: 'cruisePower', value } }) as const;
const stored = async () => (await repository().load(id))!.stored.document.duty.cruisePowerW;

/** More things than are judged in one go. */
const large = (id: string): Build =>
  applyEdit(firn9(id), {
    edit: 'addLowLoads',
    input: {
      loads: Array.from({ length: 60 }, (_, k) =>
        lowLoadOf({ ...LOAD_PRESETS[0]!, name: `Lamp ${k}` }, `lamp${k}`, 45),
      ),
    },
  }).build;

let id = '';
beforeEach(async () => {
  id = freshId();
  await repository().create(large(id));
  bench().open(id);
  await vi.waitFor(() => expect(bench().build?.id).toBe(id), { timeout: 20000 });
  await settled();
});

test('an edit of a large build is judged aside: what was judged before is shown until then, and nothing is said to be saved', async () => {
  const before = bench().assessment;
  expect(bench().dispatch(power(20000))).toBe(true);
  expect(bench()).toMatchObject({ renewing: true, saving: 'saving' });
  expect(bench().assessment).toBe(before);
  await settled();
  expect(bench().build?.duty.cruisePowerW).toBe(20000);
  expect(await stored()).toBe(20000);
  const alone = assess(bench().build!, { runs: { trip: bench().assessment!.trip } });
  expect(
    bench().assessment!.checks.map(({ id: rule, subject, verdict, margin }) => [rule, subject.id, verdict, margin]),
  ).toEqual(alone.checks.map(({ id: rule, subject, verdict, margin }) => [rule, subject.id, verdict, margin]));
});

test('edits that come while it is judged are made on it, stored in their order, and undone one by one', async () => {
  for (const value of [21000, 22000, 23000]) bench().dispatch(power(value));
  await settled();
  expect(await stored()).toBe(23000);
  bench().stepBack();
  await vi.waitFor(() => expect(bench().build?.duty.cruisePowerW).toBe(22000), { timeout: 20000 });
  await settled();
  expect(await stored()).toBe(22000);
});

test('an undo while it is judged takes the newest edit back and keeps those before it', async () => {
  bench().dispatch(power(21000));
  bench().dispatch(power(22000));
  bench().stepBack();
  await settled();
  expect(bench().build?.duty.cruisePowerW).toBe(21000);
  expect(await stored()).toBe(21000);
  bench().stepForward();
  await settled();
  expect(await stored()).toBe(22000);
});

test('an undo of the only edit that is judged leaves all as it was', async () => {
  const before = bench().build;
  bench().dispatch(power(21000));
  bench().stepBack();
  await settled();
  expect(bench().build).toBe(before);
  expect(await stored()).toBe(before!.duty.cruisePowerW);
});

test('a figure that does not fit is refused at once, and what is being judged goes on', async () => {
  bench().dispatch(power(21000));
  expect(bench().dispatch({ edit: 'setCells', input: { deviceId: 'box-rear', cellsInSeries: -3 } })).toBe(false);
  expect(bench().trouble?.reason).toContain('whole number');
  await settled();
  expect(await stored()).toBe(21000);
});

test('another build opened meanwhile is what is shown; what was judged for the first is stored there', async () => {
  const first = id;
  bench().dispatch(power(21000));
  bench().dispatch(power(22000));
  const other = firn9(freshId());
  await repository().create(other);
  bench().openFresh(other);
  await vi.waitFor(() => expect(bench().build?.id).toBe(other.id), { timeout: 20000 });
  expect(bench()).toMatchObject({ renewing: false, status: 'open' });
  const power1 = async (of: string) => (await repository().load(of))!.stored.document.duty.cruisePowerW;
  await vi.waitFor(async () => expect(await power1(first)).toBe(22000), { timeout: 20000 });
  expect(await power1(other.id)).toBe(other.duty.cruisePowerW);
});

test('edits that are in line when another build is opened are written to their own, and the next ones to the next', async () => {
  const [one, two] = [firn9(freshId()), firn9(freshId())];
  for (const build of [one, two]) await repository().create(build);
  for (const build of [one, two]) {
    bench().openFresh(build);
    await vi.waitFor(() => expect(bench().build?.id).toBe(build.id), { timeout: 20000 });
    for (const value of [31000, 32000, 33000]) bench().dispatch(power(value + (build === two ? 500 : 0)));
  }
  await settled();
  const at = async ({ id: of }: Build) => (await repository().load(of))!.stored;
  await vi.waitFor(async () => expect((await at(one)).document.duty.cruisePowerW).toBe(33000), { timeout: 20000 });
  await vi.waitFor(async () => expect((await at(two)).document.duty.cruisePowerW).toBe(33500), { timeout: 20000 });
  expect([(await at(one)).applied, (await at(two)).applied]).toEqual([3, 3]);
});
