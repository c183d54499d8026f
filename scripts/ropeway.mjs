// The headless command: bundles the core once per change of sources, then runs it.
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ensureInstalled, hashOf, root, stamp, stampIs } from './lib.mjs';

ensureInstalled({ quiet: true });
const key = hashOf(['src/core', 'src/cli', 'package-lock.json'], process.version);
const bundle = join(root, 'dist', 'ropeway.mjs');
if (!stampIs('cli', key) || !existsSync(bundle)) {
  const { build } = await import('esbuild');
  await build({
    entryPoints: [join(root, 'src/cli/main.ts')],
    outfile: bundle,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'error',
    banner: { js: "import { createRequire as __cr } from 'node:module'; const require = __cr(import.meta.url);" },
  });
  stamp('cli', key);
}
await import(pathToFileURL(bundle).href);
