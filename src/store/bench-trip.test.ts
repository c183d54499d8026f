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
}
/** A worker that answers when the test says so. */
const { asked, brokenOff } = vi.hoisted(() => ({ asked: [] as Asked[], brokenOff: { times: 0 } }));
vi.mock('@/workers/trips', () => ({
  driveTripAside: (build: Build, onProgress: (share: number) => void) =>
    new Promise<TripRuns | null>((answer) => asked.push({ build, onProgress, answer })),
  breakOffTrip: () => {
    brokenOff.times++;
  },
}));

const bench = () => useBench.getState();
const settle = () => new Promise((resolve) => setTimeout(resolve, 0));

let loadKg = 300;
beforeEach(() => {
  asked.length = 0;
  brokenOff.times = 0;
  // Each test has a build of its own: a trip that was driven for the one before does not serve.
  loadKg += 7;
  bench().openFresh({ ...firn9(freshId()), vehicle: { ...firn9().vehicle, payloadKg: loadKg } });
});

describe('the usual trip beside the bench', () => {
  test('progress is shown while it is driven, and the answer ends it and is judged', async () => {
    const { build, onProgress, answer } = asked.at(-1)!;
    onProgress(0.4);
    expect(bench().driving).toBe(0.4);
    expect(bench().assessment!.trip).toBeNull();
    answer(tripRuns(vehicleOf(build)));
    await settle();
    expect(bench().driving).toBeNull();
    expect(bench().assessment!.trip!.mild.distanceM).toBeGreaterThan(1000);
  });

  test('broken off by hand it stops at once, late words of it change nothing, and it can be driven again', async () => {
    bench().dispatch({ edit: 'setFigure', input: { figure: 'payload', value: 512 } });
    const { onProgress } = asked.at(-1)!;
    bench().stopTrip();
    expect(brokenOff.times).toBe(1);
    onProgress(0.9);
    expect(bench().driving).toBe('stopped');
    expect(bench().assessment!.checks.find(({ id }) => id === 'drive.range')!.verdict).toBe('pending');
    const before = asked.length;
    bench().driveTrip();
    expect(asked.length).toBe(before + 1);
    expect(bench().driving).toBeNull();
    bench().stopTrip();
    bench().dispatch({ edit: 'setFigure', input: { figure: 'payload', value: 513 } });
    expect(bench().driving).toBeNull();
    expect(asked.length).toBe(before + 2);
  });

  test('what comes back for a build of before is not taken for the one of now', async () => {
    const first = asked.at(-1)!;
    bench().dispatch({ edit: 'setFigure', input: { figure: 'payload', value: 433 } });
    first.onProgress(0.5);
    expect(bench().driving).toBeNull();
    first.answer(tripRuns(vehicleOf(first.build)));
    await settle();
    expect(bench().assessment!.trip).toBeNull();
  });
});
