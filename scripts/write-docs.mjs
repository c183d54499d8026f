// npm run docs: the pages that are made from the code. npm test fails while they differ from it.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureInstalled, fromSources, root } from './lib.mjs';

ensureInstalled();
const { buildJsonSchema, describeBuildFile, describeLaws, mistakesTable } = await fromSources(
  `export { buildJsonSchema, describeBuildFile } from './src/core/build/schema'; export { describeLaws } from './src/core/calc/schema/describe-laws'; export { mistakesTable } from './src/core/testing/corpus/table';`,
);
writeFileSync(join(root, 'docs', 'build-file.md'), describeBuildFile());
writeFileSync(join(root, 'docs', 'laws.md'), describeLaws());
writeFileSync(join(root, 'docs', 'mistakes.md'), mistakesTable());
// The same schema for those who can't carry its library: every edit is held against it.
writeFileSync(
  join(root, 'src', 'core', 'build', 'limits', 'build-file.schema.json'),
  `${JSON.stringify(buildJsonSchema())}\n`,
);
