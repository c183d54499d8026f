import { expect, test } from 'vitest';
import { askOnce, KeptWorker } from './aside';

/** As much of a worker as is asked of here: it can die. */
class Mortal {
  onerror: ((event: { message: string }) => void) | null = null;
  ended = false;
  addEventListener(): void {}
  removeEventListener(): void {}
  postMessage(): void {}
  terminate(): void {
    this.ended = true;
  }
  die(message: string): void {
    this.onerror!({ message });
  }
}
const mortal = () => {
  const worker = new Mortal();
  return { worker, asWorker: worker as unknown as Worker };
};
const never = () => new Promise<never>(() => {});
const said = (asked: Promise<unknown>) => asked.catch((error: Error) => error.message);

test('a question by itself ends its worker with the answer, with what the answer threw, and with its death', async () => {
  for (const [question, words] of [
    [async () => 'well', 'well'],
    [
      async () => {
        throw new Error('no such column');
      },
      'no such column',
    ],
  ] as const) {
    const { worker, asWorker } = mortal();
    expect(await said(askOnce(asWorker, question).answer)).toBe(words);
    expect(worker.ended).toBe(true);
  }
  const { worker, asWorker } = mortal();
  const dying = said(askOnce(asWorker, never, 'the reader').answer);
  worker.die('');
  expect(await dying).toBe('the reader stopped');
  expect(worker.ended).toBe(true);
});

test('of a kept worker everybody who waits hears of its death, and the next question starts another', async () => {
  const started: Mortal[] = [];
  const kept = new KeptWorker<object>(() => {
    const { worker, asWorker } = mortal();
    started.push(worker);
    return asWorker;
  });
  expect(await kept.ask(async () => 1)).toBe(1);
  const both = Promise.all([said(kept.ask(never)), said(kept.ask(never))]);
  expect(started).toHaveLength(1);
  started[0]!.die('out of memory');
  expect(await both).toEqual(['out of memory', 'out of memory']);
  expect(await kept.ask(async () => 2)).toBe(2);
  expect(started).toHaveLength(2);
});
