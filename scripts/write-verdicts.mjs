// npm run verdicts: the table of verdicts of the samples, kept so that no change of it goes unseen. Say in the commit why it changed.
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build } from 'esbuild';
import { ensureInstalled, root } from './lib.mjs';

ensureInstalled();
const bundle = join(mkdtempSync(join(tmpdir(), 'ropeway-verdicts-')), 'bundle.mjs');
await build({
  stdin: {
    contents: `export { SAMPLES } from './src/core/build/samples'; export { verdictTable } from './src/core/testing/verdicts/table';`,
    resolveDir: root,
    loader: 'ts',
  },
  bundle: true,
  format: 'esm',
  outfile: bundle,
  platform: 'node',
  logLevel: 'error',
  banner: { js: "import { createRequire as __cr } from 'node:module'; const require = __cr(import.meta.url);" },
});
const { SAMPLES, verdictTable } = await import(bundle);
for (const { key, make } of SAMPLES)
  writeFileSync(join(root, 'src', 'core', 'testing', 'verdicts', `${key}.txt`), verdictTable(make(key)));
