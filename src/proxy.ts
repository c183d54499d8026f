import { type NextRequest, NextResponse } from 'next/server';
import { lanHosts } from './app/api/guard';

const LOOPBACK = /^(127\.0\.0\.1|\[::1\])(:\d{1,5})?$/;
const escaped = (text: string): string => text.replace(/[&<>"']/g, (one) => `&#${one.charCodeAt(0)};`);

/**
 * What a browser stores belongs to an address: under the machine’s other name the builds would seem lost. One address, then. (By a page of
 * its own: a redirect between two names of one machine is taken for one to the same place, and made relative.)
 */
export function proxy(request: NextRequest): NextResponse {
  const host = request.headers.get('host') ?? '';
  const [name, port] = host.split(':');
  // A name from elsewhere that only points here gets no page.
  if (name !== 'localhost')
    return LOOPBACK.test(host) || lanHosts().includes(host)
      ? NextResponse.next()
      : new NextResponse('This address is not Ropeway’s. Use the one that was printed.', {
          status: 403,
          headers: { 'Content-Type': 'text/plain; charset=utf-8', 'Cache-Control': 'no-store' },
        });
  const { pathname, search } = new URL(request.url);
  const there = escaped(`http://127.0.0.1${port ? `:${port}` : ''}${pathname}${search}`);
  return new NextResponse(
    `<!doctype html><html lang="en"><meta charset="utf-8"><meta http-equiv="refresh" content="0;url=${there}"><title>Ropeway</title><p>Ropeway is at <a href="${there}">${there}</a>.`,
    {
      headers: {
        'Content-Type': 'text/html; charset=utf-8',
        'Content-Security-Policy': "default-src 'none'",
        'Cache-Control': 'no-store',
      },
    },
  );
}

export const config = { matcher: ['/((?!_next/|api/).*)'] };
