// npm run bench: benchmarks of the core, bundled as the command line is. Results belong in docs/benchmarks.md.
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ensureInstalled, root } from './lib.mjs';

ensureInstalled({ quiet: true });
const { build } = await import('esbuild');
const outfile = join(root, 'dist', 'bench.mjs');
await build({
  entryPoints: [join(root, 'benchmarks/run.ts')],
  outfile,
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  logLevel: 'error',
  banner: { js: "import { createRequire as __cr } from 'node:module'; const require = __cr(import.meta.url);" },
});
await import(pathToFileURL(outfile).href);
