// npm run bench: benchmarks of the core, bundled as the command line is. Results belong in docs/benchmarks.md.
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { bundle, ensureInstalled, root } from './lib.mjs';

ensureInstalled({ quiet: true });
const outfile = join(root, 'dist', 'bench.mjs');
await bundle({ entry: 'benchmarks/run.ts', outfile });
await import(pathToFileURL(outfile).href);
