import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from 'vitest';
import { Threads } from './threads';

/** A thread that answers with what it was asked; told so it never ends, waits until it is let go, dies or eats memory. */
const folder = mkdtempSync(join(tmpdir(), 'ropeway-threads-'));
const file = join(folder, 'thread.mjs');
writeFileSync(
  file,
  `import { existsSync } from 'node:fs';
import { parentPort } from 'node:worker_threads';
const nap = new Int32Array(new SharedArrayBuffer(4));
parentPort.on('message', ({ id, law, text }) => {
  if (text === 'hang') for (;;);
  if (text.startsWith('hold ')) while (!existsSync(text.slice(5))) Atomics.wait(nap, 0, 0, 20);
  if (text === 'die') throw new Error('dead');
  if (text === 'eat') { const all = []; for (;;) all.push(new Array(1e6).fill(id)); }
  parentPort.postMessage({ id, status: 200, body: JSON.stringify({ law, text }) });
});`,
);
/** However slow the machine: no answer is late by it. */
const AMPLE_MS = 600_000;
/** Keeps threads until it is let go. */
const holder = (name: string) => {
  const flag = join(folder, name);
  return { text: `hold ${flag}`, letGo: () => writeFileSync(flag, '') };
};
afterAll(() => rmSync(folder, { recursive: true }));

describe('threads that answer', () => {
  test('fifty questions at once, each its own answer', async () => {
    const threads = new Threads(file);
    const all = await Promise.all(Array.from({ length: 50 }, (_, k) => threads.ask('law', `${k}`)));
    expect(all.map(({ status, body }) => [status, JSON.parse(body).text])).toEqual(
      Array.from({ length: 50 }, (_, k) => [200, `${k}`]),
    );
  });

  test('one that does not end is ended within its budget, and the next are answered', async () => {
    const threads = new Threads(file, 5000);
    const [hung, other] = await Promise.all([threads.ask(null, 'hang'), threads.ask(null, 'well')]);
    expect(hung.status).toBe(503);
    expect(JSON.parse(hung.body).errors[0].reason).toBe('found no answer within 5 s.');
    expect(other.status).toBe(200);
    const after = await Promise.all(['a', 'b', 'c'].map((text) => threads.ask(null, text)));
    expect(after.map(({ status }) => status)).toEqual([200, 200, 200]);
  });

  test('one that dies or eats all memory is told in words, and does not take the server along', async () => {
    const threads = new Threads(file, AMPLE_MS);
    for (const text of ['die', 'eat']) {
      const { status, body } = await threads.ask(null, text);
      expect(status).toBe(503);
      expect(JSON.parse(body).errors[0].remedy).toMatch(/\S/);
      expect((await threads.ask(null, 'well')).status).toBe(200);
    }
  });

  test('large bodies wait only up to a limit together, however few they are', async () => {
    const threads = new Threads(file, AMPLE_MS);
    const hold = holder('large');
    const held = [threads.ask(null, hold.text), threads.ask(null, hold.text)];
    const large = 'x'.repeat(40_000_000);
    const waiting = [threads.ask(null, large), threads.ask(null, large)];
    expect((await threads.ask(null, large)).status).toBe(503);
    hold.letGo();
    await Promise.all(held);
    expect((await Promise.all(waiting)).map(({ status }) => status)).toEqual([200, 200]);
    expect((await threads.ask(null, 'well')).status).toBe(200);
  });

  test('more than may wait are told so at once', async () => {
    const threads = new Threads(file, AMPLE_MS);
    const hold = holder('many');
    const held = [threads.ask(null, hold.text), threads.ask(null, hold.text)];
    const waiting = Array.from({ length: 200 }, () => threads.ask(null, 'well'));
    expect((await threads.ask(null, 'well')).status).toBe(503);
    hold.letGo();
    await Promise.all(held);
    expect((await Promise.all(waiting)).every(({ status }) => status === 200)).toBe(true);
  });
});
