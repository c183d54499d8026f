// After the build: a Content-Security-Policy for each static page, with the hashes of the inline scripts that the framework wrote
// into it. No 'unsafe-inline' for scripts, no remote origin anywhere. The headers go where `next start` reads them.
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';

/** The policy for a page: only what this address serves, and the scripts whose hashes are named. */
export function policyFor(html) {
  const hashes = [...html.matchAll(/<script(?![^>]*\ssrc=)[^>]*>([\s\S]*?)<\/script>/g)].map(
    ([, text]) => `'sha256-${createHash('sha256').update(text).digest('base64')}'`,
  );
  return [
    "default-src 'none'",
    `script-src 'self' ${[...new Set(hashes)].join(' ')}`.trim(),
    // Style attributes, and the scroll lock of open dialogs.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "manifest-src 'self'",
    "base-uri 'none'",
    "form-action 'none'",
    "frame-ancestors 'none'",
  ].join('; ');
}

function htmlFiles(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory()
      ? htmlFiles(join(folder, entry.name))
      : entry.name.endsWith('.html')
        ? [join(folder, entry.name)]
        : [],
  );
}

/** Writes the policies into the build in `root`. Throws when a page that must have one is missing. */
export function writePolicies(root) {
  const app = join(root, '.next', 'server', 'app');
  const pages = new Map(
    htmlFiles(app).map((file) => {
      const name = relative(app, file)
        .replaceAll('\\', '/')
        .replace(/\.html$/, '');
      return [name === 'index' ? '/' : `/${name}`, policyFor(readFileSync(file, 'utf8'))];
    }),
  );
  const fallback = pages.get('/_not-found');
  if (!fallback || !pages.has('/')) throw new Error('the build has no pages to protect');
  const path = join(root, '.next', 'routes-manifest.json');
  const manifest = JSON.parse(readFileSync(path, 'utf8'));
  const entry = (source, regex, value) => ({ source, regex, headers: [{ key: 'Content-Security-Policy', value }] });
  const plain = [...pages].filter(([page]) => !page.startsWith('/_'));
  manifest.headers = [
    ...manifest.headers.filter((header) => !header.headers.some(({ key }) => key === 'Content-Security-Policy')),
    entry('/:path*', '^(?:/((?:[^/]+?)(?:/(?:[^/]+?))*))?(?:/)?$', fallback),
    ...plain.map(([page, value]) => entry(page, page === '/' ? '^/(?:/)?$' : `^${page}(?:/)?$`, value)),
  ];
  writeFileSync(path, JSON.stringify(manifest));
  return pages.size;
}

if (import.meta.url === `file://${process.argv[1]}`) writePolicies(process.cwd());
