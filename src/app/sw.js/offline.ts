/** What the script needs of its surroundings: a service worker’s, or a test’s. */
export interface Surroundings {
  readonly caches: CacheStorage;
  readonly location: { readonly origin: string };
  readonly clients: { claim(): Promise<void> };
  skipWaiting(): Promise<void>;
  fetch(request: Request | string, init?: RequestInit): Promise<Response>;
  // biome-ignore lint/suspicious/noExplicitAny: events of service workers are not among the page’s types
  addEventListener(kind: string, listener: (event: any) => void): void;
}

/**
 * A service worker: keeps one version of the application whole in the browser and answers from it, server or no server. A newer version is
 * kept beside it and waits until a person says so; files of two versions are never mixed. Runs as text of its own: it may use nothing from
 * outside itself.
 */
export function offline(self: Surroundings, version: string, files: readonly string[], pages: readonly string[]): void {
  const PREFIX = 'ropeway ';
  const name = `${PREFIX}${version}`;
  /** Data of a page for a move without reloading; the same address as the page, told apart by a header. */
  const dataKey = (page: string): string => `${page}?data`;

  const keep = async (): Promise<void> => {
    const cache = await self.caches.open(name);
    const put = async (key: string, init?: RequestInit) => {
      const [path] = key.split('?');
      const response = await self.fetch(path!, { cache: 'no-cache', ...init });
      if (!response.ok) throw new Error(`${path} was not there`);
      await cache.put(key, response);
    };
    // All or nothing: a version that is not whole is not used.
    await Promise.all([
      ...files.map((file) => put(file)),
      ...pages.map((page) => put(page)),
      ...pages.map((page) => put(dataKey(page), { headers: { rsc: '1' } })),
    ]);
  };

  self.addEventListener('install', (event) => {
    event.waitUntil(keep());
  });
  self.addEventListener('activate', (event) => {
    event.waitUntil(
      (async () => {
        for (const key of await self.caches.keys())
          if (key.startsWith(PREFIX) && key !== name) await self.caches.delete(key);
        await self.clients.claim();
      })(),
    );
  });
  self.addEventListener('message', (event) => {
    if (event.data === 'use') void self.skipWaiting();
  });

  self.addEventListener('fetch', (event) => {
    const request = event.request as Request;
    const { origin, pathname } = new URL(request.url);
    if (request.method !== 'GET' || origin !== self.location.origin || pathname.startsWith('/api/')) return;
    const page = pages.includes(pathname);
    if (!page && !files.includes(pathname)) return;
    const data = page && request.headers.get('rsc') !== null;
    // What is only fetched ahead in pieces is at hand whole.
    if (data && request.headers.get('next-router-segment-prefetch') !== null) {
      event.respondWith(new Response(null, { status: 204 }));
      return;
    }
    event.respondWith(
      (async () => {
        const cache = await self.caches.open(name);
        const kept = await cache.match(data ? dataKey(pathname) : pathname, { ignoreVary: true });
        // A response of its own has the address that was asked for, with its search and its fragment: both mean something here.
        return kept ? new Response(kept.body, { status: kept.status, headers: kept.headers }) : self.fetch(request);
      })(),
    );
  });
}
