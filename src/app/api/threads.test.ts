import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from 'vitest';
import { Threads } from './threads';

/** A thread that answers with what it was asked, sleeps, dies or eats memory when it is told. */
const folder = mkdtempSync(join(tmpdir(), 'ropeway-threads-'));
const file = join(folder, 'thread.mjs');
writeFileSync(
  file,
  `import { parentPort } from 'node:worker_threads';
parentPort.on('message', ({ id, law, text }) => {
  if (text === 'hang') for (;;);
  if (text === 'die') throw new Error('dead');
  if (text === 'eat') { const all = []; for (;;) all.push(new Array(1e6).fill(id)); }
  parentPort.postMessage({ id, status: 200, body: JSON.stringify({ law, text }) });
});`,
);
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
    const threads = new Threads(file, 300);
    const [hung, other] = await Promise.all([threads.ask(null, 'hang'), threads.ask(null, 'well')]);
    expect(hung.status).toBe(503);
    expect(JSON.parse(hung.body).errors[0].reason).toBe('found no answer within 0.3 s.');
    expect(other.status).toBe(200);
    const after = await Promise.all(['a', 'b', 'c'].map((text) => threads.ask(null, text)));
    expect(after.map(({ status }) => status)).toEqual([200, 200, 200]);
  });

  test('one that dies or eats all memory is told in words, and does not take the server along', async () => {
    const threads = new Threads(file, 60_000);
    for (const text of ['die', 'eat']) {
      const { status, body } = await threads.ask(null, text);
      expect(status).toBe(503);
      expect(JSON.parse(body).errors[0].remedy).toMatch(/\S/);
      expect((await threads.ask(null, 'well')).status).toBe(200);
    }
  });

  test('large bodies wait only up to a limit together, however few they are', async () => {
    const threads = new Threads(file, 1500);
    const held = [threads.ask(null, 'hang'), threads.ask(null, 'hang')];
    const large = 'x'.repeat(40_000_000);
    const waiting = [threads.ask(null, large), threads.ask(null, large)];
    expect((await threads.ask(null, large)).status).toBe(503);
    await Promise.all(held);
    expect((await Promise.all(waiting)).map(({ status }) => status)).toEqual([200, 200]);
    expect((await threads.ask(null, 'well')).status).toBe(200);
  });

  test('more than may wait are told so at once', async () => {
    const threads = new Threads(file, 2000);
    const held = [threads.ask(null, 'hang'), threads.ask(null, 'hang')];
    const waiting = Array.from({ length: 200 }, () => threads.ask(null, 'well'));
    expect((await threads.ask(null, 'well')).status).toBe(503);
    await Promise.all(held);
    expect((await Promise.all(waiting)).every(({ status }) => status === 200)).toBe(true);
  });
});
