import type { Problem } from '@/core/build';

/** Names of this machine for itself: unless it was started for the local network, the application listens on nothing else. */
const LOOPBACK = /^(127\.0\.0\.1|localhost|\[::1\])(:\d{1,5})?$/;

/** Addresses under which the local network may come, as “host:port”; empty unless it was started for that. */
export const lanHosts = (): readonly string[] => (process.env.ROPEWAY_LAN_HOSTS ?? '').split(',').filter(Boolean);

export interface Refused {
  readonly status: number;
  readonly errors: readonly Problem[];
}

const refuse = (status: number, path: string, reason: string, remedy: string): Refused => ({
  status,
  errors: [{ path, reason, remedy }],
});

/**
 * Who may ask: programs on this machine and the application’s own pages. A page from elsewhere that a browser on this machine has open may
 * not: it names its origin, or sends text that needs no leave, or comes under a name that only points here. `lan`: addresses of this
 * machine in its network, where somebody said yes to that.
 */
export function guard(headers: Headers, lan: readonly string[] = []): Refused | null {
  const host = headers.get('host') ?? '';
  if (!LOOPBACK.test(host) && !lan.includes(host))
    return refuse(403, '(host)', 'is not this machine.', 'Ask under http://127.0.0.1 and the port that was printed.');
  const origin = headers.get('origin');
  if (origin !== null && origin !== `http://${host}`)
    return refuse(403, '(origin)', 'is another page.', 'Only the application’s own pages and programs may ask.');
  const site = headers.get('sec-fetch-site');
  if (site !== null && site !== 'same-origin' && site !== 'none')
    return refuse(403, '(origin)', 'is another page.', 'Only the application’s own pages and programs may ask.');
  const type = (headers.get('content-type') ?? '').split(';')[0]!.trim().toLowerCase();
  if (type !== 'application/json')
    return refuse(415, '(content type)', 'is not JSON.', 'Send Content-Type: application/json.');
  return null;
}
