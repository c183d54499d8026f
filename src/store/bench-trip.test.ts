import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import type { Build } from '@/core/build';
import { firn9 } from '@/core/build/samples';
import { type TripRuns, tripRuns } from '@/core/simulate';
import { vehicleOf } from '@/core/vehicle';
import { freshId, useBench } from './bench';

interface Asked {
  readonly build: Build;
  readonly onProgress: (share: number) => void;
  readonly answer: (runs: TripRuns | null) => void;
  readonly fail: (error: Error) => void;
}
/** A worker that answers when the test says so. */
const { asked, brokenOff } = vi.hoisted(() => ({ asked: [] as Asked[], brokenOff: { times: 0 } }));
vi.mock('@/workers/runs', () => ({
  // Only the trip is looked at here: every other run has nothing to make.
  makeRunAside: (id: string, build: Build, onProgress: (share: number) => void) =>
    id === 'trip'
      ? new Promise<TripRuns | null>((answer, fail) => asked.push({ build, onProgress, answer, fail }))
      : new Promise(() => {}),
  breakOffRun: () => {
    brokenOff.times++;
  },
}));

const bench = () => useBench.getState();
const settle = () => new Promise((resolve) => setTimeout(resolve, 0));

let loadKg = 300;
beforeEach(async () => {
  // However slow the machine: small builds are judged at once.
  vi.spyOn(performance, 'now').mockReturnValue(0);
  asked.length = 0;
  brokenOff.times = 0;
  // Each test has a build of its own: a trip that was driven for the one before does not serve.
  loadKg += 7;
  bench().openFresh({ ...firn9(freshId()), vehicle: { ...firn9().vehicle, payloadKg: loadKg } });
  await vi.waitFor(() => expect(useBench.getState().status).toBe('open'), { timeout: 20000 });
});

describe('the usual trip beside the bench', () => {
  test('progress is shown while it is driven, and the answer ends it and is judged', async () => {
    const { build, onProgress, answer } = asked.at(-1)!;
    onProgress(0.4);
    expect(bench().running.trip).toEqual({ state: 'going', share: 0.4 });
    expect(bench().assessment!.trip).toBeNull();
    answer(tripRuns(vehicleOf(build)));
    await settle();
    expect(bench().running.trip).toBeUndefined();
    expect(bench().assessment!.trip!.mild.distanceM).toBeGreaterThan(1000);
  });

  test('broken off by hand it stops at once, late words of it change nothing, and it can be driven again', async () => {
    bench().dispatch({ edit: 'setFigure', input: { figure: 'payload', value: 512 } });
    const { onProgress } = asked.at(-1)!;
    bench().stopRun('trip');
    expect(brokenOff.times).toBe(1);
    onProgress(0.9);
    expect(bench().running.trip).toEqual({ state: 'stopped' });
    expect(bench().assessment!.checks.find(({ id }) => id === 'drive.range')!.verdict).toBe('pending');
    const before = asked.length;
    bench().startRun('trip');
    expect(asked.length).toBe(before + 1);
    expect(bench().running.trip).toBeUndefined();
    bench().stopRun('trip');
    bench().dispatch({ edit: 'setFigure', input: { figure: 'payload', value: 513 } });
    expect(bench().running.trip).toBeUndefined();
    expect(asked.length).toBe(before + 2);
  });

  test('a run that dies is told in words, the checks stay open, and it can be made again', async () => {
    asked.at(-1)!.fail(new Error('the worker is gone'));
    await settle();
    expect(bench().running.trip).toEqual({ state: 'failed', reason: 'the worker is gone' });
    expect(bench().assessment!.checks.find(({ id }) => id === 'drive.range')!.verdict).toBe('pending');
    const before = asked.length;
    bench().startRun('trip');
    expect(asked.length).toBe(before + 1);
    expect(bench().running.trip).toBeUndefined();
  });

  test('what comes back for a build of before is not taken for the one of now', async () => {
    const first = asked.at(-1)!;
    bench().dispatch({ edit: 'setFigure', input: { figure: 'payload', value: 433 } });
    first.onProgress(0.5);
    expect(bench().running.trip).toBeUndefined();
    first.answer(tripRuns(vehicleOf(first.build)));
    await settle();
    expect(bench().assessment!.trip).toBeNull();
  });
});
