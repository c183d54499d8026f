import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { STATIONS } from '@/core/stations';
import { offline } from './offline';

export const dynamic = 'force-dynamic';

const PAGES = ['/', '/files', '/parts', '/sums', ...STATIONS.map(({ id }) => `/${id}`)];

function filesIn(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesIn(join(folder, entry.name)) : [join(folder, entry.name)],
  );
}

/** The script that keeps this version of the application in the browser, with the list of all that belongs to it. */
export function GET(): Response {
  const built = join(process.cwd(), '.next');
  const version = readFileSync(join(built, 'BUILD_ID'), 'utf8').trim();
  const files = filesIn(join(built, 'static')).map(
    (file) => `/_next/static${file.slice(join(built, 'static').length).replaceAll('\\', '/')}`,
  );
  const given = [version, [...files, '/icon.svg'], PAGES].map((one) => JSON.stringify(one)).join(', ');
  return new Response(`(${offline.toString()})(self, ${given});\n`, {
    headers: { 'Content-Type': 'text/javascript; charset=utf-8', 'Cache-Control': 'no-cache' },
  });
}
