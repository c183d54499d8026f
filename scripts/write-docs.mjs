// npm run docs: the pages that are made from the code. npm test fails while they differ from it.
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build } from 'esbuild';
import { ensureInstalled, root } from './lib.mjs';

ensureInstalled();
const bundle = join(mkdtempSync(join(tmpdir(), 'ropeway-docs-')), 'bundle.mjs');
await build({
  stdin: {
    contents: `export { describeBuildFile } from './src/core/build/schema'; export { describeLaws } from './src/core/calc/schema/describe-laws'; export { mistakesTable } from './src/core/testing/corpus/table';`,
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
const { describeBuildFile, describeLaws, mistakesTable } = await import(bundle);
writeFileSync(join(root, 'docs', 'build-file.md'), describeBuildFile());
writeFileSync(join(root, 'docs', 'laws.md'), describeLaws());
writeFileSync(join(root, 'docs', 'mistakes.md'), mistakesTable());
