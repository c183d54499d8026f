// npm run docs: the pages that are made from the code. npm test fails while they differ from it.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureInstalled, fromSources, root } from './lib.mjs';

ensureInstalled();
const { describeBuildFile, describeLaws, mistakesTable } = await fromSources(
  `export { describeBuildFile } from './src/core/build/schema'; export { describeLaws } from './src/core/calc/schema/describe-laws'; export { mistakesTable } from './src/core/testing/corpus/table';`,
);
writeFileSync(join(root, 'docs', 'build-file.md'), describeBuildFile());
writeFileSync(join(root, 'docs', 'laws.md'), describeLaws());
writeFileSync(join(root, 'docs', 'mistakes.md'), mistakesTable());
