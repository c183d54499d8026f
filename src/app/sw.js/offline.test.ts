import { beforeEach, expect, test, vi } from 'vitest';
import { offline, type Surroundings } from './offline';

const ORIGIN = 'http://127.0.0.1:4170';
const FILES = ['/_next/static/chunks/a.js'];
const PAGES = ['/', '/pack'];

/** A browser’s cupboard of caches, in memory. */
class Cupboard {
  readonly held = new Map<string, Map<string, Response>>();
  async open(name: string) {
    const cache = this.held.get(name) ?? new Map<string, Response>();
    this.held.set(name, cache);
    return {
      put: async (key: string, response: Response) => void cache.set(key, response),
      match: async (key: string) => cache.get(key)?.clone(),
    };
  }
  keys = async () => [...this.held.keys()];
  delete = async (name: string) => this.held.delete(name);
}

let cupboard: Cupboard;
/** One version in its surroundings; its server tells the version with what it gives. */
function worker(version: string, served: (path: string, data: boolean) => Response | null) {
  const listeners = new Map<string, (event: unknown) => void>();
  const skipWaiting = vi.fn(async () => {});
  const fetch = vi.fn(async (request: Request | string, init?: RequestInit) => {
    const path = typeof request === 'string' ? request : new URL(request.url).pathname;
    const response = served(path, new Headers(init?.headers).get('rsc') === '1');
    if (!response) throw new TypeError('no server');
    return response;
  });
  const self = {
    caches: cupboard,
    location: { origin: ORIGIN },
    clients: { claim: async () => {} },
    skipWaiting,
    fetch,
  };
  // As text, like the browser gets it: it may use nothing from outside itself.
  const run = new Function(`return (${offline.toString()})`)() as typeof offline;
  run(
    {
      ...self,
      addEventListener: (kind: string, listener: (event: unknown) => void) => void listeners.set(kind, listener),
    } as unknown as Surroundings,
    version,
    FILES,
    PAGES,
  );
  const wait = async (kind: string) => {
    let done: Promise<unknown> = Promise.resolve();
    listeners.get(kind)!({ waitUntil: (promise: Promise<unknown>) => (done = promise) });
    await done;
  };
  const ask = async (path: string, headers: Record<string, string> = {}, method = 'GET') => {
    let answer: Promise<Response> | Response | null = null;
    const request = new Request(`${ORIGIN}${path}`, { headers, method });
    listeners.get('fetch')!({ request, respondWith: (given: Promise<Response>) => (answer = given) });
    return answer as Promise<Response> | null;
  };
  return { wait, ask, skipWaiting, fetch, tell: (data: unknown) => listeners.get('message')!({ data }) };
}
const serverOf = (version: string) => (path: string, data: boolean) =>
  new Response(`${version} ${data ? 'data of ' : ''}${path}`);

beforeEach(() => {
  cupboard = new Cupboard();
});

test('pages, their data and files come from the browser when the server is gone, whatever is searched for', async () => {
  let there = true;
  const one = worker('1', (path, data) => (there ? serverOf('1')(path, data) : null));
  await one.wait('install');
  await one.wait('activate');
  there = false;
  expect(await (await one.ask('/pack?build=x'))!.text()).toBe('1 /pack');
  expect(await (await one.ask('/pack?build=x&_rsc=1', { rsc: '1' }))!.text()).toBe('1 data of /pack');
  expect(await (await one.ask(FILES[0]!))!.text()).toBe(`1 ${FILES[0]}`);
  const ahead = await one.ask('/pack?_rsc=1', { rsc: '1', 'next-router-segment-prefetch': '/_tree' });
  expect(ahead!.status).toBe(204);
});

test('questions to the server, other origins and what does not belong to it are left alone', async () => {
  const one = worker('1', serverOf('1'));
  await one.wait('install');
  expect(await one.ask('/api/calc/cable')).toBeNull();
  expect(await one.ask('/pack', {}, 'POST')).toBeNull();
  expect(await one.ask('/_next/static/chunks/other.js')).toBeNull();
});

test('a version that is not whole is not used: one missing file ends it', async () => {
  const one = worker('1', (path) => (path === FILES[0] ? new Response('', { status: 404 }) : new Response(path)));
  await expect(one.wait('install')).rejects.toThrow('was not there');
});

test('a newer version waits for consent, and each answers with its own files only', async () => {
  const old = worker('1', serverOf('1'));
  await old.wait('install');
  await old.wait('activate');
  const fresh = worker('2', serverOf('2'));
  await fresh.wait('install');
  expect(fresh.skipWaiting).not.toHaveBeenCalled();
  // The server gives the newer one already: who has the older one open goes on with it.
  expect(await (await old.ask('/pack'))!.text()).toBe('1 /pack');
  fresh.tell('something');
  expect(fresh.skipWaiting).not.toHaveBeenCalled();
  fresh.tell('use');
  expect(fresh.skipWaiting).toHaveBeenCalledOnce();
  await fresh.wait('activate');
  expect(await cupboard.keys()).toEqual(['ropeway 2']);
  expect(await (await fresh.ask('/pack'))!.text()).toBe('2 /pack');
});
