import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { firn9 } from '@/core/build/samples';
import { breakOffRun, makeRunAside } from './runs';

/** A worker that hears everything and says nothing, until a test lets it die. */
class Mute {
  static readonly started: Mute[] = [];
  onerror: ((event: { message: string }) => void) | null = null;
  ended = false;
  readonly heard: unknown[] = [];
  constructor() {
    Mute.started.push(this);
  }
  addEventListener(): void {}
  removeEventListener(): void {}
  postMessage(message: unknown): void {
    this.heard.push(message);
  }
  terminate(): void {
    this.ended = true;
  }
}

const build = firn9();
const nothing = () => {};
const open = async (asked: Promise<unknown>) =>
  Promise.race([
    asked.then(
      () => 'answered',
      (error: Error) => error.message,
    ),
    new Promise((resolve) => setTimeout(() => resolve('open'), 0)),
  ]);

beforeEach(() => vi.stubGlobal('Worker', Mute));
afterEach(() => {
  breakOffRun('trip');
  Mute.started.length = 0;
  vi.unstubAllGlobals();
});

test('a worker that dies is told in its words, and the next question gets a fresh one', async () => {
  const asked = makeRunAside('trip', build, nothing);
  expect(Mute.started).toHaveLength(1);
  expect(await open(asked)).toBe('open');
  Mute.started[0]!.onerror!({ message: 'out of memory' });
  expect(await open(asked)).toBe('out of memory');
  expect(Mute.started[0]!.ended).toBe(true);
  const again = makeRunAside('trip', build, nothing);
  expect(Mute.started).toHaveLength(2);
  // What the dead one still says is nobody’s business.
  Mute.started[0]!.onerror!({ message: 'late' });
  expect(await open(again)).toBe('open');
});

test('what is broken off by hand stays unanswered, and its worker is gone', async () => {
  const asked = makeRunAside('trip', build, nothing);
  breakOffRun('trip');
  expect(Mute.started[0]!.ended).toBe(true);
  expect(await open(asked)).toBe('open');
});

test('each run has a worker of its own; without workers there is no answer', async () => {
  void makeRunAside('trip', build, nothing);
  void makeRunAside('sequence', build, nothing);
  expect(Mute.started).toHaveLength(2);
  breakOffRun('sequence');
  expect(Mute.started.map(({ ended }) => ended)).toEqual([false, true]);
  vi.stubGlobal('Worker', undefined);
  expect(await makeRunAside('trip', build, nothing)).toBeNull();
});
